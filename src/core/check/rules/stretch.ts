import { gridOf } from '../../artwork/facts';
import { opaqueBox } from '../../fit/geometry';
import { setSize } from '../../fit/place';
import { isPlaced, type PlacedPiece, type ShapePiece } from '../../fit/schema';
import { fixed } from '../../length/show';
import { factsIn, withPiece, type CheckContext, type Rule } from '../context';
import { tellingOnes, type Finding } from '../finding';
import { CHECK_LIMITS } from '../../limits';

/** How much more one axis of a piece is scaled than the other: x scale / y scale - 1, whichever way it is larger. */
export const stretch: Rule = {
  id: 'stretch',
  rests: [],
  name: 'Proportion',
  way: 'Give width and height one scale again.',
  moves: true,
  check: (context) =>
    tellingOnes(
      context.pieces
        .filter(isPlaced)
        // A shape of our own has no proportion but the one that it is given.
        .filter((piece) => piece.kind !== 'shape')
        .filter(({ visible }) => visible)
        .map((piece) => measure(context, piece))
        .sort((a, b) => Number(a.measured) - Number(b.measured)),
    ),
};

type Pictured = Exclude<PlacedPiece, ShapePiece>;

function measure(context: CheckContext, piece: Pictured): Finding {
  const ratio = stretchOf(context, piece);
  const wider = ratio >= 1;
  const measured = (wider ? ratio : 1 / ratio) - 1;
  const { stretchReady, stretchLook } = CHECK_LIMITS;
  const verdict =
    measured <= Math.max(stretchReady, roundedBy(context, piece))
      ? 'ready'
      : measured <= stretchLook
        ? 'look'
        : 'fix';
  const percent = `${fixed(measured * 100, 1)} %`;
  const base: Finding = {
    rule: 'stretch',
    verdict,
    faceId: context.face.id,
    measured,
    required: stretchReady,
    unit: 'share',
    shown: {
      measured: verdict === 'ready' ? 'true' : `${percent} stretched`,
      required: `at most ${fixed(stretchReady * 100, 1)} % more one way`,
    },
    gauge: { from: 0.06, to: -0.02, limit: stretchReady, value: measured },
    pieceId: piece.id,
    word: verdict === 'ready' ? 'True' : `${percent} stretched`,
    message:
      verdict === 'ready'
        ? `“${piece.name}” is in proportion.`
        : `“${piece.name}” is stretched ${percent} ${wider ? 'across' : 'down'}.`,
    remedies: [],
  };
  if (verdict === 'ready') return base;
  const facts = factsIn(context, piece);
  const { width, height } = opaqueBox(piece, facts);
  const mended = wider
    ? setSize(piece, facts, width / ratio, height)
    : setSize(piece, facts, width, height * ratio);
  const box = opaqueBox(mended, facts);
  return {
    ...base,
    remedies: [
      {
        id: 'true-proportion',
        label: wider
          ? `Bring it back in proportion: ${context.say(box.width)} wide`
          : `Bring it back in proportion: ${context.say(box.height)} high`,
        pieces: withPiece(context, mended),
      },
    ],
  };
}

function stretchOf(context: CheckContext, piece: Pictured): number {
  const own = piece.kind === 'text' ? piece.ink : gridOf(context.facts(piece.artworkId));
  return piece.width / own.width / (piece.height / own.height);
}

/** The share by which whole pixels may miss the proportion that was meant: half of one each way; lettering has none. */
function roundedBy(context: CheckContext, piece: Pictured): number {
  const pixels = piece.kind === 'text' ? null : context.facts(piece.artworkId).pixels;
  return pixels ? 0.5 / pixels.width + 0.5 / pixels.height : 0;
}
