import * as v from 'valibot';
import { NameSchema } from '../blank/basics';
import { scaledLettering } from './layout';
import { LetteringSchema, type Lettering } from './schema';

/** How words are set, kept under a name: all of a lettering but the words themselves. */
export const StyleSchema = v.object({
  name: NameSchema,
  lettering: v.omit(LetteringSchema, ['lines']),
});
export type Style = v.InferOutput<typeof StyleSchema>;

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
