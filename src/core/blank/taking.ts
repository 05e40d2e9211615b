import { BLANKS, resolveAmong, SHIPPED, SPECS } from './library';
import { artSize, type ResolvedBlank } from './resolve';
import type { Blank } from './schema';

/** Whether a house prints a blank; `null` where nobody has said. */
export interface Taking {
  takes: boolean | null;
  /** For a person, whole: who prints it, or why not and what instead. */
  words: string;
}

/** Whether this very version of a blank is one that Up Fit came with, and its house so knows it. */
export function isShipped({ id, version }: Pick<Blank, 'id' | 'version'>): boolean {
  return BLANKS.some((blank) => blank.id === id && blank.version === version);
}

/**
 * Whether a blank's house prints it. Its own blanks it does; one that was measured or corrected, where it takes such. A
 * house that the seller wrote down says nothing until it is told.
 */
export function takingOf(resolved: ResolvedBlank): Taking {
  const { blank, spec } = resolved;
  const { house, takesMeasured } = spec;
  const knows = SPECS.some((one) => one.house === house);
  if (isShipped(blank) && knows) return { takes: true, words: `${house} prints this` };
  if (takesMeasured === undefined) return { takes: null, words: `Ask ${house} whether they print this` };
  if (takesMeasured) return { takes: true, words: `${house} prints this as you measured it` };
  const nearest = nearestOwn(resolved);
  return {
    takes: false,
    words: `${house} prints its own blanks only${nearest ? `; its nearest is ${nearest.name}` : ''}`,
  };
}

/** The blank of the same house and kind whose print is nearest in size; undefined where it has none. */
function nearestOwn({ blank, spec, faces }: ResolvedBlank): Blank | undefined {
  const size = artSize(faces[0]!);
  const off = (other: Blank) => {
    const { width, height } = artSize(resolveAmong(SHIPPED, other).faces[0]!);
    return Math.abs(width - size.width) + Math.abs(height - size.height);
  };
  return BLANKS.filter(
    ({ body, specId }) =>
      body.kind === blank.body.kind && SPECS.find(({ id }) => id === specId)?.house === spec.house,
  ).sort((a, b) => off(a) - off(b))[0];
}
