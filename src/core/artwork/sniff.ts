import { readAvifHeader } from './avif';
import { ByteReader } from './bytes';
import { UpFitError } from './errors';
import { readGifHeader } from './gif';
import type { Header } from './header';
import { readJpegHeader } from './jpeg';
import { readPngHeader } from './png';
import { readTiffHeader } from './tiff';
import { readWebpHeader } from './webp';

type HeaderReader = (bytes: Uint8Array, read: ByteReader) => Header;

/** Formats that are read, each by how its bytes begin. */
const READERS: readonly (readonly [test: (head: string) => boolean, read: HeaderReader])[] = [
  [(head) => head.startsWith('\x89PNG\r\n\x1a\n'), (_, read) => readPngHeader(read)],
  [(head) => head.startsWith('\xff\xd8\xff'), (_, read) => readJpegHeader(read)],
  [(head) => head.startsWith('RIFF') && head.slice(8, 12) === 'WEBP', readWebpHeader],
  [(head) => head.startsWith('II*\0') || head.startsWith('MM\0*'), readTiffHeader],
  [(head) => head.startsWith('GIF8'), readGifHeader],
  [(head) => /^....ftypavi[fs]/s.test(head), readAvifHeader],
];

const NOT_YET: readonly (readonly [name: string, test: (head: string) => boolean])[] = [
  ['PDF', (head) => head.startsWith('%PDF-')],
  ['SVG', (head) => /^(\xef\xbb\xbf)?\s*(<\?xml|<!--|<!DOCTYPE svg|<svg)/i.test(head)],
];

/**
 * Reads the header of a file by what its bytes are, not by its name. Throws an `UpFitError`: `unsupported`
 * for a format that is known but not read, `unreadable` for anything that is no picture or a damaged one.
 */
export function readHeader(name: string, bytes: Uint8Array): Header {
  const read = new ByteReader(bytes);
  const head = read.text(0, Math.min(512, read.length));
  try {
    const reader = READERS.find(([test]) => test(head));
    if (reader) return reader[1](bytes, read);
  } catch (error) {
    if (error instanceof RangeError) throw damaged(name);
    throw error;
  }
  const known = NOT_YET.find(([, test]) => test(head));
  if (known) {
    throw new UpFitError(
      'unsupported',
      `“${name}” is a ${known[0]} file, which is not read as artwork yet: export it as PNG, TIFF or JPEG.`,
    );
  }
  throw new UpFitError(
    'unreadable',
    `“${name}” is not a picture, whatever its name ends in: bring in a PNG, JPEG, TIFF, WebP, GIF or AVIF.`,
  );
}

/** The one sentence for a file whose header or pixels break off. */
export function damaged(name: string): UpFitError {
  return new UpFitError(
    'unreadable',
    `“${name}” is damaged or cut short: copy it again from its source, or export it again.`,
  );
}
