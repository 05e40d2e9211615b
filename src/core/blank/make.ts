import type { Blank, ProductColour, Source } from './schema';

export const WHITE: ProductColour = { id: 'white', name: 'White', hex: '#f7f6f2' };

type Told = Pick<Blank, 'id' | 'name' | 'body' | 'methodId' | 'specId'> & {
  measured: Source;
} & Partial<Blank>;

/** A blank; what is left out is what most have: white, one size, one state, no limit of its own. */
export function makeBlank(told: Told): Blank {
  return {
    upfit: 'blank/1',
    version: 1,
    limits: {},
    viewedFrom: null,
    colours: [WHITE],
    states: [],
    sizes: [],
    splits: [],
    ...told,
  };
}
