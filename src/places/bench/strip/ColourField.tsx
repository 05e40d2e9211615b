'use client';
import { useId, useState } from 'react';
import { sayInks } from '@/core/colour/black';
import { rgbOf } from '@/core/colour/hex';
import { plainName } from '@/core/colour/names';
import { inksAt } from '@/core/colour/press';
import { readColour } from '@/core/colour/typed';
import { colourOfInks } from '@/state/engine/press';
import { towardsEdit } from '@/state/bench/save-queue';
import { useShop } from '@/state/shop/shop';
import { usePress } from '../live/usePress';
import { shownColour, type Live } from '../live/useLive';
import { Popup } from '@/ui/Popup';

/** Colours that are offered, at most. */
const MOST = 18;
/** Kept palettes that are offered, at most. */
const MOST_SETS = 4;

/** A colour that can be picked, typed, or taken from the artwork on this fit, from the product or from a kept palette. */
export function ColourField({
  live,
  name,
  colour,
  shown = true,
  onColour,
}: {
  live: Live;
  name: string;
  colour: string;
  /** Whether its name stands beside it, and is not only heard. */
  shown?: boolean;
  onColour: (colour: string) => void;
}) {
  const swatches = useShop((shop) => shop.swatches);
  const offered = offeredColours(live, [...swatches.values()]);
  const specId = live.blank.spec.id;
  const press = usePress(specId);
  const [wrong, setWrong] = useState<string | null>(null);
  const note = useId();
  const take = async (text: string) => {
    const typed = readColour(text);
    setWrong(typed.kind === 'wrong' ? typed.message : null);
    if (typed.kind === 'screen') onColour(typed.hex);
    if (typed.kind === 'inks') {
      const { inks } = typed;
      await towardsEdit(async () => {
        onColour(await colourOfInks(specId, inks));
      });
    }
  };
  return (
    <Popup
      trigger={
        <button
          className="flex min-h-6 min-w-6 items-center gap-1.5 whitespace-nowrap"
          aria-label={`${name} ${colour}: change`}
        >
          {shown && <span className="text-ink-2">{name.toLowerCase()}</span>}
          <span className="h-4 w-6 border border-ink" style={{ background: colour }} />
        </button>
      }
      className="w-[236px]"
    >
      {offered.map(({ from, colours }) => (
        <div key={from} className="mb-2">
          <p className="mb-1 text-xs text-ink-2">{from}</p>
          <div className="flex flex-wrap gap-1.5">
            {colours.map((hex) => (
              <button
                key={hex}
                aria-label={`${plainName(hex)} ${hex}`}
                onClick={() => {
                  onColour(hex);
                }}
                style={{ background: hex }}
                className={`h-6 w-7 border border-ink ${hex === colour ? 'outline-2 outline-offset-2 outline-thread' : ''}`}
              />
            ))}
          </div>
        </div>
      ))}
      <label className="flex items-center gap-2">
        typed
        <input
          key={colour}
          defaultValue={colour}
          aria-label={`${name}, typed`}
          aria-describedby={note}
          size={16}
          className="measure w-28 border-b border-ink bg-tape-pale px-1 text-on-tape"
          onKeyDown={(event) => {
            event.stopPropagation();
            if (event.key === 'Enter') void take(event.currentTarget.value);
          }}
        />
        <input
          type="color"
          aria-label={`${name}, picked`}
          value={colour}
          className="ml-auto h-6 w-10"
          onChange={(event) => {
            onColour(event.target.value);
          }}
        />
      </label>
      <p id={note} role="status" className={`measure mt-1.5 text-xs ${wrong ? 'text-fix' : 'text-ink-2'}`}>
        {wrong ?? (press ? sayInks(inksAt(press, rgbOf(colour))) : '')}
      </p>
    </Popup>
  );
}

function offeredColours(
  live: Live,
  kept: readonly { name: string; colours: readonly { hex: string }[] }[],
): { from: string; colours: string[] }[] {
  const art = [...new Set(live.artworks.flatMap(({ facts }) => facts.palette.map(({ hex }) => hex)))];
  const product = [shownColour(live), ...live.blank.blank.colours.map(({ hex }) => hex)];
  return [
    { from: 'of the artwork', colours: art.slice(0, MOST) },
    { from: 'of the product', colours: [...new Set([...product, '#ffffff', '#000000'])].slice(0, MOST) },
    ...kept.slice(0, MOST_SETS).map(({ name, colours }) => ({
      from: name,
      colours: [...new Set(colours.map(({ hex }) => hex))].slice(0, MOST),
    })),
  ].filter(({ colours }) => colours.length > 0);
}
