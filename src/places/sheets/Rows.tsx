'use client';
import type { ReactNode } from 'react';
import { showLength, type UnitSetting } from '@/core/length/show';
import { EditableLength } from '@/ui/LengthValue';

/** A number of the sheet with its name before it. */
export function Row({ name, children }: { name: string; children: ReactNode }) {
  return (
    <div className="flex min-h-[30px] items-baseline justify-between gap-3 border-b border-rule py-1">
      <span className="text-ink-2">{name}</span>
      {children}
    </div>
  );
}

/** A length that is typed over, within what makes sense of it. */
export function Length({
  name,
  mm,
  unit,
  most,
  least = 20,
  onSet,
}: {
  name: string;
  mm: number;
  unit: UnitSetting;
  most: number;
  least?: number;
  onSet: (mm: number) => void;
}) {
  return (
    <EditableLength
      name={name}
      mm={mm}
      unit={unit}
      className="measure bg-tape-pale px-1 text-on-tape hover:bg-tape"
      refuse={(value) =>
        value < least || value > most
          ? `Between ${showLength(least, unit)} and ${showLength(most, unit)}.`
          : null
      }
      onSet={onSet}
    />
  );
}
