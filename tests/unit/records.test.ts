import fc from 'fast-check';
import * as v from 'valibot';
import { readMeasured } from '@/cli/measured';
import type { Body } from '@/core/blank/kinds';
import type { TaperBody } from '@/core/blank/bodies/round';
import { KeepOutSchema, panelZones, rectangle } from '@/core/blank/face';
import { circumference, printableHeight } from '@/core/blank/bodies/round';
import { BLANKS, resolveAmong, SHIPPED, SPECS } from '@/core/blank/library';
import { makeBlank } from '@/core/blank/make';
import { METHODS } from '@/core/blank/methods';
import {
  assumedAmong,
  describeSource,
  questionsFor,
  SPEC_NUMBERS,
  type SpecNumber,
} from '@/core/blank/questions';
import { facesOf } from '@/core/blank/resolve';
import { BlankSchema, HouseSpecSchema, type HouseSpec } from '@/core/blank/schema';
import { readSpecSheet, type SpecSheet } from '@/core/blank/spec-sheet';
import { MILLIMETRES } from '@/core/length/show';
import { parseLength } from '@/core/length/parse';
import { NOTHING, type Answers } from '@/core/measuring/answers';
import { readAnswers } from '@/core/measuring/readings';
import { roundBody } from '@/core/measuring/round';
import { THINGS } from '@/core/measuring/things';
import { correctBody, expectedEnds } from '@/core/measuring/try-on';
import { freeIdAmong } from '@/core/pack/names';
import { resized, type TemplateReading } from '@/core/template/reading';
import { blankById } from '../support/fits';

const mm = (min: number, max: number) => fc.double({ min, max, noNaN: true });

describe('a blank as a record', () => {
  test.each(BLANKS.map((blank) => [blank.id, blank] as const))(
    '%s is the same after a file and back',
    (_, blank) => {
      const text = JSON.stringify({ ...blank, spec: SPECS[0] });
      expect(v.parse(BlankSchema, JSON.parse(text))).toEqual(blank);
    },
  );

  test.each(SPECS.map((spec) => [spec.id, spec] as const))('%s, a spec, likewise', (_, spec) => {
    expect(v.parse(HouseSpecSchema, JSON.parse(JSON.stringify(spec)))).toEqual(spec);
  });

  test.each<[what: string, change: object]>([
    ['another kind of record', { upfit: 'blank/2' }],
    ['an id that is no id', { id: 'Mug 325' }],
    ['no name', { name: '   ' }],
    ['a version of nought', { version: 0 }],
    ['half a version', { version: 1.5 }],
    ['no colour', { colours: [] }],
    ['a colour that is none', { colours: [{ id: 'white', name: 'White', hex: 'white' }] }],
    ['a body of no kind', { body: { kind: 'teapot' } }],
    ['a body without its numbers', { body: { kind: 'wrap' } }],
    ['a source nobody knows', { measured: { kind: 'guess' } }],
    ['a size that is nothing', { sizes: [{ id: 's', name: 'S', garment: 0, print: 1 }] }],
    ['panels of no width', { splits: [{ faceId: 'wrap', panels: [{ name: 'a', width: 0 }] }] }],
    ['a look from nowhere', { viewedFrom: -1 }],
  ])('%s is refused', (_, change) => {
    const { blank } = blankById('mug-325');
    expect(v.safeParse(BlankSchema, { ...blank, ...change }).success).toBe(false);
  });

  test.each<[what: string, shape: object]>([
    ['no diameter', { kind: 'circle', x: 1, y: 1, diameter: 0 }],
    [
      'an outline of two points',
      {
        kind: 'outline',
        points: [
          [0, 0],
          [1, 1],
        ],
      },
    ],
    ['a negative corner', { kind: 'rectangle', x: 0, y: 0, width: 1, height: 1, cornerRadius: -1 }],
    ['a place that is no number', { kind: 'circle', x: Infinity, y: 0, diameter: 4 }],
  ])('a keep-out with %s is refused', (_, shape) => {
    expect(v.safeParse(KeepOutSchema, { id: 'hole', name: 'Hole', effect: 'hole', shape }).success).toBe(
      false,
    );
  });

  test('a blank that names records that are not there cannot be resolved', () => {
    const { blank } = blankById('mug-325');
    expect(() => resolveAmong(SHIPPED, { ...blank, methodId: 'stencil' })).toThrow(/not here/);
    expect(() => resolveAmong({ ...SHIPPED, specs: [] }, blank)).toThrow(/not here/);
  });

  test('what is not told of a blank is what most have', () => {
    const { blank } = blankById('coaster');
    const made = makeBlank({
      id: 'own',
      name: 'Own',
      body: blank.body,
      measured: { kind: 'tape' },
      methodId: blank.methodId,
      specId: blank.specId,
    });
    expect(v.parse(BlankSchema, made)).toEqual(made);
    expect(made).toMatchObject({ version: 1, sizes: [], states: [], splits: [], viewedFrom: null });
    expect(made.colours).toHaveLength(1);
  });
});

describe('numbers that nobody has stated', () => {
  const assumed = { kind: 'assumed' as const };
  const { blank, method, spec } = blankById('mug-325');

  function withAssumed(number: SpecNumber): HouseSpec {
    if (number in spec.files) {
      const key = number as keyof HouseSpec['files'];
      return { ...spec, files: { ...spec.files, [key]: { ...spec.files[key], source: assumed } } };
    }
    const key = number as 'bleed';
    return { ...spec, [key]: { ...spec[key], source: assumed } };
  }

  test.each(SPEC_NUMBERS)('%s: named once, asked once, told as assumed', (number) => {
    const own = number === 'size' ? { ...blank, measured: assumed } : blank;
    const changed = number === 'size' ? spec : withAssumed(number);
    const resolved = resolveAmong({ ...SHIPPED, specs: [changed] }, own);
    expect(resolved.method).toBe(method);
    expect(assumedAmong(resolved, SPEC_NUMBERS)).toHaveLength(1);
    expect(
      assumedAmong(
        resolved,
        SPEC_NUMBERS.filter((one) => one !== number),
      ),
    ).toEqual([]);
    const [question, ...more] = questionsFor(resolved);
    expect(question).toMatch(/\?$/);
    expect(more).toEqual([]);
    expect(describeSource(resolved, number)).toBe('assumed');
  });
});

describe('what is asked of a thing', () => {
  test.each(THINGS.map((thing) => [thing.name, thing] as const))(
    '%s: its own examples make a body',
    (_, thing) => {
      const answers: Answers = Object.fromEntries(
        thing.steps
          .filter(({ optional }) => !optional)
          .map((step) => [step.id, { ...NOTHING, text: step.example }]),
      );
      const { body, missing, steps } = readAnswers(thing, answers, MILLIMETRES);
      expect(missing).toBe(0);
      expect(steps.map(({ trouble }) => trouble).filter(Boolean)).toEqual([]);
      expect(facesOf(body!)[0]!.width).toBeGreaterThan(0);
    },
  );

  test.each(THINGS.map((thing) => [thing.name, thing] as const))(
    '%s: every example reads, every step says where',
    (_, thing) => {
      for (const step of thing.steps) {
        expect(parseLength(step.example, { unit: 'mm' }).ok).toBe(true);
        expect(step.how).toMatch(/\.$/);
      }
      expect(new Set(thing.steps.map(({ id }) => id)).size).toBe(thing.steps.length);
      expect(METHODS.some(({ id }) => id === thing.methodId)).toBe(true);
      expect(SPECS.find(({ id }) => id === thing.specId)?.methods).toContain(thing.methodId);
    },
  );
});

describe('properties', () => {
  test('a reading in inches and in millimetres is one cylinder', () => {
    fc.assert(
      fc.property(mm(150, 400), mm(40, 200), (round, height) => {
        const metric = readMeasured(
          'cylinder',
          `circumference=${round.toFixed(4)}mm height=${height.toFixed(4)}mm`,
        );
        const inches = readMeasured(
          'cylinder',
          `circumference=${(round / 25.4).toFixed(7)} in height=${(height / 25.4).toFixed(7)}"`,
        );
        expect(inches.face.width).toBeCloseTo(metric.face.width, 3);
        expect(inches.face.height).toBeCloseTo(metric.face.height, 3);
      }),
    );
  });

  test('a tapered template tried on twice, true the second time, changes nothing more', () => {
    fc.assert(
      fc.property(
        mm(70, 110),
        mm(45, 68),
        mm(80, 220),
        mm(0, 40),
        mm(-4, 4),
        (top, bottom, slant, handle, off) => {
          const body = roundBody({ top, bottom, slant, handle }) as TaperBody;
          const ends = expectedEnds(body);
          const seen = {
            ruler: 100,
            endsTop: ends.top + off,
            endsBottom: ends.bottom + off,
            top: 0,
            bottom: 0,
          };
          const corrected = correctBody(body, seen) as TaperBody;
          expect(circumference(corrected) - circumference(body)).toBeCloseTo(off, 6);
          const again = expectedEnds(corrected);
          const same = correctBody(corrected, {
            ...seen,
            endsTop: again.top,
            endsBottom: again.bottom,
          }) as Body;
          expect(circumference(same as TaperBody)).toBeCloseTo(circumference(corrected), 6);
          expect(printableHeight(same as TaperBody)).toBeCloseTo(slant, 6);
        },
      ),
    );
  });

  test('a size with its bleed taken off is the size less twice the bleed', () => {
    fc.assert(
      fc.property(mm(50, 2000), mm(50, 2000), mm(0.5, 15), (width, height, bleed) => {
        const sheet: SpecSheet = {
          lengths: { width, height },
          pixels: null,
          ppi: 300,
          bleed,
          includesBleed: 'unknown',
          safe: 4,
          safeFrom: 'trim',
        };
        const [on, off] = readSpecSheet(sheet).readings;
        expect(on!.trim).toEqual({ width, height });
        expect(off!.trim.width + 2 * bleed).toBeCloseTo(width, 9);
        expect(off!.trim.height + 2 * bleed).toBeCloseTo(height, 9);
      }),
    );
  });

  test('panels lie side by side and take the whole of what they are given', () => {
    fc.assert(
      fc.property(fc.array(mm(1, 300), { minLength: 1, maxLength: 12 }), (widths) => {
        const zones = panelZones(
          widths.map((width, i) => ({ name: `panel ${i}`, width })),
          50,
        );
        let left = 0;
        for (const [i, zone] of zones.entries()) {
          expect(zone.x - zone.width / 2).toBeCloseTo(left, 6);
          left += widths[i]!;
        }
        expect(left).toBeCloseTo(
          widths.reduce((sum, width) => sum + width, 0),
          6,
        );
      }),
    );
  });

  test('a template told its true width scales everything on it alike', () => {
    fc.assert(
      fc.property(mm(20, 3000), (width) => {
        const reading: TemplateReading = {
          name: 't.svg',
          format: 'svg',
          page: { width: 200, height: 100 },
          pixels: null,
          from: 'size in the SVG',
          trim: { x: 10, y: 5, width: 180, height: 90 },
          bleed: { x: 4, y: 2, width: 192, height: 96 },
          holes: [{ x: 50, y: 40, diameter: 8 }],
          traps: [],
        };
        const factor = width / 200;
        const sized = resized(reading, 'width', width);
        expect(sized.page!.height).toBeCloseTo(100 * factor, 6);
        expect(sized.trim!.x).toBeCloseTo(10 * factor, 6);
        expect(sized.bleed!.height).toBeCloseTo(96 * factor, 6);
        expect(sized.holes[0]!.diameter).toBeCloseTo(8 * factor, 6);
        expect(resized(sized, 'width', 200).trim!.width).toBeCloseTo(180, 6);
      }),
    );
  });

  test('an id made from any name is an id, and none that is taken', () => {
    fc.assert(
      fc.property(fc.string(), fc.nat(4), (name, copies) => {
        const taken: string[] = [];
        for (let i = 0; i <= copies; i++) taken.push(freeIdAmong(name, taken));
        expect(new Set(taken).size).toBe(taken.length);
        for (const id of taken) expect(id).toMatch(/^[a-z0-9][a-z0-9-]{0,79}$/);
      }),
    );
  });

  test('a flat thing of any size has one face, exactly as large, its middle in its middle', () => {
    fc.assert(
      fc.property(mm(5, 3000), mm(5, 3000), (width, height) => {
        const [face, ...more] = facesOf({ kind: 'flat', sheet: rectangle(width, height), keepOuts: [] });
        expect(more).toEqual([]);
        expect([face!.width, face!.height]).toEqual([width, height]);
        expect(face!.zones).toEqual([
          { id: 'middle', name: 'middle', x: width / 2, y: height / 2, width, height },
        ]);
      }),
    );
  });
});
