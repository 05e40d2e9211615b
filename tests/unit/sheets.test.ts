import fc from 'fast-check';
import { layOut, type SheetLayout } from '@/core/sheet/layout';
import type { Print } from '@/core/sheet/print';
import { marksOf, RULER } from '@/core/sheet/marks';
import { reportOn } from '@/core/sheet/report';
import { newSheet, type Sheet } from '@/core/sheet/schema';
import { runs } from '../support/long';

const print = (fitId: string, width: number, height: number, bleed = 2): Print => ({
  ...{ fitId, faceId: 'front', name: fitId, width, height, bleed },
});
const sheetOf = (change: Partial<Sheet>): Sheet => ({ ...newSheet('s', 'Sheet'), ...change });
const item = (fitId: string, copies: number) => ({ fitId, faceId: 'front', copies });
const EPS = 1e-3;

/** Every copy inside the margin, none nearer to another than the gap. */
function holds(sheet: Sheet, { width, height, laid }: SheetLayout): boolean {
  const { margin, gap } = sheet;
  const inside = laid.every(
    (one) =>
      one.x >= margin - EPS &&
      one.y >= margin - EPS &&
      one.x + one.width <= width - margin + EPS &&
      one.y + one.height <= height - margin + EPS,
  );
  const apart = laid.every((a, i) =>
    laid
      .slice(i + 1)
      .every(
        (b) =>
          a.sheet !== b.sheet ||
          a.x + a.width + gap <= b.x + EPS ||
          b.x + b.width + gap <= a.x + EPS ||
          a.y + a.height + gap <= b.y + EPS ||
          b.y + b.height + gap <= a.y + EPS,
      ),
  );
  return inside && apart;
}

test('whatever is packed: every copy is there, inside the margin, a gap from the next', () => {
  const size = fc.integer({ min: 20, max: 180 });
  fc.assert(
    fc.property(
      fc.array(fc.tuple(size, size, fc.integer({ min: 1, max: 6 })), { minLength: 1, maxLength: 8 }),
      fc.boolean(),
      fc.boolean(),
      fc.integer({ min: 0, max: 12 }),
      (sizes, turning, roll, gap) => {
        const prints = sizes.map(([width, height], i) => print(`p${i}`, width, height));
        const sheet = sheetOf({
          paper: { name: 'x', width: 297, height: roll ? null : 420 },
          items: sizes.map(([, , copies], i) => item(`p${i}`, copies)),
          turning,
          gap,
        });
        const layout = layOut(sheet, prints);
        const wanted = sizes.reduce((sum, [, , copies]) => sum + copies, 0);
        expect(layout.laid).toHaveLength(wanted);
        expect(layout.troubles).toEqual([]);
        expect(holds(sheet, layout)).toBe(true);
        for (const { print: own, width, height, turned } of layout.laid)
          expect([width, height]).toEqual(turned ? [own.height, own.width] : [own.width, own.height]);
        if (!turning) expect(layout.laid.some(({ turned }) => turned)).toBe(false);
      },
    ),
    runs(60),
  );
});

describe('worked sheets', () => {
  test('twelve mugs on oversize sheets', () => {
    const sheet = sheetOf({
      paper: { name: '330 × 480', width: 330, height: 480 },
      items: [item('mug', 12)],
    });
    const layout = layOut(sheet, [print('mug', 226.2, 96)]);
    // 310 x 460 mm inside the margins: turned, three lie beside one another (298) in two rows (457.4).
    expect(layout.sheets).toBe(2);
    expect(layout.laid.filter((one) => one.sheet === 0)).toHaveLength(6);
    expect(layout.laid.every(({ turned }) => turned)).toBe(true);
    const report = reportOn(sheet, [print('mug', 226.2, 96)], layout);
    expect(report.used).toBeCloseTo((12 * 226.2 * 96) / (2 * 330 * 480), 6);
    expect(report.more).toBe(0);
  });

  test('how many more would go on, what one more row needs, and what a print costs', () => {
    const stickers = [print('s', 54, 54)];
    const sheet = sheetOf({
      paper: { name: 'A4', width: 210, height: 297 },
      gap: 2,
      items: [item('s', 5)],
      price: 3,
    });
    // 190 x 277 mm: three across (166), four down (222).
    const report = reportOn(sheet, stickers, layOut(sheet, stickers));
    expect(report).toMatchObject({ more: 7, row: null, cost: { all: 3, each: 0.6 } });
    const roll = { ...sheet, paper: { name: 'Roll 300', width: 300, height: null }, items: [item('s', 10)] };
    const layout = layOut(roll, stickers);
    // Five across, two rows: 2 x 54 + 2, and the margins.
    expect(layout.height).toBeCloseTo(130, 3);
    expect(reportOn(roll, stickers, layout)).toMatchObject({
      more: null,
      row: 56,
      cost: { all: expect.closeTo(0.39, 6) as number, each: expect.closeTo(0.039, 6) as number },
    });
  });

  test('a print larger than any sheet goes over several, its parts overlapping', () => {
    const sheet = sheetOf({ paper: { name: 'A4', width: 210, height: 297 }, items: [item('wall', 1)] });
    const { laid, sheets } = layOut(sheet, [print('wall', 426, 300)]);
    // 190 mm wide parts a step of 180 mm apart: 0, 180, 360; 277 high ones: 0, 267.
    expect(sheets).toBe(6);
    expect(laid.map(({ part }) => [part!.x, part!.y])).toEqual([
      [0, 0],
      [180, 0],
      [360, 0],
      [0, 267],
      [180, 267],
      [360, 267],
    ]);
    expect(laid.at(-1)!.part).toMatchObject({ width: 66, height: 33 });
    for (const part of laid) expect([part.x, part.y]).toEqual([10, 10]);
  });

  test('placed by hand it stays as it is placed, and what is wrong with it is said', () => {
    const spot = (x: number, y: number) => ({ fitId: 's', faceId: 'front', sheet: 0, x, y, turned: false });
    const sheet = sheetOf({ items: [item('s', 3)], placed: [spot(10, 10), spot(30, 30), spot(5, 300)] });
    const { laid, troubles } = layOut(sheet, [print('s', 54, 54)]);
    expect(laid.map(({ x, y }) => [x, y])).toEqual([
      [10, 10],
      [30, 30],
      [5, 300],
    ]);
    expect(troubles).toEqual([
      '“s” on sheet 1 goes past the margin.',
      '“s” and “s” lie over one another on sheet 1.',
    ]);
    expect(layOut(sheetOf({ margin: 200 }), []).troubles[0]).toMatch(/margins leave less than 20 mm/);
  });
});

test('marks: 100 mm of ruler, four corners cropped at each trim, none of it inside a print', () => {
  const sheet = sheetOf({ items: [item('s', 6)], gap: 6 });
  const layout = layOut(sheet, [print('s', 84, 54)]);
  const marks = marksOf(sheet, layout, 0);
  const lines = marks.filter((mark) => mark.kind === 'line');
  expect(lines.some(({ x1, x2, y1, y2 }) => y1 === y2 && Math.abs(x2 - x1 - RULER) < 1e-9)).toBe(true);
  for (const { x1, y1, x2, y2 } of lines) {
    for (const one of layout.laid) {
      const inside = (x: number, y: number) =>
        x > one.x + EPS && x < one.x + one.width - EPS && y > one.y + EPS && y < one.y + one.height - EPS;
      expect(inside(x1, y1) || inside(x2, y2) || inside((x1 + x2) / 2, (y1 + y2) / 2)).toBe(false);
    }
  }
  const cropAt = layout.laid[0]!.x + 2;
  expect(lines.filter(({ x1, x2 }) => x1 === cropAt && x2 === cropAt).length).toBeGreaterThanOrEqual(2);
  expect(marksOf({ ...sheet, crops: false, ruler: false, labels: false }, layout, 0)).toHaveLength(1);
});
