import { planOf, type Piece, type ShowingPiece } from '../../fit/schema';
import { fixed } from '../../length/show';
import { measureEach, measureShowing, withFinish, withPiece, type CheckContext, type Rule } from '../context';
import { judge, type Finding, type Remedy } from '../finding';
import { CHECK_LIMITS } from '../../limits';
import { shownOf, softOf } from '../measure/artwork';
import { halfClearShare } from '../measure/faded';

/**
 * Half-transparent pixels, in an artwork or where a piece is laid at less than all of its strength, which methods with white
 * ink under the colours print badly. Listed for those methods.
 */
export const soft: Rule = {
  id: 'soft',
  rests: [],
  name: 'Soft parts',
  way: 'Give soft parts a hard edge in Artwork, or choose a method that prints them.',
  onInk: 'soft',
  ofArtwork: true,
  check: (context) => {
    const plan = planOf(context.fit, context.face.id);
    // Plates have solids and dots, and nothing half there.
    if (!context.blank.limits.softPrintsBadly || (plan && plan.tones !== 'grey')) return [];
    const faded = context.pieces.filter(
      ({ visible, knockout, opacity = 1 }) => visible && !knockout && opacity < 1,
    );
    return [
      ...measureShowing(context, 'less', measure),
      ...measureEach(context, faded, 'less', measureFaded),
    ];
  },
};

/** A share that is half clear, 0 to 1, as a finding shows it. */
function measuredAs(share: number): Pick<Finding, 'measured' | 'required' | 'unit' | 'shown' | 'gauge'> {
  const limit = CHECK_LIMITS.softReady * 100;
  return {
    measured: share * 100,
    required: limit,
    unit: '%',
    shown: {
      measured: share === 0 ? 'none' : `${fixed(share * 100, 1)} %`,
      required: `at most ${fixed(limit, 1)} % half clear`,
    },
    gauge: { from: 5, to: -1, limit, value: Math.min(5, share * 100) },
  };
}

/** A piece at less than its strength: over what prints whole it mixes with that, over the product it is half clear. */
function measureFaded(context: CheckContext, piece: Piece): Finding {
  const { softReady, softLook } = CHECK_LIMITS;
  const share = halfClearShare(context, piece);
  const strength = `${fixed((piece.opacity ?? 1) * 100, 0)} %`;
  const verdict = judge(share, softReady, softLook);
  const whole: Piece = { ...piece };
  delete whole.opacity;
  return {
    rule: 'soft',
    verdict,
    faceId: context.face.id,
    ...measuredAs(share),
    pieceId: piece.id,
    word: verdict === 'ready' ? 'Prints whole' : `Laid at ${strength}`,
    message:
      verdict === 'ready'
        ? `“${piece.name}”, laid at ${strength}, lies on what prints whole.`
        : `“${piece.name}” is laid at ${strength} where nothing lies under it: ${context.blank.method.name.toLowerCase()} prints white under it and it turns milky.`,
    remedies:
      verdict === 'ready'
        ? []
        : [{ id: 'whole', label: 'Lay it whole, at 100 %', pieces: withPiece(context, whole) }],
  };
}

function measure(context: CheckContext, piece: ShowingPiece): Finding {
  const { softReady, softLook } = CHECK_LIMITS;
  const { share, box } = softOf(context, piece, softReady);
  const verdict = judge(share, softReady, softLook);
  const { placeOf } = shownOf(context, piece);
  const percent = `${fixed(share * 100, 1)} %`;
  return {
    rule: 'soft',
    verdict,
    faceId: context.face.id,
    ...measuredAs(share),
    pieceId: piece.id,
    word: `Soft ${percent}`,
    message:
      verdict === 'ready'
        ? `“${piece.name}” has no half-transparent parts to speak of.`
        : `${percent} of “${piece.name}” is half transparent, a shadow or a glow: ${context.blank.method.name.toLowerCase()} prints white under it and it turns milky.`,
    remedies: verdict === 'ready' ? [] : remedies(context, piece),
    ...(verdict !== 'ready' && box && { place: placeOf(box) }),
  };
}

function remedies(context: CheckContext, piece: ShowingPiece): Remedy[] {
  // Dots as fine as the method holds: the smallest that is printed is as wide as its thinnest stroke.
  const cell = context.blank.limits.stroke * 2.2;
  const halftone = { kind: 'edge', to: 'halftone', cell: Math.min(1, cell / piece.width) } as const;
  return [
    {
      id: 'halftone',
      label: `Turn them into a halftone, dots ${context.say(cell)} apart`,
      pieces: withFinish(context, piece, halftone),
    },
    {
      id: 'flat-edge',
      label: 'Give soft parts a hard edge at half strength',
      pieces: withFinish(context, piece, { kind: 'edge', to: 'flat', cell: 0 }),
    },
  ];
}
