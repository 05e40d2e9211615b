import { shapePath } from '../blank/shape';
import type { PrintFace } from '../blank/resolve';
import { boundsOf, flattenPath, mapPath, writePath } from '../geometry/path';
import { parsePath } from '../geometry/parse-path';
import type { ShapePiece } from './schema';

/** What a new shape can be. A ring is an ellipse and a frame a path, with a stroke and no fill. */
export const NEW_SHAPES = {
  line: 'line',
  rectangle: 'rectangle',
  ellipse: 'ellipse',
  ring: 'ring',
  star: 'star',
  polygon: 'polygon',
  'frame-safe': 'frame along the safe area',
  'frame-trim': 'frame along the trim',
} as const;
export type NewShape = keyof typeof NEW_SHAPES;

/** A new shape in the middle of a face, in a colour, its lines no thinner than `least` mm; a frame goes with the face's outline. */
export function newShape(
  id: string,
  what: NewShape,
  face: PrintFace,
  colour: string,
  least: number,
): ShapePiece {
  const side = rounded(Math.min(face.width, face.height) / 4);
  const band = Math.max(least, rounded(side / 10));
  const bare: ShapePiece = {
    id,
    kind: 'shape',
    name: NEW_SHAPES[what],
    role: 'motif',
    locked: false,
    visible: true,
    knockout: false,
    groupId: null,
    x: face.width / 2,
    y: face.height / 2,
    width: side,
    height: side,
    rotation: 0,
    flipped: false,
    shape: { kind: 'rectangle', corner: 0 },
    fill: colour,
    stroke: null,
  };
  const stroke = { width: band, colour, dash: null, ends: 'butt' } as const;
  switch (what) {
    case 'line':
      return { ...bare, width: side * 2, height: band, shape: { kind: 'line', dash: null, ends: 'butt' } };
    case 'rectangle':
      return { ...bare, width: side * 2 };
    case 'ellipse':
      return { ...bare, shape: { kind: 'ellipse' } };
    case 'ring':
      return { ...bare, shape: { kind: 'ellipse' }, fill: null, stroke };
    case 'star':
      return { ...bare, shape: { kind: 'star', points: 5, inner: 0.4 } };
    case 'polygon':
      return { ...bare, shape: { kind: 'polygon', sides: 6 } };
    case 'frame-safe':
      return framed(
        { ...bare, fill: null, stroke: { ...stroke, width: Math.max(least, 1) } },
        face,
        face.safe,
      );
    case 'frame-trim':
      return framed({ ...bare, fill: null, stroke: { ...stroke, width: Math.max(least, 1) } }, face, 0);
  }
}

const rounded = (mm: number): number => Math.max(1, Math.round(mm));

/**
 * A shape whose edge goes along a face's trim, so many mm inside it; the face's own outline where it has one. As it is where so
 * far inside nothing is left.
 */
export function framed(piece: ShapePiece, face: PrintFace, inside: number): ShapePiece {
  if (2 * inside >= Math.min(face.width, face.height)) return piece;
  const path = parsePath(shapePath(face, -inside)) ?? [];
  const box = boundsOf(flattenPath(path, 0.001));
  if (!box) return piece;
  const [width, height] = [box.right - box.left, box.bottom - box.top];
  const d = writePath(
    mapPath(path, ({ x, y }) => ({ x: (x - box.left) / width, y: (y - box.top) / height })),
    8,
  );
  const middle = { x: (box.left + box.right) / 2, y: (box.top + box.bottom) / 2 };
  return { ...piece, ...middle, width, height, rotation: 0, shape: { kind: 'path', d } };
}

/** How far inside a face's trim a frame's edge lies, in mm: the least distance of its box to the trim's sides. */
export function insideBy({ x, y, width, height }: ShapePiece, face: PrintFace): number {
  const across = Math.min(x - width / 2, face.width - x - width / 2);
  const down = Math.min(y - height / 2, face.height - y - height / 2);
  return Math.min(across, down);
}
