import { MEGABYTE } from '../../length/bytes';
import type { HouseSpec, Source } from '../schema';

const STATED: Source = { kind: 'house', note: 'spec sheet', date: '2026-09-01' };
const stated = <T>(value: T) => ({ value, source: STATED });
const assumed = <T>(value: T) => ({ value, source: { kind: 'assumed' as const } });

const NAMING = '{design}_{blank}_{face}_{size}';

type Asked = Pick<HouseSpec, 'id' | 'house' | 'methods' | 'about'> & {
  bleed: number;
  safe: number;
  target?: number;
  floor?: number;
  formats?: HouseSpec['files']['formats']['value'];
  modes?: HouseSpec['files']['modes']['value'];
  alpha?: 'kept' | 'none';
  megabytes?: number;
  press?: HouseSpec['press'];
  /** Numbers nobody has stated yet. */
  unsure?: readonly ('bleed' | 'safe' | 'floor')[];
};

/** Houses that print on blanks their customers measured, and houses that have a desk. */
const TAKE_MEASURED = ['Harl Kiln Works', 'Skerry Labels'];
const WITH_DESKS = ['Harl Kiln Works', 'Dunmere Garment Print', 'Skerry Labels'];
/** Working days from an order to its parcel. */
const DAYS: Record<string, number> = {
  'Harl Kiln Works': 4,
  'Corrie Transfer Co.': 3,
  'Dunmere Garment Print': 5,
  'Ostrey Hard Goods': 6,
  'Skerry Labels': 4,
  'Tarn Paper Press': 3,
  'Brathwick Banners': 7,
};

/** A spec as its house states it; what is left out is what most of these houses ask. */
function spec(asked: Asked): HouseSpec {
  const number = (name: 'bleed' | 'safe' | 'floor', value: number) =>
    asked.unsure?.includes(name) ? assumed(value) : stated(value);
  return {
    upfit: 'spec/1',
    id: asked.id,
    version: 1,
    house: asked.house,
    about: asked.about,
    methods: asked.methods,
    bleed: number('bleed', asked.bleed),
    safe: number('safe', asked.safe),
    safeFrom: stated('trim'),
    target: stated(asked.target ?? 300),
    floor: number('floor', asked.floor ?? 150),
    files: {
      formats: stated(asked.formats ?? ['png', 'jpeg']),
      pixels: stated(null),
      density: stated(true),
      modes: stated(asked.modes ?? ['rgb']),
      alpha: stated(asked.alpha ?? 'kept'),
      maxBytes: stated((asked.megabytes ?? 50) * MEGABYTE),
      naming: stated(NAMING),
    },
    takesMeasured: TAKE_MEASURED.includes(asked.house),
    desk: WITH_DESKS.includes(asked.house),
    mirroring: 'house',
    days: DAYS[asked.house]!,
    press: asked.press ?? null,
  };
}

/** The shipped house specs. Houses and numbers are made up and plausible. */
export const SPECS: readonly HouseSpec[] = [
  spec({
    id: 'harl-kiln-mug',
    house: 'Harl Kiln Works',
    about: 'mugs',
    methods: ['sublimation'],
    bleed: 2,
    safe: 4,
    press: {
      celsius: 200,
      seconds: 180,
      pressure: 'medium',
      peel: 'warm',
      preparation: 'wipe the wall, tape the sheet tight',
      driver: 'driver: transfer paper, colour management off',
    },
  }),
  spec({
    id: 'harl-kiln-tumbler',
    house: 'Harl Kiln Works',
    about: 'tumblers',
    methods: ['sublimation'],
    bleed: 2,
    safe: 5,
    formats: ['png'],
    press: {
      celsius: 190,
      seconds: 90,
      pressure: 'medium',
      peel: 'hot',
      preparation: 'wrap with the seam at the back, tape top and foot',
    },
    unsure: ['bleed'],
  }),
  spec({
    id: 'harl-kiln-plate',
    house: 'Harl Kiln Works',
    about: 'plates and tiles',
    methods: ['sublimation'],
    bleed: 2,
    safe: 3,
    press: { celsius: 200, seconds: 60, pressure: 'firm' },
  }),
  spec({
    id: 'corrie-sublimation',
    house: 'Corrie Transfer Co.',
    about: 'coated things',
    methods: ['sublimation'],
    bleed: 3,
    safe: 6,
    formats: ['png', 'tiff'],
    press: { celsius: 195, seconds: 60, pressure: 'light' },
    unsure: ['safe'],
  }),
  spec({
    id: 'dunmere-shirt',
    house: 'Dunmere Garment Print',
    about: 'clothes',
    methods: ['direct-to-garment', 'film-transfer'],
    bleed: 0,
    safe: 5,
    formats: ['png'],
    modes: ['rgb', 'grey'],
    megabytes: 100,
  }),
  spec({
    id: 'corrie-cloth',
    house: 'Corrie Transfer Co.',
    about: 'cloth',
    methods: ['direct-to-garment', 'film-transfer', 'screen'],
    bleed: 0,
    safe: 4,
    floor: 200,
    formats: ['png', 'tiff'],
    modes: ['rgb', 'grey'],
    megabytes: 120,
    press: {
      celsius: 160,
      seconds: 15,
      pressure: 'firm',
      peel: 'cold',
      preparation: 'press the cloth dry for 5 s first',
    },
  }),
  spec({
    id: 'ostrey-case',
    house: 'Ostrey Hard Goods',
    about: 'cases and hard goods',
    methods: ['uv', 'sublimation'],
    bleed: 1.5,
    safe: 3,
    formats: ['png', 'pdf'],
  }),
  spec({
    id: 'skerry-sticker',
    house: 'Skerry Labels',
    about: 'sticker sheets',
    methods: ['digital-label'],
    bleed: 2,
    safe: 3,
    floor: 200,
    formats: ['png', 'pdf'],
    alpha: 'none',
    megabytes: 20,
  }),
  spec({
    id: 'skerry-to-shape',
    house: 'Skerry Labels',
    about: 'stickers cut to shape',
    methods: ['digital-label'],
    bleed: 2,
    safe: 2,
    floor: 200,
    formats: ['png', 'pdf'],
    modes: ['rgb', 'cmyk'],
    megabytes: 20,
  }),
  spec({
    id: 'skerry-label',
    house: 'Skerry Labels',
    about: 'labels',
    methods: ['digital-label'],
    bleed: 2,
    safe: 2.5,
    floor: 200,
    formats: ['png', 'pdf'],
    modes: ['rgb', 'cmyk'],
    alpha: 'none',
    megabytes: 60,
  }),
  spec({
    id: 'tarn-paper',
    house: 'Tarn Paper Press',
    about: 'paper and board',
    methods: ['digital-print'],
    bleed: 3,
    safe: 4,
    floor: 200,
    formats: ['png', 'pdf', 'tiff'],
    modes: ['rgb', 'cmyk'],
    alpha: 'none',
    megabytes: 80,
  }),
  spec({
    id: 'broadwater-wall',
    house: 'Brathwick Banners',
    about: 'walls',
    methods: ['large-format'],
    bleed: 5,
    safe: 15,
    target: 150,
    floor: 87,
    formats: ['png', 'jpeg', 'tiff', 'pdf'],
    modes: ['rgb', 'cmyk'],
    alpha: 'none',
    megabytes: 300,
  }),
  spec({
    id: 'broadwater-banner',
    house: 'Brathwick Banners',
    about: 'banners',
    methods: ['large-format'],
    bleed: 10,
    safe: 40,
    target: 72,
    floor: 44,
    formats: ['png', 'jpeg', 'tiff', 'pdf'],
    modes: ['rgb', 'cmyk'],
    alpha: 'none',
    megabytes: 300,
    unsure: ['safe'],
  }),
];
