import { createRequire } from 'node:module';
import { ENGINE_SETTINGS, makeEngine, type Engine, type VipsModule } from './engine';

/** Loads the engine in Node, for the command line, the demo's drawings and tests. */
export async function loadNodeEngine(): Promise<Engine> {
  const require = createRequire(`${process.cwd()}/package.json`);
  const load = require('wasm-vips') as (config: object) => Promise<VipsModule>;
  return makeEngine(await load(ENGINE_SETTINGS));
}
