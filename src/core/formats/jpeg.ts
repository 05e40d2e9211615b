import { MM_PER_INCH } from '../length/units';
import type { ByteReader } from './bytes';
import { readExif } from './exif';
import type { Header } from './header';
import { profileName } from './icc';

const MODES: Record<number, Header['colour']['mode']> = { 1: 'grey', 3: 'rgb', 4: 'cmyk' };

/** Reads a JPEG's segments up to its frame (ITU-T T.81, JFIF, EXIF, ICC in APP2). Throws `RangeError` where they break off. */
export function readJpegHeader(read: ByteReader): Header {
  let jfif: Header['density'] = null;
  let exif: ReturnType<typeof readExif> | undefined;
  const profile: Uint8Array[] = [];
  let at = 2;
  for (;;) {
    while (read.u8(at) === 0xff && read.u8(at + 1) === 0xff) at++;
    if (read.u8(at) !== 0xff) throw new RangeError('no marker');
    const marker = read.u8(at + 1);
    const length = read.u16(at + 2);
    const body = at + 4;
    if (isFrame(marker)) {
      const mode = MODES[read.u8(body + 5)];
      if (!mode) throw new RangeError('no such number of components');
      const density = jfif ?? (exif?.density ? { ...exif.density, source: 'file' as const } : null);
      return {
        width: read.u16(body + 3),
        height: read.u16(body + 1),
        density,
        colour: { mode, bits: read.u8(body), profile: joinProfile(profile) },
        alpha: false,
        orientation: exif?.orientation ?? 1,
        animated: false,
        pages: 1,
        directory: 0,
      };
    }
    if (marker === 0xda || marker === 0xd9) throw new RangeError('pixels without a frame');
    if (marker === 0xe0 && startsWith(read, body, 'JFIF\0')) jfif = readJfif(read, body);
    if (marker === 0xe1 && startsWith(read, body, 'Exif\0\0'))
      exif = readExif(read.slice(body + 6, length - 8));
    if (marker === 0xe2 && startsWith(read, body, 'ICC_PROFILE\0'))
      profile.push(read.slice(body + 14, length - 16));
    at += 2 + length;
  }
}

function isFrame(marker: number): boolean {
  return marker >= 0xc0 && marker <= 0xcf && marker !== 0xc4 && marker !== 0xc8 && marker !== 0xcc;
}

function startsWith(read: ByteReader, at: number, text: string): boolean {
  return at + text.length <= read.length && read.text(at, text.length) === text;
}

/** JFIF density: units 1 = per inch, 2 = per centimetre; 0 is only a pixel's aspect and says no size. */
function readJfif(read: ByteReader, body: number): Header['density'] {
  const units = read.u8(body + 7);
  const per = units === 1 ? 1 : units === 2 ? MM_PER_INCH / 10 : 0;
  const x = read.u16(body + 8) * per;
  const y = read.u16(body + 10) * per;
  return x > 0 && y > 0 ? { x, y, source: 'file' } : null;
}

function joinProfile(parts: Uint8Array[]): string | null {
  if (parts.length === 0) return null;
  const whole = new Uint8Array(parts.reduce((sum, part) => sum + part.length, 0));
  let at = 0;
  for (const part of parts) {
    whole.set(part, at);
    at += part.length;
  }
  return profileName(whole) ?? 'unnamed profile';
}
