import { MM_PER_INCH } from '@/core/length/units';

/** Points in a mm. */
export const PT = 72 / MM_PER_INCH;
