import type { Raster } from './raster';

/** A straight line of a drawing: upright at x, or level at y, in pixels of the picture, to a part of a pixel. */
export interface FoundLine {
  direction: 'upright' | 'level';
  at: number;
}

/** How far from the point a line is looked for, and how far along it must run, in pixels. */
const REACH = 7;
const RUN = 28;
/** A line's darkness must change by this much of 255 against what lies beside it. */
const CONTRAST = 28;

/**
 * The straight line nearest to a point of a drawn template: the column or row near it where, all along a run, the
 * drawing differs from both its sides. `null` where there is none. Its place is weighted over the line's thickness.
 */
export function lineAt(raster: Raster, x: number, y: number): FoundLine | null {
  const upright = strongest(raster, x, y, 'upright');
  const level = strongest(raster, x, y, 'level');
  if (!upright && !level) return null;
  if (!level || (upright && upright.strength >= level.strength))
    return { direction: 'upright', at: upright!.at };
  return { direction: 'level', at: level.at };
}

function strongest(
  raster: Raster,
  x: number,
  y: number,
  direction: FoundLine['direction'],
): { at: number; strength: number } | null {
  const across = direction === 'upright' ? x : y;
  const along = direction === 'upright' ? y : x;
  const length = direction === 'upright' ? raster.height : raster.width;
  const breadth = direction === 'upright' ? raster.width : raster.height;
  const from = Math.max(0, Math.round(along) - RUN);
  const to = Math.min(length, Math.round(along) + RUN + 1);
  const first = Math.max(0, Math.round(across) - REACH - 2);
  const last = Math.min(breadth, Math.round(across) + REACH + 3);
  if (last - first < 3 || to - from < RUN) return null;

  const profile = Array.from({ length: last - first }, (_, i) => {
    let sum = 0;
    for (let step = from; step < to; step++) {
      sum += direction === 'upright' ? darkness(raster, first + i, step) : darkness(raster, step, first + i);
    }
    return sum / (to - from);
  });
  const base = [...profile].sort((a, b) => a - b)[Math.floor(profile.length / 3)]!;
  let peak = -1;
  profile.forEach((value, i) => {
    const strength = value - base;
    if (strength > CONTRAST && (peak < 0 || strength > profile[peak]! - base)) peak = i;
  });
  if (peak < 0) return null;
  let low = peak;
  let high = peak;
  const half = base + (profile[peak]! - base) / 2;
  while (low > 0 && profile[low - 1]! >= half) low--;
  while (high < profile.length - 1 && profile[high + 1]! >= half) high++;
  let weight = 0;
  let centre = 0;
  for (let i = Math.max(0, low - 1); i <= Math.min(profile.length - 1, high + 1); i++) {
    const part = Math.max(0, profile[i]! - base);
    weight += part;
    centre += part * (first + i + 0.5);
  }
  return { at: centre / weight, strength: profile[peak]! - base };
}

/** How far a pixel is from white paper, 0 to 255: a yellow line counts like a black one. */
function darkness({ data, width }: Raster, x: number, y: number): number {
  const at = (y * width + x) * 4;
  return ((255 - Math.min(data[at]!, data[at + 1]!, data[at + 2]!)) * data[at + 3]!) / 255;
}
