'use client';
import type { UnitSetting } from '@/core/length/show';
import { EditableLength } from '@/ui/LengthValue';
import { Hint } from '@/ui/Hint';

interface Props {
  name: string;
  mm: number;
  unit: UnitSetting;
  /** Where the number comes from; `assumed` stands out. */
  source?: string;
  refuse?: (mm: number) => string | null;
  onSet: (mm: number) => void;
}

/** One number of a blank: click it, type another, Enter. */
export function NumberRow({ name, mm, unit, source, refuse, onSet }: Props) {
  return (
    <div className="flex items-baseline justify-between gap-3 border-b border-rule py-[3px]">
      <Hint words={name}>
        <dt className="min-w-0 truncate text-ink-2">
          {name}
          {source && <span className={source === 'assumed' ? ' text-look' : ''}> · {source}</span>}
        </dt>
      </Hint>
      <dd className="shrink-0 font-semibold">
        <EditableLength
          name={name}
          mm={mm}
          unit={unit}
          refuse={refuse}
          onSet={onSet}
          className="min-h-6 min-w-6 underline decoration-rule decoration-dotted underline-offset-4 hover:decoration-ink"
        />
      </dd>
    </div>
  );
}
