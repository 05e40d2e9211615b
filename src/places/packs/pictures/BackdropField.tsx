import { useState } from 'react';
import { readColour } from '@/core/colour/typed';
import { Field } from '@/ui/Field';

/** The backdrop's colour: the scene's own, one of the artwork's, or typed. */
export function BackdropField({
  palette,
  value,
  onChange,
}: {
  palette: readonly string[];
  value: string | null;
  onChange: (hex: string | null) => void;
}) {
  const [typed, setTyped] = useState('');
  const read = typed.trim() === '' ? null : readColour(typed);
  const trouble =
    read?.kind === 'wrong'
      ? read.message
      : read?.kind === 'inks'
        ? 'A backdrop is on a screen: type it as #rrggbb.'
        : null;
  return (
    <>
      <Field
        label="Backdrop"
        words
        value={typed}
        placeholder={value ?? 'the scene’s own'}
        trouble={trouble}
        onChange={(text) => {
          setTyped(text);
          const next = readColour(text);
          if (text.trim() === '') onChange(null);
          else if (next.kind === 'screen') onChange(next.hex);
        }}
      />
      <div role="group" aria-label="Backdrop from the artwork" className="flex flex-wrap gap-1.5 pt-1.5">
        <button
          aria-pressed={value === null}
          className={`text-sm ${value === null ? 'font-semibold underline underline-offset-4' : ''}`}
          onClick={() => {
            setTyped('');
            onChange(null);
          }}
        >
          own
        </button>
        {palette.map((hex) => (
          <button
            key={hex}
            aria-label={hex}
            title={hex}
            aria-pressed={value === hex}
            style={{ background: hex }}
            className={`h-6 w-6 border border-ink ${value === hex ? 'outline-2 outline-offset-2 outline-thread' : ''}`}
            onClick={() => {
              setTyped(hex);
              onChange(hex);
            }}
          />
        ))}
      </div>
    </>
  );
}
