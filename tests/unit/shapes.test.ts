import fc from 'fast-check';
import type { ShapePiece } from '@/core/fit/schema';
import { shapeInks, thickened, thinnestOf } from '@/core/fit/shape-ink';
import { framed, insideBy, NEW_SHAPES, newShape, type NewShape } from '@/core/fit/shapes';
import { givenColours, recoloured } from '@/core/fit/colours';
import { boundsOf, flattenPath, type Path } from '@/core/geometry/path';
import { shippedBlanks } from '@/core/blank/library';
import { renderFace } from '@/core/render/face';
import { layersOf } from '@/core/render/layers';
import { blankById, docketOf, faceOf, findingOf, sheetOf } from '../support/fits';

const NO_RASTER = { width: 1, height: 1, data: new Uint8Array(4), opaque: false };
const none = {
  facts: () => {
    throw new Error('shows no artwork');
  },
  pixels: () => NO_RASTER,
};
const face = { ...faceOf(sheetOf('label-jar')), width: 100, height: 80, bleed: 0 };
const shape = (change: Partial<ShapePiece>): ShapePiece => ({
  ...newShape('shape', 'rectangle', face, '#102030', 0.5),
  x: 50,
  y: 40,
  width: 40,
  height: 30,
  ...change,
});
/** Signed area of a path in mm², by the shoelace formula: holes go the other way round. */
function areaOf(path: Path): number {
  return Math.abs(
    flattenPath(path, 0.0005).reduce((sum, points) => {
      let own = 0;
      for (let i = 0; i < points.length; i += 2) {
        const j = (i + 2) % points.length;
        own += points[i]! * points[j + 1]! - points[j]! * points[i + 1]!;
      }
      return sum + own / 2;
    }, 0),
  );
}
/** Round an ellipse, by Ramanujan's second formula. A band of width w along its inside has the area w P - pi w². */
function around(a: number, b: number): number {
  const h = ((a - b) / (a + b)) ** 2;
  return Math.PI * (a + b) * (1 + (3 * h) / (10 + Math.sqrt(4 - 3 * h)));
}
const stroke = (width: number) => ({ width, colour: '#c03020', dash: null, ends: 'butt' }) as const;
const areas = (piece: ShapePiece) => shapeInks(piece).map(({ path }) => areaOf(path));

describe('a shape’s outlines have the areas of their formulas', () => {
  test('rectangle, round corners, ellipse', () => {
    expect(areas(shape({}))[0]).toBeCloseTo(1200, 6);
    expect(areas(shape({ shape: { kind: 'rectangle', corner: 5 } }))[0]).toBeCloseTo(
      1200 - (4 - Math.PI) * 25,
      1,
    );
    expect(areas(shape({ shape: { kind: 'ellipse' } }))[0]! / (Math.PI * 20 * 15)).toBeCloseTo(1, 3);
  });

  test('a stroke lies inside the edge, to a hundredth of a mm of its width', () => {
    const [fill, ring] = areas(shape({ stroke: stroke(2) }));
    // The fill goes to the middle of the stroke.
    expect(fill).toBeCloseTo(38 * 28, 2);
    expect(ring).toBeCloseTo(1200 - 36 * 26, 2);
    const [circle] = areas(shape({ shape: { kind: 'ellipse' }, width: 30, fill: null, stroke: stroke(3) }));
    expect(circle! / (Math.PI * (15 ** 2 - 12 ** 2))).toBeCloseTo(1, 3);
    // As wide as the shape: all of it.
    expect(areas(shape({ fill: null, stroke: stroke(30) }))[0]).toBeCloseTo(1200, 2);
  });

  test('polygon and star fill their box to its four sides', () => {
    for (const kind of [
      { kind: 'polygon', sides: 5 },
      { kind: 'polygon', sides: 6 },
      { kind: 'star', points: 5, inner: 0.4 },
      { kind: 'star', points: 12, inner: 0.9 },
    ] as const) {
      const [ink] = shapeInks(shape({ shape: kind }));
      expect(boundsOf(flattenPath(ink!.path, 0.001))).toMatchObject({ left: 0, top: 0 });
      const { right, bottom } = boundsOf(flattenPath(ink!.path, 0.001))!;
      expect([right, bottom]).toEqual([expect.closeTo(40, 9), expect.closeTo(30, 9)]);
    }
    // A hexagon as wide as it is high by its own proportion.
    const hexagon = shape({ shape: { kind: 'polygon', sides: 6 }, width: 20 * Math.sqrt(3), height: 40 });
    expect(areas(hexagon)[0]).toBeCloseTo(1.5 * Math.sqrt(3) * 400, 6);
  });

  test('a line in dashes: as many as there is room for, from end to end, and nothing past its box', () => {
    const line = shape({
      width: 50,
      height: 1,
      shape: { kind: 'line', dash: { on: 4, off: 2 }, ends: 'butt' },
    });
    expect(areas(line)[0]).toBeCloseTo(8 * 4, 6);
    const round = shape({ ...line, shape: { kind: 'line', dash: null, ends: 'round' } });
    expect(areas(round)[0]).toBeCloseTo(49 + Math.PI / 4, 2);
    const bounds = boundsOf(flattenPath(shapeInks(line)[0]!.path, 0.001))!;
    expect([bounds.left, bounds.right]).toEqual([0, 50]);
  });

  test('dashes round an edge: their share of the band, all alike', () => {
    const dashed = { ...stroke(1), dash: { on: 3, off: 3 } };
    const [ring] = areas(shape({ shape: { kind: 'ellipse' }, width: 30, fill: null, stroke: dashed }));
    expect(ring! / (Math.PI * 29)).toBeCloseTo(0.5, 2);
  });

  test('whatever it is, no ink lies outside its box', () => {
    fc.assert(
      fc.property(
        fc.constantFrom<ShapePiece['shape']>(
          { kind: 'ellipse' },
          { kind: 'rectangle', corner: 3 },
          { kind: 'star', points: 7, inner: 0.3 },
          { kind: 'polygon', sides: 3 },
          { kind: 'line', dash: { on: 1, off: 0.5 }, ends: 'round' },
        ),
        fc.double({ min: 0.2, max: 60, noNaN: true }),
        fc.double({ min: 0.2, max: 60, noNaN: true }),
        fc.option(fc.double({ min: 0.1, max: 20, noNaN: true })),
        fc.boolean(),
        (kind, width, height, band, dashes) => {
          const dash = dashes ? { on: 1, off: 1 } : null;
          const piece = shape({
            shape: kind,
            width,
            height,
            stroke: band === null ? null : { ...stroke(band), dash },
          });
          for (const { path } of shapeInks(piece)) {
            const box = boundsOf(flattenPath(path, 0.001));
            if (!box) continue;
            expect(box.left).toBeGreaterThan(-0.01);
            expect(box.top).toBeGreaterThan(-0.01);
            expect(box.right).toBeLessThan(width + 0.01);
            expect(box.bottom).toBeLessThan(height + 0.01);
          }
        },
      ),
      { numRuns: 150 },
    );
  });
});

test('drawn: its ink covers what its formula says, turned or not, and a knockout takes that away', () => {
  const pixels = { width: 1000, height: 800 };
  const covered = (pieces: Parameters<typeof renderFace>[1]) => {
    const { data } = renderFace(face, pieces, none, { pixels });
    let sum = 0;
    for (let i = 3; i < data.length; i += 4) sum += data[i]!;
    return sum / 255 / 100;
  };
  for (const rotation of [0, 0.4, Math.PI / 2]) {
    expect(covered([shape({ rotation, stroke: stroke(2) })])).toBeCloseTo(1200, 0);
    expect(
      covered([shape({ rotation, shape: { kind: 'ellipse' }, fill: null, stroke: stroke(2) })]),
    ).toBeCloseTo(2 * around(20, 15) - Math.PI * 4, 0);
  }
  const ground = shape({ width: 60, height: 50 });
  expect(covered([ground, { ...shape({ id: 'out' }), knockout: true }])).toBeCloseTo(3000 - 1200, 0);
});

test('on a page it is paths, and no picture', () => {
  const layers = layersOf(face, [shape({ stroke: stroke(2) })]);
  expect(layers.map((layer) => [layer.kind, 'colour' in layer && layer.colour])).toEqual([
    ['path', '#102030'],
    ['path', '#c03020'],
  ]);
});

test('two dividers of 0.4 mm where the method holds 0.5 mm are a Fix with place and remedy; at 0.5 mm they hold', () => {
  const label = blankById('label-jar');
  const limit = label.limits.stroke;
  const own = faceOf(label);
  const divider = (id: string, share: number, thick: number): ShapePiece => ({
    ...newShape(id, 'line', own, '#20252b', limit),
    name: `Divider ${id}`,
    x: own.width / 2,
    y: own.height * share,
    width: own.width * 0.6,
    height: thick,
  });
  const docket = (thick: number) =>
    docketOf(
      { ...label, limits: { ...label.limits, stroke: 0.5 } },
      [divider('a', 1 / 3, thick), divider('b', 2 / 3, thick)],
      NO_RASTER,
    );
  const found = docket(0.3).findings.filter(({ rule }) => rule === 'thin');
  expect(found.map(({ verdict, pieceId }) => [verdict, pieceId])).toEqual([
    ['fix', 'a'],
    ['fix', 'b'],
  ]);
  const [first] = found;
  expect(first!.place).toMatchObject({
    top: expect.closeTo(own.height / 3 - 0.15, 6),
    bottom: expect.closeTo(own.height / 3 + 0.15, 6),
  });
  expect(first!.message).toMatch(/“Divider a” has strokes down to 0\.30 mm; under 0\.50 mm/);
  const mended = first!.remedies[0]!.pieces.find(({ id }) => id === 'a') as ShapePiece;
  expect(mended.height).toBe(0.5);
  expect(findingOf(docket(0.5), 'thin').verdict).toBe('ready');
  expect(docket(0.49).findings.find(({ rule }) => rule === 'thin')!.verdict).not.toBe('ready');
});

test('how thin a shape is: its line, its stroke, or itself; thickened it is as thick as that and stays where it is', () => {
  expect(thinnestOf(shape({ stroke: stroke(0.3) }))).toBe(0.3);
  expect(thinnestOf(shape({ height: 0.2 }))).toBe(0.2);
  expect(thinnestOf(shape({ fill: null, stroke: stroke(2), height: 30 }))).toBe(2);
  for (const piece of [shape({ stroke: stroke(0.3) }), shape({ height: 0.2 }), shape({ width: 0.1 })]) {
    const thick = thickened(piece, 0.5);
    expect(thinnestOf(thick)).toBe(0.5);
    expect([thick.x, thick.y]).toEqual([piece.x, piece.y]);
  }
});

describe('a frame', () => {
  test.each(
    shippedBlanks()
      .slice(0, 40)
      .map((blank) => [blank.blank.id, blank] as const),
  )('%s: goes with the trim, so many mm inside it all round', (_, { faces }) => {
    const [own] = faces;
    if (!own || own.bend) return;
    const piece = framed(newShape('f', 'frame-trim', own, '#20252b', 1), own, 3);
    expect(insideBy(piece, own)).toBeCloseTo(3, 1);
    const [ink] = shapeInks(piece);
    expect(areaOf(ink!.path)).toBeGreaterThan(0);
  });

  test('one that would be smaller than nothing stays as it was', () => {
    const piece = newShape('f', 'frame-trim', face, '#20252b', 1);
    expect(framed(piece, face, 500)).toBe(piece);
  });
});

test('each new shape has ink, within the face; its colours are given, and taken for others', () => {
  for (const what of Object.keys(NEW_SHAPES) as NewShape[]) {
    const piece = newShape('new', what, face, '#102030', 0.5);
    expect(shapeInks(piece).length).toBeGreaterThan(0);
    expect(thinnestOf(piece)).toBeGreaterThanOrEqual(0.5);
    expect(new Set(givenColours(piece))).toEqual(new Set(['#102030']));
    expect(givenColours(recoloured(piece, () => '#ffffff'))[0]).toBe('#ffffff');
  }
});
