'use client';
import { useId, useState } from 'react';
import type { StepOf } from '@/core/artwork/steps';

/** Offers to clear the flat colour an artwork lies on: how alike a colour must be, and what of shut-in parts. */
export function ClearBackground({
  colour,
  disabled,
  onClear,
}: {
  colour: string;
  disabled: boolean;
  onClear: (step: StepOf<'clear'>) => void;
}) {
  const [tolerance, setTolerance] = useState(8);
  const [islands, setIslands] = useState<'keep' | 'clear'>('keep');
  const id = useId();
  return (
    <div className="mt-2 border-y border-rule py-1.5 text-sm">
      <p className="flex items-center gap-2">
        <span aria-hidden className="size-3.5 border border-ink" style={{ background: colour }} />
        <span className="grow">
          Background <span className="measure">{colour}</span>
        </span>
        <button
          className="verb"
          disabled={disabled}
          onClick={() => {
            onClear({ kind: 'clear', colour, tolerance, islands });
          }}
        >
          Clear it
        </button>
      </p>
      <p className="flex items-center gap-2 pt-1">
        <label htmlFor={id} className="whitespace-nowrap">
          Colours within
        </label>
        <input
          id={id}
          type="range"
          min={1}
          max={40}
          value={tolerance}
          onChange={(event) => {
            setTolerance(Number(event.target.value));
          }}
          className="w-20 accent-thread"
        />
        <span className="measure w-8">{tolerance} %</span>
        <label className="ml-auto flex items-center gap-1.5 whitespace-nowrap">
          <input
            type="checkbox"
            checked={islands === 'clear'}
            onChange={(event) => {
              setIslands(event.target.checked ? 'clear' : 'keep');
            }}
          />
          islands too
        </label>
      </p>
    </div>
  );
}
