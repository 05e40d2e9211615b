import { trimSize, type ResolvedBlank } from '@/core/blank/resolve';
import { isToShape } from '@/core/cut/face';
import type { Fit } from '@/core/fit/schema';
import { showSize, type UnitSetting } from '@/core/length/show';

/** What a column's blank measures: its first print area, or the box of its arc. */
export function sizeInWords(resolved: ResolvedBlank, unit: UnitSetting): string {
  if (isToShape(resolved)) return 'cut to the artwork';
  const face = resolved.faces[0]!;
  const { width, height } = trimSize(face);
  return `${showSize(width, height, unit)}${face.bend ? ' arc' : ''}`;
}

/** How many fits a blank has. */
export function fitsOn(fits: Iterable<Fit>, blankId: string): number {
  let count = 0;
  for (const fit of fits) if (fit.blankId === blankId) count++;
  return count;
}

export function holds(fits: number): string {
  return `It holds ${fits} ${fits === 1 ? 'fit' : 'fits'}`;
}
