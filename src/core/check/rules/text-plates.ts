import { rgbOf } from '../../colour/hex';
import { contrastRatio, luminanceOf } from '../../colour/ratio';
import { inLetterColours } from '../../fit/colours';
import { letterColours } from '../../fit/text';
import type { PlannedInk, PlatePlan } from '../../fit/plates';
import { planOf, type TextPiece } from '../../fit/schema';
import { CHECK_LIMITS } from '../../limits';
import { openOn } from '../../plates/plan';
import { inInks } from '../../plates/wear-inks';
import { withPiece, type CheckContext } from '../context';
import type { Remedy } from '../finding';

/**
 * What is printed of a face in few inks: all of its pieces in them, as lettering reads by those and not by the colours of the
 * artwork. Null where the face is printed as it is.
 */
export function inPlannedInks(context: CheckContext): { context: CheckContext; plan: PlatePlan } | null {
  const { blank, face, fit, pieces } = context;
  const plan = planOf(fit, face.id);
  if (!plan || plan.tones !== 'flat') return null;
  const { colours } = blank.blank;
  const product = (colours.find(({ id }) => id === fit.colourId) ?? colours[0]!).hex;
  const { stroke } = blank.limits;
  const worn = inInks(pieces, { plan, open: openOn(product), stroke, bleed: face.bleed });
  return { context: { ...context, pieces: worn.pieces }, plan };
}

/** The text in that ink of the print that stands out most from all that is behind it: no screen more. */
export function inAnotherInk(
  context: CheckContext,
  piece: TextPiece,
  { inks }: PlatePlan,
  behind: readonly number[],
): Remedy[] {
  const reads = ({ hex }: PlannedInk) => {
    const own = luminanceOf(rgbOf(hex));
    return Math.min(...behind.map((one) => contrastRatio(own, one)));
  };
  const best = inks.reduce((most, ink) => (reads(ink) > reads(most) ? ink : most));
  if (reads(best) < CHECK_LIMITS.ratioLook) return [];
  // What is printed in that ink: its own colour, unless another ink prints that.
  const colour = best.from.includes(best.hex) ? best.hex : best.from[0]!;
  const all = letterColours(piece.lettering);
  return [
    {
      id: 'in-another-ink',
      label: `Set ${all.length === 1 ? 'it' : `all its ${all.length} colours`} in ${best.name}, an ink of this print that stands out`,
      pieces: withPiece(
        context,
        inLetterColours(piece, () => colour),
      ),
    },
  ];
}
