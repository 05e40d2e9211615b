import Papa from 'papaparse';
import { UpFitError } from '@/core/errors';

/** The cells of a table as CSV: any separator, quotes, UTF-8 or UTF-16. Throws in words where a quote never ends. */
export function readTable(bytes: Uint8Array): string[][] {
  const { data, errors } = Papa.parse<string[]>(decoded(bytes), { skipEmptyLines: false });
  const fault = errors.find(({ type }) => type === 'Quotes');
  if (fault) {
    const row = (fault.row ?? 0) + 1;
    throw new UpFitError('unreadable', `Row ${row}: a quote is opened and never closed, or closed too soon.`);
  }
  return data;
}

function decoded(bytes: Uint8Array): string {
  const [a, b] = bytes;
  const name = a === 0xff && b === 0xfe ? 'utf-16le' : a === 0xfe && b === 0xff ? 'utf-16be' : 'utf-8';
  return new TextDecoder(name).decode(bytes);
}
