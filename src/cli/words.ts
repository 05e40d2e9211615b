import { UpFitError } from '@/core/errors';
import { LIMITS } from '@/core/artwork/limits';
import { MOST_OUTLINED } from '@/core/artwork/steps';
import { SHIPPED_FONTS } from '@/core/type/fonts';
import type { ArtworkFile } from '@/files/artwork';
import { textOf } from '@/files/svg/artwork';
import { nodePlain } from '@/files/svg/node';
import { wordFont } from '@/files/svg/word-fonts';
import { outlineWords, type WordFont } from '@/files/svg/words';
import { shippedFontBytes } from './font';

const makePlain = nodePlain();
let fonts: Promise<WordFont[]> | undefined;

/** A drawing with its live text outlined, where the fonts that it names come with Up Fit; any other file as it is. */
export async function withWords<T extends ArtworkFile>(file: T): Promise<T> {
  const { name, source } = file;
  if (!/\.svg$/i.test(name) || source.size > LIMITS.bytes) return file;
  const text = textOf(source);
  if (!/<(?:svg:)?text\b/.test(text)) return file;
  fonts ??= Promise.all(
    SHIPPED_FONTS.map(async ({ id, name: own }) => wordFont(own, await shippedFontBytes(id))),
  );
  try {
    const { svg, families } = await outlineWords(name, text, await fonts, makePlain);
    return svg.length > MOST_OUTLINED ? file : { ...file, steps: [{ kind: 'outline', families, svg }] };
  } catch (error) {
    // What it names is not here: it is told as live text. What cannot be read at all is told where it is read.
    if (error instanceof UpFitError) return file;
    throw error;
  }
}
