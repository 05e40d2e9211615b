import type { PrintFace } from '../blank/resolve';
import { opaqueBox, turn, type PieceFacts, type Point } from './geometry';
import { setWidth } from './place';
import type { ArtworkPiece, Pattern, RepeatPiece, ShowingPiece } from './schema';

/** Steps nearer than this share to the tile's own size leave no gap. */
const JOINED = 1e-6;

/** Where a point lies in a repeat: mm from the middle of the tile it belongs to, along the tile's own axes. */
export interface TilePoint extends Point {
  /** Whether that tile is turned over, across and down. */
  overX: boolean;
  overY: boolean;
}

/**
 * The tile of a pattern that a point belongs to. `p` and `q` count steps from the first tile's middle along its own
 * axes; given back, in `into`, are steps from the middle of the point's own tile.
 */
export function tileAt(
  pattern: Pattern,
  p: number,
  q: number,
  into: TilePoint = { x: 0, y: 0, overX: false, overY: false },
): TilePoint {
  let column = Math.round(p);
  let row = Math.round(q);
  if (pattern === 'half-drop') row = Math.round(q - half(column)) + half(column);
  if (pattern === 'brick') column = Math.round(p - half(row)) + half(row);
  const mirrored = pattern === 'mirrored';
  into.x = p - column;
  into.y = q - row;
  into.overX = mirrored && column % 2 !== 0;
  into.overY = mirrored && row % 2 !== 0;
  return into;
}

function half(index: number): number {
  return index % 2 === 0 ? 0 : 0.5;
}

/** Whole steps after which a pattern is the same again, and the tiles that show in them, in steps from the first. */
export const PERIODS: Record<
  Pattern,
  { across: number; down: number; tiles: readonly (readonly [p: number, q: number])[] }
> = {
  straight: { across: 1, down: 1, tiles: [[0, 0]] },
  'half-drop': {
    across: 2,
    down: 1,
    tiles: [
      [0, 0],
      [1, 0.5],
      [1, -0.5],
    ],
  },
  brick: {
    across: 1,
    down: 2,
    tiles: [
      [0, 0],
      [0.5, 1],
      [-0.5, 1],
    ],
  },
  mirrored: {
    across: 2,
    down: 2,
    tiles: [
      [0, 0],
      [1, 0],
      [0, 1],
      [1, 1],
    ],
  },
};

/** What a repeat and a single artwork have in common. */
function shared(piece: ShowingPiece) {
  const { id, name, locked, visible, knockout, groupId, artworkId } = piece;
  const { x, y, width, height, rotation, flipped, finish, richBlack } = piece;
  const placed = { x, y, width, height, rotation, flipped };
  const how = { ...(finish && { finish }), ...(richBlack && { richBlack }) };
  return { id, name, locked, visible, knockout, groupId, artworkId, ...placed, ...how };
}

/** An artwork's piece as a repeat of it over the whole face, tile against tile. */
function repeatOf(piece: ArtworkPiece, facts: PieceFacts): RepeatPiece {
  const bare: RepeatPiece = {
    ...shared(piece),
    kind: 'repeat',
    role: 'ground',
    pattern: 'straight',
    stepX: 1,
    stepY: 1,
    zoneId: null,
  };
  const { width, height } = opaqueBox(bare, facts);
  return { ...bare, stepX: width, stepY: height };
}

/** A ground whose picture goes on past its edges, mirrored at each. */
export function mirroredPast(piece: ArtworkPiece, facts: PieceFacts): RepeatPiece {
  return { ...repeatOf(piece, facts), pattern: 'mirrored' };
}

/** One tile of a repeat as a motif by itself. */
export function oneOf(piece: RepeatPiece): ArtworkPiece {
  return { ...shared(piece), kind: 'artwork', role: 'motif', clip: null };
}

/** The gaps in mm between neighbouring tiles, across and down. */
export function gapsOf(piece: RepeatPiece, facts: PieceFacts): { across: number; down: number } {
  const { width, height } = opaqueBox(piece, facts);
  const gap = (step: number, size: number) => (step / size - 1 < JOINED ? 0 : step - size);
  return { across: gap(piece.stepX, width), down: gap(piece.stepY, height) };
}

/** The repeat with other gaps between its tiles, in mm; less than none would lay tiles over one another. */
export function withGaps(
  piece: RepeatPiece,
  facts: PieceFacts,
  gaps: { across?: number; down?: number },
): RepeatPiece {
  const { width, height } = opaqueBox(piece, facts);
  return {
    ...piece,
    ...(gaps.across !== undefined && { stepX: width + Math.max(0, gaps.across) }),
    ...(gaps.down !== undefined && { stepY: height + Math.max(0, gaps.down) }),
  };
}

/**
 * The repeat scaled as little as makes it come out even on a way of `around` mm, so that the seam closes, and by what
 * factor. Null where it is turned askew: then no scale closes it.
 */
export function closeSeam(
  piece: RepeatPiece,
  facts: PieceFacts,
  around: number,
): { piece: RepeatPiece; factor: number; tiles: number } | null {
  const period = periodAcross(piece);
  if (period === null) return null;
  const tiles = Math.max(1, Math.round(around / period));
  const factor = around / (tiles * period);
  const { width } = opaqueBox(piece, facts);
  return { piece: setWidth(piece, facts, width * factor), factor, tiles };
}

/** mm across the face after which a repeat is the same again; null where it is turned askew. */
function periodAcross({ rotation, pattern, stepX, stepY }: RepeatPiece): number | null {
  const { x, y } = turn({ x: 1, y: 0 }, rotation);
  const twice = pattern === 'mirrored' ? 2 : 1;
  if (Math.abs(y) < 1e-6) return stepX * (pattern === 'half-drop' ? 2 : twice);
  if (Math.abs(x) < 1e-6) return stepY * (pattern === 'brick' ? 2 : twice);
  return null;
}

/** The repeat on a face that closes on itself tuned to close; as it is on any other. */
export function newRepeat(
  piece: ArtworkPiece,
  facts: PieceFacts,
  face: PrintFace,
  around: number | null,
): RepeatPiece {
  const tile = setWidth(piece, facts, Math.min(opaqueBox(piece, facts).width, face.width / 4));
  const repeat = { ...repeatOf(tile, facts), x: face.width / 2, y: face.height / 2 };
  return (around === null ? null : closeSeam(repeat, facts, around)?.piece) ?? repeat;
}
