'use client';
import { useState } from 'react';
import type { StepOf } from '@/core/artwork/steps';
import { Slider } from '@/ui/Slider';
import { Checkbox } from '@/ui/Checkbox';

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
      <div className="flex items-center gap-2 pt-1">
        <span className="whitespace-nowrap">Colours within</span>
        <Slider
          label="Colours within"
          words={`${tolerance} %`}
          min={1}
          max={40}
          step={1}
          value={tolerance}
          onChange={setTolerance}
          className="w-20"
        />
        <span className="measure w-8">{tolerance} %</span>
        <Checkbox
          checked={islands === 'clear'}
          onChange={(on) => {
            setIslands(on ? 'clear' : 'keep');
          }}
          className="ml-auto whitespace-nowrap"
        >
          islands too
        </Checkbox>
      </div>
    </div>
  );
}
