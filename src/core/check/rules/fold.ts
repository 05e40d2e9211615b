import type { Rule } from '../context';
import { checkLines } from './crossing';

/** Motifs across a fold of the product: lettering breaks there. Listed where the face is folded. */
export const fold: Rule = {
  id: 'fold',
  rests: ['size'],
  name: 'Fold',
  way: 'Move it into one panel.',
  onInk: 'whole',
  edges: true,
  check: (context) =>
    checkLines(
      context,
      'fold',
      context.face.folds.map((x) => ({ x, name: 'fold' })),
    ),
};
