import { expose } from 'comlink';
import type { Facts } from '@/core/artwork/facts';
import type { Press } from '@/core/colour/press';
import type { Camera } from '@/core/product/camera';
import { drawProducts, seenAt } from '@/core/product/draw';
import { cameraIn, frameThings, roundEyes, viewingDistance } from '@/core/product/frame';
import { lampAt } from '@/core/product/light';
import { lineDown, seenPlace } from '@/core/product/lines';
import type { Model } from '@/core/product/kinds';
import { modelOf } from '@/core/product/model';
import { readShare } from '@/core/product/reads';
import { UPRIGHT, type Standing } from '@/core/product/scene';
import type { Texture } from '@/core/product/texture';
import { readableFrom } from '@/core/product/views';
import { Kept } from '../kept';
import type { LookAt, LookTold, Place, ProductService, ProductShown } from './messages';
import type { PicturesShown } from './pieces';
import { faceTexture, motifColumns } from './texture';
import { kindOf } from '@/core/blank/kinds';

/** Share of the page's own pixels a mm that is drawn while something moves. */
const MOVING = 0.7;
const MARGIN = 0.07;

let context: OffscreenCanvasRenderingContext2D | undefined;
let press: Press | null = null;
const pictures = new Map<string, ImageBitmap>();
let version = 0;

const models = new Kept<Model>(12);
const textures = new Kept<Texture>(12);
const frames = new Kept<ReturnType<typeof frameThings>>(24);
const columns = new Kept<ReturnType<typeof motifColumns>>(12);
/** What was drawn last: each look's product and camera, in px of the page. */
let looking: { standing: Standing; camera: Camera; look: LookAt }[] = [];

const service: ProductService = {
  open: (canvas) => {
    context = canvas.getContext('2d')!;
  },
  addPicture: (artworkId, picture) => {
    pictures.set(artworkId, picture);
    version++;
  },
  setPress: (next) => {
    press = next;
    version++;
  },
  show: (shown) => {
    if (!context) return [];
    const facts = new Map<string, Facts>(shown.facts);
    const seen: PicturesShown = { facts: (id) => facts.get(id)!, pictureOf: (id) => pictures.get(id) };
    const prints = new Map(
      shown.faces.map((one) => {
        const key = `${version} ${one.face.id} ${one.version} ${shown.proof} ${shown.moving}`;
        return [one.face.id, textures.get(key, () => faceTexture(one, seen, shown, press))] as const;
      }),
    );
    looking = shown.looks.map((look) => lookAt(shown, look, prints));
    drawLooks(context, shown);
    return looking.map((one) => told(one, shown, seen));
  },
  picture: () => {
    const { canvas } = context!;
    // A canvas that is on the page gives no file: a copy does.
    const copy = new OffscreenCanvas(canvas.width, canvas.height);
    copy.getContext('2d')!.drawImage(canvas, 0, 0);
    return copy.convertToBlob();
  },
  placeAt: (number, x, y) => {
    const one = looking[number];
    const found = one && seenAt([one.standing], one.camera, x, y);
    return found && found.faceId !== null ? { faceId: found.faceId, x: found.x, y: found.y } : null;
  },
  seenAt: (place) => looking.map((one) => placeIn(one, place)),
};

function lookAt(shown: ProductShown, look: LookAt, prints: ReadonlyMap<string, Texture>) {
  const { blank, sizeId } = shown;
  const model = models.get(`${shown.model} ${look.faceId} ${look.holder}`, () =>
    modelOf(blank, sizeId, look.faceId, look.holder),
  );
  const colour = look.colour ?? shown.colour;
  const finish = blank.blank.colours.find(({ hex }) => hex === colour)?.finish ?? model.finish;
  const standing: Standing = {
    meshes: model.meshes,
    look: { colour, finish, ink: blank.method.ink, raised: blank.method.raised, prints },
    pose: UPRIGHT,
  };
  return { standing, camera: cameraFor(shown, look, standing), look };
}

/** Views of one size are shown at one scale; what is turned in the hand stays in its middle. */
function cameraFor(shown: ProductShown, look: LookAt, standing: Standing): Camera {
  const alike = look.turns
    ? roundEyes(look.pitch)
    : shown.looks.filter(
        ({ turns, faceId, holder }) => !turns && faceId === look.faceId && holder === look.holder,
      );
  const { width, height } = look;
  const key = JSON.stringify([
    shown.model,
    look.faceId,
    look.holder,
    look.turns,
    alike.map(({ yaw, pitch }) => [yaw, pitch]),
    width,
    height,
  ]);
  const framed = frames.get(key, () =>
    frameThings(
      [standing],
      alike,
      viewingDistance(standing.meshes),
      { width, height, margin: MARGIN },
      look.turns,
    ),
  );
  return cameraIn(framed, look, look.turns ? undefined : alike.indexOf(look));
}

function drawLooks(on: OffscreenCanvasRenderingContext2D, { size, moving }: ProductShown): void {
  const { canvas } = on;
  const scale = size.dpr * (moving ? MOVING : 1);
  const [width, height] = [Math.round(size.width * scale), Math.round(size.height * scale)];
  if (canvas.width !== width || canvas.height !== height) {
    canvas.width = width;
    canvas.height = height;
  } else on.clearRect(0, 0, width, height);
  for (const { standing, camera, look } of looking) {
    const [left, top] = [Math.round(look.left * scale), Math.round(look.top * scale)];
    const across = Math.max(1, Math.floor(look.width * scale));
    const down = Math.max(1, Math.floor(look.height * scale));
    const larger: Camera = {
      ...camera,
      focal: camera.focal * scale,
      centre: { x: camera.centre.x * scale, y: camera.centre.y * scale },
    };
    const { data } = drawProducts([standing], larger, lampAt(look.yaw), {
      width: across,
      height: down,
      backdrop: null,
    });
    on.putImageData(
      new ImageData(new Uint8ClampedArray(data.buffer as ArrayBuffer), across, down),
      left,
      top,
    );
  }
}

function told(
  { standing, camera, look }: (typeof looking)[number],
  shown: ProductShown,
  seen: PicturesShown,
): LookTold {
  const { blank } = shown.blank;
  const told: LookTold = { bands: [], reads: [] };
  for (const one of shown.faces) {
    const spans = readableFrom(blank, one.face, look);
    if (kindOf(blank.body).round(blank.body, one.face))
      for (const x of spans.flatMap(({ from, to }) => [from, to]))
        if (x > 0 && x < one.face.width) told.bands.push(lineDown(standing, camera, one.face, x));
    const motifs = columns.get(`${version} ${one.face.id} ${one.version}`, () => motifColumns(one, seen));
    for (const { piece, columns: counted } of motifs)
      told.reads.push({
        faceId: one.face.id,
        pieceId: piece.id,
        name: piece.name,
        share: readShare(counted, spans),
      });
  }
  return told;
}

function placeIn({ standing, camera }: (typeof looking)[number], place: Place) {
  const point = seenPlace(standing, camera, place.faceId, place.x, place.y);
  if (!point) return null;
  const first = seenAt([standing], camera, point.x, point.y);
  // Something else may stand before it: a handle, a key, its own far side.
  const near = first?.faceId === place.faceId && Math.hypot(first.x - place.x, first.y - place.y) < 2;
  return near ? point : null;
}

expose(service);
