import { isSaid, STARTING_CONTENTS } from '@/core/blank/contents';

const said = (words: string[], lettering: string) => isSaid({ words }, lettering);

describe('words that must be on a product', () => {
  test.each([
    ['tel', 'Tel. 01632 960 001', true],
    ['tel', 'Grand Hotel, Gullwick', false],
    ['tel', 'PASTEL', false],
    ['tel', 'tel:01632', true],
    ['net wt', 'NET   WT 250 g', true],
    ['net wt', 'Net\nwt 250 g', true],
    ['250 g', 'net 250 g', true],
    ['250 g', 'net 1250 g', false],
    ['250 g', '250 grams', false],
    ['g', '40 g', true],
    ['g', '40g', false],
    ['c++', 'made with c++ here', true],
    ['maker', 'Máker', false],
    ['ﬁsh', 'contains fish', true],
    ['賞味期限', '賞味期限2027年', true],
    ['производитель', 'Производитель: Гул', true],
    ['', 'anything', false],
    ['  ', 'anything', false],
  ])('“%s” in “%s”: %s', (word, lettering, expected) => {
    expect(said([word], lettering)).toBe(expected);
  });

  test('any of an entry’s words will do, and an entry without words is never said', () => {
    expect(said(['phone', 'call'], 'call us')).toBe(true);
    expect(said([], 'call us')).toBe(false);
  });

  test('starting lists name each thing once, by ids that differ, with words', () => {
    for (const { contents } of STARTING_CONTENTS) {
      expect(new Set(contents.map(({ id }) => id)).size).toBe(contents.length);
      expect(contents.every(({ words }) => words.length > 0)).toBe(true);
    }
  });
});
