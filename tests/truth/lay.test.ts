import type { ResolvedBlank } from '@/core/blank/resolve';
import type { Press } from '@/core/colour/press';
import { firstLettering, newText } from '@/core/fit/text';
import type { Piece } from '@/core/fit/schema';
import type { Raster } from '@/core/raster/raster';
import { layText } from '@/core/type/layout';
import { loadNodeEngine } from '@/imaging/node';
import { blankById, faceOf, factsOf, pieceAt, sheetOf } from '../support/fits';
import { face as font } from '../support/font';
import { CLEAR, paint } from '../support/pictures';
import { laidOut } from './bench';
import { BARE, circle, Drawing, rectangle, star, WHITE, type Rgba } from './draw';
import { TruthTable } from './table';

/** Where pieces lie, and what their colours come to: each rule at both sides of its limits. */
const table = new TruthTable();
let press: Press;
beforeAll(async () => {
  const engine = await loadNodeEngine();
  press = engine.bakePress(null, 'relative');
  engine.close();
});
afterAll(() => {
  table.print();
  expect(table.wrong()).toEqual([]);
});

const PER_MM = 300 / 25.4;
const NAVY: Rgba = [20, 34, 74, 255];
const dot = new Drawing(8, 6, PER_MM, NAVY).raster();
const sheet = sheetOf('mug-325');

function faced(blank: ResolvedBlank, change: Partial<ReturnType<typeof faceOf>>): ResolvedBlank {
  return { ...blank, faces: [{ ...faceOf(blank), ...change }] };
}

test('centre: aimed at and off by so much, across, down, turned', () => {
  const centred = faced(sheet, { zones: [{ id: 'middle', name: 'middle', x: 20, y: 15 }] as never });
  for (const [off, verdict] of [
    [0, 'ready'],
    [0.18, 'ready'],
    [0.25, 'look'],
    [1.4, 'look'],
    [2.95, 'look'],
    [3.1, 'ready'],
    [6, 'ready'],
  ] as const)
    for (const [dx, dy] of [
      [1, 0],
      [-1, 0],
      [0, 1],
    ] as const)
      for (const rotation of [0, Math.PI / 2, 0.4]) {
        const piece = pieceAt(20 + dx * off, 15 + dy * off, 8, 6, { rotation });
        table.take({
          rule: 'centre',
          name: `${off} off by ${dx}, ${dy}, turned ${rotation}`,
          laid: laidOut(centred, dot, PER_MM, { pieces: [piece] }),
          verdict,
          ...(off < 3 && { measures: [off, 0.02] as const }),
        });
      }
});

test('proportion: one axis scaled more than the other, at any turn', () => {
  const whole = new Drawing(80, 60, PER_MM, NAVY).raster();
  // A small file has the proportion that its whole pixels allow.
  for (const [width, height] of [
    [8, 6],
    [5.1, 3.3],
    [20.3, 3.1],
  ] as const)
    table.take({
      rule: 'stretch',
      name: `${width} x ${height} mm in whole pixels`,
      laid: laidOut(sheet, new Drawing(width, height, PER_MM, NAVY).raster(), PER_MM, {
        pieces: [pieceAt(20, 15, width, height)],
      }),
      verdict: 'ready',
    });
  for (const [more, verdict] of [
    [0, 'ready'],
    [0.004, 'ready'],
    [0.007, 'look'],
    [0.028, 'look'],
    [0.032, 'fix'],
    [0.4, 'fix'],
  ] as const)
    for (const across of [true, false])
      for (const rotation of [0, 1]) {
        const [width, height] = across ? [8 * (1 + more), 6] : [8, 6 * (1 + more)];
        table.take({
          rule: 'stretch',
          name: `${more} more ${across ? 'across' : 'down'}, turned ${rotation}`,
          laid: laidOut(sheet, whole, PER_MM, { pieces: [pieceAt(20, 15, width, height, { rotation })] }),
          verdict,
          measures: [more, 0.001],
        });
      }
});

test('stray: outside, covered, doubled; and what is hardly in, partly covered or beside its like', () => {
  const take = (name: string, pieces: Piece[], verdict: 'ready' | 'look' | 'fix') => {
    table.take({ rule: 'stray', name, laid: laidOut(sheet, dot, PER_MM, { pieces }), verdict });
  };
  const at = (x: number, y: number, id = 'one', width = 8, height = 6) =>
    pieceAt(x, y, width, height, { id, name: id, artworkId: id });
  take('past the left edge', [at(-4.1, 15)], 'fix');
  take('past the foot', [at(20, 33.1)], 'fix');
  take('by half a mm inside', [at(-3.5, 15)], 'ready');
  take('under a larger one', [at(20, 15), at(20, 15, 'over', 12, 10)], 'look');
  take('half under another', [at(20, 15), at(24, 15, 'over', 12, 10)], 'ready');
  const twin = (off: number) => [at(20, 15), { ...at(20 + off, 15), id: 'again' }];
  take('twice on one place', twin(0), 'look');
  take('twice, 0.4 mm off', twin(0.4), 'look');
  take('twice, 0.7 mm off', twin(0.7), 'ready');
  take('side by side', twin(9), 'ready');
});

test('folds and seams: a motif up to one, across it by a little, lettering across it', () => {
  const folded = faced(sheet, { folds: [20] });
  const lettering = {
    ...firstLettering('archivo-narrow', '#14224a', 4),
    lines: [{ text: 'HEH', gap: null }],
  };
  const text = newText('text', lettering, layText(lettering, font())!, { x: 20, y: 8 });
  for (const [past, verdict] of [
    [-0.5, 'ready'],
    [-0.02, 'ready'],
    [0.2, 'look'],
    [3, 'look'],
  ] as const)
    table.take({
      rule: 'fold',
      name: `${past} past the fold`,
      laid: laidOut(folded, dot, PER_MM, { pieces: [pieceAt(16 + past, 15, 8, 6)] }),
      verdict,
    });
  table.take({
    rule: 'fold',
    name: 'lettering across it',
    laid: laidOut(folded, dot, PER_MM, { pieces: [text] }),
    verdict: 'fix',
  });
  const wrap = blankById('tumbler-470');
  const face = faceOf(wrap);
  for (const [x, verdict] of [
    [20, 'ready'],
    [4.1, 'ready'],
    [3, 'look'],
    [face.width - face.overlap - 2, 'look'],
  ] as const)
    table.take({
      rule: 'seam-crossing',
      name: `its middle ${x} from the start`,
      laid: laidOut(wrap, dot, PER_MM, { pieces: [pieceAt(x, face.height / 2, 8, 6)] }),
      verdict,
    });
});

test('seam: ends that meet, that nearly do, and that do not', () => {
  const wrap = blankById('tumbler-470');
  const face = faceOf(wrap);
  const [across, down] = [400, 160];
  // From grey to a grey some levels darker, all the way round.
  const ground = (levels: number) =>
    paint(across, down, (x) => {
      const level = 150 - (levels * x) / (across - 1);
      return [level, level, level, 255];
    });
  for (const [levels, verdict] of [
    [0, 'ready'],
    [3, 'ready'],
    [9, 'look'],
    [40, 'fix'],
  ] as const) {
    const piece = pieceAt(
      face.width / 2,
      face.height / 2,
      face.width + 2 * face.bleed,
      face.height + 2 * face.bleed,
      {
        role: 'ground',
      },
    );
    table.take({
      rule: 'seam',
      name: `${levels} levels darker`,
      laid: laidOut(wrap, ground(levels), 1, { pieces: [piece] }),
      verdict,
    });
  }
});

test('soft parts by their share, and edges that are none however wide they are smoothed', () => {
  const shirt = sheetOf('shirt');
  const of = (name: string, raster: Raster, verdict: 'ready' | 'look' | 'fix') => {
    table.take({ rule: 'soft', name, laid: laidOut(shirt, raster, PER_MM), verdict });
  };
  const [width, height] = [236, 165];
  // A block of half clear pixels; those within 2.5 of what is clear are its edge.
  const block = (side: number) =>
    paint(width, height, (x, y) => {
      if (x < 150 && y > 20 && y < 140 && x > 20) return [20, 34, 74, 255];
      return x >= 170 && x < 170 + side && y >= 30 && y < 30 + side ? [20, 34, 74, 128] : CLEAR;
    });
  of('none', block(0), 'ready');
  of('a block of 9 px', block(9), 'ready');
  of('a block of 20 px', block(20), 'look');
  of('a block of 50 px', block(50), 'fix');
  for (const [wide, verdict] of [
    [1, 'ready'],
    [3, 'ready'],
    [5, 'ready'],
    [12, 'fix'],
    [30, 'fix'],
  ] as const)
    of(
      `a slope of ${wide} px`,
      paint(width, height, (x) => [20, 34, 74, Math.max(0, Math.min(255, ((160 - x) / wide) * 255))]),
      verdict,
    );
});

test('inks: as many as the printer has, one more, and specks that count for none', () => {
  const screen = sheetOf('shirt');
  const limited = { ...screen, limits: { ...screen.limits, inks: 4 } } as ResolvedBlank;
  const INKS: Rgba[] = [
    NAVY,
    [190, 40, 30, 255],
    [30, 140, 90, 255],
    [240, 200, 40, 255],
    [200, 200, 205, 255],
  ];
  const drawn = (count: number) => {
    const drawing = new Drawing(30, 20, PER_MM);
    INKS.slice(0, count).forEach((ink, i) => {
      drawing.lay([i % 2 ? circle(4 + i * 5, 10, 2.2) : star(4 + i * 5, 10, 2.4, 5, 40)], ink);
    });
    return drawing;
  };
  const take = (name: string, drawing: Drawing, verdict: 'ready' | 'fix') => {
    table.take({ rule: 'ink-count', name, laid: laidOut(limited, drawing.raster(), PER_MM), verdict });
  };
  for (const count of [1, 3, 4, 5]) take(`${count} inks`, drawn(count), count > 4 ? 'fix' : 'ready');
  take('four and a speck of a fifth', drawn(4).lay([rectangle(15, 3, 0.3, 0.3)], INKS[4]!), 'ready');
  take('four that overlap, their edges mixed', drawn(4).lay([circle(11, 10, 2)], NAVY), 'ready');
});

test('gamut and total ink by the share of the print', () => {
  const paper = sheetOf('sticker-75', {}, { colours: [{ id: 'white', name: 'White', hex: '#ffffff' }] });
  const strict = { ...paper, limits: { ...paper.limits, totalInk: 150 } };
  const [width, height] = [30, 20];
  /** A patch that has so much of the picture's area. */
  const patch = (share: number, ink: Rgba) =>
    new Drawing(width, height, PER_MM, WHITE).lay(
      [rectangle(15, 10, Math.sqrt(share * width * height), Math.sqrt(share * width * height))],
      ink,
    );
  for (const [share, verdict] of [
    [0.01, 'ready'],
    [0.018, 'ready'],
    [0.024, 'look'],
    [0.5, 'look'],
  ] as const)
    table.take({
      rule: 'gamut',
      name: `${share} of it in a blue that no inks make`,
      laid: laidOut(paper, patch(share, [0, 40, 255, 255]).raster(), PER_MM, { options: { press } }),
      verdict,
    });
  for (const [share, verdict] of [
    [0.0005, 'ready'],
    [0.002, 'look'],
    [0.009, 'look'],
    [0.012, 'fix'],
    [0.4, 'fix'],
  ] as const)
    table.take({
      rule: 'total-ink',
      name: `${share} of it dark`,
      laid: laidOut(strict, patch(share, [24, 48, 20, 255]).raster(), PER_MM, { options: { press } }),
      verdict,
    });
  // What lets the product through is no print.
  table.take({
    rule: 'total-ink',
    name: 'nothing dark',
    laid: laidOut(
      strict,
      new Drawing(9, 9, PER_MM, BARE).lay([circle(4, 4, 3)], [220, 210, 190, 255]).raster(),
      PER_MM,
      {
        options: { press },
      },
    ),
    verdict: 'ready',
  });
});

test('colour modes against those that a house takes, and what becomes of the rest', () => {
  const taking = (modes: string[]): ResolvedBlank => {
    const { spec } = sheet;
    return {
      ...sheet,
      spec: { ...spec, files: { ...spec.files, modes: { ...spec.files.modes, value: modes } } },
    } as never;
  };
  for (const [mode, profile, modes, verdict] of [
    ['rgb', 'sRGB', ['rgb'], 'ready'],
    ['indexed', null, ['rgb'], 'ready'],
    ['rgb', null, ['cmyk'], 'look'],
    ['cmyk', 'Coated', ['rgb'], 'look'],
    ['cmyk', 'Coated', ['cmyk'], 'ready'],
    ['cmyk', null, ['cmyk'], 'look'],
    ['cmyk', null, ['rgb'], 'fix'],
    ['grey', null, ['rgb'], 'look'],
    ['rgb', 'sRGB', ['grey'], 'fix'],
  ] as const)
    table.take({
      rule: 'colour-mode',
      name: `${mode}, ${profile ?? 'no profile'}, for ${modes.join()}`,
      laid: laidOut(taking([...modes]), dot, PER_MM, {
        facts: factsOf(dot, { colour: { mode, bits: 8, profile } }),
      }),
      verdict,
    });
});
