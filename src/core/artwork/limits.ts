import { MEGABYTE, showBytes } from '../length/bytes';
import { LEAST_MM, MOST_MM } from '../bounds';
import { UpFitError } from '../errors';
import type { PixelSize } from './facts';

export const LIMITS = {
  /** Longest side held in memory, in pixels. */
  side: 16_384,
  /** Pixels held in memory whole; a larger picture goes by in bands, and is worked on from a reduced copy. */
  held: 64e6,
  /** Pixels a picture may have at all. */
  pixels: 600e6,
  bytes: 512 * MEGABYTE,
} as const;

/** Refuses a file by its size before it is read into memory. */
export function requireReadableSize(name: string, bytes: number): void {
  if (bytes === 0)
    throw new UpFitError('unreadable', `“${name}” is empty: export it again from where it was made.`);
  if (bytes > LIMITS.bytes) {
    throw new UpFitError(
      'too-large',
      `“${name}” is larger than ${showBytes(LIMITS.bytes)}: save it with compression or at fewer pixels.`,
    );
  }
}

/** Refuses to make a picture whose side would be longer than is held in memory. */
export function requireMakeablePixels(size: PixelSize): void {
  if (Math.max(size.width, size.height) <= LIMITS.side) return;
  throw new UpFitError(
    'too-large',
    `That would be ${said(size)} pixels and a side may have 16,384 at most: ask for fewer PPI, or for PDF or SVG.`,
  );
}

/** Refuses declared pixels before any memory is taken for them. */
export function requireReadablePixels(name: string, size: PixelSize): void {
  const { width, height } = size;
  if (width === 0 || height === 0) {
    throw new UpFitError(
      'unreadable',
      `“${name}” says it has no pixels: export it again from where it was made.`,
    );
  }
  if (width * height > LIMITS.pixels) {
    throw new UpFitError(
      'too-large',
      `“${name}” declares ${said(size)} pixels, more than 600 megapixels: save it smaller, 300 PPI at print size is enough.`,
    );
  }
}

/** Refuses a drawing or page that says it is of a size that nothing printed has, in mm. */
export function requireDrawnSize(name: string, { width, height }: { width: number; height: number }): void {
  if (Math.min(width, height) >= LEAST_MM && Math.max(width, height) <= MOST_MM) return;
  throw new UpFitError(
    'unreadable',
    `“${name}” says that it is ${mm(width)} × ${mm(height)} mm: export it at the size it is meant to have.`,
  );
}

function mm(side: number): string {
  return Number.isFinite(side) ? String(Number(side.toPrecision(3))) : 'endlessly many';
}

/** Whether a picture lies in memory whole. */
export function isHeld({ width, height }: PixelSize): boolean {
  return Math.max(width, height) <= LIMITS.side && width * height <= LIMITS.held;
}

/** The size as it is, or as much smaller as lies in memory whole. */
export function heldSize({ width, height }: PixelSize): PixelSize {
  const scale = Math.min(1, LIMITS.side / Math.max(width, height), Math.sqrt(LIMITS.held / (width * height)));
  const whole = (side: number) => Math.max(1, Math.floor(side * scale + 1e-6));
  return { width: whole(width), height: whole(height) };
}

function said({ width, height }: PixelSize): string {
  return `${width.toLocaleString('en')} × ${height.toLocaleString('en')}`;
}
