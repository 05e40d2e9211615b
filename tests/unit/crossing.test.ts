import fc from 'fast-check';
import { wayRound } from '@/core/blank/kinds';
import { makeDocket } from '@/core/check/docket';
import type { ResolvedBlank } from '@/core/blank/resolve';
import { firstLettering, newText } from '@/core/fit/text';
import type { Piece } from '@/core/fit/schema';
import { layText } from '@/core/type/layout';
import { blankById, docketOf, faceOf, factsOf, findingOf, fitOf, pieceAt, shown } from '../support/fits';
import { paint, solid } from '../support/pictures';
import { face as typeface } from '../support/font';
import { runs } from '../support/long';

const red = solid(400, 400);
const facts = factsOf(red);

function words(x: number, y: number): Piece {
  const lettering = {
    ...firstLettering('archivo-narrow', '#000000', 10),
    lines: [{ text: 'HHHHHHHH', gap: null }],
  };
  return newText('words', lettering, layText(lettering, typeface())!, { x, y });
}

/** A blank whose one face has a round hole of 20 mm at (60, 40). */
function holed(effect: 'hole' | 'cover' = 'hole'): ResolvedBlank {
  const blank = blankById('coaster');
  const face = {
    ...faceOf(blank),
    width: 200,
    height: 120,
    cornerRadius: 0,
    outline: null,
    safe: 3,
    keepOuts: [
      { id: 'knob', name: 'knob', effect, shape: { kind: 'circle' as const, x: 60, y: 40, diameter: 20 } },
    ],
  };
  return { ...blank, faces: [face] };
}

describe('in a keep-out', () => {
  test('a motif over the whole hole has the hole’s area in it, one beside it nothing', () => {
    const over = findingOf(docketOf(holed(), [pieceAt(60, 40, 50, 50)], red), 'keep-out');
    expect(over.verdict).toBe('fix');
    expect(over.measured).toBeCloseTo(Math.PI * 100, 0);
    expect(over.message).toMatch(/“test” has 314\.\d mm² in the knob, where there is a hole/);
    expect(over.place).toMatchObject({ left: expect.closeTo(50, 1), right: expect.closeTo(70, 1) });
    const beside = findingOf(docketOf(holed('cover'), [pieceAt(140, 40, 50, 50)], red), 'keep-out');
    expect(beside).toMatchObject({ verdict: 'ready', measured: 0 });
  });

  test('half over it half of it; what is clear of the picture does not count', () => {
    const half = findingOf(docketOf(holed(), [pieceAt(85, 40, 50, 50)], red), 'keep-out');
    expect(half.measured).toBeCloseTo(Math.PI * 50, 0);
    const ring = paint(400, 400, (x, y) => [9, 9, 9, Math.hypot(x - 199.5, y - 199.5) < 100 ? 0 : 255]);
    const through = findingOf(docketOf(holed(), [pieceAt(60, 40, 50, 50)], ring), 'keep-out');
    expect(through).toMatchObject({ verdict: 'ready' });
  });

  test('the remedy is the least way off it, and then it is clear', () => {
    const finding = findingOf(docketOf(holed(), [pieceAt(72, 45, 20, 20)], red), 'keep-out');
    expect(finding.remedies[0]!.label).toBe('Move 8.1 mm right to clear the knob');
    const mended = docketOf(holed(), finding.remedies[0]!.pieces, red);
    expect(findingOf(mended, 'keep-out').verdict).toBe('ready');
    expect(findingOf(docketOf(holed(), [pieceAt(100, 60, 190, 110)], red), 'keep-out').remedies).toEqual([]);
  });

  test('a sliver of a square millimetre is for a person; a face without one does not list it', () => {
    // A segment of a circle of r = 10 cut off at 0.2 mm is 0.53 mm2, and every pixel that is touched counts.
    const sliver = findingOf(docketOf(holed(), [pieceAt(94.8, 40, 50, 50)], red), 'keep-out');
    expect(sliver.verdict).toBe('look');
    expect(sliver.measured).toBeGreaterThan(0.3);
    expect(sliver.measured).toBeLessThan(1);
    const mug = docketOf(blankById('mug-325'), [pieceAt(60, 40, 20, 20)], red, facts, 300);
    expect(mug.findings.map(({ rule }) => rule)).not.toContain('keep-out');
  });
});

describe('across a fold', () => {
  const leaflet = blankById('leaflet');
  const sheet = leaflet.faces.find(({ folds }) => folds.length > 0)!;
  const [fold] = sheet.folds;
  const docket = (pieces: Piece[]) =>
    makeDocket(
      leaflet,
      { ...fitOf(leaflet, []), faces: [{ faceId: sheet.id, pieces }] },
      { ...shown(red, facts), coarse: 900 },
    );

  test('so many mm of a motif; lettering never; clear of it nothing', () => {
    const motif = findingOf(docket([pieceAt(fold!, 60, 40, 30)]), 'fold');
    expect(motif.verdict).toBe('look');
    expect(motif.measured).toBeCloseTo(30, 0);
    const text = findingOf(docket([words(fold!, 60)]), 'fold');
    expect(text.verdict).toBe('fix');
    expect(text.message).toMatch(/lettering there cannot be read/);
    expect(findingOf(docket([pieceAt(fold! / 2, 60, 40, 30)]), 'fold')).toMatchObject({
      verdict: 'ready',
      measured: 0,
    });
  });

  test('moved off by the least, it is clear of every fold', () => {
    const finding = findingOf(docket([pieceAt(fold! + 4, 60, 40, 30)]), 'fold');
    expect(finding.remedies[0]!.label).toMatch(/^Move 16\.\d mm right to clear the fold$/);
    expect(findingOf(docket(finding.remedies[0]!.pieces), 'fold').verdict).toBe('ready');
  });
});

describe('across the seam', () => {
  const tumbler = blankById('tumbler-470');
  const face = faceOf(tumbler);
  const around = wayRound(tumbler.blank.body, face)!;
  const check = (piece: Piece) => findingOf(docketOf(tumbler, [piece], red, facts, 700), 'seam-crossing');

  test('at either end of the wrap; in the middle nothing', () => {
    for (const x of [0, around]) {
      const finding = check(pieceAt(x, 60, 30, 24));
      expect(finding.verdict).toBe('look');
      expect(finding.measured).toBeCloseTo(24, 0);
    }
    expect(check(pieceAt(around / 2, 60, 30, 24))).toMatchObject({ verdict: 'ready', measured: 0 });
    expect(check(words(0, 60)).verdict).toBe('fix');
  });

  test('wherever a motif lies, it crosses only where its extent does', () => {
    fc.assert(
      fc.property(fc.double({ min: -40, max: around + 40, noNaN: true }), (x) => {
        const crosses = [0, around].some((line) => Math.abs(x - line) < 15 - 0.5);
        const apart = [0, around].every((line) => Math.abs(x - line) > 15 + 0.5);
        const { measured } = check(pieceAt(x, 60, 30, 24));
        if (crosses) expect(measured).toBeGreaterThan(20);
        if (apart) expect(measured).toBe(0);
      }),
      runs(40),
    );
  });

  test('a mug with a handle has no seam to cross', () => {
    const docket = docketOf(blankById('mug-325'), [pieceAt(0, 40, 20, 20)], red, facts, 300);
    expect(docket.findings.map(({ rule }) => rule)).not.toContain('seam-crossing');
  });
});
