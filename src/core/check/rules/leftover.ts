import { showingPieces, withFinish, type Rule } from '../context';
import type { Finding } from '../finding';
import { flawsOf } from './flaws';

/** Guide and crop lines that a template left in an artwork. */
export const leftover: Rule = {
  id: 'leftover',
  version: 1,
  rests: [],
  name: 'Leftover lines',
  check: (context) => {
    if (showingPieces(context).length === 0) return [];
    const found = flawsOf(context, ['line']);
    const base: Finding = {
      rule: 'leftover',
      verdict: 'ready',
      faceId: context.face.id,
      measured: 0,
      required: 0,
      unit: 'lines',
      shown: { measured: 'none', required: 'no guide or crop lines' },
      gauge: null,
      word: 'No lines',
      message: 'No guide or crop lines are left in the artwork.',
      remedies: [],
    };
    if (found.length === 0) return [base];
    return found.map(({ piece, flaws, place }) => {
      const certain = flaws.some((flaw) => flaw.certain);
      const count = flaws.length === 1 ? '1 line' : `${flaws.length} lines`;
      return {
        ...base,
        verdict: certain ? 'fix' : 'look',
        measured: flaws.length,
        shown: { ...base.shown, measured: count },
        word: count,
        pieceId: piece.id,
        place,
        message: `“${piece.name}” has ${count} in it that ${certain ? 'run from edge to edge, as a template’s guides do' : 'look like crop marks'}: they would be printed.`,
        remedies: [
          {
            id: 'close-lines',
            label: certain ? 'Close the lines over' : 'Clear the marks',
            // Marks lie by themselves and are cleared as specks are.
            pieces: withFinish(
              context,
              piece,
              { kind: 'tidy', what: 'lines' },
              ...(certain ? [] : [{ kind: 'tidy', what: 'specks' } as const]),
            ),
          },
        ],
      };
    });
  },
};
