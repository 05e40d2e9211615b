/** Whether this is the long run (`./verify --long`): many more cases of what is tried at random. */
export const LONG = process.env['UPFIT_LONG'] === '1';

/** How often a costly property is tried; far more often in the long run. */
export const runs = (usual: number): { numRuns: number } => ({ numRuns: LONG ? usual * 40 : usual });
