import { useFrame, useThree } from '@react-three/fiber';
import { useEffect, useLayoutEffect, useMemo } from 'react';
import * as THREE from 'three';
import type { RoundBody } from '@/core/blank/body';
import { angleAt, diametersOf, uprightOf, VIEW_DISTANCE, wrapWidth } from '@/core/blank/kinds/round';
import { bodyProfile, handleLine, radiusAt, widestRadius } from '@/core/product/round';
import type { Press } from '@/core/colour/press';
import type { RoundProductShown } from './messages';
import { drawTexture } from './texture';

/** How far the eye is above the horizon, so that the lip shows as a ring. */
const ELEVATION = (11 * Math.PI) / 180;
const TURN = 2 * Math.PI;
/** The print lies this much outside the wall, in mm, so that the two never fight for a pixel. */
const PRINT_LIFT = 0.12;

interface Props {
  shown: RoundProductShown;
  pictures: ReadonlyMap<string, ImageBitmap>;
  press: Press | null;
}

/** The body, its handle and the print round it, at true scale in mm, drawn once for each eye. */
export function RoundScene({ shown, pictures, press }: Props) {
  const { body, face, pieces, facts, colour, ink, proof, eyes, columns } = shown;
  const invalidate = useThree((state) => state.invalidate);
  const { canvas, texture } = usePrint();
  useLayoutEffect(() => {
    drawTexture(canvas, { face, pieces, facts, colour, ink, proof }, pictures, press);
    texture.needsUpdate = true;
  }, [canvas, texture, face, pieces, facts, pictures, colour, ink, proof, press]);
  useLayoutEffect(() => {
    invalidate();
  });
  useEyes(body, eyes, columns);

  const shapes = useMemo(() => {
    const outline = bodyProfile(body).map(([r, y]) => new THREE.Vector2(r, y));
    return { wall: new THREE.LatheGeometry(outline, 96), handle: body.handle && handleShape(body) };
  }, [body]);
  const front = face.zones.find(({ id }) => id === 'front')!.x;
  const { top, bottom } = diametersOf(body);
  const { print, foot } = uprightOf(body);
  const sweep = Math.min(TURN, angleAt(body, wrapWidth(body)));
  return (
    <>
      <ambientLight intensity={1.9} />
      <directionalLight position={[0, 0, 1]} intensity={1.35} name="lamp" />
      <mesh geometry={shapes.wall}>
        <meshLambertMaterial color={colour} side={THREE.DoubleSide} />
      </mesh>
      {shapes.handle && (
        <mesh geometry={shapes.handle}>
          <meshLambertMaterial color={colour} />
        </mesh>
      )}
      <mesh position={[0, foot + print / 2, 0]}>
        <cylinderGeometry
          args={[
            top / 2 + PRINT_LIFT,
            bottom / 2 + PRINT_LIFT,
            print,
            128,
            1,
            true,
            angleAt(body, -front),
            sweep,
          ]}
        />
        <meshLambertMaterial map={texture} />
      </mesh>
      <mesh rotation={[-Math.PI / 2, 0, 0]} position={[0, -0.3, 0]} scale={[1.16, 1.16, 1]}>
        <circleGeometry args={[radiusAt(body, 0), 64]} />
        <meshBasicMaterial color="#000000" transparent opacity={0.2} />
      </mesh>
    </>
  );
}

/** A round bar along the handle's line, pressed to the handle's width. */
function handleShape(body: RoundBody): THREE.TubeGeometry {
  const { thickness, width } = body.handle!;
  const line = new THREE.CatmullRomCurve3(handleLine(body).map(([y, z]) => new THREE.Vector3(0, y, z)));
  const bar = new THREE.TubeGeometry(line, 48, thickness / 2, 14);
  bar.scale(width / thickness, 1, 1);
  return bar;
}

/** The canvas that the print is drawn on, and the texture that shows it. */
function usePrint(): { canvas: OffscreenCanvas; texture: THREE.CanvasTexture<OffscreenCanvas> } {
  const print = useMemo(() => {
    const canvas = new OffscreenCanvas(1, 1);
    const texture = new THREE.CanvasTexture(canvas);
    texture.colorSpace = THREE.SRGBColorSpace;
    texture.generateMipmaps = false;
    texture.minFilter = THREE.LinearFilter;
    return { canvas, texture };
  }, []);
  useEffect(
    () => () => {
      print.texture.dispose();
    },
    [print],
  );
  return print;
}

/** Draws the scene once for each eye, side by side in one canvas. The lamp goes with the eye. */
function useEyes(body: RoundBody, eyes: readonly number[], columns: number): void {
  const camera = useMemo(() => new THREE.PerspectiveCamera(20, 1, 50, 2000), []);
  useFrame(({ gl, scene, size }) => {
    const lamp = scene.getObjectByName('lamp');
    const width = size.width / columns;
    const height = size.height / Math.ceil(eyes.length / columns);
    const { whole } = uprightOf(body);
    const reach = widestRadius(body) + (body.handle?.reach ?? 0);
    const tall = Math.max(whole * 1.34, (reach * 2.25 * height) / width);
    camera.fov = (2 * Math.atan(tall / 2 / VIEW_DISTANCE) * 180) / Math.PI;
    camera.aspect = width / height;
    camera.updateProjectionMatrix();
    gl.setScissorTest(true);
    eyes.forEach((angle, index) => {
      const x = (index % columns) * width;
      const y = size.height - (Math.floor(index / columns) + 1) * height;
      const flat = Math.cos(ELEVATION) * VIEW_DISTANCE;
      const up = whole / 2 + Math.sin(ELEVATION) * VIEW_DISTANCE;
      camera.position.set(Math.sin(angle) * flat, up, Math.cos(angle) * flat);
      camera.lookAt(0, whole * 0.48, 0);
      lamp?.position.set(Math.sin(angle - 0.5), 0.45, Math.cos(angle - 0.5));
      gl.setViewport(x, y, width, height);
      gl.setScissor(x, y, width, height);
      gl.render(scene, camera);
    });
  }, 1);
}
