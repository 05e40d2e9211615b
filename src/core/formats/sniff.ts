import { UpFitError } from '../errors';
import { ByteReader } from './bytes';
import type { Header } from './header';
import { HEADERS } from './headers';
import { FORMAT_IDS, formatNames, FORMATS, type Format } from './registry';
import type { Source } from './source';

/** A PDF may begin with other bytes, up to here (ISO 32000-1, annex H). */
const HEAD_BYTES = 1024;

/** What a file is, by its bytes and not by its name. Throws `unreadable` for what is none of the formats read. */
export function formatOf(name: string, file: Uint8Array | Source): Format {
  const read = new ByteReader(file);
  const head = read.text(0, Math.min(HEAD_BYTES, read.length));
  const found = FORMAT_IDS.find((id) => FORMATS[id].begins(head));
  if (found) return found;
  throw new UpFitError(
    'unreadable',
    `“${name}” is not a picture, whatever its name ends in: bring in a ${formatNames('or')}.`,
  );
}

/**
 * Reads the header of a picture by what its bytes are. Throws an `UpFitError`: `unreadable` for anything that is no
 * picture or a damaged one, `unsupported` for a drawing, which has no pixels of its own.
 */
export function readHeader(name: string, file: Uint8Array | Source, page = 0): Header & { format: Format } {
  const format = formatOf(name, file);
  const header = HEADERS[format];
  if (!header) throw new UpFitError('unsupported', `“${name}” is a drawing and has no pixels of its own.`);
  try {
    return { format, ...header(new ByteReader(file), page) };
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
