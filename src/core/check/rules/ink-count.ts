import { recoloured } from '../../fit/colours';
import { deltaE00 } from '../../colour/difference';
import { hexOfWord, wordOf } from '../../colour/hex';
import { labOf } from '../../colour/lab';
import { isShowing, planOf, type Piece } from '../../fit/schema';
import { levelsOf } from '../../raster/colours';
import { MOST_INKS, type Ink } from '../../raster/inks';
import type { CheckContext, Rule } from '../context';
import type { Remedy } from '../finding';
import { inksOfFace } from '../measure/picture';

/** Inks that the face needs against the screens or films there are. Listed for methods that print spot inks. */
export const inkCount: Rule = {
  id: 'ink-count',
  rests: [],
  name: 'Inks',
  way: 'Merge inks, or choose a method that prints more.',
  further: { verb: 'Part it into few inks…', place: 'inks' },
  check: (context) => {
    const limit = context.blank.limits.inks;
    if (limit === null) return [];
    // What is printed in few inks has those, whatever the artwork has.
    const planned = planOf(context.fit, context.face.id)?.inks.length ?? null;
    const inks = planned === null ? inksOfFace(context) : null;
    const count = planned ?? (inks ? inks.length : null);
    const ready = count !== null && count <= limit;
    const shown = count === null ? `over ${MOST_INKS}` : String(count);
    return [
      {
        rule: 'ink-count',
        verdict: ready ? 'ready' : 'fix',
        faceId: context.face.id,
        measured: count ?? MOST_INKS + 1,
        required: limit,
        unit: 'inks',
        shown: { measured: `${shown} inks`, required: `at most ${limit}, one screen each` },
        gauge: { from: Math.max(12, limit * 2), to: 0, limit, value: Math.min(count ?? 99, limit * 2) },
        word: `${shown} inks`,
        message: ready
          ? `${shown} inks for ${limit} screens.`
          : count === null
            ? `The artwork is a photograph or a gradient, and ${context.blank.spec.house} prints ${limit} flat inks: use a rendition drawn in flat colours, or part it into few inks.`
            : `The artwork needs ${shown} inks and there are ${limit} screens.`,
        remedies: inks && !ready ? [merged(context, inks, limit)] : [],
      },
    ];
  },
};

/** The commonest inks stay; each other becomes the nearest of them. */
function merged(context: CheckContext, inks: readonly Ink[], limit: number): Remedy {
  const [kept, gone] = [inks.slice(0, limit), inks.slice(limit)];
  const nearest = (lab: Ink['lab']) =>
    kept.reduce((a, b) => (deltaE00(b.lab, lab) < deltaE00(a.lab, lab) ? b : a));
  const changes = gone.map((ink) => ({
    from: hexOfWord(ink.word),
    to: hexOfWord(nearest(ink.lab).word),
    lab: ink.lab,
  }));
  const named = (colour: string) => {
    const lab = labOf(...levelsOf(wordOf(colour)));
    return changes.find((change) => deltaE00(change.lab, lab) < 5)?.to ?? colour;
  };
  const change = (piece: Piece): Piece => {
    if (!isShowing(piece)) return recoloured(piece, named);
    const steps = changes.map(({ from, to }) => ({ kind: 'recolour', from, to }) as const);
    return { ...piece, finish: [...(piece.finish ?? []), ...steps] };
  };
  return {
    id: 'merge-inks',
    label: `Merge ${gone.length === 1 ? 'the least ink' : `the ${gone.length} least inks`} into the nearest of ${limit}`,
    pieces: context.pieces.map(change),
  };
}
