'use client';
import { useState } from 'react';
import type { ResolvedBlank } from '@/core/blank/resolve';
import { freeIdAmong } from '@/core/pack/names';
import { changeBlank } from '@/state/shop/blanks';
import { Fold } from '@/ui/Fold';

/** The colours the product comes in: the print is seen and checked on them. */
export function ColourList({ resolved }: { resolved: ResolvedBlank }) {
  const { blank } = resolved;
  const [name, setName] = useState('');
  const [hex, setHex] = useState('#1c2531');
  const add = () => {
    const id = freeIdAmong(
      name,
      blank.colours.map((one) => one.id),
    );
    void changeBlank(blank, { colours: [...blank.colours, { id, name: name.trim(), hex }] });
    setName('');
  };
  return (
    <Fold
      className="mt-4 text-sm"
      title={`Colours: ${blank.colours.length}${blank.states.length > 0 ? `, states: ${blank.states.map((state) => state.name).join(', ')}` : ''}`}
    >
      <ul>
        {blank.colours.map((colour) => (
          <li key={colour.id} className="flex items-center gap-3 border-b border-rule py-[3px]">
            <span className="h-4 w-4 border border-ink" style={{ background: colour.hex }} />
            <span className="grow">{colour.name}</span>
            <span className="measure text-ink-2">{colour.hex}</span>
            {blank.colours.length > 1 && (
              <button
                aria-label={`Take ${colour.name} off`}
                className="verb"
                onClick={() =>
                  void changeBlank(blank, { colours: blank.colours.filter(({ id }) => id !== colour.id) })
                }
              >
                Take off
              </button>
            )}
          </li>
        ))}
      </ul>
      <div className="flex items-center gap-2 pt-1.5">
        <input
          type="color"
          aria-label="New colour"
          value={hex}
          onChange={(event) => {
            setHex(event.target.value);
          }}
          className="h-7 w-9 border border-rule bg-docket"
        />
        <input
          aria-label="Name of the new colour"
          placeholder="Its name"
          value={name}
          maxLength={60}
          onChange={(event) => {
            setName(event.target.value);
          }}
          className="min-w-0 grow border border-rule bg-docket px-2 py-1"
        />
        <button className="verb" disabled={name.trim() === ''} onClick={add}>
          Add
        </button>
      </div>
    </Fold>
  );
}
