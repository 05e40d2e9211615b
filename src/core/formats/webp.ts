import type { ByteReader } from './bytes';
import { readExif } from './exif';
import type { Header } from './header';
import { profileName } from './icc';

const FLAG_ANIMATED = 0x02;
const FLAG_ALPHA = 0x10;

/** Reads a WebP's chunks (WebP container specification). Throws `RangeError` where they break off before its size. */
export function readWebpHeader(file: ByteReader): Header {
  const read = file.as(true);
  const header: Header = {
    width: 0,
    height: 0,
    density: null,
    colour: { mode: 'rgb', bits: 8, profile: null },
    alpha: false,
    orientation: 1,
    animated: false,
    pages: 1,
    directory: 0,
  };
  for (let at = 12; at + 8 <= read.length;) {
    const chunk = read.text(at, 4);
    const length = read.u32(at + 4);
    readChunk(read, chunk, at + 8, length, header);
    at += 8 + length + (length & 1);
  }
  if (header.width === 0) throw new RangeError('no picture');
  return header;
}

function readChunk(read: ByteReader, chunk: string, at: number, length: number, header: Header): void {
  const u24 = (where: number) => read.u16(where) | (read.u8(where + 2) << 16);
  switch (chunk) {
    case 'VP8X': {
      const flags = read.u8(at);
      header.alpha = (flags & FLAG_ALPHA) !== 0;
      header.animated = (flags & FLAG_ANIMATED) !== 0;
      header.width = u24(at + 4) + 1;
      header.height = u24(at + 7) + 1;
      break;
    }
    case 'VP8 ':
      if (header.width > 0) break;
      header.width = read.u16(at + 6) & 0x3fff;
      header.height = read.u16(at + 8) & 0x3fff;
      break;
    case 'VP8L': {
      if (header.width > 0) break;
      const bits = read.u32(at + 1);
      header.width = (bits & 0x3fff) + 1;
      header.height = ((bits >>> 14) & 0x3fff) + 1;
      header.alpha = ((bits >>> 28) & 1) === 1;
      break;
    }
    case 'ICCP':
      header.colour.profile = profileName(read.slice(at, length)) ?? 'unnamed profile';
      break;
    case 'EXIF': {
      const block = read.slice(at, length);
      const marked = length > 6 && read.text(at, 6) === 'Exif\0\0';
      const { orientation, density } = readExif(marked ? block.subarray(6) : block);
      header.orientation = orientation;
      header.density = density && { ...density, source: 'file' };
      break;
    }
  }
}
