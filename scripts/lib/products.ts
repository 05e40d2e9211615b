// Every shipped product with the demo's lighthouse on it, as one picture.
import { createCanvas } from '@napi-rs/canvas';
import { PNG } from 'pngjs';
import { shippedBlanks } from '@/core/blank/library';
import type { PrintFace, ResolvedBlank } from '@/core/blank/resolve';
import { drawScene } from '@/core/mockup/draw';
import { SCENES } from '@/core/mockup/scenes';
import { USUAL_DRESS } from '@/core/mockup/schema';
import { drawProducts } from '@/core/product/draw';
import { cameraIn, frameThings, viewingDistance } from '@/core/product/frame';
import { lampAt } from '@/core/product/light';
import { modelOf } from '@/core/product/model';
import { UPRIGHT } from '@/core/product/scene';
import { textureOf } from '@/core/product/texture';
import { viewsOf } from '@/core/product/views';
import type { Raster } from '@/core/raster/raster';
import { productOf as kindAsProduct } from '@/core/product/kinds';

const COLUMNS = 9;
const CELL = 168;
const LINE = 22;
/** What is turned shows its side too. */
const TURN = -0.55;
/** A handle is seen only from further round. */
const HANDLE_TURN = -1.05;

/** The whole sheet as a PNG; `art` is the file of what is printed. */
export function contactSheet(art: Buffer): Buffer {
  const { width, height, data } = PNG.sync.read(art);
  const raster: Raster = { width, height, data: new Uint8Array(data), opaque: false };
  const blanks = shippedBlanks();
  const rows = Math.ceil(blanks.length / COLUMNS);
  const canvas = createCanvas(COLUMNS * CELL, rows * (CELL + LINE));
  const context = canvas.getContext('2d');
  context.fillStyle = '#bdbdbd';
  context.fillRect(0, 0, canvas.width, canvas.height);
  context.font = '12px sans-serif';
  context.textAlign = 'center';
  for (const [i, blank] of blanks.entries()) {
    const [left, top] = [(i % COLUMNS) * CELL, Math.floor(i / COLUMNS) * (CELL + LINE)];
    const cell = createCanvas(CELL, CELL);
    const pixels = cell.getContext('2d').createImageData(CELL, CELL);
    pixels.data.set(productOf(blank, raster).data);
    cell.getContext('2d').putImageData(pixels, 0, 0);
    context.drawImage(cell, left, top);
    context.fillStyle = '#20252b';
    context.fillText(blank.blank.name, left + CELL / 2, top + CELL + 13, CELL - 8);
  }
  return canvas.toBuffer('image/png');
}

function productOf(blank: ResolvedBlank, art: Raster): Raster {
  const [first] = viewsOf(blank);
  const model = modelOf(blank, null, first!.faceId);
  const turned =
    kindAsProduct(blank.blank.body).turns(blank) &&
    blank.blank.body.kind !== 'folded' &&
    blank.blank.body.kind !== 'label';
  const { body } = blank.blank;
  const turn = (body.kind === 'wrap' || body.kind === 'taper') && body.handle ? HANDLE_TURN : TURN;
  const eye = { yaw: first!.yaw + (turned ? turn : 0), pitch: Math.max(first!.pitch, turned ? 0.16 : 0) };
  const colours = blank.blank.colours;
  const plain = body.kind === 'case' || body.kind === 'plate';
  const colour = colours[plain ? 0 : Math.min(colours.length - 1, 2)]!;
  const prints = new Map(blank.faces.map((face) => [face.id, printOn(face, art)] as const));
  const look = { colour: colour.hex, finish: colour.finish ?? model.finish, ink: blank.method.ink, prints };
  const standing = { meshes: model.meshes, look, pose: UPRIGHT };
  const framed = frameThings([standing], [eye], viewingDistance(model.meshes), {
    width: CELL,
    height: CELL,
    margin: 0.07,
  });
  return drawProducts([standing], cameraIn(framed, eye, 0), lampAt(eye.yaw), {
    width: CELL,
    height: CELL,
    backdrop: null,
  });
}

/** The art as large as the face holds, in the middle of its first zone. */
function printOn(face: PrintFace, art: Raster) {
  const zone = face.zones.find(({ id, name }) => id === 'front' || name === 'front') ?? face.zones.at(-1)!;
  const scale = 0.86 * Math.min(zone.width / art.width, zone.height / art.height) || 1;
  const [width, height] = [art.width * scale, art.height * scale];
  return textureOf(art, { left: zone.x - width / 2, top: zone.y - height / 2, width, height });
}

/** A bare mug on a table, as a photo to be marked. */
export function barePhoto(): Buffer {
  const blank = shippedBlanks().find(({ blank: { id } }) => id === 'mug-325')!;
  const model = modelOf(blank);
  const look = { colour: '#ffffff', finish: model.finish, ink: blank.method.ink, prints: new Map() };
  const scene = SCENES.find(({ id }) => id === 'linen')!;
  const { width, height, data } = drawScene(scene, [{ model, look }], USUAL_DRESS, {
    width: 1200,
    height: 900,
  });
  const png = new PNG({ width, height });
  png.data.set(data);
  return PNG.sync.write(png);
}
