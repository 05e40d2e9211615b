'use client';
import { useState, type PointerEvent } from 'react';
import type { Holder } from '@/core/product/families';
import { productOf, type View } from '@/core/product/kinds';
import { viewsOf } from '@/core/product/views';
import { useHand } from '@/state/bench/hand';
import type { LookAt, LookTold, ProductView } from '@/state/bench/product';
import { Cross } from '../flat/PointMark';
import { useDrag } from '@/ui/useDrag';
import { pointAt } from '../live/pointing';
import type { Live } from '../live/useLive';
import { ReadBand, Reads } from './Reads';
import { partsOf, standingViews, within, type Part } from './views';
import { pointOnLook, useProductView } from './useProductView';
import { Segments } from '@/ui/Toggle';
import { Hint } from '@/ui/Hint';

/** How one holds the product: which way it is turned, and the named view that is, if any. */
interface Held {
  yaw: number;
  pitch: number;
  faceId: string | null;
  holder: Holder;
  viewId: string | null;
}

const TURNED: Held = { yaw: 0.6, pitch: 0.19, faceId: null, holder: 'none', viewId: null };
const PITCHES = [-0.35, 1.4] as const;

/** The product from its named sides, and once in the hand to be turned. */
export function ProductViews({ live, wide, colour }: { live: Live; wide: boolean; colour: string }) {
  const views = viewsOf(live.blank);
  const turns = isTurned(live);
  const standing = standingViews(views, wide, turns);
  const [held, setHeld] = useHeld(live, views, standing.length === 0);
  // What something holds can be gone round, also where it would not be turned as it lies.
  const inHand = turns || held.holder !== 'none';
  const [turning, setTurning] = useState(false);
  const looksIn = (size: { width: number; height: number }): LookAt[] =>
    partsOf(standing.length + 1, wide, size.width, size.height).map((part, i) => {
      const { yaw, pitch, faceId, holder } = standing[i] ?? held;
      return { yaw, pitch, faceId, holder, ...within(part), turns: standing[i] === undefined && inHand };
    });
  const { room, size, view, told, marks } = useProductView(live, colour, looksIn, turning || live.dragging);
  const parts = size ? partsOf(standing.length + 1, wide, size.width, size.height) : [];
  return (
    <div ref={room} className="relative min-h-0 grow overflow-hidden">
      {parts.map((part, i) => (
        <Look key={i} part={part} told={told[i]} live={live} mark={marks[i] ?? null}>
          {standing[i] ? (
            <Still part={part} name={standing[i].name} look={i} view={view} />
          ) : (
            <InHand
              part={part}
              live={live}
              views={views}
              held={held}
              turns={inHand}
              look={i}
              view={view}
              onHold={setHeld}
              onTurning={setTurning}
            />
          )}
        </Look>
      ))}
    </div>
  );
}

/** Garments, and what hangs on a wall, are looked at from a few sides and not turned about. */
function isTurned({ blank }: Live): boolean {
  return productOf(blank.blank.body).turns(blank);
}

/** What is in the hand; where it is the only look, it goes with the face that is worked on. */
function useHeld(live: Live, views: readonly View[], alone: boolean) {
  const wanted = alone ? live.face.id : null;
  const [followed, setFollowed] = useState(wanted);
  const [held, setHeld] = useState<Held>(wanted === null ? TURNED : viewFor(wanted, views));
  // Only another face turns the product: not another drawing of the same one.
  if (wanted !== followed) {
    setFollowed(wanted);
    if (wanted !== null) setHeld(viewFor(wanted, views));
  }
  return [held, setHeld] as const;
}

function viewFor(faceId: string, views: readonly View[]): Held {
  const found = views.find((one) => one.faceId === faceId || one.id === faceId) ?? views[0]!;
  return heldAt(found);
}

const heldAt = ({ id, yaw, pitch, faceId, holder }: View): Held => ({
  yaw,
  pitch,
  faceId,
  holder,
  viewId: id,
});

function Look({
  part,
  told,
  live,
  mark,
  children,
}: {
  part: Part;
  told: LookTold | undefined;
  live: Live;
  mark: { x: number; y: number } | null;
  children: React.ReactNode;
}) {
  const { left, top, width, height } = within(part);
  return (
    <div
      className="absolute border-r border-viewing-rule last:border-r-0"
      style={{ left: part.left, top: part.top, width: part.width, height: part.height }}
    >
      <div className="absolute" style={{ left: 0, top: top - part.top, width, height }}>
        {told && <ReadBand bands={told.bands} />}
        {mark && <Cross x={mark.x} y={mark.y} label="Pointed at on the flat" />}
      </div>
      {children}
      {told && <Reads reads={told.reads} round={told.bands.length > 0} live={live} />}
      <span hidden data-left={left} />
    </div>
  );
}

/** A named side, for itself. */
function Still({
  part,
  name,
  look,
  view,
}: {
  part: Part;
  name: string;
  look: number;
  view: ProductView | null;
}) {
  return (
    <>
      <span className="pointer-events-none relative ml-3 text-sm font-semibold leading-[26px]">{name}</span>
      <div className="absolute inset-0" aria-hidden {...pointing(part, look, view)} />
    </>
  );
}

/** Handlers that tell the flat what is under the pointer here. */
function pointing(part: Part, look: number, view: ProductView | null) {
  const inner = within(part);
  return {
    onPointerMove: (event: PointerEvent) => {
      const room = event.currentTarget.getBoundingClientRect();
      void pointOnLook(
        view,
        look,
        event.clientX - room.left,
        event.clientY - room.top - (inner.top - part.top),
      );
    },
    onPointerLeave: () => {
      pointAt('product', null);
    },
  };
}

interface InHandProps {
  part: Part;
  live: Live;
  views: readonly View[];
  held: Held;
  turns: boolean;
  look: number;
  view: ProductView | null;
  onHold: (held: Held) => void;
  onTurning: (turning: boolean) => void;
}

/** The product in the hand: its named sides as words, turned by dragging or with the arrow keys. */
function InHand({ part, views, held, turns, look, view, onHold, onTurning }: InHandProps) {
  return (
    <>
      <div className="relative z-10 ml-3 flex w-fit max-w-full flex-wrap gap-x-2 text-sm leading-[26px]">
        <Segments
          label="Side of the product"
          value={held.viewId ?? ''}
          choices={views.map((one) => ({ value: one.id, name: one.id, spoken: one.name, hint: one.name }))}
          className="contents"
          onChange={(id) => {
            onHold(heldAt(views.find((one) => one.id === id)!));
          }}
        />
        <Hint words="All sides and all colours at once">
          <button
            className="min-h-6 min-w-8 text-left underline decoration-dotted underline-offset-4"
            onClick={() => {
              useHand.setState({ contactSheet: true });
            }}
          >
            all…
          </button>
        </Hint>
      </div>
      {turns ? (
        <TurnGrip part={part} held={held} look={look} view={view} onHold={onHold} onTurning={onTurning} />
      ) : (
        <div className="absolute inset-0" aria-hidden {...pointing(part, look, view)} />
      )}
    </>
  );
}

const KEYS: Record<string, readonly [yaw: number, pitch: number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};

function TurnGrip({
  part,
  held,
  look,
  view,
  onHold,
  onTurning,
}: Pick<InHandProps, 'part' | 'held' | 'look' | 'view' | 'onHold' | 'onTurning'>) {
  const turn = (from: Held, yaw: number, pitch: number) => {
    const [low, high] = PITCHES;
    onHold({
      yaw: from.yaw + yaw,
      pitch: Math.min(high, Math.max(low, from.pitch + pitch)),
      faceId: null,
      holder: from.holder,
      viewId: null,
    });
  };
  const drag = useDrag({
    start: () => held,
    move: (from: Held, { dx, dy }) => {
      onTurning(true);
      turn(from, -dx * 0.012, dy * 0.008);
    },
    end: () => {
      onTurning(false);
    },
  });
  const told = pointing(part, look, view);
  const degrees = Math.round((Math.atan2(Math.sin(held.yaw), Math.cos(held.yaw)) * 180) / Math.PI);
  return (
    <svg
      role="slider"
      tabIndex={0}
      aria-label="Turn the product"
      aria-valuenow={degrees}
      aria-valuemin={-180}
      aria-valuemax={180}
      aria-valuetext={`${degrees} degrees`}
      data-arrows
      data-drawing
      className="absolute inset-0 h-full w-full cursor-grab touch-none"
      onKeyDown={(event) => {
        const step = KEYS[event.key];
        if (!step) return;
        event.preventDefault();
        turn(held, (step[0] * Math.PI) / 24, (step[1] * Math.PI) / 36);
      }}
    >
      <rect
        width="100%"
        height="100%"
        fill="transparent"
        {...drag}
        onPointerMove={(event) => {
          drag.onPointerMove(event);
          told.onPointerMove(event);
        }}
        onPointerLeave={told.onPointerLeave}
      />
    </svg>
  );
}
