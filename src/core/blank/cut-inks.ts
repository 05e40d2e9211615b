import { BACKING_INK, CUT_INK, type HouseSpec } from './schema';

/** What the separations of a sticker's lines are called: its own, and the backing's that is cut through. */
export interface CutInks {
  cut: string;
  backing: string;
}

/** The names of a house's record, or the usual ones. */
export function cutInksOf({ cutInk, backingInk }: Pick<HouseSpec, 'cutInk' | 'backingInk'>): CutInks {
  return { cut: cutInk ?? CUT_INK, backing: backingInk ?? BACKING_INK };
}
