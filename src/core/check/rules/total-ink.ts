import { fixed } from '../../length/show';
import type { Rule } from '../context';
import { judge } from '../finding';
import { CHECK_LIMITS } from '../../limits';
import { measureInk } from '../measure/inks';

/** The sum of the four inks against what the material holds. Listed where the method has a limit. */
export const totalInk: Rule = {
  id: 'total-ink',
  version: 1,
  rests: [],
  name: 'Total ink',
  way: 'Lighten the darkest parts of the artwork, or choose a house with a higher limit.',
  check: (context) => {
    const limit = context.blank.limits.totalInk;
    if (!context.press || limit === null) return [];
    const { share, largest, where } = measureInk(context, context.press, limit);
    const verdict = judge(share, CHECK_LIMITS.inkReady, CHECK_LIMITS.inkLook);
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
        word: verdict === 'ready' ? 'Ink' : `Ink ${fixed(largest, 0)} %`,
        message:
          verdict === 'ready'
            ? `No more ink than the material holds.`
            : `${percent} of the print takes more ink than the ${limit} % the material holds, up to ${fixed(largest, 0)} %: it dries badly and rubs off. Lighten its shadows, or ask the house for a profile made for ${limit} %.`,
        remedies: [],
        ...(verdict !== 'ready' && where()),
      },
    ];
  },
};
