import type { InkPiece } from '@/core/fit/schema';
import { writePath } from '@/core/geometry/path';
import { inksOf } from '@/core/render/ground';

/** A shape or a text as an SVG of its true size in mm, by itself: upright, the right way round. */
export function drawnPiece(piece: InkPiece): string {
  const { width, height } = piece;
  const upright = { ...piece, x: width / 2, y: height / 2, rotation: 0, flipped: false };
  const paths = inksOf(upright).map(({ path, colour }) => `<path fill="${colour}" d="${writePath(path)}"/>`);
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="0 0 ${width} ${height}">${paths.join('')}</svg>`;
}
