/** Words as they are set: what is never seen (joiners, marks of direction) would print as the font's empty box. */
export function cleanWords(text: string): string {
  return text
    .normalize('NFC')
    .replace(/\s+/g, ' ')
    .replace(/[\p{Cc}\p{Cf}]/gu, '')
    .trim();
}

export const EMPTY = 'It is empty.';
export const UNSEEN = 'Nothing of it is seen when it is printed.';

/** Why words cannot be set in a font that lacks some of their characters. */
export function lackingMessage(lacking: readonly string[]): string {
  const named = lacking.map((one) => `“${one}” (${codeOf(one)})`).join(', ');
  return `The font has no ${named}: choose another font, or write it otherwise.`;
}

/** Why words do not stand in their place: their width in mm at a height that they are not to go below. */
export function tooWideMessage(words: string, width: number, height: string, room: number): string {
  return `“${short(words)}” is ${width.toFixed(1)} mm wide at ${height}, and its place is ${room.toFixed(1)} mm: shorten it.`;
}

function codeOf(letter: string): string {
  return Array.from(
    letter,
    (one) => `U+${one.codePointAt(0)!.toString(16).toUpperCase().padStart(4, '0')}`,
  ).join(' ');
}

function short(words: string): string {
  return words.length > 40 ? `${words.slice(0, 39)}…` : words;
}
