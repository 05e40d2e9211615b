import { worst, type Finding, type RuleId } from '@/core/check/finding';
import { makeDocket } from '@/core/check/docket';
import { findingsOf } from '@/core/check/face-findings';
import { summaryOf } from '@/core/check/summary';
import { HALVES, RULES, ruleName } from '@/core/check/registry';
import { coverBleed, newFill, scalePiece } from '@/core/fit/place';
import type { ArtworkPiece, FillPiece, Piece } from '@/core/fit/schema';
import {
  blankById,
  docketOf,
  faceOf,
  factsOf,
  findingOf,
  fitOf,
  foundBy,
  pieceAt,
  shown,
} from '../support/fits';
import { CLEAR, paint, RED, solid } from '../support/pictures';

const mug = blankById('mug-325');
const face = faceOf(mug);
const sticker = blankById('sticker-75');
const picture = solid(3000, 2000);
const facts = factsOf(picture);
const covering = coverBleed(pieceAt(0, 0, 30, 20, { role: 'ground' }), facts, face);
const fill = newFill('fill', '#ffffff');

const only = (
  rule: RuleId,
  blank: typeof mug,
  pieces: readonly Piece[],
  raster: typeof picture,
  known = factsOf(raster),
): Finding => findingOf({ findings: foundBy(rule, blank, fitOf(blank, pieces), shown(raster, known)) }, rule);

/** The remedy's pieces measured again: a remedy is checked, not believed. */
function after(
  blank: typeof mug,
  finding: ReturnType<typeof findingOf>,
  raster = picture,
  known = factsOf(raster),
) {
  return only(finding.rule, blank, finding.remedies[0]!.pieces, raster, known);
}

describe('resolution', () => {
  const motif = (width: number) => pieceAt(111, 46, width, width / 1.5);
  test.each([
    [200, 'ready', 381],
    [254, 'ready', 300],
    [300, 'look', 254],
    [600, 'fix', 127],
  ])('3,000 pixels over %d mm: %s', (width, verdict, ppi) => {
    const finding = only('resolution', mug, [motif(width)], picture, facts);
    expect(finding).toMatchObject({ verdict, unit: 'PPI', required: 300 });
    expect(finding.measured).toBeCloseTo(ppi, 0);
  });

  test('the largest honest size mends it', () => {
    const finding = only('resolution', mug, [motif(600)], picture, facts);
    expect(finding.remedies[0]!.label).toContain('254.0 mm wide');
    expect(after(mug, finding, picture, facts)).toMatchObject({ verdict: 'ready' });
  });

  test('is the worse axis of a stretched piece', () => {
    expect(only('resolution', mug, [pieceAt(111, 46, 127, 127)], picture, facts).measured).toBeCloseTo(
      400,
      6,
    );
  });

  test('names each piece that is not ready', () => {
    const two = [motif(300), { ...motif(600), id: 'other' }];
    const findings = foundBy('resolution', mug, fitOf(mug, two), shown(picture, facts));
    expect(findings.map(({ pieceId }) => pieceId).sort()).toEqual(['other', 'piece']);
  });
});

describe('bleed', () => {
  const bleedOf = (pieces: (ArtworkPiece | FillPiece)[], raster = picture) =>
    only('bleed', mug, pieces, raster);

  test('on a product without a bleed no share of one is told', () => {
    const tee = blankById('shirt-child');
    const { width, height } = faceOf(tee);
    const short = pieceAt(width / 2 + 1, height / 2, width, height, { role: 'ground' });
    expect(only('bleed', tee, [short], solid(300, 360)).shown).toEqual({
      measured: '1.0 mm short',
      required: 'left edge',
    });
    const mugs = { ...covering, x: covering.x + 8 };
    expect(only('bleed', mug, [mugs], picture, facts).shown.required).toMatch(
      /^left edge, \d\d\.\d % covered$/,
    );
  });

  test('is listed only where there is a ground', () => {
    const { findings } = docketOf(mug, [pieceAt(111, 46, 60, 40)], picture);
    expect(findings.some(({ rule }) => rule === 'bleed')).toBe(false);
  });

  test('a picture or a colour over the whole is Ready', () => {
    expect(bleedOf([covering])).toMatchObject({ verdict: 'ready', measured: 0 });
    expect(bleedOf([fill])).toMatchObject({ verdict: 'ready', measured: 0 });
  });

  test.each([
    ['top', 0, 1],
    ['bottom', 0, -1],
    ['left', 1, 0],
    ['right', -1, 0],
  ] as const)('a gap of 4.1 mm at the %s is found there, to a pixel', (side, dx, dy) => {
    const exact = {
      ...covering,
      width: 226.186,
      height: 96,
      x: face.width / 2 + dx * 4.1,
      y: face.height / 2 + dy * 4.1,
    };
    const finding = bleedOf([exact]);
    expect(finding).toMatchObject({ verdict: 'fix', side });
    expect(Number(finding.measured)).toBeGreaterThanOrEqual(4.1 - 0.085);
    expect(Number(finding.measured)).toBeLessThanOrEqual(4.1 + 0.085);
    expect(finding.place).toBeDefined();
  });

  test('up to 0.2 mm is for a person to decide', () => {
    expect(bleedOf([{ ...covering, width: 226.186, height: 96, y: face.height / 2 - 0.16 }])).toMatchObject({
      verdict: 'look',
      side: 'bottom',
    });
  });

  test('a picture set in from every side falls short on every side alike', () => {
    const finding = bleedOf([{ ...covering, width: 216.186, height: 86 }]);
    expect(Number(finding.measured)).toBeCloseTo(5, 0);
  });

  test('nothing that covers anything is a gap to the middle', () => {
    expect(bleedOf([{ ...covering, x: 900 }])).toMatchObject({ verdict: 'fix', measured: 48 });
  });

  test('extending mends it', () => {
    const finding = bleedOf([scalePiece(covering, facts, 0.6)]);
    expect(finding.verdict).toBe('fix');
    expect(finding.remedies[0]!.label).toMatch(/^Extend the ground .* mm to the bleed/);
    expect(after(mug, finding)).toMatchObject({ verdict: 'ready', measured: 0 });
  });

  test('a hole in the picture is no gap at the edge; a clear corner is', () => {
    const holed = paint(300, 200, (x, y) => (Math.hypot(x - 150, y - 100) < 30 ? CLEAR : RED));
    const ground = coverBleed(pieceAt(0, 0, 30, 20, { role: 'ground' }), factsOf(holed), face);
    expect(bleedOf([ground], holed)).toMatchObject({ verdict: 'ready' });
    const cornerless = paint(226, 96, (x, y) => (x + y < 12 ? CLEAR : RED));
    const short = bleedOf([{ ...covering, width: 226.186, height: 96 }], cornerless);
    expect(short.verdict).toBe('fix');
    expect(Number(short.measured)).toBeGreaterThan(5);
    expect(Number(short.measured)).toBeLessThan(12);
  });

  test('a round sticker is measured along its own edge', () => {
    const round = (radius: number) => {
      const disc = paint(400, 400, (x, y) => (Math.hypot(x - 199.5, y - 199.5) < radius ? RED : CLEAR));
      const piece = pieceAt(37.5, 37.5, 79, 79, { role: 'ground' });
      return only('bleed', sticker, [piece], disc);
    };
    expect(round(210)).toMatchObject({ verdict: 'ready' });
    expect(Number(round(190).measured)).toBeCloseTo(39.5 - (190 / 400) * 79, 0);
  });
});

describe('safe', () => {
  const safeOf = (piece: ArtworkPiece, raster = picture, blank = mug) => only('safe', blank, [piece], raster);

  test('inside is Ready and says how far', () => {
    const finding = safeOf(pieceAt(111, 46, 90, 60));
    expect(finding).toMatchObject({ verdict: 'ready', measured: 0 });
    expect(finding.shown.measured).toBe('12.0 mm inside');
  });

  test('between safe edge and trim is Look, past the trim Fix, with side and millimetres', () => {
    const near = safeOf(pieceAt(2 + 45, 46, 90, 60));
    expect(near).toMatchObject({ verdict: 'look', side: 'left' });
    expect(near.measured).toBeCloseTo(2, 0);
    const past = safeOf(pieceAt(111, 46 + 22, 90, 60));
    expect(past).toMatchObject({ verdict: 'fix', side: 'bottom' });
    expect(past.measured).toBeCloseTo(10, 0);
  });

  test('a piece exactly on the safe edge is inside', () => {
    expect(safeOf(pieceAt(4 + 45, 46, 90, 60))).toMatchObject({ verdict: 'ready', measured: 0 });
  });

  test('only pixels that are there count: a clear margin may reach past', () => {
    const disc = paint(300, 300, (x, y) => (Math.hypot(x - 149.5, y - 149.5) < 140 ? RED : CLEAR));
    const finding = safeOf(pieceAt(37.5, 37.5, 70, 70), disc, sticker);
    expect(finding.verdict).toBe('ready');
    expect(finding.shown.measured).toMatch(/^1\.[678] mm inside$/);
  });

  test('its remedies bring it inside', () => {
    for (const piece of [pieceAt(111, 46 + 22, 90, 60), pieceAt(111, 46, 240, 160)]) {
      const finding = safeOf(piece);
      expect(finding.verdict).toBe('fix');
      expect(after(mug, finding)).toMatchObject({ verdict: 'ready' });
    }
  });
});

describe('centre', () => {
  const front = face.zones[1]!;
  const centreOf = (dx: number, dy = 20) =>
    only('centre', mug, [pieceAt(front.x + dx, front.y + dy, 60, 40)], picture);

  test.each([
    [0, 'ready', 0],
    [0.15, 'ready', 0.15],
    [2, 'look', 2],
    [-2.9, 'look', 2.9],
    [3.5, 'ready', 0],
  ])('%d mm off: %s', (dx, verdict, measured) => {
    const finding = centreOf(dx);
    expect(finding.verdict).toBe(verdict);
    expect(finding.measured).toBeCloseTo(measured, 6);
  });

  test('down counts as across does, and the remedy centres', () => {
    const finding = centreOf(0, -1);
    expect(finding).toMatchObject({ verdict: 'look' });
    expect(finding.message).toContain('too far up');
    expect(after(mug, finding)).toMatchObject({ verdict: 'ready', measured: 0 });
  });
});

describe('colour mode', () => {
  const modeOf = (mode: 'rgb' | 'cmyk' | 'grey' | 'indexed', profile: string | null, blank = mug) => {
    const coloured = factsOf(picture, { colour: { mode, bits: 8, profile } });
    return only('colour-mode', blank, [pieceAt(111, 46, 60, 40)], picture, coloured);
  };

  test('accepted as it is, converted, or not to be converted', () => {
    expect(modeOf('rgb', null).verdict).toBe('ready');
    expect(modeOf('indexed', null).verdict).toBe('ready');
    expect(modeOf('grey', null).verdict).toBe('look');
    expect(modeOf('grey', null, blankById('shirt')).verdict).toBe('ready');
    expect(modeOf('cmyk', 'Some press').verdict).toBe('look');
    expect(modeOf('cmyk', null).verdict).toBe('fix');
  });

  test('a house that takes inks alone is given them, one that takes neither cannot be served', () => {
    const taking = (mode: 'cmyk' | 'lab') => {
      const modes = { value: [mode], source: { kind: 'house' as const } };
      return { ...mug, spec: { ...mug.spec, files: { ...mug.spec.files, modes } } };
    };
    const inks = modeOf('rgb', null, taking('cmyk'));
    expect(inks.verdict).toBe('look');
    expect(inks.message).toContain('converted to the house’s inks');
    expect(modeOf('rgb', null, taking('lab')).verdict).toBe('fix');
    expect(modeOf('cmyk', 'Some press', taking('cmyk')).verdict).toBe('ready');
    const unnamed = modeOf('cmyk', null, taking('cmyk'));
    expect(unnamed.verdict).toBe('look');
    expect(unnamed.message).toContain('taken for the house’s own');
  });
});

describe('file', () => {
  const fileOf = (blank: typeof mug, pieces: (ArtworkPiece | FillPiece)[]) =>
    only('file-spec', blank, pieces, picture);
  const small = pieceAt(37.5, 37.5, 30, 20);

  test('meets the house, rests on an assumed number, or does not', () => {
    expect(fileOf(mug, [covering])).toMatchObject({ verdict: 'ready', measured: 0 });
    const tumbler = fileOf(blankById('tumbler-470'), [fill]);
    expect(tumbler).toMatchObject({ verdict: 'look' });
    expect(tumbler.message).toContain('assumed bleed');
    expect(fileOf(sticker, [small])).toMatchObject({ verdict: 'fix', measured: 1 });
  });

  test('a white ground mends clear parts', () => {
    const finding = fileOf(sticker, [small]);
    expect(after(sticker, finding)).toMatchObject({ verdict: 'ready' });
  });

  test('says the file that the house will get, in the format and mode that it takes', () => {
    const asking = (change: Partial<(typeof mug)['spec']['files']>) =>
      fileOf({ ...mug, spec: { ...mug.spec, files: { ...mug.spec.files, ...change } } }, [covering]);
    const from = <T>(value: T) => ({ value, source: { kind: 'house' as const } });
    expect(asking({ formats: from(['tiff']) }).shown.required).toBe('TIFF, 300 PPI, sRGB, at most 50 MB');
    const inks = asking({ formats: from(['png', 'pdf']), modes: from(['cmyk']) });
    expect(inks).toMatchObject({
      verdict: 'ready',
      shown: { required: 'PDF, 300 PPI, CMYK, at most 50 MB' },
    });
    const none = asking({ formats: from(['png']), modes: from(['cmyk']) });
    expect(none).toMatchObject({ verdict: 'fix', word: 'Format' });
    expect(none.message).toContain('takes no TIFF: choose PNG');
  });

  test.each([
    ['live-text', 'Live text'],
    ['spots', 'Spot colours'],
    ['mixed', 'RGB and CMYK'],
  ])('%s in an artwork is told of, for a person to decide', (code, word) => {
    const noted = { ...facts, notes: [{ code, message: 'Look at it.' }] };
    const finding = only('file-spec', mug, [covering], picture, noted);
    expect(finding).toMatchObject({
      verdict: 'look',
      word,
      message: expect.stringContaining('Look at it.') as string,
    });
    const other = { ...facts, notes: [{ code: 'pages', message: 'Two pages.' }] };
    expect(only('file-spec', mug, [covering], picture, other).verdict).toBe('ready');
  });
});

describe('the docket', () => {
  test('is as bad as its worst finding, and that one speaks for it', () => {
    expect(worst([])).toBe('ready');
    const docket = docketOf(mug, [pieceAt(111, 46 + 22, 90, 60)], picture, facts);
    expect(docket).toMatchObject({ verdict: 'fix', exact: true });
    expect(summaryOf(docket).findings[0]?.rule).toBe('safe');
  });

  test('coarse numbers come from a smaller grid, say so, and agree', () => {
    const pieces = [{ ...covering, width: 226.186, height: 96, y: face.height / 2 - 4 }];
    const coarse = makeDocket(mug, fitOf(mug, pieces), {
      facts: () => facts,
      pixels: () => picture,
      coarse: 640,
    });
    expect(coarse.exact).toBe(false);
    const finding = findingOf(coarse, 'bleed');
    expect(finding).toMatchObject({ verdict: 'fix', side: 'bottom' });
    expect(Math.abs(Number(finding.measured) - 4)).toBeLessThan(0.4);
  });

  test('lengths are said in the seller’s unit', () => {
    const unit = { unit: 'in', inches: 'decimal' } as const;
    const docket = makeDocket(mug, fitOf(mug, [pieceAt(111, 46, 90, 60)]), {
      facts: () => facts,
      pixels: () => picture,
      unit,
    });
    expect(findingOf(docket, 'safe').shown.measured).toBe('0.472 in inside');
  });

  test('of two halves of the rules, measured apart, is the one of all of them', () => {
    expect(new Set(HALVES.flat())).toEqual(new Set(RULES));
    expect(HALVES.flat()).toHaveLength(RULES.length);
    const label = blankById('label-bottle');
    const picture = paint(300, 400, (x, y) => [
      x % 256,
      y % 256,
      90,
      x < 3 ? 120 : (x * y) % 17 === 0 ? 0 : 255,
    ]);
    const faces = label.faces.map(({ id }, i) => ({
      faceId: id,
      pieces: [pieceAt(40 + 9 * i, 55, 78, 104)],
    }));
    const fit = { ...fitOf(label, []), faces };
    const own = shown(picture);
    const halves = HALVES.map((rules) => findingsOf(label, fit, own, rules));
    const whole = makeDocket(label, fit, own);
    expect(new Set(whole.findings.map(({ faceId }) => faceId)).size).toBe(2);
    expect(halves.map((half) => half.length > 0)).toEqual([true, true]);
    expect(whole.verdict).toBe('fix');
    expect(makeDocket(label, fit, own, halves.flat())).toEqual(whole);
  });

  test('an empty face has nothing to measure', () => {
    expect(docketOf(mug, [], picture).findings).toEqual([]);
  });

  test('every rule has a name of its own', () => {
    expect(new Set(RULES.map(({ id }) => ruleName(id))).size).toBe(RULES.length);
  });
});
