import { METHODS } from './methods';
import { resolveBlank, type ResolvedBlank } from './resolve';
import type { Blank, HouseSpec, ProductColour, Source } from './schema';

const STATED: Source = { kind: 'house', note: 'spec sheet', date: '2026-09-01' };
const TAPED: Source = { kind: 'tape', date: '2026-10-12' };
const ASSUMED: Source = { kind: 'assumed' };

const stated = <T>(value: T) => ({ value, source: STATED });
const taped = <T>(value: T) => ({ value, source: TAPED });
const assumed = <T>(value: T) => ({ value, source: ASSUMED });

const MIB = 1024 * 1024;

/** The shipped house specs. Houses and numbers are made up and plausible. */
export const SPECS: readonly HouseSpec[] = [
  {
    upfit: 'spec/1',
    id: 'harl-kiln-mug',
    version: 1,
    house: 'Harl Kiln Works',
    bleed: stated(2),
    safe: stated(4),
    target: stated(300),
    floor: stated(150),
    files: {
      formats: stated(['png', 'jpeg']),
      pixels: stated(null),
      modes: stated(['rgb']),
      alpha: stated('kept'),
      maxBytes: stated(50 * MIB),
    },
    press: { celsius: 200, seconds: 180, pressure: 'medium' },
  },
  {
    upfit: 'spec/1',
    id: 'harl-kiln-tumbler',
    version: 1,
    house: 'Harl Kiln Works',
    bleed: assumed(2),
    safe: stated(5),
    target: stated(300),
    floor: stated(150),
    files: {
      formats: stated(['png']),
      pixels: stated(null),
      modes: stated(['rgb']),
      alpha: stated('kept'),
      maxBytes: stated(50 * MIB),
    },
    press: { celsius: 190, seconds: 90, pressure: 'medium' },
  },
  {
    upfit: 'spec/1',
    id: 'dunmere-shirt',
    version: 1,
    house: 'Dunmere Garment Print',
    bleed: stated(0),
    safe: taped(5),
    target: stated(300),
    floor: stated(150),
    files: {
      formats: stated(['png']),
      pixels: stated(null),
      modes: stated(['rgb', 'grey']),
      alpha: stated('kept'),
      maxBytes: stated(100 * MIB),
    },
    press: null,
  },
  {
    upfit: 'spec/1',
    id: 'skerry-sticker',
    version: 1,
    house: 'Skerry Labels',
    bleed: stated(2),
    safe: stated(3),
    target: stated(300),
    floor: stated(200),
    files: {
      formats: stated(['png', 'pdf']),
      pixels: stated(null),
      modes: stated(['rgb']),
      alpha: stated('none'),
      maxBytes: stated(20 * MIB),
    },
    press: null,
  },
];

const WHITE: ProductColour = { id: 'white', name: 'White', hex: '#f7f6f2' };

/** The shipped blanks. Names and sizes are made up and plausible. */
export const BLANKS: readonly Blank[] = [
  {
    upfit: 'blank/1',
    id: 'mug-325',
    version: 1,
    name: 'Mug 325 ml',
    body: {
      kind: 'wrap',
      diameter: 79,
      height: 96,
      lip: 2,
      foot: 2,
      overlap: 0,
      handle: { gap: 26, reach: 32, thickness: 11, width: 15, top: 16, bottom: 15 },
    },
    methodId: 'sublimation',
    specId: 'harl-kiln-mug',
    colours: [WHITE],
    states: [],
    sizes: [],
  },
  {
    upfit: 'blank/1',
    id: 'tumbler-470',
    version: 1,
    name: 'Tumbler 470 ml',
    body: { kind: 'wrap', diameter: 68.5, height: 162, lip: 12, foot: 10, overlap: 0, handle: null },
    methodId: 'sublimation',
    specId: 'harl-kiln-tumbler',
    colours: [WHITE, { id: 'pearl', name: 'Pearl', hex: '#e9e6df' }],
    states: [],
    sizes: [],
  },
  {
    upfit: 'blank/1',
    id: 'shirt-front',
    version: 1,
    name: 'Shirt, front',
    body: {
      kind: 'garment',
      chest: 530,
      length: 735,
      sleeve: 215,
      collarWidth: 190,
      collarDrop: 62,
      print: { width: 305, height: 406, belowCollar: 60 },
    },
    methodId: 'direct-to-garment',
    specId: 'dunmere-shirt',
    colours: [
      WHITE,
      { id: 'oat', name: 'Oat', hex: '#e2d8c3' },
      { id: 'fog', name: 'Fog', hex: '#a9aeb1' },
      { id: 'rust', name: 'Rust', hex: '#a4492f' },
      { id: 'kelp', name: 'Kelp', hex: '#37493c' },
      { id: 'night', name: 'Night', hex: '#1c2531' },
    ],
    states: [],
    sizes: [],
  },
  {
    upfit: 'blank/1',
    id: 'sticker-75',
    version: 1,
    name: 'Sticker 75, die cut',
    body: { kind: 'sticker', cut: 'die', width: 75, height: 75, cornerRadius: 37.5 },
    methodId: 'digital-label',
    specId: 'skerry-sticker',
    colours: [{ id: 'white', name: 'White vinyl', hex: '#ffffff' }],
    states: [],
    sizes: [],
  },
];

/** Every shipped blank with its method and spec; throws where a record names one that is not shipped. */
export function shippedBlanks(): ResolvedBlank[] {
  return BLANKS.map((blank) => {
    const method = METHODS.find(({ id }) => id === blank.methodId);
    const spec = SPECS.find(({ id }) => id === blank.specId);
    if (!method || !spec) throw new Error(`Blank ${blank.id} names a method or a spec that is not shipped.`);
    return resolveBlank(blank, method, spec);
  });
}
