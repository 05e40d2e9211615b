import fc from 'fast-check';
import type { Fit, TextPiece } from '@/core/fit/schema';
import type { TextSlot } from '@/core/fit/slot';
import { firstLettering, newText, placedLettering } from '@/core/fit/text';
import { brokenUp, fillFit, fillText, type Filling } from '@/core/rows/fill';
import { columnFor, type List } from '@/core/rows/schema';
import { rowAsVersion, slotNames, slotsOf, withSlot } from '@/core/rows/slots';
import { layText } from '@/core/type/layout';
import type { Lettering } from '@/core/type/schema';
import { fontOf, lackingIn, openFont } from '@/files/font';
import { fontBytes } from '../support/font';
import { blankById, factsOf, fitOf, pieceAt } from '../support/fits';

const opened = openFont('zilla-slab.woff', fontBytes('zilla-slab'));
const font = fontOf(opened);
const filling: Filling = {
  lay: (lettering) => Promise.resolve(layText(lettering, font)),
  lacking: (text) => Promise.resolve(lackingIn(opened, text)),
  artworkNamed: (name) => (name === 'gull.png' ? 'gull' : null),
  factsOf: () => factsOf({ width: 2, height: 2, data: new Uint8Array(16).fill(255), opaque: true }),
};

function slotText(
  change: Partial<Lettering> = {},
  slot: Partial<TextSlot> = {},
): TextPiece & { slot: TextSlot } {
  const lettering = {
    ...firstLettering('zilla-slab', '#20252b', 8),
    lines: [{ text: 'Name', gap: null }],
    ...change,
  };
  const text = newText('text', lettering, layText(lettering, font)!, { x: 50, y: 40 });
  return { ...text, slot: { name: 'name', width: 60, height: 30, least: 2, rule: 'shrink', ...slot } };
}
const filled = async (piece: TextPiece & { slot: TextSlot }, text: string) => {
  const one = await fillText(piece, text, filling);
  if (!one.ok) throw new Error(one.message);
  return one;
};
/** Where the first baseline and the middle of the capitals lie, of a text that is not turned. */
const middleOfCaps = ({ y, height, ink }: TextPiece) => y - height / 2 + ink.base! - ink.lines[0]!.cap / 2;

test('short words keep the size and the baseline; long ones shrink to their room, to a hundredth of a mm', async () => {
  const piece = slotText();
  const own = middleOfCaps(piece);
  for (const words of ['Ada', 'gypsy', 'ÅÉ', 'Wilhelmina-Josephine']) {
    const { piece: set, cap, shrunk } = await filled(piece, words);
    expect(shrunk).toBe(words.length > 12);
    expect(set.width).toBeLessThanOrEqual(60 + 1e-6);
    if (shrunk) expect(set.width).toBeCloseTo(60, 2);
    else expect(cap).toBeCloseTo(8, 9);
    expect(middleOfCaps(set)).toBeCloseTo(own, 6);
    expect(set.x).toBe(50);
    expect(set.name).toBe(piece.name);
  }
});

test('no words are set under the least capitals: just above they are, just below they are told of', async () => {
  const words = 'Wilhelmina-Josephine';
  const { cap } = await filled(slotText(), words);
  expect((await fillText(slotText({}, { least: cap - 0.001 }), words, filling)).ok).toBe(true);
  const told = await fillText(slotText({}, { least: cap + 0.001 }), words, filling);
  expect(told).toMatchObject({ ok: false });
  expect(!told.ok && told.message).toMatch(/is 60\.\d mm wide at the least height .* its place is 60\.0 mm/);
});

test('by the rule that only tells, what is too wide is told with its width, and what fits is set', async () => {
  const piece = slotText({}, { rule: 'tell' });
  expect(await fillText(piece, 'Ada', filling)).toMatchObject({ ok: true, shrunk: false });
  const told = await fillText(piece, 'Wilhelmina-Josephine', filling);
  expect(!told.ok && told.message).toMatch(/mm wide at its full size, and its place is 60\.0 mm: shorten it/);
});

test('broken into lines they stand larger than on one, within their room', async () => {
  const words = 'The keeper of the northern light';
  const one = await filled(slotText({}, { least: 0.5 }), words);
  const several = await filled(slotText({}, { rule: 'break', least: 0.5 }), words);
  expect(several.piece.lettering.lines.length).toBeGreaterThan(1);
  expect(several.cap).toBeGreaterThan(one.cap);
  expect(several.piece.width).toBeLessThanOrEqual(60 + 1e-6);
  expect(several.piece.height).toBeLessThanOrEqual(30 + 1e-6);
  expect(await filled(slotText({}, { rule: 'break' }), 'Ada B')).toMatchObject({ shrunk: false });
});

test('the edge that lines keep stays where it is, on a turned and a mirrored text too', async () => {
  for (const align of ['left', 'right'] as const)
    for (const rotation of [0, 0.7, Math.PI / 2])
      for (const flipped of [false, true]) {
        const piece = { ...slotText({ align }), rotation, flipped };
        const { piece: set } = await filled(piece, 'Ada');
        const edge = ({ x, y, width }: TextPiece) => {
          const off = (align === 'left' ? -width / 2 : width / 2) * (flipped ? -1 : 1);
          // Along the line only: across it the middle of the capitals is held.
          return (
            (x + off * Math.cos(rotation)) * Math.cos(rotation) +
            (y + off * Math.sin(rotation)) * Math.sin(rotation)
          );
        };
        expect(edge(set)).toBeCloseTo(edge(piece), 6);
      }
});

test('words on an arc keep its radius; such as would go round more than once are told of', async () => {
  const piece = slotText({ bend: { kind: 'arc', sweep: 1 } }, { width: 200 });
  const radius = ({ ink, lettering }: TextPiece) =>
    ink.lines[0]!.width / (lettering.bend as { sweep: number }).sweep;
  const { piece: set } = await filled(piece, 'Longer than name');
  expect(radius(set)).toBeCloseTo(radius(piece), 6);
  expect(await fillText(piece, 'n'.repeat(90), filling)).toMatchObject({ ok: false });
});

test('a text that was scaled where it stands is filled at the size it has there', async () => {
  const piece = slotText();
  const doubled = { ...piece, width: piece.width * 2, height: piece.height * 2 };
  expect(placedLettering(doubled).cap).toBeCloseTo(16, 9);
  expect((await filled(doubled, 'Ada')).cap).toBeCloseTo(16, 6);
});

test('nothing, letters the font lacks by name and number, marks that are never seen', async () => {
  const say = async (words: string) => {
    const one = await fillText(slotText(), words, filling);
    return one.ok ? '' : one.message;
  };
  expect(await say(' \t ')).toBe('It is empty.');
  expect(await say('Ada 鯨')).toMatch(/“鯨” \(U\+9BE8\)/);
  expect(await say('A\u200bda')).toBe('');
});

test('whatever words come, they are within their room or told of in a sentence', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.string({ minLength: 1, maxLength: 40, unit: 'grapheme-ascii' }),
      fc.constantFrom<TextSlot['rule']>('shrink', 'break', 'tell'),
      async (words, rule) => {
        const one = await fillText(slotText({}, { rule }), words, filling);
        if (one.ok) {
          expect(one.piece.width).toBeLessThanOrEqual(60 + 1e-6);
          expect(one.cap).toBeGreaterThanOrEqual(2 - 1e-6);
        } else expect(one.message).toMatch(/\.$|\.\)?$/);
      },
    ),
    { numRuns: 60 },
  );
});

describe('a fit', () => {
  const mug = blankById('mug-325');
  const picture = withSlot(pieceAt(30, 30, 20, 20, { id: 'picture', artworkId: 'test' }), {
    name: 'portrait',
  });
  const fit: Fit = fitOf(mug, [
    picture,
    slotText(),
    { ...slotText(), id: 'again', x: 150 },
    pieceAt(9, 9, 5, 5),
  ]);
  const fill = (cells: Record<string, string>) =>
    fillFit(fit, (slot) => ({ column: slot, text: cells[slot] ?? '' }), filling);

  test('slots of one name are one, and are filled alike; what is none stays as it is', async () => {
    expect(slotNames(fit)).toEqual(['portrait', 'name']);
    const { fit: made, problems } = await fill({ name: 'Ada', portrait: 'gull.png' });
    expect(problems).toEqual([]);
    const [shown, one, other, plain] = made!.faces[0]!.pieces;
    expect(shown).toMatchObject({ artworkId: 'gull', width: 20, x: 30 });
    expect(one).toMatchObject({ lettering: { lines: [{ text: 'Ada' }] }, x: 50 });
    expect(other).toMatchObject({ lettering: { lines: [{ text: 'Ada' }] }, x: 150 });
    expect(plain).toBe(fit.faces[0]!.pieces[3]);
  });

  test('what cannot be filled makes no fit, and is told once by its column', async () => {
    const { fit: made, problems } = await fill({ name: '', portrait: 'whelk.png' });
    expect(made).toBeNull();
    expect(problems.map(({ column }) => column)).toEqual(['portrait', 'name']);
    expect(problems[0]!.message).toMatch(/No artwork is called “whelk\.png”/);
  });

  test('a row kept as a version is no slot any more', () => {
    const kept = rowAsVersion(fit, 'Ada', 'new');
    expect(slotsOf(kept)).toEqual([]);
    expect(kept).toMatchObject({ id: 'new', version: { name: 'Ada', colours: [] } });
    expect(JSON.stringify(kept)).not.toContain('slot');
  });
});

test('words are broken as evenly as they can be', () => {
  expect(brokenUp('The keeper of the light')).toEqual([
    ['The keeper of the light'],
    ['The keeper', 'of the light'],
    ['The', 'keeper of', 'the light'],
    ['The', 'keeper', 'of the', 'light'],
    ['The', 'keeper', 'of', 'the', 'light'],
  ]);
});

test('a column fills the slot that it was chosen for, and otherwise the one of its name', () => {
  const list = { columns: ['Name', 'Keeper'], matches: {} } as Pick<List, 'columns' | 'matches'>;
  expect(columnFor(list, 'name')).toBe(0);
  expect(columnFor({ ...list, matches: { NAME: 'keeper' } }, 'name')).toBe(1);
  expect(columnFor(list, 'year')).toBe(-1);
});
