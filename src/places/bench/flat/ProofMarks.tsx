'use client';
import { useEffect, useState, type RefObject } from 'react';
import { inksAt, totalInk, type Press } from '@/core/colour/press';
import { fixed } from '@/core/length/show';
import { drawPieces, type HatchedFound } from '@/state/bench/product';
import { useProof } from '@/state/bench/proof';
import { inkLimit } from '../live/proofing';
import { usePress } from '../live/usePress';
import type { Live } from '../live/useLive';
import { useDrag } from '@/ui/useDrag';
import type { View } from './view';

/** The line between what was designed, left of it, and what will be printed; dragged, or moved by the arrow keys. */
export function ProofDivider({ view }: { view: View }) {
  const divider = useProof((proof) => proof.divider);
  const move = (to: number) => {
    useProof.setState({ divider: Math.min(0.98, Math.max(0.02, to)) });
  };
  const drag = useDrag({
    start: () => divider ?? 0.5,
    move: (from: number, { dx }) => {
      move(from + dx / view.width);
    },
    end: () => undefined,
  });
  if (divider === null) return null;
  return (
    <div className="pointer-events-none absolute bottom-0 top-6 z-20" style={{ left: divider * view.width }}>
      <span className="absolute inset-y-0 w-0.5 -translate-x-1/2 bg-tape" />
      <span className="absolute right-2 top-0 whitespace-nowrap bg-tape px-1.5 text-sm font-semibold text-on-tape">
        designed
      </span>
      <span className="absolute left-2 top-0 whitespace-nowrap bg-tape px-1.5 text-sm font-semibold text-on-tape">
        printed
      </span>
      <svg
        role="slider"
        tabIndex={0}
        aria-label="Divider between designed and printed"
        aria-valuemin={0}
        aria-valuemax={100}
        aria-valuenow={Math.round(divider * 100)}
        data-arrows
        className="pointer-events-auto absolute inset-y-0 w-4 -translate-x-1/2 cursor-ew-resize touch-none"
        style={{ height: '100%' }}
        onKeyDown={(event) => {
          const step = event.key === 'ArrowLeft' ? -0.02 : event.key === 'ArrowRight' ? 0.02 : 0;
          if (step !== 0) move(divider + step);
        }}
      >
        <rect width="100%" height="100%" fill="transparent" {...drag} />
      </svg>
    </div>
  );
}

/** What is hatched, its share, and a ring round the worst of it. */
export function HatchedMark({ found, live, dpr }: { found: HatchedFound | null; live: Live; dpr: number }) {
  const hatched = useProof((proof) => proof.hatched);
  if (hatched === 'none' || !found) return null;
  const { share, worst } = found;
  const worstSaid =
    worst && (hatched === 'ink' ? `${fixed(worst.value, 0)} % of ink` : `dE ${fixed(worst.value, 1)}`);
  const what =
    hatched === 'ink' ? `takes more than ${inkLimit(live.blank)} % of ink` : 'is out of the inks’ reach';
  return (
    <>
      {worst && (
        <span
          aria-hidden
          className="pointer-events-none absolute z-10 h-5 w-5 -translate-x-1/2 -translate-y-1/2 rounded-full border-2 border-tape outline outline-1 outline-ink"
          style={{ left: worst.x / dpr, top: worst.y / dpr }}
        />
      )}
      <p
        role="status"
        data-hatched
        className="measure pointer-events-none absolute bottom-9 right-3 z-20 whitespace-nowrap bg-docket px-2 py-0.5 text-sm font-semibold text-ink"
      >
        hatched: {fixed(share * 100, 1)} % of what is seen here {what}
        {worstSaid && `; the worst, ringed, ${worstSaid}`}
      </p>
    </>
  );
}

/** Inks of the colour under the pointer, and their sum. */
export function InkReadout({
  live,
  view,
  room,
}: {
  live: Live;
  view: View;
  room: RefObject<HTMLDivElement | null>;
}) {
  const press = usePress(live.blank.spec.id);
  const [at, setAt] = useState<{ x: number; y: number } | null>(null);
  useEffect(() => {
    const element = room.current!;
    const over = ({ clientX, clientY }: PointerEvent) => {
      const { left, top } = element.getBoundingClientRect();
      setAt({ x: clientX - left, y: clientY - top });
    };
    const gone = () => {
      setAt(null);
    };
    element.addEventListener('pointermove', over);
    element.addEventListener('pointerleave', gone);
    return () => {
      element.removeEventListener('pointermove', over);
      element.removeEventListener('pointerleave', gone);
    };
  }, [room]);
  const [point] = useState(() => new OffscreenCanvas(1, 1));
  if (!press || !at || live.dragging) return null;
  const said = sayAt(point, live, view, at, press);
  if (!said) return null;
  return (
    <p
      data-inks
      className="measure pointer-events-none absolute bottom-9 left-8 z-10 bg-docket px-2 py-0.5 text-sm text-ink"
    >
      {said}
    </p>
  );
}

function sayAt(
  canvas: OffscreenCanvas,
  { face, pieces, factsOf, previews }: Live,
  view: View,
  { x, y }: { x: number; y: number },
  press: Press,
): string | null {
  const context = canvas.getContext('2d', { willReadFrequently: true })!;
  context.setTransform(1, 0, 0, 1, 0, 0);
  context.clearRect(0, 0, 1, 1);
  context.setTransform(view.scale, 0, 0, view.scale, view.left - x, view.top - y);
  drawPieces(context, face, pieces, { facts: factsOf, pictureOf: (id) => previews.get(id)?.bitmap });
  const [red, green, blue, alpha] = context.getImageData(0, 0, 1, 1).data;
  if (alpha! < 128) return null;
  const inks = inksAt(press, [red!, green!, blue!]);
  const [c, m, yellow, k] = inks.map((ink) => Math.round(ink * 100));
  return `C ${c}  M ${m}  Y ${yellow}  K ${k}  =  ${Math.round(totalInk(inks))} %`;
}
