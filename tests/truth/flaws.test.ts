import type { Verdict } from '@/core/check/finding';
import { few, LONG } from '../support/long';
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
      laid: laidOut(blank, drawing.raster(), drawing.perMm),
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
          laid: laidOut(coaster, drawing.raster(), perMm, { role: 'ground' }),
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
      laid: laidOut(blank, drawing.raster(), drawing.perMm, { role }),
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
    // Wherever the rows of pixels fall.
    for (const y of few([8.02, 8.137, 27.3], 2)) {
      take(`a cyan point and a half at ${y}`, whole().lay([level(y, 0.53)], CYAN), 'fix', 'ground');
      // Of so few rows, it may have one that is whole.
      const grey = perMm < 8 ? (['look', 'ready'] as const) : (['look'] as const);
      take(`a grey point at ${y}`, whole().lay([level(y, 0.353)], GREY), [...grey], 'ground');
    }
    take('a grey rule of 0.9 mm across', whole().lay([level(8, 0.9)], GREY), 'ready', 'ground');
    take('a cyan band of 1.1 mm across', whole().lay([level(8, 1.1)], CYAN), 'ready', 'ground');
    for (const thick of few([0.2, 0.32, 0.45], 2))
      take(
        `rays of ${thick} mm, one of them level`,
        whole().lay(
          Array.from({ length: 12 }, (_, i) => rectangle(23, 18, 140, thick, i * 15)),
          [208, 128, 32, 255],
        ),
        'ready',
        'ground',
      );
    for (const thick of [0.25, 0.353])
      take(
        `crop marks of ${thick} mm at every corner`,
        new Drawing(36.05, 26.03, perMm).lay([rectangle(18, 13, 20, 12)], NAVY).lay(
          [7, 19].flatMap((y) =>
            [4, 32].flatMap((x) => [
              rectangle(x, y, 4, thick),
              rectangle(x === 4 ? 8 : 28, y === 7 ? 3 : 23, thick, 4),
            ]),
          ),
          BLACK,
        ),
        'look',
      );
    take(
      'words between dashes',
      new Drawing(36, 26, perMm)
        .lay([rectangle(12, 13, 2, 6), rectangle(18, 13, 2, 6), rectangle(24, 13, 2, 6)], NAVY)
        .lay([rectangle(4.6, 13, 5.5, 0.5), rectangle(31.4, 13, 5.5, 0.5)], NAVY),
      'ready',
    );
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

test('guides at a slant are told from rays, pens, hatching and the edges of shapes', () => {
  const [wide, high] = [46, 36];
  const through = (x: number, y: number, degrees: number, thick = 0.2) =>
    rectangle(x, y, 140, thick, degrees);
  const take = (name: string, drawing: Drawing, verdict: Verdict | Verdict[], rotation = 0) => {
    table.take({
      rule: 'leftover',
      name: named(name, drawing.perMm),
      laid: laidOut(blank, drawing.raster(), drawing.perMm, { role: 'ground', rotation }),
      verdict,
    });
  };
  for (const perMm of DENSITIES) {
    const whole = (under: Rgba) => new Drawing(wide, high, perMm, under).lay([circle(23, 18, 8)], NAVY);
    for (const degrees of few([2, 11, 27, 44, 46, 63, 80, 88, 103, 135, 170], 2))
      for (const [name, ink, under] of [
        ['cyan on cream', CYAN, CREAM],
        ['magenta on navy', MAGENTA, [60, 70, 110, 255]],
        ['grey on clear', GREY, BARE],
        ['white on red', WHITE, [190, 40, 30, 255]],
      ] as const)
        for (const thick of few([0.1, 0.2, 0.3], 1)) {
          // Fainter than a pixel on clear, there is little of it to print.
          if (under === BARE && thick * perMm < 1.2) continue;
          take(
            `${name}, ${thick} mm at ${degrees}°`,
            whole(under).lay([through(20, 16, degrees, thick)], ink),
            ['look', 'fix'],
          );
        }
    for (const degrees of few([15, 50, 120], 1)) {
      const dashes = Array.from({ length: 30 }, (_, i) => {
        const turn = (degrees * Math.PI) / 180;
        const off = (i - 15) * 3;
        return rectangle(20 + off * Math.cos(turn), 16 + off * Math.sin(turn), 2.2, 0.25, degrees);
      });
      take(`dashed at ${degrees}°`, whole(CREAM).lay(dashes, CYAN), 'look');
      // A level guide of a piece that lies turned is at a slant on the face, whatever it crosses.
      take(
        `level, the piece turned by ${degrees}°`,
        whole(CREAM).lay([through(23, 18, 0)], GREY),
        'look',
        degrees,
      );
    }
    take(
      'rays',
      whole(CREAM).lay(
        Array.from({ length: 9 }, (_, i) => through(23, 18, i * 20 + 5)),
        GREY,
      ),
      'ready',
    );
    take(
      'hatching',
      whole(CREAM).lay(
        Array.from({ length: 16 }, (_, i) => through(i * 4 - 8, 18, 45, 0.25)),
        [120, 60, 40, 255],
      ),
      'ready',
    );
    take('a band of 1 mm', whole(CREAM).lay([through(20, 16, 30, 1)], CYAN), 'ready');
    take('the edge of a slanted field', whole(CREAM).lay([rectangle(46, 36, 60, 30, 30)], GREY), 'ready');
    take('a pen’s stroke', whole(CREAM).lay([rectangle(23, 30, 22, 0.3, 8)], GREY), 'ready');
    take(
      'a mast in the artwork’s own ink',
      whole(CREAM).lay([through(23, 18, 70, 0.3), rectangle(23, 18, 9, 12, 40)], NAVY),
      'ready',
    );
  }
  expect(table.wrong()).toEqual([]);
}, 120_000);

test('corner and registration marks are told from letters, sparkles and rings', () => {
  const take = (name: string, drawing: Drawing, verdict: Verdict) => {
    table.take({
      rule: 'leftover',
      name: named(name, drawing.perMm),
      laid: laidOut(blank, drawing.raster(), drawing.perMm),
      verdict,
    });
  };
  const cross = (x: number, y: number, size: number, thick = 0.2) => [
    rectangle(x, y, size, thick),
    rectangle(x, y, thick, size),
  ];
  for (const perMm of DENSITIES)
    for (const under of [BARE, WHITE]) {
      const on = under === BARE ? 'clear' : 'white';
      const art = () => new Drawing(36, 26, perMm, under).lay([rectangle(18, 13, 20, 12)], NAVY);
      take(
        `corners on ${on}`,
        art().lay(
          [rectangle(4.5, 4, 4, 0.2), rectangle(6.5, 2.1, 0.2, 4)].map((bar) => bar),
          BLACK,
        ),
        'look',
      );
      take(
        `a registration mark on ${on}`,
        art().lay([...cross(18, 3, 4), ...ring(18, 3, 1.3, 0.2)], BLACK),
        'look',
      );
      take(
        `registration marks at both ends on ${on}`,
        art()
          .lay([...cross(3, 13, 4.4), ...ring(3, 13, 1.3, 0.2)], BLACK)
          .lay([...cross(33, 13, 4.4), ...ring(33, 13, 1.3, 0.2)], BLACK),
        'look',
      );
      take(`a cross at the middle on ${on}`, art().lay(cross(18, 3, 4), BLACK), 'look');
      take(`sparkles on ${on}`, art().lay([...cross(4, 4, 3, 0.3), ...cross(31, 6, 4, 0.3)], NAVY), 'ready');
      take(`rings on ${on}`, art().lay(ring(3.5, 13, 2, 0.3), NAVY), 'ready');
      take(
        `an L under it on ${on}`,
        art().lay([rectangle(16, 22, 0.3, 4), rectangle(17, 23.85, 2.3, 0.3)], NAVY),
        'ready',
      );
      take(
        `a plus within the words on ${on}`,
        art().lay([rectangle(10, 22.5, 5, 3), ...cross(15, 22.5, 3, 0.3), rectangle(20, 22.5, 5, 3)], NAVY),
        'ready',
      );
    }
  expect(table.wrong()).toEqual([]);
}, 60_000);

test('specks on artwork of many colours lie by themselves on a flat part; eyes, seeds and stars are none', () => {
  const SKY: Rgba = [120, 170, 210, 255];
  const SAND: Rgba = [230, 200, 150, 255];
  const take = (name: string, drawing: Drawing, verdict: Verdict) => {
    table.take({
      rule: 'specks',
      name: named(name, drawing.perMm),
      laid: laidOut(blank, drawing.raster(), drawing.perMm, { role: 'ground' }),
      verdict,
    });
  };
  for (const perMm of DENSITIES) {
    const scene = () =>
      new Drawing(46, 36, perMm, SKY)
        .lay([rectangle(23, 30, 46, 12)], SAND)
        .lay([circle(30, 14, 5)], WHITE)
        .lay([circle(12, 26, 4)], NAVY);
    take('nothing', scene(), 'ready');
    for (const size of few([0.15, 0.3, 0.45], 2))
      for (const [on, x, y] of [
        ['sky', 12, 8],
        ['sand', 30, 31],
        ['the white', 30, 14],
      ] as const)
        take(`${size} on ${on}`, scene().lay([rectangle(x, y, size, size)], [170, 40, 40, 255]), 'look');
    take('an eye', scene().lay([circle(30, 10.5, 0.2)], NAVY), 'ready');
    take('a dot of 1 mm', scene().lay([circle(12, 8, 0.5)], NAVY), 'ready');
    take(
      'stars',
      scene().lay(
        Array.from({ length: 20 }, (_, i) => rectangle(3 + ((i * 7) % 22), 3 + ((i * 5) % 14), 0.3, 0.3)),
        WHITE,
      ),
      'ready',
    );
  }
  expect(table.wrong()).toEqual([]);
}, 60_000);
