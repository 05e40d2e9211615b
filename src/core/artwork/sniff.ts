import { readAvifHeader } from './avif';
import { ByteReader } from './bytes';
import { UpFitError } from './errors';
import type { Format } from './facts';
import { readGifHeader } from './gif';
import type { Header } from './header';
import { readJpegHeader } from './jpeg';
import { readPngHeader } from './png';
import type { Source } from './source';
import { readTiffHeader } from './tiff';
import { readWebpHeader } from './webp';

/** Formats that are read, each by how its bytes begin. */
const STARTS: readonly (readonly [format: Format, test: (head: string) => boolean])[] = [
  ['png', (head) => head.startsWith('\x89PNG\r\n\x1a\n')],
  ['jpeg', (head) => head.startsWith('\xff\xd8\xff')],
  ['webp', (head) => head.startsWith('RIFF') && head.slice(8, 12) === 'WEBP'],
  ['tiff', (head) => head.startsWith('II*\0') || head.startsWith('MM\0*')],
  ['gif', (head) => head.startsWith('GIF8')],
  ['avif', (head) => /^....ftypavi[fs]/s.test(head)],
  ['pdf', (head) => head.includes('%PDF-')],
  ['svg', (head) => /<svg[\s>]|<\w+:svg[\s>]|^(\xef\xbb\xbf)?\s*(<\?xml|<!--|<!DOCTYPE svg)/i.test(head)],
];
/** A PDF may begin with other bytes, up to here (ISO 32000-1, annex H). */
const HEAD_BYTES = 1024;

const READERS: Record<Exclude<Format, 'pdf' | 'svg'>, (read: ByteReader, page: number) => Header> = {
  png: readPngHeader,
  jpeg: readJpegHeader,
  webp: readWebpHeader,
  tiff: readTiffHeader,
  gif: readGifHeader,
  avif: readAvifHeader,
};

/** What a file is, by its bytes and not by its name. Throws `unreadable` for what is none of the formats read. */
export function formatOf(name: string, file: Uint8Array | Source): Format {
  const read = new ByteReader(file);
  const head = read.text(0, Math.min(HEAD_BYTES, read.length));
  const found = STARTS.find(([, test]) => test(head));
  if (found) return found[0];
  throw new UpFitError(
    'unreadable',
    `“${name}” is not a picture, whatever its name ends in: bring in a PNG, JPEG, TIFF, WebP, GIF, AVIF, SVG or PDF.`,
  );
}

/**
 * Reads the header of a picture by what its bytes are. Throws an `UpFitError`: `unreadable` for anything that is no
 * picture or a damaged one, `unsupported` for a drawing, which has no pixels of its own.
 */
export function readHeader(name: string, file: Uint8Array | Source, page = 0): Header {
  const format = formatOf(name, file);
  if (format === 'pdf' || format === 'svg')
    throw new UpFitError('unsupported', `“${name}” is a drawing and has no pixels of its own.`);
  try {
    return READERS[format](new ByteReader(file), page);
  } catch (error) {
    if (error instanceof RangeError) throw damaged(name);
    throw error;
  }
}

/** The one sentence for a file whose header or pixels break off. */
export function damaged(name: string): UpFitError {
  return new UpFitError(
    'unreadable',
    `“${name}” is damaged or cut short: copy it again from its source, or export it again.`,
  );
}
