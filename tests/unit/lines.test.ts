import fc from 'fast-check';
import type { Docket } from '@/core/check/docket';
import type { Verdict } from '@/core/check/finding';
import { resolveBlank } from '@/core/blank/resolve';
import { copiesIn, readCopies, withCopies, type Cell, type Copies } from '@/core/fit/copies';
import { newFill } from '@/core/fit/place';
import type { Fit } from '@/core/fit/schema';
import {
  cellsOf,
  lineVerdict,
  orderedOf,
  orderedVerdict,
  orderGrid,
  packedLines,
  sizedFits,
} from '@/core/pack/lines';
import type { PackedFit } from '@/core/pack/manifest';
import { sizedName } from '@/core/pack/names';
import { orderLinesOf, packedGrid } from '@/core/pack/order-lines';
import { blankById, faceOf, fitOf } from '../support/fits';

const shirt = blankById('shirt');
const mug = blankById('mug-325');
const colour = (n: number) => shirt.blank.colours[n]!.id;
const size = (n: number) => shirt.blank.sizes[n]!.id;
const cell = (c: number, s: number): Cell => ({ colourId: colour(c), sizeId: size(s), faceId: null });
const bare = (change: Partial<Fit> = {}): Fit => ({ ...fitOf(shirt, []), ...change });
const docket = (change: Partial<Docket> = {}): Docket => ({
  ...{ verdict: 'ready', exact: true, findings: [], looks: [], sizes: [] },
  ...change,
});

describe('copies as they are typed', () => {
  test.each([
    ['', 0],
    ['  ', 0],
    ['0', 0],
    [' 12 ', 12],
    ['100000', 100_000],
    ['100001', null],
    ['-1', null],
    ['1.5', null],
    ['1e3', null],
    ['twelve', null],
    ['٣', null],
  ])('“%s” is %s', (text, expected) => {
    expect(readCopies(text)).toBe(expected);
  });

  test('a cell set keeps its place, none takes it off, and the others stay as they are', () => {
    const anyCell = fc.record({ c: fc.nat(2), s: fc.nat(2) }).map(({ c, s }) => cell(c, s));
    const sets = fc.array(fc.tuple(anyCell, fc.nat(5)), { maxLength: 20 });
    fc.assert(
      fc.property(sets, (all) => {
        const expected = new Map<string, number>();
        let list: Copies[] = [];
        for (const [one, copies] of all) {
          list = withCopies(list, one, copies);
          expected.set(JSON.stringify(one), copies);
        }
        for (const [key, copies] of expected) expect(copiesIn(list, JSON.parse(key) as Cell)).toBe(copies);
        expect(list.every(({ copies }) => copies > 0)).toBe(true);
        expect(new Set(list.map((one) => `${one.colourId}/${one.sizeId}`)).size).toBe(list.length);
      }),
    );
  });
});

describe('what can be ordered of a fit', () => {
  test('a shirt: its colours across, its sizes down; those it is sold in and the colours of its version alone', () => {
    expect(cellsOf(orderGrid(shirt, bare()))).toHaveLength(
      shirt.blank.colours.length * shirt.blank.sizes.length,
    );
    const some = bare({
      soldIn: [size(1), size(2)],
      version: { name: 'dark', colours: [colour(0), colour(2)] },
    });
    const grid = orderGrid(shirt, some);
    expect(grid.columns.map(({ id }) => id)).toEqual([colour(0), colour(2)]);
    expect(grid.rows.map(({ sizeId }) => sizeId)).toEqual([size(1), size(2)]);
  });

  test('a mug: one row without a name', () => {
    expect(orderGrid(mug, fitOf(mug, [])).rows).toEqual([{ id: '', name: null, sizeId: null, faceId: null }]);
  });

  test('nothing typed is one of what is shown; what is typed is in the order of the grid', () => {
    expect(orderedOf(shirt, bare({ colourId: colour(1), sizeId: size(3) }))).toEqual([
      { ...cell(1, 3), copies: 1 },
    ]);
    const base = shirt.blank.sizes.find(({ print }) => print === 1)!.id;
    expect(orderedOf(shirt, bare({ sizeId: null }))[0]!.sizeId).toBe(base);
    const typed = [
      { ...cell(2, 1), copies: 3 },
      { ...cell(0, 2), copies: 1 },
      { ...cell(0, 0), copies: 2 },
    ];
    expect(orderedOf(shirt, bare({ copies: typed })).map(({ copies }) => copies)).toEqual([2, 1, 3]);
  });

  test('what the fit no longer has is not ordered', () => {
    const copies = [{ ...cell(0, 0), copies: 5 }];
    const fit = bare({ copies, soldIn: [size(1)], sizeId: size(1) });
    expect(orderedOf(shirt, fit)).toEqual([
      { colourId: fit.colourId, sizeId: size(1), faceId: null, copies: 1 },
    ]);
  });
});

describe('how a line does', () => {
  const outcome = (id: string, verdict: Verdict, edge?: Verdict) => ({
    id,
    name: id,
    verdict,
    why: [],
    edge,
  });

  test('on its own colour and in its own size: neither another colour nor another size counts', () => {
    const told = docket({
      verdict: 'fix',
      looks: [outcome(colour(0), 'ready'), outcome(colour(1), 'fix')],
      sizes: [outcome(size(0), 'fix', 'look'), outcome(size(1), 'fix', 'ready')],
    });
    expect(lineVerdict(told, cell(0, 1))).toBe('ready');
    expect(lineVerdict(told, cell(0, 0))).toBe('look');
    expect(lineVerdict(told, cell(1, 1))).toBe('fix');
    expect(orderedVerdict(told, [cell(0, 1), cell(0, 0)])).toBe('look');
    expect(orderedVerdict(told, [])).toBe('ready');
  });

  test('one colour alone, or looks that are states: the findings say', () => {
    const finding = { rule: 'bleed', verdict: 'look', faceId: 'front', size: undefined };
    const findings = [finding, { ...finding, verdict: 'fix', size: { id: size(0), name: 'S' } }];
    expect(lineVerdict(docket({ findings: findings as unknown as Docket['findings'] }), cell(0, 3))).toBe(
      'look',
    );
  });
});

describe('print files of an order', () => {
  const fill = newFill('ground', '#336699');
  const laid = bare({ faces: [{ faceId: faceOf(shirt).id, pieces: [fill] }], sizeId: size(1) });

  test('sizes whose print is as large share one; others have their own, with pieces hung as a size’s are', () => {
    const groups = sizedFits(shirt, laid, [cell(0, 0), cell(1, 0), cell(0, 1)]);
    const dims = (id: string) => resolveBlank(shirt.blank, shirt.method, shirt.spec, id).faces[0]!.width;
    expect(groups).toHaveLength(dims(size(0)) === dims(size(1)) ? 1 : 2);
    expect(groups.flatMap(({ sizeIds }) => sizeIds).sort()).toEqual([size(0), size(1)].sort());
    for (const { sizeIds, fit } of groups) expect(sizeIds).toContain(fit.sizeId);
  });

  test('a product of one size is printed once, as it is', () => {
    const fit = fitOf(mug, []);
    expect(sizedFits(mug, fit, [{ colourId: 'white', sizeId: null, faceId: null }])).toEqual([
      { sizeIds: [null], fit },
    ]);
  });

  test('a file’s name says its sizes before its ending', () => {
    expect(sizedName('lamp_shirt.front.png', ['2XL', '3XL'])).toBe('lamp_shirt.front_2xl-3xl.png');
  });
});

describe('lines of a pack as an order', () => {
  const ordered = [0, 1, 2, 3].flatMap((c) => [0, 1, 2].map((s) => ({ ...cell(c, s), copies: c + s + 1 })));
  const lines = packedLines(shirt, ordered, docket());
  const names = shirt.blank.sizes.map(({ name }) => name);
  const print = (path: string, sizes?: string[]) => ({ path, faceId: 'front', ...(sizes && { sizes }) });
  const packed = (prints: object[]) =>
    ({ fitId: 'fit', colour: 'x', size: null, verdict: 'ready', lines, prints }) as unknown as PackedFit;

  test('four colours in three sizes are twelve lines, each with the files of its own size', () => {
    const fit = packed([print('a.png', [names[0]!]), print('b.png', [names[1]!, names[2]!])]);
    const { grid, copies } = packedGrid(fit);
    expect([grid.columns.length, grid.rows.length, copies.length]).toEqual([4, 3, 12]);
    const order = orderLinesOf(fit, copies);
    expect(order).toHaveLength(12);
    for (const line of order)
      expect(line.sides).toEqual([{ faceId: 'front', path: line.size === names[0] ? 'a.png' : 'b.png' }]);
    expect(order.map(({ quantity }) => quantity)).toEqual(ordered.map(({ copies: count }) => count));
  });

  test('a set’s stickers are lines of their own, each with its own file; none asked, no line', () => {
    const set = {
      ...packed([
        { path: 'shell.png', faceId: 's-1' },
        { path: 'crab.png', faceId: 's-2' },
      ]),
      lines: ['Shell', 'Crab'].map((what, i) => ({
        ...{ colour: 'Vinyl', size: null, faceId: `s-${i + 1}`, what, copies: 1, verdict: 'ready' },
      })),
    } as unknown as PackedFit;
    const { grid, copies } = packedGrid(set);
    expect(grid.rows.map(({ name }) => name)).toEqual(['Shell', 'Crab']);
    const order = orderLinesOf(set, withCopies(copies, copies[0]!, 0));
    expect(order).toEqual([
      {
        ...{ fitId: 'fit', size: null, colour: 'Vinyl', what: 'Crab', quantity: 1 },
        sides: [{ faceId: 's-2', path: 'crab.png' }],
      },
    ]);
  });

  test('a pack of before is one line of its colour and size', () => {
    const old = { ...packed([print('a.png')]), lines: undefined, colour: 'White', size: 'M' };
    expect(orderLinesOf(old as PackedFit, packedGrid(old as PackedFit).copies)).toMatchObject([
      { colour: 'White', size: 'M', quantity: 1, sides: [{ faceId: 'front', path: 'a.png' }] },
    ]);
  });
});
