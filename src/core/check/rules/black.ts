import { sayInks } from '../../colour/black';
import { fixed } from '../../length/show';
import type { Rule } from '../context';
import { hasRecipe, measureBlack, recipeOf } from '../measure/inks';

/** Large blacks that would be printed by black ink nearly alone, and come out grey. Listed where there is an ink limit. */
export const black: Rule = {
  id: 'black',
  rests: [],
  name: 'Black',
  way: 'Print it in the house’s black, or accept a greyer one.',
  check: (context) => {
    if (!context.press || context.blank.limits.totalInk === null) return [];
    const { area, inks, where } = measureBlack(context, context.press);
    const recipe = recipeOf(context);
    const done = hasRecipe(context);
    const ready = done || area === 0;
    const size = `${fixed(area, 0)} mm²`;
    return [
      {
        rule: 'black',
        verdict: ready ? 'ready' : 'look',
        faceId: context.face.id,
        measured: ready ? 0 : area,
        required: 0,
        unit: 'mm2',
        shown: {
          measured: ready ? (done && area > 0 ? 'on the recipe' : 'none large') : size,
          required: `recipe ${sayInks(recipe)}`,
        },
        gauge: null,
        word: ready ? 'Black' : 'Black as grey',
        message: ready
          ? 'No large black is printed by black ink alone.'
          : `${size} of black would be printed as ${sayInks(inks)}: black ink alone lets the paper through and looks dark grey over an area. The recipe ${sayInks(recipe)} looks black.`,
        remedies: ready
          ? []
          : [
              {
                id: 'rich-black',
                label: `Put large blacks on ${sayInks(recipe)}`,
                pieces: context.pieces.map((piece) => ({ ...piece, richBlack: true })),
              },
            ],
        ...(!ready && where),
      },
    ];
  },
};
