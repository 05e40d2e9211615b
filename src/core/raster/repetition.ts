import type { Band } from './band';
import { words } from './raster';

/** Gaps between changes that must be seen before they tell of repetition. */
const LEAST_GAPS = 8;
/** Codes, chequers and pixel art are drawn in so few colours, edges and all, and lose nothing by being enlarged. */
const FEW_COLOURS = 16;

/** How many times each pixel was repeated by nearest-neighbour enlargement; a picture of few flat colours was not. */
export class Repetition {
  private readonly across: Uint8Array;
  private readonly down: Uint8Array;
  /** Set once two changes lie side by side. */
  private none = false;
  private readonly colours = new Set<number>();

  constructor(width: number, height: number) {
    this.across = new Uint8Array(width);
    this.down = new Uint8Array(height);
  }

  take({ raster, first, rows, y }: Band): void {
    const pixels = words(raster);
    for (let row = 0; row < rows && this.colours.size <= FEW_COLOURS; row++) {
      const start = (first + row) * raster.width;
      for (let x = 0; x < raster.width && this.colours.size <= FEW_COLOURS; x++)
        this.colours.add(pixels[start + x]!);
    }
    for (let row = 0; row < rows && !this.none; row++) {
      if (first + row + 1 < raster.height) this.takeRow(pixels, first + row, y + row);
    }
  }

  /** 1 where nothing was repeated. */
  factor(): number {
    return this.none || this.colours.size <= FEW_COLOURS
      ? 1
      : Math.max(1, Math.min(stepOf(this.across), stepOf(this.down)));
  }

  private takeRow(pixels: Uint32Array, row: number, y: number): void {
    const { across, down } = this;
    const width = across.length;
    const start = row * width;
    let differs = false;
    for (let x = 0; x + 1 < width; x++) {
      const pixel = pixels[start + x]!;
      differs ||= pixel !== pixels[start + width + x]!;
      if (pixel === pixels[start + x + 1]! || across[x] === 1) continue;
      if (across[x + 1] === 1 || (x > 0 && across[x - 1] === 1)) {
        this.none = true;
        return;
      }
      across[x] = 1;
    }
    if (!differs) return;
    if (y > 0 && down[y - 1] === 1) this.none = true;
    down[y] = 1;
  }
}

/**
 * The step in which a picture changes; 1 where too few changes tell. A factor that is no whole number repeats some
 * pixels once more than others: their mean is the factor.
 */
function stepOf(changed: Uint8Array): number {
  const at = [...changed.keys()].filter((index) => changed[index] === 1);
  const gaps = at.slice(1).map((index, i) => index - at[i]!);
  if (gaps.length < LEAST_GAPS) return 1;
  const least = Math.min(...gaps);
  const whole = gaps.filter((gap) => gap <= least + 1);
  return whole.reduce((sum, gap) => sum + gap, 0) / whole.length;
}
