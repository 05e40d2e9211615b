'use client';
import { useEffect, useRef } from 'react';
import { NOTHING, type Answers, type StepReading } from '@/core/measuring/answers';
import type { Measured } from '@/core/measuring/readings';
import type { Slip } from '@/core/measuring/slips';
import type { Thing } from '@/core/measuring/things';
import { showLength, type UnitSetting } from '@/core/length/show';
import { answerStep } from '@/state/shop/measuring';
import { useShop } from '@/state/shop/shop';
import { Select } from '@/ui/Select';

interface Props {
  thing: Thing;
  measured: Measured;
  answers: Answers;
  activeId: string;
  onActive: (stepId: string) => void;
}

/** The measurements, one a line: what is asked, what was typed, what it comes to. Enter goes to the next. */
export function Readings({ thing, measured, answers, activeId, onActive }: Props) {
  const { unit } = useShop((shop) => shop.settings);
  const active = thing.steps.find(({ id }) => id === activeId);
  return (
    <>
      <ol className="pt-1">
        {measured.steps.map((reading, index) => (
          <Line
            key={`${thing.id}-${reading.step.id}`}
            number={index + 1}
            reading={reading}
            slips={measured.slips.filter(({ stepId }) => stepId === reading.step.id)}
            answers={answers}
            active={reading.step.id === activeId}
            unit={unit}
            onActive={onActive}
            onNext={() => {
              const next = thing.steps[index + 1];
              if (next) onActive(next.id);
            }}
          />
        ))}
      </ol>
      {active && <p className="pt-2 text-sm text-ink-2">{active.how}</p>}
    </>
  );
}

interface LineProps {
  number: number;
  reading: StepReading;
  slips: readonly Slip[];
  answers: Answers;
  active: boolean;
  unit: UnitSetting;
  onActive: (stepId: string) => void;
  onNext: () => void;
}

function Line({ number, reading, slips, answers, active, unit, onActive, onNext }: LineProps) {
  const { step, mm, trouble } = reading;
  const answer = answers[step.id] ?? NOTHING;
  const input = useRef<HTMLInputElement>(null);
  useEffect(() => {
    if (active && document.activeElement?.role !== 'combobox') input.current?.focus();
  }, [active]);
  const shown = mm !== null && step.round && answer.mode === 'across' ? mm / Math.PI : mm;
  return (
    <li className="border-b border-rule py-1">
      <div className="flex items-center gap-3">
        <span className="measure w-3 shrink-0 text-ink-2">{number}</span>
        <label htmlFor={`reading-${step.id}`} className={`grow ${active ? 'font-semibold' : ''}`}>
          {step.ask}
        </label>
        {step.round && (
          <Select
            label={`${step.ask}: how it was read`}
            value={answer.mode}
            choices={[
              ['round', 'round'],
              ['across', 'across'],
            ]}
            onChange={(mode) => {
              answerStep(step.id, { ...answer, mode });
            }}
            className="shrink-0 text-sm"
          />
        )}
        <input
          id={`reading-${step.id}`}
          ref={input}
          aria-label={step.ask}
          aria-invalid={trouble !== null}
          aria-describedby={`trouble-${step.id}`}
          value={answer.text}
          placeholder={step.optional ? 'none' : step.example}
          onFocus={() => {
            onActive(step.id);
          }}
          onChange={(event) => {
            answerStep(step.id, { ...answer, text: event.target.value });
          }}
          onKeyDown={(event) => {
            if (event.key === 'Enter') onNext();
          }}
          className={`measure w-36 shrink-0 border-b-2 px-2 py-0.5 text-right font-semibold outline-offset-0 placeholder:font-normal ${active ? 'border-ink bg-tape text-on-tape placeholder:text-on-tape/70' : 'border-rule bg-docket placeholder:text-ink-2'}`}
        />
        <span className="measure w-[74px] shrink-0 text-right text-sm text-ink-2">
          {shown === null ? '' : showLength(shown, otherUnit(answer.text, unit))}
        </span>
      </div>
      {active && step.round && answer.text.trim() !== '' && (
        <label className="mt-1 flex items-center justify-end gap-3 text-sm text-ink-2">
          read a second time, {answer.mode === 'across' ? 'round' : 'across'}
          <input
            aria-label={`${step.ask}: second reading`}
            value={answer.second}
            onChange={(event) => {
              answerStep(step.id, { ...answer, second: event.target.value });
            }}
            className="measure w-36 border-b border-rule bg-docket px-2 py-0.5 text-right"
          />
          <span className="measure w-[74px] text-right">
            {reading.apart === null ? '' : `${showLength(Math.abs(reading.apart), unit)} off`}
          </span>
        </label>
      )}
      <p
        id={`trouble-${step.id}`}
        role={trouble ? 'alert' : undefined}
        className="text-right text-sm text-fix"
      >
        {trouble}
      </p>
      {slips.map((slip) => (
        <SlipLine key={slip.id} slip={slip} answers={answers} />
      ))}
    </li>
  );
}

/** What was typed in one unit is told in the other; a sum of both in the seller's own. */
function otherUnit(text: string, unit: UnitSetting): UnitSetting {
  const own = unit.unit;
  const plain = !/[a-z"'″′”’]/i.test(text);
  const typedOwn =
    own === 'mm' ? /mm|cm/i.test(text) && !/in|"|″/i.test(text) : /in|"|″/i.test(text) && !/mm/i.test(text);
  return plain || typedOwn ? { ...unit, unit: own === 'mm' ? 'in' : 'mm' } : unit;
}

function SlipLine({ slip, answers }: { slip: Slip; answers: Answers }) {
  const { mend } = slip;
  const press = () => {
    if (mend?.kind === 'mode') {
      for (const id of mend.stepIds) answerStep(id, { ...(answers[id] ?? NOTHING), mode: mend.mode });
    }
    if (mend?.kind === 'swap') {
      const [a, b] = mend.stepIds;
      const first = answers[a] ?? NOTHING;
      answerStep(a, answers[b] ?? NOTHING);
      answerStep(b, first);
    }
  };
  return (
    <p role="status" className="flex gap-2.5 pl-6 pt-1 text-sm">
      <svg aria-hidden width="12" height="12" viewBox="0 0 12 12" className="mt-0.5 shrink-0 text-look">
        <path d="M1.4 1.8H10.6L6 10.4ZM6 2V10" fill="none" stroke="currentColor" strokeWidth="1.6" />
      </svg>
      <span>
        {slip.message}{' '}
        {mend && (
          <button className="verb" onClick={press}>
            {mend.label}
          </button>
        )}
      </span>
    </p>
  );
}
