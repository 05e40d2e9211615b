import type { Blank, ProductColour, Source } from '../schema';

const TAPED: Source = { kind: 'tape', date: '2026-10-12' };

export const WHITE: ProductColour = { id: 'white', name: 'White', hex: '#f7f6f2' };

type Told = Pick<Blank, 'id' | 'name' | 'body' | 'methodId' | 'specId'> & Partial<Blank>;

/** A shipped blank; what is left out is what most have: white, one size, one state, measured with a tape. */
export function blank(told: Told): Blank {
  return {
    upfit: 'blank/1',
    version: 1,
    measured: TAPED,
    limits: {},
    viewedFrom: null,
    colours: [WHITE],
    states: [],
    sizes: [],
    splits: [],
    ...told,
  };
}
