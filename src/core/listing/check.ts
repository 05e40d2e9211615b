import { MM_PER_INCH } from '../length/units';
import { fixed } from '../length/show';
import type { ListingLimits } from '../price/outlet';
import type { TrueSize } from './fields';
import type { Listing } from './schema';

/** What is wrong with a listing: where, and in words. A `fix` would not be taken; a `look` wants a person's eye. */
export interface ListingTrouble {
  field: 'title' | 'description' | 'tags' | 'sku';
  verdict: 'look' | 'fix';
  message: string;
  /** Which of the tags it is of, from 0. */
  tag?: number;
}

/** Characters as a reader counts them. */
export function lengthOf(text: string): number {
  return Array.from(text).length;
}

/** mm by which a size that is written may differ from the true one. */
const SAME = 1.5;

/** Everything that stands against a listing. */
export function listingTroubles(
  { title, description, tags }: Pick<Listing, 'title' | 'description' | 'tags'>,
  limits: ListingLimits,
  { sizes, notOurs }: { sizes: readonly TrueSize[]; notOurs: readonly string[] },
): ListingTrouble[] {
  const all = [title, description, ...tags].join('\n');
  return [
    ...tooLong('title', title, limits.title),
    ...(title.trim() === '' ? [trouble('title', 'fix', 'The title is empty.')] : []),
    ...tooLong('description', description, limits.description),
    ...tagTroubles(tags, limits),
    ...shouted('title', title),
    ...shouted('description', description),
    ...otherSizes(title, 'title', sizes),
    ...otherSizes(description, 'description', sizes),
    ...notOurs.flatMap((word): ListingTrouble[] => {
      if (word.trim() === '' || !hasWord(all, word)) return [];
      const field = hasWord(title, word) ? 'title' : hasWord(description, word) ? 'description' : 'tags';
      return [trouble(field, 'fix', `“${word}” is marked as not yours: leave it out.`)];
    }),
  ];
}

const trouble = (
  field: ListingTrouble['field'],
  verdict: ListingTrouble['verdict'],
  message: string,
): ListingTrouble => ({ field, verdict, message });

function tooLong(field: 'title' | 'description', text: string, most: number | null): ListingTrouble[] {
  const over = most === null ? 0 : lengthOf(text) - most;
  return over > 0
    ? [trouble(field, 'fix', `The ${field} is ${over} over the ${most} characters that are taken.`)]
    : [];
}

function tagTroubles(tags: readonly string[], { tags: most, tagLength }: ListingLimits): ListingTrouble[] {
  const seen = new Map<string, number>();
  const found: ListingTrouble[] = [];
  if (most !== null && tags.length > most)
    found.push(trouble('tags', 'fix', `${tags.length} tags, and ${most} are taken.`));
  for (const [i, tag] of tags.entries()) {
    const long = tagLength !== null && lengthOf(tag) > tagLength;
    if (long)
      found.push({
        ...trouble('tags', 'fix', `“${tag}” is ${lengthOf(tag)} long, and a tag may be ${tagLength}.`),
        tag: i,
      });
    const key = tag.trim().toLocaleLowerCase();
    const before = seen.get(key);
    if (before !== undefined)
      found.push({ ...trouble('tags', 'fix', `“${tag}” stands there twice.`), tag: i });
    else seen.set(key, i);
  }
  return found;
}

/** Letters from which a word in capitals is no abbreviation. */
const SHOUT = 5;

/** Words all in capitals. */
function shouted(field: 'title' | 'description', text: string): ListingTrouble[] {
  const words = [...new Set(text.match(new RegExp(`\\p{Lu}{${SHOUT},}`, 'gu')) ?? [])].slice(0, 3);
  return words.length > 0
    ? [
        trouble(
          field,
          'look',
          `${words.map((word) => `“${word}”`).join(', ')} ${words.length === 1 ? 'is' : 'are'} all in capitals.`,
        ),
      ]
    : [];
}

const CLAIM =
  /(\d+(?:[.,]\d+)?)\s*(?:mm|cm|in|″|")?\s*[×x]\s*(\d+(?:[.,]\d+)?)\s*(mm|cm|in\b|inch(?:es)?|″|")/giu;

/** Sizes that a text gives and the fit has not. */
function otherSizes(
  text: string,
  field: 'title' | 'description',
  sizes: readonly TrueSize[],
): ListingTrouble[] {
  if (sizes.length === 0) return [];
  return [...text.matchAll(CLAIM)].flatMap(([said, a, b, unit]): ListingTrouble[] => {
    const scale = /^mm$/i.test(unit!) ? 1 : /^cm$/i.test(unit!) ? 10 : MM_PER_INCH;
    const mm = [a!, b!].map((number) => Number(number.replace(',', '.')) * scale) as [number, number];
    // What is rounded to the last place that is written is the same.
    const round = Math.max(SAME, scale * 0.5 * 10 ** -decimals(a!), scale * 0.5 * 10 ** -decimals(b!));
    const near = (one: number, other: number) => Math.abs(one - other) <= round;
    const held = sizes.some(
      ({ width, height }) =>
        (near(mm[0], width) && near(mm[1], height)) || (near(mm[0], height) && near(mm[1], width)),
    );
    if (held) return [];
    const own = sizes.map(({ width, height }) => `${fixed(width, 0)} × ${fixed(height, 0)} mm`).join(', ');
    return [trouble(field, 'fix', `“${said.trim()}” is said, and the print is ${own}.`)];
  });
}

function decimals(number: string): number {
  return /[.,](\d+)$/.exec(number)?.[1]?.length ?? 0;
}

function hasWord(text: string, word: string): boolean {
  const own = word.trim().replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
  return new RegExp(`(?<![\\p{L}\\p{N}])${own}(?![\\p{L}\\p{N}])`, 'iu').test(text);
}
