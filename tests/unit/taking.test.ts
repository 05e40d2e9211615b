import { BLANKS, resolveAmong, SHIPPED, shippedBlanks, SPECS } from '@/core/blank/library';
import { isShipped, takingOf } from '@/core/blank/taking';
import { blankById, docketOf, findingOf, pieceAt } from '../support/fits';
import { solid } from '../support/pictures';

const own = (id: string, change = {}) =>
  resolveAmong(SHIPPED, { ...blankById(id).blank, id: `own-${id}`, ...change });

test('a house prints its own blanks, every one that is shipped', () => {
  for (const resolved of shippedBlanks())
    expect(takingOf(resolved)).toEqual({
      takes: true,
      words: `${resolved.spec.house} prints this`,
    });
});

test('a measured or corrected blank is printed where the house takes such', () => {
  expect(takingOf(own('tumbler-taper-480'))).toEqual({
    takes: true,
    words: 'Harl Kiln Works prints this as you measured it',
  });
  const corrected = resolveAmong(SHIPPED, { ...blankById('mug-325').blank, version: 2 });
  expect(isShipped(corrected.blank)).toBe(false);
  expect(takingOf(corrected).words).toMatch(/as you measured it/);
});

test('where it does not, the nearest of its own is named', () => {
  const shirt = blankById('shirt');
  expect(takingOf(own('shirt'))).toMatchObject({
    takes: false,
    words: `${shirt.spec.house} prints its own blanks only; its nearest is Shirt`,
  });
  const child = BLANKS.find(({ name }) => name.startsWith('Child'))!;
  expect(takingOf(own(child.id)).words).toContain(`nearest is ${child.name}`);
});

test('a house that the seller wrote down is asked', () => {
  const spec = { ...SPECS[0]!, id: 'fogbell', house: 'Fogbell Print' };
  delete spec.takesMeasured;
  const resolved = resolveAmong(
    { ...SHIPPED, specs: [spec] },
    { ...blankById('mug-325').blank, id: 'own-mug', specId: 'fogbell' },
  );
  expect(takingOf(resolved)).toEqual({
    takes: null,
    words: 'Ask Fogbell Print whether they print this',
  });
});

test('the docket’s file line says so as a Look, and nothing of it for a blank that the house prints', () => {
  const piece = pieceAt(150, 120, 60, 40);
  const raster = solid(800, 600);
  expect(findingOf(docketOf(own('shirt'), [piece], raster), 'file-spec')).toMatchObject({
    verdict: 'look',
    word: 'Not theirs',
    message: expect.stringContaining('prints its own blanks only') as string,
  });
  expect(findingOf(docketOf(blankById('shirt'), [piece], raster), 'file-spec').verdict).toBe('ready');
});
