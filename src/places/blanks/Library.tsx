'use client';
import { memo, useState } from 'react';
import { KINDS } from '@/core/blank/kinds';
import { trimSize, type ResolvedBlank } from '@/core/blank/resolve';
import { assumedAmong, SPEC_NUMBERS } from '@/core/blank/questions';
import { showLength, showSize, type UnitSetting } from '@/core/length/show';
import { useShop } from '@/state/shop/shop';
import { BlankDrawing, drawingSize } from '@/ui/flat/BlankDrawing';
import { Checkbox } from '@/ui/Checkbox';
import { Hint } from '@/ui/Hint';
import { Toggle } from '@/ui/Toggle';

/** Scales the library can be drawn at, in px a mm: from a whole banner to a small sticker. */
const SCALES = [0.14, 0.3, 0.5, 0.8, 1.2];

interface Props {
  blanks: readonly ResolvedBlank[];
  chosenId: string | null;
  compared: readonly string[];
  onChoose: (id: string) => void;
  onCompare: (id: string) => void;
}

/** Every blank drawn to one scale, those of a kind together; a strip of tape says how long 100 mm is. */
export function Library({ blanks, chosenId, compared, onChoose, onCompare }: Props) {
  const unit = useShop((shop) => shop.settings.unit);
  const [step, setStep] = useState(1);
  const perMm = SCALES[step]!;
  const kinds = [...new Set(blanks.map(({ blank }) => blank.body.kind))];
  if (blanks.length === 0) {
    return (
      <p className="grow bg-viewing p-6 text-viewing-ink">
        No blank matches. Clear the search, or measure the thing you have.
      </p>
    );
  }
  return (
    <div className="relative flex min-h-0 grow flex-col bg-viewing text-viewing-ink">
      <div data-library className="min-h-0 grow overflow-auto">
        {kinds.map((kind) => (
          <section
            key={kind}
            aria-label={KINDS[kind].name}
            className="border-b border-viewing-rule px-4 pb-4 pt-2"
          >
            <h2 className="text-sm font-semibold">{KINDS[kind].name}</h2>
            <ul className="flex flex-wrap items-end gap-x-5 gap-y-4 pt-2">
              {blanks
                .filter(({ blank }) => blank.body.kind === kind)
                .map((resolved) => (
                  <BlankCell
                    key={resolved.blank.id}
                    resolved={resolved}
                    perMm={perMm}
                    unit={unit}
                    chosen={chosenId === resolved.blank.id}
                    compared={compared.includes(resolved.blank.id)}
                    onChoose={onChoose}
                    onCompare={onCompare}
                  />
                ))}
            </ul>
          </section>
        ))}
      </div>
      <ScaleTape perMm={perMm} unit={unit} step={step} onStep={setStep} />
    </div>
  );
}

/** The one scale of all drawings, on a piece of tape, and the way to another. */
function ScaleTape({
  perMm,
  unit,
  step,
  onStep,
}: {
  perMm: number;
  unit: UnitSetting;
  step: number;
  onStep: (step: number) => void;
}) {
  const mm = unit.unit === 'mm' ? 100 : 4 * 25.4;
  return (
    <div className="flex shrink-0 items-center justify-end gap-3 border-t border-rule bg-docket px-6 py-1 text-sm text-ink">
      <span
        aria-hidden
        className="measure flex h-5 items-center justify-center bg-tape text-xs text-on-tape"
        style={{ width: mm * perMm }}
      />
      <span className="measure">{showLength(mm, unit)}, all to this scale</span>
      <button
        className="verb"
        disabled={step === 0}
        onClick={() => {
          onStep(step - 1);
        }}
      >
        Smaller
      </button>
      <button
        className="verb"
        disabled={step === SCALES.length - 1}
        onClick={() => {
          onStep(step + 1);
        }}
      >
        Larger
      </button>
    </div>
  );
}

interface CellProps {
  resolved: ResolvedBlank;
  perMm: number;
  unit: UnitSetting;
  chosen: boolean;
  compared: boolean;
  onChoose: (id: string) => void;
  onCompare: (id: string) => void;
}

const BlankCell = memo(function BlankCell(props: CellProps) {
  const { resolved, perMm, unit, chosen, compared, onChoose, onCompare } = props;
  const { blank, faces, method } = resolved;
  const trim = trimSize(faces[0]!);
  const toAsk = assumedAmong(resolved, SPEC_NUMBERS).length;
  return (
    <li
      className="group relative flex flex-col justify-end"
      style={{ width: Math.max(138, drawingSize(resolved).width * perMm + 4) }}
    >
      <Toggle
        aria-label={`${blank.name}, ${showSize(trim.width, trim.height, unit)}`}
        pressed={chosen}
        data-blank={blank.id}
        onPress={() => {
          onChoose(blank.id);
        }}
        className={`block text-left outline-offset-4 ${chosen ? 'outline-2 outline-viewing-thread' : ''}`}
      >
        <BlankDrawing resolved={resolved} perMm={perMm} />
        <Hint words={blank.name}>
          <span className="mt-1.5 block truncate font-semibold">{blank.name}</span>
        </Hint>
        <span className="measure block truncate text-sm text-viewing-ink-2">
          {showSize(trim.width, trim.height, unit)}
          {toAsk > 0 && ` · ${toAsk} to ask`}
        </span>
        <span className="block truncate pr-16 text-xs text-viewing-ink-2">{method.name}</span>
      </Toggle>
      <Checkbox
        spoken={`Compare ${blank.name}`}
        checked={compared}
        onChange={() => {
          onCompare(blank.id);
        }}
        className={`absolute bottom-0 right-0 text-xs ${compared ? '' : 'opacity-0 focus-within:opacity-100 group-hover:opacity-100'}`}
      >
        compare
      </Checkbox>
    </li>
  );
});
