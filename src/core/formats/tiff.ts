import type { ByteReader } from './bytes';
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
/** More directories than this are not followed: a chain of them may go round in a circle. */
const MOST_DIRECTORIES = 2000;
const SUBSAMPLED = 1;

/**
 * Reads the directory of one page of a TIFF (TIFF 6.0), the first or the last there is before `page`, and counts its
 * pages. Throws `RangeError` where it breaks off.
 */
export function readTiffHeader(file: ByteReader, page = 0): Header {
  const read = file.as(file.u8(0) === 0x49);
  if (read.u16(2) !== 42) throw new RangeError('no classic TIFF');
  const pages = readPages(read, readDirectory(read, read.u32(4)));
  const chosen = pages[Math.min(page, pages.length - 1)]!;
  const { directory } = chosen;
  const value = (tag: number, index = 0) => valueOf(read, directory.entries.get(tag), index);
  const mode = MODES[value(0x0106) ?? 1];
  if (!mode) throw new RangeError('no such photometric interpretation');
  const { orientation, density } = layOf(read, directory);
  const samples = value(0x0115) ?? 1;
  return {
    width: value(0x0100) ?? 0,
    height: value(0x0101) ?? 0,
    density: density && { ...density, source: 'file' },
    colour: { mode, bits: value(0x0102) ?? 1, profile: profileOf(read, directory) },
    alpha: samples > SAMPLES[mode]! && hasAlpha(value, samples - SAMPLES[mode]!),
    orientation,
    animated: false,
    pages: pages.length,
    directory: chosen.index,
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

interface Page {
  directory: Directory;
  /** Its place in the chain of directories, reduced copies counted. */
  index: number;
}

/** Pages are directories that are no reduced copies of another (NewSubfileType). */
function readPages(read: ByteReader, first: Directory): Page[] {
  const seen = new Set<number>();
  const pages: Page[] = [];
  let directory = first;
  for (let index = 0; ; index++) {
    const kind = valueOf(read, directory.entries.get(0x00fe)) ?? 0;
    if ((kind & SUBSAMPLED) === 0) pages.push({ directory, index });
    const { next } = directory;
    if (next === 0 || seen.has(next) || seen.size >= MOST_DIRECTORIES) break;
    seen.add(next);
    try {
      directory = readDirectory(read, next);
    } catch {
      break;
    }
  }
  return pages.length > 0 ? pages : [{ directory: first, index: 0 }];
}
