import { UpFitError } from '@/core/errors';
import { MM_PER_INCH } from '@/core/length/units';
import type { FontCut } from '../font';
import { cleanDrawing } from './clean';
import type { MakePlain } from './plain';

/** A font that live text can be outlined with. */
export interface WordFont extends FontCut {
  file: Uint8Array;
  /** Characters of a text that it has no glyph for. */
  lacking: (text: string) => readonly string[];
}

/** A drawing whose live text is outlines now, and the families that they are of. */
export interface OutlinedWords {
  svg: string;
  families: string[];
}

/** CSS units to an inch. */
const CSS_PPI = 96;

/**
 * A drawing with its live text as outlines, in fonts of the names that it gives, at its true size; as safe as any drawing
 * that is drawn. Throws `unsupported` with what stands in the way: a font that is not there, or a letter that it lacks.
 */
export async function outlineWords(
  name: string,
  source: string,
  fonts: readonly WordFont[],
  makePlain: MakePlain,
): Promise<OutlinedWords> {
  const drawing = cleanDrawing(name, source, { words: true });
  const { width, height } = drawing.size;
  const unit = CSS_PPI / MM_PER_INCH;
  const safe = drawing.svg({ width: width * unit, height: height * unit });
  const asked = askedFor(safe);
  if (asked.families.length === 0)
    throw refused(`The words of “${name}” name no font: outline them where they were drawn.`);
  const used = new Map<string, WordFont[]>();
  for (const choices of asked.families) {
    const cuts = choices
      .map((one) => fonts.filter((font) => isOf(font, one)))
      .find(({ length }) => length > 0);
    if (!cuts)
      throw refused(
        `“${choices[0] ?? ''}” is not among your fonts: bring it in with the font of a text on the bench, or outline “${name}” where it was drawn.`,
      );
    const { family } = cuts[0]!;
    const wanting = [
      ...(asked.bold && !cuts.some(({ bold }) => bold) ? ['bold'] : []),
      ...(asked.italic && !cuts.some(({ italic }) => italic) ? ['italic'] : []),
    ];
    if (wanting.length > 0)
      throw refused(
        `“${name}” asks for ${wanting.join(' and ')} letters, and your “${family}” has none: bring that font in.`,
      );
    const letters = cuts[0]!.lacking(drawing.text.join(' ')).slice(0, 5);
    if (letters.length > 0)
      throw refused(
        `“${family}” has no ${letters.map((one) => `“${one}”`).join(', ')}: outline “${name}” where it was drawn.`,
      );
    used.set(choices.join(','), cuts);
  }
  const own = [...new Set([...used.values()].flat())];
  // By the names that the fonts' own records have for them.
  const named = asked.rewrite((choices) => used.get(choices.join(','))![0]!.family);
  const plain = await makePlain(named, { files: own.map(({ file }) => file), usual: own[0]!.family });
  const sized = plain.replace(/<svg\b[^>]*>/, (root) =>
    root
      .replace(/\swidth="[^"]*"/, ` width="${width}mm"`)
      .replace(/\sheight="[^"]*"/, ` height="${height}mm"`)
      .replace(/^<svg(?![^>]*viewBox)/, `<svg viewBox="0 0 ${width * unit} ${height * unit}"`),
  );
  return { svg: sized, families: [...new Set(own.map(({ full }) => full))] };
}

/** A family as a drawing names it: a cut's weight is often a part of the name that its record gives. */
function isOf({ family, full }: FontCut, asked: string): boolean {
  const wanted = asked.toLowerCase();
  return [family, full, family.replace(WEIGHTS, '')].some((one) => one.toLowerCase() === wanted);
}

const WEIGHTS =
  /\s(?:thin|(?:extra|ultra)?\s?light|regular|medium|(?:semi|demi|extra|ultra)?\s?bold|black|heavy)$/i;

interface Asked {
  /** Of each mention of a family the choices it gives, the first wanted most. */
  families: string[][];
  bold: boolean;
  italic: boolean;
  /** The drawing with other families in their places. */
  rewrite: (to: (choices: string[]) => string) => string;
}

/** A quote of a style, as it stands escaped in a drawing's attributes. */
const QUOTES = /&(?:quot|apos|#39);|['"]/g;
const MENTION = /(font-family\s*(?::|=")\s*)((?:&(?:quot|apos|#39);|[^;"}<])+)/g;

/** What a drawing's styles ask for. */
function askedFor(svg: string): Asked {
  const choicesIn = (said: string) =>
    said
      .split(',')
      .map((one) => one.replace(QUOTES, '').trim())
      .filter((one) => one !== '');
  return {
    families: [...svg.matchAll(MENTION)]
      .map(([, , said]) => choicesIn(said!))
      .filter((choices) => choices.length > 0),
    bold: /font-weight\s*(?::|=")\s*(?:bold|[6-9]00)/.test(svg),
    italic: /font-style\s*(?::|=")\s*(?:italic|oblique)/.test(svg),
    rewrite: (to) =>
      svg.replace(MENTION, (whole, begin: string, said: string) => {
        const choices = choicesIn(said);
        return choices.length === 0 ? whole : `${begin}'${to(choices)}'`;
      }),
  };
}

function refused(message: string): UpFitError {
  return new UpFitError('unsupported', message);
}
