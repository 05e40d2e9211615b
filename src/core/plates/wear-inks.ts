import type { PlatePlan } from '../fit/plates';
import { sharesAt } from '../fit/clip';
import { recoloured } from '../fit/colours';
import { isPlaced, isShowing, type Piece } from '../fit/schema';
import { deltaE00 } from '../colour/difference';
import { rgbOf } from '../colour/hex';
import { labOf } from '../colour/lab';
import type { Step } from '../artwork/steps';

/** What is left open beside the plan's own colours: the product's, and white where that is as good. */
interface Wearing {
  plan: PlatePlan;
  open: readonly string[];
  /** Thinnest stroke that the method holds, in mm. */
  stroke: number;
  /** mm of bleed, by which the plan's places are off those of pieces. */
  bleed: number;
}

/** The pieces of a face in the inks of its plan, so that every look at it shows them: artworks by a step, words and shapes by their colours. */
export function inInks(pieces: readonly Piece[], { plan, open, stroke, bleed }: Wearing): Piece[] {
  const all = [...plan.open, ...open];
  return pieces.map((piece) => {
    if (!isShowing(piece)) return recoloured(piece, (colour) => nearestInk(plan, colour));
    const own: Step[] = [
      {
        kind: 'inks',
        inks: plan.inks.map(({ hex, from }) => ({ hex, from })),
        open: all,
        least: Math.min(1, stroke / piece.width),
      },
      ...regionsOf(piece, plan, bleed),
    ];
    const finish = (piece.finish ?? []).filter((step) => step.kind !== 'inks' && !isRegion(step));
    return { ...piece, finish: [...finish, ...own] };
  });
}

const isRegion = (step: Step) => step.kind === 'recolour' && step.at !== undefined;

/** Whether any piece is in few inks already. */
export function isInInks(pieces: readonly Piece[]): boolean {
  return pieces.some((piece) => isShowing(piece) && (piece.finish ?? []).some(({ kind }) => kind === 'inks'));
}

/** The pieces as they are without their inks; words and shapes keep the colours that they were given. */
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

/** The ink that a colour is printed with: the one that is printed for the nearest of colours. */
function nearestInk({ inks }: PlatePlan, colour: string): string {
  const lab = labOf(...rgbOf(colour));
  let [best, least] = [colour, Infinity];
  for (const { hex, from } of inks)
    for (const one of from) {
      const far = deltaE00(lab, labOf(...rgbOf(one)));
      if (far < least) [best, least] = [hex, far];
    }
  return best;
}
