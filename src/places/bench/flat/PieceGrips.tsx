'use client';
import { corners, opaqueBox, placeOpaqueBox, turn, type Box } from '@/core/fit/geometry';
import { centreOn, setRotation } from '@/core/fit/place';
import { snapBox } from '@/core/fit/snap';
import type { ArtworkPiece, Piece } from '@/core/fit/schema';
import { draftPieces, dropDraft, useHand } from '@/state/bench';
import { selectNext } from '../verbs';
import type { Live } from '../useLive';
import { useDrag, type DragAt } from './useDrag';
import { STEM, toPx, type View } from './view';

/** How near, in px, a line draws what is dragged. */
const SNAP_REACH = 7;
/** An angle this near to a quarter turn becomes one, in radians. */
const ANGLE_REACH = (2 * Math.PI) / 180;

/** What can be taken hold of: each piece to move it, the selected one's corners to scale it, its stem to turn it. */
export function PieceGrips({ live, view }: { live: Live; view: View }) {
  const { pieces, placed, factsOf } = live;
  return (
    <svg className="pointer-events-none absolute inset-0 h-full w-full">
      {pieces.map((piece) =>
        piece.kind === 'artwork' ? (
          <PieceGrip
            key={piece.id}
            live={live}
            view={view}
            piece={piece}
            box={opaqueBox(piece, factsOf(piece.artworkId))}
          />
        ) : null,
      )}
      {placed && !placed.piece.locked && (
        <SelectedGrips live={live} view={view} box={opaqueBox(placed.piece, placed.facts)} />
      )}
    </svg>
  );
}

function withOne(live: Live, piece: ArtworkPiece): Piece[] {
  return live.pieces.map((one) => (one.id === piece.id ? piece : one));
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

function PieceGrip({ live, view, piece, box }: { live: Live; view: View; piece: ArtworkPiece; box: Box }) {
  const { face, factsOf, pieces } = live;
  const selected = live.selected?.id === piece.id;
  const others = pieces.flatMap((one) =>
    one.kind === 'artwork' && one.id !== piece.id && one.role === 'motif'
      ? [opaqueBox(one, factsOf(one.artworkId))]
      : [],
  );
  const drag = useDrag({
    start: () => {
      useHand.setState({ selectedId: piece.id });
      return piece.locked ? null : box;
    },
    move: (from: Box, { dx, dy, free }: DragAt) => {
      const moved = { ...from, x: from.x + dx / view.scale, y: from.y + dy / view.scale };
      const snap = free ? null : snapBox(moved, face, others, SNAP_REACH / view.scale);
      const at = { x: moved.x + (snap?.dx ?? 0), y: moved.y + (snap?.dy ?? 0) };
      draftPieces(withOne(live, centreOn(piece, factsOf(piece.artworkId), at)), snap);
    },
    end: () => void dropDraft(face.id),
  });
  return (
    <path
      d={outline(view, box)}
      role="button"
      tabIndex={0}
      aria-label={`${piece.name}, ${piece.role}${selected ? ', selected' : ''}`}
      data-piece={piece.id}
      className="pointer-events-auto cursor-move outline-none"
      fill="transparent"
      stroke={selected ? 'none' : 'transparent'}
      onFocus={() => {
        useHand.setState({ selectedId: piece.id });
      }}
      onKeyDown={(event) => {
        if (event.key === 'Enter') selectNext(live, 1);
      }}
      {...drag}
    />
  );
}

function SelectedGrips({ live, view, box }: { live: Live; view: View; box: Box }) {
  const { piece, facts } = live.placed!;
  const d = outline(view, box);
  const stem = toPx(view, ...along(box, -0.5, 0));
  const end = { x: stem.x - Math.cos(box.rotation) * STEM, y: stem.y - Math.sin(box.rotation) * STEM };
  const centre = toPx(view, box.x, box.y);
  const turning = useDrag({
    start: () => box,
    move: (_: Box, { x, y, free }: DragAt) => {
      const angle = Math.atan2(centre.y - y, centre.x - x);
      const quarter = Math.round(angle / (Math.PI / 2)) * (Math.PI / 2);
      const snapped = !free && Math.abs(angle - quarter) < ANGLE_REACH;
      draftPieces(withOne(live, setRotation(piece, facts, snapped ? quarter : angle)));
    },
    end: () => void dropDraft(live.face.id),
  });
  return (
    <g fill="none" aria-hidden>
      <path d={d} stroke="#fff" strokeWidth="4" strokeOpacity="0.85" />
      <path d={d} stroke="var(--color-viewing-thread)" strokeWidth="2" />
      <path
        d={`M${stem.x} ${stem.y}L${end.x} ${end.y}`}
        stroke="var(--color-viewing-thread)"
        strokeWidth="1.5"
      />
      <circle
        cx={end.x}
        cy={end.y}
        r="6"
        fill="#fff"
        stroke="var(--color-viewing-thread)"
        strokeWidth="2"
        data-grip="turn"
        className="pointer-events-auto cursor-grab"
        {...turning}
      />
      {(
        [
          [-1, -1],
          [1, -1],
          [1, 1],
          [-1, 1],
        ] as const
      ).map(([sx, sy]) => (
        <ScaleGrip key={`${sx}${sy}`} live={live} view={view} box={box} sx={sx} sy={sy} />
      ))}
    </g>
  );
}

/** A corner scales in proportion, the corner across from it staying where it is. */
function ScaleGrip({
  live,
  view,
  box,
  sx,
  sy,
}: {
  live: Live;
  view: View;
  box: Box;
  sx: 1 | -1;
  sy: 1 | -1;
}) {
  const { piece, facts } = live.placed!;
  const at = toPx(view, ...along(box, sx / 2, sy / 2));
  const drag = useDrag({
    start: () => box,
    move: (from: Box, { dx, dy }: DragAt) => {
      const pull = turn({ x: dx / view.scale, y: dy / view.scale }, -from.rotation);
      const diagonal = Math.hypot(from.width, from.height);
      const grown = (sx * pull.x * from.width + sy * pull.y * from.height) / diagonal / diagonal;
      const factor = Math.max(2 / Math.max(from.width, from.height), 1 + grown);
      const anchor = along(from, -sx / 2, -sy / 2);
      const width = from.width * factor;
      const height = from.height * factor;
      const offset = turn({ x: (sx * width) / 2, y: (sy * height) / 2 }, from.rotation);
      draftPieces(
        withOne(
          live,
          placeOpaqueBox(piece, facts, {
            ...from,
            width,
            height,
            x: anchor[0] + offset.x,
            y: anchor[1] + offset.y,
          }),
        ),
      );
    },
    end: () => void dropDraft(live.face.id),
  });
  return (
    <circle
      cx={at.x}
      cy={at.y}
      r="5"
      fill="#fff"
      stroke="var(--color-viewing-thread)"
      strokeWidth="2"
      data-grip={`${sy < 0 ? 'top' : 'foot'}-${sx < 0 ? 'left' : 'right'}`}
      className={`pointer-events-auto ${sx === sy ? 'cursor-nwse-resize' : 'cursor-nesw-resize'}`}
      {...drag}
    />
  );
}

/** A point of the box in mm, by shares of its own width and height from its centre. */
function along(box: Box, across: number, down: number): [x: number, y: number] {
  const offset = turn({ x: across * box.width, y: down * box.height }, box.rotation);
  return [box.x + offset.x, box.y + offset.y];
}
