import { isMixed } from '../../fit/mix';
import { extentOf, opaqueBox, overlap, type Extent } from '../../fit/geometry';
import {
  isMotifKind,
  isPlaced,
  isShowing,
  type Piece,
  type PlacedPiece,
  isInk,
  type InkPiece,
} from '../../fit/schema';
import { factsIn, type CheckContext, type Rule } from '../context';
import { fixed } from '../../length/show';
import type { Finding, Verdict } from '../finding';
import { CHECK_LIMITS } from '../../limits';
import { alphaAt, alphaOf } from '../measure/grid';

type Astray = { piece: PlacedPiece; verdict: Verdict; word: string; message: string };

/** Points of a piece that are asked whether they are covered, along each side. */
const PROBES = 60;

/** Pieces that nobody will see as they were meant: outside the print, under another, doubled, or in the wrong panel. */
export const stray: Rule = {
  id: 'stray',
  rests: [],
  name: 'Stray pieces',
  way: 'Move it to where it is seen, or take it off.',
  edges: true,
  moves: true,
  check: (context) => {
    const visible = context.pieces.filter((piece) => piece.visible);
    if (visible.length === 0) return [];
    const astray = visible.filter(isPlaced).flatMap((piece) => judgePiece(context, visible, piece) ?? []);
    const base: Finding = {
      rule: 'stray',
      verdict: 'ready',
      faceId: context.face.id,
      measured: 0,
      required: 0,
      unit: 'pieces',
      shown: { measured: 'none', required: 'no piece covered, doubled or outside' },
      gauge: null,
      word: 'In place',
      message: 'Every piece is seen where it belongs.',
      remedies: [],
    };
    if (astray.length === 0) return [base];
    return astray.map(({ piece, verdict, word, message }) => ({
      ...base,
      verdict,
      measured: 1,
      shown: { ...base.shown, measured: word },
      word: word.charAt(0).toUpperCase() + word.slice(1),
      message,
      pieceId: piece.id,
      place: extentIn(context, piece),
      remedies: [
        {
          id: 'take-off',
          label: `Take “${piece.name}” off`,
          pieces: context.pieces.filter(({ id }) => id !== piece.id),
        },
      ],
    }));
  },
};

function judgePiece(context: CheckContext, visible: readonly Piece[], piece: PlacedPiece): Astray | null {
  const name = `“${piece.name}”`;
  if (piece.kind !== 'repeat' && isOutside(context, piece))
    return { piece, verdict: 'fix', word: 'outside', message: `${name} lies outside the print and is lost.` };
  const panel = wrongPanel(context, visible, piece);
  if (panel)
    return {
      piece,
      verdict: 'fix',
      word: 'wrong panel',
      message: `${name} lies in ${panel.own}, and all else of its group in ${panel.others}.`,
    };
  const twin = visible.find((other) => isTwin(context, piece, other, visible));
  if (twin)
    return {
      piece,
      verdict: 'look',
      word: 'doubled',
      message: `${name} lies twice on the same place: its edges print darker.`,
    };
  const hidden = coveredShare(context, visible, piece);
  if (piece.kind === 'text' && hidden >= PARTLY && hidden < CHECK_LIMITS.covered)
    return {
      piece,
      verdict: 'look',
      word: `${fixed(hidden * 100, 0)} % covered`,
      message: `${fixed(hidden * 100, 0)} % of the lettering “${name.slice(1, -1)}” lies under other pieces and will not be read.`,
    };
  const over = piece.kind === 'text' ? overMotif(context, visible, piece) : null;
  if (over)
    return {
      piece,
      verdict: 'look',
      word: `${fixed(over.share * 100, 0)} % over a motif`,
      message: `${fixed(over.share * 100, 0)} % of the lettering “${name.slice(1, -1)}” runs over “${over.name}”, and the rest beside it.`,
    };
  if (hidden >= CHECK_LIMITS.covered)
    return {
      piece,
      verdict: 'look',
      word: 'covered',
      message: `${name} is covered by what lies over it and will not be seen.`,
    };
  return null;
}

function extentIn(context: CheckContext, piece: PlacedPiece): Extent {
  return extentOf(opaqueBox(piece, factsIn(context, piece)));
}

function isOutside(context: CheckContext, piece: PlacedPiece): boolean {
  const { left, top, right, bottom } = extentIn(context, piece);
  const { width, height, bleed } = context.face;
  return left >= width + bleed || top >= height + bleed || right <= -bleed || bottom <= -bleed;
}

/** What of a text or a shape is drawn, wherever it lies. */
function inkOf(piece: InkPiece): string {
  if (piece.kind === 'text') return piece.ink.d;
  return JSON.stringify([piece.shape, piece.fill === null, piece.stroke?.width]);
}

/** The lower of two pieces that show one artwork on one place. */
function isTwin(context: CheckContext, piece: PlacedPiece, other: Piece, visible: readonly Piece[]): boolean {
  if (other === piece || !isPlaced(other) || other.kind !== piece.kind || other.knockout !== piece.knockout)
    return false;
  if (visible.indexOf(other) < visible.indexOf(piece)) return false;
  const alike =
    isShowing(piece) && isShowing(other)
      ? piece.artworkId === other.artworkId
      : isInk(piece) && isInk(other) && inkOf(piece) === inkOf(other);
  if (!alike) return false;
  const [a, b] = [extentIn(context, piece), extentIn(context, other)];
  const { doubled } = CHECK_LIMITS;
  return (
    Math.abs(a.left - b.left) < doubled &&
    Math.abs(a.right - b.right) < doubled &&
    Math.abs(a.top - b.top) < doubled &&
    Math.abs(a.bottom - b.bottom) < doubled
  );
}

/** Share of lettering from which it is covered in part; and run over a motif, neither hardly nor wholly. */
const PARTLY = 0.02;
const OVER = [0.05, 0.9] as const;

/** Share of a piece that lies under others. */
function coveredShare(context: CheckContext, visible: readonly Piece[], piece: PlacedPiece): number {
  if (piece.knockout) return 0;
  const above = visible
    .slice(visible.indexOf(piece) + 1)
    // What shows through hides nothing.
    .filter((other) => !other.knockout && !isMixed(other))
    .filter((other) => !isMotifKind(other) || overlap(other, piece));
  return shareUnder(context, piece, above);
}

/** The motif that lettering runs over in part, and by how much: what lies wholly on one was put there. */
function overMotif(
  context: CheckContext,
  visible: readonly Piece[],
  piece: PlacedPiece,
): { name: string; share: number } | null {
  for (const other of visible.slice(0, visible.indexOf(piece))) {
    if (other.role !== 'motif' || other.kind !== 'artwork' || other.knockout || !overlap(other, piece))
      continue;
    const share = shareUnder(context, piece, [other]);
    if (share >= OVER[0] && share < OVER[1]) return { name: other.name, share };
  }
  return null;
}

/** Share of a piece's own pixels where certain others are solid, by probes over it. */
function shareUnder(context: CheckContext, piece: PlacedPiece, above: readonly Piece[]): number {
  if (above.length === 0) return 0;
  const { grid, face } = context;
  const own = alphaAt(context, piece);
  const over = alphaOf(context, above);
  const { left, top, right, bottom } = extentIn(context, piece);
  let [seen, covered] = [0, 0];
  for (let i = 0; i < PROBES; i++) {
    for (let j = 0; j < PROBES; j++) {
      const x = left + ((i + 0.5) / PROBES) * (right - left);
      const y = top + ((j + 0.5) / PROBES) * (bottom - top);
      const [column, row] = [
        Math.floor((x + face.bleed) * grid.perMmX),
        Math.floor((y + face.bleed) * grid.perMmY),
      ];
      if (column < 0 || row < 0 || column >= grid.width || row >= grid.height) continue;
      if (own(column, row) < 128) continue;
      seen++;
      if (over(column, row) >= CHECK_LIMITS.covers) covered++;
    }
  }
  return seen > 0 ? covered / seen : 0;
}

/** The panel a grouped piece lies in where all others of its group lie in another one. */
function wrongPanel(
  context: CheckContext,
  visible: readonly Piece[],
  piece: PlacedPiece,
): { own: string; others: string } | null {
  const { face } = context;
  if (piece.groupId === null || face.folds.length === 0) return null;
  const panelOf = (one: PlacedPiece) => {
    const { left, right } = extentIn(context, one);
    const middle = (left + right) / 2;
    return face.zones.find(({ x, width }) => Math.abs(middle - x) <= width / 2)?.name;
  };
  const mates = visible.filter(isPlaced).filter((one) => one !== piece && one.groupId === piece.groupId);
  const panels = new Set(mates.map(panelOf));
  const own = panelOf(piece);
  const [others] = [...panels];
  return mates.length > 1 && panels.size === 1 && own && others && own !== others ? { own, others } : null;
}
