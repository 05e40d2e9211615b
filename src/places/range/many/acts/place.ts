import { SIDES } from '@/core/blank/shape';
import { fitTitle } from '@/core/fit/version';
import { parseLength } from '@/core/length/parse';
import { arrangedLike } from '@/core/many/arrangement';
import { colourGround } from '@/core/many/ground';
import { atDistance, type Distance } from '@/core/many/place';
import { blankOf } from '@/state/shop/library';
import { begunFit } from '@/state/shop/fitting';
import { useShop } from '@/state/shop/shop';
import { factsOf, isFitted, newId, toFit, type ManyAct } from './act';

const GONE = { why: 'Its blank is no longer here.' };

export const FIT: ManyAct = {
  name: 'Fit them, as their blanks begin',
  done: 'fitted',
  takes: ({ fit }) => fit === null,
  asks: [],
  change: async ({ design, blankId }) => ({ fit: await begunFit(design.id, blankId) }),
};

export const GROUND: ManyAct = {
  name: 'Change the colour of their ground…',
  done: 'on another ground',
  takes: isFitted,
  asks: [{ id: 'colour', label: 'colour of the ground', kind: 'colour' }],
  change: toFit(({ fit }, { colour = '' }) => colourGround(fit, colour, newId)),
};

export const DISTANCE: ManyAct = {
  name: 'Set their distance from an edge…',
  done: 'at that distance',
  takes: isFitted,
  asks: [
    {
      id: 'edge',
      label: 'motifs lie from the',
      kind: 'choice',
      choices: () =>
        (['safe', 'trim'] as const).flatMap((from) =>
          SIDES.map(
            (side) =>
              [`${from} ${side}`, `${side} of the ${from === 'safe' ? 'safe area' : 'trim'}`] as const,
          ),
        ),
    },
    { id: 'distance', label: 'by', kind: 'length' },
  ],
  change: toFit(({ fit }, { edge = '', distance = '' }) => {
    const shop = useShop.getState();
    const blank = blankOf(fit, shop);
    if (!blank) return GONE;
    const read = parseLength(distance, { unit: shop.settings.unit.unit });
    if (!read.ok) return { why: read.message };
    const [from, side] = edge.split(' ') as [Distance['from'], Distance['side']];
    return atDistance(fit, blank, { from, side, mm: read.mm }, factsOf);
  }),
};

export const ARRANGE: ManyAct = {
  name: 'Arrange them like one of them…',
  done: 'arranged like it',
  takes: isFitted,
  asks: [
    {
      id: 'like',
      label: 'like',
      kind: 'choice',
      choices: (targets) => {
        const { blanks } = useShop.getState();
        return targets.filter(isFitted).map(({ fit, design, blankId }) => {
          const on = blanks.get(blankId)?.blank.name ?? blankId;
          return [fit.id, `${fitTitle(design, fit)} on ${on}`];
        });
      },
    },
  ],
  change: toFit(({ fit, design }, { like = '' }) => {
    const shop = useShop.getState();
    const model = shop.fits.get(like);
    const theirs = model && blankOf(model, shop);
    const blank = blankOf(fit, shop);
    if (!model || !theirs || !blank) return GONE;
    return arrangedLike({ fit, blank }, { fit: model, blank: theirs }, design, { factsOf, newId });
  }),
};
