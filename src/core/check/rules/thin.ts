import type { ShowingPiece } from '../../fit/schema';
import { fixed } from '../../length/show';
import { measureShowing, withFinish, type CheckContext, type Rule } from '../context';
import { placed, type Finding, type Remedy, type Verdict } from '../finding';
import { CHECK_LIMITS } from '../limits';
import { NOTHING_THIN, type ThinPlaces } from '../../raster/strokes';
import { inkStrokesOf, shownOf, strokesOf } from '../measure/artwork';

/** Strokes, the gaps between them, and lines of one ink on another, against the thinnest that the method holds. */
export const thin: Rule = {
  id: 'thin',
  version: 2,
  rests: [],
  name: 'Thin strokes',
  moves: true,
  check: (context) => measureShowing(context, 'more', measure),
};

/** What can be too thin, and what becomes of it. */
const KINDS = {
  strokes: { name: 'stroke', fate: 'they break up' },
  gaps: { name: 'gap', fate: 'they fill in' },
  lines: { name: 'line', fate: 'they fill in or break up' },
} as const;
type Kind = keyof typeof KINDS;

function measure(context: CheckContext, piece: ShowingPiece): Finding | null {
  const limit = context.blank.limits.stroke;
  const { mm, placeOf } = shownOf(context, piece);
  const read: Record<Kind, ThinPlaces> = {
    // A ground's own edge is no stroke.
    ...(piece.role === 'ground'
      ? { strokes: NOTHING_THIN, gaps: NOTHING_THIN }
      : strokesOf(context, piece, limit)),
    lines: inkStrokesOf(context, piece, limit),
  };
  const kinds = Object.keys(KINDS) as Kind[];
  const thinnestOf = (kind: Kind) => read[kind].thinnest ?? Infinity;
  const [kind] = kinds.sort((a, b) => thinnestOf(a) - thinnestOf(b)) as [Kind, ...Kind[]];
  const worst = read[kind];
  const thinnest = worst.thinnest === null ? null : worst.thinnest * mm;
  const verdict: Verdict =
    thinnest === null ? 'ready' : thinnest >= limit * CHECK_LIMITS.thinLook ? 'look' : 'fix';
  const { name, fate } = KINDS[kind];
  const narrow = thinnest === null ? '' : `${fixed(thinnest, 2)} mm`;
  return {
    rule: 'thin',
    verdict,
    faceId: context.face.id,
    measured: thinnest ?? limit,
    required: limit,
    unit: 'mm',
    shown: {
      measured: thinnest === null ? 'holds' : `${narrow} ${name}`,
      required:
        thinnest === null
          ? `none under ${fixed(limit, 2)} mm`
          : `${sayShare(worst.share)} of the ${kind === 'lines' ? 'artwork' : `${name}s`} under ${fixed(limit, 2)} mm`,
    },
    gauge: thinnest === null ? null : { from: 0, to: limit * 1.5, limit, value: thinnest },
    pieceId: piece.id,
    word: thinnest === null ? 'Strokes' : `${narrow} ${name}`,
    message:
      thinnest === null
        ? `Every stroke of “${piece.name}” holds.`
        : `“${piece.name}” has ${name}s down to ${narrow}; under ${fixed(limit, 2)} mm ${fate}.`,
    remedies: thinnest === null ? [] : remedies(context, piece, limit, read),
    ...(verdict !== 'ready' && placed(kinds.flatMap((one) => read[one].each.map(({ box }) => placeOf(box))))),
  };
}

function sayShare(share: number): string {
  return share < 0.0005 ? 'less than 0.1 %' : `${fixed(share * 100, 1)} %`;
}

function remedies(
  context: CheckContext,
  piece: ShowingPiece,
  limit: number,
  { strokes, gaps }: Record<Kind, ThinPlaces>,
): Remedy[] {
  const share = Math.min(1, limit / piece.width);
  const width = `${fixed(limit, 2)} mm`;
  const thicken = (what: 'strokes' | 'gaps') =>
    withFinish(context, piece, { kind: 'thicken', what, limit: share });
  return [
    ...(strokes.thinnest !== null
      ? [{ id: 'thicken', label: `Thicken thin strokes to ${width}`, pieces: thicken('strokes') }]
      : []),
    ...(gaps.thinnest !== null
      ? [{ id: 'open-gaps', label: `Open thin gaps to ${width}`, pieces: thicken('gaps') }]
      : []),
  ];
}
