import type { Piece } from '@/core/fit/schema';
import type { PrintFace } from '@/core/blank/resolve';
import type { Preview } from '@/state/previews';

/** Longest side of the picture that is laid round a product on the screen, in px. */
const SIDE = 1536;

/** Draws a face, trim only, on the product's colour: what the product shows of the print. */
export function drawTexture(
  canvas: HTMLCanvasElement,
  face: PrintFace,
  pieces: readonly Piece[],
  previews: ReadonlyMap<string, Preview>,
  colour: string,
  ink: 'multiply' | 'cover',
): void {
  const scale = SIDE / Math.max(face.width, face.height);
  const width = Math.round(face.width * scale);
  const height = Math.round(face.height * scale);
  if (canvas.width !== width || canvas.height !== height) {
    canvas.width = width;
    canvas.height = height;
  }
  const context = canvas.getContext('2d')!;
  context.setTransform(1, 0, 0, 1, 0, 0);
  context.globalCompositeOperation = 'source-over';
  context.fillStyle = '#ffffff';
  context.fillRect(0, 0, width, height);
  context.imageSmoothingQuality = 'high';
  for (const piece of pieces) {
    if (!piece.visible) continue;
    context.setTransform(scale, 0, 0, scale, 0, 0);
    if (piece.kind === 'fill') {
      context.fillStyle = piece.colour;
      context.fillRect(0, 0, face.width, face.height);
      continue;
    }
    const preview = previews.get(piece.artworkId);
    if (!preview) continue;
    context.translate(piece.x, piece.y);
    context.rotate(piece.rotation);
    if (piece.flipped) context.scale(-1, 1);
    context.drawImage(preview.bitmap, -piece.width / 2, -piece.height / 2, piece.width, piece.height);
  }
  context.setTransform(1, 0, 0, 1, 0, 0);
  if (ink === 'multiply') {
    context.globalCompositeOperation = 'multiply';
    context.fillStyle = colour;
    context.fillRect(0, 0, width, height);
  }
}
