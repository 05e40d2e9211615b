'use client';
import { useState } from 'react';
import { STARTING_CONTENTS } from '@/core/blank/contents';
import type { ResolvedBlank } from '@/core/blank/resolve';
import type { Content } from '@/core/blank/schema';
import { freeIdAmong } from '@/core/pack/names';
import { changeBlank } from '@/state/shop/blanks';
import { Fold } from '@/ui/Fold';
import { tellDone } from '@/ui/tell';

/** What must be on the product by law or by its house: each found by any of its words in the lettering. */
export function ContentsList({ resolved: { blank } }: { resolved: ResolvedBlank }) {
  const list = blank.contents ?? [];
  const set = async (next: readonly Content[]) => {
    const kept = await changeBlank(blank, { contents: [...next] });
    const count = next.length === 1 ? '1 thing' : `${next.length} things`;
    tellDone(`Version ${kept.blank.version}: ${count} it must carry.`, kept.undo);
  };
  return (
    <Fold
      className="mt-4 text-sm"
      open={list.length > 0}
      title={`Must carry${list.length > 0 ? `: ${list.length}` : ''}`}
    >
      <p className="mt-1 text-ink-2">
        {list.length > 0
          ? 'Each is found in the lettering by any of its words, or ticked by hand.'
          : 'Nothing yet. Begin with a list, or add what the law or the house wants on it.'}
      </p>
      <ul>
        {list.map((one) => (
          <li key={one.id} className="flex items-baseline gap-3 border-b border-rule py-[3px]">
            <span className="min-w-0 grow">
              {one.name} <span className="text-ink-2">{one.words.join(', ')}</span>
            </span>
            <button
              aria-label={`Take ${one.name} off`}
              className="verb shrink-0"
              onClick={() => void set(list.filter(({ id }) => id !== one.id))}
            >
              Take off
            </button>
          </li>
        ))}
      </ul>
      <AddContent list={list} onAdd={(one) => void set([...list, one])} />
      <p className="mt-2 flex flex-wrap gap-x-4">
        {STARTING_CONTENTS.map(({ name, contents }) => (
          <button
            key={name}
            className="verb"
            onClick={() =>
              void set([...list, ...contents.filter(({ id }) => !list.some((one) => one.id === id))])
            }
          >
            {name}, {contents.length} entries
          </button>
        ))}
      </p>
    </Fold>
  );
}

/** A name, and the words that count as saying it. */
function AddContent({ list, onAdd }: { list: readonly Content[]; onAdd: (one: Content) => void }) {
  const [name, setName] = useState('');
  const [words, setWords] = useState('');
  const [trouble, setTrouble] = useState<string | null>(null);
  const add = () => {
    const title = name.trim();
    const counted = words
      .split(',')
      .map((word) => word.trim())
      .filter((word) => word !== '');
    if (title === '') setTrouble('Type what it must carry: phone.');
    else if (list.some((one) => one.name.toLowerCase() === title.toLowerCase()))
      setTrouble(`“${title}” is on the list already.`);
    else {
      const id = freeIdAmong(
        title,
        list.map((one) => one.id),
      );
      onAdd({ id, name: title, words: counted.length > 0 ? counted : [title] });
      setName('');
      setWords('');
      setTrouble(null);
    }
  };
  const field = (label: string, value: string, placeholder: string, onChange: (text: string) => void) => (
    <label className="text-ink-2">
      {label}
      <input
        aria-label={`Must carry, ${label}`}
        value={value}
        placeholder={placeholder}
        maxLength={120}
        onChange={({ target }) => {
          onChange(target.value);
          setTrouble(null);
        }}
        className="mt-0.5 w-full border-b border-ink bg-docket px-1.5 py-0.5 text-ink placeholder:text-ink-2"
      />
    </label>
  );
  return (
    <form
      className="mt-1.5"
      onSubmit={(event) => {
        event.preventDefault();
        add();
      }}
    >
      <div className="grid grid-cols-2 gap-2">
        {field('name', name, 'phone', setName)}
        {field('words that count', words, 'phone, tel', setWords)}
      </div>
      <p role={trouble ? 'alert' : undefined} className="text-fix empty:hidden">
        {trouble}
      </p>
      <button className="verb mt-1">Add it to the list</button>
    </form>
  );
}
