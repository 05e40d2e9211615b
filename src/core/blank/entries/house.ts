import { MEGABYTE } from '../../length/bytes';
import { BACKING_INK, CUT_INK, FILE_FORMATS, type HouseSpec, type Method, type Source } from '../schema';
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
  type Writing,
} from './entry';
import {
  field,
  heat,
  inFiles,
  ofPress,
  screenCount,
  screenRulings,
  sourced,
  type Place,
} from './house-places';
import {
  black,
  bytes,
  degrees,
  inkName,
  named,
  orderNumbers,
  orNobody,
  ppi,
  rulings,
  seconds,
} from './house-writings';

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
    'kind of file',
    inFiles('formats'),
    someOf(named(FILE_FORMATS), 'A house takes at least one kind of file: tick one.'),
    'Which kinds of files do you take?',
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
      maxBytes: assumed(50 * MEGABYTE),
      naming: assumed('{design}_{blank}_{face}_{size}'),
    },
    press: null,
  };
}
