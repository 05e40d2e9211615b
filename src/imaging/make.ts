import type { Engine } from './engine';
import { presses } from './pressing';
import { readers } from './reading';
import type { VipsModule } from './vips';
import { writers } from './writing';

/** Pixels after which an engine is tired. */
const TIRED_AFTER = 150e6;

/** Wraps a loaded `wasm-vips`: every image is deleted on the way out, errors become sentences. */
export function makeEngine(vips: VipsModule): Engine {
  vips.Cache.max(0);
  let worked = 0;
  return {
    ...readers(vips, (pixels) => {
      worked += pixels;
    }),
    ...presses(vips),
    ...writers(vips),
    tired: () => worked > TIRED_AFTER,
    memory: () => ({ bytes: vips.Stats.mem(), blocks: vips.Stats.allocations() }),
    close: () => {
      vips.shutdown();
    },
  };
}
