import { MEGABYTE } from '../../length/bytes';
import * as v from 'valibot';
import { HouseSpecSchema, type HouseSpec } from '../schema';
import { count, ifAny, oneOf, wordsIfAny, type Read, type Writing } from './entry';

/** Degrees Celsius, or Fahrenheit with an F behind it. */
export const degrees: Writing<number | undefined> = ifAny(
  {
    kind: 'typed',
    number: true,
    placeholder: '188 °C or 370 °F',
    show: (celsius) => `${celsius} °C`,
    read: (text): Read<number> => {
      const [, number, scale] = /^\s*(\d+(?:[.,]\d+)?)\s*(?:°|deg)?\s*([cf])?\s*$/i.exec(text) ?? [];
      const typed = Number(number?.replace(',', '.') ?? NaN);
      const celsius = scale?.toLowerCase() === 'f' ? Math.round((typed - 32) / 1.8) : typed;
      return celsius >= 20 && celsius <= 300
        ? { ok: true, value: celsius }
        : { ok: false, message: 'Type 20 to 300 °C, or the same in °F: 188 °C.' };
    },
  },
  undefined,
);

/** Rich black as four percentages. */
export const black: Writing<HouseSpec['black']> = ifAny(
  {
    kind: 'typed',
    number: true,
    placeholder: '50/40/40/95',
    show: (shares: NonNullable<HouseSpec['black']>) =>
      shares.map((share) => Math.round(share * 100)).join('/'),
    read: (text): Read<NonNullable<HouseSpec['black']>> => {
      const parts = text.split(/[\s/,;]+/).filter((part) => part !== '');
      const [c, m, y, k] = parts.map((part) => Number(part.replace('%', '')) / 100);
      const value = [c ?? NaN, m ?? NaN, y ?? NaN, k ?? NaN] as const;
      return parts.length === 4 && value.every((share) => share >= 0 && share <= 1)
        ? { ok: true, value: [...value] }
        : { ok: false, message: 'Write cyan, magenta, yellow and black in percent: 50/40/40/95.' };
    },
  },
  undefined,
);

export const rulings: Writing<number[]> = {
  kind: 'typed',
  number: true,
  placeholder: '45, 55 lpi',
  show: (all) => (all.length === 0 ? '' : `${all.join(', ')} lpi`),
  read: (text) => {
    const found = text
      .replace(/lpi/gi, '')
      .split(/[\s,;]+/)
      .filter((part) => part !== '')
      .map(Number);
    return found.length <= 24 && found.every((ruling) => ruling >= 10 && ruling <= 400)
      ? { ok: true, value: found }
      : { ok: false, message: 'Write rulings in lines per inch, 10 to 400: 45, 55.' };
  },
};

const inMegabytes = count('MB', { least: 1, most: 4000, whole: false });
export const bytes: Writing<number> = {
  ...inMegabytes,
  show: (value, unit) => inMegabytes.show(Number((value / MEGABYTE).toFixed(2)), unit),
  read: (text, unit) => {
    const read = inMegabytes.read(text, unit);
    return read.ok ? { ok: true, value: Math.round(read.value * MEGABYTE) } : read;
  },
};

export const orderNumbers: Writing<string | undefined> = {
  ...wordsIfAny('FP-####', 24),
  read: (text) => {
    const typed = text.trim().toUpperCase();
    if (typed === '') return { ok: true, value: undefined };
    return v.is(HouseSpecSchema.entries.orderNumbers, typed)
      ? { ok: true, value: typed }
      : { ok: false, message: 'Write # for each digit, with letters and hyphens round them: FP-####.' };
  },
};

export const inkName = (usual: string): Writing<string | undefined> => ({
  ...wordsIfAny(usual, 40),
  read: (text) => {
    const typed = text.trim();
    if (typed === '') return { ok: true, value: undefined };
    return v.is(HouseSpecSchema.entries.cutInk, typed)
      ? { ok: true, value: typed }
      : { ok: false, message: 'An ink is named in up to 40 plain letters, digits and spaces.' };
  },
});

export const named = <T extends string>(ids: readonly T[]) =>
  ids.map((id) => [id, id.toUpperCase()] as const);
const NOBODY = ['', 'nobody has said'] as const;
export const ppi = count('PPI', { least: 1, most: 2400 });
export const seconds = count('s', { least: 1, most: 3600 });

/** What turns a picklist that may be absent into one of a few, nothing among them. */
export function orNobody<const T extends string>(
  options: readonly (readonly [T, string])[],
): Writing<T | undefined> {
  const all = oneOf<T | ''>([NOBODY, ...options]);
  return {
    ...all,
    show: (value) => value ?? '',
    read: (text, unit) => {
      const read = all.read(text, unit);
      return read.ok ? { ok: true, value: read.value === '' ? undefined : read.value } : read;
    },
  };
}
