import { settingsOf, type Cut } from '../fit/cut';
import type { FitFace } from '../fit/schema';
import { inOneOrder } from '../key-order';

/** The id of the white that lies under a sticker's pieces out to its cut line. */
export const WHITE_BORDER = 'white-border';

/** What a cut line is known by: the pieces that it goes round, their pixels, and its settings. */
export function cutKey({ pieces, cut }: FitFace & { cut: Cut }, pixelKeys: readonly string[]): string {
  const round = pieces.filter(({ id }) => id !== WHITE_BORDER);
  return hash(inOneOrder([round, settingsOf(cut), pixelKeys]));
}

/** 53 bits of a text (cyrb53: two rounds of 32 bits, mixed): enough to tell states of one face apart. */
function hash(text: string): string {
  let [a, b] = [0xdeadbeef, 0x41c6ce57];
  for (let i = 0; i < text.length; i++) {
    const code = text.charCodeAt(i);
    a = Math.imul(a ^ code, 2654435761);
    b = Math.imul(b ^ code, 1597334677);
  }
  a = Math.imul(a ^ (a >>> 16), 2246822507) ^ Math.imul(b ^ (b >>> 13), 3266489909);
  b = Math.imul(b ^ (b >>> 16), 2246822507) ^ Math.imul(a ^ (a >>> 13), 3266489909);
  return (4294967296 * (2097151 & b) + (a >>> 0)).toString(36);
}
