import { bytesSource, pagedSource, READ_WHOLE_BYTES, type Source } from '@/core/formats/source';
import { closeSync, fstatSync, openSync, readSync } from 'node:fs';
import type { Engine } from './engine';
import { requireAtHome } from './home';
import { makeEngine } from './make';
import { ENGINE_SETTINGS, type VipsModule } from './vips';

/** Loads the engine in Node, for the command line, the demo's drawings and tests. */
export async function loadNodeEngine(): Promise<Engine> {
  const require = requireAtHome();
  const load = require('wasm-vips') as (config: object) => Promise<VipsModule>;
  // What it is given becomes the engine itself: another one begins with settings of its own.
  return makeEngine(await load({ ...ENGINE_SETTINGS }));
}

/** A file on disk; a large one is read part by part. Throws as `fs` does where there is none to read. */
export function fileSource(path: string): Source & { close: () => void } {
  const handle = openSync(path, 'r');
  const close = () => {
    closeSync(handle);
  };
  const load = (at: number, length: number) => {
    const bytes = new Uint8Array(length);
    return bytes.subarray(0, readSync(handle, bytes, 0, length, at));
  };
  const { size } = fstatSync(handle);
  const source = size <= READ_WHOLE_BYTES ? bytesSource(load(0, size)) : pagedSource(size, load);
  return { ...source, close };
}
