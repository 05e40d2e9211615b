'use client';
import { Toggle as Radix, ToggleGroup } from 'radix-ui';
import type { ComponentProps, MouseEvent, ReactNode } from 'react';
import { Hint } from './Hint';

/** A verb that stays on until it is pressed again. */
export function Toggle({
  pressed,
  onPress,
  ...button
}: Omit<ComponentProps<'button'>, 'onClick'> & {
  pressed: boolean;
  onPress: (on: boolean, event: MouseEvent) => void;
}) {
  return (
    <Radix.Root
      {...button}
      pressed={pressed}
      onClick={(event) => {
        onPress(!pressed, event);
      }}
    />
  );
}

export interface Segment<T extends string> {
  value: T;
  name: ReactNode;
  /** Its name for those who hear it, where `name` alone does not say it. */
  spoken?: string | undefined;
  hint?: string | undefined;
}

/** One of a few words in a row, always one of them; by arrow keys among themselves. */
export function Segments<T extends string>({
  label,
  value,
  choices,
  className = 'flex gap-3',
  onChange,
}: {
  label: string;
  value: T;
  choices: readonly Segment<T>[];
  className?: string;
  onChange: (value: T) => void;
}) {
  return (
    <ToggleGroup.Root
      type="single"
      aria-label={label}
      value={value}
      data-arrows
      className={className}
      onValueChange={(next) => {
        // Pressing what is chosen already would choose nothing.
        if (next !== '') onChange(next as T);
      }}
    >
      {choices.map(({ value: choice, name, spoken, hint }) => (
        <Hint key={choice} words={hint}>
          <ToggleGroup.Item value={choice} aria-label={spoken} className="chosen-word min-h-6 min-w-6">
            {name}
          </ToggleGroup.Item>
        </Hint>
      ))}
    </ToggleGroup.Root>
  );
}

/** A colour to choose, with a frame where it is chosen. */
export function Patch({ hex }: { hex: string }) {
  return <span className="patch block h-6 w-6 border border-ink" style={{ background: hex }} />;
}
