import { assumedAmong, type SpecNumber } from '../../blank/questions';
import { printPixels } from '../../blank/resolve';
import { newFill } from '../../fit/place';
import { alphaOf } from '../measure/grid';
import type { CheckContext, Rule } from '../context';
import { CHECK_LIMITS } from '../limits';
import type { Remedy } from '../finding';

const RESTS: readonly SpecNumber[] = ['bleed', 'target', 'formats', 'pixels', 'density', 'modes', 'alpha'];

/** What the print file will be against what the house takes; a number that is only assumed is said. */
export const fileSpec: Rule = {
  id: 'file-spec',
  rests: RESTS,
  name: 'File',
  check: (context) => {
    const { spec } = context.blank;
    const pixels = printPixels(context.face, spec);
    const size = `${pixels.width} × ${pixels.height} px`;
    const unmet = unmetRules(context);
    const assumed = assumedAmong(context.blank, RESTS);
    const verdict = unmet.length > 0 ? 'fix' : assumed.length > 0 ? 'look' : 'ready';
    return [
      {
        rule: 'file-spec',
        verdict,
        faceId: context.face.id,
        measured: unmet.length,
        required: 0,
        unit: 'rules unmet',
        shown: {
          measured: verdict === 'fix' ? unmet.map(({ word }) => word).join(', ') : size,
          required: `${verdict === 'fix' ? `${size}, ` : ''}PNG, ${context.face.target} PPI, sRGB`,
        },
        gauge: null,
        word: verdict === 'fix' ? unmet[0]!.word : verdict === 'look' ? `Assumed ${assumed[0]!}` : 'File',
        message:
          verdict === 'fix'
            ? unmet.map(({ message }) => message).join(' ')
            : verdict === 'look'
              ? `Rests on an assumed ${assumed.join(', ')}: ask ${spec.house} before you order.`
              : `Meets every file rule of ${spec.house}.`,
        remedies: unmet.flatMap(({ remedies }) => remedies),
      },
    ];
  },
};

interface Unmet {
  word: string;
  message: string;
  remedies: Remedy[];
}

function unmetRules(context: CheckContext): Unmet[] {
  const { files, house } = context.blank.spec;
  const unmet: Unmet[] = [];
  if (!files.formats.value.includes('png')) {
    const message = `${house} takes no PNG, and print files are PNG so far.`;
    unmet.push({ word: 'no PNG', message, remedies: [] });
  }
  if (files.alpha.value === 'none' && hasClearPixels(context)) {
    const message = `${house} takes no transparency, and parts of this file are clear.`;
    unmet.push({ word: 'Clear parts', message, remedies: [whiteUnder(context)] });
  }
  return unmet;
}

function hasClearPixels(context: CheckContext): boolean {
  const alphaAt = alphaOf(
    context,
    context.pieces.filter(({ visible }) => visible),
  );
  for (let row = 0; row < context.grid.height; row++) {
    if (row % 64 === 0) context.progress(row / context.grid.height);
    for (let column = 0; column < context.grid.width; column++) {
      if (alphaAt(column, row) < CHECK_LIMITS.covers) return true;
    }
  }
  return false;
}

function whiteUnder(context: CheckContext): Remedy {
  const white = newFill('white-ground', '#ffffff', 'White ground');
  return {
    id: 'white-under',
    label: 'Lay a white ground under it, out to the bleed',
    pieces: [white, ...context.pieces],
  };
}
