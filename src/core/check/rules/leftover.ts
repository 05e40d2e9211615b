import type { Flaw } from '../../artwork/facts';
import { extentAround, extentOf, type Extent, type Point } from '../../fit/geometry';
import { lerp } from '../../geometry/lerp';
import { showingPieces, withFinish, type CheckContext, type Rule } from '../context';
import { placed, type Finding } from '../finding';
import { isRectangle } from '../../blank/shape';
import type { ShowingPiece } from '../../fit/schema';
import { inkStrokesOf, shownOf, strokesOf, type ShownPixels } from '../measure/artwork';
import { flawsOf } from './flaws';

/** Guide and crop lines that a template left in an artwork. */
export const leftover: Rule = {
  id: 'leftover',
  rests: [],
  name: 'Leftover lines',
  way: 'Save the artwork without its template lines, and bring it in again.',
  ofArtwork: true,
  check: (context) => {
    if (showingPieces(context).length === 0) return [];
    const found = flawsOf(context, ['line'], (flaw, shown) => guideOf(context, flaw, shown) !== null);
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
    const straight = found.map(({ piece, flaws, shown }): Finding => {
      const { mm } = shown;
      const certain = flaws.some((flaw) => guideOf(context, flaw, shown) === 'certain');
      const marks = flaws.every(({ line }) => line === undefined);
      const one = flaws.length === 1;
      const what = marks ? 'mark' : 'line';
      const count = one ? `1 ${what}` : `${flaws.length} ${what}s`;
      const like = marks
        ? `${one ? 'looks' : 'look'} like a printer’s crop or registration ${one ? 'mark' : 'marks'}`
        : certain
          ? `${one ? 'runs' : 'run'} as a template’s guides do`
          : 'may be a template’s guides';
      return {
        ...base,
        verdict: certain ? 'fix' : 'look',
        measured: flaws.length,
        shown: { ...base.shown, measured: count },
        word: count,
        pieceId: piece.id,
        ...placed(flaws.flatMap((flaw) => placesAlong(flaw, shown))),
        message: `“${piece.name}” has ${count} in it that ${like}: ${one ? 'it' : 'they'} would be printed.`,
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
/** A colour that hardly anything else has; of a line so thin, in pixels, that none is whole, its edges have it too. */
const ALONE = 0.85;
const THIN_ALONE = 0.6;
const THIN = 2;

/**
 * What tells a guide from a rule, a stripe, a frame or the edge of a badge: it is the only thing of its colour, and lies
 * on the blank's own lines, or goes from edge to edge in a colour that guides are drawn in. Null where it is artwork.
 */
function guideOf(context: CheckContext, flaw: Flaw, shown: ShownPixels): 'certain' | 'suspected' | null {
  const { line } = flaw;
  if (!line) return 'suspected';
  if (line.alone < (isThin(flaw) ? THIN_ALONE : ALONE)) return null;
  const [from, to] = endsOf(flaw, shown);
  const way = wayOf(from, to);
  const on = way !== 'slanted' && isOnLine(context, way, from, to);
  if (line.parallel >= STRIPES && !on) return null;
  if (on && (line.reaches || line.colour === 'guide')) return 'certain';
  // At a slant it may be a stroke of the pen, whatever its colour.
  if (line.reaches && line.colour === 'guide' && way !== 'slanted') return 'certain';
  return line.reaches || on ? 'suspected' : null;
}

function isThin({ pixels, line }: Flaw): boolean {
  const [x0, y0, x1, y1] = line?.ends ?? [0, 0, 0, 0];
  return pixels < THIN * Math.hypot(x1 - x0, y1 - y0);
}

/** A line's ends in mm on the face. */
function endsOf(
  { box: { x, y, width, height }, line }: Flaw,
  { pointOf }: ShownPixels,
): [from: Point, to: Point] {
  const level = width > height;
  const [x0, y0, x1, y1] = line?.ends ?? [
    level ? x : x + width / 2,
    level ? y + height / 2 : y,
    level ? x + width : x + width / 2,
    level ? y + height / 2 : y + height,
  ];
  return [pointOf({ x: x0, y: y0 }), pointOf({ x: x1, y: y1 })];
}

/** How far off level or upright a line may be, of its length, to lie along a line of the face. */
const OFF_LEVEL = 0.01;

function wayOf(from: Point, to: Point): 'level' | 'upright' | 'slanted' {
  const [dx, dy] = [Math.abs(to.x - from.x), Math.abs(to.y - from.y)];
  return dy <= OFF_LEVEL * dx ? 'level' : dx <= OFF_LEVEL * dy ? 'upright' : 'slanted';
}

/** Whether a level or upright line runs along the trim, the bleed or safe edge, a fold, or a middle of the face. */
function isOnLine({ face }: CheckContext, way: 'level' | 'upright', from: Point, to: Point): boolean {
  const { width, height, bleed, safe, folds, zones } = face;
  const level = way === 'level';
  const at = level ? (from.y + to.y) / 2 : (from.x + to.x) / 2;
  const length = level ? height : width;
  const own = [0, length, -bleed, length + bleed, safe, length - safe, length / 2];
  const others = level ? zones.map(({ y }) => y) : [...folds, ...zones.map(({ x }) => x)];
  return [...own, ...others].some((one) => Math.abs(one - at) <= ON);
}

/** mm of a slanted line that are told as one place. */
const STRETCH = 4;
const MOST_STRETCHES = 60;

/** Where a line is: its box, or at a slant the boxes of its stretches, so that nothing beside it is marked. */
function placesAlong(flaw: Flaw, shown: ShownPixels): Extent[] {
  const [from, to] = endsOf(flaw, shown);
  if (!flaw.line || wayOf(from, to) !== 'slanted') return [shown.placeOf(flaw.box)];
  const count = Math.min(MOST_STRETCHES, Math.ceil(Math.hypot(to.x - from.x, to.y - from.y) / STRETCH));
  const at = (share: number) => ({ x: lerp(from.x, to.x, share), y: lerp(from.y, to.y, share) });
  return Array.from({ length: count }, (_, i) => extentAround([at(i / count), at((i + 1) / count)]));
}
