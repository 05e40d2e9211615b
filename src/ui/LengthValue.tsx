'use client';
import { useState, type ReactNode } from 'react';
import { showLength, type UnitSetting } from '@/core/length/show';
import { LengthField } from './LengthField';

interface Props {
  name: string;
  /** Null where it is not set. */
  mm: number | null;
  /** What stands there where it is not set. */
  none?: string;
  unit: UnitSetting;
  refuse?: ((mm: number) => string | null) | undefined;
  onSet: (mm: number) => void;
  children?: ReactNode;
}

/** A length in a line of words that can be typed over where it stands. */
export function LengthValue({ children, ...length }: Props) {
  return (
    <span className="flex items-center gap-1 whitespace-nowrap">
      <span className="text-ink-2">{children}</span>
      <EditableLength {...length} className="measure bg-tape-pale px-1 text-on-tape hover:bg-tape" />
    </span>
  );
}

/** The length alone: a button that becomes the field it is typed in. */
export function EditableLength({
  name,
  mm,
  none = 'none',
  unit,
  refuse,
  onSet,
  className,
}: Omit<Props, 'children'> & { className: string }) {
  const [editing, setEditing] = useState(false);
  const shown = mm === null ? none : showLength(mm, unit);
  if (!editing) {
    return (
      <button
        aria-label={`${name} ${shown}: change`}
        className={className}
        onClick={() => {
          setEditing(true);
        }}
      >
        {shown}
      </button>
    );
  }
  return (
    <LengthField
      name={name}
      mm={mm ?? 0}
      unit={unit}
      refuse={refuse}
      onSet={onSet}
      onLeave={() => {
        setEditing(false);
      }}
    />
  );
}
