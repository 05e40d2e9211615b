import type { ByteReader } from './bytes';

/** Where the values of one entry of a TIFF directory lie. */
export interface Entry {
  type: number;
  count: number;
  at: number;
}

/** A TIFF directory: its entries by tag, and where the next one is; 0 where there is none. */
export interface Directory {
  entries: Map<number, Entry>;
  next: number;
}

const MOST_ENTRIES = 500;
const BYTES: Record<number, number> = {
  1: 1,
  2: 1,
  3: 2,
  4: 4,
  5: 8,
  6: 1,
  7: 1,
  8: 2,
  9: 4,
  10: 8,
  11: 4,
  12: 8,
};

/** Reads a directory of a TIFF file or an EXIF block (TIFF 6.0). Throws `RangeError` where it breaks off. */
export function readDirectory(read: ByteReader, at: number): Directory {
  const count = read.u16(at);
  if (count > MOST_ENTRIES) throw new RangeError('too many entries');
  const entries = new Map<number, Entry>();
  for (let i = 0; i < count; i++) {
    const entry = at + 2 + i * 12;
    const type = read.u16(entry + 2);
    const values = read.u32(entry + 4);
    const inline = (BYTES[type] ?? 1) * values <= 4;
    entries.set(read.u16(entry), { type, count: values, at: inline ? entry + 8 : read.u32(entry + 8) });
  }
  return { entries, next: read.u32(at + 2 + count * 12) };
}

/** One value of an entry as a number; undefined where there is none, or it is no number. */
export function valueOf(read: ByteReader, entry: Entry | undefined, index = 0): number | undefined {
  if (!entry || index >= entry.count) return undefined;
  const at = entry.at + index * (BYTES[entry.type] ?? 1);
  switch (entry.type) {
    case 1:
      return read.u8(at);
    case 3:
      return read.u16(at);
    case 4:
      return read.u32(at);
    case 5: {
      const below = read.u32(at + 4);
      return below === 0 ? undefined : read.u32(at) / below;
    }
    default:
      return undefined;
  }
}
