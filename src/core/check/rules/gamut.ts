import { fixed } from '../../length/show';
import type { Rule } from '../context';
import { CHECK_LIMITS } from '../../limits';
import { measureGamut } from '../measure/inks';

/** Colours that the printing inks cannot reach. Listed where the profile is known and the method mixes its colours. */
export const gamut: Rule = {
  id: 'gamut',
  rests: [],
  name: 'Gamut',
  way: 'Look at the soft proof: where it looks right, accept it.',
  check: (context) => {
    if (!context.press || context.blank.limits.inks !== null) return [];
    const { share, largest, where } = measureGamut(context, context.press);
    const { gamutReady, outOfGamut } = CHECK_LIMITS;
    const ready = share <= gamutReady;
    const percent = `${fixed(share * 100, 1)} %`;
    return [
      {
        rule: 'gamut',
        verdict: ready ? 'ready' : 'look',
        faceId: context.face.id,
        measured: share * 100,
        required: gamutReady * 100,
        unit: '%',
        shown: {
          measured: percent,
          required: `${fixed(gamutReady * 100, 0)} % allowed over dE ${outOfGamut}; furthest ${fixed(largest, 1)}`,
        },
        gauge: { from: 100, to: -10, limit: gamutReady * 100, value: share * 100 },
        word: ready ? 'Gamut' : `Gamut ${percent}`,
        message: ready
          ? 'Nearly all colours can be printed as they are.'
          : `${percent} of the print will come out in visibly other colours (${fixed(gamutReady * 100, 0)} % is allowed). Look at the soft proof.`,
        remedies: [],
        ...(!ready && where()),
      },
    ];
  },
};
