import type { Facts } from '../artwork/facts';
import { readableWidth } from '../blank/bodies/round';
import type { KeepOut, Zone } from '../blank/face';
import { keepOutBox } from '../blank/keep-out';
import { aspectsOf, kindOf, type Body } from '../blank/kinds';
import type { PrintFace } from '../blank/resolve';
import { isRectangle } from '../blank/shape';
import { CHECK_LIMITS } from '../limits';
import { shownPpi } from './density';
import {
  extentOf,
  opaqueBox,
  placeOpaqueBox,
  type Box,
  type Extent,
  type PieceFacts,
  type Point,
} from './geometry';
import { largestInShape, scalePiece } from './place';
import type { PlacedPiece } from './schema';
import { nearestZone } from './zones';

/** Where a new motif goes: the part of a face that it may fill, and the point it is centred on. All in mm. */
export interface Spot {
  room: Extent;
  centre: Point;
}

/** mm between what lies beside each other, and off a keep-out: more than a pixel of any print. */
const GAP = 3;
const OFF = 0.3;
/** Smaller than this part of its room a motif looks lost: then it may be less sharp. */
const LEAST_PART = 3;

/**
 * Where so many motifs begin on a face: the zone that its kind is looked at first, or one each where it has as many;
 * more than there are zones for share one, side by side.
 */
export function spotsFor(body: Body, face: PrintFace, count: number): Spot[] {
  const zones = kindOf(body).begins(face.zones, count);
  if (zones.length === 0) {
    const whole: Zone = {
      id: '',
      name: '',
      x: face.width / 2,
      y: face.height / 2,
      width: face.width,
      height: face.height,
    };
    return shared(spotIn(body, face, whole, 1), count);
  }
  const each = Math.ceil(count / zones.length);
  return zones.flatMap((zone) => shared(spotIn(body, face, zone, zones.length), each));
}

/** Where one more motif may go beside those that are there: where it would begin, any other zone, the whole face. */
export function spotsBeside(body: Body, face: PrintFace): Spot[] {
  const { safe, width, height } = face;
  const { wall } = aspectsOf(body);
  const whole: Spot = {
    room: { left: safe, top: safe, right: width - safe, bottom: height - safe },
    centre: { x: width / 2, y: height / 2 },
  };
  return [
    ...spotsFor(body, face, 1).slice(0, 1),
    ...face.zones.map((zone) => spotIn(body, face, zone, 1)),
    // Round a wall it would turn out of sight.
    ...(wall ? [] : [whole]),
  ];
}

/** The room round the zone that something lies nearest to. */
export function spotNear(body: Body, face: PrintFace, at: Point): Spot {
  const zone = nearestZone(face.zones, at)?.zone;
  return zone ? spotIn(body, face, zone, 1) : spotsFor(body, face, 1)[0]!;
}

/** The room round a point that was pointed at, as far as it goes to every side: what lies there has its middle there. */
export function spotAt(body: Body, face: PrintFace, { x, y }: Point): Spot {
  const { safe } = face;
  const [across, down] = [face.width - 2 * safe, face.height - 2 * safe];
  // Near an edge there is room for something at least, and it lies further in.
  const reach = (from: number, to: number, at: number) =>
    Math.max(Math.min(at - from, to - at), (to - from) / 8);
  const { wall } = aspectsOf(body);
  const half = Math.min(reach(safe, safe + across, x), wall ? readableWidth(wall) / 2 : Infinity);
  const high = reach(safe, safe + down, y);
  const within = (at: number, from: number, to: number, room: number) =>
    Math.min(Math.max(at, from + room), to - room);
  const centre = { x: within(x, safe, safe + across, half), y: within(y, safe, safe + down, high) };
  return {
    room: { left: centre.x - half, right: centre.x + half, top: centre.y - high, bottom: centre.y + high },
    centre,
  };
}

/** The room of a zone: inside the safe area, off its own edges where it is one of several, and as wide as reads. */
function spotIn(body: Body, face: PrintFace, { x, y, width, height }: Zone, beside: number): Spot {
  const { safe } = face;
  const { wall } = aspectsOf(body);
  const half = wall
    ? Math.min(readableWidth(wall), beside > 1 ? width - GAP : Infinity) / 2
    : width / 2 - safe;
  return {
    room: {
      left: Math.max(safe, x - half),
      right: Math.min(face.width - safe, x + half),
      top: Math.max(safe, y - height / 2 + safe),
      bottom: Math.min(face.height - safe, y + height / 2 - safe),
    },
    centre: { x, y },
  };
}

/** A room parted among so many along its longer side, in rows where that leaves strips. */
function shared({ room, centre }: Spot, count: number): Spot[] {
  if (count <= 1) return [{ room, centre }];
  const width = room.right - room.left;
  const height = room.bottom - room.top;
  const across = Math.min(count, Math.max(1, Math.round(Math.sqrt((count * width) / height))));
  const down = Math.ceil(count / across);
  return Array.from({ length: count }, (_, i): Spot => {
    const [column, row] = [i % across, Math.floor(i / across)];
    const left = room.left + (column * (width + GAP)) / across;
    const top = room.top + (row * (height + GAP)) / down;
    const part = {
      left,
      top,
      right: left + (width + GAP) / across - GAP,
      bottom: top + (height + GAP) / down - GAP,
    };
    return { room: part, centre: { x: (part.left + part.right) / 2, y: (part.top + part.bottom) / 2 } };
  });
}

/** What a new motif is set among. */
export interface Among {
  /** Where it may go, the likeliest first. */
  spots: readonly Spot[];
  /** What it lies beside and not on: motifs that are there. */
  taken?: readonly Extent[];
  /** The most that it may be scaled by as it is. */
  most?: number;
}

/**
 * A motif at its largest honest size where it goes best, its own turn kept: inside a spot's room, off what is kept clear
 * and what is there, no larger than its pixels are good for, and centred where that costs it little. It stays as it is
 * where there is no room left.
 */
export function placeFirst<P extends PlacedPiece>(
  piece: P,
  facts: PieceFacts,
  face: PrintFace,
  { spots, taken = [], most = Infinity }: Among,
): P {
  const box = opaqueBox(piece, facts);
  const { left, top, right, bottom } = extentOf(box);
  const round = { width: right - left, height: bottom - top };
  const kept = [...face.keepOuts.map(keepOutExtent), ...taken.map((one) => grown(one, GAP))];
  const found = spots.flatMap(({ room, centre }, i) =>
    freeRooms(room, kept).map((free): Settled => {
      const inside = Math.min(
        (free.right - free.left) / round.width,
        (free.bottom - free.top) / round.height,
      );
      const honest = facts ? honestScale(piece, facts, face, inside) : inside;
      const one = settled(box, round, free, centre, Math.min(inside, honest, most), face);
      // A spot that comes later has to be better by something to be seen.
      return { ...one, worth: one.worth * 0.9 ** i };
    }),
  );
  const [best] = found.sort((a, b) => b.worth - a.worth);
  if (!best || !(best.scale > 0)) return piece;
  return placeOpaqueBox(piece, facts, {
    ...box,
    x: best.x,
    y: best.y,
    width: box.width * best.scale,
    height: box.height * best.scale,
  });
}

/**
 * By how much a piece may be scaled and still be as sharp as wanted; where that would leave it under a third of what there is
 * room for, as large as is still sharp enough to print, up to that third.
 */
export function honestScale(piece: PlacedPiece, facts: Facts, face: PrintFace, room: number): number {
  const good = scaleAt(piece, facts, face, face.target);
  return Math.max(good, Math.min(scaleAt(piece, facts, face, face.floor), room / LEAST_PART));
}

/** The scale at which a piece has a PPI, and detail for as much of it as is asked. On an arc it is found by steps. */
function scaleAt(piece: PlacedPiece, facts: Facts, face: PrintFace, ppi: number): number {
  const { detail } = facts;
  const share = Math.min(1, detail ? detail.scale / CHECK_LIMITS.detailShare : 1);
  let scale = 1;
  for (let i = 0; i < 4; i++) {
    const placed = shownPpi(facts, scalePiece(piece, facts, scale), face);
    if (!placed) return Infinity;
    scale *= (placed.least * share) / ppi;
  }
  // A rounding error under a limit is under it.
  return scale * (1 - 1e-9);
}

interface Settled extends Point {
  scale: number;
  /** How good the place is: large, and in the middle. */
  worth: number;
}

/** Off the middle by less than this, it was aimed at: then it is exactly there, or further off. */
const { aimed: AIMED } = CHECK_LIMITS;

function settled(
  box: Box,
  round: { width: number; height: number },
  room: Extent,
  centre: Point,
  largest: number,
  face: PrintFace,
): Settled {
  const within = (from: number, to: number, at: number, size: number) =>
    Math.min(Math.max(at, from + size / 2), Math.max(from + size / 2, to - size / 2));
  const at = (scale: number): Point => ({
    x: within(room.left, room.right, centre.x, round.width * scale),
    y: within(room.top, room.bottom, centre.y, round.height * scale),
  });
  const off = (point: Point) => [Math.abs(point.x - centre.x), Math.abs(point.y - centre.y)] as const;
  let scale = largest;
  // As large as is centred, where that is nearly as large.
  const middled = Math.min(
    largest,
    (2 * Math.min(centre.x - room.left, room.right - centre.x)) / round.width,
    (2 * Math.min(centre.y - room.top, room.bottom - centre.y)) / round.height,
  );
  const isNear = off(at(scale)).some((mm) => mm > 0.01 && mm <= AIMED);
  if (middled > 0.8 * scale || (isNear && middled > 0.5 * scale)) scale = middled;
  if (!isRectangle(face)) scale = largestInShape(box, at, scale, face);
  const point = at(scale);
  const [across, down] = off(point);
  const far = Math.hypot(across, down) / Math.hypot(face.width, face.height);
  // Of two alike, the one at the viewer's right: the left breast of a top that opens.
  return { ...point, scale, worth: scale * (1 - 0.3 * far) + (point.x - centre.x) * 1e-9 };
}

function keepOutExtent(one: KeepOut): Extent {
  const { x, y, width, height } = keepOutBox(one);
  return grown(
    { left: x - width / 2, top: y - height / 2, right: x + width / 2, bottom: y + height / 2 },
    OFF,
  );
}

function grown({ left, top, right, bottom }: Extent, by: number): Extent {
  return { left: left - by, top: top - by, right: right + by, bottom: bottom + by };
}

/** So many obstacles are gone round one by one; more are one for each of the largest. */
const MOST_OBSTACLES = 10;

/** The rectangles within a room that reach from one obstacle or edge to another and into none; the room where none is. */
function freeRooms(room: Extent, obstacles: readonly Extent[]): Extent[] {
  const area = ({ left, top, right, bottom }: Extent) => (right - left) * (bottom - top);
  const clear = obstacles
    .filter((one) => meet(one, room))
    .sort((a, b) => area(b) - area(a))
    .slice(0, MOST_OBSTACLES);
  if (clear.length === 0) return [room];
  const lines = (from: number, to: number, all: number[]) =>
    [...new Set([from, to, ...all.filter((at) => at > from && at < to)])].sort((a, b) => a - b);
  const xs = lines(
    room.left,
    room.right,
    clear.flatMap(({ left, right }) => [left, right]),
  );
  const ys = lines(
    room.top,
    room.bottom,
    clear.flatMap(({ top, bottom }) => [top, bottom]),
  );
  const free = pairs(xs).flatMap(([left, right]) =>
    pairs(ys).map(([top, bottom]): Extent => ({ left, top, right, bottom })),
  );
  return free.filter((one) => !clear.some((other) => meet(one, other)));
}

function meet(a: Extent, b: Extent): boolean {
  return a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom;
}

function pairs(values: readonly number[]): [from: number, to: number][] {
  return values.flatMap((from, i) => values.slice(i + 1).map((to): [number, number] => [from, to]));
}
