import * as v from 'valibot';

/** How a piece's colours mix with what is under it (W3C Compositing and Blending, separable modes). */
export const BLENDS = ['multiply', 'screen', 'darken', 'lighten'] as const;
export type Blend = (typeof BLENDS)[number];

/** Fields of a piece that is not laid over what is under it plain and whole. */
export const mixing = {
  /** 0.01 to 1; none is 1. */
  opacity: v.optional(v.pipe(v.number(), v.minValue(0.01), v.maxValue(1))),
  blend: v.optional(v.picklist(BLENDS)),
};

interface Mixing {
  opacity?: number | undefined;
  blend?: Blend | undefined;
  knockout: boolean;
}

/** Whether a piece shows what is under it through its own ink. What takes away what is under it mixes with nothing. */
export function isMixed({ opacity = 1, blend, knockout }: Mixing): boolean {
  return !knockout && (opacity < 1 || blend !== undefined);
}

/** What two levels of one channel make, 0 to 255 each. */
export const MIXED: Record<Blend, (under: number, over: number) => number> = {
  multiply: (under, over) => (under * over) / 255,
  screen: (under, over) => under + over - (under * over) / 255,
  darken: Math.min,
  lighten: Math.max,
};
