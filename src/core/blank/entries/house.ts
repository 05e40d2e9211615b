import * as v from 'valibot';
import {
  BACKING_INK,
  CUT_INK,
  FILE_FORMATS,
  HouseSpecSchema,
  type HouseSpec,
  type Method,
  type Source,
} from '../schema';
import {
  count,
  distance,
  either,
  entry,
  ifAny,
  oneOf,
  pixels,
  someOf,
  words,
  wordsIfAny,
  yesOrNo,
  type Entry,
  type Read,
  type Writing,
} from './entry';

type Place<T> = Parameters<typeof entry<HouseSpec, T>>[1];

/** A number that carries its source. */
function sourced<K extends 'bleed' | 'safe' | 'safeFrom' | 'target' | 'floor'>(
  key: K,
): Place<HouseSpec[K]['value']> {
  return {
    get: (spec) => spec[key],
    set: (spec, stated) => ({ ...spec, [key]: stated }),
  };
}

type Files = HouseSpec['files'];

function inFiles<K extends keyof Files>(key: K): Place<Files[K]['value']> {
  return {
    get: (spec) => spec.files[key],
    set: (spec, stated) => ({ ...spec, files: { ...spec.files, [key]: stated } }),
  };
}

/** What stands in a record by itself, its source beside it in `sources`. */
function beside<T>(
  id: string,
  get: (spec: HouseSpec) => T,
  set: (spec: HouseSpec, value: T) => HouseSpec,
): Place<T> {
  return {
    get: (spec) => ({ value: get(spec), source: spec.sources?.[id] ?? null }),
    set: (spec, { value, source }) => {
      const sources = { ...spec.sources };
      if (value === undefined || value === null) Reflect.deleteProperty(sources, id);
      else sources[id] = source;
      return { ...set(spec, value), sources };
    },
  };
}

function field<K extends keyof HouseSpec>(key: K): Place<HouseSpec[K]> {
  return beside(
    key,
    (spec) => spec[key],
    (spec, value) => ({ ...spec, [key]: value }),
  );
}

type Press = NonNullable<HouseSpec['press']>;
/** What a press is set to as soon as anything of it is known. */
const PRESS: Press = { celsius: 190, seconds: 60, pressure: 'medium' };

function ofPress<K extends keyof Press>(key: K): Place<Press[K] | undefined> {
  return beside(
    `press.${key}`,
    (spec) => spec.press?.[key],
    (spec, value) => {
      if (value === undefined && (spec.press === null || key in PRESS)) return spec;
      return { ...spec, press: { ...PRESS, ...spec.press, [key]: value } };
    },
  );
}

/** A press's heat: without it a house states no press. */
const heat: Place<number | undefined> = {
  ...ofPress('celsius'),
  set: (spec, stated) =>
    stated.value === undefined ? { ...spec, press: null } : ofPress('celsius').set(spec, stated),
};

/** Degrees Celsius, or Fahrenheit with an F behind it. */
const degrees: Writing<number | undefined> = ifAny(
  {
    kind: 'typed',
    number: true,
    placeholder: '188 °C or 370 °F',
    show: (celsius) => `${celsius} °C`,
    read: (text): Read<number> => {
      const [, number, scale] = /^\s*(\d+(?:[.,]\d+)?)\s*(?:°|deg)?\s*([cf])?\s*$/i.exec(text) ?? [];
      const typed = Number(number?.replace(',', '.') ?? NaN);
      const celsius = scale?.toLowerCase() === 'f' ? Math.round((typed - 32) / 1.8) : typed;
      return celsius >= 20 && celsius <= 300
        ? { ok: true, value: celsius }
        : { ok: false, message: 'Type 20 to 300 °C, or the same in °F: 188 °C.' };
    },
  },
  undefined,
);

/** Rich black as four percentages. */
const black: Writing<HouseSpec['black']> = ifAny(
  {
    kind: 'typed',
    number: true,
    placeholder: '50/40/40/95',
    show: (shares: NonNullable<HouseSpec['black']>) =>
      shares.map((share) => Math.round(share * 100)).join('/'),
    read: (text): Read<NonNullable<HouseSpec['black']>> => {
      const parts = text.split(/[\s/,;]+/).filter((part) => part !== '');
      const [c, m, y, k] = parts.map((part) => Number(part.replace('%', '')) / 100);
      const value = [c ?? NaN, m ?? NaN, y ?? NaN, k ?? NaN] as const;
      return parts.length === 4 && value.every((share) => share >= 0 && share <= 1)
        ? { ok: true, value: [...value] }
        : { ok: false, message: 'Write cyan, magenta, yellow and black in percent: 50/40/40/95.' };
    },
  },
  undefined,
);

const rulings: Writing<number[]> = {
  kind: 'typed',
  number: true,
  placeholder: '45, 55 lpi',
  show: (all) => (all.length === 0 ? '' : `${all.join(', ')} lpi`),
  read: (text) => {
    const found = text
      .replace(/lpi/gi, '')
      .split(/[\s,;]+/)
      .filter((part) => part !== '')
      .map(Number);
    return found.length <= 24 && found.every((ruling) => ruling >= 10 && ruling <= 400)
      ? { ok: true, value: found }
      : { ok: false, message: 'Write rulings in lines per inch, 10 to 400: 45, 55.' };
  },
};

const screenCount: Place<number | undefined> = beside(
  'screens',
  (spec) => spec.screens?.count,
  (spec, value) => ({
    ...spec,
    screens: value === undefined ? undefined : { rulings: [], ...spec.screens, count: value },
  }),
);

const screenRulings: Place<number[]> = beside(
  'screens',
  (spec) => spec.screens?.rulings ?? [],
  (spec, value) =>
    spec.screens || value.length > 0
      ? { ...spec, screens: { count: 1, ...spec.screens, rulings: value } }
      : spec,
);

const MIB = 1024 * 1024;
const inMebibytes = count('MiB', { least: 1, most: 4000, whole: false });
const bytes: Writing<number> = {
  ...inMebibytes,
  show: (value, unit) => inMebibytes.show(Number((value / MIB).toFixed(2)), unit),
  read: (text, unit) => {
    const read = inMebibytes.read(text, unit);
    return read.ok ? { ok: true, value: Math.round(read.value * MIB) } : read;
  },
};

const orderNumbers: Writing<string | undefined> = {
  ...wordsIfAny('FP-####', 24),
  read: (text) => {
    const typed = text.trim().toUpperCase();
    if (typed === '') return { ok: true, value: undefined };
    return v.is(HouseSpecSchema.entries.orderNumbers, typed)
      ? { ok: true, value: typed }
      : { ok: false, message: 'Write # for each digit, with letters and hyphens round them: FP-####.' };
  },
};

const inkName = (usual: string): Writing<string | undefined> => ({
  ...wordsIfAny(usual, 40),
  read: (text) => {
    const typed = text.trim();
    if (typed === '') return { ok: true, value: undefined };
    return v.is(HouseSpecSchema.entries.cutInk, typed)
      ? { ok: true, value: typed }
      : { ok: false, message: 'An ink is named in up to 40 plain letters, digits and spaces.' };
  },
});

const named = <T extends string>(ids: readonly T[]) => ids.map((id) => [id, id.toUpperCase()] as const);
const NOBODY = ['', 'nobody has said'] as const;
const ppi = count('PPI', { least: 1, most: 2400 });
const seconds = count('s', { least: 1, most: 3600 });

/** What turns a picklist that may be absent into one of a few, nothing among them. */
function orNobody<const T extends string>(
  options: readonly (readonly [T, string])[],
): Writing<T | undefined> {
  const all = oneOf<T | ''>([NOBODY, ...options]);
  return {
    ...all,
    show: (value) => value ?? '',
    read: (text, unit) => {
      const read = all.read(text, unit);
      return read.ok ? { ok: true, value: read.value === '' ? undefined : read.value } : read;
    },
  };
}

type Section = <T>(
  id: string,
  name: string,
  place: Place<T>,
  writing: Writing<T>,
  question?: string,
) => Entry<HouseSpec>;

const section =
  (group: string): Section =>
  (id, name, place, writing, question) =>
    entry({ id, group, name, ...(question !== undefined && { question }) }, place, writing);

const edges = section('Edges and density');
const files = section('Files');
const pressed = section('Colour and press');
const cut = section('Cutting and screens');
const orders = section('Orders');

/** Everything that is known of a house, in the order of the form. `methods` are those it can be said to print by. */
export function houseEntries(methods: readonly Pick<Method, 'id' | 'name'>[]): Entry<HouseSpec>[] {
  const who = section('House');
  const known = methods.map(({ id, name }) => [id, name] as const);
  return [
    who('house', 'name', field('house'), words('A house needs a name.')),
    who('about', 'for', field('about'), wordsIfAny('mugs')),
    who('methods', 'prints by', field('methods'), someOf(known, 'A house prints by some method: tick one.')),
    ...ENTRIES,
  ];
}

const ENTRIES: readonly Entry<HouseSpec>[] = [
  edges(
    'bleed',
    'bleed',
    sourced('bleed'),
    distance(),
    'How much bleed do you want past the trim on each side?',
  ),
  edges('safe', 'safe margin', sourced('safe'), distance(), 'How far inside must lettering and motifs stay?'),
  edges(
    'safeFrom',
    'edge the safe margin is measured from',
    sourced('safeFrom'),
    oneOf([
      ['trim', 'the trim'],
      ['bleed', 'the bleed edge'],
    ]),
    'Do you measure the safe margin from the trim or from the bleed edge?',
  ),
  edges(
    'target',
    'target PPI',
    sourced('target'),
    ppi,
    'Which resolution do you want at print size, in PPI?',
  ),
  edges('floor', 'floor PPI', sourced('floor'), ppi, 'Below which PPI do you send a file back?'),
  files(
    'formats',
    'file format',
    inFiles('formats'),
    someOf(named(FILE_FORMATS), 'A house takes at least one kind of file: tick one.'),
    'Which file formats do you take?',
  ),
  files(
    'modes',
    'colour mode',
    inFiles('modes') as Place<('rgb' | 'cmyk' | 'grey')[]>,
    someOf(named(['rgb', 'cmyk', 'grey']), 'A house takes at least one colour mode: tick one.'),
    'Which colour modes do you take, and with which profile?',
  ),
  files('pixels', 'pixel size', inFiles('pixels'), pixels(), 'Do you want exact pixels, or true size?'),
  files(
    'density',
    'density tag',
    inFiles('density'),
    either('required', 'not needed'),
    'Must the file carry a density tag?',
  ),
  files(
    'alpha',
    'transparency',
    inFiles('alpha'),
    oneOf([
      ['kept', 'kept'],
      ['none', 'none: on white'],
    ]),
    'Do you keep transparency, or must the file be opaque?',
  ),
  files('maxBytes', 'largest file', inFiles('maxBytes'), bytes, 'How large may a file be?'),
  files(
    'naming',
    'file naming',
    inFiles('naming'),
    words('Say how files are named: {design}_{blank}_{face}.', 200),
    'How shall the files be named?',
  ),
  pressed('black', 'rich black, C/M/Y/K', field('black'), black),
  pressed(
    'mirroring',
    'mirrored by',
    field('mirroring'),
    orNobody([
      ['file', 'the file'],
      ['driver', 'the printer’s driver'],
      ['house', 'the house'],
    ]),
    'Who mirrors a transfer: the file, the printer’s driver, or you?',
  ),
  pressed('press.celsius', 'press, heat', heat, degrees),
  pressed('press.seconds', 'press, time', ofPress('seconds'), ifAny(seconds, undefined)),
  pressed(
    'press.pressure',
    'press, pressure',
    ofPress('pressure'),
    orNobody([
      ['light', 'light'],
      ['medium', 'medium'],
      ['firm', 'firm'],
    ]),
  ),
  pressed(
    'press.peel',
    'peel',
    ofPress('peel'),
    orNobody([
      ['hot', 'hot'],
      ['warm', 'warm'],
      ['cold', 'cold'],
    ]),
  ),
  pressed('press.preparation', 'before pressing', ofPress('preparation'), wordsIfAny('wipe the wall', 200)),
  pressed('press.paper', 'paper', ofPress('paper'), wordsIfAny('transfer paper, 100 g', 200)),
  pressed('press.driver', 'driver settings', ofPress('driver'), wordsIfAny('colour management off', 200)),
  cut('cutRadius', 'smallest cut radius', field('cutRadius'), ifAny(distance(), undefined)),
  cut('cutInk', 'cut line’s ink', field('cutInk'), inkName(CUT_INK)),
  cut('backingInk', 'backing line’s ink', field('backingInk'), inkName(BACKING_INK)),
  cut('screens.count', 'screens', screenCount, ifAny(count('', { least: 1, most: 24 }), undefined)),
  cut('screens.rulings', 'rulings', screenRulings, rulings),
  orders(
    'days',
    'turnaround',
    field('days'),
    ifAny(count('working days', { least: 0, most: 365 }), undefined),
    'How many working days from an order to its parcel?',
  ),
  orders('contact', 'contact', field('contact'), wordsIfAny('orders@fogbell.example', 300)),
  orders('orderNumbers', 'order numbers', field('orderNumbers'), orderNumbers),
  orders(
    'takesMeasured',
    'measured blanks',
    field('takesMeasured'),
    yesOrNo('taken', 'its own only'),
    'Do you print on products that I measured, or on your own only?',
  ),
  orders('desk', 'desk', field('desk'), yesOrNo('takes packs sent from here', 'none: packs are saved')),
];

/** What of a whole record cannot be, by its entry: numbers that contradict each other. */
export function houseTroubles({ target, floor }: HouseSpec): { id: string; message: string }[] {
  return floor.value > target.value
    ? [{ id: 'floor', message: `The floor is at most the target, ${target.value} PPI.` }]
    : [];
}

const ASSUMED: Source = { kind: 'assumed' };

/** A house that is only known by name: what most houses ask, all of it assumed. */
export function newHouse(id: string, house: string, methodId: string): HouseSpec {
  const assumed = <T>(value: T) => ({ value, source: ASSUMED });
  return {
    upfit: 'spec/1',
    ...{ id, version: 1, house, methods: [methodId] },
    bleed: assumed(2),
    safe: assumed(4),
    safeFrom: assumed('trim'),
    target: assumed(300),
    floor: assumed(150),
    files: {
      formats: assumed(['png']),
      pixels: assumed(null),
      density: assumed(true),
      modes: assumed(['rgb']),
      alpha: assumed('kept'),
      maxBytes: assumed(50 * MIB),
      naming: assumed('{design}_{blank}_{face}_{size}'),
    },
    press: null,
  };
}
