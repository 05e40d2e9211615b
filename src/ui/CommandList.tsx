'use client';
import { Command } from 'cmdk';

export interface Listed {
  id: string;
  name: string;
  /** What tells it from others of its name. */
  note?: string | undefined;
  /** The key that does the same. */
  keys?: string | undefined;
  run: () => void;
}

/** A list that is searched by typing: what fits the letters stays, the likeliest first. */
export function CommandList({
  label,
  groups,
}: {
  label: string;
  groups: readonly { heading: string; items: readonly Listed[] }[];
}) {
  return (
    <Command label={label} loop>
      <Command.Input
        autoFocus
        placeholder={label}
        className="w-full border-b-2 border-ink bg-tape-pale px-2 py-1.5 text-on-tape outline-none placeholder:text-on-tape/75"
      />
      <Command.List className="mt-2 max-h-[56vh] overflow-auto text-sm">
        <Command.Empty className="px-2 py-3 text-ink-2">Nothing here has that name.</Command.Empty>
        {groups
          .filter(({ items }) => items.length > 0)
          .map(({ heading, items }) => (
            <Command.Group
              key={heading}
              heading={heading}
              className="[&_[cmdk-group-heading]]:px-2 [&_[cmdk-group-heading]]:pb-0.5 [&_[cmdk-group-heading]]:pt-2 [&_[cmdk-group-heading]]:text-xs [&_[cmdk-group-heading]]:text-ink-2"
            >
              {items.map(({ id, name, note, keys, run }) => (
                <Command.Item
                  key={id}
                  value={`${name} ${note ?? ''} ${id}`}
                  onSelect={run}
                  className="flex min-h-7 cursor-pointer items-center gap-3 border-b border-rule px-2 data-[selected=true]:bg-thread data-[selected=true]:text-on-thread"
                >
                  <span className="min-w-0 truncate">{name}</span>
                  {note !== undefined && <span className="min-w-0 shrink truncate opacity-75">{note}</span>}
                  {keys !== undefined && <span className="measure ml-auto shrink-0 pl-4">{keys}</span>}
                </Command.Item>
              ))}
            </Command.Group>
          ))}
      </Command.List>
    </Command>
  );
}
