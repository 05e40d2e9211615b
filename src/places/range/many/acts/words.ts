import { SHIPPED_FONTS } from '@/core/type/fonts';
import type { Lettering } from '@/core/type/schema';
import { dequal } from 'dequal';
import { placedLettering } from '@/core/fit/text';
import { inStyle } from '@/core/type/style';
import type { Fit, Piece, TextPiece } from '@/core/fit/schema';
import type { Changed } from '@/core/many/changed';
import { linesFrom, textsOf, withPieces, wordsOf } from '@/core/many/words';
import { relaid } from '@/state/bench/type';
import { useShop } from '@/state/shop/shop';
import { counted, toFit, type ManyAct } from './act';

const hasWords: ManyAct['takes'] = ({ fit }) => fit !== null && textsOf(fit).length > 0;

/** Some of a fit's texts set anew. */
async function relaidAll(
  fit: Fit,
  change: (text: TextPiece) => Partial<Lettering> | null,
  otherwise: string,
): Promise<Changed> {
  const changed = new Map<string, Piece>();
  for (const text of textsOf(fit)) {
    const wanted = change(text);
    if (wanted) changed.set(text.id, await relaid(text, wanted));
  }
  return changed.size === 0 ? { why: otherwise } : { fit: withPieces(fit, changed) };
}

export const WORDS: ManyAct = {
  name: 'Change their words…',
  done: 'with the new words',
  takes: hasWords,
  asks: [
    {
      id: 'from',
      label: 'instead of',
      kind: 'choice',
      choices: (targets) => counted(targets, (fit) => textsOf(fit).map(wordsOf)),
    },
    { id: 'to', label: 'they say; a line ends with “ / ”', kind: 'words', most: 500 },
  ],
  change: toFit(({ fit }, { from, to = '' }) =>
    relaidAll(
      fit,
      (text) => (wordsOf(text) === from ? { lines: linesFrom(to, text.lettering) } : null),
      'It does not say that.',
    ),
  ),
};

export const FONT: ManyAct = {
  name: 'Set their words in another font…',
  done: 'in that font',
  takes: hasWords,
  asks: [
    {
      id: 'font',
      label: 'font',
      kind: 'choice',
      choices: () => [
        ...SHIPPED_FONTS.map(({ id, name }) => [id, name] as const),
        ...[...useShop.getState().faces.values()].map(({ id, facts }) => [id, facts.name] as const),
      ],
    },
  ],
  change: toFit(({ fit }, { font = '' }) =>
    relaidAll(
      fit,
      ({ lettering }) => (lettering.faceId === font ? null : { faceId: font }),
      'Its words are in that font already.',
    ),
  ),
};

export const STYLE: ManyAct = {
  name: 'Set their words in a kept style…',
  done: 'in that style',
  takes: (target) => hasWords(target) && useShop.getState().settings.styles.length > 0,
  asks: [
    {
      id: 'style',
      label: 'style',
      kind: 'choice',
      choices: () => useShop.getState().settings.styles.map(({ name }) => [name, name] as const),
    },
  ],
  change: toFit(({ fit }, { style: name = '' }) => {
    const style = useShop.getState().settings.styles.find((one) => one.name === name);
    if (!style) return { why: 'That style is not kept any more.' };
    return relaidAll(
      fit,
      (text) => {
        const now = placedLettering(text);
        const next = { ...now, ...inStyle(style, now) };
        return dequal(next, now) ? null : next;
      },
      'Its words are in that style already.',
    );
  }),
};

export const INK: ManyAct = {
  name: 'Change the colour of their words…',
  done: 'with words in that colour',
  takes: hasWords,
  asks: [{ id: 'colour', label: 'colour of the words', kind: 'colour' }],
  change: toFit(({ fit }, { colour = '' }) =>
    relaidAll(
      fit,
      ({ lettering }) => (lettering.colour === colour ? null : { colour }),
      'Its words are in that colour already.',
    ),
  ),
};
