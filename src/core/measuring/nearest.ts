import type { Body } from '../blank/kinds';
import { differences, numbersOf } from '../blank/numbers';
import type { ResolvedBlank } from '../blank/resolve';
import { showLength, type UnitSetting } from '../length/show';

export interface Nearest {
  blank: ResolvedBlank['blank'];
  /** The largest difference of any length, in mm. */
  off: number;
  /** `1.2 mm more diameter, 3.0 mm less height`, or `the same`. */
  words: string;
}

/** Further off than this share of its largest length, a blank is no match. */
const NEAR = 0.12;
/** What a seller measures roughly, if at all, and what does not tell one thing from another. */
const MINOR = /^(lip|foot|overlap|handle)/;

/** The blank of the library whose lengths lie nearest to a body's; null where none comes near. */
export function nearestBlank(
  body: Body,
  library: Iterable<ResolvedBlank>,
  unit?: UnitSetting,
): Nearest | null {
  let best: { blank: ResolvedBlank['blank']; off: number } | null = null;
  for (const { blank } of library) {
    if (blank.body.kind !== body.kind || numbersOf(blank.body).length === 0) continue;
    const off = Math.max(0, ...telling(blank.body, body).map(({ mm }) => Math.abs(mm)));
    if (!best || off < best.off) best = { blank, off };
  }
  const largest = Math.max(...numbersOf(body).map(({ mm }) => mm));
  if (!best || best.off > largest * NEAR) return null;
  const words = telling(best.blank.body, body)
    .map(({ name, mm }) => `${showLength(Math.abs(mm), unit)} ${mm > 0 ? 'more' : 'less'} ${name}`)
    .join(', ');
  return { ...best, words: words || 'the same' };
}

function telling(from: Body, to: Body) {
  return differences(from, to).filter(({ id }) => !MINOR.test(id));
}
