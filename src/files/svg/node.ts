import { readFileSync } from 'node:fs';
import { requireAtHome } from '@/imaging/home';
import { plainMaker, type MakePlain, type PlainLibrary } from './plain';

/** Makes drawings plain in Node, for the command line and tests. */
export function nodePlain(): MakePlain {
  return plainMaker(async () => {
    const require = requireAtHome();
    const library = require('@resvg/resvg-wasm') as PlainLibrary & {
      initWasm: (bytes: Uint8Array) => Promise<void>;
    };
    await initOnce(library, () => readFileSync(require.resolve('@resvg/resvg-wasm/index_bg.wasm')));
    return library;
  });
}

let begun: Promise<void> | undefined;

/** It is loaded once a process, whoever asks. */
function initOnce(
  { initWasm }: { initWasm: (bytes: Uint8Array) => Promise<void> },
  bytes: () => Uint8Array,
): Promise<void> {
  return (begun ??= initWasm(bytes()));
}
