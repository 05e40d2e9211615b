import { readFile } from 'node:fs/promises';
import { SHIPPED_FONTS } from '@/core/type/fonts';
import { openFont } from '@/files/font';
import { home } from '@/imaging/home';
import { badArgument } from './args';

/** The file of a font that comes with Up Fit, where it is served from. */
export async function shippedFontBytes(id: string): Promise<ArrayBuffer> {
  const { buffer, byteOffset, byteLength } = await readFile(home('public', 'fonts', `${id}.woff`));
  return buffer.slice(byteOffset, byteOffset + byteLength);
}

/** A font by the name or the id of one that comes with Up Fit, or by the path of its file. */
export async function fontNamed(asked: string) {
  const wanted = asked.trim().toLowerCase();
  const shipped = SHIPPED_FONTS.find(({ id, name }) => id === wanted || name.toLowerCase() === wanted);
  if (shipped) return openFont(shipped.name, await shippedFontBytes(shipped.id));
  if (!/\.(ttf|otf|woff)$/i.test(asked)) {
    const names = SHIPPED_FONTS.map(({ name }) => name).join(', ');
    throw badArgument(`There is no font “${asked}”: name one of ${names}, or a TTF, OTF or WOFF file.`);
  }
  const bytes = await readFile(asked).catch(() => {
    throw badArgument(`The font ${asked} is not there, or cannot be read.`);
  });
  return openFont(asked, bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength));
}
