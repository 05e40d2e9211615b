import type { Content } from './schema';

/** Scripts that set their words apart: there a word is found whole, and not within another. */
const STARTS = /^[\p{Script=Latin}\p{Script=Greek}\p{Script=Cyrillic}\p{N}]/u;
const ENDS = /[\p{Script=Latin}\p{Script=Greek}\p{Script=Cyrillic}\p{N}]$/u;

/** Whether any of an entry's words stands in the lettering: “tel” is not said by “hotel”. */
export function isSaid({ words }: Pick<Content, 'words'>, lettering: string): boolean {
  const said = plain(lettering);
  return words.some((word) => {
    const wanted = plain(word).trim();
    if (wanted === '') return false;
    const before = STARTS.test(wanted) ? '(?<![\\p{L}\\p{N}])' : '';
    const after = ENDS.test(wanted) ? '(?![\\p{L}\\p{N}])' : '';
    const inner = wanted
      .split(/\s+/)
      .map((part) => part.replace(/[.*+?^${}()|[\]\\]/g, '\\$&'))
      .join('\\s+');
    return new RegExp(`${before}${inner}${after}`, 'u').test(said);
  });
}

function plain(text: string): string {
  return text.normalize('NFKC').toLowerCase();
}

/** What such products usually must carry: lists to begin with, each to be changed for the law of one's own country. */
export const STARTING_CONTENTS: readonly { name: string; contents: readonly Content[] }[] = [
  {
    name: 'Tin, jar or bottle',
    contents: [
      { id: 'maker', name: 'maker', words: ['made by', 'maker', 'produced by'] },
      { id: 'net-amount', name: 'net amount', words: ['net', 'g', 'ml', 'oz', 'fl oz'] },
      { id: 'ingredients', name: 'ingredients', words: ['ingredients', 'contains'] },
      { id: 'use', name: 'use', words: ['use', 'to use', 'apply', 'directions'] },
      { id: 'address', name: 'address', words: ['address', 'street', 'road', 'lane', 'quay'] },
      { id: 'phone', name: 'phone', words: ['phone', 'tel', 'call'] },
    ],
  },
  {
    name: 'Food pouch',
    contents: [
      { id: 'net-weight', name: 'net weight', words: ['net weight', 'net wt', 'g', 'kg', 'oz'] },
      { id: 'best-before', name: 'best before', words: ['best before', 'use by'] },
      { id: 'maker', name: 'maker and address', words: ['made by', 'packed by'] },
      { id: 'ingredients', name: 'ingredients', words: ['ingredients'] },
      { id: 'allergens', name: 'allergens', words: ['allergens', 'contains', 'may contain'] },
      { id: 'storage', name: 'storage', words: ['store', 'keep'] },
    ],
  },
];
