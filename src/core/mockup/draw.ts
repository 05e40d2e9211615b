import type { Camera } from '../product/camera';
import { drawProducts } from '../product/draw';
import { cameraIn, frameThings, viewingDistance } from '../product/frame';
import type { Light } from '../product/light';
import { boundsOf } from '../product/mesh';
import type { modelOf } from '../product/model';
import { boxAbout, posed, type Look, type Standing } from '../product/scene';
import type { Vector } from '../geometry/vector';
import { IN_SILENCE, type Progress, type Raster } from '../raster/raster';
import { besideOf } from './beside/beside';
import { drawBackdrop, facingLamp, lampOf, type Grounds } from './backdrop';
import { glossOf, layReflection } from './reflection';
import type { Dress, Scene } from './schema';
import { shadowOf } from './shadow';
import { laySteam, roomForSteam } from './steam';

/** A fit as a scene shows it. */
export interface Pictured {
  model: ReturnType<typeof modelOf>;
  look: Look;
}

const radians = (degrees: number) => (degrees * Math.PI) / 180;

/** The things of a scene from the left to the right, standing on y = 0, or their middles level where they lie or hang. */
export function arranged({ places, backdrop }: Scene, fits: readonly Pictured[]): Standing[] {
  const level = backdrop.ground === 'lying' || backdrop.ground === 'wall';
  const turned = places.map(({ fit, turn }) => {
    const { model, look } = fits[fit] ?? fits[0]!;
    const meshes = model.meshes.filter(({ aid }) => !aid);
    const pose = { at: [0, 0, 0] as Vector, yaw: radians(turn), pitch: 0 };
    const points = meshes.flatMap((mesh) => mesh.points.map((point) => posed(point, pose)));
    return { meshes, look, pose, mouth: model.mouth, ...boundsOf(points) };
  });
  const unit = turned[0]!.high[0] - turned[0]!.low[0];
  let left = 0;
  return turned.map(({ meshes, look, pose, mouth, low, high }, i) => {
    const { gap, forward } = places[i]!;
    const x = left - low[0];
    left += high[0] - low[0] + gap * unit;
    const y = level ? -(low[1] + high[1]) / 2 : -low[1];
    const z = level ? -low[2] : forward * unit;
    return { meshes, look, pose: { ...pose, at: [x, y, z] }, ...(mouth && { mouth }) };
  });
}

/** What stands in a scene, and where it is seen from. */
export interface Shot {
  standing: readonly Standing[];
  /** What is shown beside it. */
  beside: readonly Standing[];
  camera: Camera;
}

/** What stands in a scene, and the camera that takes a picture of so many px of it. */
export function shotOf(
  scene: Scene,
  fits: readonly Pictured[],
  { steam }: Pick<Dress, 'steam'>,
  { width, height }: { width: number; height: number },
): Shot {
  const standing = arranged(scene, fits);
  const beside = besideOf(scene.beside, standing);
  const shown = steam ? [...standing, ...roomForSteam(standing)] : standing;
  return { standing, beside, camera: cameraOf(scene, shown, { width, height }) };
}

/** The camera that has things whole in a picture of so many px, from where a scene is looked at. */
export function cameraOf(
  { camera: shot }: Scene,
  things: readonly Standing[],
  { width, height }: { width: number; height: number },
): Camera {
  const eye = { yaw: radians(shot.yaw), pitch: radians(shot.pitch) };
  const distance = viewingDistance(things.flatMap(({ meshes }) => meshes)) * shot.far;
  return cameraIn(frameThings(things, [eye], distance, { width, height, margin: shot.margin }), eye, 0);
}

/** A scene with fits in it, as a picture of so many px. */
export function drawScene(
  scene: Scene,
  fits: readonly Pictured[],
  dress: Dress,
  { width, height, progress = IN_SILENCE }: { width: number; height: number; progress?: Progress },
): Raster {
  return drawShot(scene, shotOf(scene, fits, dress, { width, height }), dress, { width, height, progress });
}

/** A scene as a camera sees what stands in it, as a picture of so many px. */
export function drawShot(
  scene: Scene,
  { standing, beside, camera }: Shot,
  dress: Dress,
  { width, height, progress = IN_SILENCE }: { width: number; height: number; progress?: Progress },
): Raster {
  const { backdrop } = scene;
  const all = [...standing, ...beside];
  const grounds = groundsOf(standing, beside);
  const lamp = lampOf(scene.light);
  const onFloor = backdrop.ground === 'sweep' || backdrop.ground === 'table';
  const shadow = shadowOf(
    all,
    ([x, y, z]) => {
      const off = onFloor
        ? (y - grounds.floor) / Math.max(0.3, lamp[1])
        : (z - grounds.wall) / Math.max(0.3, lamp[2]);
      return onFloor
        ? { lamp: [x - lamp[0] * off, z - lamp[2] * off], under: [x, z] }
        : { lamp: [x - lamp[0] * off, y - lamp[1] * off], under: [x, y] };
    },
    dress.shadow,
  );
  progress(0.05);
  const behind = drawBackdrop(scene, camera, grounds, shadow, {
    width,
    height,
    colour: dress.colour ?? backdrop.colour,
  });
  const light = lightOf(scene);
  const gloss = glossOf(scene);
  const { floor } = grounds;
  const tall = boxAbout(standing).high[1] - floor;
  if (gloss > 0) layReflection(behind, all, camera, light, { floor, gloss, tall });
  progress(0.35);
  const picture = drawProducts(all, camera, light, {
    width,
    height,
    backdrop: behind,
    progress: (share) => {
      progress(0.35 + 0.65 * share);
    },
  });
  if (dress.steam) laySteam(picture, standing, camera);
  return picture;
}

/** The lamp of a scene; what faces the viewer is as light as the colours of its print are. */
function lightOf({ light }: Scene): Light {
  const facing = facingLamp(light, [0, 0, 1]);
  return { lamp: lampOf(light), around: light.around, gain: Math.min(1.12, 0.94 / facing) };
}

/** What is beside the things stands before the wall too, and on the same floor. */
function groundsOf(standing: readonly Standing[], beside: readonly Standing[]): Grounds {
  const { low, high } = boxAbout(standing);
  const across = high[0] - low[0];
  const furthest = beside.length > 0 ? Math.min(low[2], boxAbout(beside).low[2]) : low[2];
  return { floor: low[1], wall: furthest - (furthest < -1 ? across * 0.9 : 0), across };
}
