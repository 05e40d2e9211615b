import * as v from 'valibot';
import { KINDS, type Kind } from '@/core/blank/kinds';
import { BLANKS, shippedBlanks, SPECS } from '@/core/blank/library';
import { METHODS } from '@/core/blank/methods';
import { differences, numbersOf, withNumber } from '@/core/blank/numbers';
import { assumedAmong, describeSource, questionsFor, SPEC_NUMBERS } from '@/core/blank/questions';
import {
  artSize,
  bodyAt,
  printPixels,
  printSize,
  resolveBlank,
  trimSize,
  viewingFloor,
} from '@/core/blank/resolve';
import { BlankSchema, HouseSpecSchema, MethodSchema } from '@/core/blank/schema';
import { signedDistance } from '@/core/blank/shape';
import { bodyTroubles } from '@/core/blank/troubles';
import { blankById, faceOf } from '../support/fits';

describe('the shipped library', () => {
  test.each(BLANKS.map((blank) => [blank.id, blank] as const))('%s reads and holds together', (_, blank) => {
    expect(v.safeParse(BlankSchema, blank).issues).toBeUndefined();
    expect(bodyTroubles(blank.body)).toEqual([]);
  });

  test('has at least thirty blanks, of every kind and every method', () => {
    expect(BLANKS.length).toBeGreaterThanOrEqual(30);
    expect(new Set(BLANKS.map(({ id }) => id)).size).toBe(BLANKS.length);
    expect(new Set(BLANKS.map(({ body }) => body.kind))).toEqual(new Set(Object.keys(KINDS)));
    expect(new Set(BLANKS.map(({ methodId }) => methodId))).toEqual(new Set(METHODS.map(({ id }) => id)));
  });

  test('specs and methods read as their schemas say, and every blank finds a house for its method', () => {
    for (const spec of SPECS) expect(v.safeParse(HouseSpecSchema, spec).success).toBe(true);
    for (const method of METHODS) expect(v.safeParse(MethodSchema, method).success).toBe(true);
    for (const { spec, blank } of shippedBlanks()) expect(spec.methods).toContain(blank.methodId);
  });

  test('numbers of each face are consistent', () => {
    for (const { blank, faces } of shippedBlanks()) {
      expect(new Set(blank.colours.map(({ id }) => id)).size).toBe(blank.colours.length);
      expect(new Set(faces.map(({ id }) => id)).size).toBe(faces.length);
      for (const face of faces) {
        expect(face.floor).toBeLessThanOrEqual(face.target);
        expect(2 * face.safe).toBeLessThan(Math.min(face.width, face.height));
        expect(face.bleed).toBeGreaterThanOrEqual(face.edge);
        for (const { x, y } of face.zones) expect(signedDistance(face, 0.001, x, y)).toBeLessThanOrEqual(0);
        for (const fold of face.folds) expect(fold > 0 && fold < face.width).toBe(true);
      }
    }
  });

  test('a graded size scales every print area, and the garment', () => {
    const { blank, method, spec } = blankById('shirt');
    const [base] = resolveBlank(blank, method, spec).faces;
    for (const { id, print, garment } of blank.sizes) {
      const [face] = resolveBlank(blank, method, spec, id).faces;
      expect(face!.width).toBeCloseTo(base!.width * print, 9);
      const body = bodyAt(blank, id);
      const own = blank.body as typeof body & { chest: number };
      expect((body as typeof own).chest).toBeCloseTo(own.chest * garment, 9);
    }
    expect(bodyAt(blank, 'no-such-size')).toBe(blank.body);
  });
});

describe('each kind', () => {
  const faces = (id: string) => blankById(id).faces;

  test('a gallery print goes on round its edge: the bleed lies past it', () => {
    const [front] = faces('gallery-40x30');
    expect(front).toMatchObject({ width: 400, height: 300, edge: 38, bleed: 43 });
    expect(printSize(front!)).toEqual({ width: 486, height: 386 });
  });

  test('a letter fold has one narrow panel, at the other end inside', () => {
    const [outside, inside] = faces('leaflet');
    expect(outside!.width).toBeCloseTo(298.5, 9);
    expect(outside!.zones.map(({ name, width }) => [name, width])).toEqual([
      ['flap', 98.5],
      ['back', 100],
      ['cover', 100],
    ]);
    expect(inside!.zones.map(({ width }) => width)).toEqual([100, 100, 98.5]);
    expect(outside!.folds).toEqual([98.5, 198.5]);
    expect(inside!.folds).toEqual([100, 200]);
  });

  test('every fold closes to its width', () => {
    for (const fold of ['half', 'letter', 'accordion', 'gate'] as const) {
      const { blank, method, spec } = blankById('leaflet');
      const body = { kind: 'folded' as const, fold, width: 100, height: 210, inward: 2 };
      const [outside, inside] = resolveBlank({ ...blank, body }, method, spec).faces;
      expect(outside!.width).toBeCloseTo(inside!.width, 9);
      expect(Math.max(...outside!.zones.map(({ width }) => width))).toBe(100);
      expect(outside!.zones.map(({ width }) => width)).toEqual(
        inside!.zones.map(({ width }) => width).reverse(),
      );
    }
  });

  test('a jar label laps over itself and is parted by its panels', () => {
    const [wrap] = faces('label-jar');
    expect(wrap!.width).toBeCloseTo(Math.PI * 68 + 6, 9);
    expect(wrap!.overlap).toBe(6);
    expect(wrap!.zones.map(({ name }) => name)).toEqual(['contents', 'front', 'maker']);
    expect(wrap!.zones[1]!.width).toBeCloseTo((Math.PI * 68) / 2, 9);
    expect(faces('label-bottle').map(({ width }) => width)).toEqual([90, 75]);
  });

  test('a sheet of stickers is one face with a cut for each', () => {
    const [sheet] = faces('sticker-sheet-a6');
    expect(sheet!.cuts).toHaveLength(6);
    expect(sheet!.width).toBeCloseTo(2 * 42 + 3 * 6, 9);
    expect(sheet!.zones[3]).toMatchObject({ x: 6 + 48 + 21, y: 6 + 48 + 21 });
  });

  test('a partial wrap keeps the zones that lie on it', () => {
    const [panel] = faces('bottle-600');
    expect(panel!.width).toBe(95);
    expect(panel!.zones.map(({ id }) => id)).toEqual(['front']);
    expect(panel!.zones[0]!.x).toBeCloseTo(47.5, 9);
  });

  test('a face split into panels has them for zones', () => {
    const { blank, method, spec } = blankById('banner-1800');
    const panels = [600, 500, 700].map((width, i) => ({ name: `panel ${i + 1}`, width }));
    const split = { ...blank, splits: [{ faceId: 'front', panels }] };
    const [face] = resolveBlank(split, method, spec).faces;
    expect(face!.zones.map(({ x }) => x)).toEqual([300, 850, 1450]);
    expect(face!.zones[0]!.y).toBe(350);
  });

  test('a blank overrides its method’s limits, one by one', () => {
    const { blank, method, spec, limits } = blankById('shirt-screen');
    expect(limits.inks).toBe(4);
    const eased = resolveBlank({ ...blank, limits: { inks: 6 } }, method, spec).limits;
    expect(eased).toEqual({ ...limits, inks: 6 });
  });
});

describe('what a house asks', () => {
  test('floor PPI follows from how far off a print is looked at', () => {
    expect([300, 500, 800, 1000, 2000].map(viewingFloor)).toEqual([291, 175, 109, 87, 44]);
    expect(faceOf(blankById('banner-1800')).floor).toBe(44);
  });

  test('a safe margin from the bleed edge is that much less from the trim', () => {
    const { blank, method, spec } = blankById('coaster');
    const source = { kind: 'house' as const };
    const from = { ...spec, safe: { value: 5, source }, safeFrom: { value: 'bleed' as const, source } };
    expect(faceOf(resolveBlank(blank, method, from)).safe).toBe(3);
  });

  test('assumed numbers are named, asked about, and told where they come from', () => {
    const tumbler = blankById('tumbler-470');
    expect(assumedAmong(tumbler, SPEC_NUMBERS)).toEqual(['bleed']);
    expect(questionsFor(tumbler)).toEqual(['How much bleed do you want past the trim on each side?']);
    expect(describeSource(tumbler, 'bleed')).toBe('assumed');
    expect(describeSource(tumbler, 'safe')).toBe('Harl Kiln Works, 2026-09-01');
    expect(describeSource(tumbler, 'size')).toBe('tape, 2026-10-12');
    expect(questionsFor(blankById('mug-325'))).toEqual([]);
  });
});

describe('the print file of a face', () => {
  test('is trim plus bleed at the target PPI', () => {
    const blank = blankById('mug-325');
    const face = faceOf(blank);
    expect(printSize(face).width).toBeCloseTo(226.186, 3);
    expect(printPixels(face, blank.spec)).toEqual({ width: 2671, height: 1134 });
    expect(printPixels(face, blank.spec, 150)).toEqual({ width: 1336, height: 567 });
  });

  test('of an arc is the box of the arc with its bleed', () => {
    const face = faceOf(blankById('tumbler-taper-480'));
    expect(trimSize(face).width).toBeCloseTo(280.69, 2);
    expect(trimSize(face).height).toBeCloseTo(161.78, 2);
    expect(printSize(face).width).toBeGreaterThan(trimSize(face).width + 2 * face.bleed - 0.2);
    expect(artSize(face).height).toBeCloseTo(150.333 + 4, 3);
  });

  test('is exactly what the house states in pixels, at its own PPI', () => {
    const blank = blankById('mug-325');
    const pixels = { value: { width: 2700, height: 1200 }, source: { kind: 'house' as const } };
    const spec = { ...blank.spec, files: { ...blank.spec.files, pixels } };
    expect(printPixels(faceOf(blank), spec)).toEqual({ width: 2700, height: 1200 });
  });
});

describe('the lengths of a body', () => {
  test('every shipped one can be read and set, and nothing else changes', () => {
    for (const { body } of BLANKS) {
      const numbers = numbersOf(body);
      expect(numbers.length).toBeGreaterThan(0);
      for (const { id, name, mm } of numbers) {
        const changed = withNumber(body, id, mm + 1)!;
        expect(differences(body, changed)).toEqual([{ id, name, mm: expect.closeTo(1, 9) as number }]);
        expect(withNumber(changed, id, mm)).toEqual(body);
      }
    }
  });

  test('what the schema refuses is not set', () => {
    const { body } = blankById('mug-325').blank;
    expect(withNumber(body, 'diameter', 0)).toBeNull();
    expect(withNumber(body, 'diameter', -3)).toBeNull();
    expect(withNumber(body, 'lip', Number.NaN)).toBeNull();
  });

  test.each<[kind: Kind, id: string, number: string, mm: number, words: RegExp]>([
    ['wrap', 'mug-325', 'handle.gap', 260, /260.0 mm is wider than the way round, 248.2 mm/],
    ['wrap', 'mug-325', 'lip', 95, /nothing is left to print on/],
    ['wrap', 'bottle-600', 'partial', 240, /does not fit on 232.5 mm of free wall/],
    ['wrap', 'tumbler-590', 'overlap', 150, /more than half the way round/],
    ['taper', 'mug-cone', 'slant', 10, /cannot reach from 90.0 mm across to 68.0 mm across/],
    ['folded', 'leaflet', 'inward', 60, /cannot be 60.0 mm narrower/],
    ['garment', 'shirt', 'prints.0.width', 700, /wider than the garment/],
    ['garment', 'shirt', 'prints.1.height', 700, /below the hem/],
    ['case', 'case-pier-6', 'height', 20, /lies off the face/],
  ])('a %s that cannot be is told: %s, %s %d', (kind, id, number, mm, words) => {
    const { body } = blankById(id).blank;
    expect(body.kind).toBe(kind);
    const [trouble] = bodyTroubles(withNumber(body, number, mm)!);
    expect(trouble?.message).toMatch(words);
  });
});
