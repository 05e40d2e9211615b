'use client';
import { useState } from 'react';
import type { ResolvedBlank } from '@/core/blank/resolve';
import { parseLength } from '@/core/length/parse';
import { showLength } from '@/core/length/show';
import { changeBlank } from '@/state/shop/blanks';
import { useShop } from '@/state/shop/shop';
import { Fold } from '@/ui/Fold';
import { Select } from '@/ui/Select';

/** Splits a face into equal or typed panels: centres to aim at, never printed. */
export function SplitField({ resolved }: { resolved: ResolvedBlank }) {
  const { blank, faces } = resolved;
  const { unit } = useShop((shop) => shop.settings);
  const [faceId, setFaceId] = useState(faces[0]!.id);
  const [text, setText] = useState('');
  const face = faces.find(({ id }) => id === faceId) ?? faces[0]!;
  const split = blank.splits.find((one) => one.faceId === face.id);
  const panels = text.trim() === '' ? null : readPanels(text, face.width, unit.unit);
  const keep = (next: typeof blank.splits) => {
    setText('');
    void changeBlank(blank, { splits: next });
  };
  const others = blank.splits.filter((one) => one.faceId !== face.id);
  return (
    <Fold className="mt-4 text-sm" title={`Panels${split ? `: ${split.panels.length}` : ''}`}>
      {faces.length > 1 && (
        <Select
          label="Face to split"
          value={face.id}
          choices={faces.map(({ id, name }) => [id, name])}
          onChange={setFaceId}
          className="mt-1.5 w-full"
        />
      )}
      <label className="mt-1.5 block text-ink-2">
        How many, or their widths with commas between
        <input
          aria-label="Panels"
          value={text}
          placeholder={split ? split.panels.map(({ width }) => showLength(width, unit)).join('; ') : '3'}
          onChange={(event) => {
            setText(event.target.value);
          }}
          className="measure mt-0.5 w-full border-b border-ink bg-tape-pale px-1.5 py-1 text-on-tape placeholder:text-on-tape/75"
        />
      </label>
      {panels && !panels.ok && (
        <p role="alert" className="text-fix">
          {panels.message}
        </p>
      )}
      <p className="mt-1 flex gap-4">
        <button
          className="verb"
          disabled={!panels?.ok}
          onClick={() => {
            if (panels?.ok) keep([...others, { faceId: face.id, panels: panels.panels }]);
          }}
        >
          Split {face.name.toLowerCase()}
        </button>
        {split && (
          <button
            className="verb"
            onClick={() => {
              keep(others);
            }}
          >
            Back to its own zones
          </button>
        )}
      </p>
    </Fold>
  );
}

type Panels = { ok: true; panels: { name: string; width: number }[] } | { ok: false; message: string };

/** `3`, or widths divided by `;` or a comma and a space; what typed widths leave over is the last panel. */
function readPanels(text: string, whole: number, unit: 'mm' | 'in'): Panels {
  const name = (index: number) => `panel ${index + 1}`;
  const count = /^\s*(\d{1,2})\s*$/.exec(text);
  if (count) {
    const n = Number(count[1]);
    if (n < 2 || n > 24) return { ok: false, message: 'Between 2 and 24 panels.' };
    return { ok: true, panels: Array.from({ length: n }, (_, i) => ({ name: name(i), width: whole / n })) };
  }
  const widths: number[] = [];
  for (const part of text.split(/;|,\s+/).filter((one) => one.trim() !== '')) {
    const length = parseLength(part, { unit });
    if (!length.ok) return length;
    if (length.mm <= 0) return { ok: false, message: 'A panel’s width is above zero.' };
    widths.push(length.mm);
  }
  const used = widths.reduce((sum, width) => sum + width, 0);
  if (used > whole + 0.05) {
    return { ok: false, message: `The panels take ${showLength(used)} of ${showLength(whole)}.` };
  }
  if (whole - used > 0.05) widths.push(whole - used);
  return { ok: true, panels: widths.map((width, i) => ({ name: name(i), width })) };
}
