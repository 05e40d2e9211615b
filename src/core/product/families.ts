/** What kinds of things scenes are made for. */
export const FAMILIES = ['round', 'garment', 'case', 'wall', 'soft', 'paper', 'small', 'sticker'] as const;
export type Family = (typeof FAMILIES)[number];

/** What holds a sewn thing in its shape, where it does not just lie there. */
export const HOLDERS = ['none', 'form', 'hanger', 'stack', 'hook'] as const;
export type Holder = (typeof HOLDERS)[number];
