import type { Raster } from '@/core/raster/raster';
import { few, LONG } from '../support/long';
import { sheetOf } from '../support/fits';
import { laidOut } from './bench';
import { BLACK, circle, Drawing, rectangle, ring, star, turned, WHITE, type Point, type Rgba } from './draw';
import { TruthTable } from './table';

const table = new TruthTable();
afterAll(() => {
  table.print();
});

const blank = sheetOf('shirt');
const LIMIT = blank.limits.stroke;
/** Pixels a mm: 200, 300, 305 and 635 PPI. */
const DENSITIES = (LONG ? [200, 300, 305, 635] : [200, 305]).map((ppi) => ppi / 25.4);
const ANGLES = LONG ? Array.from({ length: 36 }, (_, i) => i * 2.5) : [0, 5, 22.5, 45, 63];

/** Within 0.02 mm or a quarter pixel. */
const near = (mm: number, perMm: number) => [mm, Math.max(0.02, 0.25 / perMm)] as const;
const verdictOf = (mm: number) => (mm >= LIMIT ? 'ready' : mm >= LIMIT * 0.7 ? 'look' : 'fix');

/** Beside a large square, so that the art is more than its strokes. */
const canvas = (perMm: number) => new Drawing(20, 14, perMm).lay([rectangle(4, 7, 5, 5)], BLACK);

const strip = (width: number, degrees: number): Point[] => rectangle(13, 7, 8, width, degrees);

test('straight strokes at any angle and density measure their width', () => {
  for (const perMm of DENSITIES)
    for (const degrees of ANGLES)
      for (const mm of [0.1, 0.15, 0.2, 0.25]) {
        if (mm >= LIMIT) continue;
        const drawing = canvas(perMm).lay([strip(mm, degrees)], BLACK);
        table.take({
          rule: 'thin',
          name: `${mm} mm at ${degrees}°, ${Math.round(perMm * 25.4)} PPI`,
          laid: laidOut(blank, drawing.raster(), perMm),
          verdict: verdictOf(mm),
          measures: near(mm, perMm),
        });
      }
  expect(table.wrong()).toEqual([]);
}, 120_000);

test('short strokes at both sides of the limit, and edges that are hard or blurred', () => {
  for (const perMm of DENSITIES)
    for (const degrees of ANGLES)
      for (const off of [-0.03, 0.03]) {
        const mm = LIMIT + off;
        const name = `${mm.toFixed(2)} mm, ${degrees}°, ${Math.round(perMm * 25.4)} PPI`;
        const short = canvas(perMm)
          .lay([rectangle(13, 7, 2.4, mm, degrees)], BLACK)
          .raster();
        table.take({
          rule: 'thin',
          name: `short ${name}`,
          laid: laidOut(blank, short, perMm),
          verdict: mm < LIMIT ? 'look' : 'ready',
        });
        const blurred = boxBlur(
          canvas(perMm)
            .lay([strip(mm, degrees)], BLACK)
            .raster(),
        );
        table.take({
          rule: 'thin',
          name: `blurred ${name}`,
          laid: laidOut(blank, blurred, perMm),
          verdict: mm < LIMIT ? 'look' : 'ready',
          ...(mm < LIMIT && { measures: near(mm, perMm) }),
        });
      }
  for (const degrees of ANGLES) {
    const perMm = 600 / 25.4;
    const hard = canvas(perMm)
      .lay([strip(0.3, degrees)], BLACK)
      .raster();
    for (let at = 3; at < hard.data.length; at += 4) hard.data[at] = hard.data[at]! < 128 ? 0 : 255;
    table.take({
      rule: 'thin',
      name: `hard 0.3 at ${degrees}°`,
      laid: laidOut(blank, hard, perMm),
      verdict: 'fix',
      measures: [0.3, 0.043],
    });
  }
  expect(table.wrong()).toEqual([]);
}, 240_000);

/** Each alpha the mean of its neighbours', as scaling leaves it. */
function boxBlur(raster: Raster): Raster {
  const { width, height } = raster;
  const data = raster.data.slice();
  for (let y = 1; y + 1 < height; y++)
    for (let x = 1; x + 1 < width; x++) {
      let sum = 0;
      for (let dy = -1; dy <= 1; dy++)
        for (let dx = -1; dx <= 1; dx++) sum += raster.data[((y + dy) * width + x + dx) * 4 + 3]!;
      data[(y * width + x) * 4 + 3] = Math.round(sum / 9);
    }
  return { width, height, data, opaque: false };
}

test('rings, gaps and wide strokes', () => {
  for (const perMm of DENSITIES) {
    const name = `${Math.round(perMm * 25.4)} PPI`;
    for (const mm of [0.12, 0.2])
      table.take({
        rule: 'thin',
        name: `ring ${mm}, ${name}`,
        laid: laidOut(
          blank,
          canvas(perMm)
            .lay(ring(13, 7, 3, mm), BLACK)
            .raster(),
          perMm,
        ),
        verdict: verdictOf(mm),
        measures: near(mm, perMm),
      });
    for (const degrees of ANGLES) {
      const gap = canvas(perMm)
        .lay([circle(13, 7, 4)], BLACK)
        .lay([rectangle(13, 7, 20, 0.2, degrees)], [0, 0, 0, 0]);
      table.take({
        rule: 'thin',
        name: `gap 0.2 at ${degrees}°, ${name}`,
        laid: laidOut(blank, gap.raster(), perMm),
        verdict: verdictOf(0.2),
        measures: near(0.2, perMm),
      });
      const wide = canvas(perMm).lay([strip(LIMIT + 0.03, degrees)], BLACK);
      table.take({
        rule: 'thin',
        name: `wide ${LIMIT + 0.03} at ${degrees}°, ${name}`,
        laid: laidOut(blank, wide.raster(), perMm),
        verdict: 'ready',
      });
    }
  }
  expect(table.wrong()).toEqual([]);
}, 120_000);

test('tips that narrow to a point are none', () => {
  for (const perMm of DENSITIES)
    for (const wide of [8, 12, 16, 24, 40])
      for (const degrees of [0, 7, 31]) {
        const half = (wide * Math.PI) / 360;
        const length = 6;
        const points: Point[] = [
          [0, -length / 2],
          [length * Math.tan(half), length / 2],
          [-length * Math.tan(half), length / 2],
        ];
        const tip = turned(points, degrees).map(([x, y]): Point => [x + 13, y + 7]);
        table.take({
          rule: 'thin',
          name: `tip of ${wide}° at ${degrees}°, ${Math.round(perMm * 25.4)} PPI`,
          laid: laidOut(blank, canvas(perMm).lay([tip], BLACK).raster(), perMm),
          verdict: 'ready',
        });
      }
  for (const perMm of DENSITIES)
    for (const wide of [16, 20, 24])
      for (const points of [8, 16])
        table.take({
          rule: 'thin',
          name: `rose of ${points} points of ${wide}°, ${Math.round(perMm * 25.4)} PPI`,
          laid: laidOut(
            blank,
            canvas(perMm)
              .lay([star(13, 7, 5, points, wide)], BLACK)
              .raster(),
            perMm,
          ),
          verdict: 'ready',
        });
  expect(table.wrong()).toEqual([]);
}, 120_000);

const NAVY: Rgba = [20, 34, 74, 255];
const CREAM: Rgba = [244, 236, 214, 255];
const RED: Rgba = [190, 40, 30, 255];

test('lines of one ink on another, in opaque artwork, at any angle', () => {
  const pairs: [name: string, ground: Rgba, line: Rgba][] = [
    ['black on white', WHITE, BLACK],
    ['cream on navy', NAVY, CREAM],
    ['red on cream', CREAM, RED],
  ];
  for (const perMm of DENSITIES)
    for (const degrees of ANGLES)
      for (const [inks, ground, line] of few(pairs, 2)) {
        const name = `${inks} at ${degrees}°, ${Math.round(perMm * 25.4)} PPI`;
        for (const mm of [0.12, 0.25, LIMIT + 0.04])
          for (const flat of [true, false]) {
            const drawing = new Drawing(20, 14, perMm, ground).lay([strip(mm, degrees)], line);
            // Without it, no pixel of the line's colour is whole.
            if (flat) drawing.lay([rectangle(4, 7, 5, 5)], line);
            table.take({
              rule: 'thin',
              name: `${mm} mm ${name}${flat ? '' : ', alone'}`,
              laid: laidOut(blank, drawing.raster(), perMm),
              verdict: verdictOf(mm),
              ...(mm < LIMIT && flat && { measures: near(mm, perMm) }),
            });
          }
      }
  expect(table.wrong()).toEqual([]);
}, 240_000);

test('edges between inks, three that meet, and rounds are no lines', () => {
  for (const perMm of DENSITIES)
    for (const degrees of [0, 7, 45]) {
      const drawing = new Drawing(20, 14, perMm, WHITE)
        .lay([rectangle(10, 7, 12, 9, degrees)], NAVY)
        .lay([rectangle(10, 7, 8, 6, degrees + 20)], RED)
        // Grey is an ink of its own, and what lies between black and white.
        .lay([rectangle(3, 3, 3, 3)], [128, 128, 128, 255])
        .lay([circle(10, 7, 2)], BLACK)
        .lay([circle(10, 7, 1)], WHITE);
      table.take({
        rule: 'thin',
        name: `rounds at ${degrees}°, ${Math.round(perMm * 25.4)} PPI`,
        laid: laidOut(blank, drawing.raster(), perMm),
        verdict: 'ready',
      });
    }
  expect(table.wrong()).toEqual([]);
}, 120_000);
