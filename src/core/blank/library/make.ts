import { makeBlank } from '../make';
import type { Blank, Source } from '../schema';

export { WHITE } from '../make';

const TAPED: Source = { kind: 'tape', date: '2026-10-12' };

/** A shipped blank, measured with a tape. */
export function blank(told: Omit<Parameters<typeof makeBlank>[0], 'measured'>): Blank {
  return makeBlank({ measured: TAPED, ...told });
}
