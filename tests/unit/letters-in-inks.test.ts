import { makeDocket } from '@/core/check/docket';
import type { PlannedInk, PlatePlan } from '@/core/fit/plates';
import type { FillPiece, Piece } from '@/core/fit/schema';
import { firstLettering, newText } from '@/core/fit/text';
import { layText } from '@/core/type/layout';
import type { Lettering } from '@/core/type/schema';
import { face as typeface } from '../support/font';
import { fitOf, factsOf, pieceAt, sheetOf, shown } from '../support/fits';
import { paint } from '../support/pictures';
import { longTest } from '../support/long';

const [CREAM, NAVY, TEAL, BLACK, SAGE] = ['#f4f1e8', '#1f2a4a', '#2a4a5a', '#101418', '#8fb0a0'] as const;
const blank = sheetOf('shirt', {}, { colours: [{ id: 'red', name: 'Red', hex: '#b02020' }] });

const words = (colour: string, change: Partial<Lettering> = {}, at = { x: 20, y: 15 }): Piece => {
  const lettering: Lettering = {
    ...firstLettering('archivo-narrow', colour, 8),
    lines: [{ text: 'LIGHT', gap: null }],
    ...change,
  };
  return newText('text', lettering, layText(lettering, typeface())!, at);
};
const ground = (colour: string): FillPiece => ({
  ...{ id: 'ground', kind: 'fill', name: 'ground', role: 'ground', colour, zoneId: null },
  ...{ locked: false, visible: true, knockout: false, groupId: null },
});
const ink = (id: string, hex: string, from: string[] = [hex]): PlannedInk => ({
  id,
  name: id,
  hex,
  from,
  opacity: 1,
});
const plan = (...inks: PlannedInk[]): PlatePlan => ({
  ...{ inks, open: [], regions: [], base: 'auto', choke: 0.3, trap: 0.1, tones: 'flat', ppi: 300 },
});

function found(pieces: Piece[], plates: PlatePlan | undefined) {
  const plain = fitOf(blank, pieces);
  const fit = { ...plain, faces: plain.faces.map((face) => ({ ...face, ...(plates && { plates }) })) };
  const raster = paint(10, 10, () => [0x8f, 0xb0, 0xa0, 255]);
  const docket = makeDocket(blank, fit, { ...shown(raster, factsOf(raster)), press: null });
  return docket.findings.filter(({ rule, word }) => rule === 'text' && word.startsWith('Reads'));
}

const dark = ink('dark', NAVY, [NAVY, TEAL, BLACK]);
const cream = ink('cream', CREAM);

test('letters that have an ink of their own are not told of', () => {
  expect(found([ground(NAVY), words(CREAM)], plan(cream, dark))).toEqual([]);
  expect(found([ground(NAVY), words(CREAM)], undefined)).toEqual([]);
});

test('letters that fall into one ink with what is behind them are a Fix, and are set in one that stands out', () => {
  const pieces = [ground(SAGE), words(BLACK)];
  const one = plan(cream, ink('dark', NAVY, [BLACK, SAGE]));
  const [melts] = found(pieces, one);
  expect(melts).toMatchObject({ verdict: 'fix', measured: 1, pieceId: 'text' });
  expect(melts!.remedies.map(({ id }) => id)).toEqual(['in-another-ink']);
  expect(found(melts!.remedies[0]!.pieces, one)).toEqual([]);
});

longTest('letters that are too alike in the artwork read where their inks do', () => {
  const pieces = [ground(NAVY), words(TEAL)];
  expect(found(pieces, undefined)).toMatchObject([{ verdict: 'fix' }]);
  expect(found(pieces, plan(ink('dark', NAVY), ink('cream', CREAM, [CREAM, TEAL])))).toEqual([]);
  expect(found(pieces, plan(cream, dark))).toMatchObject([{ verdict: 'fix', measured: 1 }]);
});

test('a line round the letters in another ink holds them', () => {
  const outline = { width: 0.6, colour: CREAM };
  const one = plan(cream, ink('dark', NAVY, [BLACK, SAGE]));
  expect(found([ground(SAGE), words(BLACK, { outline })], one)).toEqual([]);
});

longTest('letters that lie half over a shape of their ink melt there', () => {
  // The picture is of the colour that falls into their ink; the other half of them lies on cream.
  const pieces = [ground(CREAM), pieceAt(10, 15, 20, 30), words(BLACK)];
  const [melts] = found(pieces, plan(cream, ink('dark', NAVY, [BLACK, SAGE])));
  expect(melts).toMatchObject({ verdict: 'fix', measured: 1 });
  // Neither of the two inks stands out from both.
  expect(melts!.remedies).toEqual([]);
});
