import { initWasm, Resvg } from '@resvg/resvg-wasm';
import { plainMaker, type MakePlain } from './plain';

/** Where the app serves the program that makes drawings plain. */
const SERVED = '/resvg/index_bg.wasm';

/** Makes drawings plain in a browser's worker, with what the app's own server at `base` has for it. */
export function browserPlain(base: string): MakePlain {
  return plainMaker(async () => {
    await initWasm(fetch(new URL(SERVED, base)));
    return { Resvg };
  });
}
