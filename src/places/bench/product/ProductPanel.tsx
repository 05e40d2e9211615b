'use client';
import { useState } from 'react';
import { mixed } from '@/core/colour/hex';
import type { Docket } from '@/core/check/docket';
import type { ProductColour } from '@/core/blank/schema';
import type { RuleId } from '@/core/check/finding';
import { ruleName } from '@/core/check/registry';
import { changeFit } from '@/state/bench/open-fit';
import { useHand } from '@/state/bench/hand';
import { VerdictShape, VERDICT_WORDS } from '@/ui/Verdict';
import { shownColour, type Live } from '../live/useLive';
import { ProductViews } from './ProductViews';
import { StickerProduct } from './StickerProduct';
import { Slider } from '@/ui/Slider';
import { Hint } from '@/ui/Hint';
import { Patch, Segments } from '@/ui/Toggle';
import { aspectsOf } from '@/core/blank/kinds';

/** The product with the fit on it: a strip of views beneath a wide face, a drawing beside a tall one. */
export function ProductPanel({ live, wide, docket }: { live: Live; wide: boolean; docket: Docket | null }) {
  const { sticker } = aspectsOf(live.blank.blank.body);
  // Faces side by side want the room.
  const beside = useHand((hand) => hand.allFaces) && live.blank.faces.length > 1;
  const [between, setBetween] = useState<string | null>(null);
  const colour = between ?? shownColour(live);
  return (
    <section
      aria-label="Product"
      className={`relative flex shrink-0 flex-col border-viewing-rule ${wide ? 'h-[38%] border-t' : beside ? 'w-[28%] border-l' : 'w-[42%] border-l'}`}
    >
      {sticker && !sticker.several ? (
        <StickerProduct live={live} />
      ) : (
        <ProductViews key={live.blank.blank.id} live={live} wide={wide} colour={colour} />
      )}
      <Colours live={live} docket={docket} onBetween={setBetween} />
    </section>
  );
}

interface ColoursProps {
  live: Live;
  docket: Docket | null;
  /** A colour between two states, while the product warms up. */
  onBetween: (hex: string | null) => void;
}

function Colours({ live, docket, onBetween }: ColoursProps) {
  const { colours, states } = live.blank.blank;
  const { fit } = live;
  if (states.length > 0) {
    const shown = fit.stateId ?? states[0]!.id;
    return (
      <Swatches
        label="State of the product"
        choices={states}
        chosenId={shown}
        docket={docket}
        onChoose={(stateId) => {
          onBetween(null);
          void changeFit((so) => ({ ...so, stateId }));
        }}
      >
        <Warmth key={shown} states={states} shown={shown} onBetween={onBetween} />
      </Swatches>
    );
  }
  if (colours.length < 2) return null;
  return (
    <Swatches
      label="Product colour"
      choices={colours}
      chosenId={fit.colourId}
      docket={docket}
      onChoose={(colourId) => void changeFit((so) => ({ ...so, colourId }))}
    />
  );
}

/** From the first state to the last, as the product warms up: let go near one, it is that state. */
function Warmth({
  states,
  shown,
  onBetween,
}: {
  states: readonly ProductColour[];
  shown: string;
  onBetween: (hex: string | null) => void;
}) {
  const last = states.length - 1;
  const [at, setAt] = useState(states.findIndex(({ id }) => id === shown) * 100);
  if (last < 1) return null;
  const settle = (value: number) => {
    const { id } = states[Math.round(value / 100)]!;
    setAt(Math.round(value / 100) * 100);
    onBetween(null);
    void changeFit((so) => ({ ...so, stateId: id }));
  };
  return (
    <Slider
      label={`From ${states[0]!.name} to ${states[last]!.name}`}
      max={last * 100}
      step={1}
      value={at}
      className="w-24"
      onChange={(value) => {
        const from = Math.min(last - 1, Math.floor(value / 100));
        setAt(value);
        onBetween(mixed(states[from]!.hex, states[from + 1]!.hex, value / 100 - from));
      }}
      onSettle={settle}
    />
  );
}

interface SwatchesProps {
  label: string;
  choices: readonly ProductColour[];
  chosenId: string;
  docket: Docket | null;
  onChoose: (id: string) => void;
  children?: React.ReactNode;
}

/** What the product may look like, how the fit does on each, and the one that is shown. */
function Swatches({ label, choices, chosenId, docket, onChoose, children }: SwatchesProps) {
  const chosen = choices.find(({ id }) => id === chosenId);
  const outcome = docket?.looks.find(({ id }) => id === chosenId);
  return (
    <div
      role="group"
      aria-label={label}
      className="flex shrink-0 flex-wrap items-center gap-x-1.5 gap-y-1 border-t border-viewing-rule px-3 py-1 text-sm"
    >
      <Segments
        label={label}
        value={chosenId}
        choices={choices.map(({ id, name, hex }) => {
          const verdict = docket?.looks.find((look) => look.id === id)?.verdict;
          return {
            value: id,
            name: (
              <>
                <Patch hex={hex} />
                {/* Its room is kept: what one is about to press must not move when a verdict comes. */}
                <span className="block w-[9px]">
                  {verdict && verdict !== 'ready' && <VerdictShape verdict={verdict} size={9} />}
                </span>
              </>
            ),
            spoken: name,
            hint: verdict ? `${name}: ${VERDICT_WORDS[verdict]}` : name,
          };
        })}
        className="flex flex-wrap items-center gap-x-2.5 gap-y-1 [&>*]:flex [&>*]:items-center [&>*]:gap-0.5"
        onChange={onChoose}
      />
      <span className="ml-1 whitespace-nowrap">{chosen?.name}</span>
      {children}
      {outcome && outcome.why.length > 0 && (
        <Hint words={failing(outcome.why)}>
          <span className="ml-1 min-w-0 truncate">
            {VERDICT_WORDS[outcome.verdict]}: {failing(outcome.why)}
          </span>
        </Hint>
      )}
    </div>
  );
}

/** Rules by what the docket calls them. */
function failing(ids: readonly string[]): string {
  return ids.map((id) => ruleName(id as RuleId)).join(', ');
}
