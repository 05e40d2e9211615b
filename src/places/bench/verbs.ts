import { opaqueBox } from '@/core/fit/geometry';
import { centreOn, coverBleed, fitInside, newFill, setRotation } from '@/core/fit/place';
import type { ArtworkPiece } from '@/core/fit/schema';
import { nearestZone } from '@/core/fit/zones';
import { changePiece, changePieces, piecesOf, useHand } from '@/state/bench';
import { normalAngle } from './angle';
import type { Live } from './useLive';

/** What can be done to a selected artwork, for the strip and for the keys alike. Each is one step of undo. */
export const VERBS = {
  inside: ({ face }: Live, piece: ArtworkPiece, facts: Facts) =>
    fitInside({ ...piece, role: 'motif' }, facts, face),
  cover: ({ face }: Live, piece: ArtworkPiece, facts: Facts) =>
    coverBleed({ ...piece, role: 'ground' }, facts, face),
  centreAcross: (live: Live, piece: ArtworkPiece, facts: Facts) =>
    centreOn(piece, facts, { x: zoneAt(live, piece, facts).x }),
  centreDown: (live: Live, piece: ArtworkPiece, facts: Facts) =>
    centreOn(piece, facts, { y: zoneAt(live, piece, facts).y }),
  centreBoth: (live: Live, piece: ArtworkPiece, facts: Facts) =>
    centreOn(piece, facts, zoneAt(live, piece, facts)),
  quarterTurn: (_: Live, piece: ArtworkPiece, facts: Facts) =>
    setRotation(piece, facts, normalAngle(piece.rotation + Math.PI / 2)),
  flip: (_: Live, piece: ArtworkPiece) => ({ ...piece, flipped: !piece.flipped }),
} as const;

type Facts = NonNullable<Live['placed']>['facts'];
export type Verb = keyof typeof VERBS;

export function perform(live: Live, verb: Verb): void {
  const { placed, face } = live;
  if (placed && !placed.piece.locked)
    void changePiece(face.id, VERBS[verb](live, placed.piece, placed.facts));
}

/** Centres on a zone by name. */
export function centreOnZone(live: Live, zoneId: string): void {
  const zone = live.face.zones.find(({ id }) => id === zoneId);
  if (live.placed && zone) {
    void changePiece(live.face.id, centreOn(live.placed.piece, live.placed.facts, { x: zone.x, y: zone.y }));
  }
}

export function changeRole({ face, selected }: Live): void {
  if (selected)
    void changePiece(face.id, { ...selected, role: selected.role === 'motif' ? 'ground' : 'motif' });
}

export function takeOff({ face, selected }: Live): void {
  if (!selected) return;
  void changePieces(
    face.id,
    piecesOf(face.id).filter(({ id }) => id !== selected.id),
  );
  useHand.setState({ selectedId: null });
}

/** Lays a plain colour under everything, or recolours the one that is there and selected. */
export function layGround({ face, selected }: Live, colour: string): void {
  if (selected?.kind === 'fill') {
    void changePiece(face.id, { ...selected, colour });
    return;
  }
  const fill = newFill(crypto.randomUUID(), colour);
  void changePieces(face.id, [fill, ...piecesOf(face.id)]);
  useHand.setState({ selectedId: fill.id });
}

/** Selects the next piece, or the one before; past the last comes none. */
export function selectNext({ pieces, selected }: Live, step: 1 | -1): boolean {
  const at = selected ? pieces.indexOf(selected) + step : step === 1 ? 0 : pieces.length - 1;
  const next = pieces[at];
  useHand.setState({ selectedId: next?.id ?? null });
  return next !== undefined;
}

function zoneAt({ face }: Live, piece: ArtworkPiece, facts: Facts): { x: number; y: number } {
  const near = nearestZone(face.zones, opaqueBox(piece, facts));
  return near ? { x: near.zone.x, y: near.zone.y } : { x: face.width / 2, y: face.height / 2 };
}
