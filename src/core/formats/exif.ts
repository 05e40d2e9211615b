import { ByteReader } from './bytes';
import { readDirectory, valueOf, type Directory } from './ifd';
import { MM_PER_INCH } from '../length/units';

/** The two things of EXIF (2.32) that change how a picture lies and how large it says it is. */
export interface ExifFacts {
  orientation: number;
  density: { x: number; y: number } | null;
}

/** Reads IFD0 of an EXIF block (a TIFF header with its directory). Unreadable EXIF says nothing, harmlessly. */
export function readExif(block: Uint8Array): ExifFacts {
  try {
    const order = new ByteReader(block).text(0, 2);
    if (order !== 'II' && order !== 'MM') return { orientation: 1, density: null };
    const read = new ByteReader(block, order === 'II');
    return layOf(read, readDirectory(read, read.u32(4)));
  } catch (error) {
    if (error instanceof RangeError) return { orientation: 1, density: null };
    throw error;
  }
}

/** Orientation and density of a directory: unit 2 is the inch (and the default), 3 the centimetre, 1 says no size. */
export function layOf(read: ByteReader, { entries }: Directory): ExifFacts {
  const value = (tag: number) => valueOf(read, entries.get(tag));
  const orientation = value(0x0112) ?? 1;
  const x = value(0x011a) ?? 0;
  const y = value(0x011b) ?? 0;
  const unit = value(0x0128) ?? 2;
  const perInch = unit === 3 ? MM_PER_INCH / 10 : 1;
  return {
    orientation: orientation >= 1 && orientation <= 8 ? orientation : 1,
    density: x > 0 && y > 0 && unit !== 1 ? { x: x * perInch, y: y * perInch } : null,
  };
}
