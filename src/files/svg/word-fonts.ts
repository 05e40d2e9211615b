import { fontCut, lackingIn, openFont } from '../font';
import { sfntOf } from '../sfnt';
import type { WordFont } from './words';

/** A font's file, to outline live text with. Throws with a sentence where it is none. */
export async function wordFont(name: string, bytes: ArrayBuffer): Promise<WordFont> {
  const font = openFont(name, bytes);
  return {
    ...fontCut(name, font),
    file: await sfntOf(name, bytes),
    lacking: (text) => lackingIn(font, text),
  };
}
