import { fixed } from '../../length/show';
import { showingPieces, type CheckContext, type Rule } from '../context';
import { judge } from '../finding';
import { CHECK_LIMITS } from '../../limits';
import { measureInk } from '../measure/inks';

/** The sum of the four inks against what the material holds. Listed where the method has a limit. */
export const totalInk: Rule = {
  id: 'total-ink',
  rests: [],
  name: 'Total ink',
  way: 'Lighten the darkest parts of the artwork, or choose a house with a higher limit.',
  check: (context) => {
    const limit = context.blank.limits.totalInk;
    if (!context.press || limit === null) return [];
    const { share, largest, where } = measureInk(context, context.press, limit);
    const own = ownInks(context, limit);
    const judged = judge(share, CHECK_LIMITS.inkReady, CHECK_LIMITS.inkLook);
    // What is printed is within the limit; that it is not what the file holds is for a person to decide.
    const verdict = judged === 'ready' && own !== '' ? 'look' : judged;
    const percent = `${fixed(share * 100, 1)} %`;
    return [
      {
        rule: 'total-ink',
        verdict,
        faceId: context.face.id,
        measured: largest,
        required: limit,
        unit: '%',
        shown: { measured: `${fixed(largest, 0)} %`, required: `${percent} of the print over ${limit} %` },
        gauge: { from: 400, to: 0, limit, value: largest },
        word: judged !== 'ready' ? `Ink ${fixed(largest, 0)} %` : own ? 'Inks made anew' : 'Ink',
        message:
          judged === 'ready'
            ? `No more ink than the material holds.${own}`
            : `${percent} of the print takes more ink than the ${limit} % the material holds, up to ${fixed(largest, 0)} %: it dries badly and rubs off. Lighten its shadows, or ask the house for a profile made for ${limit} %.${own}`,
        remedies: [],
        ...(judged !== 'ready' && where()),
      },
    ];
  },
};

/** What becomes of the inks of files that hold more of their own than the material does: a sentence for each, or nothing. */
function ownInks(context: CheckContext, limit: number): string {
  return showingPieces(context)
    .map((piece) => {
      const { totalInk: most } = context.facts(piece.artworkId);
      return most !== undefined && most > limit
        ? ` “${piece.name}” holds up to ${fixed(most, 0)} % of its own: its colours are kept, and its inks are made anew by the house’s profile.`
        : '';
    })
    .join('');
}
