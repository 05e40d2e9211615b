import { artworkIdsOf, type Role } from '@/core/fit/schema';
import { inRole, swapOne } from '@/core/many/artwork';
import { blankOf } from '@/state/shop/library';
import { useShop } from '@/state/shop/shop';
import { counted, factsOf, toFit, type ManyAct } from './act';

const nameOf = (id: string) => useShop.getState().artworks.get(id)?.facts.name ?? id;

const showsArtwork: ManyAct['takes'] = ({ fit }) => fit !== null && artworkIdsOf(fit).length > 0;

export const SWAP: ManyAct = {
  name: 'Swap an artwork for another…',
  done: 'with the other artwork',
  takes: showsArtwork,
  asks: [
    {
      id: 'from',
      label: 'instead of',
      kind: 'choice',
      choices: (targets) => counted(targets, artworkIdsOf, nameOf),
    },
    {
      id: 'to',
      label: 'comes',
      kind: 'artwork',
      choices: () => [...useShop.getState().artworks.values()].map(({ id, facts }) => [id, facts.name]),
    },
  ],
  change: toFit(({ fit }, { from = '', to = '' }) =>
    from === to ? { why: 'It is the same artwork.' } : swapOne(fit, from, to, factsOf),
  ),
};

export const ROLE: ManyAct = {
  name: 'Make an artwork ground or motif…',
  done: 'with the other role',
  takes: showsArtwork,
  asks: [
    {
      id: 'artwork',
      label: 'artwork',
      kind: 'choice',
      choices: (targets) => counted(targets, artworkIdsOf, nameOf),
    },
    {
      id: 'role',
      label: 'becomes',
      kind: 'choice',
      choices: () => [
        ['ground', 'a ground, out past the bleed'],
        ['motif', 'a motif, inside the safe area'],
      ],
    },
  ],
  change: toFit(({ fit }, { artwork = '', role }) => {
    const blank = blankOf(fit, useShop.getState());
    if (!blank) return { why: 'Its blank is no longer here.' };
    return inRole(fit, blank, { artworkId: artwork, role: role as Role }, factsOf);
  }),
};
