import fc from 'fast-check';
import { clipPath } from '@/core/fit/clip';
import { givenColours, recoloured } from '@/core/fit/colours';
import type { ShapePiece } from '@/core/fit/schema';
import { clipToShape, outlineOf } from '@/core/fit/shape-clip';
import { NEW_SHAPES, newShape, type NewShape } from '@/core/fit/shapes';
import { dressed, firstLettering, lettersCover, newText, placedLettering, textInks } from '@/core/fit/text';
import { areaOfPath } from '@/core/geometry/areas';
import { boundsOf, flattenPath } from '@/core/geometry/path';
import { parsePath } from '@/core/geometry/parse-path';
import { inkCover } from '@/core/render/ground';
import { layText } from '@/core/type/layout';
import type { Lettering, Shadow } from '@/core/type/schema';
import { shadowPath } from '@/core/type/shadow';
import { drawnPiece } from '@/files/svg/drawn-piece';
import { Clipper, FillRule, type PathsD } from 'clipper2-ts';
import { docketOf, faceOf, pieceAt, sheetOf } from '../support/fits';
import { face } from '../support/font';
import { paint } from '../support/pictures';

/** What goes round, inside and under letters, and what of it would not print; shapes that clip, cut and repeat. */

const narrow = face();
const NOTHING = paint(1, 1, () => [0, 0, 0, 255]);
const sheet = sheetOf('coaster', { width: 200, height: 80 });
const { stroke } = sheet.limits;

function text(lines: string[], change: Partial<Lettering> = {}) {
  const asked: Lettering = {
    ...firstLettering('archivo-narrow', '#20252b', 20),
    lines: lines.map((one) => ({ text: one, gap: null })),
    ...change,
  };
  return newText('t', asked, layText(asked, narrow)!, { x: 100, y: 40 });
}
const areaOf = (d: string) => Clipper.areaPathsD(areaOfPath(parsePath(d)!, 0.002, 4));
const square = (side: number): PathsD => [
  [
    { x: 0, y: 0 },
    { x: side, y: 0 },
    { x: side, y: side },
    { x: 0, y: side },
  ],
];
const pathOf = (areas: PathsD) =>
  parsePath(areas.map((ring) => `M${ring.map(({ x, y }) => `${x} ${y}`).join('L')}Z`).join(''))!;
const shadow = (change: Partial<Shadow> = {}): Shadow => ({
  right: 1.2,
  down: 1.2,
  colour: '#8a8f96',
  ...change,
});

describe('lines round and inside letters', () => {
  test('each further outline lies outside the last, painted under it; the box holds the outermost', () => {
    const outline = { width: 1, colour: '#ffffff' };
    const rings = [
      { width: 0.8, colour: '#c0392b' },
      { width: 1.2, colour: '#0b5563' },
    ];
    const piece = text(['Gull'], { outline, rings });
    const plain = text(['Gull']);
    expect(piece.width - plain.width).toBeCloseTo(6, 2);
    expect(textInks(piece).map(({ colour }) => colour)).toEqual(['#0b5563', '#c0392b', '#ffffff', '#20252b']);
    const areas = textInks(piece).map(({ d }) => areaOf(d));
    expect(areas).toEqual([...areas].sort((a, b) => b - a));
    expect(lettersCover(piece.ink)).toBe(piece.ink.ringsD![1]);
  });

  test('a line inside leaves as much less of a stem on both sides, in each of its colours', () => {
    const inline = { width: 0.7, colour: '#ffffff' };
    const stem = (change: Partial<Lettering>) => {
      const inks = textInks(text(['I'], change));
      const box = boundsOf(flattenPath(parsePath(inks.at(-1)!.d)!, 0.002))!;
      return box.right - box.left;
    };
    expect(stem({}) - stem({ inline })).toBeCloseTo(1.4, 2);
    const dealt = { colours: ['#c0392b', '#0b5563'], by: 'letter', rule: 'in turn', seed: 1 } as const;
    const piece = text(['II'], { inline, dealt: { ...dealt, colours: [...dealt.colours] } });
    expect(textInks(piece).map(({ colour }) => colour)).toEqual(['#ffffff', '#c0392b', '#0b5563']);
    expect(new Set(givenColours(recoloured(piece, (hex) => (hex === '#c0392b' ? '#000000' : hex))))).toEqual(
      new Set(['#ffffff', '#000000', '#0b5563']),
    );
  });

  test('scaled, all of it is; drawn anew it keeps its colours', () => {
    const piece = text(['Lamp'], {
      outline: { width: 1, colour: '#ffffff' },
      rings: [{ width: 1, colour: '#c0392b' }],
      inline: { width: 0.5, colour: '#0b5563' },
      shadow: shadow({ hatch: { line: 0.6, gap: 0.4, angle: 45 } }),
    });
    const large = { ...piece, width: piece.width * 2, height: piece.height * 2 };
    expect(placedLettering(large)).toMatchObject({
      rings: [{ width: 2 }],
      inline: { width: 1 },
      shadow: { right: 2.4, hatch: { line: 1.2, gap: 0.8, angle: 45 } },
    });
    const again = dressed(large, { plate: { margin: 1, colour: '#eeeeee' } });
    expect(textInks(again).map(({ colour }) => colour)).toEqual([
      '#eeeeee',
      ...textInks(piece).map(({ colour }) => colour),
    ]);
    expect(again.width).toBeCloseTo(large.width + 2, 1);
  });
});

describe('shadows', () => {
  test('drawn out of a square, a shadow is the square swept: to its exact area, whatever the way', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 30, noNaN: true }),
        fc.double({ min: -10, max: 10, noNaN: true }),
        fc.double({ min: -10, max: 10, noNaN: true }),
        (side, right, down) => {
          const path = shadowPath(pathOf(square(side)), shadow({ right, down, joined: true }), 0.005);
          const area = Clipper.areaPathsD(areaOfPath(path, 0.005, 4));
          expect(area).toBeCloseTo(side * side + side * (Math.abs(right) + Math.abs(down)), 1);
        },
      ),
    );
  });

  test('a hole stays where the sweep does not reach it', () => {
    const hole = square(6)[0]!
      .map(({ x, y }) => ({ x: x + 2, y: y + 2 }))
      .reverse();
    const ring = pathOf([...square(10), hole]);
    const path = shadowPath(ring, shadow({ right: 2, down: 0, joined: true }), 0.005);
    expect(Clipper.areaPathsD(areaOfPath(path, 0.005, 4))).toBeCloseTo(10 * 12 - 4 * 6, 1);
  });

  test.each([0, 30, 45, 90])('hatched at %d degrees it covers the share of its lines', (angle) => {
    const path = shadowPath(pathOf(square(60)), shadow({ hatch: { line: 0.6, gap: 0.4, angle } }), 0.005);
    const covered = Clipper.areaPathsD(areaOfPath(path, 0.005, 4));
    expect(covered / 3600).toBeGreaterThan(0.585);
    expect(covered / 3600).toBeLessThan(0.615);
    const outside = Clipper.differenceD(
      areaOfPath(path, 0.005, 4),
      square(60).map((line) => line.map(({ x, y }) => ({ x: x + 1.2, y: y + 1.2 }))),
      FillRule.NonZero,
      4,
    );
    expect(Math.abs(Clipper.areaPathsD(outside))).toBeLessThan(0.01);
  });
});

describe('what of it would not print', () => {
  const told = (change: Partial<Lettering>, lines = ['HILL']) =>
    docketOf(sheet, [text(lines, change)], NOTHING).findings.filter(
      ({ rule, verdict }) => rule === 'text' && verdict !== 'ready',
    );
  const mended = (finding: ReturnType<typeof told>[number]) =>
    docketOf(sheet, finding.remedies[0]!.pieces, NOTHING).findings.filter(
      ({ rule, word }) => rule === 'text' && word === finding.word,
    );

  test.each([
    ['outline', { outline: { width: 0.1, colour: '#c0392b' } }],
    ['inner line', { inline: { width: 0.1, colour: '#c0392b' } }],
    ['hatched line', { shadow: shadow({ hatch: { line: 0.1, gap: 0.8, angle: 45 } }) }],
    ['gap of the hatching', { shadow: shadow({ hatch: { line: 0.8, gap: 0.1, angle: 45 } }) }],
  ] as const)('a thin %s is told and mended', (name, change) => {
    const finding = told(change as Partial<Lettering>).find(({ word }) => word.includes(name))!;
    expect(finding.measured).toBeCloseTo(0.1, 6);
    expect(mended(finding)).toEqual([]);
  });

  test('one as thick as the method holds is Ready, and so is one of the letters’ own colour at any width', () => {
    expect(told({ outline: { width: stroke, colour: '#c0392b' } })).toEqual([]);
    expect(told({ outline: { width: 0.05, colour: '#20252b' } })).toEqual([]);
  });

  test('a hairline gap between letters and their shadow has its places; drawn out there is none', () => {
    // Stems of an I are about 3.3 mm wide: so far to the right leaves a slit.
    const stem = boundsOf(flattenPath(parsePath(text(['I']).ink.d)!, 0.005))!;
    const wide = stem.right - stem.left;
    const slit = { right: wide + stroke * 0.6, down: 0 };
    const finding = told({ shadow: shadow(slit) }, ['I']).find(({ word }) => word.includes('gap between'))!;
    expect(finding.measured).toBeCloseTo(stroke * 0.6, 1);
    expect(finding.place).toBeDefined();
    expect(mended(finding)).toEqual([]);
    for (const right of [wide + stroke * 1.3, wide * 0.5])
      expect(
        told({ shadow: shadow({ right, down: 0 }) }, ['I']).filter(({ word }) =>
          word.includes('gap between'),
        ),
      ).toEqual([]);
  });

  test('an outline that closes counters says which and how many; as thin as it may be they are open', () => {
    const finding = told({ cap: 8, outline: { width: 1.2, colour: '#c0392b' } }, ['ABI']).find(
      ({ word }) => word === 'Counters closed',
    )!;
    expect(finding.shown.measured).toMatch(/of 3 counters closed/);
    expect(finding.places ?? [finding.place]).not.toEqual([]);
    expect(finding.remedies[0]!.label).toMatch(/^Make the outline 0\.\d\d mm, so/);
    expect(mended(finding)).toEqual([]);
    const two = told(
      { cap: 20, outline: { width: 1.2, colour: '#c0392b' }, rings: [{ width: 1.8, colour: '#0b5563' }] },
      ['ABO'],
    ).find(({ word }) => word === 'Counters closed')!;
    expect(two.remedies[0]!.label).toMatch(/Make the outlines \d\.\d\d mm in all/);
    expect(mended(two)).toEqual([]);
    expect(
      told({ cap: 20, outline: { width: 0.5, colour: '#c0392b' } }, ['ABO']).filter(
        ({ word }) => word === 'Counters closed',
      ),
    ).toEqual([]);
  });
});

describe('a shape of the face', () => {
  const own = faceOf(sheet);
  const shapeOf = (what: NewShape, change: Partial<ShapePiece> = {}): ShapePiece => ({
    ...newShape('s', what, own, '#102030', 0.5),
    ...change,
  });

  test.each(Object.keys(NEW_SHAPES) as NewShape[])(
    '%s clips an artwork where it lies, however both are turned and flipped',
    (what) => {
      fc.assert(
        fc.property(
          fc.double({ min: -3, max: 3, noNaN: true }),
          fc.double({ min: -3, max: 3, noNaN: true }),
          fc.boolean(),
          fc.boolean(),
          (a, b, over, flipped) => {
            const artwork = pieceAt(90, 45, 70, 40, { rotation: a, flipped: over });
            const shape = shapeOf(what, {
              rotation: b,
              flipped,
              x: 95,
              y: 40,
              fill: '#102030',
              stroke: null,
            });
            const seen = boundsOf(flattenPath(clipPath(clipToShape(artwork, shape))!, 0.01))!;
            const lies = boundsOf(flattenPath(inkCover(shape), 0.01))!;
            for (const side of ['left', 'top', 'right', 'bottom'] as const)
              expect(seen[side]).toBeCloseTo(lies[side], 1);
          },
        ),
        { numRuns: 20 },
      );
    },
  );

  test('its outline is in shares of its own box, to be cut along', () => {
    for (const what of Object.keys(NEW_SHAPES) as NewShape[]) {
      const box = boundsOf(flattenPath(parsePath(outlineOf(shapeOf(what)))!, 0.0005))!;
      for (const [side, at] of [
        ['left', 0],
        ['top', 0],
        ['right', 1],
        ['bottom', 1],
      ] as const)
        expect(box[side]).toBeCloseTo(at, 2);
    }
  });

  test('drawn as an artwork it has its true size, upright, and its colours', () => {
    const svg = drawnPiece(shapeOf('star', { rotation: 0.7, width: 30, height: 20 }));
    expect(svg).toMatch(/width="30mm" height="20mm" viewBox="0 0 30 20"/);
    const box = boundsOf(flattenPath(parsePath(/ d="([^"]+)"/.exec(svg)![1]!)!, 0.005))!;
    expect([box.left, box.top, box.right, box.bottom].map((one) => Math.round(one * 100) / 100)).toEqual([
      0, 0, 30, 20,
    ]);
    expect(drawnPiece(text(['Gull'], { outline: { width: 1, colour: '#ffffff' } }))).toMatch(
      /fill="#ffffff".*fill="#20252b"/,
    );
  });
});
