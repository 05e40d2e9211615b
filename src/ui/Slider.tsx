'use client';
import { Slider as Radix } from 'radix-ui';

interface Props {
  label: string;
  /** What the value means, for those who hear it. */
  words?: string;
  value: number;
  min?: number;
  max: number;
  step: number;
  className?: string;
  onChange: (value: number) => void;
  /** Once the hand lets go. */
  onSettle?: (value: number) => void;
}

/** A number drawn along a scale; the hand holds a needle over it. Keys work it too. */
export function Slider({
  label,
  words,
  value,
  min = 0,
  max,
  step,
  className = '',
  onChange,
  onSettle,
}: Props) {
  return (
    <Radix.Root
      value={[value]}
      min={min}
      max={max}
      step={step}
      data-arrows
      onValueChange={([next]) => {
        if (next !== undefined) onChange(next);
      }}
      onValueCommit={([next]) => {
        if (next !== undefined) onSettle?.(next);
      }}
      className={`relative flex h-6 touch-none select-none items-center ${className}`}
    >
      <Radix.Track className="relative h-2 grow border-b border-ink bg-[repeating-linear-gradient(90deg,var(--ink)_0_1px,transparent_1px_10%)]">
        <Radix.Range className="absolute bottom-[-2px] h-[3px] bg-thread" />
      </Radix.Track>
      <Radix.Thumb
        aria-label={label}
        aria-valuetext={words}
        className="block h-6 w-6 cursor-ew-resize bg-[linear-gradient(90deg,transparent_10px,var(--thread)_10px_14px,transparent_14px)]"
      />
    </Radix.Root>
  );
}
