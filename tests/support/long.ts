/** Whether this is the long run (`./verify --long`): many more cases of what is tried at random. */
export const LONG = process.env['UPFIT_LONG'] === '1';

/** How often a costly property is tried; far more often in the long run. */
export const runs = (usual: number): { numRuns: number } => ({ numRuns: LONG ? usual * 40 : usual });

/** A test of the long run alone: what it drives is held in its parts by others, and takes long to drive whole. */
export const longTest = ((name: string, body: () => Promise<void>) => {
  if (LONG) test(name, body);
}) as (name: string, body: () => Promise<void>) => void;
