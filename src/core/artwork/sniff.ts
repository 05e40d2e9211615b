import { ByteReader } from './bytes';
import { UpFitError } from './errors';
import type { Header } from './header';
import { readJpegHeader } from './jpeg';
import { readPngHeader } from './png';

const NOT_YET: readonly (readonly [name: string, test: (head: string) => boolean])[] = [
  ['WebP', (head) => head.startsWith('RIFF') && head.slice(8, 12) === 'WEBP'],
  ['TIFF', (head) => head.startsWith('II*\0') || head.startsWith('MM\0*')],
  ['GIF', (head) => head.startsWith('GIF8')],
  ['AVIF', (head) => /^....ftypavi[fs]/s.test(head)],
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
    if (head.startsWith('\x89PNG\r\n\x1a\n')) return readPngHeader(read);
    if (head.startsWith('\xff\xd8\xff')) return readJpegHeader(read);
  } catch (error) {
    if (error instanceof RangeError) throw damaged(name);
    throw error;
  }
  const known = NOT_YET.find(([, test]) => test(head));
  if (known) {
    throw new UpFitError(
      'unsupported',
      `“${name}” is a ${known[0]} file, which is not read yet: export it as PNG or JPEG.`,
    );
  }
  throw new UpFitError(
    'unreadable',
    `“${name}” is not a picture, whatever its name ends in: bring in a PNG or a JPEG.`,
  );
}

/** The one sentence for a file whose header or pixels break off. */
export function damaged(name: string): UpFitError {
  return new UpFitError(
    'unreadable',
    `“${name}” is damaged or cut short: copy it again from its source, or export it again.`,
  );
}
