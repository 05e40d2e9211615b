import type { PixelBox } from '../artwork/facts';
import { IN_SILENCE, type Progress, type Raster } from './raster';

/** Alpha above which a pixel counts as there. */
export const PRESENT = 8;
/** A connected part under this share of the picture's area is a speck. */
const SPECK_SHARE = 0.0005;

interface Part {
  pixels: number;
  left: number;
  top: number;
  right: number;
  bottom: number;
}

export interface OpaqueBounds {
  bounds: PixelBox;
  /** Share of the picture's area with alpha > 8. */
  share: number;
  specks: { count: number; pixels: number };
}

/**
 * Bounds of the pixels with alpha > 8, leaving out connected specks under 0.05 % of the picture's area
 * (unless there is nothing else). Runs of a row are joined with those they touch in the row above, corners
 * included, so that the work is by runs, not by pixels.
 */
export function opaqueBounds(raster: Raster, progress: Progress = IN_SILENCE): OpaqueBounds {
  const { width, height, data } = raster;
  const whole = { x: 0, y: 0, width, height };
  if (raster.opaque) return { bounds: whole, share: 1, specks: { count: 0, pixels: 0 } };
  const parts: Part[] = [];
  const parents: number[] = [];
  const root = (part: number): number => {
    while (parents[part] !== part) part = parents[part] = parents[parents[part]!]!;
    return part;
  };
  const join = (a: number, b: number): number => {
    const [low, high] = a < b ? [a, b] : [b, a];
    if (low === high) return low;
    parents[high] = low;
    absorb(parts[low]!, parts[high]!);
    return low;
  };

  let above: number[] = []; // start, end (exclusive), part of each run of the row before
  for (let y = 0; y < height; y++) {
    if (y % 256 === 0) progress(y / height);
    const row: number[] = [];
    let next = 0;
    let at = y * width * 4 + 3;
    for (let x = 0; x < width;) {
      for (; x < width && data[at]! <= PRESENT; at += 4) x++;
      if (x === width) break;
      const start = x;
      for (; x < width && data[at]! > PRESENT; at += 4) x++;
      let part = -1;
      while (next < above.length && above[next + 1]! < start) next += 3;
      for (let run = next; run < above.length && above[run]! <= x; run += 3) {
        const touched = root(above[run + 2]!);
        part = part === -1 ? touched : join(root(part), touched);
      }
      if (part === -1) {
        part = parts.length;
        parents.push(part);
        parts.push({ pixels: 0, left: start, top: y, right: x, bottom: y + 1 });
      }
      absorb(parts[part]!, { pixels: x - start, left: start, top: y, right: x, bottom: y + 1 });
      row.push(start, x, part);
    }
    above = row;
  }

  const connected = parts.filter((_, part) => parents[part] === part);
  const least = width * height * SPECK_SHARE;
  const large = connected.filter((part) => part.pixels >= least);
  const kept = large.length > 0 ? large : connected;
  const specks = large.length > 0 ? connected.filter((part) => part.pixels < least) : [];
  const first = kept[0];
  if (!first)
    return { bounds: { x: 0, y: 0, width: 0, height: 0 }, share: 0, specks: { count: 0, pixels: 0 } };
  const all = { ...first };
  for (const part of kept.slice(1)) absorb(all, part);
  return {
    bounds: { x: all.left, y: all.top, width: all.right - all.left, height: all.bottom - all.top },
    share: pixelsIn(connected) / (width * height),
    specks: { count: specks.length, pixels: pixelsIn(specks) },
  };
}

function pixelsIn(parts: Part[]): number {
  return parts.reduce((sum, part) => sum + part.pixels, 0);
}

function absorb(into: Part, other: Part): void {
  into.pixels += other.pixels;
  into.left = Math.min(into.left, other.left);
  into.top = Math.min(into.top, other.top);
  into.right = Math.max(into.right, other.right);
  into.bottom = Math.max(into.bottom, other.bottom);
}
