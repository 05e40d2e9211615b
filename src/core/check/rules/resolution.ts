import { measureShowing, type CheckContext, type Rule } from '../context';
import type { Finding } from '../finding';
import { honestSize } from '../measure/honest-size';
import { meetsPpi, shownPpi, toldPpi } from '../../fit/density';
import type { ShowingPiece } from '../../fit/schema';

/** Placed PPI of every piece, the smaller of its axes, against the blank's target and floor. */
export const resolution: Rule = {
  id: 'resolution',
  rests: ['target', 'floor'],
  name: 'Resolution',
  way: 'Bring the picture with more pixels, or make it smaller.',
  moves: true,
  check: (context) => measureShowing(context, 'more', measure),
};

function measure(context: CheckContext, piece: ShowingPiece): Finding | null {
  const placed = shownPpi(context.facts(piece.artworkId), piece, context.face);
  if (!placed) return null;
  const { target, floor } = context.face;
  const { least } = placed;
  const isMet = meetsPpi(placed, target);
  const verdict = isMet ? 'ready' : meetsPpi(placed, floor) ? 'look' : 'fix';
  const ppi = toldPpi(placed, context.face);
  return {
    rule: 'resolution',
    verdict,
    faceId: context.face.id,
    measured: isMet ? Math.max(least, target) : least,
    required: target,
    unit: 'PPI',
    shown: { measured: `${ppi} PPI`, required: `${target} wanted, floor ${floor}` },
    gauge: { from: 0, to: target * 1.5, limit: target, value: least },
    pieceId: piece.id,
    word: `${ppi} PPI`,
    message:
      verdict === 'ready'
        ? `“${piece.name}” has ${ppi} PPI at this size${onArc(context)}.`
        : `“${piece.name}” has ${ppi} PPI at this size; ${
            verdict === 'fix' ? `under ${floor} it prints blurred` : `${target} is wanted`
          }.`,
    remedies: verdict === 'ready' ? [] : honestSize(context, piece, least / context.face.target),
  };
}

function onArc({ face }: CheckContext): string {
  return face.bend ? ' where the arc is widest' : '';
}
