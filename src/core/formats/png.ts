import { MM_PER_INCH } from '../length/units';
import type { ByteReader } from './bytes';
import type { Header } from './header';

const COLOUR_TYPES: Record<number, { mode: Header['colour']['mode']; alpha: boolean }> = {
  0: { mode: 'grey', alpha: false },
  2: { mode: 'rgb', alpha: false },
  3: { mode: 'indexed', alpha: false },
  4: { mode: 'grey', alpha: true },
  6: { mode: 'rgb', alpha: true },
};

/** Reads a PNG's chunks up to its pixels (W3C PNG, third edition). Throws `RangeError` where they break off. */
export function readPngHeader(read: ByteReader): Header {
  if (read.text(12, 4) !== 'IHDR') throw new RangeError('no IHDR');
  const type = COLOUR_TYPES[read.u8(25)];
  if (!type) throw new RangeError('no such colour type');
  const header: Header = {
    width: read.u32(16),
    height: read.u32(20),
    density: null,
    colour: { mode: type.mode, bits: read.u8(24), profile: null },
    alpha: type.alpha,
    orientation: 1,
    animated: false,
    pages: 1,
    directory: 0,
  };
  let at = 33;
  for (;;) {
    const length = read.u32(at);
    const chunk = read.text(at + 4, 4);
    if (chunk === 'IDAT' || chunk === 'IEND') return header;
    readChunk(read, chunk, at + 8, length, header);
    at += 12 + length;
  }
}

function readChunk(read: ByteReader, chunk: string, at: number, length: number, header: Header): void {
  switch (chunk) {
    case 'pHYs': {
      const perMetre = read.u8(at + 8) === 1;
      const x = read.u32(at);
      const y = read.u32(at + 4);
      if (perMetre && x > 0 && y > 0) header.density = { x: fromMetre(x), y: fromMetre(y), source: 'file' };
      break;
    }
    case 'iCCP': {
      const raw = read.text(at, Math.min(length, 80));
      header.colour.profile = raw.split('\0')[0] ?? null;
      break;
    }
    case 'sRGB':
      header.colour.profile = 'sRGB';
      break;
    case 'tRNS':
      header.alpha = true;
      break;
    case 'acTL':
      header.animated = true;
      break;
  }
}

/** pHYs counts whole pixels a metre, so 300 PPI is stored as 11,811: give back the PPI that was meant. */
function fromMetre(perMetre: number): number {
  const ppi = (perMetre * MM_PER_INCH) / 1000;
  const whole = Math.round(ppi);
  return Math.abs(ppi - whole) <= 0.013 ? whole : ppi;
}
