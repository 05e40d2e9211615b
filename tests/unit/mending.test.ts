import { makeDocket } from '@/core/check/docket';
import { isOpen } from '@/core/check/finding';
import { RULES, wayOn } from '@/core/check/registry';
import type { Fit, Piece } from '@/core/fit/schema';
import { isMendable, mendAll } from '@/core/many/mend-all';
import type { Raster } from '@/core/raster/raster';
import { blankById, docketOf, factsOf, findingOf, fitOf, pieceAt, sheetOf, shown } from '../support/fits';
import { paint, solid } from '../support/pictures';
import { longTest } from '../support/long';

/** Every finding has a way on; what can be mended is, all at once. */

test('every rule says what a person does about it, as a sentence', () => {
  for (const { id, way } of RULES) {
    expect(way).toMatch(/^[A-Z“][^.]{8,}\.$/);
    expect(wayOn(id)).toBe(way);
  }
});

describe('true detail', () => {
  const raster = solid(1200, 800);
  const facts = factsOf(raster, { detail: { scale: 0.4, sure: true } });
  const sheet = sheetOf('coaster', { width: 140, height: 100, target: 300, floor: 150 });
  const detail = (piece: Piece) => findingOf(docketOf(sheet, [piece], raster, facts), 'true-detail');

  test('a motif goes down to the size that its detail is enough for; a ground has the sentence', () => {
    const [remedy] = detail(pieceAt(70, 50, 120, 80)).remedies;
    expect(remedy!.id).toBe('honest-size');
    const [smaller] = remedy!.pieces as [Piece & { width: number }];
    // 1200 px, of which 40 % carry detail, at three quarters of 300 PPI.
    expect(smaller.width).toBeCloseTo(((1200 * 0.4) / 225) * 25.4, 6);
    expect(detail(smaller)).toMatchObject({ verdict: 'ready', remedies: [] });
    expect(detail(pieceAt(70, 50, 160, 107, { role: 'ground' })).remedies).toEqual([]);
  });
});

describe('a seam', () => {
  const tumbler = blankById('tumbler-470');
  const face = tumbler.faces[0]!;
  /** Dark at the left and light at the right. */
  const ramp: Raster = paint(600, 400, (x) => [40 + x / 3, 90, 160 - x / 5, 255]);

  longTest(
    'a ground whose ends do not meet is laid mirrored round the wrap, as often as it takes, and then they do',
    () => {
      for (const share of [1.1, 0.52, 0.27]) {
        const ground = pieceAt(
          face.width / 2,
          face.height / 2,
          face.width * share,
          face.width * share * 0.7,
          {
            role: 'ground',
          },
        );
        const bad = findingOf(docketOf(tumbler, [ground], ramp), 'seam');
        const remedy = bad.remedies.find(({ id }) => id === 'mirror-round');
        if (share > 1) expect(bad.verdict).toBe('fix');
        if (!remedy) {
          expect(bad.verdict).toBe('ready');
          continue;
        }
        expect(remedy.label).toMatch(/^Lay it \d+ times round, every other one mirrored/);
        expect(findingOf(docketOf(tumbler, remedy.pieces, ramp), 'seam').verdict).toBe('ready');
      }
    },
  );
});

describe('mending all', () => {
  const raster = solid(900, 600);
  const sheet = sheetOf('coaster', { width: 60, height: 40, bleed: 2, safe: 3, target: 300, floor: 150 });
  const options = shown(raster, factsOf(raster));
  const docket = (fit: Fit) => makeDocket(sheet, fit, options);
  let steps = 0;
  const measure = (fit: Fit) => {
    steps++;
    return Promise.resolve({ fit, findings: docket(fit).findings });
  };

  test('remedies are taken until none is left that helps; what is left is said, and nothing got worse', async () => {
    // Past the safe edge, too large for its pixels, off the centre.
    const fit = fitOf(sheet, [pieceAt(33, 21, 90, 60)]);
    const before = docket(fit);
    expect(before.verdict).toBe('fix');
    expect(isMendable(before.findings)).toBe(true);
    const told: number[] = [];
    const { fit: mended, done, left } = await mendAll(fit, before, measure, (so) => told.push(so.length));
    const after = docket(mended);
    expect(after.verdict).toBe('ready');
    expect(left).toEqual(after.findings.filter(isOpen));
    expect(done.length).toBeGreaterThan(0);
    expect(told).toEqual(done.map((_, i) => i + 1));
    expect(isMendable(after.findings)).toBe(false);
  });

  test('what makes nothing better is tried once and not kept; broken off, what was done is given back', async () => {
    const fit = fitOf(sheet, [pieceAt(33, 21, 90, 60)]);
    const before = docket(fit);
    steps = 0;
    const vain = await mendAll(fit, before, () => measure(fit));
    expect(vain.fit).toBe(fit);
    expect(vain.done).toEqual([]);
    expect(steps).toBe(before.findings.filter(isOpen).flatMap(({ remedies }) => remedies).length);
    const broken = await mendAll(fit, before, () => Promise.resolve(null));
    expect(broken).toMatchObject({ fit, done: [], left: before.findings.filter(isOpen) });
  });

  test('a remedy that makes another finding worse is left to a person', () => {
    const fit = fitOf(sheet, [pieceAt(33, 21, 90, 60)]);
    const worse = docket(fit).findings.map((finding) => ({
      ...finding,
      remedies: finding.remedies.map((remedy) => ({ ...remedy, worsens: ['bleed'] })),
    }));
    expect(isMendable(worse)).toBe(false);
  });
});
