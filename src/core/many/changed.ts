import type { Fit } from '../fit/schema';

/** A fit after an act on many, or why it is left as it is, in a sentence. */
export type Changed = { fit: Fit } | { why: string };
