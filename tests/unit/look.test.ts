import fc from 'fast-check';
import { givenColours, recoloured } from '@/core/fit/colours';
import {
  capsBelowMiddle,
  firstLettering,
  newText,
  placedLettering,
  textCover,
  textInks,
} from '@/core/fit/text';
import { boundsOf, flattenPath } from '@/core/geometry/path';
import { parsePath } from '@/core/geometry/parse-path';
import { dealColours } from '@/core/type/deal';
import { layText, redrawn } from '@/core/type/layout';
import { DEAL_RULES, type Dealt, type Lettering } from '@/core/type/schema';
import { inStyle, styleOf } from '@/core/type/style';
import { blankById, docketOf, findingOf, sheetOf } from '../support/fits';
import { face } from '../support/font';
import { paint } from '../support/pictures';

const narrow = face();
const COLOURS = ['#c0392b', '#0b5563', '#d98e04', '#2e6f40', '#5b3f8c'];
const dealt: Dealt = { colours: COLOURS, by: 'letter', rule: 'no neighbours alike', seed: 7 };
const words = (lines: string[], change: Partial<Lettering> = {}): Lettering => ({
  ...firstLettering('archivo-narrow', '#20252b', 10),
  lines: lines.map((text) => ({ text, gap: null })),
  ...change,
});
const lay = (lines: string[], change: Partial<Lettering> = {}) => layText(words(lines, change), narrow)!;
const boxOf = (d: string) => boundsOf(flattenPath(parsePath(d)!, 0.001))!;

describe('colours dealt', () => {
  test('with no neighbours alike, by any seed and number; more letters leave the first as they are', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 1e6 }),
        fc.integer({ min: 2, max: 12 }),
        fc.integer({ min: 1, max: 80 }),
        (seed, many, count) => {
          const own = {
            ...dealt,
            colours: Array.from({ length: many }, (_, i) => `#00000${i.toString(16)}`),
            seed,
          };
          const dealtOut = dealColours(own, count);
          expect(dealtOut.every((one, i) => one !== dealtOut[i - 1] && one >= 0 && one < many)).toBe(true);
          for (const rule of DEAL_RULES)
            expect(dealColours({ ...own, rule }, count + 5).slice(0, count)).toEqual(
              dealColours({ ...own, rule }, count),
            );
        },
      ),
    );
  });

  test('in turn, and at random by a seed that is kept', () => {
    expect(dealColours({ ...dealt, rule: 'in turn' }, 7)).toEqual([0, 1, 2, 3, 4, 0, 1]);
    expect(dealColours({ ...dealt, rule: 'random' }, 30)).toEqual(
      dealColours({ ...dealt, rule: 'random' }, 30),
    );
    expect(dealColours({ ...dealt, rule: 'random', seed: 8 }, 30)).not.toEqual(
      dealColours({ ...dealt, rule: 'random' }, 30),
    );
  });

  test('letter by letter, word by word, line by line: the parts together are the letters', () => {
    const lines = ['LIGHT THE', 'LAMP'];
    for (const [by, most] of [
      ['letter', 5],
      ['word', 3],
      ['line', 2],
    ] as const) {
      const ink = lay(lines, { dealt: { ...dealt, by, rule: 'in turn' } });
      expect(ink.parts).toHaveLength(most);
      const bounds = ink.parts!.map(({ d }) => boxOf(d));
      const all = boxOf(ink.d);
      expect(Math.min(...bounds.map(({ left }) => left))).toBeCloseTo(all.left, 6);
      expect(Math.max(...bounds.map(({ right }) => right))).toBeCloseTo(all.right, 6);
    }
  });
});

test('“LIGHT / THE / LAMP”: each line 180 mm wide to 0.05 mm, whatever colours and shadow it has; new words too', () => {
  const look = { equalWidth: 180, dealt, shadow: { right: 1.2, down: 1.2, colour: '#20252b' } };
  for (const lines of [
    ['LIGHT', 'THE', 'LAMP'],
    ['NIGHTS', 'A', 'HARBOUR'],
  ]) {
    const ink = lay(lines, look);
    for (const { width } of ink.lines) expect(Math.abs(width - 180)).toBeLessThan(0.05);
    const [letters, shadow] = [boxOf(ink.d), boxOf(ink.shadowD!)];
    expect(letters.right - letters.left).toBeCloseTo(180, 1);
    expect(shadow.left - letters.left).toBeCloseTo(1.2, 3);
    expect(shadow.bottom - letters.bottom).toBeCloseTo(1.2, 3);
    // The box holds all of it.
    expect(ink.width).toBeCloseTo(181.2, 1);
  }
});

test.each([-30, -12, 7, 20, 30])(
  'leaning by %d degrees, a stem does, on its own foot; widths stay exact',
  (slant) => {
    const [upright, leaning] = [lay(['I'], { cap: 20 }), lay(['I'], { cap: 20, slant })];
    const lean = 20 * Math.tan((Math.abs(slant) * Math.PI) / 180);
    expect(leaning.width - upright.width).toBeCloseTo(lean, 2);
    expect(leaning.height).toBeCloseTo(upright.height, 6);
    // The way it leans: the top of a stem lies over the right of its foot.
    const points = flattenPath(parsePath(leaning.d)!, 0.005).flatMap((line) => [...line]);
    const xAt = (top: boolean) => {
      const xs = points.filter((_, i) => i % 2 === 0 && Math.abs(points[i + 1]! - (top ? 0 : 20)) < 0.01);
      return xs.reduce((sum, x) => sum + x, 0) / xs.length;
    };
    expect(Math.sign(xAt(true) - xAt(false))).toBe(Math.sign(slant));
    for (const lines of [
      ['LIGHT', 'THE', 'LAMP'],
      ['AVATAR', 'To'],
    ]) {
      const ink = lay(lines, { slant, equalWidth: 120, bend: null });
      for (const { width } of ink.lines) expect(Math.abs(width - 120)).toBeLessThan(0.05);
      const box = boxOf(ink.d);
      expect(box.right - box.left).toBeCloseTo(120, 1);
    }
    // Letters stand as near to each other as they do upright.
    const [plain, lent] = [lay(['HAVH']), lay(['HAVH'], { slant })];
    expect(lent.width - plain.width).toBeCloseTo((lean * plain.lines[0]!.cap) / 20, 1);
  },
);

test('a shadow of letters with an outline is cast by the outline, and lies under it; its box goes the way it lies', () => {
  const outline = { width: 1, colour: '#ffffff' };
  const ink = lay(['Gull'], { outline, shadow: { right: -2, down: 3, colour: '#888888' } });
  const [rim, shadow] = [boxOf(ink.outlineD!), boxOf(ink.shadowD!)];
  expect([shadow.left, shadow.top]).toEqual([
    expect.closeTo(rim.left - 2, 3),
    expect.closeTo(rim.top + 3, 3),
  ]);
  const text = newText(
    't',
    words(['Gull'], { outline, shadow: { right: -2, down: 3, colour: '#888888' } }),
    ink,
    { x: 0, y: 0 },
  );
  expect(textInks(text).map(({ colour }) => colour)).toEqual(['#888888', '#ffffff', '#20252b']);
  expect(boxOf(textCover(ink))).toMatchObject({ left: expect.closeTo(0, 6), top: expect.closeTo(0, 6) });
});

test('scaled, and drawn again with a plate, a look stays with its letters', () => {
  const asked = words(['Gullwick'], { dealt, shadow: { right: 1, down: 1, colour: '#888888' } });
  const text = newText('t', asked, layText(asked, narrow)!, { x: 50, y: 20 });
  const placed = placedLettering({ ...text, width: text.width * 3, height: text.height * 3 });
  expect(placed).toMatchObject({ shadow: { right: 3, down: 3 }, dealt });
  const again = redrawn(text.ink, 3, { ...placed, plate: { margin: 2, colour: '#ffffff' } });
  expect(again.width).toBeCloseTo(text.ink.width * 3 + 4, 2);
  expect(again.parts!.map(({ colour }) => colour)).toEqual(text.ink.parts!.map(({ colour }) => colour));
});

test('its colours are given, and taken for others, on its letters too', () => {
  const asked = words(['Gull'], {
    dealt: { ...dealt, rule: 'in turn' },
    shadow: { right: 1, down: 1, colour: '#888888' },
  });
  const text = newText('t', asked, layText(asked, narrow)!, { x: 50, y: 20 });
  expect(givenColours(text)).toEqual(['#888888', ...COLOURS.slice(0, 4)]);
  const other = recoloured(text, (colour) => (colour === '#c0392b' ? '#000000' : colour));
  expect(givenColours(other)).toEqual(['#888888', '#000000', ...COLOURS.slice(1, 4)]);
});

test('the worst of several colours tells how letters read', () => {
  const sheet = { ...sheetOf('coaster', { width: 120, height: 60 }) };
  const reads = (colours: string[]) => {
    const asked = words(['GULLS'], { dealt: { ...dealt, colours, rule: 'in turn' } });
    const text = newText('t', asked, layText(asked, narrow)!, { x: 60, y: 30 });
    return docketOf(
      sheet,
      [text],
      paint(1, 1, () => [0, 0, 0, 255]),
    ).findings.filter(({ rule }) => rule === 'text');
  };
  expect(reads(['#102030', '#301020']).every(({ verdict }) => verdict === 'ready')).toBe(true);
  const [fix] = reads(['#102030', '#f0efe8']).filter(({ verdict }) => verdict === 'fix');
  // Only the one that does not read becomes another.
  const mend = fix!.remedies.find(({ id }) => id === 'reading-colour')!;
  expect(mend.label).toBe('Set 1 of its 2 colours in the nearest that read');
  const [mended] = mend.pieces;
  expect(givenColours(mended!)[0]).toBe('#102030');
  expect(
    docketOf(
      sheet,
      mend.pieces,
      paint(1, 1, () => [0, 0, 0, 255]),
    )
      .findings.filter(({ rule }) => rule === 'text')
      .every(({ verdict }) => verdict === 'ready'),
  ).toBe(true);
});

test('a style is all but the words, and is as large as the words that it is set on', () => {
  const look = words(['LIGHT', 'THE'], {
    dealt,
    shadow: { right: 2, down: 2, colour: '#888888' },
    faceId: 'lora',
    gap: 5,
  });
  const style = styleOf('lamp', look);
  expect(style.lettering).not.toHaveProperty('lines');
  const now = words(['Salve'], { cap: 5 });
  expect({ ...now, ...inStyle(style, now) }).toMatchObject({
    lines: [{ text: 'Salve' }],
    cap: 5,
    gap: 2.5,
    faceId: 'lora',
    shadow: { right: 1, down: 1 },
    dealt,
  });
});

test('lettering is centred by its capitals or by its ink: letters that hang do not make it off', () => {
  const mug = blankById('mug-325');
  const [face] = mug.faces;
  const zone = face!.zones.find(({ id }) => id === 'front') ?? face!.zones[0]!;
  const at = (text: string, dy: number) => {
    const asked = words([text]);
    const ink = layText(asked, narrow)!;
    const piece = newText('t', asked, ink, { x: zone.x, y: 0 });
    // The middle of its capitals so many mm below the zone's.
    return { ...piece, y: zone.y - capsBelowMiddle(asked, ink) + dy };
  };
  const verdict = (piece: ReturnType<typeof at>) =>
    findingOf(
      docketOf(
        mug,
        [piece],
        paint(1, 1, () => [0, 0, 0, 255]),
      ),
      'centre',
    ).verdict;
  expect(verdict(at('Bosun Grey', 0))).toBe('ready');
  expect(verdict({ ...at('Bosun Grey', 0), y: zone.y })).toBe('ready');
  expect(verdict(at('Bosun Grey', 1))).toBe('look');
  expect(verdict(at('BOSUN', 0.1))).toBe('ready');
  expect(verdict(at('BOSUN', 0.5))).toBe('look');
});
