'use client';
import { useState } from 'react';
import { parseLength } from '@/core/length/parse';
import { showLength } from '@/core/length/show';
import { importFiles } from '@/state/artwork/imports';
import type { Target } from '@/state/many/preview';
import { useShop } from '@/state/shop/shop';
import { Checkbox } from '@/ui/Checkbox';
import { Choice, Field } from '@/ui/Field';
import { useFilePicker } from '@/ui/useFilePicker';
import type { ActAsk, Answers, ManyAct } from './acts/act';

interface Props {
  act: ManyAct;
  targets: readonly Target[];
  answers: Answers;
  onAnswer: (id: string, value: string) => void;
}

/** What an act asks before it can be looked at. */
export function ActAsks({ act, targets, answers, onAnswer }: Props) {
  return act.asks.map((ask) => (
    <Asked
      key={ask.id}
      ask={ask}
      targets={targets}
      value={answers[ask.id] ?? ''}
      onAnswer={(value) => {
        onAnswer(ask.id, value);
      }}
    />
  ));
}

interface AskedProps {
  ask: ActAsk;
  targets: readonly Target[];
  value: string;
  onAnswer: (value: string) => void;
}

function Asked({ ask, targets, value, onAnswer }: AskedProps) {
  const unit = useShop((shop) => shop.settings.unit);
  switch (ask.kind) {
    case 'choice':
      return (
        <Choice
          label={ask.label}
          value={value}
          choices={ask.choices?.(targets) ?? []}
          className="max-w-[420px]"
          onChange={onAnswer}
        />
      );
    case 'artwork':
      return <ArtworkAsked ask={ask} targets={targets} value={value} onAnswer={onAnswer} />;
    case 'several':
      return <Several ask={ask} targets={targets} value={value} onAnswer={onAnswer} />;
    case 'length': {
      const read = value.trim() === '' ? null : parseLength(value, { unit: unit.unit });
      return (
        <Field
          label={ask.label}
          value={value}
          placeholder="12 mm, 1/2 in"
          trouble={read && !read.ok ? read.message : null}
          {...(read?.ok && { note: `comes to ${showLength(read.mm, unit)}` })}
          onChange={onAnswer}
        />
      );
    }
    case 'colour':
    case 'words':
      return (
        <label className="flex items-center gap-3 border-b border-rule py-1.5">
          <span className="grow">{ask.label}</span>
          <input
            type={ask.kind === 'colour' ? 'color' : 'text'}
            value={value}
            maxLength={ask.most}
            onChange={({ target }) => {
              onAnswer(target.value);
            }}
            className={ask.kind === 'colour' ? 'h-7 w-14' : 'w-96 border-b border-ink bg-docket px-1 py-0.5'}
          />
          {ask.kind === 'colour' && <span className="measure">{value}</span>}
        </label>
      );
  }
}

/** One of the shop's artworks, or a file that becomes one. */
function ArtworkAsked({ ask, targets, value, onAnswer }: AskedProps) {
  const [bringing, setBringing] = useState(false);
  const bringIn = async (file: File) => {
    setBringing(true);
    const [artwork] = await importFiles([file]);
    setBringing(false);
    if (artwork) onAnswer(artwork.id);
  };
  const picker = useFilePicker(`A file for “${ask.label}”`, (file) => void bringIn(file));
  return (
    <div className="flex items-center gap-4">
      <Choice
        label={ask.label}
        value={value}
        choices={ask.choices?.(targets) ?? []}
        className="max-w-[420px]"
        onChange={onAnswer}
      />
      {picker.input}
      <button className="verb shrink-0" disabled={bringing} onClick={picker.open}>
        {bringing ? 'bringing it in…' : 'or a new file…'}
      </button>
    </div>
  );
}

/** Some of a list, each with a tick. */
function Several({ ask, targets, value, onAnswer }: AskedProps) {
  const ticked = value.split('\n').filter(Boolean);
  const choices = ask.choices?.(targets) ?? [];
  return (
    <fieldset className="border-b border-rule py-1.5">
      <legend className="float-left pr-6">{ask.label}</legend>
      <div className="flex flex-wrap justify-end gap-x-4">
        {choices.map(([id, name]) => (
          <Checkbox
            key={id}
            checked={ticked.includes(id)}
            onChange={(on) => {
              onAnswer(
                choices
                  .map(([one]) => one)
                  .filter((one) => (one === id ? on : ticked.includes(one)))
                  .join('\n'),
              );
            }}
          >
            {name}
          </Checkbox>
        ))}
      </div>
    </fieldset>
  );
}

/** What stands in the fields at first: what was answered the last time, or the first of each list. */
export function firstAnswers(
  act: ManyAct,
  targets: readonly Target[],
  kept: Answers,
): Record<string, string> {
  return Object.fromEntries(act.asks.map((ask) => [ask.id, firstAnswer(ask, targets, kept[ask.id] ?? '')]));
}

function firstAnswer({ kind, choices }: ActAsk, targets: readonly Target[], kept: string): string {
  const ids = choices?.(targets).map(([id]) => id) ?? [];
  if (kind === 'choice' || kind === 'artwork') return ids.includes(kept) ? kept : (ids[0] ?? '');
  if (kind !== 'several') return kept === '' && kind === 'colour' ? '#f4efe2' : kept;
  const still = kept.split('\n').filter((id) => ids.includes(id));
  return (still.length > 0 ? still : ids).join('\n');
}
