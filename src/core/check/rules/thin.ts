import type { ShowingPiece } from '../../fit/schema';
import { fixed } from '../../length/show';
import { measureShowing, withFinish, type CheckContext, type Rule } from '../context';
import type { Finding, Remedy, Verdict } from '../finding';
import { CHECK_LIMITS } from '../limits';
import { shownOf, strokesOf } from '../measure/artwork';

/** Strokes of the motifs, and gaps between them, against the thinnest that the method holds. */
export const thin: Rule = {
  id: 'thin',
  version: 1,
  rests: [],
  name: 'Thin strokes',
  check: (context) => measureShowing(context, 'more', measure),
};

function measure(context: CheckContext, piece: ShowingPiece): Finding | null {
  const limit = context.blank.limits.stroke;
  const { raster, mm, placeOf } = shownOf(context, piece);
  if (piece.role === 'ground' || raster.opaque) return null;
  const { strokes, gaps } = strokesOf(context, piece, limit);
  const gap = (gaps.thinnest ?? Infinity) < (strokes.thinnest ?? Infinity);
  const worst = gap ? gaps : strokes;
  const thinnest = worst.thinnest === null ? null : worst.thinnest * mm;
  const verdict: Verdict =
    thinnest === null ? 'ready' : thinnest >= limit * CHECK_LIMITS.thinLook ? 'look' : 'fix';
  const what = gap ? 'gap' : 'stroke';
  const narrow = thinnest === null ? '' : `${fixed(thinnest, 2)} mm`;
  return {
    rule: 'thin',
    verdict,
    faceId: context.face.id,
    measured: thinnest ?? limit,
    required: limit,
    unit: 'mm',
    shown: {
      measured: thinnest === null ? 'holds' : `${narrow} ${what}`,
      required:
        thinnest === null
          ? `none under ${fixed(limit, 2)} mm`
          : `${fixed(worst.share * 100, 1)} % of the ${what}s under ${fixed(limit, 2)} mm`,
    },
    gauge: thinnest === null ? null : { from: 0, to: limit * 1.5, limit, value: thinnest },
    pieceId: piece.id,
    word: thinnest === null ? 'Strokes' : `${narrow} ${what}`,
    message:
      thinnest === null
        ? `Every stroke of “${piece.name}” holds.`
        : `“${piece.name}” has ${what}s down to ${narrow}; under ${fixed(limit, 2)} mm ${gap ? 'they fill in' : 'they break up'}.`,
    remedies:
      verdict === 'ready'
        ? []
        : remedies(context, piece, limit, strokes.thinnest !== null, gaps.thinnest !== null),
    ...(verdict !== 'ready' && worst.box && { place: placeOf(worst.box) }),
  };
}

function remedies(
  context: CheckContext,
  piece: ShowingPiece,
  limit: number,
  strokes: boolean,
  gaps: boolean,
): Remedy[] {
  const share = Math.min(1, limit / piece.width);
  const width = `${fixed(limit, 2)} mm`;
  return [
    ...(strokes
      ? [
          {
            id: 'thicken',
            label: `Thicken thin strokes to ${width}`,
            pieces: withFinish(context, piece, { kind: 'thicken', what: 'strokes', limit: share }),
          },
        ]
      : []),
    ...(gaps
      ? [
          {
            id: 'open-gaps',
            label: `Open thin gaps to ${width}`,
            pieces: withFinish(context, piece, { kind: 'thicken', what: 'gaps', limit: share }),
          },
        ]
      : []),
  ];
}
