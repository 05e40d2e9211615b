import { factsFor, opaqueBox, extentOf, type Box, type Extent, type FactsOf } from './geometry';
import { frameOf, mirrorPiece, movePiece, type Motion } from './move';
import { isPlaced, type Fit, type Group, type Piece, type PlacedPiece } from './schema';

/** A face's pieces and how they are grouped. */
export type FacePieces = Pick<Fit['faces'][number], 'pieces' | 'groups'>;

/** What goes as one when things are aligned or spread: a group, or a piece that is in none. */
export interface Unit {
  ids: readonly string[];
  box: Box;
  extent: Extent;
}

/** Pieces that are chosen together. A fill has no place of its own and is left out of all that is measured here. */
export interface Selection {
  /** In the order they were chosen: others are measured by the first. */
  pieces: readonly PlacedPiece[];
  /** The box round all of them along their own axes: a piece's, a group's, or upright round several. */
  box: Box;
  extent: Extent;
  /** The group that is chosen whole, and nothing besides. */
  group: Group | null;
  units: readonly Unit[];
  /** Whether any of them must stay where it is. */
  locked: boolean;
}

export function selectionOf(
  { pieces, groups = [] }: FacePieces,
  ids: readonly string[],
  factsOf: FactsOf,
): Selection | null {
  const chosen = ids
    .map((id) => pieces.find((piece) => piece.id === id))
    .filter((piece) => piece !== undefined)
    .filter(isPlaced);
  if (chosen.length === 0) return null;
  const group = groupOf(chosen, pieces, groups);
  const boxOf = (piece: PlacedPiece) => opaqueBox(piece, factsFor(piece, factsOf));
  const rotation = chosen.length === 1 ? chosen[0]!.rotation : (group?.rotation ?? 0);
  const boxes = chosen.map(boxOf);
  const box = chosen.length === 1 ? boxes[0]! : frameOf(boxes, rotation);
  const parts = new Map<string, PlacedPiece[]>();
  for (const piece of chosen) {
    const key = piece.groupId ?? piece.id;
    parts.set(key, [...(parts.get(key) ?? []), piece]);
  }
  const units = [...parts.values()].map((members): Unit => {
    const own = members.map(boxOf);
    const whole = members.length === 1 ? own[0]! : frameOf(own, 0);
    return { ids: members.map(({ id }) => id), box: whole, extent: extentOf(frameOf(own, 0)) };
  });
  return {
    pieces: chosen,
    box,
    extent: extentOf(frameOf(boxes, 0)),
    group,
    units,
    locked: chosen.some(({ locked }) => locked),
  };
}

/** The group that some pieces are all of. */
function groupOf(chosen: readonly Piece[], all: readonly Piece[], groups: readonly Group[]): Group | null {
  const [first] = chosen;
  const group = groups.find(({ id }) => id === first?.groupId);
  if (!group || !chosen.every(({ groupId }) => groupId === group.id)) return null;
  return all.filter(({ groupId }) => groupId === group.id).length === chosen.length ? group : null;
}

/** The ids that are chosen with a piece: those of its whole group. */
export function withGroup({ pieces }: FacePieces, id: string): string[] {
  const groupId = pieces.find((piece) => piece.id === id)?.groupId;
  return groupId === null || groupId === undefined
    ? [id]
    : pieces.filter((piece) => piece.groupId === groupId).map((piece) => piece.id);
}

/** Changes every chosen piece that has a place and is not locked. */
export function changeChosen<F extends FacePieces>(
  face: F,
  ids: readonly string[],
  change: (piece: PlacedPiece) => PlacedPiece,
): F {
  const pieces = face.pieces.map((piece) =>
    ids.includes(piece.id) && isPlaced(piece) && !piece.locked ? change(piece) : piece,
  );
  return { ...face, pieces };
}

/** Moves what is chosen as one, about the middle of its box where nothing else is said. */
export function moveChosen<F extends FacePieces>(
  face: F,
  ids: readonly string[],
  motion: Motion,
  factsOf: FactsOf,
): F {
  const selection = selectionOf(face, ids, factsOf);
  if (!selection) return face;
  const about = motion.about ?? selection.box;
  const moved = changeChosen(face, ids, (piece) =>
    movePiece(piece, factsFor(piece, factsOf), { ...motion, about }),
  );
  return turnedGroup(moved, selection.group, (rotation) => rotation + (motion.turn ?? 0));
}

/** Turns what is chosen over, left to right, about the middle of its box. */
export function mirrorChosen<F extends FacePieces>(face: F, ids: readonly string[], factsOf: FactsOf): F {
  const selection = selectionOf(face, ids, factsOf);
  if (!selection) return face;
  const mirrored = changeChosen(face, ids, (piece) =>
    mirrorPiece(piece, factsFor(piece, factsOf), selection.box.x),
  );
  return turnedGroup(mirrored, selection.group, (rotation) => -rotation);
}

function turnedGroup<F extends FacePieces>(
  face: F,
  group: Group | null,
  turned: (rotation: number) => number,
): F {
  if (!group) return face;
  const groups = (face.groups ?? []).map((one) =>
    one.id === group.id ? { ...one, rotation: turned(one.rotation) } : one,
  );
  return { ...face, groups };
}

/** Makes one group of what is chosen; groups that lose all their pieces go. */
export function groupChosen<F extends FacePieces>(face: F, ids: readonly string[], group: Group): F {
  return withoutEmptyGroups({
    ...face,
    pieces: face.pieces.map((piece) => (ids.includes(piece.id) ? { ...piece, groupId: group.id } : piece)),
    groups: [...(face.groups ?? []), group],
  });
}

export function ungroupChosen<F extends FacePieces>(face: F, ids: readonly string[]): F {
  return withoutEmptyGroups({
    ...face,
    pieces: face.pieces.map((piece) => (ids.includes(piece.id) ? { ...piece, groupId: null } : piece)),
  });
}

export function withoutEmptyGroups<F extends FacePieces>(face: F): F {
  const groups = (face.groups ?? []).filter(
    ({ id }) => face.pieces.filter(({ groupId }) => groupId === id).length > 0,
  );
  return { ...face, groups };
}
