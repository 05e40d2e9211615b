import { scaledLettering } from './layout';
import type { Lettering, Style } from './schema';

/** A lettering's style, to be kept. */
export function styleOf(name: string, lettering: Lettering): Style {
  return { name, lettering: withoutWords(lettering) };
}

/** What becomes of other words by a style: as large as they are, or where their lines have one width, that wide. */
export function inStyle({ lettering: style }: Style, now: Lettering): Omit<Lettering, 'lines'> {
  const factor =
    style.equalWidth !== null && now.equalWidth !== null
      ? now.equalWidth / style.equalWidth
      : now.cap / style.cap;
  return withoutWords(scaledLettering({ ...style, lines: now.lines }, factor));
}

function withoutWords(lettering: Lettering): Omit<Lettering, 'lines'> {
  const rest: Omit<Lettering, 'lines'> & Partial<Lettering> = { ...lettering };
  delete rest.lines;
  return rest;
}
