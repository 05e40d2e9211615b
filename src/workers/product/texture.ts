import type { Facts } from '@/core/artwork/facts';
import type { Press } from '@/core/colour/press';
import { proofCanvas } from './proof';
import type { RoundProductShown } from './messages';
import { drawPieces } from './pieces';

/** Longest side of the picture that is laid round a product on the screen, in px. */
const SIDE = 1536;

/** Draws a face, trim only, on the product's colour: what the product shows of the print. */
export function drawTexture(
  canvas: OffscreenCanvas,
  {
    face,
    pieces,
    facts,
    colour,
    ink,
    proof,
  }: Pick<RoundProductShown, 'face' | 'pieces' | 'facts' | 'colour' | 'ink' | 'proof'>,
  pictures: ReadonlyMap<string, ImageBitmap>,
  press: Press | null,
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
  context.clearRect(0, 0, width, height);
  context.setTransform(scale, 0, 0, scale, 0, 0);
  const known = new Map<string, Facts>(facts);
  drawPieces(context, face, pieces, {
    facts: (id) => known.get(id)!,
    pictureOf: (id) => pictures.get(id),
  });
  context.setTransform(1, 0, 0, 1, 0, 0);
  if (press && proof) proofCanvas(context, { press, shown: proof, from: 0, hatched: null });
  // The product under what was printed, and where that is ink that lets it through, through it too.
  context.globalCompositeOperation = 'destination-over';
  context.fillStyle = ink === 'cover' ? colour : '#ffffff';
  context.fillRect(0, 0, width, height);
  if (ink === 'multiply') {
    context.globalCompositeOperation = 'multiply';
    context.fillStyle = colour;
    context.fillRect(0, 0, width, height);
  }
}
