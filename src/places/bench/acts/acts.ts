import { toast } from '@/ui/toast';
import { wayRound } from '@/core/blank/kinds';
import {
  alignShifts,
  middleOf,
  otherSide,
  sidesOf,
  shiftForGap,
  spreadShifts,
  type Edge,
} from '@/core/fit/arrange';
import type { Zone } from '@/core/blank/face';
import { placeFirst, spotNear } from '@/core/fit/first-place';
import { factsFor, opaqueBox, type Point } from '@/core/fit/geometry';
import { mirrorPiece, movePiece, type Motion } from '@/core/fit/move';
import { coverBleed, setSize } from '@/core/fit/place';
import {
  isMotifKind,
  isPlaced,
  type MotifPiece,
  type Piece,
  type PlacedPiece,
  isInk,
} from '@/core/fit/schema';
import { changeChosen, groupChosen, moveChosen, ungroupChosen, type FacePieces } from '@/core/fit/selection';
import { nearestZone } from '@/core/fit/zones';
import { changeFace, changePiece, changePieces, piecesOf } from '@/state/bench/open-fit';
import { select, useHand } from '@/state/bench/hand';
import { tellHeldBack } from '../../shell/held-back';
import type { Live } from '../live/useLive';

/** Changes every chosen piece by itself, as one step. */
function each(live: Live, change: (piece: PlacedPiece) => PlacedPiece): void {
  void changeFace(live.face.id, (face) => changeChosen(face, live.selectedIds, change));
}

/** Moves all that is chosen as one. */
export function move(live: Live, motion: Motion): void {
  void changeFace(live.face.id, (face) => moveChosen(face, live.selectedIds, motion, live.factsOf));
}

/** Moves what is chosen so that the middle of its box lies at a point; a coordinate left out stays. */
export function centreAt(live: Live, to: { x?: number; y?: number }): void {
  const { selection } = live;
  if (!selection) return;
  const { box } = selection;
  move(live, { dx: (to.x ?? box.x) - box.x, dy: (to.y ?? box.y) - box.y });
}

/** The zone that what is chosen lies nearest to, and the face's middle where it has none. */
export function zoneAt({ face, selection }: Live): { x: number; y: number } {
  const near = selection && nearestZone(face.zones, selection.box);
  return near ? near.zone : { x: face.width / 2, y: face.height / 2 };
}

const facts = (live: Live, piece: Piece) => factsFor(piece, live.factsOf);

/**
 * As large as is honest where it is read, as motifs: one by itself, several as one. What was made smaller for that says so
 * and offers the whole safe area.
 */
export function inside(live: Live): void {
  const { selection, face } = live;
  if (!selection) return;
  const [piece] = selection.pieces;
  if (selection.pieces.length === 1 && piece && isMotifKind(piece)) {
    insideAlone(live, { ...piece, role: 'motif' });
    return;
  }
  const { extent } = selection;
  const scale = Math.min(
    (face.width - 2 * face.safe) / (extent.right - extent.left),
    (face.height - 2 * face.safe) / (extent.bottom - extent.top),
  );
  const { box } = selection;
  move(live, { scale, dx: face.width / 2 - box.x, dy: face.height / 2 - box.y });
}

function insideAlone(live: Live, piece: MotifPiece): void {
  const { face, unit } = live;
  const known = facts(live, piece);
  const spot = spotNear(live.blank.blank.body, face, opaqueBox(piece, known));
  const first = placeFirst(piece, known, face, { spots: [spot] });
  each(live, () => first);
  tellHeldBack(first, known, face, unit, (full) => {
    const there = piecesOf(face.id).some(({ id }) => id === full.id);
    if (there) void changePiece(face.id, full);
    return there;
  });
}

export function cover(live: Live): void {
  each(live, (piece) =>
    isMotifKind(piece) ? coverBleed({ ...piece, role: 'ground' }, facts(live, piece), live.face) : piece,
  );
}

/** The same motifs on the zone across the front, or on the other face where there is one: as high, as far from its middle. */
export function sameOnOtherSide(live: Live, mirrored: boolean): void {
  const { selection, face, blank } = live;
  if (!selection) return;
  const across = otherSide(face, selection.box);
  const others = blank.faces.filter(({ id }) => id !== face.id);
  const [back] = others;
  const sides = across ? null : sidesOf(face);
  if (sides) {
    partToSides(live, sides, mirrored);
    return;
  }
  if (!across && (others.length !== 1 || !back)) {
    const name = nearestZone(face.zones, selection.box)?.zone.name ?? 'place';
    toast(`The ${name} has no other side: move the motif to a side first.`);
    return;
  }
  const target = across ? face : back!;
  const from = across ? across.from : { x: face.width / 2, y: face.height / 2 };
  const to = across ? across.to : { x: target.width / 2, y: target.height / 2 };
  const copies = copiedAt(live, from, to, mirrored);
  void changeFace(target.id, (there) => ({
    ...there,
    pieces: [...there.pieces.filter((piece) => !copies.some((copy) => isTwin(live, piece, copy))), ...copies],
  }));
  if (across) select(copies.map(({ id }) => id));
  else useHand.setState({ faceId: target.id, selectedIds: copies.map(({ id }) => id) });
}

/** What is at the front goes to one side, and a copy of it to the other. */
function partToSides(live: Live, { left, right }: { left: Zone; right: Zone }, mirrored: boolean): void {
  const { selection, face } = live;
  if (!selection) return;
  const { x } = selection.box;
  const at = (zone: Zone) => ({ x: zone.x, y: selection.box.y });
  const copies = copiedAt(live, selection.box, at(right), mirrored);
  const motion = { dx: left.x - x, dy: 0 };
  void changeFace(face.id, (there) => {
    const moved = moveChosen(there, live.selectedIds, motion, live.factsOf);
    return { ...moved, pieces: [...moved.pieces, ...copies] };
  });
  select([...live.selectedIds, ...copies.map(({ id }) => id)]);
}

/** Copies of what is chosen, as far from one point as it is from another; where wanted mirrored there. */
function copiedAt({ selection, factsOf }: Live, from: Point, to: Point, mirrored: boolean): PlacedPiece[] {
  return (selection?.pieces ?? []).map((piece) => {
    const moved = movePiece(piece, factsFor(piece, factsOf), { dx: to.x - from.x, dy: to.y - from.y });
    const copy = mirrored ? mirrorPiece(moved, factsFor(moved, factsOf), to.x) : moved;
    return { ...copy, id: crypto.randomUUID(), groupId: null };
  });
}

/** Whether a piece is the same thing near the same place already, so that a copy would only double it. */
function isTwin(live: Live, piece: Piece, copy: PlacedPiece): boolean {
  if (!isPlaced(piece) || piece.kind !== copy.kind) return false;
  if (isInk(piece) ? piece.name !== copy.name : !('artworkId' in copy) || piece.artworkId !== copy.artworkId)
    return false;
  const [a, b] = [opaqueBox(piece, facts(live, piece)), opaqueBox(copy, facts(live, copy))];
  return Math.hypot(a.x - b.x, a.y - b.y) < Math.min(b.width, b.height) / 4;
}

/** Moves every unit of what is chosen by its own shift. */
function shiftUnits(live: Live, shifts: readonly { dx: number; dy: number }[]): void {
  const { selection } = live;
  if (!selection) return;
  void changeFace(live.face.id, (face) => {
    let so: FacePieces = face;
    for (const [index, { ids }] of selection.units.entries())
      so = changeChosen(so, ids, (piece) => movePiece(piece, facts(live, piece), shifts[index]!));
    return so;
  });
}

export function align(live: Live, edge: Edge): void {
  if (several(live))
    shiftUnits(
      live,
      alignShifts(
        live.selection!.units.map(({ extent }) => extent),
        edge,
      ),
    );
}

/** Evenly round a wrap that closes; else evenly over the face's width. */
export function spread(live: Live): void {
  if (!several(live)) return;
  const { face, blank, selection } = live;
  const length = wayRound(blank.blank.body, face) ?? face.width;
  const shifts = spreadShifts(
    selection!.units.map(({ box }) => box.x),
    length,
    middleOf(face),
  );
  shiftUnits(
    live,
    shifts.map((dx) => ({ dx, dy: 0 })),
  );
}

/** Every other unit as high, or as wide, as the one that was chosen first. */
export function sameSize(live: Live, side: 'width' | 'height'): void {
  if (!several(live)) return;
  const { units } = live.selection!;
  const [first] = units;
  void changeFace(live.face.id, (face) => {
    let so: FacePieces = face;
    for (const { ids, box } of units.slice(1)) {
      const motion = { scale: first!.box[side] / box[side], about: box };
      so = changeChosen(so, ids, (piece) => movePiece(piece, facts(live, piece), motion));
    }
    return so;
  });
}

function several(live: Live): boolean {
  const enough = (live.selection?.units.length ?? 0) > 1;
  if (!enough) toast('Choose two or more pieces first: Shift and a click adds one.');
  return enough;
}

/** The clear distance between two units set to so many mm: the second moves. */
export function setGap(live: Live, gap: { across?: number; down?: number }): void {
  const [a, b] = live.selection?.units ?? [];
  if (!a || !b) return;
  const { x, y } = shiftForGap(a.extent, b.extent, gap);
  shiftUnits(live, [
    { dx: 0, dy: 0 },
    { dx: x, dy: y },
  ]);
}

/** So many copies, each one distance further on than the last. */
export function stepAndRepeat(live: Live, copies: number, dx: number, dy: number): void {
  const { selection, face } = live;
  if (!selection) return;
  const added = Array.from({ length: copies }, (_, i) => {
    const groups = new Map<string, string>();
    return selection.pieces.map((piece) => {
      const moved = movePiece(piece, facts(live, piece), { dx: dx * (i + 1), dy: dy * (i + 1) });
      if (piece.groupId !== null && !groups.has(piece.groupId))
        groups.set(piece.groupId, crypto.randomUUID());
      const groupId = piece.groupId === null ? null : groups.get(piece.groupId)!;
      return { ...moved, id: crypto.randomUUID(), groupId };
    });
  }).flat();
  void changeFace(face.id, (so) => {
    const known = so.groups ?? [];
    const copied = added.flatMap(({ groupId }, index) => {
      const original = selection.pieces[index % selection.pieces.length]!.groupId;
      const group = known.find(({ id }) => id === original);
      return groupId !== null && group ? [{ ...group, id: groupId }] : [];
    });
    const groups = [...known, ...new Map(copied.map((group) => [group.id, group])).values()];
    return { pieces: [...so.pieces, ...added], groups };
  });
  select([...selection.pieces, ...added].map(({ id }) => id));
}

export function group(live: Live): void {
  if (!several(live)) return;
  const count = live.groups.length + 1;
  const made = { id: crypto.randomUUID(), name: `Group ${count}`, rotation: 0 };
  void changeFace(live.face.id, (face) => groupChosen(face, live.selectedIds, made));
}

export function ungroup(live: Live): void {
  void changeFace(live.face.id, (face) => ungroupChosen(face, live.selectedIds));
}

/** Changes something of every chosen piece, fills too. */
export function changeAll(live: Live, change: (piece: Piece) => Piece): void {
  void changePieces(
    live.face.id,
    piecesOf(live.face.id).map((piece) => (live.selectedIds.includes(piece.id) ? change(piece) : piece)),
  );
}

export function changeRole(live: Live): void {
  changeAll(live, (piece) =>
    isMotifKind(piece) ? { ...piece, role: piece.role === 'motif' ? 'ground' : 'motif' } : piece,
  );
}

export function takeOff(live: Live): void {
  void changePieces(
    live.face.id,
    piecesOf(live.face.id).filter(({ id, locked }) => locked || !live.selectedIds.includes(id)),
  );
  select([]);
}

/** One place up or down in the order: what is higher is painted later. */
export function reorder(live: Live, step: 1 | -1): void {
  const pieces = [...piecesOf(live.face.id)];
  const chosen = pieces.filter(({ id }) => live.selectedIds.includes(id));
  for (const piece of step === 1 ? chosen.reverse() : chosen) {
    const at = pieces.indexOf(piece);
    const to = at + step;
    const over = pieces[to];
    if (!over || live.selectedIds.includes(over.id)) continue;
    [pieces[at], pieces[to]] = [over, piece];
  }
  void changePieces(live.face.id, pieces);
}

/** Selects the next piece, or the one before; past the last comes none. */
export function selectNext({ pieces, selectedIds }: Live, step: 1 | -1): boolean {
  const current = pieces.findIndex(({ id }) => id === selectedIds.at(-1));
  const at = current >= 0 ? current + step : step === 1 ? 0 : pieces.length - 1;
  const next = pieces[at];
  select(next ? [next.id] : []);
  return next !== undefined;
}

/** Moves what is chosen a little, unless some of it is locked. */
export function nudge(live: Live, dx: number, dy: number): void {
  if (live.selection && !live.selection.locked) move(live, { dx, dy });
}

/** Centres on a zone, by its place in the face's list. */
export function centreOnZone(live: Live, index: number): void {
  const zone = live.face.zones[index];
  if (zone && live.selection && !live.selection.locked) centreAt(live, { x: zone.x, y: zone.y });
}

/** Scales about the middle of the box for one of its own sides to measure so much, in proportion. */
export function setSide(live: Live, side: 'width' | 'height', mm: number): void {
  const { selection } = live;
  if (selection) move(live, { scale: mm / selection.box[side] });
}

/** Sets one side alone, which stretches; each piece along its own axes. */
export function stretchSide(live: Live, side: 'width' | 'height', mm: number): void {
  const { selection } = live;
  if (selection?.pieces.length !== 1) return;
  each(live, (piece) => {
    const known = facts(live, piece);
    const box = { ...opaqueBox(piece, known), [side]: mm };
    return setSize(piece, known, box.width, box.height);
  });
}
