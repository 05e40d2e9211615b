import { columnsOf, variantTable } from '@/core/listing/columns';
import { listingTroubles, type ListingTrouble } from '@/core/listing/check';
import { fieldsOf, filled, saySize, trueSizes } from '@/core/listing/fields';
import { headlineSide } from '@/core/listing/first';
import { FIRST_LISTING_WORDS } from '@/core/listing/schema';
import { skuTroubles, variantsOf } from '@/core/listing/variants';
import { OUTLETS } from '@/core/price/outlet';
import type { Design } from '@/core/fit/schema';
import { blankById, faceOf, factsOf, fitOf, pieceAt } from '../support/fits';
import { paint } from '../support/pictures';

/** The words of a listing: drafted from what is known of a fit, and checked against what a place to sell takes. */

const LIMITS = OUTLETS.find(({ id }) => id === 'quay-market')!.limits;
const SIZES = [{ width: 222.2, height: 92 }];
const design: Design = { upfit: 'design/1', id: 'lamp', name: 'Lamp', order: 0, artworks: [] };

const told = (change: { title?: string; description?: string; tags?: string[] }, notOurs: string[] = []) =>
  listingTroubles({ title: 'Lamp mug', description: 'A mug.', tags: [], ...change }, LIMITS, {
    sizes: SIZES,
    notOurs,
  });
const messages = (troubles: readonly ListingTrouble[]) => troubles.map(({ message }) => message);

test('a title of 80 holds and one of 81 does not, counted as a reader counts', () => {
  expect(told({ title: 'a'.repeat(80) })).toEqual([]);
  expect(messages(told({ title: 'a'.repeat(81) }))).toEqual([
    'The title is 1 over the 80 characters that are taken.',
  ]);
  expect(told({ title: '🐚'.repeat(80) })).toEqual([]);
  expect(messages(told({ title: ' ' }))).toEqual(['The title is empty.']);
});

test('twelve tags of 18: one of 19, a doubled one and a thirteenth are named', () => {
  const twelve = Array.from({ length: 12 }, (_, i) => `tag ${i}`);
  expect(told({ tags: twelve })).toEqual([]);
  expect(messages(told({ tags: [...twelve, 'one more'] }))).toEqual(['13 tags, and 12 are taken.']);
  const long = told({ tags: ['a'.repeat(18), 'b'.repeat(19)] });
  expect(long).toMatchObject([
    { tag: 1, message: expect.stringMatching(/is 19 long, and a tag may be 18/) as string },
  ]);
  expect(told({ tags: ['Gull', 'lamp', 'gull'] })).toMatchObject([
    { tag: 2, message: '“gull” stands there twice.' },
  ]);
});

test.each([
  ['A mug of 222 × 92 mm', []],
  ['A mug of 22.2 x 9.2 cm', []],
  ['8.7 × 3.6 in, and 92 × 222 mm', []],
  ['made in 2026, 300 x better', []],
  ['A mug of 200 × 90 mm', ['“200 × 90 mm” is said, and the print is 222 × 92 mm.']],
  ['8 × 3 in', ['“8 × 3 in” is said, and the print is 222 × 92 mm.']],
])('a size that is claimed is the fit’s: %s', (description, wanted) => {
  expect(messages(told({ description }))).toEqual(wanted);
});

test('words in capitals are a look, short ones and names of one letter are not; words of others are a fix', () => {
  expect(told({ description: 'A GREAT mug for DIY and the BBQ' })).toMatchObject([
    { verdict: 'look', message: '“GREAT” is all in capitals.' },
  ]);
  expect(told({ title: 'Skerrycup lamp' }, ['skerrycup'])).toMatchObject([
    { field: 'title', verdict: 'fix', message: '“skerrycup” is marked as not yours: leave it out.' },
  ]);
  expect(told({ title: 'Skerrycups' }, ['skerrycup', ''])).toEqual([]);
});

test('a draft says what is known of the fit, in both units, and leaves out a line that nobody can say', () => {
  const blank = blankById('mug-325');
  const face = faceOf(blank);
  const fit = fitOf(blank, [pieceAt(40, 40, 30, 30)]);
  const fields = fieldsOf(fit, { blank, design }, FIRST_LISTING_WORDS);
  expect(fields).toMatchObject({
    design: 'Lamp',
    blank: blank.blank.name,
    size: saySize(face),
    material: '',
  });
  expect(trueSizes(blank, fitOf(blank, []))).toEqual([]);
  const { text, missing } = filled(FIRST_LISTING_WORDS.description, fields);
  expect(text).toContain(`${Math.round(face.width)} × ${Math.round(face.height)} mm`);
  expect(text).toMatch(/in\)/);
  expect(text).not.toMatch(/Material|Care/);
  expect(missing).toEqual(['material', 'care']);
  const said = fieldsOf(
    fit,
    { blank, design },
    { blanks: { 'mug-325': { material: 'stoneware', care: 'by hand' } } },
  );
  expect(filled(FIRST_LISTING_WORDS.description, said).text).toContain('Material: stoneware.');
  // What a draft says of itself is no claim that differs.
  expect(told({ description: text })).toEqual([]);
});

test('six colours in six sizes are 36 numbers, each once; a pattern that doubles them is told', () => {
  const blank = blankById('shirt');
  const six = {
    ...blank,
    blank: {
      ...blank.blank,
      colours: Array.from({ length: 6 }, (_, i) => ({ id: `c${i}`, name: `Colour ${i}`, hex: '#ffffff' })),
      sizes: ['S', 'M', 'L', 'XL', '2XL', '3XL'].map((name) => ({ id: name, name, garment: 1, print: 1 })),
    },
  };
  const fit = fitOf(six, []);
  const variants = variantsOf(six, fit, 'Keep the Líght', '{design}-{colour}-{size}');
  expect(variants).toHaveLength(36);
  expect(new Set(variants.map(({ sku }) => sku)).size).toBe(36);
  expect(variants[0]!.sku).toBe('KEEP-THE-LIGHT-COLOUR-0-S');
  expect(skuTroubles(variants)).toEqual([]);
  expect(skuTroubles(variantsOf(six, fit, 'Lamp', '{design}-{colour}'))).toMatchObject([
    { verdict: 'fix', message: expect.stringMatching(/would both be LAMP-COLOUR-0/) as string },
  ]);
  expect(skuTroubles(variantsOf(six, fit, 'Lamp', '!'))[0]!.message).toMatch(/has no number/);
  expect(variantsOf(six, { ...fit, soldIn: ['M'] }, 'Lamp', '{row}')).toHaveLength(6);
});

test('the table of variants has the columns of its place, and stands empty where nobody has said', () => {
  const [first] = variantsOf(blankById('mug-325'), fitOf(blankById('mug-325'), []), 'Lamp', '{design}');
  const table = variantTable(
    [first!],
    columnsOf([
      { head: 'Item number', holds: 'sku' },
      { head: 'Pieces', holds: 'stock' },
      { head: 'Anything', holds: 'unheard of' },
    ]),
    ({ sku }) => ({ sku }),
  );
  expect(table).toEqual([
    ['Item number', 'Pieces', 'Anything'],
    ['LAMP', '', ''],
  ]);
  expect(columnsOf([])[0]).toEqual({ head: 'sku', holds: 'sku' });
});

test('the headline’s side is where its largest motif lies', () => {
  const blank = blankById('mug-325');
  const facts = () => factsOf(paint(10, 10, () => [0, 0, 0, 255]));
  const face = faceOf(blank);
  for (const id of ['left', 'right']) {
    const zone = face.zones.find((one) => one.id === id)!;
    const pieces = [pieceAt(zone.x, zone.y, 40, 40), pieceAt(face.width / 2, zone.y, 5, 5, { id: 'small' })];
    expect(headlineSide(blank, fitOf(blank, pieces), facts)).toBe(id);
  }
  expect(headlineSide(blank, fitOf(blank, []), facts)).toBe('front');
});
