import { bringInside } from '../../fit/remedies';
import type { PlacedPiece } from '../../fit/schema';
import { fixed } from '../../length/show';
import { factsIn, motifsOf, withPiece, type CheckContext, type Rule } from '../context';
import { worstSide } from '../measure/grid';
import { measureSafe } from '../measure/safe';
import { tellingOnes, type Finding } from '../finding';
import { widen } from './cut-line';
import { SIDE_NAMES } from './bleed';

/** Every motif's pixels against the safe area: inside, between safe edge and trim, or past the trim. */
export const safe: Rule = {
  id: 'safe',
  rests: ['size', 'safe', 'safeFrom'],
  name: 'Safe area',
  way: 'Move it in from the edge, or make it smaller.',
  onInk: 'whole',
  edges: true,
  moves: true,
  check: (context) =>
    tellingOnes(
      motifsOf(context)
        .map((piece) => measure(context, piece))
        .sort((a, b) => a.clearance - b.clearance)
        .reverse()
        .map(({ finding }) => finding),
    ),
};

function measure(context: CheckContext, piece: PlacedPiece): { finding: Finding; clearance: number } {
  const { pastSafe, pastTrim, share, clearance, place } = measureSafe(context, piece);
  const side = worstSide(pastSafe);
  const past = pastSafe[side];
  const verdict = past === 0 ? 'ready' : pastTrim === 0 ? 'look' : 'fix';
  const base: Finding = {
    rule: 'safe',
    verdict,
    faceId: context.face.id,
    measured: past,
    required: 0,
    unit: 'mm',
    shown: {
      measured: past === 0 ? `${context.say(clearance)} inside` : `${context.say(past)} past`,
      required:
        past === 0
          ? `safe area ${context.say(context.face.safe)} in`
          : `${fixed(share * 100, 1)} % outside${pastTrim > 0 ? `, ${context.say(pastTrim)} past the trim` : ''}`,
    },
    gauge: { from: 10, to: -10, limit: 0, value: past > 0 ? past : -clearance },
    pieceId: piece.id,
    word: past === 0 ? 'Safe' : `Safe −${context.say(past)}`,
    message:
      past === 0
        ? `“${piece.name}” stays inside the safe area.`
        : `“${piece.name}” is ${context.say(past)} past the safe edge, ${SIDE_NAMES[side]}.`,
    remedies: [],
  };
  if (past === 0) return { finding: base, clearance };
  if (context.face.cut) {
    // The line goes where the artwork goes: only a wider border keeps it away.
    const remedies = [widen(context, past)];
    return { finding: { ...base, side, ...(place && { place }), remedies }, clearance: -past };
  }
  const mended = bringInside(piece, factsIn(context, piece), context.face);
  const label =
    mended.scale < 1
      ? `Shrink to ${Math.floor(mended.scale * 100)} % to clear the safe edge`
      : `Move ${context.say(mended.moved)} to clear the safe edge`;
  const finding: Finding = {
    ...base,
    side,
    ...(place && { place }),
    remedies: [{ id: 'inside-safe', label, pieces: withPiece(context, mended.piece) }],
  };
  return { finding, clearance: -past };
}
