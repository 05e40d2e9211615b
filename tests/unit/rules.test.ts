import type { PixelBox } from '@/core/artwork/facts';
import fc from 'fast-check';
import type { Facts } from '@/core/artwork/facts';
import { accept, unaccept } from '@/core/check/acceptance';
import { worst } from '@/core/check/finding';
import { makeDocket, type Docket } from '@/core/check/docket';
import type { DocketOptions } from '@/core/check/face-findings';
import type { Finding, RuleId } from '@/core/check/finding';
import type { ResolvedBlank } from '@/core/blank/resolve';
import type { Press } from '@/core/colour/press';
import { newFill } from '@/core/fit/place';
import type { Fit, Piece, TextPiece } from '@/core/fit/schema';
import { firstLettering, newText } from '@/core/fit/text';
import { findFlaws } from '@/core/raster/flaws';
import type { Raster } from '@/core/raster/raster';
import { boxShrink } from '@/core/raster/shrink';
import { readStrokes } from '@/core/raster/strokes';
import { flattenPath } from '@/core/geometry/path';
import { parsePath } from '@/core/geometry/parse-path';
import { renderFace } from '@/core/render/face';
import { layText } from '@/core/type/layout';
import type { Lettering } from '@/core/type/schema';
import { loadNodeEngine } from '@/imaging/node';
import {
  blankById,
  faceOf,
  factsOf,
  findingOf,
  fitOf,
  foundBy,
  pieceAt,
  sheetOf,
  shown,
} from '../support/fits';
import { CLEAR, paint, pixelAt, solid } from '../support/pictures';
import { face as typeface } from '../support/font';
import { runs } from '../support/long';

let press: Press;
beforeAll(async () => {
  const engine = await loadNodeEngine();
  press = engine.bakePress(null, 'relative');
  engine.close();
});

const NAVY = [20, 34, 74, 255] as const;
const DOT = 25.4 / 300;

const sheet = (methodOf: string, change: Partial<ResolvedBlank['blank']> = {}) =>
  sheetOf(methodOf, {}, change);

const colour = (id: string, hex: string) => ({ id, name: id, hex });
const WHITE = [colour('white', '#ffffff')];

/** A blank whose house takes colours in certain modes. */
function taking(blank: ResolvedBlank, modes: ('rgb' | 'cmyk')[]): ResolvedBlank {
  const { spec } = blank;
  return {
    ...blank,
    spec: { ...spec, files: { ...spec.files, modes: { ...spec.files.modes, value: modes } } },
  };
}

function docketOf(
  blank: ResolvedBlank,
  pieces: readonly Piece[],
  raster: Raster,
  facts: Facts = factsOf(raster),
  options: Partial<DocketOptions> = {},
): Docket {
  return makeDocket(blank, fitOf(blank, pieces), { ...shown(raster, facts), press, ...options });
}

/** What one rule alone finds. */
const by = (
  rule: RuleId,
  blank: ResolvedBlank,
  pieces: readonly Piece[],
  raster: Raster,
  facts: Facts = factsOf(raster),
): Finding[] => foundBy(rule, blank, fitOf(blank, pieces), { ...shown(raster, facts), press });

function measured(
  blank: ResolvedBlank,
  pieces: readonly Piece[],
  raster: Raster,
  facts: Facts,
  rule: RuleId,
): Finding {
  return findingOf({ findings: by(rule, blank, pieces, raster, facts) }, rule);
}

/** Every remedy of a finding, measured again. */
function mended(blank: ResolvedBlank, finding: Finding, raster: Raster, facts = factsOf(raster)): Finding[] {
  return finding.remedies.map(({ pieces }) => {
    return (
      by(finding.rule, blank, pieces, raster, facts).find(({ unit }) => unit === finding.unit) ?? {
        ...finding,
        verdict: 'ready',
      }
    );
  });
}

/** A picture at its true size at 300 PPI in the middle of the sheet. */
function placed(raster: Raster, change: Parameters<typeof pieceAt>[4] = {}) {
  return pieceAt(20, 15, raster.width * DOT, raster.height * DOT, change);
}

function textOf(change: Partial<Lettering> = {}, cap = 5) {
  const lettering: Lettering = {
    ...firstLettering('archivo-narrow', '#000000', cap),
    lines: [{ text: 'HEH', gap: null }],
    ...change,
  };
  return newText('text', lettering, layText(lettering, typeface())!, { x: 20, y: 15 });
}

/** A point in mm within the first stem of a text that starts with H, on the sheet. */
function textStem(piece: TextPiece): { x: number; y: number } {
  const stem = flattenPath(parsePath(piece.ink.d)!, 0.01)[0]!;
  const left = Math.min(...stem.filter((_, i) => i % 2 === 0));
  return {
    x: piece.x - piece.width / 2 + left + 0.05 * piece.height,
    y: piece.y - piece.height / 2 + piece.height * 0.2,
  };
}

describe('true detail', () => {
  const raster = solid(300, 200);
  const blank = sheet('coaster');
  test.each([
    [1, 'ready', 300],
    [0.5, 'look', 150],
    [0.3, 'fix', 90],
  ])('a picture that holds %d of its pixels', (scale, verdict, ppi) => {
    const facts = factsOf(raster, { detail: { scale, sure: true } });
    expect(measured(blank, [placed(raster)], raster, facts, 'true-detail')).toMatchObject({
      verdict,
      measured: expect.closeTo(ppi, 6) as number,
    });
  });
  test('says nothing where there is nothing to judge', () => {
    expect(
      docketOf(blank, [placed(raster)], raster).findings.some(({ rule }) => rule === 'true-detail'),
    ).toBe(false);
  });
});

describe('soft parts', () => {
  const blank = sheet('shirt', { colours: WHITE });
  /** A disc with a glow round it that fades over so many pixels. */
  const glowing = (fade: number) =>
    paint(240, 240, (x, y) => {
      const out = Math.hypot(x - 119.5, y - 119.5) - 60;
      return [200, 60, 30, Math.round(255 * Math.min(1, Math.max(0, 1 - out / fade)))];
    });

  test('a glow is measured by its area; its twin with an anti-aliased edge has none', () => {
    const raster = glowing(40);
    const finding = measured(blank, [placed(raster)], raster, factsOf(raster), 'soft');
    // Alpha 10 to 245 lies from 1.6 to 38.4 px out; 2.5 px at each end are edge. A pixel more or less is allowed.
    const area = (by: number) => Math.PI * ((60 + 35.9 + by) ** 2 - (60 + 4.1 - by) ** 2);
    const pixels = (Number(finding.measured) / 100) * 240 ** 2;
    expect(pixels).toBeGreaterThan(area(-1));
    expect(pixels).toBeLessThan(area(1));
    expect(finding.verdict).toBe('fix');
    expect(finding.place!.left).toBeCloseTo(20 - 96 * DOT, 0);
    const twin = glowing(2);
    expect(measured(blank, [placed(twin)], twin, factsOf(twin), 'soft')).toMatchObject({
      verdict: 'ready',
      measured: 0,
    });
  });

  test('a halftone and a flat edge each mend it, and are no thin strokes', () => {
    const raster = glowing(40);
    const finding = measured(blank, [placed(raster)], raster, factsOf(raster), 'soft');
    expect(finding.remedies.map(({ id }) => id)).toEqual(['halftone', 'flat-edge']);
    for (const after of mended(blank, finding, raster)) expect(after.verdict).toBe('ready');
    for (const { pieces } of finding.remedies)
      expect(measured(blank, pieces, raster, factsOf(raster), 'thin').verdict).toBe('ready');
  });

  test('is not listed where the method prints it well', () => {
    const raster = glowing(40);
    const { findings } = docketOf(sheet('coaster'), [placed(raster)], raster);
    expect(findings.some(({ rule }) => rule === 'soft')).toBe(false);
  });
});

test('what strokes and gaps measure does not hang on where in a large picture they are', () => {
  const bar = fc.record({
    x: fc.integer({ min: 0, max: 80 }),
    y: fc.integer({ min: 0, max: 80 }),
    width: fc.integer({ min: 1, max: 60 }),
    height: fc.integer({ min: 1, max: 60 }),
  });
  const offset = fc.integer({ min: 0, max: 300 });
  fc.assert(
    fc.property(fc.array(bar, { minLength: 1, maxLength: 6 }), offset, offset, (bars, dx, dy) => {
      const drawn = (side: number, x0: number, y0: number) =>
        paint(side, side, (x, y) =>
          bars.some(
            (one) =>
              x - x0 >= one.x && x - x0 < one.x + one.width && y - y0 >= one.y && y - y0 < one.y + one.height,
          )
            ? [...NAVY]
            : [...CLEAR],
        );
      // So small that all of it is looked at, and so large that most of it is not.
      const here = readStrokes(drawn(160, 10, 10), 7);
      // Rows of whole fours of pixels are looked through four at a time, others one by one.
      const there = readStrokes(drawn(481, 10 + dx, 10 + dy), 7);
      for (const what of ['strokes', 'gaps'] as const) {
        expect(there[what].each).toHaveLength(here[what].each.length);
        here[what].each.forEach(({ width, box }, i) => {
          const other = there[what].each[i]!;
          expect(other.width).toBeCloseTo(width, 9);
          expect(other.box.x).toBeCloseTo(box.x + dx, 6);
          expect(other.box.y).toBeCloseTo(box.y + dy, 6);
        });
      }
      expect(there.strokes.share).toBeCloseTo(here.strokes.share, 12);
    }),
    runs(25),
  );
});

const isIn = (box: PixelBox, x: number, y: number) =>
  x >= box.x && x <= box.x + box.width && y >= box.y && y <= box.y + box.height;

describe('thin strokes', () => {
  const blank = sheet('shirt', { colours: WHITE });
  /** Two bars with a line so many pixels wide between them, and a gap of as many beside it. */
  const bars = (line: number, gap: number) =>
    paint(200, 160, (x, y) => {
      if (y < 20 || y >= 140) return CLEAR;
      const inBar = x >= 20 && x < 60;
      const inOther = x >= 60 + gap && x < 100 + gap;
      const inLine = x >= 170 && x < 170 + line;
      return inBar || inOther || inLine ? [10, 20, 30, 255] : CLEAR;
    });

  test.each([1, 2, 3, 4])('a line of %d px is as wide as that, to the pixel', (line) => {
    const raster = bars(line, 40);
    const finding = measured(blank, [placed(raster)], raster, factsOf(raster), 'thin');
    expect(Number(finding.measured) / DOT).toBeCloseTo(line, 6);
    expect(finding.verdict).toBe(line * DOT >= 0.7 * 0.5 ? 'look' : 'fix');
    expect(finding.shown.measured).toMatch(/stroke$/);
  });

  test('a gap too; wide ones hold', () => {
    const narrow = bars(20, 3);
    expect(measured(blank, [placed(narrow)], narrow, factsOf(narrow), 'thin')).toMatchObject({
      measured: expect.closeTo(3 * DOT, 6) as number,
      shown: { measured: expect.stringMatching(/gap$/) as string },
    });
    const wide = bars(20, 20);
    expect(measured(blank, [placed(wide)], wide, factsOf(wide), 'thin').verdict).toBe('ready');
  });

  test('the places of one at a slant, or round, lie on it and leave nothing of it out', () => {
    const across = (degrees: number) => {
      const [sin, cos] = [Math.sin((degrees * Math.PI) / 180), Math.cos((degrees * Math.PI) / 180)];
      return (x: number, y: number) => Math.abs((x - 150) * sin - (y - 150) * cos);
    };
    const round = (x: number, y: number) => Math.abs(Math.hypot(x - 150, y - 150) - 110);
    for (const [off, fewest] of [
      [across(0), 1],
      [across(90), 1],
      [across(27), 12],
      [across(45), 12],
      [round, 24],
    ] as const) {
      const raster = paint(300, 300, (x, y) => {
        const cover = Math.min(1, Math.max(0, 2 - off(x + 0.5, y + 0.5)));
        return x > 20 && x < 280 && y > 20 && y < 280 ? [10, 20, 30, Math.round(255 * cover)] : CLEAR;
      });
      const { each } = readStrokes(raster, 6).strokes;
      expect(each).toHaveLength(1);
      const { stretches } = each[0]!;
      expect(stretches.length).toBeGreaterThanOrEqual(fewest);
      let [farthest, left] = [0, 0];
      for (const { x, y, width, height } of stretches)
        farthest = Math.max(farthest, off(x + width / 2, y + height / 2));
      // A few pixels at its ends are the ends' own.
      for (let y = 30; y < 270; y++)
        for (let x = 30; x < 270; x++)
          if (off(x + 0.5, y + 0.5) < 0.5 && !stretches.some((box) => isIn(box, x + 0.5, y + 0.5))) left++;
      expect(farthest).toBeLessThan(4);
      expect(left).toBeLessThan(12);
    }
  });

  test('thickened and opened, they hold; what was wide stays as wide', () => {
    for (const raster of [bars(3, 40), bars(20, 3)]) {
      const finding = measured(blank, [placed(raster)], raster, factsOf(raster), 'thin');
      expect(mended(blank, finding, raster).map(({ verdict }) => verdict)).toEqual(['ready']);
    }
  });

  test('a point that runs out is none; a long thin one is', () => {
    const wedge = (slope: number) =>
      paint(200, 160, (x, y) => (Math.abs(x - 100) < (y - 10) * slope && y < 150 ? [0, 0, 0, 255] : CLEAR));
    const sharp = wedge(0.5);
    const long = wedge(0.04);
    expect(measured(blank, [placed(sharp)], sharp, factsOf(sharp), 'thin').verdict).toBe('ready');
    expect(measured(blank, [placed(long)], long, factsOf(long), 'thin').verdict).not.toBe('ready');
  });

  test('scales with the piece, whichever way it is turned over', () => {
    const raster = bars(4, 40);
    fc.assert(
      fc.property(fc.double({ min: 0.3, max: 1, noNaN: true }), fc.boolean(), (scale, flipped) => {
        const piece = pieceAt(20, 15, 200 * DOT * scale, 160 * DOT * scale, { flipped });
        const { measured: width } = measured(blank, [piece], raster, factsOf(raster), 'thin');
        return Math.abs(Number(width) - 4 * DOT * scale) < 1e-9;
      }),
      runs(8),
    );
  });
});

/** Facts with the flaws that are found in a raster, as a file would have them. */
const flawed = (raster: Raster): Facts => factsOf(raster, { flaws: findFlaws(raster) });

describe('what nobody meant to print', () => {
  const blank = sheet('coaster');
  const blob = (x: number, y: number) =>
    Math.hypot(x - 150, y - 110) < 60 ? ([30, 60, 90, 255] as const) : CLEAR;

  test('specks and pinholes are counted, with their area; cleaned up they are gone', () => {
    const raster = paint(300, 220, (x, y) => {
      if (x >= 10 && x < 13 && y >= 10 && y < 12) return [0, 0, 0, 255];
      if (x >= 150 && x < 152 && y >= 100 && y < 102) return CLEAR;
      return blob(x, y);
    });
    const facts = flawed(raster);
    const finding = measured(blank, [placed(raster)], raster, facts, 'specks');
    expect(finding).toMatchObject({ verdict: 'look', measured: 2 });
    expect(finding.message).toContain('1 stray speck, 1 pinhole');
    expect(finding.message).toContain(`${(10 * DOT * DOT).toFixed(2)} mm²`);
    expect(mended(blank, finding, raster, facts).map(({ verdict }) => verdict)).toEqual(['ready']);
    const twin = paint(300, 220, blob);
    expect(measured(blank, [placed(twin)], twin, flawed(twin), 'specks').verdict).toBe('ready');
  });

  test('a guide from edge to edge is certain; closed over it is gone', () => {
    const raster = paint(300, 220, (x, y) =>
      y === 50 ? [255, 0, 255, 255] : [200 - (x >> 2), 180, 90, 255],
    );
    const facts = flawed(raster);
    const finding = measured(blank, [placed(raster, { role: 'ground' })], raster, facts, 'leftover');
    expect(finding).toMatchObject({ verdict: 'fix', measured: 1 });
    expect(finding.place!.top).toBeCloseTo(15 + (50 - 110) * DOT, 1);
    expect(mended(blank, finding, raster, facts).map(({ verdict }) => verdict)).toEqual(['ready']);
  });
});

describe('contrast', () => {
  /** A square, its left half in one colour, its right half in another. */
  const halves = paint(200, 200, (x, y) => {
    if (x < 50 || x >= 150 || y < 50 || y >= 150) return CLEAR;
    return x < 100 ? ([...NAVY] as [number, number, number, number]) : [240, 200, 40, 255];
  });
  const colours = [colour('white', '#ffffff'), colour('navy', '#14224a')];

  test('half of the outline melts into one colour and none into the other, told apart', () => {
    const blank = sheet('shirt', { colours });
    const on = (id: string) =>
      findingOf(
        makeDocket(blank, { ...fitOf(blank, [placed(halves)]), colourId: id }, { ...shown(halves), press }),
        'contrast',
      );
    expect(on('white')).toMatchObject({ verdict: 'ready', measured: 0 });
    const melting = on('navy');
    expect(melting.verdict).toBe('fix');
    expect(Number(melting.measured)).toBeCloseTo(50, 0);
    expect(melting.message).toContain('navy');
    expect(melting.place!.right).toBeCloseTo(20, 1);
    expect(melting.byLook).toEqual([
      { id: 'white', verdict: 'ready' },
      { id: 'navy', verdict: 'fix' },
    ]);
  });

  test('an opaque picture borders on the product all round, but not where it is cut off', () => {
    const raster = solid(200, 200, [...NAVY]);
    const on = sheet('shirt', { colours: [colour('navy', '#14224a')] });
    const whole = measured(on, [placed(raster)], raster, factsOf(raster), 'contrast');
    expect(whole).toMatchObject({ verdict: 'fix', measured: expect.closeTo(100, 6) as number });
    const { findings } = docketOf(on, [pieceAt(20, 15, 60, 60)], raster);
    expect(findings.some(({ rule }) => rule === 'contrast')).toBe(false);
  });

  test('every colour is told of at once, and the verdict goes by the fit’s own', () => {
    const blank = sheet('shirt', { colours });
    const docket = docketOf(blank, [placed(halves)], halves);
    expect(docket.looks.map(({ id, verdict }) => [id, verdict])).toEqual([
      ['white', docket.verdict],
      ['navy', 'fix'],
    ]);
    expect(docket.looks[1]!.why).toContain('contrast');
    expect(docketOf(blank, [placed(halves)], halves, factsOf(halves), { everyColour: true }).verdict).toBe(
      'fix',
    );
  });

  test('states all count', () => {
    const states = [colour('cold', '#101010'), colour('hot', '#f4d040')];
    const finding = measured(
      sheet('coaster', { states }),
      [placed(halves)],
      halves,
      factsOf(halves),
      'contrast',
    );
    expect(finding.verdict).toBe('fix');
  });
});

describe('same as the product', () => {
  const cream = colour('cream', '#efe6d2');
  const pouch = sheet('pouch', { colours: [cream], contents: [] });

  test('cream lettering on navy on a cream pouch is found, and knocked out the pouch shows', () => {
    const text = textOf({ colour: '#efe6d2' }, 8);
    const pieces: Piece[] = [newFill('navy', '#14224a'), text];
    const raster = solid(4, 4);
    const finding = measured(pouch, pieces, raster, factsOf(raster), 'same-as-product');
    expect(finding.verdict).toBe('fix');
    expect(finding.remedies[0]!.label).toContain('lettering');
    const [after] = mended(pouch, finding, raster);
    expect(after!.verdict).toBe('ready');
    const { pieces: knocked } = finding.remedies[0]!;
    expect(knocked.find(({ id }) => id === 'text')).toMatchObject({ knockout: true });
    // The print file is clear where the letters are, and navy all round them.
    const size = { width: 400, height: 300 };
    const print = renderFace(pouch.faces[0]!, knocked, shown(raster), { pixels: size });
    const stem = textStem(text);
    expect(pixelAt(print, Math.round(stem.x * 10), Math.round(stem.y * 10))[3]).toBe(0);
    expect(pixelAt(print, 5, 5)).toEqual([20, 34, 74, 255]);
  });

  test('as much of an artwork as has the colour, and what lies under it is cut too', () => {
    const raster = paint(200, 200, (x, y) =>
      x >= 60 && x < 140 && y >= 60 && y < 140 ? [0xef, 0xe6, 0xd2, 255] : [20, 34, 74, 255],
    );
    const pieces = [newFill('navy', '#14224a'), placed(raster)];
    const finding = measured(pouch, pieces, raster, factsOf(raster), 'same-as-product');
    const truth = (80 * DOT) ** 2;
    expect(Math.abs(Number(finding.measured) / truth - 1)).toBeLessThan(0.02);
    expect(finding.place!.left).toBeCloseTo(20 - 40 * DOT, 1);
    expect(mended(pouch, finding, raster).map(({ verdict }) => verdict)).toEqual(['ready']);
  });

  test('white on white paper takes no ink and is none of it', () => {
    const raster = solid(200, 200, [255, 255, 255, 255]);
    const paper = sheet('pouch', { colours: WHITE, contents: [] });
    const pieces = [newFill('under', '#a0b0c0'), placed(raster)];
    expect(measured(paper, pieces, raster, factsOf(raster), 'same-as-product').verdict).toBe('ready');
    // By itself, nothing lies over anything.
    expect(docketOf(paper, [placed(raster)], raster).findings.map(({ rule }) => rule)).not.toContain(
      'same-as-product',
    );
  });
});

describe('inks', () => {
  const paper = sheet('sticker-75', { colours: WHITE });

  test('black as it comes from black ink alone: area, recipe, its sum, why grey; the remedy puts it on the recipe', () => {
    const raster = paint(236, 236, (x, y) => (x < 118 && y < 118 ? [0, 0, 0, 255] : [120, 150, 170, 255]));
    const finding = measured(paper, [placed(raster)], raster, factsOf(raster), 'black');
    expect(finding.verdict).toBe('look');
    expect(Math.abs(Number(finding.measured) / (118 * DOT) ** 2 - 1)).toBeLessThan(0.02);
    expect(finding.message).toMatch(
      /12\/0\/56\/98, 166 % in all.*lets the paper through.*60\/50\/50\/100, 260 % in all/,
    );
    expect(mended(paper, finding, raster).map(({ verdict, measured: area }) => [verdict, area])).toEqual([
      ['ready', 0],
    ]);
    const small = paint(236, 236, (x, y) => (x < 50 && y < 50 ? [0, 0, 0, 255] : [120, 150, 170, 255]));
    expect(measured(paper, [placed(small)], small, factsOf(small), 'black').verdict).toBe('ready');
  });

  test('ink over the limit by its share of the print and its largest sum', () => {
    const strict = { ...paper, limits: { ...paper.limits, totalInk: 150 } };
    const raster = paint(200, 200, (x) => (x < 50 ? [30, 60, 20, 255] : [255, 255, 250, 255]));
    const finding = measured(strict, [placed(raster)], raster, factsOf(raster), 'total-ink');
    expect(finding.verdict).toBe('fix');
    expect(finding.shown.required).toContain('25.0 %');
    expect(measured(paper, [placed(raster)], raster, factsOf(raster), 'total-ink').verdict).toBe('ready');
  });

  test('a file that holds more ink of its own than the material does: that it is made anew is said', () => {
    const raster = paint(200, 200, (x) => (x < 50 ? [30, 60, 20, 255] : [255, 255, 250, 255]));
    const limit = paper.limits.totalInk!;
    const of = (totalInk: number) =>
      measured(paper, [placed(raster)], raster, factsOf(raster, { totalInk }), 'total-ink');
    expect(of(limit).verdict).toBe('ready');
    expect(of(limit + 1).verdict).toBe('look');
    expect(of(340).message).toMatch(
      /holds up to 340 % of its own: its colours are kept, and its inks are made anew/,
    );
    const colour = { mode: 'cmyk', bits: 8, profile: 'Coated' } as const;
    const modeAt = (house: ResolvedBlank) =>
      measured(house, [placed(raster)], raster, factsOf(raster, { colour }), 'colour-mode').message;
    expect(modeAt(taking(paper, ['cmyk']))).toMatch(/read by its own profile, and its inks are made anew/);
    expect(modeAt(taking(paper, ['rgb', 'cmyk']))).toMatch(
      /read by its own profile, and the file is made in RGB/,
    );
    expect(modeAt(taking(paper, ['rgb']))).toMatch(/will be converted to RGB/);
  });

  test('colours the inks cannot reach', () => {
    const raster = paint(200, 200, (x) => (x < 50 ? [0, 255, 0, 255] : [128, 110, 100, 255]));
    const finding = measured(paper, [placed(raster)], raster, factsOf(raster), 'gamut');
    expect(finding).toMatchObject({ verdict: 'look', measured: expect.closeTo(25, 0) as number });
    expect(finding.place!.right).toBeCloseTo(20 - 50 * DOT, 1);
    const dull = solid(200, 200, [128, 110, 100, 255]);
    expect(measured(paper, [placed(dull)], dull, factsOf(dull), 'gamut').verdict).toBe('ready');
  });

  test('six flat inks for four screens; merged into the nearest there are four', () => {
    const inks = [
      [200, 30, 30],
      [30, 60, 160],
      [240, 200, 40],
      [20, 120, 60],
      [230, 120, 30],
      [90, 40, 110],
    ] as const;
    const raster = paint(
      240,
      160,
      (x) => [...inks[Math.floor(x / 40)]!, 255] as [number, number, number, number],
    );
    const screen = sheet('shirt-screen', { colours: WHITE });
    const finding = measured(screen, [placed(raster)], raster, factsOf(raster), 'ink-count');
    expect(finding).toMatchObject({ verdict: 'fix', measured: 6, required: 4 });
    expect(mended(screen, finding, raster).map(({ verdict, measured: count }) => [verdict, count])).toEqual([
      ['ready', 4],
    ]);
  });
});

describe('lettering', () => {
  const blank = sheet('shirt', { colours: WHITE });
  const raster = solid(4, 4);
  const lines = (pieces: Piece[], unit: string, on = blank) =>
    by('text', on, pieces, raster).find((one) => one.unit === unit);
  const dark = [newFill('ground', '#202020')];

  test('caps under the method’s smallest; set larger they hold', () => {
    const finding = lines([textOf({}, 1.8)], 'mm')!;
    expect(finding).toMatchObject({
      verdict: 'fix',
      measured: expect.closeTo(1.8, 2) as number,
      required: 2.5,
    });
    const larger = by('text', blank, finding.remedies[0]!.pieces, raster);
    expect(larger.map(({ measured: cap }) => cap)).not.toContain(1.8);
  });

  test('strokes under the method’s thinnest, thickened', () => {
    const thin = { ...blank, limits: { ...blank.limits, capHeight: 1, stroke: 1.4 } };
    const finding = lines([textOf({}, 5)], 'mm', thin)!;
    expect(finding).toMatchObject({
      verdict: 'fix',
      shown: { measured: expect.stringMatching(/^stroke/) as string },
    });
    const after = lines(finding.remedies[0]!.pieces as Piece[], 'mm', thin);
    expect(after?.verdict ?? 'ready').toBe('ready');
  });

  test('dark on dark is hard to read; each remedy makes it read', () => {
    const finding = lines([...dark, textOf({ colour: '#303030' }, 8)], 'ratio')!;
    expect(finding.verdict).toBe('fix');
    expect(Number(finding.measured)).toBeCloseTo(1.2, 0);
    expect(finding.remedies.map(({ id }) => id)).toEqual([
      'reading-colour',
      'reading-outline',
      'reading-plate',
    ]);
    for (const { pieces } of finding.remedies)
      expect(lines(pieces as Piece[], 'ratio')?.verdict ?? 'ready').toBe('ready');
  });

  test('black on the white product reads with 21 : 1', () => {
    const findings = by('text', blank, [textOf({}, 8)], raster);
    expect(findings.every(({ verdict }) => verdict === 'ready')).toBe(true);
    expect(lines([...dark, textOf({ colour: '#ffffff' }, 8)], 'ratio')?.verdict ?? 'ready').toBe('ready');
  });
});

describe('pieces astray', () => {
  const blank = sheet('coaster');
  const raster = solid(100, 100, [10, 20, 30, 255]);
  const strayOf = (pieces: Piece[]) => by('stray', blank, pieces, raster);

  test.each<[string, Piece[], string, string]>([
    ['outside', [pieceAt(80, 15, 8, 8)], 'fix', 'outside'],
    ['covered', [pieceAt(20, 15, 8, 8), newFill('over', '#ffffff')], 'look', 'covered'],
    ['doubled', [pieceAt(20, 15, 8, 8), pieceAt(20.1, 15, 8, 8, { id: 'twin' })], 'look', 'doubled'],
  ])('%s', (_, pieces, verdict, word) => {
    const [finding] = strayOf(pieces);
    expect(finding).toMatchObject({ verdict, shown: { measured: word } });
    expect(strayOf(finding!.remedies[0]!.pieces as Piece[]).every((one) => one.verdict === 'ready')).toBe(
      true,
    );
  });

  test('side by side they are in place', () => {
    expect(strayOf([pieceAt(10, 15, 8, 8), pieceAt(30, 15, 8, 8, { id: 'other' })])[0]!.verdict).toBe(
      'ready',
    );
  });
});

describe('read from the front', () => {
  const mug = blankById('mug-325');
  const raster = solid(600, 100);
  const wide = (x: number, width: number) => pieceAt(x, 46, width, 20);
  const front = faceOf(mug).zones.find(({ id }) => id === 'front')!.x;

  test('a motif twice as wide as what reads is half readable, and brought down it is whole', () => {
    const finding = measured(mug, [wide(front, 2 * 82.729)], raster, factsOf(raster), 'read-share');
    expect(finding.verdict).toBe('look');
    expect(Math.abs(Number(finding.measured) - 50)).toBeLessThan(1);
    expect(mended(mug, finding, raster).map(({ verdict }) => verdict)).toEqual(['ready']);
  });

  test('one that fits is read whole, and centred where it is off', () => {
    expect(measured(mug, [wide(front, 80)], raster, factsOf(raster), 'read-share').verdict).toBe('ready');
    const off = measured(mug, [wide(front + 20, 80)], raster, factsOf(raster), 'read-share');
    expect(off.verdict).toBe('look');
    expect(mended(mug, off, raster).map(({ verdict }) => verdict)).toEqual(['ready']);
  });
});

describe('mirrored once', () => {
  const raster = solid(4, 4);
  test('a transfer is turned over by its house; lettering set backwards makes two', () => {
    const blank = sheet('coaster');
    expect(measured(blank, [textOf()], raster, factsOf(raster), 'mirror')).toMatchObject({
      verdict: 'ready',
      measured: 1,
    });
    const finding = measured(blank, [{ ...textOf(), flipped: true }], raster, factsOf(raster), 'mirror');
    expect(finding).toMatchObject({ verdict: 'fix', measured: 2 });
    expect(mended(blank, finding, raster).map(({ verdict }) => verdict)).toEqual(['ready']);
  });
  test('is not listed where nothing is mirrored', () => {
    const { findings } = docketOf(sheet('sticker-75'), [textOf()], raster);
    expect(findings.some(({ rule }) => rule === 'mirror')).toBe(false);
  });
});

describe('what must be on it', () => {
  const raster = solid(4, 4);
  const pouch = sheet('pouch');
  test('is found in the lettering, ticked by hand, or missing', () => {
    const said = textOf({
      lines: [
        { text: 'Net weight 250 g', gap: null },
        { text: 'Best before', gap: null },
      ],
    });
    const finding = measured(pouch, [said], raster, factsOf(raster), 'contents');
    expect(finding).toMatchObject({ verdict: 'fix', measured: 2, required: 3, missing: [{ id: 'maker' }] });
    const fit: Fit = {
      ...fitOf(pouch, [said]),
      ticked: [{ entryId: 'maker', note: 'drawn into the artwork', date: '2026-11-26' }],
    };
    const ticked = findingOf(makeDocket(pouch, fit, { ...shown(raster), press }), 'contents');
    expect(ticked.verdict).toBe('look');
    expect(ticked.message).toContain('drawn into the artwork');
  });
});

describe('whatever is on the face', () => {
  const blank = sheet('shirt', { colours: WHITE });
  const raster = paint(300, 200, (x, y) => {
    if (x < 20 || x >= 270 || y < 30 || y >= 180) return CLEAR;
    if (x >= 150 && x < 154) return CLEAR;
    return x < 100 ? [200, 40, 30, 255] : [30, 60, 120, 255];
  });
  const facts = factsOf(raster);
  const { width } = blank.faces[0]!;
  const told = (pieces: Piece[]) =>
    docketOf(blank, pieces, raster, facts)
      .findings.map(({ rule, verdict, measured, side }) => ({ rule, verdict, measured, side }))
      .sort((a, b) => (a.rule < b.rule ? -1 : 1));
  const at = fc.record({
    x: fc.double({ min: 8, max: 32, noNaN: true }),
    y: fc.double({ min: 8, max: 22, noNaN: true }),
    wide: fc.double({ min: 10, max: 30, noNaN: true }),
  });
  const OTHER = { left: 'right', right: 'left', top: 'top', bottom: 'bottom' } as const;

  test('mirrored, it measures the same on the other side', () => {
    fc.assert(
      fc.property(at, ({ x, y, wide }) => {
        const piece = pieceAt(x, y, wide, wide / 1.5);
        const before = told([piece]);
        const after = told([{ ...piece, x: width - x, flipped: true }]);
        expect(after.map(({ rule }) => rule)).toEqual(before.map(({ rule }) => rule));
        before.forEach(({ verdict, measured, side }, i) => {
          expect(after[i]!.verdict).toBe(verdict);
          if (side) expect(after[i]!.side).toBe(OTHER[side]);
          if (typeof measured === 'number') expect(Number(after[i]!.measured)).toBeCloseTo(measured, 1);
        });
      }),
      runs(6),
    );
  });

  test('scaled, its lengths and areas scale with it, and shares stay', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.5, max: 1, noNaN: true }), (scale) => {
        const find = (factor: number, rule: RuleId) =>
          measured(blank, [pieceAt(20, 15, 30 * factor, 20 * factor)], raster, facts, rule);
        const of = (rule: RuleId) => [find(1, rule), find(scale, rule)].map((one) => Number(one.measured));
        const [ppi, scaledPpi] = of('resolution');
        expect(scaledPpi! * scale).toBeCloseTo(ppi!, 6);
        const [gap, scaledGap] = of('thin');
        expect(scaledGap!).toBeCloseTo(Math.min(0.5, gap! * scale), 6);
        const [melts, scaledMelts] = of('contrast');
        expect(scaledMelts!).toBeCloseTo(melts!, 0);
      }),
      runs(6),
    );
  });

  test('nothing depends on how large its picture on the screen is', () => {
    const pieces = [pieceAt(20, 15, 30, 20)];
    const exact = docketOf(blank, pieces, raster, facts);
    docketOf(blank, pieces, boxShrink(raster, 3, 3), facts, { coarse: 60 });
    expect(docketOf(blank, pieces, { ...raster }, facts).findings).toEqual(exact.findings);
  });
});

describe('a finding that is accepted', () => {
  const blank = sheet('coaster');
  const raster = solid(300, 200);
  const fitAt = (width: number) => fitOf(blank, [pieceAt(20, 15, width, width / 1.5)]);
  const docketAt = (fit: Fit) => makeDocket(blank, fit, { ...shown(raster), press });
  const look = (fit: Fit) =>
    findingOf({ findings: foundBy('resolution', blank, fit, { ...shown(raster), press }) }, 'resolution');

  test('counts as Ready with its reason and date, comes back when it measures otherwise, and can be taken back', () => {
    const fit = fitAt(30);
    expect(look(fit).verdict).toBe('look');
    const accepted = accept(fit, look(fit), 'seen from afar', '2026-11-26');
    expect(look(accepted).accepted).toEqual({ reason: 'seen from afar', date: '2026-11-26' });
    expect(docketAt(fit).verdict).toBe('look');
    expect(docketAt(accepted).verdict).toBe('ready');
    const changed = { ...accepted, faces: fitAt(34).faces };
    expect(look(changed).accepted).toBeUndefined();
    expect(look(unaccept(accepted, look(accepted))).accepted).toBeUndefined();
  });

  test('a Fix is marked as such and stays a Look; what was accepted as a Look is not accepted as a Fix', () => {
    const bad = fitAt(60);
    expect(look(bad).verdict).toBe('fix');
    const accepted = accept(bad, look(bad), 'no matter', '2026-11-26');
    expect(accepted.accepted![0]!.verdict).toBe('fix');
    expect(look(accepted)).toMatchObject({ verdict: 'fix', accepted: { reason: 'no matter' } });
    expect(worst([look(accepted)])).toBe('look');
    expect(worst([look(unaccept(accepted, look(accepted)))])).toBe('fix');
    const milder = { ...look(bad), verdict: 'look' as const };
    expect(look(accept(bad, milder, 'no matter', '2026-11-26')).accepted).toBeUndefined();
  });
});
