import type { Verdict } from '@/core/check/finding';
import { LONG } from '../support/long';
import { sheetOf } from '../support/fits';
import { laidOut } from './bench';
import { BARE, BLACK, circle, Drawing, rectangle, ring, WHITE, type Rgba } from './draw';
import { TruthTable } from './table';

const table = new TruthTable();
afterAll(() => {
  table.print();
});

const DENSITIES = (LONG ? [150, 300, 305, 600] : [305]).map((ppi) => ppi / 25.4);
const NAVY: Rgba = [20, 34, 74, 255];
const CREAM: Rgba = [244, 236, 214, 255];
const CYAN: Rgba = [0, 255, 255, 255];
const MAGENTA: Rgba = [255, 0, 255, 255];
const GREY: Rgba = [90, 90, 90, 255];
const blank = sheetOf('mug-325', { bleed: 3, safe: 3 });

const named = (name: string, perMm: number) => `${name}, ${Math.round(perMm * 25.4)} PPI`;

test('specks and pinholes are told by their mm, on clear and on a ground; dots of letters and counters are none', () => {
  const take = (name: string, drawing: Drawing, verdict: Verdict) => {
    table.take({
      rule: 'specks',
      name: named(name, drawing.perMm),
      docket: laidOut(blank, drawing.raster(), drawing.perMm),
      verdict,
    });
  };
  for (const perMm of DENSITIES)
    for (const under of [BARE, WHITE]) {
      const on = under === BARE ? 'clear' : 'white';
      const art = () => new Drawing(36, 24, perMm, under).lay([circle(18, 12, 7)], NAVY);
      for (const size of [0.25, 0.45])
        take(`speck of ${size} on ${on}`, art().lay([rectangle(3, 3, size, size)], NAVY), 'look');
      for (const size of perMm < 8 ? [0.4] : [0.2, 0.4])
        take(`pinhole of ${size} on ${on}`, art().lay([rectangle(17, 10, size, size)], under), 'look');
      take(`dot of 1.2 mm on ${on}`, art().lay([circle(3, 3, 0.6)], NAVY), 'ready');
      take(`counter of 1 mm on ${on}`, art().lay([circle(17, 10, 0.5)], under), 'ready');
      take(
        `the dot of an i on ${on}`,
        art().lay([rectangle(5, 6, 0.4, 2), rectangle(5, 4.55, 0.4, 0.4)], NAVY),
        'ready',
      );
      take(`nothing on ${on}`, art(), 'ready');
    }
  expect(table.wrong()).toEqual([]);
}, 60_000);

test('a round template’s outline is told from a ring that is drawn', () => {
  const round = sheetOf('mug-325', { width: 30, height: 30, bleed: 3, safe: 3 });
  const coaster = { ...round, faces: round.faces.map((face) => ({ ...face, cornerRadius: 15 })) };
  for (const perMm of DENSITIES)
    for (const [name, radius, verdict] of [
      ['on the trim', 15, 'fix'],
      ['on the safe edge', 12, 'fix'],
      ['within', 10, 'ready'],
    ] as const)
      for (const ink of [CYAN, NAVY]) {
        const drawing = new Drawing(36, 36, perMm, CREAM)
          .lay([circle(18, 18, 6)], NAVY)
          .lay(ring(18, 18, radius, 0.25), ink);
        table.take({
          rule: 'leftover',
          name: named(`ring ${name}`, perMm),
          docket: laidOut(coaster, drawing.raster(), perMm, { role: 'ground' }),
          verdict,
        });
      }
  expect(table.wrong()).toEqual([]);
});

test('guides are told from rules, stripes, frames and edges; crop marks by themselves too', () => {
  const take = (
    name: string,
    drawing: Drawing,
    verdict: Verdict | Verdict[],
    role: 'motif' | 'ground' = 'motif',
  ) => {
    table.take({
      rule: 'leftover',
      name: named(name, drawing.perMm),
      docket: laidOut(blank, drawing.raster(), drawing.perMm, { role }),
      verdict,
    });
  };
  // As large as the face with its bleed, so that a guide can lie on the blank's lines: 46 x 36 mm, the trim 3 mm in.
  const [wide, high] = [46, 36];
  for (const perMm of DENSITIES) {
    const whole = (under: Rgba = CREAM) =>
      new Drawing(wide, high, perMm, under).lay([circle(23, 18, 8)], NAVY);
    const level = (y: number, thick = 0.2) => rectangle(wide / 2, y, wide, thick);
    for (const [name, y] of [
      ['trim', 3],
      ['safe edge', 6],
      ['other trim', 33],
    ] as const)
      for (const [inks, ink] of [
        ['cyan', CYAN],
        ['magenta', MAGENTA],
        ['grey', GREY],
      ] as const)
        take(
          `${inks} along the ${name}`,
          whole().lay([level(y)], ink),
          // So thin that no row is whole, grey may be the artwork's own navy.
          ink === GREY && perMm < 8 ? ['look', 'fix', 'ready'] : 'fix',
          'ground',
        );
    take('cyan from edge to edge', whole().lay([level(8)], CYAN), 'fix', 'ground');
    take('grey from edge to edge', whole().lay([level(8)], GREY), 'look', 'ground');
    take(
      'crop marks',
      new Drawing(36, 26, perMm)
        .lay([rectangle(18, 13, 20, 12)], NAVY)
        .lay([rectangle(3, 7, 4, 0.2), rectangle(33, 7, 4, 0.2)], BLACK),
      'look',
    );
    // Artwork.
    take(
      'a badge',
      new Drawing(30, 20, perMm)
        .lay([rectangle(15, 10, 26, 16)], NAVY)
        .lay([rectangle(15, 10, 25, 15)], CREAM)
        .lay([rectangle(15, 10, 24.6, 14.6)], NAVY),
      'ready',
    );
    take(
      'pin stripes',
      whole().lay(
        Array.from({ length: 12 }, (_, i) => level(2 + i * 2.9)),
        GREY,
      ),
      'ready',
      'ground',
    );
    take(
      'a frame',
      new Drawing(30, 20, perMm)
        .lay([rectangle(15, 10, 28, 18)], NAVY)
        .lay([rectangle(15, 10, 27.6, 17.6)], BARE)
        .lay([circle(15, 10, 4)], NAVY),
      'ready',
    );
    take(
      'an underline',
      new Drawing(30, 20, perMm).lay([rectangle(15, 8, 20, 5)], NAVY).lay([rectangle(15, 13, 20, 0.3)], NAVY),
      'ready',
    );
    take(
      'a rule across in the artwork’s own ink',
      whole().lay([level(29)], NAVY),
      perMm < 8 ? ['ready', 'look'] : 'ready',
      'ground',
    );
    take(
      'a ring',
      new Drawing(30, 30, perMm).lay(ring(15, 15, 12, 0.3), NAVY).lay([circle(15, 15, 6)], NAVY),
      'ready',
    );
    take('nothing', whole(), 'ready', 'ground');
  }
  expect(table.wrong()).toEqual([]);
}, 60_000);
