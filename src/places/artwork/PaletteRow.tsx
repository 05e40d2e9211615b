'use client';
import { useState } from 'react';
import { showInks } from '@/core/colour/swatches';
import type { Cmyk, PaletteColour } from '@/core/colour/palette';
import { fixed } from '@/core/length/show';
import { Tick } from '@/ui/Checkbox';

export interface Named extends PaletteColour {
  name: string;
}

interface Props {
  colour: Named;
  inks: Cmyk | null;
  marked: boolean;
  onMark: (on: boolean) => void;
  onName: (name: string) => void;
  /** Prints the colour as another; null where that cannot be. */
  onRecolour: ((to: string) => void) | null;
}

/** One colour: a patch, its name, hex, inks and share. */
export function PaletteRow({ colour, inks, marked, onMark, onName, onRecolour }: Props) {
  const [changing, setChanging] = useState(false);
  const { hex, name, share } = colour;
  return (
    <li className="border-b border-rule py-1 text-sm">
      <div className="flex items-center gap-2">
        <Tick label={`Mark ${name} ${hex}`} checked={marked} onChange={onMark} />
        <span aria-hidden className="h-8 w-9 shrink-0 border border-rule" style={{ background: hex }} />
        <span className="min-w-0 grow">
          <input
            value={name}
            aria-label={`Name of ${hex}`}
            onChange={(event) => {
              onName(event.target.value);
            }}
            className="w-full border-b border-transparent bg-transparent font-semibold hover:border-rule focus:border-ink"
          />
          <span className="measure block text-ink-2">
            {hex} · CMYK {inks ? showInks(inks) : '…'}
          </span>
        </span>
        <span className="text-right">
          <span className="measure block font-semibold">{fixed(share * 100, 1)} %</span>
          {onRecolour && (
            <button
              className="verb"
              aria-label={`Recolour ${name} ${hex}`}
              aria-expanded={changing}
              onClick={() => {
                setChanging(!changing);
              }}
            >
              Recolour
            </button>
          )}
        </span>
      </div>
      {changing && onRecolour && (
        <NewColour
          hex={hex}
          onSet={(to) => {
            setChanging(false);
            onRecolour(to);
          }}
        />
      )}
    </li>
  );
}

/** Another colour, typed or picked. */
function NewColour({ hex, onSet }: { hex: string; onSet: (to: string) => void }) {
  const [text, setText] = useState(hex);
  const wanted = /^#?([0-9a-f]{6})$/i.exec(text.trim())?.[1]?.toLowerCase();
  return (
    <form
      className="flex items-center gap-2 py-1 pl-6"
      onSubmit={(event) => {
        event.preventDefault();
        if (wanted) onSet(`#${wanted}`);
      }}
    >
      <input
        type="color"
        value={wanted ? `#${wanted}` : hex}
        aria-label={`Pick a colour for ${hex}`}
        onChange={(event) => {
          setText(event.target.value);
        }}
        className="h-7 w-9"
      />
      <input
        autoFocus
        value={text}
        aria-label={`New colour for ${hex}`}
        aria-invalid={!wanted}
        onChange={(event) => {
          setText(event.target.value);
        }}
        className="measure w-24 border-b-2 border-ink bg-docket px-1"
      />
      <button className="verb" disabled={!wanted || `#${wanted}` === hex}>
        Use this colour
      </button>
      {!wanted && <span className="text-fix">six digits, like #0b5563</span>}
    </form>
  );
}
