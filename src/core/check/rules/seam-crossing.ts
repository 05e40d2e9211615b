import { wayRound } from '../../blank/kinds';
import type { Rule } from '../context';
import { checkLines } from './crossing';

/** Motifs across the seam of a wrap that closes on itself, at either end. Listed where there is such a seam. */
export const seamCrossing: Rule = {
  id: 'seam-crossing',
  rests: ['size'],
  name: 'Across the seam',
  way: 'Move it off the seam.',
  onInk: 'whole',
  edges: true,
  check: (context) => {
    const around = wayRound(context.blank.blank.body, context.face);
    const ends = around === null ? [] : [0, around];
    return checkLines(
      context,
      'seam-crossing',
      ends.map((x) => ({ x, name: 'seam' })),
    );
  },
};
