import type { ByteReader } from './bytes';
import type { Header } from './header';

const EXTENSION = 0x21;
const IMAGE = 0x2c;
const TRAILER = 0x3b;
const GRAPHIC_CONTROL = 0xf9;

/** Reads a GIF (89a) up to its second picture. Throws `RangeError` where it breaks off before its first. */
export function readGifHeader(file: ByteReader): Header {
  const read = file.as(true);
  const packed = read.u8(10);
  const header: Header = {
    width: read.u16(6),
    height: read.u16(8),
    density: null,
    colour: { mode: 'indexed', bits: (packed & 7) + 1, profile: null },
    alpha: false,
    orientation: 1,
    animated: false,
    pages: 1,
    directory: 0,
  };
  let at = 13 + tableBytes(packed);
  let pictures = 0;
  try {
    for (;;) {
      const block = read.u8(at);
      if (block === TRAILER) break;
      if (block === EXTENSION) {
        if (read.u8(at + 1) === GRAPHIC_CONTROL && pictures === 0) header.alpha = (read.u8(at + 3) & 1) === 1;
        at = skipParts(read, at + 2);
      } else if (block === IMAGE) {
        pictures++;
        if (pictures > 1) break;
        const local = read.u8(at + 9);
        if (packed < 0x80) header.colour.bits = (local & 7) + 1;
        at = skipParts(read, at + 10 + tableBytes(local) + 1);
      } else throw new RangeError('no such block');
    }
  } catch (error) {
    if (pictures === 0) throw error;
  }
  if (pictures === 0) throw new RangeError('no picture');
  header.animated = pictures > 1;
  return header;
}

/** Bytes of a colour table, where the packed field says there is one. */
function tableBytes(packed: number): number {
  return packed & 0x80 ? 3 * 2 ** ((packed & 7) + 1) : 0;
}

/** Past a chain of sub-blocks, each with its length before it. */
function skipParts(read: ByteReader, start: number): number {
  let at = start;
  while (read.u8(at) !== 0) at += read.u8(at) + 1;
  return at + 1;
}
