import type { Flaw } from '../../artwork/facts';
import { extentOf, type Extent } from '../../fit/geometry';
import { showingPieces, withFinish, type CheckContext, type Rule } from '../context';
import { placed, type Finding } from '../finding';
import { isRectangle } from '../../blank/shape';
import type { ShowingPiece } from '../../fit/schema';
import { inkStrokesOf, shownOf, strokesOf } from '../measure/artwork';
import { flawsOf } from './flaws';

/** Guide and crop lines that a template left in an artwork. */
export const leftover: Rule = {
  id: 'leftover',
  version: 2,
  rests: [],
  name: 'Leftover lines',
  way: 'Save the artwork without its template lines, and bring it in again.',
  check: (context) => {
    if (showingPieces(context).length === 0) return [];
    const found = flawsOf(context, ['line'], (flaw, place) => guideOf(context, flaw, place) !== null);
    const outlines = outlinesOf(context);
    const base: Finding = {
      rule: 'leftover',
      verdict: 'ready',
      faceId: context.face.id,
      measured: 0,
      required: 0,
      unit: 'lines',
      shown: { measured: 'none', required: 'no guide or crop lines' },
      gauge: null,
      word: 'No lines',
      message: 'No guide or crop lines are left in the artwork.',
      remedies: [],
    };
    if (found.length + outlines.length === 0) return [base];
    const straight = found.map(({ piece, flaws, places, mm }): Finding => {
      const certain = flaws.some((flaw, i) => guideOf(context, flaw, places[i]!) === 'certain');
      const marks = flaws.every(({ line }) => line === undefined);
      const count = flaws.length === 1 ? '1 line' : `${flaws.length} lines`;
      const like = marks
        ? 'look like crop marks'
        : certain
          ? 'run as a template’s guides do'
          : 'may be a template’s guides';
      return {
        ...base,
        verdict: certain ? 'fix' : 'look',
        measured: flaws.length,
        shown: { ...base.shown, measured: count },
        word: count,
        pieceId: piece.id,
        ...placed(places),
        message: `“${piece.name}” has ${count} in it that ${like}: they would be printed.`,
        remedies: [
          {
            id: 'close-lines',
            label: marks ? 'Clear the marks' : 'Close the lines over',
            // Marks lie by themselves and are cleared as specks are.
            pieces: withFinish(
              context,
              piece,
              { kind: 'tidy', what: 'lines', mm },
              ...(flaws.some(({ line }) => line === undefined)
                ? [{ kind: 'tidy', what: 'specks', mm } as const]
                : []),
            ),
          },
        ],
      };
    });
    return [...straight, ...outlines.map((outline) => outlineFinding(base, outline))];
  },
};

/** A line round a piece that follows the outline of a face that is no rectangle. */
interface Outline {
  piece: ShowingPiece;
  place: Extent;
}

/** mm that a template's outline is drawn thick, at the most. */
const OUTLINE = 0.5;
/** Share of the way round that a line must go. */
const ROUND = 0.6;

/** Lines that run where the blank's own trim, bleed or safe edge runs, on faces whose edges are round or of any form. */
function outlinesOf(context: CheckContext): Outline[] {
  const { face } = context;
  if (isRectangle(face) || face.cut) return [];
  return showingPieces(context).flatMap((piece) => {
    // What does not reach the safe edge all round holds none of them.
    const { left, top, right, bottom } = extentOf(piece);
    const inside = face.safe + ON;
    if (left > inside || top > inside || right < face.width - inside || bottom < face.height - inside)
      return [];
    const { mm, placeOf } = shownOf(context, piece);
    const { strokes } = strokesOf(context, piece, OUTLINE);
    const lines = [...strokes.each, ...inkStrokesOf(context, piece, OUTLINE).each];
    return lines
      .map(({ box, length }) => ({ piece, place: placeOf(box), length: length * mm }))
      .filter(({ place, length }) =>
        [0, face.bleed, -face.safe].some((grow) => follows(face, grow, place, length)),
      );
  });
}

function follows(
  { width, height }: { width: number; height: number },
  grow: number,
  place: Extent,
  length: number,
): boolean {
  const round = Math.PI * ((width + height) / 2 + 2 * grow);
  return (
    Math.abs(place.left + grow) <= ON &&
    Math.abs(place.top + grow) <= ON &&
    Math.abs(place.right - width - grow) <= ON &&
    Math.abs(place.bottom - height - grow) <= ON &&
    length >= ROUND * round
  );
}

function outlineFinding(base: Finding, { piece, place }: Outline): Finding {
  return {
    ...base,
    verdict: 'fix',
    measured: 1,
    shown: { ...base.shown, measured: '1 outline' },
    word: '1 outline',
    pieceId: piece.id,
    place,
    message: `“${piece.name}” has a line in it that follows the template’s own outline: it would be printed. Take it out of the file.`,
  };
}

/** mm within which a line lies on one of the blank's own. */
const ON = 0.4;
/** So many lines of a colour side by side are stripes. */
const STRIPES = 4;
/** A colour that hardly anything else has. */
const ALONE = 0.85;

/**
 * What tells a guide from a rule, a stripe, a frame or the edge of a badge: it is the only thing of its colour, and lies
 * on the blank's own lines, or goes from edge to edge in a colour that guides are drawn in. Null where it is artwork.
 */
function guideOf(context: CheckContext, { line }: Flaw, place: Extent): 'certain' | 'suspected' | null {
  if (!line) return 'suspected';
  if (line.alone < ALONE) return null;
  const on = isOnLine(context, place);
  if (line.parallel >= STRIPES && !on) return null;
  if (on && (line.reaches || line.colour === 'guide')) return 'certain';
  if (line.reaches && line.colour === 'guide') return 'certain';
  return line.reaches || on ? 'suspected' : null;
}

/** Whether a level or upright line runs along the trim, the bleed or safe edge, a fold, or a middle of the face. */
function isOnLine({ face }: CheckContext, { left, top, right, bottom }: Extent): boolean {
  const { width, height, bleed, safe, folds, zones } = face;
  const level = right - left > bottom - top;
  const at = level ? (top + bottom) / 2 : (left + right) / 2;
  const length = level ? height : width;
  const own = [0, length, -bleed, length + bleed, safe, length - safe, length / 2];
  const others = level ? zones.map(({ y }) => y) : [...folds, ...zones.map(({ x }) => x)];
  return [...own, ...others].some((one) => Math.abs(one - at) <= ON);
}
