import * as v from 'valibot';
import { keepOutFrom, PARTS } from '@/core/blank/library/parts';
import { BLANKS, METHODS, SPECS } from '@/core/blank/library';
import type { Blank, HouseSpec, Method } from '@/core/blank/schema';
import { freeIdAmong, printFileName } from '@/core/pack/names';
import { planPrint } from '@/core/print/plan';
import type { Fit } from '@/core/fit/schema';
import { EVERYTHING, isPlain, matching, readRoom, type Wanted } from '@/places/blanks/filter';
import { blankOf, library, resolveHere } from '@/state/shop/library';
import { UnderlaySchema, versionKey } from '@/store/blanks';
import { FIRST_SETTINGS, SettingsSchema } from '@/store/schema';
import { MILLIMETRES } from '@/core/length/show';
import { shippedBlanks } from '@/core/blank/library';
import { blankById, faceOf, fitOf } from '../support/fits';

const specs = new Map<string, HouseSpec>(SPECS.map((spec) => [spec.id, spec]));
const methods = new Map<string, Method>(METHODS.map((method) => [method.id, method]));
const mug = BLANKS.find(({ id }) => id === 'mug-325')!;
const wider: Blank = { ...mug, version: 2, body: { ...mug.body, diameter: 80 } as Blank['body'] };
const versions = new Map([mug, wider].map((blank) => [versionKey(blank), blank]));
const fit = (change: Partial<Fit>): Fit => ({ ...fitOf(blankById('mug-325'), []), ...change });

describe('the shelves of the library', () => {
  test('show the newest version of each blank, and none that was taken out', () => {
    const { blanks } = library({ versions, specs, methods }, FIRST_SETTINGS);
    expect([...blanks.values()].map(({ blank }) => [blank.id, blank.version])).toEqual([['mug-325', 2]]);
    expect(
      library({ versions, specs, methods }, { ...FIRST_SETTINGS, removedBlanks: ['mug-325'] }).blanks.size,
    ).toBe(0);
  });

  test('a fit keeps the version it was made on, in the house that is chosen now', () => {
    const shop = { versions, specs, methods, settings: FIRST_SETTINGS };
    expect(blankOf(fit({ blankVersion: 1 }), shop)?.faces[0]!.width).toBeCloseTo(Math.PI * 79 - 26, 9);
    expect(blankOf(fit({ blankVersion: 2 }), shop)?.faces[0]!.width).toBeCloseTo(Math.PI * 80 - 26, 9);
    expect(blankOf(fit({ blankVersion: 3 }), shop)).toBeUndefined();
    const moved = { ...shop, settings: { ...FIRST_SETTINGS, houses: { 'mug-325': 'corrie-sublimation' } } };
    expect(blankOf(fit({ blankVersion: 1 }), moved)?.faces[0]).toMatchObject({ bleed: 3, safe: 6 });
    const gone = { ...shop, settings: { ...FIRST_SETTINGS, houses: { 'mug-325': 'no-such-house' } } };
    expect(blankOf(fit({ blankVersion: 1 }), gone)?.spec.id).toBe('harl-kiln-mug');
  });

  test('what is asked for again is the same object, until its spec changes', () => {
    const first = resolveHere(mug, { specs, methods }, {});
    expect(resolveHere(mug, { specs, methods }, {})).toBe(first);
    const spec = specs.get('harl-kiln-mug')!;
    const stricter = new Map(specs).set(spec.id, {
      ...spec,
      version: 2,
      bleed: { value: 4, source: { kind: 'house' as const } },
    });
    expect(resolveHere(mug, { specs: stricter, methods }, {}).faces[0]!.bleed).toBe(4);
  });

  test('settings of an earlier version read with nothing chosen and nothing taken out', () => {
    const { removedBlanks, houses, draft, ...old } = FIRST_SETTINGS;
    expect([removedBlanks, houses, draft]).toEqual([[], {}, null]);
    expect(v.parse(SettingsSchema, old)).toEqual(FIRST_SETTINGS);
  });

  test('a template that lies under a face is a picture and a place, no more', () => {
    const underlay = {
      key: 'mug-325/wrap',
      blankId: 'mug-325',
      faceId: 'wrap',
      name: 'house.pdf',
      picture: new Blob(['x']),
      page: { x: -10, y: -10, width: 242, height: 112 },
      opacity: 0.4,
    };
    expect(v.safeParse(UnderlaySchema, underlay).success).toBe(true);
    expect(v.safeParse(UnderlaySchema, { ...underlay, opacity: 1.4 }).success).toBe(false);
  });
});

describe('looking for a blank', () => {
  const find = (wanted: Partial<Wanted>) =>
    matching(shippedBlanks(), { ...EVERYTHING, ...wanted }, MILLIMETRES).map(({ blank }) => blank.id);

  test('nothing asked is everything, kinds together', () => {
    expect(isPlain(EVERYTHING)).toBe(true);
    const kinds = matching(shippedBlanks(), EVERYTHING, MILLIMETRES).map(({ blank }) => blank.body.kind);
    expect(kinds).toHaveLength(BLANKS.length);
    const runs = kinds.filter((kind, index) => kind !== kinds[index - 1]);
    expect(new Set(runs).size).toBe(runs.length);
  });

  test('every word must be met, in the name, the kind, the method or the house', () => {
    expect(find({ words: 'REVEAL' })).toEqual(['mug-reveal']);
    expect(find({ words: 'folded tarn card' })).toEqual(['card-a6']);
    expect(find({ words: 'mug nothing' })).toEqual([]);
  });

  test('by kind, by method, and by the room that a size needs', () => {
    expect(find({ kind: 'gallery' })).toEqual(['gallery-40x30']);
    expect(find({ methodId: 'screen' })).toEqual(['shirt-screen']);
    expect(find({ room: '1700 x 600 mm' })).toEqual(['banner-1800']);
    expect(find({ room: '60 x 20 in' })).toEqual(['banner-1800']);
    expect(find({ room: 'wide' })).toHaveLength(BLANKS.length);
    expect(readRoom('90 x 60', MILLIMETRES)).toMatchObject({ width: 90, height: 60 });
    expect(readRoom('', MILLIMETRES)).toBeNull();
  });
});

describe('names and parts', () => {
  test('an id that nothing has yet', () => {
    expect(freeIdAmong('Kiln cup, 2', [])).toBe('kiln-cup-2');
    expect(freeIdAmong('Kiln cup', ['kiln-cup', 'kiln-cup-2'])).toBe('kiln-cup-3');
    expect(freeIdAmong('…', [])).toMatch(/^(untitled|unnamed)$/);
  });

  test('a print file is named as its house wants it, safe on every disk', () => {
    const blank = blankById('mug-325');
    const { spec } = blank;
    const naming = { value: '{face} {design}/{size} {who}', source: { kind: 'house' as const } };
    const named = { ...blank, spec: { ...spec, files: { ...spec.files, naming } } };
    expect(printFileName('Night watch', named, faceOf(blank), planPrint(named, faceOf(blank)))).toBe(
      'wrap-night-watch-222x92mm--who-.png',
    );
    expect(printFileName('Night watch', blank, faceOf(blank), planPrint(blank, faceOf(blank)))).toBe(
      'night-watch_mug-325-ml_wrap_222x92mm.png',
    );
    const taper = blankById('tumbler-taper-480');
    expect(printFileName('Waves', taper, faceOf(taper), planPrint(taper, faceOf(taper)))).toBe(
      'waves_taper-cup-480-ml_wrap_281x162mm.png',
    );
  });

  test('a keep-out from a part lies with its middle where it was put', () => {
    expect(keepOutFrom('knob-19', 10, 20)).toMatchObject({
      effect: 'cover',
      shape: { kind: 'circle', x: 10, y: 20, diameter: 19 },
    });
    expect(keepOutFrom('slide-slot', 30, 40, 'slot')).toMatchObject({
      id: 'slot',
      shape: { kind: 'rectangle', x: 18, y: 38.5, width: 24, height: 3 },
    });
    expect(new Set(PARTS.map(({ effect }) => effect))).toEqual(new Set(['hole', 'cover']));
    expect(() => keepOutFrom('no-such-part', 0, 0)).toThrow(RangeError);
  });
});
