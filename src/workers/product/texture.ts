import { seenOf } from '@/core/product/model';
import type { Press } from '@/core/colour/press';
import { isMotifKind, type Piece } from '@/core/fit/schema';
import { columnsOf, type Columns } from '@/core/product/reads';
import { textureOf, type Texture } from '@/core/product/texture';
import type { PrintFace } from '@/core/blank/resolve';
import type { Raster } from '@/core/raster/raster';
import type { FaceShown, ProductShown } from './messages';
import { drawPieces, type PicturesShown } from './pieces';
import { proofCanvas } from './proof';

/** Longest side of the picture that is laid on a product on the screen, in px; while something moves. */
const SIDE = 1536;
const MOVING_SIDE = 768;
/** Across a motif that is drawn to see how much of it reads. */
const COUNTED = 400;

/** A face with all that is printed on it, as pixels over nothing. */
export function faceTexture(
  { face, pieces }: FaceShown,
  shown: PicturesShown,
  { proof, moving }: Pick<ProductShown, 'proof' | 'moving'>,
  press: Press | null,
): Texture {
  const box = seenOf(face);
  const side = moving ? MOVING_SIDE : SIDE;
  const scale = side / Math.max(box.right - box.left, box.bottom - box.top);
  const { context, raster } = drawn(face, pieces, scale, shown);
  if (press && proof) proofCanvas(context, { press, shown: proof, from: 0, hatched: null });
  const area = { left: box.left, top: box.top, width: box.right - box.left, height: box.bottom - box.top };
  return textureOf(raster(), area);
}

/** Where along its face each motif lies. */
export function motifColumns(
  { face, pieces }: FaceShown,
  shown: PicturesShown,
): { piece: Piece & { name: string }; columns: Columns }[] {
  const { left, right } = seenOf(face);
  const scale = COUNTED / (right - left);
  return pieces
    .filter((piece) => isRead(piece) && piece.role === 'motif' && piece.visible && !piece.knockout)
    .map((piece) => ({
      piece: piece,
      columns: columnsOf(drawn(face, [piece], scale, shown).raster(), left, scale),
    }));
}

/** Whether a piece is one that a person reads: a shape goes with what is. */
function isRead(piece: Piece): boolean {
  return isMotifKind(piece) && piece.kind !== 'shape';
}

function drawn(
  face: PrintFace,
  pieces: readonly Piece[],
  scale: number,
  shown: PicturesShown,
): { context: OffscreenCanvasRenderingContext2D; raster: () => Raster } {
  const { left, top, right, bottom } = seenOf(face);
  const canvas = new OffscreenCanvas(
    Math.max(1, Math.round((right - left) * scale)),
    Math.max(1, Math.round((bottom - top) * scale)),
  );
  const context = canvas.getContext('2d', { willReadFrequently: true })!;
  context.setTransform(canvas.width / (right - left), 0, 0, canvas.height / (bottom - top), 0, 0);
  context.translate(-left, -top);
  drawPieces(context, face, pieces, shown);
  context.setTransform(1, 0, 0, 1, 0, 0);
  const raster = (): Raster => {
    const { data } = context.getImageData(0, 0, canvas.width, canvas.height);
    return { width: canvas.width, height: canvas.height, data: new Uint8Array(data.buffer), opaque: false };
  };
  return { context, raster };
}
