import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Big from 'big.js';
import fc from 'fast-check';
import { run } from '@/cli/run';
import { costOf, type Cost } from '@/core/price/cost';
import type { Price } from '@/core/price/list';
import { PRICE_COLUMNS, readPrices } from '@/core/price/table';
import { readTable } from '@/files/table';

const folder = mkdtempSync(join(tmpdir(), 'up-fit-price-'));
afterAll(() => {
  rmSync(folder, { recursive: true });
});

const line = (change: Partial<Price> = {}): Price => ({
  ...{ house: 'Harl Kiln Works', blank: 'mug-325', size: '', method: '', from: 1 },
  ...{ price: '4.10', setup: null, postage: '2.90', currency: 'EUR', day: '2026-11-28' },
  ...{ material: '', side: null, more: null, ...change },
});
const MUG = [line(), line({ from: 12, price: '3.40' })];
const ask = { quantity: 1, inks: null, sides: 1, asking: '14.50', fee: '0.08' };

describe('what one piece costs and earns', () => {
  test('a mug of 4.10 with 2.90 of postage, sold at 14.50 with a fee of 8 %, earns 6.34; from 12 on 7.04', () => {
    expect(costOf(MUG, ask)).toEqual({
      ...{ currency: 'EUR', unit: '4.10', setup: '0.00', postage: '2.90', cost: '7.00' },
      ...{ asking: '14.50', fee: '1.16', profit: '6.34', margin: '0.4372', unknown: [] },
      breaks: [
        { from: 1, unit: '4.10' },
        { from: 12, unit: '3.40' },
      ],
    });
    expect(costOf(MUG, { ...ask, quantity: 11 }).profit).toBe('6.34');
    expect(costOf(MUG, { ...ask, quantity: 12 }).profit).toBe('7.04');
    expect(costOf(MUG, { ...ask, quantity: 24 })).toMatchObject({ profit: '7.04', margin: '0.4855' });
  });

  test('three inks for five at 18.00 a screen over 40 shirts are 0.90 less a piece', () => {
    const shirt = [line({ blank: 'shirt-screens', price: '6.20', setup: '18.00', postage: '0' })];
    const setup = (inks: number) => costOf(shirt, { ...ask, quantity: 40, inks }).setup;
    expect([setup(5), setup(3)]).toEqual(['2.25', '1.35']);
    expect(costOf(shirt, { ...ask, quantity: 40, inks: 3, sides: 2 }).setup).toBe('2.70');
    // Nobody said how many inks, and there is something to be asked for each.
    expect(costOf(shirt, ask)).toMatchObject({ setup: null, cost: null, unknown: ['setup'] });
  });

  test('what is missing is unknown and never nothing, and so is all that depends on it', () => {
    expect(costOf([line({ postage: null })], ask)).toMatchObject({
      ...{ unit: '4.10', postage: null, cost: null, fee: '1.16', profit: null, margin: null },
      unknown: ['postage'],
    });
    expect(costOf([line({ price: null, postage: null })], { ...ask, inks: 2 }).unknown).toEqual([
      'price',
      'setup',
      'postage',
    ]);
    // Fewer than the smallest quantity that is priced.
    expect(costOf([line({ from: 12 })], ask)).toMatchObject({ unit: null, unknown: ['price', 'postage'] });
    expect(costOf(MUG, { ...ask, asking: null })).toMatchObject({ cost: '7.00', profit: null, fee: null });
    expect(costOf(MUG, { ...ask, asking: '0' }).margin).toBeNull();
  });

  test('to the cent for any sums: what is asked is fee, cost and profit together', () => {
    const sum = fc.integer({ min: 0, max: 9_999_999 }).map((cent) => (cent / 100).toFixed(2));
    fc.assert(
      fc.property(
        sum,
        sum,
        sum,
        sum,
        fc.integer({ min: 1, max: 500 }),
        fc.integer({ min: 0, max: 12 }),
        (unit, setup, post, asking, quantity, inks) => {
          const made = costOf([line({ price: unit, setup, postage: post })], {
            quantity,
            inks,
            sides: 1,
            asking,
            fee: '0.085',
          });
          const exact = Big(asking)
            .minus(Big(asking).times('0.085'))
            .minus(unit)
            .minus(post)
            .minus(Big(setup).times(inks).div(quantity));
          expect(Big(made.profit!).minus(exact).abs().lte('0.005')).toBe(true);
          expect(
            Big(made.cost!).minus(Big(made.unit!).plus(made.setup!).plus(made.postage!)).abs().lte('0.02'),
          ).toBe(true);
        },
      ),
    );
  });
});

const HEAD = PRICE_COLUMNS.join(',');
const GOOD = 'Harl Kiln Works,mug-325,,,1,4.10,,2.90,EUR,2026-11-28';
const rows = (...lines: string[]) => readPrices(readTable(Buffer.from([HEAD, ...lines].join('\n'))));

describe('a price list', () => {
  test('is read with any separator, quotes, order of columns, and encoding', () => {
    const wanted = { prices: [line()], troubles: [] };
    expect(rows(GOOD, '', ',,,,,,,,,')).toEqual(wanted);
    const other = [
      'day;currency;postage;setup;price;from;method;size;blank;house',
      '2026-11-28;EUR;2.90;;4.10;;;;"mug-325";"Harl Kiln Works"',
    ].join('\r\n');
    expect(readPrices(readTable(Buffer.from(`\ufeff${other}`)))).toEqual(wanted);
    const utf16 = Buffer.concat([Buffer.from([0xff, 0xfe]), Buffer.from(other, 'utf16le')]);
    expect(readPrices(readTable(utf16))).toEqual(wanted);
  });

  test.each([
    ['a price below zero', GOOD.replace('4.10', '-4.10'), 2, 'price', /-4\.10” is below zero/],
    ['a comma for the point', GOOD.replace('4.10', '"4,10"'), 2, 'price', /has a comma: write 4\.10/],
    ['words for a sum', GOOD.replace('2.90', 'free'), 2, 'postage', /“free” is no sum/],
    ['half a piece', GOOD.replace(',1,4.10', ',0.5,4.10'), 2, 'from', /whole number from 1/],
    ['no blank', GOOD.replace('mug-325', ''), 2, 'blank', /say which blank/],
    ['no currency', GOOD.replace('EUR', '€'), 2, 'currency', /three letters/],
    ['no day', GOOD.replace('2026-11-28', '28/11'), 2, 'day', /year, month and day/],
    ['a quantity priced twice', `${GOOD}\n${GOOD}`, 3, 'from', /row 2 prices mug-325 from 1 already/],
    [
      'a break that goes up',
      `${GOOD}\n${GOOD.replace(',1,4.10', ',12,4.20')}`,
      3,
      'price',
      /4\.20 from 12 is more than 4\.10 from 1/,
    ],
    [
      'two currencies',
      `${GOOD}\n${GOOD.replace(',1,4.10', ',12,4.00').replace('EUR', 'NOK')}`,
      3,
      'currency',
      /row 2 is in EUR/,
    ],
  ])('with %s is told by row and column', (_, text, row, column, words) => {
    const { troubles } = rows(...text.split('\n'));
    expect(troubles).toEqual([{ row, column, message: expect.stringMatching(words) as string }]);
    expect(troubles[0]!.message).toContain(`Row ${row}, ${column}:`);
  });

  test('without a column, or with a quote that never ends, is told', () => {
    expect(readPrices([['house', 'blank']]).troubles[0]!.message).toMatch(/no column size, method, from/);
    expect(readPrices([]).troubles).toHaveLength(1);
    expect(() => rows('"Harl,mug-325,,,1')).toThrow(/Row 2: a quote/);
  });
});

describe('by the command line', () => {
  const path = join(folder, 'prices.csv');
  beforeAll(() => {
    const more = [
      'Harl Kiln Works,mug-325,,,12,3.40,,2.90,EUR,2026-11-28',
      'Corrie Transfer Co.,tote,,,1,5.00,,,EUR,2026-11-28',
      'Skerry Labels,tote,,,1,4.00,,,EUR,2026-11-28',
    ];
    writeFileSync(path, [HEAD, GOOD, ...more].join('\n'));
  });
  const upfit = async (...args: string[]) => {
    const { out, status } = await run(['price', '--prices', path, ...args, '--json'], () => {
      throw new Error('a price needs no engine');
    });
    return { status, json: JSON.parse(out) as Cost & { error: { code: string; message: string } } };
  };

  test('the worked mug, from CSV and from JSON', async () => {
    const { status, json } = await upfit(
      '--blank',
      'mug-325',
      '--quantity',
      '24',
      '--asking',
      '14.50',
      '--fee',
      '8%',
    );
    expect([status, json.profit, json.margin]).toEqual([0, '7.04', '0.4855']);
    const asJson = join(folder, 'prices.json');
    writeFileSync(asJson, JSON.stringify([line(), line({ from: 12, price: '3.40' })]));
    const same = await upfit('--prices', asJson, '--blank', 'MUG-325', '--asking', '14.50', '--fee', '0.08');
    expect(same.json.profit).toBe('6.34');
    // Read by a person: a share that ends in half of a tenth is not rounded down.
    const ask = ['--blank', 'mug-325', '--quantity', '24', '--asking', '14.50', '--fee', '8%'];
    const { out } = await run(['price', '--prices', path, ...ask], () =>
      Promise.reject(new Error('no engine')),
    );
    expect(out).toMatch(/profit 7\.04 EUR \(48\.6 %\)/);
  });

  test('of several houses one is asked for; a house is found by its name', async () => {
    const { json } = await upfit('--blank', 'tote');
    expect(json.error).toMatchObject({
      code: 'bad-argument',
      message: expect.stringMatching(/Corrie.*Skerry.*--house/) as string,
    });
    expect((await upfit('--blank', 'tote', '--house', 'skerry labels')).json).toMatchObject({
      unit: '4.00',
      cost: null,
      unknown: ['postage'],
    });
  });

  test.each([
    [['--blank', 'cap'], 'not-found', /no price for cap/],
    [['--blank', 'mug-325', '--quantity', '0'], 'bad-argument', /--quantity wants a whole number from 1/],
    [['--blank', 'mug-325', '--asking', '14,50'], 'bad-argument', /--asking wants a sum as 14\.50/],
    [['--blank', 'mug-325', '--fee', '180%'], 'bad-argument', /--fee wants a share/],
    [['--blank', 'mug-325', '--prices', 'nowhere.csv'], 'not-found', /nowhere\.csv is not there/],
    [[], 'bad-argument', /wants --blank/],
  ])('%j is told', async (args, code, words) => {
    const { status, json } = await upfit(...args);
    expect([status, json.error.code]).toEqual([2, code]);
    expect(json.error.message).toMatch(words);
  });
});
