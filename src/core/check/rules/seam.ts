import { wayRound } from '../../blank/kinds';
import { factsFor, opaqueBox } from '../../fit/geometry';
import { setWidth } from '../../fit/place';
import { closeSeam, mirroredPast } from '../../fit/repeat';
import { fixed } from '../../length/show';
import { visibleOf, withPiece, type CheckContext, type Rule } from '../context';
import type { Finding, Remedy } from '../finding';
import { CHECK_LIMITS } from '../../limits';
import { measureSeam } from '../measure/seam';

/** On a wrap that closes on itself, the colour difference where its ends meet. Listed where there is a ground. */
export const seam: Rule = {
  id: 'seam',
  rests: ['size'],
  name: 'Seam',
  way: 'Bring a picture whose ends meet, or keep what does not meet off the seam.',
  edges: true,
  check: (context) => {
    const around = wayRound(context.blank.blank.body, context.face);
    if (around === null || visibleOf(context, 'ground').length === 0) return [];
    const { mean, largest, y } = measureSeam(context, around);
    const { seamMean, seamLargest, seamLook } = CHECK_LIMITS;
    const verdict = mean <= seamMean && largest <= seamLargest ? 'ready' : mean <= seamLook ? 'look' : 'fix';
    const said = `${fixed(mean, 1)} mean, ${fixed(largest, 1)} at most`;
    const finding: Finding = {
      rule: 'seam',
      verdict,
      faceId: context.face.id,
      measured: mean,
      required: seamMean,
      unit: 'dE00',
      shown: {
        measured: verdict === 'ready' && largest < 0.5 ? 'closes' : `dE ${fixed(mean, 1)}`,
        required: `${said}; ${seamMean} and ${seamLargest} wanted`,
      },
      gauge: { from: 10, to: -2, limit: seamMean, value: mean },
      word: verdict === 'ready' ? 'Seam' : `Seam dE ${fixed(mean, 1)}`,
      message:
        verdict === 'ready'
          ? 'The ends of the wrap meet in the same colours.'
          : `The ends of the wrap do not meet: colours differ by dE ${said}.`,
      remedies: [],
    };
    if (verdict === 'ready') return [finding];
    const place = { left: -context.face.bleed, right: 2, top: y - 2, bottom: y + 2 };
    return [{ ...finding, place, remedies: remedies(context, around) }];
  },
};

function remedies(context: CheckContext, around: number): Remedy[] {
  return [...closedRepeat(context, around), ...mirroredRound(context, around)];
}

/** A single ground laid twice round the wrap, or as often as it went, every other time mirrored: whatever it shows, its ends meet. */
function mirroredRound(context: CheckContext, around: number): Remedy[] {
  const [ground, ...others] = visibleOf(context, 'ground');
  if (ground?.kind !== 'artwork' || others.length > 0 || Math.abs(Math.sin(ground.rotation)) > 1e-9)
    return [];
  const facts = factsFor(ground, context.facts);
  const repeat = mirroredPast(ground, facts);
  const tiles = 2 * Math.max(1, Math.round(around / opaqueBox(repeat, facts).width / 2));
  const laid = setWidth(repeat, facts, around / tiles);
  const label = `Lay it ${tiles} times round, every other one mirrored: the ends meet`;
  return [{ id: 'mirror-round', label, pieces: withPiece(context, laid) }];
}

function closedRepeat(context: CheckContext, around: number): Remedy[] {
  const repeat = visibleOf(context, 'ground').find((piece) => piece.kind === 'repeat');
  const closed = repeat && closeSeam(repeat, factsFor(repeat, context.facts), around);
  if (!closed || Math.abs(closed.factor - 1) < 1e-6) return [];
  const change = fixed((closed.factor - 1) * 100, 2);
  const label = `Close the seam: tiles ${closed.factor > 1 ? '+' : ''}${change} %, ${closed.tiles} round the wrap`;
  return [{ id: 'close-seam', label, pieces: withPiece(context, closed.piece) }];
}
