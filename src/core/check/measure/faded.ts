import type { Piece } from '../../fit/schema';
import { words, type Raster } from '../../raster/raster';
import { renderFace } from '../../render/face';
import type { CheckContext } from '../context';

/** Pixels along the longer side of the face that it is looked at with. */
const ALONG = 900;
/** Alpha from which a piece is there and not its edge, and between which a print is half clear. */
const THERE = 128;
const CLEAR = 10;
const WHOLE = 245;

/** The share, 0 to 1, of where a piece lies that comes out half clear, whatever lies under and over it. */
export function halfClearShare({ face, pieces, facts, pixels }: CheckContext, piece: Piece): number {
  const [wide, high] = [face.width + 2 * face.bleed, face.height + 2 * face.bleed];
  const perMm = ALONG / Math.max(wide, high);
  const size = {
    width: Math.max(1, Math.round(wide * perMm)),
    height: Math.max(1, Math.round(high * perMm)),
  };
  const draw = (some: readonly Piece[]): Raster =>
    renderFace({ ...face, bend: null }, some, { facts, pixels }, { pixels: size });
  const plain: Piece = { ...piece };
  delete plain.opacity;
  delete plain.blend;
  const alone = words(draw([plain]));
  const all = words(draw(pieces));
  let there = 0;
  let half = 0;
  for (let at = 0; at < all.length; at++) {
    if (alone[at]! >>> 24 < THERE) continue;
    there++;
    const alpha = all[at]! >>> 24;
    if (alpha >= CLEAR && alpha <= WHOLE) half++;
  }
  return there === 0 ? 0 : half / there;
}
