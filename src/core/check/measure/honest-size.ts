import { opaqueBox } from '../../fit/geometry';
import { scalePiece } from '../../fit/place';
import type { ShowingPiece } from '../../fit/schema';
import { withPiece, type CheckContext } from '../context';
import type { Remedy } from '../finding';

/** A motif made smaller until what it has is enough; a ground has to cover, and has no such way. */
export function honestSize(context: CheckContext, piece: ShowingPiece, factor: number): Remedy[] {
  if (piece.role === 'ground') return [];
  const facts = context.facts(piece.artworkId);
  const smaller = scalePiece(piece, facts, factor);
  const box = opaqueBox(smaller, facts);
  if (box.width <= 0) return [];
  return [
    {
      id: 'honest-size',
      label: `Go down to ${context.say(box.width)} wide, the largest honest size`,
      pieces: withPiece(context, smaller),
    },
  ];
}
