import type { PrintFace } from '../blank/resolve';

/** Where a sticker of a set lies, its top left in mm, turned in degrees about its middle. */
export interface Lying {
  face: PrintFace;
  x: number;
  y: number;
  turn: number;
}

/** mm between stickers. */
const GAP = 7;

/** A set in rows from the left, about as wide by high as the room is. */
export function inRows(faces: readonly PrintFace[], aspect: number): Lying[] {
  const area = faces.reduce((sum, { width, height }) => sum + (width + GAP) * (height + GAP), 0);
  const across = Math.max(Math.sqrt(area * aspect), ...faces.map(({ width }) => width));
  const lying: Lying[] = [];
  let [x, y, high] = [0, 0, 0];
  for (const face of [...faces].sort((a, b) => b.height - a.height)) {
    if (x > 0 && x + face.width > across) [x, y, high] = [0, y + high + GAP, 0];
    lying.push({ face, x, y, turn: 0 });
    x += face.width + GAP;
    high = Math.max(high, face.height);
  }
  return lying;
}

/** The same a little at odds, as if strewn: always in the same way, so that nothing jumps while one looks. */
export function strewn(faces: readonly PrintFace[], aspect: number): Lying[] {
  return inRows(faces, aspect).map((one, i) => ({
    ...one,
    x: one.x + 4 * Math.sin(i * 5.1 + 1),
    y: one.y + 4 * Math.sin(i * 3.7),
    turn: 17 * Math.sin(i * 2.3 + 0.6),
  }));
}
