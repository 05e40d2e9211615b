import { readSpecSheet, type SpecSheet } from '@/core/blank/spec-sheet';

const SHEET: SpecSheet = {
  pixels: null,
  lengths: { width: 148, height: 210 },
  ppi: 300,
  bleed: 3,
  includesBleed: 'no',
  safe: 4,
  safeFrom: 'trim',
};
const trims = (sheet: Partial<SpecSheet>) =>
  readSpecSheet({ ...SHEET, ...sheet }).readings.map(({ trim }) => [
    Math.round(trim.width * 10) / 10,
    Math.round(trim.height * 10) / 10,
  ]);

describe('a spec as houses give it', () => {
  test('a plain size reads one way, with its bleed in or out', () => {
    expect(trims({})).toEqual([[148, 210]]);
    expect(trims({ includesBleed: 'yes' })).toEqual([[142, 204]]);
    expect(trims({ includesBleed: 'unknown' })).toEqual([
      [148, 210],
      [142, 204],
    ]);
    expect(trims({ includesBleed: 'unknown', bleed: 0 })).toEqual([[148, 210]]);
  });

  test('pixels have a size through their PPI only', () => {
    expect(trims({ lengths: null, pixels: { width: 1748, height: 2480 } })).toEqual([[148, 210]]);
    const none = readSpecSheet({ ...SHEET, lengths: null, pixels: { width: 1748, height: 2480 }, ppi: null });
    expect(none.readings).toEqual([]);
    expect(none.doubts[0]).toMatch(/no size without a PPI/);
  });

  test('pixels and lengths that agree are one reading, and the pixels are exact where there is no bleed', () => {
    const sheet = { ...SHEET, bleed: 0, pixels: { width: 1748, height: 2480 } };
    const { readings, doubts } = readSpecSheet(sheet);
    expect(readings).toHaveLength(1);
    expect(readings[0]!.pixels).toEqual(sheet.pixels);
    expect(doubts).toEqual([]);
  });

  test('pixels that are the lengths with their bleed settle whether the size includes it', () => {
    const sheet = { ...SHEET, includesBleed: 'unknown' as const, pixels: { width: 1819, height: 2551 } };
    const { readings, doubts } = readSpecSheet(sheet);
    expect(readings.map(({ trim }) => trim)).toEqual([{ width: 148, height: 210 }]);
    expect(readings[0]!.pixels).toEqual(sheet.pixels);
    expect(doubts).toEqual(['The pixels are the size with its bleed on every side: both say the same.']);
  });

  test('where they do not agree both readings are shown, and the PPI at which they would', () => {
    const { readings, doubts } = readSpecSheet({ ...SHEET, pixels: { width: 874, height: 1240 } });
    expect(readings.map(({ from, trim }) => [from, Math.round(trim.width)])).toEqual([
      ['lengths', 148],
      ['pixels', 74],
    ]);
    expect(doubts[0]).toBe(
      'At 300 PPI the pixels come to 74.0 × 105.0 mm, the lengths say 148.0 × 210.0 mm. At 150 PPI they would agree.',
    );
  });

  test('a safe margin is told from the trim, whichever edge it was measured from', () => {
    expect(readSpecSheet({ ...SHEET, safe: 8, safeFrom: 'bleed' }).safe).toBe(5);
    const odd = readSpecSheet({ ...SHEET, safe: 2, safeFrom: 'bleed' });
    expect(odd.safe).toBe(0);
    expect(odd.doubts[0]).toMatch(/more than the bleed/);
  });

  test('a bleed that leaves nothing is told', () => {
    const { readings, doubts } = readSpecSheet({ ...SHEET, bleed: 80, includesBleed: 'yes' });
    expect(readings).toEqual([]);
    expect(doubts).toEqual(['The bleed is larger than the size allows.']);
  });
});
