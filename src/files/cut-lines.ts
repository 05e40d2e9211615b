import type { CutOnSheet } from '@/core/sheet/cuts';

/** The cut lines of one sticker or one sheet, in mm of its page. */
export interface CutPage {
  name: string;
  width: number;
  height: number;
  lines: readonly CutOnSheet[];
}

/** Stroke in mm of a cut line in a drawing. */
const HAIR = 0.1;

/** Cut lines alone as SVG at true size, each a path by the name of what it cuts out. */
export function cutSvg({ width, height, lines }: CutPage): string {
  const drawn = lines.map(
    ({ kind, name, d }) =>
      `<path class="${kind === 'cut' ? 'cut-line' : 'backing'}"${kind === 'backing' ? ' stroke-dasharray="1 0.7"' : ''} d="${d}"><title>${escaped(name)}</title></path>`,
  );
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="0 0 ${width} ${height}">` +
    `<g fill="none" stroke="#ff00ff" stroke-width="${HAIR}">${drawn.join('')}</g></svg>\n`
  );
}

function escaped(text: string): string {
  return text.replace(/&/g, '&amp;').replace(/</g, '&lt;');
}
