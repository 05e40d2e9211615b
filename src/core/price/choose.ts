import type { Price } from './list';

/** What lines of price lists are looked for by; each by its name or one of its names. Undefined: any. */
export interface Wanted {
  blank: readonly string[];
  house?: readonly string[];
  method?: readonly string[];
  size?: readonly string[];
}

type By = Exclude<keyof Wanted, 'blank'>;
const ORDER: readonly By[] = ['house', 'method', 'size'];

const same = (names: readonly string[], word: string): boolean =>
  names.some((name) => name.trim().toLowerCase() === word.toLowerCase());

/** The lines that are for what is asked: those that name it, or where none does, those that name none of its kind. */
export function linesFor(prices: readonly Price[], wanted: Wanted): readonly Price[] {
  const own = prices.filter(({ blank }) => same(wanted.blank, blank));
  return ORDER.reduce<readonly Price[]>((lines, by) => {
    const names = wanted[by];
    if (names === undefined) return lines;
    const exact = lines.filter((line) => line[by] !== '' && same(names, line[by]));
    return exact.length > 0 ? exact : lines.filter((line) => line[by] === '');
  }, own);
}

/** What lines differ by, though one thing was asked for: its names; null where they are of one. */
export function unclear(lines: readonly Price[]): { by: By; names: string[] } | null {
  for (const by of ORDER) {
    const names = [...new Set(lines.map((line) => line[by]))];
    if (names.length > 1) return { by, names };
  }
  return null;
}
