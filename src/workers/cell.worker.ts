import { expose } from 'comlink';
import { LRUCache } from 'lru-cache';
import { garmentOutline } from '@/core/blank/bodies/garment';
import { garmentTop } from '@/core/blank/drawn';
import { shapePath } from '@/core/blank/shape';
import type { Drawn } from '@/core/product/drawn';
import type { CellJob, CellService } from './cell-messages';
import { drawPieces } from './product/pieces';

/** Small pictures of artworks that were decoded last. */
const decoded = new LRUCache<string, ImageBitmap>({
  max: 60,
  dispose: (bitmap) => {
    bitmap.close();
  },
});

/** Pixels of a drawing: twice those of a cell, for screens of two pixels a point. */
const ROOM = { width: 420, height: 208 };

const service: CellService = {
  draw: async (job) => {
    const canvas = canvasFor(job.drawn);
    const shown = await shownIn(job);
    drawFit(canvas.getContext('2d')!, job, shown);
    // A browser that writes no WebP writes PNG instead.
    return canvas.convertToBlob({ type: 'image/webp', quality: 0.92 });
  },
};

function canvasFor({ width, height }: Drawn): OffscreenCanvas {
  const scale = scaleOf({ width, height });
  return new OffscreenCanvas(Math.max(1, Math.round(width * scale)), Math.max(1, Math.round(height * scale)));
}

function scaleOf({ width, height }: { width: number; height: number }): number {
  return Math.min(ROOM.width / width, ROOM.height / height);
}

async function shownIn({ artworks }: CellJob) {
  const pictures = new Map<string, ImageBitmap>();
  for (const { id, key, preview } of artworks) {
    const bitmap = decoded.get(key) ?? (await createImageBitmap(preview));
    decoded.set(key, bitmap);
    pictures.set(id, bitmap);
  }
  const facts = new Map(artworks.map((one) => [one.id, one.facts]));
  return { facts: (id: string) => facts.get(id)!, pictureOf: (id: string) => pictures.get(id) };
}

/** The thing in its colour, and on it each face's pieces within what is cut. */
function drawFit(
  context: OffscreenCanvasRenderingContext2D,
  { drawn, pieces, colour }: CellJob,
  shown: Awaited<ReturnType<typeof shownIn>>,
): void {
  const { canvas } = context;
  context.scale(canvas.width / drawn.width, canvas.height / drawn.height);
  context.translate(-drawn.left, 0);
  context.fillStyle = colour;
  const { garment } = drawn;
  if (garment) {
    const sewn = new Path2D();
    sewn.addPath(new Path2D(garmentOutline(garment)), new DOMMatrix([1, 0, 0, 1, 0, garmentTop(garment)]));
    context.fill(sewn);
  }
  for (const { face, x, y } of drawn.faces) {
    context.save();
    context.translate(x, y);
    const edge = new Path2D(shapePath(face, face.edge));
    if (!garment) context.fill(edge);
    // By itself first: a knockout takes away pieces, and not the thing they are on.
    const layer = new OffscreenCanvas(canvas.width, canvas.height);
    const own = layer.getContext('2d')!;
    own.setTransform(context.getTransform());
    own.clip(edge);
    drawPieces(own, face, pieces[face.id] ?? [], shown);
    context.resetTransform();
    context.drawImage(layer, 0, 0);
    context.restore();
  }
}

expose(service);
