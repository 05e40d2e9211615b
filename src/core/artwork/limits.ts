import { UpFitError } from './errors';
import type { PixelSize } from './facts';

export const LIMITS = {
  /** Longest side held in memory, in pixels. */
  side: 16_384,
  bytes: 512 * 1024 * 1024,
} as const;

/** Refuses a file by its size before it is read into memory. */
export function requireReadableSize(name: string, bytes: number): void {
  if (bytes === 0)
    throw new UpFitError('unreadable', `“${name}” is empty: export it again from where it was made.`);
  if (bytes > LIMITS.bytes) {
    throw new UpFitError(
      'too-large',
      `“${name}” is larger than 512 MiB: save it with compression or at fewer pixels.`,
    );
  }
}

/** Refuses to make a picture whose side would be longer than is held in memory. */
export function requireMakeablePixels({ width, height }: PixelSize): void {
  if (Math.max(width, height) <= LIMITS.side) return;
  const said = `${width.toLocaleString('en')} × ${height.toLocaleString('en')}`;
  throw new UpFitError(
    'too-large',
    `That would be ${said} pixels and a side may have 16,384 at most: ask for fewer PPI, or for PDF or SVG.`,
  );
}

/** Refuses declared pixels before any memory is taken for them. */
export function requireReadablePixels(name: string, { width, height }: PixelSize): void {
  if (width === 0 || height === 0) {
    throw new UpFitError(
      'unreadable',
      `“${name}” says it has no pixels: export it again from where it was made.`,
    );
  }
  if (width > LIMITS.side || height > LIMITS.side) {
    const said = `${width.toLocaleString('en')} × ${height.toLocaleString('en')}`;
    throw new UpFitError(
      'too-large',
      `“${name}” declares ${said} pixels and a side may have 16,384 at most: save it smaller, 300 PPI at print size is enough.`,
    );
  }
}
