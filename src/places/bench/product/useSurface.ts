import { create } from 'zustand';

export const SURFACES = ['plain', 'metal', 'kraft', 'window', 'slab'] as const;
export type Surface = (typeof SURFACES)[number];

export const SHOWINGS = ['one', 'rows', 'strewn'] as const;
export type Showing = (typeof SHOWINGS)[number];

/** What stickers are shown on, and how many of a set: the same for every fit that is looked at. */
export const useSurface = create<{ surface: Surface; showing: Showing }>(() => ({
  surface: 'metal',
  showing: 'one',
}));
