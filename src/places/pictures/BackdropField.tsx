import { useState } from 'react';
import { readColour } from '@/core/colour/typed';
import { Field } from '@/ui/Field';
import { Patch, Segments } from '@/ui/Toggle';

/** No colour of one's own, but the scene's. */
const OWN = 'own';

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
      <Segments
        label="Backdrop from the artwork"
        value={value ?? OWN}
        choices={[
          { value: OWN, name: 'own' },
          ...palette.map((hex) => ({ value: hex, name: <Patch hex={hex} />, spoken: hex, hint: hex })),
        ]}
        className="flex flex-wrap gap-2 pt-1.5 text-sm"
        onChange={(hex) => {
          setTyped(hex === OWN ? '' : hex);
          onChange(hex === OWN ? null : hex);
        }}
      />
    </>
  );
}
