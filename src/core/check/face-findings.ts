import { assumedAmong } from '../blank/questions';
import { artSize, pixelsOf, printPixels, type PrintFace, type ResolvedBlank } from '../blank/resolve';
import type { Press } from '../colour/press';
import { extentOf, opaqueBox, type FactsOf } from '../fit/geometry';
import { isPlaced, isShowing, planOf, type Fit, type Piece } from '../fit/schema';
import { showLength, type UnitSetting } from '../length/show';
import { memo } from '../memo';
import { numberOf } from '../raster/number';
import { IN_SILENCE, type Progress } from '../raster/raster';
import { keptShrunk } from '../raster/shrink';
import type { Pixels } from '../render/face';
import { gridOver } from '../render/transform';
import { isAccepted } from './acceptance';
import { factsIn, type CheckContext, type ProductLook, type Rule } from './context';
import type { Finding } from './finding';
import { coloursFor } from '../fit/version';
import { RULES } from './registry';
import { withProvedRemedies, type Remeasure } from './remedied';

export interface DocketOptions {
  facts: FactsOf;
  pixels: Pixels;
  unit?: UnitSetting;
  /** What the inks do with colours; what asks for it is not listed where it is left out. */
  press?: Press | null | undefined;
  /** The verdict goes by every colour of the product, and not by the fit's own alone. */
  everyColour?: boolean | undefined;
  /** Measures on a grid of at most this many pixels along the longer side; every pixel of the print where left out. */
  coarse?: number | undefined;
  progress?: Progress;
}

/** Pixels along the longer side on which a fit is measured while a hand is on it. */
export const COARSE_GRID = 360;

/** What is found on every face of a fit by certain rules. */
export function findingsOf(
  blank: ResolvedBlank,
  fit: Fit,
  options: DocketOptions,
  rules: readonly Rule[] = RULES,
): Finding[] {
  return blank.faces.flatMap((face) => {
    const pieces = fit.faces.find(({ faceId }) => faceId === face.id)?.pieces ?? [];
    if (pieces.length === 0) return [];
    const found = rememberedOr(blank, face, fit, pieces, options, rules, () => {
      const measured = checkFace(blank, face, fit, pieces, options, rules);
      // While a hand is on it, and in the sizes that are not on the bench, nothing is tried.
      if (options.coarse !== undefined) return measured;
      return withProvedRemedies(pieces, measured, remeasuring(blank, face, fit, options));
    });
    return found.map((finding) => {
      const accepted = isAccepted(fit, finding);
      return accepted ? { ...finding, accepted } : finding;
    });
  });
}

/** Pixels along the longer side to which artworks are reduced to try remedies on them. */
const TRIED_ON = 500;

/** Measures a face with other pieces, on reduced copies of its artworks. What it finds is not remembered. */
function remeasuring(blank: ResolvedBlank, face: PrintFace, fit: Fit, options: DocketOptions): Remeasure {
  const pixels: Pixels = (artworkId) => {
    const whole = options.pixels(artworkId);
    const factor = Math.max(1, Math.floor(Math.max(whole.width, whole.height) / TRIED_ON));
    return keptShrunk(whole, factor, factor);
  };
  const coarse = { ...options, pixels, coarse: COARSE_GRID };
  return (pieces, rule) =>
    checkFace(
      blank,
      face,
      fit,
      pieces,
      coarse,
      RULES.filter(({ id, moves }) => moves === true || id === rule),
    );
}

function checkFace(
  blank: ResolvedBlank,
  face: PrintFace,
  fit: Fit,
  pieces: readonly Piece[],
  options: DocketOptions,
  rules: readonly Rule[],
): Finding[] {
  const context: CheckContext = {
    blank,
    face,
    fit,
    pieces,
    looks: looksOf(blank, fit, options),
    press: options.press ?? null,
    facts: options.facts,
    pixels: options.pixels,
    grid: gridOver(face, measuredPixels(blank, face, options.coarse)),
    say: (mm: number) => showLength(mm, options.unit),
    progress: options.progress ?? IN_SILENCE,
  };
  return rules.flatMap((rule) => {
    const assumed = assumedAmong(blank, rule.rests);
    return rule
      .check(context)
      .map((finding) => ({ ...inPlace(context, finding), ...(assumed.length > 0 && { assumed }) }));
  });
}

/** A finding of a piece that says no place of its own is where the piece is. */
function inPlace(context: CheckContext, finding: Finding): Finding {
  if (finding.verdict === 'ready' || finding.place) return finding;
  const piece = context.pieces.find(({ id }) => id === finding.pieceId);
  if (!piece || !isPlaced(piece)) return finding;
  return { ...finding, place: extentOf(opaqueBox(piece, factsIn(context, piece))) };
}

/** Faces that were measured last, so that an edit of one face does not measure the others again. */
const remembered = memo<string, Finding[]>(24);

function rememberedOr(
  blank: ResolvedBlank,
  face: PrintFace,
  fit: Fit,
  pieces: readonly Piece[],
  { facts, pixels, press, unit, coarse, everyColour }: DocketOptions,
  rules: readonly Rule[],
  check: () => Finding[],
): Finding[] {
  const { blank: product, method, spec, limits } = blank;
  const shown = pieces
    .filter(isShowing)
    .map(({ artworkId }) => [facts(artworkId), numberOf(pixels(artworkId))]);
  // What a product must carry is looked for on every face.
  const all = product.contents ? [fit.faces, fit.ticked] : pieces;
  const key = JSON.stringify([
    [product, method, spec, limits, face],
    [all, shown, fit.colourId, fit.version?.colours, planOf(fit, face.id)],
    [press?.name, press?.intent, unit, coarse, everyColour, rules.map(({ id }) => id)],
  ]);
  return remembered(key, check);
}

/**
 * The looks of the product: its states, which count unless they hide the print, or else its colours, of which the fit's
 * own does; those that a version names all do, and no other is looked at.
 */
export function looksOf({ blank }: ResolvedBlank, fit: Fit, { everyColour }: DocketOptions): ProductLook[] {
  if (blank.states.length > 0)
    return blank.states.map((state) => ({ ...state, counts: state.hides !== true }));
  const isForSome = (fit.version?.colours.length ?? 0) > 0;
  return coloursFor(blank, fit).map((colour) => ({
    ...colour,
    counts: everyColour === true || isForSome || colour.id === fit.colourId,
  }));
}

function measuredPixels(
  blank: ResolvedBlank,
  face: PrintFace,
  coarse: number | undefined,
): { width: number; height: number } {
  // An arc is measured on the rectangle that art is laid on, before it is bent.
  const full = face.bend ? pixelsOf(artSize(face), face.target) : printPixels(face, blank.spec);
  const factor = coarse === undefined ? 1 : Math.max(1, Math.max(full.width, full.height) / coarse);
  return { width: Math.ceil(full.width / factor), height: Math.ceil(full.height / factor) };
}
