import type { PlannedInk, PlatePlan } from '../fit/plates';
import { sharesAt } from '../fit/clip';
import { recoloured } from '../fit/colours';
import { isPlaced, isShowing, type Piece } from '../fit/schema';
import { deltaE00 } from '../colour/difference';
import { rgbOf } from '../colour/hex';
import { labOf } from '../colour/lab';
import type { Step } from '../artwork/steps';
import { withInk } from './edit';

/** What is left open beside the plan's own colours: the product's, and white where that is as good. */
interface Wearing {
  plan: PlatePlan;
  open: readonly string[];
  /** Thinnest stroke that the method holds, in mm. */
  stroke: number;
  /** mm of bleed, by which the plan's places are off those of pieces. */
  bleed: number;
}

/**
 * The pieces of a face in the inks of its plan, so that every look at it shows them: artworks by a step, words and shapes by
 * their colours. With the plan that parts words and shapes as before: plates are of artworks as they came, but of words as
 * they are.
 */
export function inInks(
  pieces: readonly Piece[],
  { plan: so, open, stroke, bleed }: Wearing,
): { pieces: Piece[]; plan: PlatePlan } {
  let plan = so;
  const all = [...plan.open, ...open];
  const printed = (colour: string): string => {
    const ink = inkFor(plan, colour, all);
    // What is left open stays so.
    if (!ink) return colour;
    if (inkFor(plan, ink.hex, all)?.id === ink.id) return ink.hex;
    // In another ink's colour it would be parted as that one's.
    if (plan.inks.some(({ from }) => from.includes(ink.hex))) return colour;
    plan = withInk(plan, ink.id, { from: [...ink.from, ink.hex] });
    return ink.hex;
  };
  const worn = pieces.map((piece) => (isShowing(piece) ? piece : recoloured(piece, printed)));
  const inks = plan.inks.map(({ hex, from }) => ({ hex, from }));
  return {
    plan,
    pieces: withoutInks(worn).map((piece) => {
      if (!isShowing(piece)) return piece;
      const least = Math.min(1, stroke / piece.width);
      const own: Step[] = [{ kind: 'inks', inks, open: all, least }, ...regionsOf(piece, plan, bleed)];
      return { ...piece, finish: [...(piece.finish ?? []), ...own] };
    }),
  };
}

const isRegion = (step: Step) => step.kind === 'recolour' && step.at !== undefined;

/** Whether any piece is in few inks already. */
export function isInInks(pieces: readonly Piece[]): boolean {
  return pieces.some((piece) => isShowing(piece) && (piece.finish ?? []).some(({ kind }) => kind === 'inks'));
}

/** The pieces with their artworks as they came; words and shapes keep the colours that they were given. */
export function withoutInks(pieces: readonly Piece[]): Piece[] {
  return pieces.map((piece) =>
    isShowing(piece)
      ? { ...piece, finish: (piece.finish ?? []).filter((step) => step.kind !== 'inks' && !isRegion(step)) }
      : piece,
  );
}

/** Parts that another ink takes, where they lie on a piece. A repeat has each of its parts many times, and none alone. */
function regionsOf(piece: Piece, { regions, inks }: PlatePlan, bleed: number): Step[] {
  if (!isPlaced(piece) || piece.kind !== 'artwork') return [];
  return regions.flatMap(({ x, y, inkId }): Step[] => {
    const at = sharesAt(piece, { x: x - bleed, y: y - bleed });
    const to = inks.find(({ id }) => id === inkId);
    if (!to || at.x < 0 || at.y < 0 || at.x > 1 || at.y > 1) return [];
    // Which ink it has there is seen in the pixels: one of the others.
    return inks
      .filter(({ id }) => id !== inkId)
      .map(({ hex }) => ({ kind: 'recolour', from: hex, to: to.hex, at }));
  });
}

/** The ink that a colour is printed with: the one that is printed for the nearest of colours; null where that is left open. */
function inkFor({ inks }: PlatePlan, colour: string, open: readonly string[]): PlannedInk | null {
  const lab = labOf(...rgbOf(colour));
  const far = (hexes: readonly string[]) =>
    Math.min(...hexes.map((hex) => deltaE00(lab, labOf(...rgbOf(hex)))));
  const best = inks.reduce((least, ink) => (far(ink.from) < far(least.from) ? ink : least));
  return far(open) <= far(best.from) ? null : best;
}
