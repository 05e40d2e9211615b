import { MEGABYTE } from '@/core/length/bytes';
import { SPECS } from '@/core/blank/library/specs';
import { METHODS } from '@/core/blank/methods';
import type { HouseSpec, Method } from '@/core/blank/schema';
import type { PackedFit } from './forms';

/** One of the stand-in houses: which specs are its own, and how much it takes at once. */
export interface House {
  id: string;
  name: string;
  /** Begins its order numbers. */
  mark: string;
  mostBytes: number;
}

const WRITTEN = 'written';
/** Bytes of one part of an upload at most. */
export const PART_BYTES = 8 * MEGABYTE;

/**
 * Made-up houses with differing rules: what each asks of a file is in its specs. The last stands in for every house that
 * a customer wrote down: it goes by the record that lies in the pack.
 */
export const HOUSES: readonly House[] = [
  { id: 'harl-kiln-works', name: 'Harl Kiln Works', mark: 'HK', mostBytes: 400 * MEGABYTE },
  { id: 'dunmere-garment-print', name: 'Dunmere Garment Print', mark: 'DG', mostBytes: 600 * MEGABYTE },
  { id: 'skerry-labels', name: 'Skerry Labels', mark: 'SL', mostBytes: 120 * MEGABYTE },
  { id: WRITTEN, name: 'A house written down', mark: 'WD', mostBytes: 400 * MEGABYTE },
];

export function houseById(id: string): House | undefined {
  return HOUSES.find((house) => house.id === id);
}

/** By which of its records a house looks at a fit's files; undefined where it is none of its own. */
export function specFor(house: House, { specId, spec }: PackedFit): HouseSpec | undefined {
  if (house.id === WRITTEN) return spec?.id === specId && spec.desk === true ? spec : undefined;
  const own = SPECS.find(({ id }) => id === specId);
  return own?.house === house.name ? own : undefined;
}

/** How a fit is printed: as the trade does, or as its written house does. */
export function methodFor(house: House, methodId: string, { method }: PackedFit): Method | undefined {
  if (house.id === WRITTEN && method?.id === methodId) return method;
  return METHODS.find(({ id }) => id === methodId);
}

/** An order's number: by the pattern of its house, # for a digit, or with its mark. */
export function numberBy(count: number, mark: string, pattern: string | undefined): string {
  if (pattern === undefined) return `${mark}-${String(count).padStart(6, '0')}`;
  const places = pattern.split('#').length - 1;
  const digits = Array.from(String(count).padStart(places, '0'));
  // More digits than places: the first place takes those that are over.
  const over = digits.splice(0, digits.length - places).join('');
  let first = true;
  return pattern.replace(/#/g, () => {
    const digit = (first ? over : '') + digits.shift()!;
    first = false;
    return digit;
  });
}

/** What a house says of itself to whoever asks. */
export function introduce({ id, name, mostBytes }: House) {
  const formats = new Set(
    SPECS.filter(({ house }) => house === name).flatMap((spec) => spec.files.formats.value),
  );
  const takes = [...formats].map((format) => format.toUpperCase()).join(', ');
  return { id, name, mostBytes, partBytes: PART_BYTES, takes };
}
