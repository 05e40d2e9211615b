import type { TextPiece } from '../../fit/schema';
import { dressed, placedLettering } from '../../fit/text';
import { fixed } from '../../length/show';
import { CHECK_LIMITS } from '../../limits';
import type { Dress } from '../../type/layout';
import { withPiece, type CheckContext } from '../context';
import { placed, type Finding, type Remedy } from '../finding';
import { closedCounters, shadowGaps, thinnestLine, type DressLine } from '../measure/dress';

/** What goes round, inside and under a text's letters: lines too thin, counters that are closed, hairline gaps. */
export function dressOf(context: CheckContext, piece: TextPiece): Finding[] {
  return [linesOf(context, piece), countersOf(context, piece), gapsOf(context, piece)].filter(
    (found) => found !== null,
  );
}

function linesOf(context: CheckContext, piece: TextPiece): Finding | null {
  const limit = context.blank.limits.stroke;
  const line = thinnestLine(piece, limit);
  if (!line) return null;
  return narrow(context, piece, {
    mm: line.width,
    what: line.name,
    fate: line.name === 'gap of the hatching' ? 'it fills in' : 'it breaks up',
    remedies: [thickened(context, piece, line, limit)],
  });
}

function gapsOf(context: CheckContext, piece: TextPiece): Finding | null {
  const limit = context.blank.limits.stroke;
  const found = shadowGaps(piece, limit);
  if (!found) return null;
  const { shadow } = piece.lettering;
  return {
    ...narrow(context, piece, {
      mm: found.narrowest,
      what: 'gap between letters and shadow',
      fate: 'it fills in here and there',
      remedies:
        shadow && !shadow.joined
          ? [
              {
                id: 'joined-shadow',
                label: 'Draw the shadow out from the letters, without a gap',
                pieces: withDress(context, piece, {
                  shadow: { ...placedLettering(piece).shadow!, joined: true },
                }),
              },
            ]
          : [],
    }),
    ...placed(found.places),
  };
}

/** Something of a text's dress that is narrower than the method holds. */
function narrow(
  context: CheckContext,
  piece: TextPiece,
  { mm, what, fate, remedies }: { mm: number; what: string; fate: string; remedies: Remedy[] },
): Finding {
  const limit = context.blank.limits.stroke;
  const [own, least] = [`${fixed(mm, 2)} mm`, `${fixed(limit, 2)} mm`];
  return {
    rule: 'text',
    verdict: mm >= limit * CHECK_LIMITS.thinLook ? 'look' : 'fix',
    faceId: context.face.id,
    measured: mm,
    required: limit,
    unit: 'mm',
    shown: { measured: `${own} ${what}`, required: `none under ${least}` },
    gauge: { from: 0, to: limit * 1.5, limit, value: mm },
    pieceId: piece.id,
    word: `${own} ${what}`,
    message: `“${piece.name}” has a ${what} of ${own}; under ${least} ${fate}.`,
    remedies,
  };
}

function countersOf(context: CheckContext, piece: TextPiece): Finding | null {
  const limit = context.blank.limits.stroke;
  const found = closedCounters(piece, limit);
  if (!found) return null;
  const share = `${found.count} of ${found.of}`;
  const { outline, rings } = placedLettering(piece);
  const narrower = <T extends { width: number }>(line: T): T => ({
    ...line,
    width: Math.floor(((line.width * found.most) / found.reach) * 100) / 100,
  });
  const lines = { outline: outline && narrower(outline), ...(rings && { rings: rings.map(narrower) }) };
  const holds = [...(lines.outline ? [lines.outline] : []), ...(lines.rings ?? [])].every(
    ({ width }) => width >= limit,
  );
  return {
    rule: 'text',
    verdict: 'look',
    faceId: context.face.id,
    measured: found.count,
    required: 0,
    unit: 'counters',
    shown: { measured: `${share} counters closed`, required: 'every counter of a letter open' },
    gauge: null,
    pieceId: piece.id,
    word: 'Counters closed',
    message: `The outline of “${piece.name}” closes ${share} counters of its letters, or leaves them narrower than the ${fixed(limit, 2)} mm that hold: the product does not show through them.`,
    ...placed(found.places),
    remedies: holds
      ? [
          {
            id: 'open-counters',
            label: `Make ${rings?.length ? 'the outlines' : 'the outline'} ${fixed(found.most, 2)} mm${rings?.length ? ' in all' : ''}, so that every counter stays open`,
            pieces: withDress(context, piece, lines),
          },
        ]
      : [],
  };
}

/** A line as thick as the method holds. */
function thickened(context: CheckContext, piece: TextPiece, { name }: DressLine, limit: number): Remedy {
  const { outline, rings, inline, shadow } = placedLettering(piece);
  const least = <T extends { width: number }>(line: T): T => ({
    ...line,
    width: Math.max(line.width, limit),
  });
  const hatch = shadow?.hatch;
  return {
    id: 'stronger-line',
    label: `Make it ${fixed(limit, 2)} mm`,
    pieces: withDress(
      context,
      piece,
      name === 'outline'
        ? { outline: outline && least(outline), ...(rings && { rings: rings.map(least) }) }
        : name === 'inner line'
          ? { inline: inline && least(inline) }
          : {
              shadow: shadow && {
                ...shadow,
                ...(hatch && {
                  hatch: {
                    ...hatch,
                    line: Math.max(hatch.line, limit),
                    gap: Math.max(hatch.gap, limit),
                  },
                }),
              },
            },
    ),
  };
}

function withDress(context: CheckContext, piece: TextPiece, change: Partial<Dress>) {
  return withPiece(context, dressed(piece, change));
}
