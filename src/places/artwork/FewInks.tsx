'use client';
import { useState } from 'react';
import type { Step, StepOf } from '@/core/artwork/steps';
import { fewColours } from '@/core/colour/few';
import { darkestOf } from '@/core/colour/palette';
import { widthOf } from '@/state/artwork/renditions';
import { useShop } from '@/state/shop/shop';
import { Fold } from '@/ui/Fold';
import { LengthValue } from '@/ui/LengthValue';
import { Select } from '@/ui/Select';
import { Slider } from '@/ui/Slider';
import type { Artwork } from './types';

const PARTS = [
  ['grain', 'in grains'],
  ['dark', 'its dark parts'],
  ['light', 'its light parts'],
] as const;

/** mm of a grain at first. */
const GRAIN = 3;

/** Steps that make an artwork one of few inks: fewer colours, a line round everything, wear that lets the product show. */
export function FewInks({
  artwork,
  disabled,
  onStep,
}: {
  artwork: Artwork;
  disabled: boolean;
  onStep: (said: string, step: Step) => void;
}) {
  const { facts } = artwork;
  const unit = useShop((shop) => shop.settings.unit);
  const colours = facts.palette;
  const most = Math.min(8, colours.length);
  const [count, setCount] = useState(String(Math.max(1, Math.min(3, most))));
  const [line, setLine] = useState(1);
  const [part, setPart] = useState<StepOf<'wear'>['part']>('grain');
  const [strength, setStrength] = useState(0.2);
  const wide = widthOf(facts);
  if (colours.length === 0) return null;
  return (
    <Fold title="Few inks and wear" ruled={false} className="mt-2 text-sm">
      <p className="flex items-center gap-2 border-b border-rule py-1.5">
        <span className="grow">In few inks, crisp</span>
        <Select
          label="How many inks"
          value={count}
          choices={Array.from({ length: most }, (_, i) => [
            String(i + 1),
            i === 0 ? 'one ink' : `${i + 1} inks`,
          ])}
          onChange={setCount}
        />
        <button
          className="verb"
          disabled={disabled}
          onClick={() => {
            onStep('Put into few inks', {
              kind: 'inks',
              inks: fewColours(colours, Number(count)),
              open: [],
              least: 0,
            });
          }}
        >
          Put into them
        </button>
      </p>
      <p className="flex items-center gap-2 border-b border-rule py-1.5">
        <LengthValue
          name="Line round it"
          mm={line}
          unit={unit}
          refuse={(mm) =>
            mm <= 0 || mm > wide / 4 ? 'More than 0, and at most a quarter of its width.' : null
          }
          onSet={setLine}
        >
          a line of
        </LengthValue>
        <span className="grow" />
        <button
          className="verb"
          disabled={disabled}
          onClick={() => {
            onStep('A line lies round it', { kind: 'line', colour: darkestOf(colours), width: line / wide });
          }}
        >
          Lay it round everything
        </button>
      </p>
      <p className="flex items-center gap-2 border-b border-rule py-1.5">
        <Select label="What is worn" value={part} choices={PARTS} onChange={setPart} />
        <Slider
          label="How much is worn"
          words={`${Math.round(strength * 100)} %`}
          value={strength}
          max={0.8}
          min={0.05}
          step={0.05}
          className="grow"
          onChange={setStrength}
        />
        <button
          className="verb whitespace-nowrap"
          disabled={disabled}
          onClick={() => {
            onStep('Worn', { kind: 'wear', part, strength, grain: Math.min(1, GRAIN / wide) });
          }}
        >
          Wear it
        </button>
      </p>
    </Fold>
  );
}
