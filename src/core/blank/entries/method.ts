import type { Method, MethodLimits } from '../schema';
import { count, distance, either, entry, ifAny, oneOf, words, type Entry, type Writing } from './entry';

type Place<T> = Parameters<typeof entry<Method, T>>[1];

/** A method's numbers are the trade's, or the seller's own: they carry no source. */
function field<K extends keyof Method>(key: K): Place<Method[K]> {
  return {
    get: (method) => ({ value: method[key], source: null }),
    set: (method, { value }) => ({ ...method, [key]: value }),
  };
}

function limit<K extends keyof MethodLimits>(key: K): Place<MethodLimits[K]> {
  return {
    get: ({ limits }) => ({ value: limits[key], source: null }),
    set: (method, { value }) => ({ ...method, limits: { ...method.limits, [key]: value } }),
  };
}

/** A distance that is more than nothing. */
function above(): Writing<number> {
  const any = distance();
  return {
    ...any,
    read: (text, unit) => {
      const read = any.read(text, unit);
      return read.ok && read.value <= 0 ? { ok: false, message: 'Type a length above zero.' } : read;
    },
  };
}

/** Metres and more: how far off a wall is looked at. */
function far(): Writing<number> {
  const metres = count('m', { least: 0.1, most: 100, whole: false });
  return {
    ...metres,
    show: (mm, unit) => metres.show(mm / 1000, unit),
    read: (text, unit) => {
      const read = metres.read(text, unit);
      return read.ok ? { ok: true, value: read.value * 1000 } : read;
    },
  };
}

/** Everything that is known of a printing method, in the order of the form. */
export const METHOD_ENTRIES: readonly Entry<Method>[] = [
  make('name', 'name', field('name'), words('A method needs a name.')),
  make('prints', 'prints', field('prints'), words('Say what it prints on: cotton of any colour.', 300)),
  make(
    'ink',
    'ink on the product',
    field('ink'),
    oneOf([
      ['multiply', 'darkens it: light products only'],
      ['cover', 'covers it: any colour'],
    ]),
  ),
  make('mirrored', 'print', field('mirrored'), either('mirrored, a transfer', 'printed directly')),
  make('knockout', 'what is clear', field('knockout'), either('is left open', 'is white paper')),
  make('raised', 'print stands up', field('raised'), either('yes', 'no')),
  make('bleed', 'usual bleed', field('bleed'), distance()),
  make('inks', 'inks at most', limit('inks'), {
    ...ifAny(count('', { least: 1, most: 24 }), null),
    placeholder: 'no limit',
  }),
  make('totalInk', 'total ink', limit('totalInk'), {
    ...ifAny(count('%', { least: 100, most: 400 }), null),
    placeholder: 'no limit',
  }),
  make('stroke', 'thinnest stroke and gap', limit('stroke'), above()),
  make('capHeight', 'smallest capitals', limit('capHeight'), above()),
  make('softPrintsBadly', 'soft parts', limit('softPrintsBadly'), either('print badly', 'print')),
  make('whiteInk', 'white ink', limit('whiteInk'), either('yes', 'none')),
  make('viewedFrom', 'looked at from', field('viewedFrom'), {
    ...ifAny(far(), undefined),
    placeholder: 'close to',
  }),
];

function make<T>(id: string, name: string, place: Place<T>, writing: Writing<T>): Entry<Method> {
  return entry({ id, name, group: 'Method' }, place, writing);
}

/** A method that is only known by name, printed as paper is. */
export function newMethod(id: string, name: string): Method {
  return {
    upfit: 'method/1',
    ...{ id, version: 1, name },
    ...{ ink: 'multiply', mirrored: false, knockout: false, raised: false },
    bleed: 2,
    prints: 'what you say here',
    limits: {
      ...{ inks: null, totalInk: null, stroke: 0.3, capHeight: 1.8 },
      ...{ softPrintsBadly: false, whiteInk: false },
    },
  };
}
