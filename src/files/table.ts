import Papa from 'papaparse';
import { UpFitError } from '@/core/errors';

/** The cells of a table as CSV: any separator, quotes, UTF-8 or UTF-16. Throws in words where a quote never ends. */
export function readTable(bytes: Uint8Array): string[][] {
  const text = decoded(bytes);
  const { data, errors } = Papa.parse<string[]>(text, {
    skipEmptyLines: false,
    delimiter: separatorOf(text),
  });
  const fault = errors.find(({ type }) => type === 'Quotes');
  if (fault) {
    const row = (fault.row ?? 0) + 1;
    throw new UpFitError('unreadable', `Row ${row}: a quote is opened and never closed, or closed too soon.`);
  }
  return data;
}

const SEPARATORS = [',', ';', '\t', '|'];

/** What parts the names of the first row: the rows under it may hold any of these in their words. */
function separatorOf(text: string): string {
  const [head = ''] = text.replace(/"(?:[^"]|"")*"/g, '').split(/\r\n|\n|\r/, 1);
  const counted = SEPARATORS.map((one) => ({ one, count: head.split(one).length }));
  return counted.reduce((most, next) => (next.count > most.count ? next : most)).one;
}

function decoded(bytes: Uint8Array): string {
  const [a, b] = bytes;
  const name = a === 0xff && b === 0xfe ? 'utf-16le' : a === 0xfe && b === 0xff ? 'utf-16be' : 'utf-8';
  return new TextDecoder(name).decode(bytes);
}
