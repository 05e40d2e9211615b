import { extentOf, opaqueBox } from '../../fit/geometry';
import type { ShapePiece, ShowingPiece } from '../../fit/schema';
import { thickened, thinnestOf } from '../../fit/shape-ink';
import { fixed } from '../../length/show';
import { measureEach, showingPieces, withFinish, withPiece, type CheckContext, type Rule } from '../context';
import { placed, type Finding, type Remedy, type Verdict } from '../finding';
import { CHECK_LIMITS } from '../../limits';
import { NOTHING_THIN, type ThinPlaces } from '../../raster/strokes';
import { inkStrokesOf, shownOf, strokesOf } from '../measure/artwork';
import { thinOnPlates } from './thin-plates';

/** Strokes, the gaps between them, and lines of one ink on another, against the thinnest that the method holds. */
export const thin: Rule = {
  id: 'thin',
  rests: [],
  name: 'Thin strokes',
  way: 'Make it larger, or bring artwork with thicker strokes.',
  moves: true,
  ofArtwork: true,
  check: (context) => [
    ...measureEach(context, [...showingPieces(context), ...shapesOf(context)], 'more', (own, piece) =>
      piece.kind === 'shape' ? measureShape(own, piece) : measure(own, piece),
    ),
    ...thinOnPlates(context),
  ],
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
  const { name } = KINDS[kind];
  const told = finding(context, piece, thinnest, {
    kind,
    under: `${sayShare(worst.share)} of the ${kind === 'lines' ? 'artwork' : `${name}s`}`,
  });
  return {
    ...told,
    remedies: thinnest === null ? [] : remedies(context, piece, limit, read),
    ...(told.verdict !== 'ready' &&
      placed(kinds.flatMap((one) => read[one].each.flatMap(({ stretches }) => stretches.map(placeOf))))),
  };
}

function shapesOf({ pieces }: CheckContext): ShapePiece[] {
  return pieces.filter((piece) => piece.kind === 'shape').filter(({ visible }) => visible);
}

/** A shape says itself how thin it is. */
function measureShape(context: CheckContext, piece: ShapePiece): Finding {
  const limit = context.blank.limits.stroke;
  const own = thinnestOf(piece);
  const thinnest = own >= limit - EXACT ? null : own;
  const told = finding(context, piece, thinnest, { kind: 'strokes', under: 'it is' });
  const label = `Make it ${fixed(limit, 2)} mm thick`;
  return {
    ...told,
    remedies:
      thinnest === null
        ? []
        : [{ id: 'thicken', label, pieces: withPiece(context, thickened(piece, limit)) }],
    ...(told.verdict !== 'ready' && placed([extentOf(opaqueBox(piece, null))])),
  };
}

/** What numbers in mm may differ by and be the same. */
const EXACT = 1e-6;

function finding(
  context: CheckContext,
  piece: ShapePiece | ShowingPiece,
  /** mm; null where all of it holds. */
  thinnest: number | null,
  { kind, under }: { kind: Kind; under: string },
): Finding {
  const limit = context.blank.limits.stroke;
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
        thinnest === null ? `none under ${fixed(limit, 2)} mm` : `${under} under ${fixed(limit, 2)} mm`,
    },
    gauge: thinnest === null ? null : { from: 0, to: limit * 1.5, limit, value: thinnest },
    pieceId: piece.id,
    word: thinnest === null ? 'Strokes' : `${narrow} ${name}`,
    message:
      thinnest === null
        ? `Every stroke of “${piece.name}” holds.`
        : `“${piece.name}” has ${name}s down to ${narrow}; under ${fixed(limit, 2)} mm ${fate}.`,
    remedies: [],
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
