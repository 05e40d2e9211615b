import fc from 'fast-check';
import type { Body } from '@/core/blank/kinds';
import type { TaperBody, WrapBody } from '@/core/blank/bodies/round';
import { circumference, printableHeight } from '@/core/blank/bodies/round';
import { shippedBlanks } from '@/core/blank/library';
import { NOTHING, type Answer, type Answers } from '@/core/measuring/answers';
import { nearestBlank } from '@/core/measuring/nearest';
import { mixesSystems, readAnswers } from '@/core/measuring/readings';
import { roundBody } from '@/core/measuring/round';
import { THINGS, type ThingId } from '@/core/measuring/things';
import { correctBody, expectedEnds, printerError } from '@/core/measuring/try-on';
import { MILLIMETRES } from '@/core/length/show';

const thingOf = (id: ThingId) => THINGS.find((thing) => thing.id === id)!;
const typed = (texts: Record<string, string | Partial<Answer>>): Answers =>
  Object.fromEntries(
    Object.entries(texts).map(([id, answer]) => [
      id,
      typeof answer === 'string' ? { ...NOTHING, text: answer } : { ...NOTHING, ...answer },
    ]),
  );
const read = (id: ThingId, texts: Record<string, string | Partial<Answer>>) =>
  readAnswers(thingOf(id), typed(texts), MILLIMETRES);
const slip = (id: ThingId, texts: Record<string, string | Partial<Answer>>, which: string) =>
  read(id, texts).slips.find((one) => one.id === which);
const troubleOf = (id: ThingId, texts: Record<string, string | Partial<Answer>>, step: string) =>
  read(id, texts).steps.find((one) => one.step.id === step)?.trouble ?? null;

/** A cup of 90 over 70 mm, 150.333 mm along the wall. */
const CUP = { top: '282.743 mm', bottom: '219.911 mm', slant: '150.333 mm', lip: '9 mm', foot: '7 mm' };

describe('measuring a thing', () => {
  test('a tapered cup from five numbers, in whatever units', () => {
    const { body, missing } = read('narrowing', {
      top: '9 5/8 in + 4 mm',
      bottom: '7 7/8 in',
      slant: '11.8 cm',
      handle: '1 3/8"',
      lip: '12',
    });
    expect(missing).toBe(0);
    const taper = body as TaperBody;
    expect(taper.topDiameter * Math.PI).toBeCloseTo(248.475, 6);
    expect(taper.bottomDiameter * Math.PI).toBeCloseTo(200.025, 6);
    expect(taper).toMatchObject({ kind: 'taper', slant: 118, lip: 12 });
    expect(taper.handle!.gap).toBeCloseTo(34.925, 6);
  });

  test('a straight mug by its printable height, lip and foot put back on', () => {
    const mug = read('straight', {
      top: '248.186 mm',
      slant: '92 mm',
      handle: '26 mm',
      lip: '2 mm',
      foot: '2 mm',
    }).body as WrapBody;
    expect(mug.kind).toBe('wrap');
    expect(mug.height).toBeCloseTo(96, 9);
    expect(printableHeight(mug)).toBeCloseTo(92, 9);
    expect(circumference(mug)).toBeCloseTo(248.186, 6);
  });

  test('flat things and frames', () => {
    expect(read('flat', { width: '96 mm', height: '3 3/4 in', corner: '8 mm' }).body).toEqual({
      kind: 'flat',
      sheet: { width: 96, height: 95.25, cornerRadius: 8, outline: null },
      keepOuts: [],
    });
    expect(read('frame', { width: '400 mm', height: '300 mm', depth: '1 1/2 in' }).body).toMatchObject({
      kind: 'gallery',
      depth: expect.closeTo(38.1, 9) as number,
    });
  });

  test('says how much is still to come, and draws nothing before', () => {
    const nothing = read('narrowing', {});
    expect([nothing.missing, nothing.body, nothing.slips]).toEqual([3, null, []]);
    expect(read('narrowing', { top: '240 mm' }).missing).toBe(2);
  });

  test('a way round may be read across', () => {
    const across = read('straight', { top: { text: '79 mm', mode: 'across' }, slant: '92 mm' });
    expect(circumference(across.body as WrapBody)).toBeCloseTo(248.186, 3);
  });
});

describe('wrong measurements are told beside their field', () => {
  test.each<[step: string, texts: Record<string, string>, words: RegExp]>([
    ['top', { ...CUP, top: '0 mm' }, /cannot be nothing/],
    ['top', { ...CUP, top: '-20 mm' }, /above zero/],
    ['slant', { ...CUP, slant: 'about this' }, /“a” at character 1 is not part of a length/],
    ['slant', { ...CUP, slant: '2,400 mm' }, /can be read two ways/],
    ['slant', { ...CUP, slant: '5 mm' }, /cannot reach from 90.0 mm across to 70.0 mm across/],
    ['handle', { ...CUP, handle: '30 cm' }, /handle gap of 300.0 mm is wider than the way round, 219.9 mm/],
    ['overlap', { ...CUP, overlap: '150 mm' }, /more than half the way round/],
  ])('%s', (step, texts, words) => {
    expect(troubleOf('narrowing', texts, step)).toMatch(words);
    expect(read('narrowing', texts).body).toBeNull();
  });

  test('a right one is told nothing', () => {
    for (const { trouble } of read('narrowing', CUP).steps) expect(trouble).toBeNull();
  });
});

describe('the usual slips', () => {
  test('inches and millimetres together: what they come to', () => {
    const found = slip('narrowing', { ...CUP, top: '5 3/8 in + 4 mm' }, 'mixed-top');
    expect(found?.message).toContain('140.5 mm');
    expect(['5 3/8 in + 4 mm', '2 cm 3"', '1 ft 2 in', '3 cm 2 mm', '12'].map(mixesSystems)).toEqual([
      true,
      true,
      false,
      false,
      false,
    ]);
  });

  test('a width across where the way round was meant, and the other way', () => {
    const thin = slip('straight', { top: '79 mm', slant: '92 mm' }, 'not-round');
    expect(thin?.mend).toMatchObject({ kind: 'mode', stepIds: ['top'], mode: 'across' });
    const wide = slip('straight', { top: { text: '248 mm', mode: 'across' }, slant: '92 mm' }, 'not-round');
    expect(wide?.mend).toMatchObject({ mode: 'round' });
    expect(slip('narrowing', CUP, 'not-round')).toBeUndefined();
  });

  test('top and bottom swapped', () => {
    const found = slip('narrowing', { ...CUP, top: CUP.bottom, bottom: CUP.top }, 'swapped');
    expect(found?.message).toContain('62.8 mm more round than the top');
    expect(found?.mend).toMatchObject({ kind: 'swap', stepIds: ['top', 'bottom'] });
    expect(slip('narrowing', CUP, 'swapped')).toBeUndefined();
  });

  test('the whole height where nothing is left out', () => {
    expect(slip('straight', { top: '248 mm', slant: '96 mm' }, 'whole-height')?.stepId).toBe('slant');
    expect(slip('straight', { top: '248 mm', slant: '92 mm', lip: '0 mm' }, 'whole-height')).toBeUndefined();
  });

  test('a wrap wider than the wall that the handle leaves free', () => {
    const mug = { top: '248.186 mm', slant: '92 mm', handle: '26 mm' };
    expect(slip('straight', { ...mug, wrap: '248 mm' }, 'into-handle')?.message).toBe(
      'A wrap of 248.0 mm runs into the handle by 25.8 mm: the free wall is 222.2 mm.',
    );
    expect(slip('straight', { ...mug, wrap: '222 mm' }, 'into-handle')).toBeUndefined();
  });

  test('two readings that do not agree', () => {
    const near = { text: '248.2 mm', second: '79 mm' };
    expect(slip('straight', { top: near, slant: '92 mm' }, 'apart-top')).toBeUndefined();
    const far = { text: '248.2 mm', second: '82 mm' };
    expect(slip('straight', { top: far, slant: '92 mm' }, 'apart-top')?.message).toContain('9.4 mm apart');
    expect(troubleOf('straight', { top: { text: '248 mm', second: 'x' }, slant: '92 mm' }, 'top')).toMatch(
      /Second reading/,
    );
  });
});

describe('what one press mends', () => {
  const pressed = (texts: Record<string, string | Partial<Answer>>, which: string) => {
    const answers = typed(texts);
    const found = readAnswers(thingOf('narrowing'), answers, MILLIMETRES).slips.find(
      ({ id }) => id === which,
    );
    const { mend } = found!;
    if (mend?.kind === 'mode') {
      const changed = mend.stepIds.map((id) => [id, { ...(answers[id] ?? NOTHING), mode: mend.mode }]);
      return readAnswers(thingOf('narrowing'), { ...answers, ...Object.fromEntries(changed) }, MILLIMETRES);
    }
    if (mend?.kind === 'swap') {
      const [a, b] = mend.stepIds;
      return readAnswers(thingOf('narrowing'), { ...answers, [a]: answers[b], [b]: answers[a] }, MILLIMETRES);
    }
    throw new Error(`${which} has nothing to press`);
  };

  test('two widths across that were taken for ways round', () => {
    const texts = { ...CUP, top: '90 mm', bottom: '70 mm' };
    const mended = pressed(texts, 'not-round');
    expect(mended.body).toMatchObject({ kind: 'taper', slant: 150.333 });
    expect((mended.body as TaperBody).topDiameter).toBeCloseTo(90, 9);
    expect((mended.body as TaperBody).bottomDiameter).toBeCloseTo(70, 9);
    expect(mended.slips.map(({ id }) => id)).not.toContain('not-round');
  });

  test('top and bottom that were swapped', () => {
    const mended = pressed({ ...CUP, top: CUP.bottom, bottom: CUP.top }, 'swapped');
    expect((mended.body as TaperBody).topDiameter).toBeCloseTo(90, 3);
    expect(mended.slips).toEqual([]);
  });

  test('after any press a cup that can be is still a cup, and nothing typed is lost', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 45, max: 70, noNaN: true }),
        fc.double({ min: 75, max: 110, noNaN: true }),
        (top, bottom) => {
          const round = (across: number) => `${(across * Math.PI).toFixed(3)} mm`;
          const mended = pressed({ ...CUP, top: round(top), bottom: round(bottom) }, 'swapped');
          const body = mended.body as TaperBody;
          expect(body.topDiameter).toBeCloseTo(bottom, 3);
          expect(body.bottomDiameter).toBeCloseTo(top, 3);
          expect([body.slant, body.lip, body.foot]).toEqual([150.333, 9, 7]);
        },
      ),
    );
  });

  test('what only the tape can tell has nothing to press', () => {
    for (const which of ['mixed-top', 'whole-height']) {
      const found = slip('narrowing', { top: '5 in + 120 mm', bottom: '220 mm', slant: '150 mm' }, which);
      expect(found?.mend).toBeNull();
      expect(found?.message).toMatch(/\.$/);
    }
  });
});

describe('held against the library', () => {
  test('the nearest blank, and by how much it is off', () => {
    const body = roundBody({ top: 90.382, bottom: 70, slant: 150.333 });
    const nearest = nearestBlank(body, shippedBlanks());
    expect(nearest?.blank.name).toBe('Taper cup 480 ml');
    expect(nearest?.words).toBe('0.4 mm more diameter, top of the print');
    expect(nearestBlank(roundBody({ top: 90, bottom: 70, slant: 150.333 }), shippedBlanks())?.words).toBe(
      'the same',
    );
  });

  test('every shipped thing that can be measured is nearest to itself', () => {
    for (const { blank } of shippedBlanks()) {
      if (!['wrap', 'taper', 'gallery'].includes(blank.body.kind)) continue;
      const nearest = nearestBlank(blank.body, shippedBlanks());
      expect([nearest?.blank.id, nearest?.off, nearest?.words]).toEqual([blank.id, 0, 'the same']);
    }
  });

  test('nothing where nothing comes near', () => {
    expect(nearestBlank(roundBody({ top: 400, bottom: 300, slant: 600 }), shippedBlanks())).toBeNull();
  });
});

describe('the printed template tried on', () => {
  const expected = (body: Body) => {
    const ends = body.kind === 'wrap' || body.kind === 'taper' ? expectedEnds(body) : { top: 0, bottom: 0 };
    return { ruler: 100, endsTop: ends.top, endsBottom: ends.bottom, top: 0, bottom: 0 };
  };
  const cup = roundBody({ top: 90, bottom: 70, slant: 150, handle: 26 }) as TaperBody;
  const mug = roundBody({ top: 79, bottom: 79, slant: 92, handle: 26 }) as WrapBody;

  test('what reads as expected changes nothing', () => {
    for (const body of [cup, mug]) {
      const corrected = correctBody(body, expected(body)) as typeof body;
      expect(circumference(corrected)).toBeCloseTo(circumference(body), 9);
      expect(printableHeight(corrected)).toBeCloseTo(printableHeight(body), 9);
    }
    expect(expectedEnds(mug)).toEqual({
      top: expect.closeTo(26, 9) as number,
      bottom: expect.closeTo(26, 9) as number,
    });
    expect(expectedEnds(cup).bottom).toBeCloseTo(26, 9);
    expect(expectedEnds(cup).top).toBeGreaterThan(26);
  });

  test('a gap at the ends is that much more way round; bare wall above is that much more height', () => {
    const seen = { ...expected(mug), endsTop: 28.2, endsBottom: 28.2, top: 1.5 };
    const corrected = correctBody(mug, seen) as WrapBody;
    expect(circumference(corrected) - circumference(mug)).toBeCloseTo(2.2, 9);
    expect(printableHeight(corrected)).toBeCloseTo(93.5, 9);
  });

  test('the printer’s scale is taken out', () => {
    expect(printerError({ ruler: 98 })).toBeCloseTo(-0.02, 12);
    fc.assert(
      fc.property(fc.double({ min: 95, max: 105, noNaN: true }), (ruler) => {
        // A true template printed at this scale leaves so much more of the wall bare.
        const short = 1 - ruler / 100;
        const edges = circumference(mug) - 26;
        const seen = {
          ruler,
          endsTop: 26 + edges * short,
          endsBottom: 26 + edges * short,
          top: 92 * short,
          bottom: 0,
        };
        const corrected = correctBody(mug, seen) as WrapBody;
        expect(corrected.diameter).toBeCloseTo(79, 6);
        expect(printableHeight(corrected)).toBeCloseTo(92, 6);
      }),
    );
  });

  test('flat things likewise; what cannot be tried on is left alone', () => {
    const flat: Body = {
      kind: 'flat',
      sheet: { width: 96, height: 96, cornerRadius: 0, outline: null },
      keepOuts: [],
    };
    const corrected = correctBody(flat, { ruler: 100, endsTop: 2, endsBottom: 2, top: 1, bottom: 0 });
    expect(corrected).toMatchObject({ sheet: { width: 98, height: 97 } });
    expect(correctBody({ kind: 'gallery', width: 4, height: 3, depth: 1 }, expected(flat))).toBeNull();
    expect(correctBody(mug, { ...expected(mug), endsTop: -400, endsBottom: -400 })).toBeNull();
  });
});
