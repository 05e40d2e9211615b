import { ByteReader } from './bytes';
import { MM_PER_INCH } from '../length/units';

/** The two things of EXIF (2.32) that change how a picture lies and how large it says it is. */
export interface ExifFacts {
  orientation: number;
  density: { x: number; y: number } | null;
}

/** Reads IFD0 of an EXIF block (a TIFF header with its directory). Unreadable EXIF says nothing, harmlessly. */
export function readExif(block: Uint8Array): ExifFacts {
  const facts: ExifFacts = { orientation: 1, density: null };
  try {
    const order = new ByteReader(block).text(0, 2);
    if (order !== 'II' && order !== 'MM') return facts;
    const read = new ByteReader(block, order === 'II');
    const start = read.u32(4);
    const found = new Map<number, number>();
    const entries = read.u16(start);
    for (let i = 0; i < Math.min(entries, 200); i++) {
      const at = start + 2 + i * 12;
      const value = readValue(read, at);
      if (value !== undefined) found.set(read.u16(at), value);
    }
    const orientation = found.get(0x0112) ?? 1;
    if (orientation >= 1 && orientation <= 8) facts.orientation = orientation;
    const x = found.get(0x011a) ?? 0;
    const y = found.get(0x011b) ?? 0;
    const perInch = found.get(0x0128) === 3 ? MM_PER_INCH / 10 : 1;
    if (x > 0 && y > 0) facts.density = { x: x * perInch, y: y * perInch };
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
  }
  return facts;
}

function readValue(read: ByteReader, at: number): number | undefined {
  const SHORT = 3;
  const LONG = 4;
  const RATIONAL = 5;
  switch (read.u16(at + 2)) {
    case SHORT:
      return read.u16(at + 8);
    case LONG:
      return read.u32(at + 8);
    case RATIONAL: {
      const where = read.u32(at + 8);
      const below = read.u32(where + 4);
      return below === 0 ? undefined : read.u32(where) / below;
    }
    default:
      return undefined;
  }
}
