'use client';
import { useState } from 'react';
import { lengthOf, type ListingTrouble } from '@/core/listing/check';
import type { Listing } from '@/core/listing/schema';
import type { Outlet } from '@/core/price/outlet';
import type { ListingOf } from '@/state/price/listing-pack';
import { changeListings } from '@/state/price/listings';
import { toast } from '@/ui/toast';

/** The words of one listing, counted as they are typed, each copied with one press. */
export function ListingForm({ own, outlet }: { own: ListingOf; outlet: Outlet }) {
  const { listing, troubles, fit } = own;
  const { limits } = outlet;
  const set = (change: Partial<Listing>) => void changeListings([fit.id], () => change);
  const told = (field: ListingTrouble['field']) => troubles.filter((one) => one.field === field);
  return (
    <div className="min-w-0 grow overflow-auto px-6 pb-8 pt-3">
      <Words
        label="Title"
        value={listing.title}
        most={limits.title}
        rows={2}
        troubles={told('title')}
        onSet={(title) => {
          set({ title });
        }}
      />
      <Words
        label="Description"
        value={listing.description}
        most={limits.description}
        rows={9}
        troubles={told('description')}
        onSet={(description) => {
          set({ description });
        }}
      />
      <Tags
        tags={listing.tags}
        most={limits.tags}
        length={limits.tagLength}
        troubles={told('tags')}
        onSet={(tags) => {
          set({ tags });
        }}
      />
      <Attributes
        attributes={listing.attributes}
        onSet={(attributes) => {
          set({ attributes });
        }}
      />
    </div>
  );
}

function copy(label: string, text: string): void {
  navigator.clipboard.writeText(text).then(
    () => {
      toast(`${label} is on the clipboard.`);
    },
    () => {
      toast('The browser does not let the clipboard be written: choose the words and copy them.');
    },
  );
}

function Head({ label, count, over, text }: { label: string; count: string; over: boolean; text: string }) {
  return (
    <p className="flex items-baseline gap-3 pt-3">
      <span className="font-bold">{label}</span>
      <span className={`measure text-sm ${over ? 'font-semibold text-fix' : 'text-ink-2'}`}>{count}</span>
      <button
        className="verb ml-auto min-h-6 text-sm"
        disabled={text === ''}
        aria-label={`Copy ${label.toLowerCase()}`}
        onClick={() => {
          copy(label, text);
        }}
      >
        Copy
      </button>
    </p>
  );
}

function Troubles({ troubles }: { troubles: readonly ListingTrouble[] }) {
  return (
    <div aria-live="polite">
      {troubles.map(({ message, verdict }) => (
        <p key={message} className={`pt-0.5 ${verdict === 'fix' ? 'text-fix' : 'text-look'}`}>
          {message}
        </p>
      ))}
    </div>
  );
}

const FIELD =
  'w-full border border-ink bg-docket px-2 py-1.5 aria-[invalid=true]:outline aria-[invalid=true]:outline-2 aria-[invalid=true]:outline-fix';

function Words({
  label,
  value,
  most,
  rows,
  troubles,
  onSet,
}: {
  label: string;
  value: string;
  most: number | null;
  rows: number;
  troubles: readonly ListingTrouble[];
  onSet: (text: string) => void;
}) {
  const [text, setText] = useState<string | null>(null);
  const shown = text ?? value;
  const length = lengthOf(shown);
  const over = most !== null && length > most;
  return (
    <>
      <Head
        label={label}
        count={most === null ? `${length} characters` : `${length} of ${most}`}
        over={over}
        text={shown}
      />
      <textarea
        aria-label={label}
        aria-invalid={over}
        rows={rows}
        value={shown}
        className={FIELD}
        onChange={(event) => {
          setText(event.target.value);
        }}
        onBlur={() => {
          if (text !== null && text !== value) onSet(text);
          setText(null);
        }}
      />
      <Troubles troubles={troubles} />
    </>
  );
}

function Tags({
  tags,
  most,
  length,
  troubles,
  onSet,
}: {
  tags: readonly string[];
  most: number | null;
  length: number | null;
  troubles: readonly ListingTrouble[];
  onSet: (tags: string[]) => void;
}) {
  const [text, setText] = useState('');
  const typed = text
    .split(/[,;\n]/)
    .map((tag) => tag.trim())
    .filter((tag) => tag !== '');
  const long = length === null ? [] : typed.filter((tag) => lengthOf(tag) > length);
  const known = new Set(tags.map((tag) => tag.toLocaleLowerCase()));
  const doubled = typed.filter(
    (tag, i) =>
      known.has(tag.toLocaleLowerCase()) ||
      typed.findIndex((one) => one.toLocaleLowerCase() === tag.toLocaleLowerCase()) !== i,
  );
  const room = most === null ? Infinity : most - tags.length;
  const why =
    long.length > 0
      ? `“${long[0]!}” is ${lengthOf(long[0]!)} long, and a tag may be ${length!}.`
      : doubled.length > 0
        ? `“${doubled[0]!}” stands there already.`
        : typed.length > room
          ? `${most!} tags are taken, and there are ${tags.length}.`
          : null;
  const add = () => {
    if (typed.length === 0 || why !== null) return;
    onSet([...tags, ...typed]);
    setText('');
  };
  return (
    <>
      <Head
        label="Tags"
        count={most === null ? String(tags.length) : `${tags.length} of ${most}`}
        over={most !== null && tags.length > most}
        text={tags.join(', ')}
      />
      <ul aria-label="Tags" className="flex flex-wrap gap-x-4 gap-y-1 pb-1.5">
        {tags.map((tag, i) => (
          <li key={`${tag}/${i}`} className="flex items-baseline gap-1.5">
            <span className={troubles.some((one) => one.tag === i) ? 'text-fix' : ''}>{tag}</span>
            <button
              className="verb min-h-6 text-sm"
              aria-label={`Take off the tag ${tag}`}
              onClick={() => {
                onSet(tags.filter((_, at) => at !== i));
              }}
            >
              take off
            </button>
          </li>
        ))}
      </ul>
      <form
        className="flex items-center gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          add();
        }}
      >
        <input
          aria-label="More tags, with commas between"
          placeholder="more tags, with commas between"
          value={text}
          aria-invalid={why !== null}
          className={FIELD}
          onChange={(event) => {
            setText(event.target.value);
          }}
        />
        {length !== null && typed.length > 0 && (
          <span className="measure shrink-0 text-sm text-ink-2">
            {lengthOf(typed.at(-1)!)} of {length}
          </span>
        )}
        <button className="verb shrink-0" disabled={typed.length === 0 || why !== null}>
          Add
        </button>
      </form>
      {why && (
        <p role="alert" className="pt-0.5 text-fix">
          {why}
        </p>
      )}
      <Troubles troubles={troubles} />
    </>
  );
}

function Attributes({
  attributes,
  onSet,
}: {
  attributes: Listing['attributes'];
  onSet: (attributes: Listing['attributes']) => void;
}) {
  const [name, setName] = useState('');
  const [value, setValue] = useState('');
  return (
    <>
      <Head
        label="Attributes"
        count={String(attributes.length)}
        over={false}
        text={attributes.map((one) => `${one.name}: ${one.value}`).join('\n')}
      />
      <ul aria-label="Attributes">
        {attributes.map((one, i) => (
          <li key={i} className="flex items-baseline gap-3 border-b border-rule py-1">
            <span className="w-44 truncate text-ink-2">{one.name}</span>
            <span className="grow">{one.value}</span>
            <button
              className="verb min-h-6 text-sm"
              aria-label={`Take off ${one.name}`}
              onClick={() => {
                onSet(attributes.filter((_, at) => at !== i));
              }}
            >
              take off
            </button>
          </li>
        ))}
      </ul>
      <form
        className="flex items-center gap-3 pt-1.5"
        onSubmit={(event) => {
          event.preventDefault();
          if (name.trim() === '' || value.trim() === '') return;
          onSet([...attributes, { name: name.trim(), value: value.trim() }]);
          setName('');
          setValue('');
        }}
      >
        <input
          aria-label="Name of an attribute"
          placeholder="occasion"
          value={name}
          className={`${FIELD} max-w-44`}
          onChange={(event) => {
            setName(event.target.value);
          }}
        />
        <input
          aria-label="What it is"
          placeholder="birthday"
          value={value}
          className={FIELD}
          onChange={(event) => {
            setValue(event.target.value);
          }}
        />
        <button className="verb shrink-0" disabled={name.trim() === '' || value.trim() === ''}>
          Add
        </button>
      </form>
    </>
  );
}
