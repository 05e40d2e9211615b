import { bringInside } from '@/core/fit/remedies';
import type { Piece } from '@/core/fit/schema';
import { faceOf, factsOf, pieceAt, sheetOf } from '../support/fits';
import { solid } from '../support/pictures';
import { laidOut } from './bench';
import { BARE, BLACK, circle, Drawing, rectangle, type Point, type Rgba } from './draw';
import { TruthTable } from './table';
import { few } from '../support/long';

const table = new TruthTable();
afterAll(() => {
  table.print();
});

const BLUE: Rgba = [40, 90, 150, 255];
const PER_MM = 300 / 25.4;

describe('bleed', () => {
  const blank = sheetOf('mug-325', { bleed: 3, safe: 2 });
  const [wide, high] = [46, 36];
  const ground = () => new Drawing(wide, high, PER_MM, BLUE);
  const take = (name: string, drawing: Drawing, verdict: 'ready' | 'look' | 'fix', size?: number) => {
    table.take({
      rule: 'bleed',
      name,
      laid: laidOut(blank, drawing.raster(), PER_MM, { role: 'ground' }),
      verdict,
      ...(size !== undefined && { measures: [size, 0.1] as const }),
    });
  };

  test('a hole in the ring is found with its size, wherever it is; one within the trim is not asked for', () => {
    const middles: [string, Point][] = [
      ['top', [20, 1.5]],
      ['left', [1.5, 17]],
      ['right', [wide - 1.5, 20]],
      ['foot', [30, high - 1.5]],
      ['corner', [1.6, 1.6]],
    ];
    for (const [side, [x, y]] of middles)
      for (const size of few([0.6, 1.2, 2], 2))
        for (const degrees of few([0, 45, 20], 1)) {
          const hole = rectangle(x, y, size, size, degrees);
          if (Math.min(...hole.map(([px, py]) => Math.min(px, py, wide - px, high - py))) < 0.1) continue;
          take(`hole of ${size} at ${degrees}°, ${side}`, ground().lay([hole], BARE), 'fix');
        }
    take('slit along the edge', ground().lay([rectangle(20, 1.5, 30, 0.8)], BARE), 'fix', 0.8);
    take('hole across the trim', ground().lay([circle(20, 3, 1)], BARE), 'fix');
    take('hole within', ground().lay([circle(20, 12, 4)], BARE), 'ready');
    take('whole', ground(), 'ready');
  });

  test('a gap between two grounds is found, and none where they touch or overlap', () => {
    const half = solid(64, 64, [40, 90, 150, 255]);
    const both = (gap: number): Piece[] =>
      [-1, 1].map((way) =>
        pieceAt(20 + way * (12 + gap / 2), 15, 24, 37, { id: `half${way}`, role: 'ground' as const }),
      );
    for (const [gap, verdict] of [
      [-0.5, 'ready'],
      [0, 'ready'],
      [0.15, 'look'],
      [0.6, 'fix'],
      [2, 'fix'],
    ] as const)
      table.take({
        rule: 'bleed',
        name: `${gap} mm between two grounds`,
        laid: laidOut(blank, half, 2, { pieces: both(gap), facts: factsOf(half) }),
        verdict,
        ...(gap > 0 && { measures: [gap, 0.1] as const }),
      });
  });

  test('short at one side or all round, at both sides of the limit', () => {
    for (const short of few([0.1, 0.3, 2.5, 1], 2))
      for (const all of few([true, false], 1)) {
        const drawing = ground().lay([rectangle(wide / 2, short / 2, wide, short)], BARE);
        if (all) drawing.lay([rectangle(short / 2, high / 2, short, high)], BARE);
        take(`short ${short}${all ? ' at two' : ''}`, drawing, short <= 0.2 ? 'look' : 'fix', short);
      }
  });
});

describe('safe margin and keep-outs', () => {
  const blank = sheetOf('mug-325', { safe: 3 });
  const picture = new Drawing(10, 8, PER_MM, BLACK).raster();

  test('touched it is Ready, at any density and place; half a mm past is told to 0.05 mm', () => {
    for (const perMm of [150 / 25.4, PER_MM, 11, 600 / 25.4])
      for (const off of [-0.5, 0, 0.02, 0.5, 1.7]) {
        const raster = new Drawing(10, 8, perMm, BLACK).raster();
        // The left edge lies `off` past the safe edge.
        const piece = pieceAt(3 - off + 5, 15, 10, 8);
        table.take({
          rule: 'safe',
          name: `${off} past, ${Math.round(perMm * 25.4)} PPI`,
          laid: laidOut(blank, raster, perMm, { pieces: [piece] }),
          verdict: off <= 0.02 ? 'ready' : 'look',
          measures: [Math.max(0, off <= 0.02 ? 0 : off), 0.05],
        });
      }
    for (const off of [0, 0.02, 0.5]) {
      const piece = pieceAt(-off + 5, 15, 10, 8);
      table.take({
        rule: 'safe',
        name: `${off} past the trim`,
        laid: laidOut(blank, picture, PER_MM, { pieces: [piece] }),
        verdict: off <= 0.02 ? 'look' : 'fix',
        measures: [3 + off, 0.05],
      });
    }
  });

  test('a keep-out is entered by so many mm2, its edge and the piece’s by their shares', () => {
    const bare = sheetOf('coaster', { safe: 1 });
    const shape = { kind: 'rectangle' as const, x: 15, y: 7, width: 10, height: 6, cornerRadius: 0 };
    const keepOuts = [{ id: 'hole', name: 'hole', effect: 'hole' as const, shape }];
    const holed = { ...bare, faces: [{ ...faceOf(bare), keepOuts }] };
    for (const off of [-0.3, 0, 0.03, 0.5, 1.3]) {
      // The piece's right edge lies `off` past the hole's left one, over 6 mm.
      const piece = pieceAt(15 + off - 5, 10, 10, 8);
      table.take({
        rule: 'keep-out',
        name: `${off} into the hole`,
        laid: laidOut(holed, picture, PER_MM, { pieces: [piece] }),
        verdict: off <= 0.03 ? 'ready' : off * 6 <= 1 ? 'look' : 'fix',
        measures: [off <= 0.03 ? 0 : off * 6, 0.1],
      });
    }
  });
});

test('a motif past a round edge is brought inside the short way, and is safe there', () => {
  const blank = sheetOf('mug-325', { width: 60, height: 60, safe: 3 });
  const round = { ...blank, faces: blank.faces.map((face) => ({ ...face, cornerRadius: 30 })) };
  const picture = new Drawing(10, 6, PER_MM, BLACK).raster();
  for (let degrees = 0; degrees < 360; degrees += 35) {
    const turn = (degrees * Math.PI) / 180;
    const piece = pieceAt(30 + 24 * Math.cos(turn), 30 + 24 * Math.sin(turn), 10, 6);
    const { piece: mended, moved, scale } = bringInside(piece, factsOf(picture), faceOf(round));
    expect(scale).toBe(1);
    expect(moved).toBeLessThan(5);
    table.take({
      rule: 'safe',
      name: `brought inside at ${degrees}°`,
      laid: laidOut(round, picture, PER_MM, { pieces: [mended] }),
      verdict: 'ready',
    });
  }
});

test('all of them as they should be', () => {
  expect(table.wrong()).toEqual([]);
});
