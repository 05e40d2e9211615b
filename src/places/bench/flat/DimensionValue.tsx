'use client';
import type { ReactNode } from 'react';
import { fixed, showLength } from '@/core/length/show';
import { useHand } from '@/state/bench/hand';
import { LengthField } from '@/ui/LengthField';
import { normalAngle } from '../acts/angle';
import { refuseFar, refuseSize } from '../acts/refusals';
import type { Live } from '../live/useLive';

export interface ValueProps {
  id: string;
  name: string;
  live: Live;
  mm: number;
  x: number;
  y: number;
  /** Sizes stand out: they are what is typed most. */
  size?: boolean;
  onSet: (mm: number) => void;
  children?: ReactNode;
}

/** The number on a dimension line: click it, type over it, Enter; Tab goes to the next. */
export function Value({ id, name, live, mm, x, y, size = false, onSet, children }: ValueProps) {
  const editing = useHand((hand) => hand.editing === id);
  return (
    <span
      data-dimension={id}
      className="absolute z-10 -translate-x-1/2 -translate-y-1/2 whitespace-nowrap"
      style={{ left: x, top: y }}
    >
      {editing ? (
        <LengthField
          name={name}
          mm={mm}
          unit={live.unit}
          refuse={size ? refuseSize : refuseFar}
          onSet={onSet}
          onLeave={leave}
          onNext={(back) => {
            goOn(id, back);
          }}
        />
      ) : (
        <button
          aria-label={`${name} ${showLength(mm, live.unit)}: change`}
          disabled={live.following}
          onClick={() => {
            useHand.setState({ editing: id });
          }}
          onPointerEnter={() => {
            useHand.setState({ over: id });
          }}
          onPointerLeave={() => {
            useHand.setState({ over: null });
          }}
          className={`measure px-1.5 leading-6 hover:bg-tape ${size ? 'bg-tape font-semibold' : 'bg-viewing'}`}
        >
          {showLength(mm, live.unit)}
          {children}
        </button>
      )}
    </span>
  );
}

function leave(): void {
  useHand.setState({ editing: null });
}

/** Opens the number after one, or before it, in the order in which they stand. */
function goOn(id: string, back: boolean): void {
  const all = [...document.querySelectorAll<HTMLElement>('[data-dimension]')].map(
    ({ dataset }) => dataset['dimension']!,
  );
  const at = all.indexOf(id);
  useHand.setState({ editing: all[(at + (back ? -1 : 1) + all.length) % all.length] ?? null });
}

/** The angle beside the hole that turns it, in degrees clockwise. */
export function AngleValue({
  live,
  rotation,
  x,
  y,
  onSet,
}: {
  live: Live;
  rotation: number;
  x: number;
  y: number;
  onSet: (radians: number) => void;
}) {
  const editing = useHand((hand) => hand.editing === 'angle');
  const degrees = (normalAngle(rotation) * 180) / Math.PI;
  const set = (text: string): boolean => {
    const typed = Number(text.replace(',', '.').replace(/−/g, '-').replace(/[°\s]/g, ''));
    if (text.trim() === '' || !Number.isFinite(typed)) return false;
    onSet(normalAngle((typed * Math.PI) / 180));
    return true;
  };
  return (
    <span
      data-dimension="angle"
      className="absolute z-10 -translate-x-full -translate-y-1/2"
      style={{ left: x, top: y }}
    >
      {editing ? (
        <input
          autoFocus
          aria-label="Angle in degrees"
          defaultValue={degrees.toFixed(1)}
          size={7}
          className="measure bg-tape px-1.5 text-on-tape outline-none"
          onFocus={(event) => {
            event.target.select();
          }}
          onBlur={leave}
          onKeyDown={(event) => {
            event.stopPropagation();
            if (event.key === 'Enter' && set(event.currentTarget.value)) leave();
            if (event.key === 'Tab' && set(event.currentTarget.value)) {
              event.preventDefault();
              goOn('angle', event.shiftKey);
            }
            if (event.key === 'Escape') leave();
          }}
        />
      ) : (
        <button
          aria-label={`Angle ${fixed(degrees, 1)} degrees: change`}
          disabled={live.following}
          onClick={() => {
            useHand.setState({ editing: 'angle' });
          }}
          className="measure bg-viewing/80 px-1 leading-6 hover:bg-tape"
        >
          {fixed(degrees, 1)}°
        </button>
      )}
    </span>
  );
}
