import { parseLength, parseSize } from '../../length/parse';
import { showLength, type UnitSetting } from '../../length/show';
import type { Source } from '../schema';

/** What words came to: a value, or a sentence that says what is wrong with them and what to type. */
export type Read<T> = { ok: true; value: T } | { ok: false; message: string };

/** A value with where it comes from; no source where nobody has said anything. */
export interface Stated<T> {
  value: T;
  source: Source | null;
}

/** How a value is written on a form and understood from it. */
export interface Writing<T> {
  /** `typed`: words; `one`: one of the options; `some`: any of them, their ids apart by commas. */
  kind: 'typed' | 'one' | 'some';
  options?: readonly (readonly [id: string, name: string])[];
  placeholder?: string;
  /** A number rather than words: written on the tape. */
  number?: boolean;
  show: (value: T, unit: UnitSetting) => string;
  read: (text: string, unit: UnitSetting) => Read<T>;
}

/** One thing a record says, for forms, comparing, questions and sources alike. */
export interface Entry<R> {
  id: string;
  group: string;
  name: string;
  /** What to ask where nobody stated it; null where that is no question. */
  question: string | null;
  kind: Writing<unknown>['kind'];
  options: readonly (readonly [id: string, name: string])[];
  placeholder: string;
  number: boolean;
  /** As it stands on the form. */
  typed: (record: R, unit: UnitSetting) => string;
  /** For a person: options by their names, a dash where nothing is said. */
  shown: (record: R, unit: UnitSetting) => string;
  source: (record: R) => Source | null;
  /** Why words cannot stand there; null where they can. */
  trouble: (text: string, unit: UnitSetting) => string | null;
  /** The record with what the words say, from that source; as it was where they cannot be read. */
  state: (record: R, text: string, source: Source, unit: UnitSetting) => R;
}

/** Makes an entry of where a value stands in a record and how it is written. */
export function entry<R, T>(
  about: Pick<Entry<R>, 'id' | 'group' | 'name'> & { question?: string },
  place: { get: (record: R) => Stated<T>; set: (record: R, stated: { value: T; source: Source }) => R },
  writing: Writing<T>,
): Entry<R> {
  const { kind, options = [], placeholder = '', number = false, show, read } = writing;
  const names = new Map(options);
  const typed = (record: R, unit: UnitSetting) => show(place.get(record).value, unit);
  return {
    ...about,
    question: about.question ?? null,
    kind,
    options,
    placeholder,
    number,
    typed,
    shown: (record, unit) => {
      const text = typed(record, unit);
      if (kind === 'typed') return text === '' ? '–' : text;
      const ids = kind === 'some' ? idsIn(text) : [text];
      return ids.map((id) => names.get(id) ?? id).join(', ') || '–';
    },
    source: (record) => place.get(record).source,
    trouble: (text, unit) => {
      const understood = read(text, unit);
      return understood.ok ? null : understood.message;
    },
    state: (record, text, source, unit) => {
      const understood = read(text, unit);
      return understood.ok ? place.set(record, { value: understood.value, source }) : record;
    },
  };
}

/** The ids that are ticked. */
export function idsIn(text: string): string[] {
  return text.split(',').filter((id) => id !== '');
}

const fine = <T>(value: T): Read<T> => ({ ok: true, value });
const wrong = (message: string): Read<never> => ({ ok: false, message });
const blank = (text: string) => text.trim() === '';

/** Words of at most so many letters; nothing is refused where they are needed. */
export function words(needed: string, most = 120): Writing<string> {
  return {
    kind: 'typed',
    show: (value) => value,
    read: (text) => {
      if (blank(text)) return wrong(needed);
      return text.trim().length > most ? wrong(`Shorten it to ${most} letters.`) : fine(text.trim());
    },
  };
}

/** Words that may be left out. */
export function wordsIfAny(placeholder: string, most = 120): Writing<string | undefined> {
  return {
    kind: 'typed',
    placeholder,
    show: (value) => value ?? '',
    read: (text) => (blank(text) ? fine(undefined) : words('', most).read(text, UNUSED)),
  };
}

/** Words are read alike in every unit. */
const UNUSED: UnitSetting = { unit: 'mm', inches: 'decimal' };

/** A distance in mm, zero or more. */
export function distance(): Writing<number> {
  return {
    kind: 'typed',
    number: true,
    // As fine as limits are: a stroke of 0.15 mm is not 0.2 mm.
    show: (mm, { unit }) =>
      unit === 'mm' ? `${Number(mm.toFixed(3))} mm` : showLength(mm, { unit, inches: 'decimal' }),
    read: (text, { unit }) => {
      const read = parseLength(text, { unit });
      if (!read.ok) return wrong(read.message);
      if (read.mm < 0) return wrong('It cannot be below zero: type 0 mm or more.');
      return read.mm > 1000 ? wrong('Type at most 1 m.') : fine(read.mm);
    },
  };
}

/** A number with its unit behind it, which may be typed or left out. */
export function count(
  unit: string,
  { least, most, whole = true }: { least: number; most: number; whole?: boolean },
): Writing<number> {
  const pattern = new RegExp(`^\\s*(\\d+(?:[.,]\\d+)?)\\s*(?:${unit})?\\s*$`, 'i');
  return {
    kind: 'typed',
    number: true,
    show: (value) => `${value} ${unit}`.trim(),
    read: (text) => {
      const value = Number(pattern.exec(text)?.[1]?.replace(',', '.') ?? NaN);
      const sound = value >= least && value <= most && (!whole || Number.isInteger(value));
      if (sound) return fine(value);
      return wrong(
        `Type ${whole ? 'a whole number' : 'a number'} from ${least} to ${most} ${unit}`.trim() + '.',
      );
    },
  };
}

/** The same, which may be left out: `none` stands for nothing. */
export function ifAny<T, N extends null | undefined>(writing: Writing<T>, none: N): Writing<T | N> {
  return {
    ...writing,
    show: (value, unit) => (value === none ? '' : writing.show(value as T, unit)),
    read: (text, unit) => (blank(text) ? fine(none) : writing.read(text, unit)),
  };
}

/** Exactly one of a few. */
export function oneOf<const T extends string>(options: readonly (readonly [T, string])[]): Writing<T> {
  return {
    kind: 'one',
    options,
    show: (value) => value,
    read: (text) => {
      const found = options.find(([id]) => id === text);
      return found ? fine(found[0]) : wrong('Choose one of them.');
    },
  };
}

/** Yes or no, in words of its own. */
export function either(yes: string, no: string): Writing<boolean> {
  return {
    ...oneOf([
      ['yes', yes],
      ['no', no],
    ]),
    show: (value: boolean) => (value ? 'yes' : 'no'),
    read: (text) => fine(text === 'yes'),
  };
}

/** Yes, no, or what nobody has said. */
export function yesOrNo(yes: string, no: string): Writing<boolean | undefined> {
  const ids = { yes: true, no: false, '': undefined } as const;
  return {
    kind: 'one',
    options: [
      ['', 'nobody has said'],
      ['yes', yes],
      ['no', no],
    ],
    show: (value) => (value === undefined ? '' : value ? 'yes' : 'no'),
    read: (text) => (text in ids ? fine(ids[text as keyof typeof ids]) : wrong('Choose one of them.')),
  };
}

/** Any of a few, and at least one. */
export function someOf<const T extends string>(
  options: readonly (readonly [T, string])[],
  none: string,
): Writing<T[]> {
  return {
    kind: 'some',
    options,
    show: (value) => value.join(','),
    read: (text) => {
      const known = new Map(options.map(([id]) => [id as string, id]));
      // In the order they were said: the first kind of file is the one that is made.
      const found = idsIn(text).flatMap((id) => known.get(id) ?? []);
      return found.length === 0 ? wrong(none) : fine(found);
    },
  };
}

/** Pixels across and down. */
export function pixels(): Writing<{ width: number; height: number } | null> {
  return {
    kind: 'typed',
    number: true,
    placeholder: 'true size',
    show: (value) => (value === null ? '' : `${value.width} × ${value.height} px`),
    read: (text) => {
      if (blank(text)) return fine(null);
      const read = parseSize(text.replace(/px/gi, ''), { unit: 'mm' });
      if (!read.ok || ![read.width, read.height].every((side) => Number.isInteger(side) && side > 0))
        return wrong('Write whole pixels with an x between them: 1819 x 2551.');
      return fine({ width: read.width, height: read.height });
    },
  };
}
