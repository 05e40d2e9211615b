'use client';
import { corners, factsFor, opaqueBox, turn, type Box } from '@/core/fit/geometry';
import { moveWithin } from '@/core/fit/clip';
import type { Motion } from '@/core/fit/move';
import { isMotifKind, type ArtworkPiece, type Piece } from '@/core/fit/schema';
import { changeChosen, moveChosen, type FacePieces } from '@/core/fit/selection';
import { snapBox, type Neighbour } from '@/core/fit/snap';
import { draftFace, dropDraft } from '@/state/bench/open-fit';
import { select, useHand } from '@/state/bench/hand';
import { selectNext } from '../acts/acts';
import type { Live } from '../live/useLive';
import { along, awlHole, gripBox, groupIds, holds, noteClick, pickAt, toggle } from './picking';
import { useDrag, type DragAt, type PressAt } from '@/ui/useDrag';
import { toMm, toPx, type View } from './view';

/** How near, in px, a line draws what is dragged. */
const SNAP_REACH = 7;
/** px to either side that takes hold of a corner or of the hole, and that a tick reaches. */
const TARGET = 12;
const TICK = 7;
/** An angle this near to a quarter turn becomes one, in radians. */
const ANGLE_REACH = (2 * Math.PI) / 180;

/**
 * What can be taken hold of: each piece to move it, the corners of what is chosen to scale it, the awl's hole beside it to
 * turn it.
 */
export function PieceGrips({ live, view }: { live: Live; view: View }) {
  const { pieces, selection, following } = live;
  return (
    <svg className="pointer-events-none absolute inset-0 h-full w-full">
      {pieces
        .filter(({ visible }) => visible)
        .map((piece) => (
          <PieceGrip key={piece.id} live={live} view={view} piece={piece} />
        ))}
      {selection && !selection.locked && !following && (
        <SelectedGrips live={live} view={view} box={selection.box} />
      )}
      {selection && selection.units.length > 1 && <Members live={live} view={view} />}
    </svg>
  );
}

function outline(view: View, box: Box): string {
  return corners(box)
    .map(({ x, y }, index) => {
      const at = toPx(view, x, y);
      return `${index === 0 ? 'M' : 'L'}${at.x} ${at.y}`;
    })
    .join('')
    .concat('Z');
}

/** A thin line round each of several. */
function Members({ live, view }: { live: Live; view: View }) {
  return live.selection!.units.map(({ ids, box }) => (
    <path
      key={ids.join()}
      aria-hidden
      d={outline(view, box)}
      fill="none"
      stroke="var(--color-viewing-thread)"
      strokeDasharray="4 3"
    />
  ));
}

/** The face as it is when a drag begins, and which of its pieces go along. */
interface Held {
  face: FacePieces;
  ids: readonly string[];
  box: Box;
  /** Whether it was chosen before, so that a click may go through to what lies under. */
  before: boolean;
}

function useMoving(live: Live, view: View, pieceId: string) {
  const { face, pieces, groups, factsOf, selection } = live;
  const whole = { pieces: [...pieces], groups: [...groups] };
  return useDrag({
    start: (at: PressAt): Held | null => {
      const { x, y } = toMm(view, at.x, at.y);
      // What is chosen is held through what lies over it; but a ground lies under everything.
      const inside =
        selection?.pieces.some(({ role }) => role === 'motif') === true && holds(selection.box, x, y);
      const chosen = live.selectedIds.includes(pieceId);
      if (at.shift) {
        toggle(live, pieceId);
        return null;
      }
      if (inside || chosen)
        return selection
          ? { face: whole, ids: live.selectedIds, box: selection.box, before: true }
          : heldFill();
      const ids = groupIds(live, pieceId);
      select(ids);
      const piece = pieces.find(({ id }) => id === pieceId)!;
      return { face: whole, ids, box: gripBox(live, piece), before: false };
    },
    move: (from, at: DragAt) => {
      const dx = at.dx / view.scale;
      const dy = at.dy / view.scale;
      const { moveWithin: within } = useHand.getState();
      if (from.ids.some((id) => pieces.find((one) => one.id === id)?.locked)) return;
      if (within && from.ids.length === 1) {
        draftFace(
          changeChosen(from.face, from.ids, (piece) => moveWithin(piece as ArtworkPiece, { dx, dy })),
        );
        return;
      }
      const moved = { ...from.box, x: from.box.x + dx, y: from.box.y + dy };
      const snap = at.free ? null : snapBox(moved, face, neighbours(live, from.ids), SNAP_REACH / view.scale);
      const motion = { dx: dx + (snap?.dx ?? 0), dy: dy + (snap?.dy ?? 0) };
      draftFace(moveChosen(from.face, from.ids, motion, factsOf), snap);
    },
    end: () => void dropDraft(face.id),
    click: (from, at) => {
      if (from.before) pickAt(live, view, at);
      else noteClick(at);
    },
  });

  function heldFill(): Held {
    return { face: whole, ids: [], box: { x: 0, y: 0, width: 1, height: 1, rotation: 0 }, before: true };
  }
}

/** The motifs that are not dragged, to be snapped to. */
function neighbours(live: Live, ids: readonly string[]): Neighbour[] {
  return live.pieces.flatMap((piece) =>
    isMotifKind(piece) && piece.role === 'motif' && piece.visible && !ids.includes(piece.id)
      ? [{ name: piece.name, box: opaqueBox(piece, factsFor(piece, live.factsOf)) }]
      : [],
  );
}

function PieceGrip({ live, view, piece }: { live: Live; view: View; piece: Piece }) {
  const chosen = live.selectedIds.includes(piece.id);
  const drag = useMoving(live, view, piece.id);
  return (
    <path
      d={outline(view, gripBox(live, piece))}
      role="button"
      tabIndex={0}
      aria-label={`${piece.name}, ${piece.role}${chosen ? ', chosen' : ''}${piece.locked ? ', locked' : ''}`}
      aria-pressed={chosen}
      data-piece={piece.id}
      className={`pointer-events-auto outline-none ${piece.locked ? 'cursor-default' : 'cursor-move'}`}
      fill="transparent"
      stroke="transparent"
      onFocus={(event) => {
        // By keyboard; a press of the pointer says itself what it chooses.
        if (event.target.matches(':focus-visible') && !chosen) select(groupIds(live, piece.id));
      }}
      onKeyDown={(event) => {
        if (event.key === 'Enter') selectNext(live, 1);
        if (event.key === ' ') {
          event.preventDefault();
          toggle(live, piece.id);
        }
      }}
      onDoubleClick={() => {
        if (piece.kind === 'text') useHand.setState({ editing: 'words' });
      }}
      {...drag}
    />
  );
}

function SelectedGrips({ live, view, box }: { live: Live; view: View; box: Box }) {
  const { face, pieces, groups, selectedIds, factsOf } = live;
  const d = outline(view, box);
  const hole = awlHole(view, box);
  const centre = toPx(view, box.x, box.y);
  const whole: FacePieces = { pieces: [...pieces], groups: [...groups] };
  const draft = (from: FacePieces, motion: Motion) => {
    draftFace(moveChosen(from, selectedIds, motion, factsOf));
  };
  const turning = useDrag({
    start: () => ({ from: whole, box }),
    move: (held, { x, y, free }: DragAt) => {
      const angle = Math.atan2(centre.y - y, centre.x - x);
      const quarter = Math.round(angle / (Math.PI / 2)) * (Math.PI / 2);
      const snapped = !free && Math.abs(angle - quarter) < ANGLE_REACH;
      draft(held.from, { turn: (snapped ? quarter : angle) - held.box.rotation });
    },
    end: () => void dropDraft(face.id),
  });
  return (
    <g fill="none" aria-hidden>
      <path d={d} stroke="#fff" strokeWidth="3.5" strokeOpacity="0.85" />
      <path d={d} stroke="var(--color-viewing-thread)" strokeWidth="1.8" strokeDasharray="7 4" />
      <g data-grip="turn" className="pointer-events-auto cursor-grab" {...turning}>
        <circle cx={hole.x} cy={hole.y} r={TARGET} fill="transparent" stroke="none" />
        <circle cx={hole.x} cy={hole.y} r="4.6" stroke="#fff" strokeWidth="4" strokeOpacity="0.85" />
        <circle cx={hole.x} cy={hole.y} r="4" stroke="var(--color-viewing-thread)" strokeWidth="1.5" />
        <circle cx={hole.x} cy={hole.y} r="2.2" fill="var(--color-viewing-ink)" stroke="none" />
      </g>
      {(
        [
          [-1, -1],
          [1, -1],
          [1, 1],
          [-1, 1],
        ] as const
      ).map(([sx, sy]) => (
        <ScaleGrip
          key={`${sx}${sy}`}
          view={view}
          box={box}
          sx={sx}
          sy={sy}
          whole={whole}
          onScale={draft}
          onEnd={() => void dropDraft(face.id)}
        />
      ))}
    </g>
  );
}

/** A corner scales in proportion, the corner across from it staying where it is. */
function ScaleGrip({
  view,
  box,
  sx,
  sy,
  whole,
  onScale,
  onEnd,
}: {
  view: View;
  box: Box;
  sx: 1 | -1;
  sy: 1 | -1;
  whole: FacePieces;
  onScale: (from: FacePieces, motion: Motion) => void;
  onEnd: () => void;
}) {
  const corner = along(box, sx / 2, sy / 2);
  const at = toPx(view, corner.x, corner.y);
  const drag = useDrag({
    start: () => ({ box, whole }),
    move: (held, { dx, dy }: DragAt) => {
      const from = held.box;
      const pull = turn({ x: dx / view.scale, y: dy / view.scale }, -from.rotation);
      const diagonal = Math.hypot(from.width, from.height);
      const grown = (sx * pull.x * from.width + sy * pull.y * from.height) / diagonal / diagonal;
      const scale = Math.max(2 / Math.max(from.width, from.height), 1 + grown);
      onScale(held.whole, { scale, about: along(from, -sx / 2, -sy / 2) });
    },
    end: onEnd,
  });
  // Across the corner, as the lines of the dimensions end.
  const tick = turn({ x: sx * TICK, y: -sy * TICK }, box.rotation);
  const d = `M${at.x - tick.x} ${at.y - tick.y}L${at.x + tick.x} ${at.y + tick.y}`;
  return (
    <g
      data-grip={`${sy < 0 ? 'top' : 'foot'}-${sx < 0 ? 'left' : 'right'}`}
      className={`pointer-events-auto ${sx === sy ? 'cursor-nwse-resize' : 'cursor-nesw-resize'}`}
      {...drag}
    >
      <circle cx={at.x} cy={at.y} r={TARGET} fill="transparent" stroke="none" />
      <path d={d} stroke="#fff" strokeWidth="5" strokeOpacity="0.85" />
      <path d={d} stroke="var(--color-viewing-thread)" strokeWidth="2.6" />
    </g>
  );
}
