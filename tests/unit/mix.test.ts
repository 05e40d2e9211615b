import fc from 'fast-check';
import { BLENDS, isMixed, MIXED, type Blend } from '@/core/fit/mix';
import { newFill } from '@/core/fit/place';
import type { Piece } from '@/core/fit/schema';
import { renderFace } from '@/core/render/face';
import { layersOf } from '@/core/render/layers';
import type { RuleId } from '@/core/check/finding';
import { blankById, docketOf, faceOf, pieceAt, sheetOf } from '../support/fits';
import { paint } from '../support/pictures';

const face = faceOf(sheetOf('coaster'));
const none = {
  facts: () => {
    throw new Error('shows no artwork');
  },
  pixels: () => paint(1, 1, () => [0, 0, 0, 255]),
};
const hex = (parts: readonly number[]) =>
  `#${parts.map((part) => part.toString(16).padStart(2, '0')).join('')}`;
/** The middle pixel of pieces laid on one another. */
function middle(pieces: readonly Piece[]): number[] {
  const { data } = renderFace(face, pieces, none, { pixels: { width: 8, height: 6 } });
  return [...data.slice(4 * (3 * 8 + 4), 4 * (3 * 8 + 4) + 4)];
}
const fill = (colour: readonly number[], change: Partial<Piece> = {}): Piece =>
  ({ ...newFill(JSON.stringify(change), hex(colour)), ...change }) as Piece;
const level = fc.integer({ min: 0, max: 255 });
const colour = fc.tuple(level, level, level);

test('over an opaque ground every blend is its formula, by the opacity, to one level', () => {
  fc.assert(
    fc.property(
      colour,
      colour,
      fc.constantFrom<Blend | undefined>(undefined, ...BLENDS),
      fc.integer({ min: 1, max: 100 }),
      (under, over, blend, percent) => {
        const opacity = percent / 100;
        const got = middle([fill(under), fill(over, { opacity, ...(blend && { blend }) })]);
        const share = Math.round(255 * opacity) / 255;
        for (const i of [0, 1, 2]) {
          const mixed = blend ? MIXED[blend](under[i]!, over[i]!) : over[i]!;
          expect(Math.abs(got[i]! - (under[i]! * (1 - share) + mixed * share))).toBeLessThanOrEqual(1.5);
        }
        expect(got[3]).toBe(255);
      },
    ),
  );
});

test('over nothing a blend is the piece itself, as strong as its opacity', () => {
  for (const blend of [undefined, ...BLENDS])
    expect(middle([fill([10, 200, 90], { opacity: 0.4, ...(blend && { blend }) })])).toEqual([
      10, 200, 90, 102,
    ]);
});

test('multiply darkens, screen lightens, and neither does anything with white and black', () => {
  const grey = fill([128, 128, 128]);
  expect(middle([grey, fill([255, 255, 255], { blend: 'multiply' })])).toEqual([128, 128, 128, 255]);
  expect(middle([grey, fill([0, 0, 0], { blend: 'screen' })])).toEqual([128, 128, 128, 255]);
  expect(middle([grey, fill([200, 50, 128], { blend: 'darken' })])).toEqual([128, 50, 128, 255]);
  expect(middle([grey, fill([200, 50, 128], { blend: 'lighten' })])).toEqual([200, 128, 128, 255]);
});

test('on a page, what shows through is one picture with all that is under it, and what lies over it stays paths', () => {
  const pieces = [fill([1, 2, 3]), fill([200, 0, 0], { opacity: 0.4, blend: 'multiply' }), fill([0, 0, 200])];
  expect(layersOf(face, pieces).map(({ kind }) => kind)).toEqual(['picture', 'path']);
  expect(layersOf(face, [fill([1, 2, 3]), fill([0, 0, 200])]).map(({ kind }) => kind)).toEqual([
    'path',
    'path',
  ]);
});

test('a knockout mixes with nothing: it takes away whole what is under it', () => {
  const out = fill([0, 0, 0], { knockout: true, opacity: 0.4 });
  expect(isMixed(out)).toBe(false);
  expect(middle([fill([9, 9, 9]), out])[3]).toBe(0);
  expect(isMixed(pieceAt(1, 1, 1, 1))).toBe(false);
});

describe('on the docket a piece that shows through', () => {
  const sheet = sheetOf('coaster', { width: 60, height: 40, bleed: 2, safe: 3 });
  const docket = (pieces: readonly Piece[]) =>
    docketOf(
      sheet,
      pieces,
      paint(60, 60, () => [30, 60, 90, 255]),
    );
  const found = (pieces: readonly Piece[], rule: RuleId) =>
    docket(pieces).findings.filter((one) => one.rule === rule);

  test('covers the bleed where it lies, however faintly it is laid there, and not where it does not', () => {
    const ground = (opacity: number, width: number) =>
      pieceAt(30, 20, width, 80, { role: 'ground', opacity, id: `${opacity} ${width}` });
    for (const opacity of [1, 0.4, 0.02]) {
      expect(found([ground(opacity, 80)], 'bleed').every(({ verdict }) => verdict === 'ready')).toBe(true);
      expect(found([ground(opacity, 58)], 'bleed').some(({ verdict }) => verdict === 'fix')).toBe(true);
    }
  });

  test('hides nothing that lies under it; one that does not is told of', () => {
    const under = pieceAt(30, 20, 12, 12, { id: 'under' });
    const over = (change: Partial<Piece>) => pieceAt(30, 20, 20, 20, { id: 'over', ...change } as never);
    const covered = (change: Partial<Piece>) =>
      found([under, over(change)], 'stray').some(({ word }) => word === 'Covered');
    expect(covered({})).toBe(true);
    expect(covered({ opacity: 0.4 })).toBe(false);
    expect(covered({ blend: 'multiply' })).toBe(false);
  });
});

describe('a piece at less than its strength, where white is printed under it', () => {
  const shirt = blankById('shirt');
  const words = (change: Partial<Piece>) =>
    ({ ...pieceAt(150, 200, 80, 60, { id: 'gull' }), ...change }) as Piece;
  const ground = { ...pieceAt(150, 200, 120, 120, { id: 'ground', artworkId: 'ground' }) };
  const soft = (pieces: Piece[], blank = shirt) =>
    docketOf(
      blank,
      pieces,
      paint(200, 150, () => [20, 90, 120, 255]),
    ).findings.filter(
      ({ rule, pieceId, word }) => rule === 'soft' && pieceId === 'gull' && /whole|Laid/.test(word),
    );

  test.each([0.05, 0.4, 0.9])(
    'at %d on the bare product it is half clear: a Fix; laid whole it is none',
    (opacity) => {
      const pieces = [words({ opacity })];
      const [finding] = soft(pieces);
      expect(finding).toMatchObject({ verdict: 'fix', measured: expect.closeTo(100, 0) as number });
      expect(finding!.message).toMatch(/turns milky/);
      expect(soft(finding!.remedies[0]!.pieces)).toEqual([]);
    },
  );

  test('over what prints whole it mixes with that; half over it, half of it is half clear', () => {
    expect(soft([ground, words({ opacity: 0.4 })])[0]).toMatchObject({ verdict: 'ready', measured: 0 });
    const half = soft([ground, words({ opacity: 0.4, x: 210 } as Partial<Piece>)])[0]!;
    expect(half.verdict).toBe('fix');
    expect(half.measured).toBeGreaterThan(40);
    expect(half.measured).toBeLessThan(60);
  });

  test('a method that prints soft parts well says nothing of it', () => {
    expect(soft([words({ opacity: 0.4, x: 111, y: 46 } as Partial<Piece>)], blankById('mug-325'))).toEqual(
      [],
    );
  });
});
