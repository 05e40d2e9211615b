import { redrawn, scaledLettering, type Dress } from '../type/layout';
import type { Ink, Lettering } from '../type/schema';
import type { Point } from './geometry';
import type { TextPiece } from './schema';

/** Words that a new text begins with. */
export function firstLettering(faceId: string, colour: string, cap: number): Lettering {
  return {
    lines: [{ text: 'Your words', gap: null }],
    faceId,
    cap,
    equalWidth: null,
    gap: cap * 0.6,
    spacing: 0,
    align: 'centre',
    colour,
    outline: null,
    bend: null,
    plate: null,
  };
}

/** A text as it was just set, its middle at a point. */
export function newText(id: string, lettering: Lettering, ink: Ink, at: Point): TextPiece {
  return {
    id,
    kind: 'text',
    name: nameOf(lettering),
    role: 'motif',
    locked: false,
    visible: true,
    knockout: false,
    groupId: null,
    x: at.x,
    y: at.y,
    width: ink.width,
    height: ink.height,
    rotation: 0,
    flipped: false,
    lettering,
    ink,
  };
}

/** The text set anew, at true scale; its middle stays, and its name follows its words where it was named after them. */
export function withInk(piece: TextPiece, lettering: Lettering, ink: Ink): TextPiece {
  const named = piece.name === nameOf(piece.lettering);
  return {
    ...piece,
    lettering,
    ink,
    width: ink.width,
    height: ink.height,
    ...(named && { name: nameOf(lettering) }),
  };
}

/** A text's lettering at the size that it is placed in: what was scaled with it is scaled. */
export function placedLettering({ lettering, ink, height }: TextPiece): Lettering {
  const factor = height / ink.height;
  return Math.abs(factor - 1) < 1e-9 ? lettering : scaledLettering(lettering, factor);
}

/** The text at its placed size with something else round, under or behind its letters. */
export function dressed(piece: TextPiece, change: Partial<Dress>): TextPiece {
  const lettering = { ...placedLettering(piece), ...change };
  return withInk(piece, lettering, redrawn(piece.ink, piece.height / piece.ink.height, lettering));
}

/** Cap height in mm of the smallest line, at the size the text is placed in. */
export function smallestCap({ ink, height }: TextPiece): number {
  return Math.min(...ink.lines.map(({ cap }) => cap)) * (height / ink.height);
}

function nameOf({ lines }: Lettering): string {
  const words = lines
    .map(({ text }) => text.trim())
    .join(' ')
    .trim();
  return words.length > 40 ? `${words.slice(0, 39)}…` : words || 'Text';
}

/** What a text prints, the lowest first, in units of its ink's own box: its plate, its shadow, what goes round its letters, they. */
export function textInks({
  ink,
  lettering,
}: Pick<TextPiece, 'ink' | 'lettering'>): { d: string; colour: string }[] {
  const { plate, shadow, outline, rings = [], inline, colour } = lettering;
  const { inner, ringsD = [] } = ink;
  return [
    ...(ink.plateD !== null && plate ? [{ d: ink.plateD, colour: plate.colour }] : []),
    ...(ink.shadowD && shadow ? [{ d: ink.shadowD, colour: shadow.colour }] : []),
    // The widest lies lowest.
    ...ringsD.flatMap((d, i) => (rings[i] ? [{ d, colour: rings[i].colour }] : [])).reverse(),
    ...(ink.outlineD !== null && outline ? [{ d: ink.outlineD, colour: outline.colour }] : []),
    ...(inner && inline
      ? [
          { d: ink.d, colour: inline.colour },
          ...inner.map((part) => ({ d: part.d, colour: part.colour ?? colour })),
        ].filter(({ d }) => d !== '')
      : (ink.parts ?? [{ d: ink.d, colour }])),
  ];
}

/** All that a text covers, as one outline in units of its ink's own box: a shadow turns the way that what casts it does. */
export function textCover(ink: TextPiece['ink']): string {
  return ink.plateD ?? `${ink.shadowD ?? ''}${lettersCover(ink)}`;
}

/** All that a text's letters cover with what goes round them, without shadow and plate. */
export function lettersCover({ ringsD, outlineD, d }: TextPiece['ink']): string {
  return ringsD?.at(-1) ?? outlineD ?? d;
}

/** The colours of a text's letters. */
export function letterColours({ colour, dealt }: Lettering): readonly string[] {
  return dealt ? dealt.colours : [colour];
}

/** How far below the middle of a text's box the middle of its capitals lies, in mm: 0 where nobody kept its baseline. */
export function capsBelowMiddle({ lines, gap }: Lettering, { height, base, lines: set }: Ink): number {
  if (base === undefined) return 0;
  const last = set.reduce((at, { cap }, i) => (i === 0 ? base : at + (lines[i - 1]?.gap ?? gap) + cap), base);
  return (base - set[0]!.cap + last) / 2 - height / 2;
}
