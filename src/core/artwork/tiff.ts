import { ByteReader } from './bytes';
import { layOf } from './exif';
import type { Header } from './header';
import { profileName } from './icc';
import { readDirectory, valueOf, type Directory } from './ifd';

const MODES: Record<number, Header['colour']['mode']> = {
  0: 'grey',
  1: 'grey',
  2: 'rgb',
  3: 'indexed',
  5: 'cmyk',
  6: 'rgb',
  8: 'lab',
  9: 'lab',
};
/** Samples a pixel of each mode has before any alpha. */
const SAMPLES: Partial<Record<Header['colour']['mode'], number>> = {
  grey: 1,
  rgb: 3,
  indexed: 1,
  cmyk: 4,
  lab: 3,
};
/** More pages than this are not counted: a chain of directories may go round in a circle. */
const MOST_PAGES = 2000;
const SUBSAMPLED = 1;

/** Reads a TIFF's first directory (TIFF 6.0) and counts its pages. Throws `RangeError` where it breaks off. */
export function readTiffHeader(bytes: Uint8Array): Header {
  const read = new ByteReader(bytes, bytes[0] === 0x49);
  if (read.u16(2) !== 42) throw new RangeError('no classic TIFF');
  const first = readDirectory(read, read.u32(4));
  const value = (tag: number, index = 0) => valueOf(read, first.entries.get(tag), index);
  const mode = MODES[value(0x0106) ?? 1];
  if (!mode) throw new RangeError('no such photometric interpretation');
  const { orientation, density } = layOf(read, first);
  const samples = value(0x0115) ?? 1;
  return {
    format: 'tiff',
    width: value(0x0100) ?? 0,
    height: value(0x0101) ?? 0,
    density: density && { ...density, source: 'file' },
    colour: { mode, bits: value(0x0102) ?? 1, profile: profileOf(read, first) },
    alpha: samples > SAMPLES[mode]! && hasAlpha(value, samples - SAMPLES[mode]!),
    orientation,
    animated: false,
    pages: countPages(read, first),
  };
}

/** ExtraSamples: 1 and 2 are alpha; an unspecified one (0) of a picture is taken for it, as readers do. */
function hasAlpha(value: (tag: number, index?: number) => number | undefined, extra: number): boolean {
  return Array.from({ length: extra }, (_, index) => value(0x0152, index) ?? 0).some((kind) => kind <= 2);
}

function profileOf(read: ByteReader, { entries }: Directory): string | null {
  const entry = entries.get(0x8773);
  if (!entry) return null;
  return profileName(read.slice(entry.at, entry.count)) ?? 'unnamed profile';
}

/** Pages are directories that are no reduced copies of another (NewSubfileType). */
function countPages(read: ByteReader, first: Directory): number {
  const seen = new Set<number>();
  let pages = 0;
  let directory = first;
  for (;;) {
    const kind = valueOf(read, directory.entries.get(0x00fe)) ?? 0;
    if ((kind & SUBSAMPLED) === 0) pages++;
    const { next } = directory;
    if (next === 0 || seen.has(next) || seen.size >= MOST_PAGES) return Math.max(1, pages);
    seen.add(next);
    try {
      directory = readDirectory(read, next);
    } catch {
      return Math.max(1, pages);
    }
  }
}
