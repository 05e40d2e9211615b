'use client';
import { useState } from 'react';
import { mixed } from '@/core/colour/hex';
import type { Docket } from '@/core/check/docket';
import type { ProductColour } from '@/core/blank/schema';
import type { RuleId } from '@/core/check/finding';
import { ruleName } from '@/core/check/registry';
import { changeFit } from '@/state/bench';
import { useHand } from '@/state/hand';
import { VerdictShape, VERDICT_WORDS } from '@/ui/Verdict';
import { shownColour, type Live } from '../useLive';
import { ProductViews } from './ProductViews';
import { StickerProduct } from './StickerProduct';

/** The product with the fit on it: a strip of views beneath a wide face, a drawing beside a tall one. */
export function ProductPanel({ live, wide, docket }: { live: Live; wide: boolean; docket: Docket | null }) {
  const { body } = live.blank.blank;
  // Faces side by side want the room.
  const beside = useHand((hand) => hand.allFaces) && live.blank.faces.length > 1;
  const [between, setBetween] = useState<string | null>(null);
  const colour = between ?? shownColour(live);
  return (
    <section
      aria-label="Product"
      className={`relative flex shrink-0 flex-col border-viewing-rule ${wide ? 'h-[38%] border-t' : beside ? 'w-[28%] border-l' : 'w-[42%] border-l'}`}
    >
      {body.kind === 'sticker' && !body.several ? (
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
  const settle = () => {
    const { id } = states[Math.round(at / 100)]!;
    setAt(Math.round(at / 100) * 100);
    onBetween(null);
    void changeFit((so) => ({ ...so, stateId: id }));
  };
  return (
    <input
      type="range"
      min={0}
      max={last * 100}
      value={at}
      aria-label={`From ${states[0]!.name} to ${states[last]!.name}`}
      className="h-6 w-24 accent-viewing-thread"
      data-arrows
      onChange={(event) => {
        const value = Number(event.target.value);
        const from = Math.min(last - 1, Math.floor(value / 100));
        setAt(value);
        onBetween(mixed(states[from]!.hex, states[from + 1]!.hex, value / 100 - from));
      }}
      onPointerUp={settle}
      onKeyUp={settle}
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
      className="flex shrink-0 flex-wrap items-center gap-x-1.5 gap-y-1 border-t border-viewing-rule px-3 py-1 text-sm"
      role="group"
      aria-label={label}
    >
      {choices.map(({ id, name, hex }) => {
        const verdict = docket?.looks.find((look) => look.id === id)?.verdict;
        return (
          <button
            key={id}
            aria-label={name}
            aria-pressed={id === chosenId}
            title={verdict ? `${name}: ${VERDICT_WORDS[verdict]}` : name}
            onClick={() => {
              onChoose(id);
            }}
            className="flex min-h-6 items-center gap-0.5 pr-1"
          >
            <span
              style={{ background: hex }}
              className={`h-6 w-6 border border-viewing-ink ${id === chosenId ? 'outline-2 outline-offset-2 outline-viewing-thread' : ''}`}
            />
            {verdict && verdict !== 'ready' && <VerdictShape verdict={verdict} size={9} />}
          </button>
        );
      })}
      <span className="ml-1 whitespace-nowrap">{chosen?.name}</span>
      {children}
      {outcome && outcome.why.length > 0 && (
        <span className="ml-1 min-w-0 truncate" title={failing(outcome.why)}>
          {VERDICT_WORDS[outcome.verdict]}: {failing(outcome.why)}
        </span>
      )}
    </div>
  );
}

/** Rules by what the docket calls them. */
function failing(ids: readonly string[]): string {
  return ids.map((id) => ruleName(id as RuleId)).join(', ');
}
