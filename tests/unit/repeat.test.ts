import fc from 'fast-check';
import { wayRound } from '@/core/blank/kinds';
import { opaqueBox } from '@/core/fit/geometry';
import { centreOn, setRotation, setWidth } from '@/core/fit/place';
import { closeSeam, gapsOf, newRepeat, oneOf, tileAt, withGaps } from '@/core/fit/repeat';
import { PATTERNS, type Pattern, type RepeatPiece } from '@/core/fit/schema';
import { renderFace } from '@/core/render/face';
import { blankById, docketOf, faceOf, factsOf, findingOf, pieceAt, shown } from '../support/fits';
import { isOpaque } from '@/core/raster/raster';
import { paint, pixelAt } from '../support/pictures';

const tumbler = blankById('tumbler-470');
const face = faceOf(tumbler);
const around = wayRound(tumbler.blank.body, face)!;
/** A tile with no two columns alike, so that a seam that does not close is seen. */
const tile = paint(60, 40, (x, y) => [x * 4, y * 6, (x * y) % 256, 255]);
const facts = factsOf(tile);
const whole = pieceAt(50, 40, 45, 30);

function repeat(change: Partial<RepeatPiece> = {}): RepeatPiece {
  return { ...newRepeat(whole, facts, face, around), ...change };
}

describe('which tile a point belongs to', () => {
  test.each([
    ['straight', 3, 2, 0.2, -0.3],
    ['half-drop', 3, 2.5, 0.2, -0.3],
    ['half-drop', 4, 2, 0.2, -0.3],
    ['brick', 3.5, 1, 0.2, -0.3],
    ['brick', 3, -2, 0.2, -0.3],
    ['mirrored', 3, 2, 0.2, -0.3],
  ] as const)('%s: the one at %s, %s', (pattern, p, q, dx, dy) => {
    const at = tileAt(pattern, p + dx, q + dy);
    expect(at.x).toBeCloseTo(dx, 9);
    expect(at.y).toBeCloseTo(dy, 9);
    expect([at.overX, at.overY]).toEqual([pattern === 'mirrored', false]);
  });

  test('never further than half a step from its middle', () => {
    const step = fc.double({ min: -50, max: 50, noNaN: true });
    fc.assert(
      fc.property(fc.constantFrom(...PATTERNS), step, step, (pattern, p, q) => {
        const { x, y } = tileAt(pattern, p, q);
        expect(Math.max(Math.abs(x), Math.abs(y))).toBeLessThanOrEqual(0.5 + 1e-9);
      }),
    );
  });
});

describe('closing at the seam', () => {
  test('a tumbler closes after its circumference, a mug with a handle does not', () => {
    expect(around).toBeCloseTo(face.width - face.overlap, 6);
    const mug = blankById('mug-325');
    expect(wayRound(mug.blank.body, faceOf(mug))).toBeNull();
    const cup = blankById('cup-stemless-350');
    expect(wayRound(cup.blank.body, faceOf(cup))).not.toBeNull();
  });

  test.each(PATTERNS)('%s: whole tiles round the wrap, nothing stretched, the change said', (pattern) => {
    const loose = setWidth(repeat({ pattern }), facts, 31);
    const closed = closeSeam(loose, facts, around)!;
    const period = closed.piece.stepX * (pattern === 'half-drop' || pattern === 'mirrored' ? 2 : 1);
    expect(around / period).toBeCloseTo(closed.tiles, 9);
    const box = opaqueBox(closed.piece, facts);
    expect(box.width / box.height).toBeCloseTo(1.5, 9);
    expect(box.width / 31).toBeCloseTo(closed.factor, 9);
  });

  test('turned by a quarter it closes by its other axis; askew it cannot', () => {
    const quarter = closeSeam(setRotation(repeat(), facts, Math.PI / 2), facts, around)!;
    expect(around / quarter.piece.stepY).toBeCloseTo(quarter.tiles, 9);
    expect(closeSeam(setRotation(repeat(), facts, 0.3), facts, around)).toBeNull();
  });

  test.each(PATTERNS)('%s: printed, the columns that meet are the same to one level', (pattern) => {
    const closed = closeSeam(centreOn(repeat({ pattern }), facts, { x: 17.3, y: 9.1 }), facts, around)!.piece;
    const perMm = 8;
    const strip = { ...face, width: around + 10, bleed: 0, overlap: 0 };
    const at = (x: number) =>
      renderFace({ ...strip, zones: [], width: 1 / perMm }, [{ ...closed, x: closed.x - x }], shown(tile), {
        pixels: { width: 1, height: 400 },
      }).data;
    const [first, again] = [at(0.4), at(0.4 + around)];
    for (let i = 0; i < first.length; i++) expect(Math.abs(first[i]! - again[i]!)).toBeLessThanOrEqual(1);
  });

  test('the docket: a closed repeat is Ready with no difference, a loose one is a Fix whose remedy closes it', () => {
    const good = findingOf(docketOf(tumbler, [repeat()], tile, facts, 500), 'seam');
    expect(good).toMatchObject({ verdict: 'ready' });
    expect(good.measured).toBeLessThan(0.01);
    const loose = setWidth(repeat(), facts, 31);
    const bad = findingOf(docketOf(tumbler, [loose], tile, facts, 500), 'seam');
    expect(bad.verdict).toBe('fix');
    expect(bad.remedies[0]!.label).toMatch(/^Close the seam: tiles [+-−]?[\d.]+ %, \d+ round the wrap$/);
    expect(findingOf(docketOf(tumbler, bad.remedies[0]!.pieces, tile, facts, 500), 'seam').verdict).toBe(
      'ready',
    );
  });

  test('a wrap that does not close has no seam to judge', () => {
    const docket = docketOf(blankById('mug-325'), [repeat()], tile, facts, 500);
    expect(docket.findings.map(({ rule }) => rule)).not.toContain('seam');
  });
});

describe('as it prints', () => {
  const area = { ...face, width: 90, height: 80, bleed: 2, zones: [], overlap: 0 };
  const pixels = { width: 940, height: 840 };

  test('tile against tile there is no line between them', () => {
    const raster = renderFace(
      area,
      [repeat({ width: 13.7, height: 9.1, stepX: 13.7, stepY: 9.1 })],
      shown(tile),
      {
        pixels,
      },
    );
    expect(isOpaque(raster.data)).toBe(true);
  });

  test('gaps are clear, and as wide as typed', () => {
    const spaced = withGaps(repeat({ x: 45, y: 40, width: 20, height: 15 }), facts, { across: 5, down: 3 });
    expect(gapsOf(spaced, facts)).toEqual({ across: expect.closeTo(5, 9), down: expect.closeTo(3, 9) });
    const raster = renderFace(area, [spaced], shown(tile), { pixels });
    const alphaAt = (x: number, y: number) =>
      pixelAt(raster, Math.floor((x + 2) * 10), Math.floor((y + 2) * 10))[3];
    expect(alphaAt(45, 40)).toBe(255);
    expect(alphaAt(45 + 9.9, 40)).toBe(255);
    expect(alphaAt(45 + 10.2, 40)).toBe(0);
    expect(alphaAt(45 + 14.8, 40)).toBe(0);
    expect(alphaAt(45 + 15.2, 40)).toBe(255);
    expect(alphaAt(45, 40 + 7.7)).toBe(0);
  });

  test.each(['straight', 'half-drop', 'brick', 'mirrored'] satisfies Pattern[])(
    '%s: neighbours lie as the pattern says',
    (pattern) => {
      const one = repeat({ x: 30, y: 30, width: 12, height: 8, stepX: 12, stepY: 8, pattern });
      const raster = renderFace(area, [one], shown(tile), { pixels });
      const colour = (x: number, y: number) =>
        pixelAt(raster, Math.floor((x + 2) * 10 + 1e-6), Math.floor((y + 2) * 10 + 1e-6)).slice(0, 2);
      const near = (a: number[], b: number[]) => {
        a.forEach((value, i) => {
          expect(Math.abs(value - b[i]!)).toBeLessThanOrEqual(6);
        });
      };
      const origin = colour(27, 28.5);
      const right = {
        straight: [39, 28.5],
        'half-drop': [39, 32.5],
        brick: [39, 28.5],
        mirrored: [45, 28.5],
      }[pattern];
      const below = {
        straight: [27, 36.5],
        'half-drop': [27, 36.5],
        brick: [33, 36.5],
        mirrored: [27, 39.5],
      }[pattern];
      near(colour(right[0]!, right[1]!), origin);
      near(colour(below[0]!, below[1]!), origin);
    },
  );

  test('a ground for the bleed, and one tile again when it is taken back', () => {
    const docket = docketOf(tumbler, [repeat()], tile, facts, 500);
    expect(findingOf(docket, 'bleed').verdict).toBe('ready');
    const one = oneOf(repeat());
    expect(one).toMatchObject({ kind: 'artwork', role: 'motif', clip: null });
    expect(one).not.toHaveProperty('stepX');
  });
});
