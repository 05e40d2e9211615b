import type { Engine } from './engine';
import { makeEngine } from './make';
import { ENGINE_SETTINGS, type VipsModule } from './vips';

/** Loads the engine in a worker, from the app's own server at `base`. */
export async function loadBrowserEngine(base: string): Promise<Engine> {
  const folder = new URL('/vips/', base).href;
  const script = new URL('vips-es6.js', folder).href;
  const module = (await import(/* turbopackIgnore: true */ script)) as {
    default: (config: object) => Promise<VipsModule>;
  };
  const vips = await module.default({
    ...ENGINE_SETTINGS,
    locateFile: (file: string) => new URL(file, folder).href,
    mainScriptUrlOrBlob: script,
  });
  // Several workers share the cores: each engine keeps to one.
  vips.concurrency(1);
  return makeEngine(vips);
}
