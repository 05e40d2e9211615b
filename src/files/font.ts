import { MEGABYTE } from '@/core/length/bytes';
import type { Font as OpenedFont, Glyph as FontGlyph } from 'opentype.js';
import { UpFitError } from '@/core/errors';
import type { Segment } from '@/core/geometry/path';
import type { FontFacts } from '@/core/type/fonts';
import type { Glyph, Font } from '@/core/type/layout';
import { readFont } from './type';

/** A font larger than this is refused: no font has need of it. */
const MOST_BYTES = 32 * MEGABYTE;
/** Capitals of most fonts are about this high, in shares of the em. */
const USUAL_CAP = 0.7;

/** Reads the file of a font: TrueType, OpenType or WOFF. Throws `unreadable` or `unsupported` with what to do. */
export function openFont(name: string, bytes: ArrayBuffer): OpenedFont {
  const kind = new TextDecoder('latin1').decode(bytes.slice(0, 4));
  if (bytes.byteLength > MOST_BYTES)
    throw new UpFitError('too-large', `“${name}” is over 32 MB: bring in one font, not a whole collection.`);
  if (kind === 'wOF2') {
    throw new UpFitError(
      'unsupported',
      `“${name}” is WOFF2, which holds type for web pages only: bring in its TTF, OTF or WOFF.`,
    );
  }
  if (kind === 'ttcf')
    throw new UpFitError('unsupported', `“${name}” is a collection of fonts: bring in one as TTF or OTF.`);
  if (!['\0\x01\0\0', 'true', 'OTTO', 'wOFF'].includes(kind))
    throw new UpFitError('unreadable', `“${name}” is not a font: bring in a TTF, OTF or WOFF.`);
  try {
    const font = readFont(bytes);
    if (font.glyphs.length === 0 || !(font.unitsPerEm > 0)) throw new Error('empty');
    return font;
  } catch {
    throw new UpFitError('unreadable', `“${name}” is damaged or cut short: get it from its maker again.`);
  }
}

/** What a font says of itself: its name, what it allows, its licence. */
export function fontFacts(name: string, font: OpenedFont): FontFacts {
  const { names } = font;
  const table = ('windows' in names ? names.windows : names) as Record<string, unknown>;
  const full = saidIn(table['fullName']) || saidIn(table['fontFamily']);
  const flags = (font.tables['os2'] as { fsType?: number } | undefined)?.fsType ?? 0;
  return {
    name: full || name.replace(/\.[a-z0-9]+$/i, ''),
    embedding: flags & 8 ? 'editable' : flags & 4 ? 'print' : flags & 2 ? 'restricted' : 'installable',
    licence: [saidIn(table['license']), saidIn(table['licenseURL'])].filter(Boolean).join(' '),
    glyphs: font.glyphs.length,
  };
}

/** Which of its family a font is. */
export interface FontCut {
  family: string;
  /** Its family and cut in one. */
  full: string;
  bold: boolean;
  italic: boolean;
}

/** A font's family and cut, as its own records say (OpenType, `name` and OS/2 `usWeightClass`, `fsSelection`). */
export function fontCut(name: string, font: OpenedFont): FontCut {
  const { names } = font;
  const table = ('windows' in names ? names.windows : names) as Record<string, unknown>;
  const family = saidIn(table['preferredFamily']) || saidIn(table['fontFamily']) || name;
  const os2 = font.tables['os2'] as { usWeightClass?: number; fsSelection?: number } | undefined;
  return {
    family,
    full: saidIn(table['fullName']) || family,
    bold: (os2?.usWeightClass ?? 400) >= 600,
    italic: ((os2?.fsSelection ?? 0) & 1) === 1,
  };
}

/** What a font's record says, in the first language that it says it in. */
function saidIn(entry: unknown): string {
  const text = Object.values((entry ?? {}) as Record<string, unknown>)[0];
  return typeof text === 'string' ? text.trim() : '';
}

/** A font as the core sets type with it. */
export function fontOf(font: OpenedFont): Font {
  const known = new WeakMap<FontGlyph, Glyph>();
  const sources = new WeakMap<Glyph, FontGlyph>();
  const glyphOf = (source: FontGlyph): Glyph => {
    let glyph = known.get(source);
    if (!glyph) {
      glyph = { advance: source.advanceWidth ?? 0, path: pathOf(source, font.unitsPerEm) };
      known.set(source, glyph);
      sources.set(glyph, source);
    }
    return glyph;
  };
  return {
    capHeight: capHeight(font),
    glyphs: (text) => glyphsOf(font, text).map(glyphOf),
    kerning: (glyphs, index) =>
      font.getKerningValue(sources.get(glyphs[index]!)!, sources.get(glyphs[index + 1]!)!),
  };
}

/** Characters of a text that a font has no glyph for, each once; spaces and what is never seen are none. */
export function lackingIn(font: OpenedFont, text: string): string[] {
  const letters = Array.from(text, (letter) => letter).filter((letter) => !/[\s\p{Cc}\p{Cf}]/u.test(letter));
  return [...new Set(letters)].filter((letter) => font.charToGlyphIndex(letter) === 0);
}

/** A line's glyphs with the font's ligatures; where the library cannot read a font's rules for them, letter by letter. */
function glyphsOf(font: OpenedFont, text: string): FontGlyph[] {
  try {
    return font.stringToGlyphs(text);
  } catch {
    return Array.from(text, (letter) => font.charToGlyph(letter));
  }
}

function capHeight(font: OpenedFont): number {
  const box = font.charToGlyph('H').getBoundingBox();
  return box.y2 > 0 ? box.y2 : font.unitsPerEm * USUAL_CAP;
}

function pathOf(glyph: FontGlyph, unitsPerEm: number): Segment[] {
  return glyph.getPath(0, 0, unitsPerEm).commands.map((command): Segment => {
    switch (command.type) {
      case 'M':
        return { kind: 'move', to: { x: command.x, y: command.y } };
      case 'L':
        return { kind: 'line', to: { x: command.x, y: command.y } };
      case 'Q':
        return { kind: 'quadratic', c: { x: command.x1, y: command.y1 }, to: { x: command.x, y: command.y } };
      case 'C':
        return {
          kind: 'cubic',
          c1: { x: command.x1, y: command.y1 },
          c2: { x: command.x2, y: command.y2 },
          to: { x: command.x, y: command.y },
        };
      case 'Z':
        return { kind: 'close' };
    }
  });
}
