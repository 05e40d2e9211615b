import 'fake-indexeddb/auto';
import * as v from 'valibot';
import { askAsPage, askInWords } from '@/core/blank/entries/ask';
import type { Entry } from '@/core/blank/entries/entry';
import { houseEntries, houseTroubles, newHouse } from '@/core/blank/entries/house';
import { METHOD_ENTRIES, newMethod } from '@/core/blank/entries/method';
import { METHODS, SPECS } from '@/core/blank/library';
import { pressCard } from '@/core/blank/press-card';
import { houseQuestions } from '@/core/blank/questions';
import { HouseSpecSchema, MethodSchema, type HouseSpec, type Source } from '@/core/blank/schema';
import { MILLIMETRES } from '@/core/length/show';
import { blankOf } from '@/state/shop/library';
import { keep } from '@/state/shop/records';
import {
  chooseHouse,
  duplicateRecord,
  entriesOf,
  importRecord,
  isShippedRecord,
  makeRecord,
  removeRecord,
  stateEntries,
  titleOf,
  usesOf,
} from '@/state/shop/houses';
import { openShop, useShop } from '@/state/shop/shop';
import { database } from '@/store/database';
import { designNamed, emptyStore, fitNamed } from '../support/shop-store';

const MM = MILLIMETRES;
const STATED: Source = { kind: 'house', date: '2026-11-28' };
const ENTRIES = houseEntries(METHODS);
const entry = (id: string) => ENTRIES.find((one) => one.id === id)!;
const fogbell = () => newHouse('fogbell', 'Fogbell Print', 'sublimation');

/** A record with entries stated, as a form does it. */
function say<R>(entries: readonly Entry<R>[], record: R, typed: Record<string, string>): R {
  return Object.entries(typed).reduce(
    (so, [id, text]) => entries.find((one) => one.id === id)!.state(so, text, STATED, MM),
    record,
  );
}

describe('what is known of a house', () => {
  test.each(ENTRIES.map((one) => [one.id, one] as const))(
    '%s: typed as it stands, it stays; read in both units, by every shipped house',
    (_, one) => {
      for (const unit of [MM, { unit: 'in', inches: 'decimal' } as const])
        for (const spec of [...SPECS, fogbell()]) {
          const typed = one.typed(spec, unit);
          if (typed === '' && one.trouble(typed, unit) !== null) continue;
          expect(one.trouble(typed, unit)).toBeNull();
          const again = one.state(spec, typed, one.source(spec) ?? STATED, unit);
          expect(one.typed(again, unit)).toBe(typed);
          expect(v.is(HouseSpecSchema, again)).toBe(true);
        }
    },
  );

  test.each([
    ['bleed', '-1 mm', /below zero/],
    ['bleed', '2 parsecs', /parsecs|unit|character/i],
    ['house', '  ', /needs a name/],
    ['formats', '', /at least one kind of file/],
    ['modes', '', /at least one colour mode/],
    ['methods', 'engraving', /some method/],
    ['target', '0 PPI', /from 1 to 2400/],
    ['target', '299.5', /whole number/],
    ['maxBytes', 'large', /MB/],
    ['pixels', '1819 by 2551', /whole pixels/],
    ['pixels', '18.5 x 20', /whole pixels/],
    ['black', '50/40/40', /in percent/],
    ['black', '50/40/40/195', /in percent/],
    ['press.celsius', '600 °C', /20 to 300/],
    ['orderNumbers', 'order', /# for each digit/],
    ['cutInk', 'Cut/Line', /plain letters/],
    ['screens.rulings', '45, 900', /10 to 400/],
    ['days', '-2', /working days/],
  ])('%s: “%s” is told', (id, text, sentence) => {
    expect(entry(id).trouble(text, MM)).toMatch(sentence);
    expect(entry(id).state(fogbell(), text, STATED, MM)).toEqual(fogbell());
  });

  test('Fogbell Print, typed: every number with its source, heat in either scale, one press card', () => {
    const spec = say(ENTRIES, fogbell(), {
      formats: 'tiff',
      modes: 'cmyk',
      maxBytes: '40 MB',
      black: '50/40/40/95',
      mirroring: 'driver',
      'press.celsius': '370 °F',
      'press.seconds': '70 s',
      orderNumbers: 'fp-####',
      'screens.rulings': '45, 55',
      'screens.count': '4',
    });
    expect(v.is(HouseSpecSchema, spec)).toBe(true);
    expect(spec).toMatchObject({
      files: {
        formats: { value: ['tiff'], source: STATED },
        modes: { value: ['cmyk'] },
        maxBytes: { value: 40_000_000 },
      },
      black: [0.5, 0.4, 0.4, 0.95],
      mirroring: 'driver',
      press: { celsius: 188, seconds: 70 },
      orderNumbers: 'FP-####',
      screens: { count: 4, rulings: [45, 55] },
    });
    expect(entry('black').source(spec)).toEqual(STATED);
    expect(pressCard(spec).slice(0, 2)).toEqual(['188 °C (370 °F)', '70 s']);
    expect(say(ENTRIES, spec, { 'press.celsius': '', black: '' })).toMatchObject({ press: null });
  });

  test('a floor above the target is a trouble; at the target it is none', () => {
    expect(houseTroubles(say(ENTRIES, fogbell(), { floor: '300' }))).toEqual([]);
    expect(houseTroubles(say(ENTRIES, fogbell(), { floor: '301' }))[0]?.message).toMatch(/300 PPI/);
  });

  test('what nobody stated is asked, once each; an answer closes its question', () => {
    const open = houseQuestions(fogbell(), true).map(({ id }) => id);
    expect(open).toEqual(expect.arrayContaining(['bleed', 'formats', 'mirroring', 'days', 'takesMeasured']));
    expect(new Set(open).size).toBe(open.length);
    expect(houseQuestions(fogbell(), false).map(({ id }) => id)).not.toContain('mirroring');
    for (const id of open) {
      const answer = { mirroring: 'driver', days: '5', takesMeasured: 'no' }[id];
      const after = say(ENTRIES, fogbell(), { [id]: answer ?? entry(id).typed(fogbell(), MM) });
      expect(houseQuestions(after, true).map((one) => one.id)).toEqual(open.filter((one) => one !== id));
    }
  });

  test('questions as words and as a page: a name with signs of HTML harms neither', () => {
    const asked = { shop: 'Gullwick & Sons', house: '<Fogbell>', about: 'mugs', date: '2026-11-28' };
    expect(askInWords('Fogbell', 'mugs', ['How much?'])).toBe('Fogbell, about mugs:\n- How much?\n');
    const page = askAsPage(asked, ['How <b>much</b>?']);
    expect(page).toContain('&lt;Fogbell&gt;');
    expect(page).toContain('Gullwick &amp; Sons');
    expect(page).toContain('How &lt;b&gt;much&lt;/b&gt;?');
    expect(page).not.toContain('<b>');
  });
});

describe('what is known of a method', () => {
  test.each(METHOD_ENTRIES.map((one) => [one.id, one] as const))(
    '%s: typed as it stands, it stays',
    (_, one) => {
      for (const method of [...METHODS, newMethod('own', 'Own')]) {
        const typed = one.typed(method, MM);
        expect(one.trouble(typed, MM)).toBeNull();
        const again = one.state(method, typed, STATED, MM);
        expect(one.typed(again, MM)).toBe(typed);
        expect(v.is(MethodSchema, again)).toBe(true);
      }
    },
  );

  test('a stroke of nothing is told, and a viewing distance is in metres', () => {
    const find = (id: string) => METHOD_ENTRIES.find((one) => one.id === id)!;
    expect(find('stroke').trouble('0 mm', MM)).toMatch(/above zero/);
    const seen = find('viewedFrom').state(METHODS[0]!, '2.5 m', STATED, MM);
    expect(seen.viewedFrom).toBe(2500);
    expect(find('viewedFrom').state(seen, '', STATED, MM).viewedFrom).toBeUndefined();
  });
});

describe('houses and methods in the shop', () => {
  const shop = () => useShop.getState();
  const spec = (id: string): HouseSpec => shop().specs.get(id)!;
  beforeEach(async () => {
    await emptyStore();
    await openShop();
    await keep('designs', designNamed('design'));
    await keep('fits', fitNamed('a'));
  });
  afterAll(async () => {
    (await database()).close();
  });

  test('a house made, written and chosen: its numbers are the blank’s; one undo takes a change back', async () => {
    const id = await makeRecord('specs', ' Fogbell Print ');
    expect(titleOf(spec(id))).toBe('Fogbell Print');
    expect(usesOf('specs', shop())(id)).toEqual({ blanks: 0, fits: 0 });
    await chooseHouse('mug-325', id);
    expect(usesOf('specs', shop())(id)).toEqual({ blanks: 1, fits: 1 });
    const { version, undo } = await stateEntries('specs', spec(id), { bleed: '3 mm' }, STATED, MM);
    expect(version).toBe(2);
    expect(blankOf(shop().fits.get('a')!, shop())!.faces[0]!.bleed).toBe(3);
    await undo();
    expect(blankOf(shop().fits.get('a')!, shop())!.faces[0]!.bleed).toBe(2);
  });

  test('a method that came with us is changed for every blank that is printed by it, and comes back by undo', async () => {
    const method = shop().methods.get('sublimation')!;
    const { undo } = await stateEntries('methods', method, { stroke: '0.45 mm' }, STATED, MM);
    expect(shop().blanks.get('mug-325')!.limits.stroke).toBe(0.45);
    await undo();
    expect(shop().blanks.get('mug-325')!.limits.stroke).toBe(0.3);
    expect(isShippedRecord('methods', 'sublimation')).toBe(true);
  });

  test('what contradicts itself is not kept', async () => {
    const act = stateEntries('specs', SPECS[0]!, { floor: '400 PPI' }, STATED, MM);
    await expect(act).rejects.toThrow(/at most the target/);
    expect(spec(SPECS[0]!.id)).toEqual(SPECS[0]);
  });

  test('no name, no record; a copy has a name of its own', async () => {
    await expect(makeRecord('methods', '  ')).rejects.toThrow(/name/);
    const id = await duplicateRecord(spec('harl-kiln-mug'));
    expect(spec(id)).toMatchObject({ house: 'Harl Kiln Works, copy', version: 1 });
    const undo = await removeRecord('specs', id);
    expect(shop().specs.has(id)).toBe(false);
    await undo();
    expect(shop().specs.has(id)).toBe(true);
  });

  test('taken in from a file under a free id, or refused in words', async () => {
    const file = (json: unknown) => new File([JSON.stringify(json)], 'fogbell.json');
    expect(await importRecord(file({ ...SPECS[0], version: 7 }))).toEqual({
      table: 'specs',
      id: `${SPECS[0]!.id}-2`,
    });
    expect(await importRecord(file(newMethod('own', 'Own')))).toEqual({ table: 'methods', id: 'own' });
    await expect(importRecord(file({ upfit: 'spec/1' }))).rejects.toThrow(/no house and no method/);
    await expect(importRecord(new File(['{'], 'x.json'))).rejects.toThrow(/not JSON/);
    await expect(importRecord(file({ ...SPECS[0], methods: ['engraving'] }))).rejects.toThrow(/engraving/);
    const upside = { ...SPECS[0], floor: { value: 900, source: STATED } };
    await expect(importRecord(file(upside))).rejects.toThrow(/at most the target/);
  });

  test('the form of a house lists the methods that are there', () => {
    const options = entriesOf('specs', shop().methods.values()).find(({ id }) => id === 'methods')!.options;
    expect(options.map(([id]) => id)).toEqual(METHODS.map(({ id }) => id));
  });
});
