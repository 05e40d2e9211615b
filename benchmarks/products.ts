import { shippedBlanks } from '@/core/blank/library';
import type { ResolvedBlank } from '@/core/blank/resolve';
import { scenesFor } from '@/core/mockup/scenes';
import { USUAL_DRESS } from '@/core/mockup/schema';
import type { Camera } from '@/core/product/camera';
import { drawProducts } from '@/core/product/draw';
import { cameraIn, frameThings, roundEyes, viewingDistance } from '@/core/product/frame';
import { lampAt } from '@/core/product/light';
import type { Holder } from '@/core/product/families';
import { modelOf, seenOf } from '@/core/product/model';
import { UPRIGHT, type Standing } from '@/core/product/scene';
import { textureOf } from '@/core/product/texture';
import { newPiece } from '@/core/fit/place';
import type { Fit } from '@/core/fit/schema';
import { makePicture, writePicture, type FitPictured, type KeptForPictures } from '@/files/picture';
import type { Engine } from '@/imaging/engine';
import type { Measured } from '@/imaging/measure';
import { BareLathe } from './lathe';

type Tell = (name: string, limit: number, result: { ratio: number; ms: number; unit?: string }) => void;
type Time = (work: () => unknown) => Promise<number>;

const SIDE = 500;
const PAIRS = 7;
const PICTURES = 40;
/** What is drawn while it turns, as a share of the page's own pixels (see the product's worker). */
const MOVING = 0.7;

const median = (values: number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;

/** A print of stripes, as the product's worker draws one. */
function stripes(): OffscreenCanvas {
  const canvas = new OffscreenCanvas(1536, 636);
  const context = canvas.getContext('2d', { willReadFrequently: true })!;
  for (let i = 0; i < 40; i++) {
    context.fillStyle = `hsl(${i * 9} 60% 50%)`;
    context.fillRect(i * 40, 0, 40, 636);
  }
  return canvas;
}

/** A first look at a product: its surfaces, its print and a frame. */
function firstLook(
  blank: ResolvedBlank,
  canvas: OffscreenCanvas,
  holder: Holder = 'none',
): { standing: Standing; camera: Camera } {
  const [face] = blank.faces;
  const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height);
  const raster = {
    width: canvas.width,
    height: canvas.height,
    data: new Uint8Array(data.buffer),
    opaque: false,
  };
  const area = { left: 0, top: 0, width: face!.width, height: face!.height };
  const model = modelOf(blank, null, null, holder);
  const standing: Standing = {
    meshes: model.meshes,
    look: {
      colour: '#ffffff',
      finish: model.finish,
      ink: blank.method.ink,
      prints: new Map([[face!.id, textureOf(raster, area, seenOf(face!))]]),
    },
    pose: UPRIGHT,
  };
  return { standing, camera: cameraAtYaw(standing, 0, SIDE) };
}

function cameraAtYaw(standing: Standing, yaw: number, side: number): Camera {
  const framed = frameThings(
    [standing],
    roundEyes(0.19),
    viewingDistance(standing.meshes),
    { width: side, height: side, margin: 0.07 },
    true,
  );
  return cameraIn(framed, { yaw, pitch: 0.19 });
}

function frame(standing: Standing, camera: Camera, yaw: number, side: number): void {
  drawProducts([standing], camera, lampAt(yaw), { width: side, height: side, backdrop: null });
}

/** The product's view against a bare lathe in WebGL, each the median of interleaved pairs. */
export async function viewRows(tell: Tell, time: Time): Promise<void> {
  const blank = shippedBlanks().find(({ blank: { id } }) => id === 'mug-325')!;
  const canvas = stripes();
  const [firsts, firstTimes]: number[][] = [[], []];
  let [bare, look] = [new BareLathe(SIDE, canvas), firstLook(blank, canvas)];
  for (let i = 0; i < 3; i++) {
    const theirs = await time(() => {
      bare = new BareLathe(SIDE, canvas);
      bare.frame(0);
    });
    const ours = await time(() => {
      look = firstLook(blank, canvas);
      frame(look.standing, look.camera, 0, SIDE);
    });
    firsts!.push(ours / theirs);
    firstTimes!.push(ours);
  }
  tell('first view of a mug against a bare lathe', 3, { ratio: median(firsts!), ms: median(firstTimes!) });
  const side = Math.round(SIDE * MOVING);
  const camera = cameraAtYaw(look.standing, 0, side);
  const [ratios, times]: number[][] = [[], []];
  for (let i = 0; i < PAIRS + 3; i++) {
    const yaw = i * 0.13;
    const theirs = await time(() => {
      bare.frame(yaw);
    });
    const ours = await time(() => {
      frame(look.standing, camera, yaw, side);
    });
    // The first frames find nothing warm, on either side.
    if (i < 3) continue;
    ratios!.push(ours / theirs);
    times!.push(ours);
  }
  tell('a frame of it while it turns', 1.5, { ratio: median(ratios!), ms: median(times!) });
}

/** What one engine needs to make pictures. */
export interface PictureBench {
  engine: Engine;
  measured: Measured;
}

/** Every `step`th of forty pictures of 2,000 px, from the `first` on: what one engine of the app makes of them. */
export function makePictures(
  { engine, measured }: PictureBench,
  first: number,
  step: number,
): { held: number[] } {
  const { facts, raster } = measured;
  const wanted = ['mug-325', 'shirt', 'case-pier-6', 'cushion-450'].flatMap((id) => {
    const blank = shippedBlanks().find((one) => one.blank.id === id)!;
    const face = blank.faces[0]!;
    const pieces = [newPiece('piece', facts.sha256, facts, 'motif', face)];
    const fit = { faces: [{ faceId: face.id, pieces }], sizeId: null } as unknown as Fit;
    const shown = { facts: () => facts, pixels: () => raster! };
    const pictured: FitPictured = { blank, fit, shown, colour: blank.blank.colours[0]!.hex, press: null };
    return scenesFor(blank).map((scene) => ({ pictured, scene }));
  });
  const kept = new Map<string, ReturnType<KeptForPictures['prints']>>();
  const keep: KeptForPictures = {
    prints: (key, make) => {
      const found = kept.get(key) ?? make();
      kept.set(key, found);
      return found;
    },
    headlines: (_key, make) => make(),
  };
  const held: number[] = [];
  for (let i = first; i < PICTURES; i += step) {
    const { pictured, scene } = wanted[(i * 7) % wanted.length]!;
    const size = { width: 2000, height: 2000, dress: USUAL_DRESS, reads: false };
    const made = makePicture([pictured], { scene }, size, keep);
    writePicture(engine, made.raster, 'jpeg');
    held.push(engine.memory().bytes);
  }
  return { held };
}

/** Forty pictures as the app makes them, on two engines at once, against as many decodes of 24 megapixels. */
export async function pictureRows(tell: Tell, time: Time, decode: () => Promise<void>): Promise<void> {
  const engines = [0, 1].map((first) => new Worker(`/worker.js?pictures=${first}`, { type: 'module' }));
  const answer = (worker: Worker) =>
    new Promise<{ held: number[] }>((done) => {
      worker.onmessage = ({ data }: MessageEvent<{ held: number[] }>) => {
        done(data);
      };
    });
  await Promise.all(engines.map(answer));
  const decodes: number[] = [];
  for (let i = 0; i < PAIRS; i++) decodes.push(await time(decode));
  let memory: { held: number[] }[] = [];
  const ours = await time(async () => {
    const ends = engines.map(answer);
    for (const worker of engines) worker.postMessage('go');
    memory = await Promise.all(ends);
  });
  for (const worker of engines) worker.terminate();
  tell('40 pictures of 2,000 px against 40 decodes', 1, {
    ratio: ours / (PICTURES * median(decodes)),
    ms: ours / PICTURES,
  });
  const worst = Math.max(
    ...memory.map(({ held }) => {
      const early = Math.max(...held.slice(0, 5));
      return early === 0 ? 1 : Math.max(...held.slice(-5)) / early;
    }),
  );
  tell('engine memory: last five pictures against the first', 1, { ratio: worst, ms: 0 });
}

/** A shirt on its form against a mug, once the cloth hangs: that is worked out once for a size, and kept. */
export async function clothRows(tell: Tell, time: Time): Promise<void> {
  const [mug, shirt] = ['mug-325', 'shirt'].map((id) =>
    shippedBlanks().find(({ blank }) => blank.id === id)!,
  ) as [ResolvedBlank, ResolvedBlank];
  const canvas = stripes();
  const hung = await time(() => modelOf(shirt, null, null, 'form'));
  tell('a shirt hung on its form, in 2 s', 1, { ratio: hung / 2000, ms: hung });
  const side = Math.round(SIDE * MOVING);
  const looks = [firstLook(mug, canvas), firstLook(shirt, canvas, 'form')] as const;
  const cameras = looks.map(({ standing }) => cameraAtYaw(standing, 0, side));
  const first = async (blank: ResolvedBlank, holder: Holder) =>
    time(() => {
      const look = firstLook(blank, canvas, holder);
      frame(look.standing, look.camera, 0, SIDE);
    });
  const [firsts, turns]: [number, number][][] = [[], []];
  for (let i = 0; i < PAIRS; i++) {
    const theirs = await first(mug, 'none');
    const ours = await first(shirt, 'form');
    firsts!.push([ours / theirs, ours]);
    const each: number[] = [];
    for (const [k, { standing }] of looks.entries())
      each.push(
        await time(() => {
          frame(standing, cameras[k]!, i * 0.13, side);
        }),
      );
    turns!.push([each[1]! / each[0]!, each[1]!]);
  }
  const told = (all: [number, number][]) => ({
    ratio: median(all.map(([ratio]) => ratio)),
    ms: median(all.map(([, ms]) => ms)),
  });
  tell('first view of a shirt on its form against a mug', 4, told(firsts!));
  tell('a frame of it as it turns', 2, told(turns!));
}
