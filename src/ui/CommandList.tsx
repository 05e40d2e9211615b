'use client';
import { Command, defaultFilter } from 'cmdk';
import { useState } from 'react';

export interface Listed {
  id: string;
  name: string;
  /** What tells it from others of its name. */
  note?: string | undefined;
  /** The key that does the same. */
  keys?: string | undefined;
  run: () => void;
}

export interface Group {
  heading: string;
  items: readonly Listed[];
}

/** How many of a group are listed: of more, letters that are typed tell which. */
const MOST = 60;

/** A list that is searched by typing: what fits the letters stays, the likeliest first. */
export function CommandList({ label, groups }: { label: string; groups: readonly Group[] }) {
  const [search, setSearch] = useState('');
  // At once: Enter takes the first line of what was typed, and not of what was typed before.
  const typed = search.trim();
  const found = groups.map((group) => foundIn(group, typed)).filter(({ count }) => count > 0);
  if (typed !== '') found.sort((a, b) => b.best - a.best);
  return (
    <Command label={label} loop shouldFilter={false}>
      <Command.Input
        autoFocus
        value={search}
        onValueChange={setSearch}
        placeholder={label}
        className="w-full border-b-2 border-ink bg-tape-pale px-2 py-1.5 text-on-tape outline-none placeholder:text-on-tape/75"
      />
      <Command.List className="mt-2 max-h-[56vh] overflow-auto text-sm">
        {found.length === 0 && <p className="px-2 py-3 text-ink-2">Nothing here has that name.</p>}
        {found.map(({ heading, listed, count }) => (
          <Command.Group
            key={heading}
            heading={heading}
            className="[&_[cmdk-group-heading]]:px-2 [&_[cmdk-group-heading]]:pb-0.5 [&_[cmdk-group-heading]]:pt-2 [&_[cmdk-group-heading]]:text-xs [&_[cmdk-group-heading]]:text-ink-2"
          >
            {listed.map((item) => (
              <Line key={item.id} item={item} />
            ))}
            {count > listed.length && (
              <p className="measure px-2 py-1 text-ink-2">
                and {count - listed.length} more: {typed === '' ? 'type a few letters' : 'type on'}
              </p>
            )}
          </Command.Group>
        ))}
      </Command.List>
    </Command>
  );
}

function Line({ item: { id, name, note, keys, run } }: { item: Listed }) {
  return (
    <Command.Item
      value={valueOf({ id, name, note })}
      onSelect={run}
      className="flex min-h-7 cursor-pointer items-center gap-3 border-b border-rule px-2 data-[selected=true]:bg-thread data-[selected=true]:text-on-thread"
    >
      <span className="min-w-0 truncate">{name}</span>
      {note !== undefined && <span className="min-w-0 shrink truncate opacity-75">{note}</span>}
      {keys !== undefined && <span className="measure ml-auto shrink-0 pl-4">{keys}</span>}
    </Command.Item>
  );
}

/** What the letters are looked for in, and what the library knows an item by. */
function valueOf({ id, name, note }: Pick<Listed, 'id' | 'name' | 'note'>): string {
  return `${name} ${note ?? ''} ${id}`;
}

/** What of a group fits the letters: the likeliest, how many in all, and how well the first one does. */
function foundIn({ heading, items }: Group, typed: string) {
  if (typed === '') return { heading, listed: items.slice(0, MOST), count: items.length, best: 0 };
  const scored = items
    .map((item) => ({ item, score: defaultFilter(valueOf(item), typed) }))
    .filter(({ score }) => score > 0)
    .sort((a, b) => b.score - a.score);
  return {
    heading,
    listed: scored.slice(0, MOST).map(({ item }) => item),
    count: scored.length,
    best: scored[0]?.score ?? 0,
  };
}
