import { fixed } from './show';

/** Bytes of a megabyte, as houses and file lists count them: decimal (SI). */
export const MEGABYTE = 1_000_000;

const UNITS = [
  [1000 * MEGABYTE, 'GB'],
  [MEGABYTE, 'MB'],
  [1000, 'kB'],
] as const;

/** A file's size: `812 kB`, `12.4 MB`, `50 MB`, `1.5 GB`. Whole kilobytes, and tenths above. */
export function showBytes(bytes: number): string {
  const [size, unit] = UNITS.find(([least]) => bytes >= 0.9995 * least) ?? UNITS[2];
  if (unit === 'kB') return `${Math.max(1, Math.round(bytes / size))} kB`;
  return `${fixed(bytes / size, 1).replace(/\.0$/, '')} ${unit}`;
}
