import type { RoundProductShown } from './messages';

/** Longest side of the picture that is laid round a product on the screen, in px. */
const SIDE = 1536;

/** Draws a face, trim only, on the product's colour: what the product shows of the print. */
export function drawTexture(
  canvas: OffscreenCanvas,
  { face, pieces, colour, ink }: Pick<RoundProductShown, 'face' | 'pieces' | 'colour' | 'ink'>,
  pictures: ReadonlyMap<string, ImageBitmap>,
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
  context.fillStyle = ink === 'cover' ? colour : '#ffffff';
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
    const picture = pictures.get(piece.artworkId);
    if (!picture) continue;
    context.translate(piece.x, piece.y);
    context.rotate(piece.rotation);
    if (piece.flipped) context.scale(-1, 1);
    context.drawImage(picture, -piece.width / 2, -piece.height / 2, piece.width, piece.height);
  }
  context.setTransform(1, 0, 0, 1, 0, 0);
  if (ink === 'multiply') {
    context.globalCompositeOperation = 'multiply';
    context.fillStyle = colour;
    context.fillRect(0, 0, width, height);
  }
}
