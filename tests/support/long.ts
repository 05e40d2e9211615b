/** Whether this is the long run (`./verify --long`): many more cases of what is tried at random. */
export const LONG = process.env['UPFIT_LONG'] === '1';

/** How often a costly property is tried; far more often in the long run. */
export const runs = (usual: number): { numRuns: number } => ({ numRuns: LONG ? usual * 40 : usual });

/** So many of a list of costly cases, spread over it with its first and last; all of them in the long run. */
export function few<T>(all: readonly T[], count: number): readonly T[] {
  if (LONG || count >= all.length) return all;
  return Array.from({ length: count }, (_, i) => all[Math.round((i * (all.length - 1)) / (count - 1 || 1))]!);
}

/** Tests of the long run alone, with what is made ready for them. */
export function longDescribe(name: string, body: () => void): void {
  if (LONG) describe(name, body);
}

/** A test of the long run alone: what it drives is held in its parts by others, and takes long to drive whole. */
export function longTest(
  name: string,
  body: (() => Promise<void>) | (() => void),
  milliseconds?: number,
): void {
  if (LONG) test(name, body as () => void, milliseconds);
}
