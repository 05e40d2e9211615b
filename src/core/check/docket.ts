import { aspectsOf } from '../blank/kinds';
import { assumedAmong } from '../blank/questions';
import {
  artSize,
  pixelsOf,
  printPixels,
  resolveBlank,
  type PrintFace,
  type ResolvedBlank,
} from '../blank/resolve';
import type { Press } from '../colour/press';
import { extentOf, opaqueBox, type FactsOf } from '../fit/geometry';
import { carryOver } from '../fit/resize-garment';
import { isPlaced, isShowing, type Fit, type Piece } from '../fit/schema';
import { showLength, type UnitSetting } from '../length/show';
import { numberOf } from '../raster/number';
import { IN_SILENCE, type Progress, type Raster } from '../raster/raster';
import type { Pixels } from '../render/face';
import { gridOver } from '../render/transform';
import { factsIn, type CheckContext, type ProductLook, type Rule } from './context';
import { boxShrink } from '../raster/shrink';
import { isAccepted } from './acceptance';
import { rank, standing, worst, type Finding, type RuleId, type Verdict } from './finding';
import { withProvedRemedies, type Remeasure } from './remedied';
import { RULES } from './registry';
import { memo } from '../memo';

/** How a fit does on one look or in one size of the product. */
export interface Outcome {
  id: string;
  name: string;
  verdict: Verdict;
  /** What it fails by, in the words of the range's cells. */
  why: string[];
}

/** All findings of a fit, in the docket's order, and whether they come from every pixel. */
export interface Docket {
  verdict: Verdict;
  /** False where a reduced copy was measured, while the exact numbers are on their way. */
  exact: boolean;
  findings: Finding[];
  /** Every colour, or state, of the product; empty where there is one. */
  looks: Outcome[];
  /** Every graded size; empty where there is one, and where a reduced copy was measured. */
  sizes: Outcome[];
}

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

/** Pixels along the longer side on which the sizes that were not chosen are measured. */
const OTHER_SIZES = 1200;

/** Measures every face of a fit by every rule, on every look and in every size of the product. */
export function makeDocket(blank: ResolvedBlank, fit: Fit, options: DocketOptions): Docket {
  const exact = options.coarse === undefined;
  const found = findingsOf(blank, fit, options);
  const own = exact ? withProvedRemedies(fit, found, remeasuring(blank, options)) : found;
  const looks = looksOf(blank, fit, options);
  const graded = blank.blank.sizes.length > 1 && exact ? sizesOf(blank, fit, options, own) : null;
  const findings = [...own, ...(graded?.findings ?? [])];
  return {
    verdict: worst(findings),
    exact,
    findings,
    looks: looks.length > 1 ? looks.map((look) => onLook(look, own)) : [],
    sizes: graded?.outcomes ?? [],
  };
}

/** Pixels along the longer side to which artworks are reduced to try remedies on them. */
const TRIED_ON = 500;

/** Measures a fit on a reduced copy of its artworks, as often as there are remedies to try. */
function remeasuring(blank: ResolvedBlank, options: DocketOptions): Remeasure {
  const reduced = new Map<string, Raster>();
  const pixels: Pixels = (artworkId) => {
    let raster = reduced.get(artworkId);
    if (!raster) {
      const whole = options.pixels(artworkId);
      const factor = Math.max(1, Math.floor(Math.max(whole.width, whole.height) / TRIED_ON));
      reduced.set(artworkId, (raster = boxShrink(whole, factor, factor)));
    }
    return raster;
  };
  return (fit, rule) =>
    findingsOf(
      blank,
      fit,
      { ...options, pixels, coarse: COARSE_GRID },
      RULES.filter(({ id, moves }) => moves === true || id === rule),
    );
}

function findingsOf(
  blank: ResolvedBlank,
  fit: Fit,
  options: DocketOptions,
  rules: readonly Rule[] = RULES,
): Finding[] {
  return blank.faces.flatMap((face) => {
    const pieces = fit.faces.find(({ faceId }) => faceId === face.id)?.pieces ?? [];
    if (pieces.length === 0) return [];
    const found = rememberedOr(blank, face, fit, pieces, options, rules, () =>
      checkFace(blank, face, fit, pieces, options, rules),
    );
    return found.map((finding) => {
      const accepted = isAccepted(fit, finding);
      return accepted ? { ...finding, accepted } : finding;
    });
  });
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
    [all, shown, fit.colourId],
    [press?.name, press?.intent, unit, coarse, everyColour, rules.map(({ id }) => id)],
  ]);
  return remembered(key, check);
}

/** The looks of the product: its states, which count unless they hide the print, or else its colours, of which the fit's own does. */
function looksOf({ blank }: ResolvedBlank, fit: Fit, { everyColour }: DocketOptions): ProductLook[] {
  if (blank.states.length > 0)
    return blank.states.map((state) => ({ ...state, counts: state.hides !== true }));
  return blank.colours.map((colour) => ({
    ...colour,
    counts: everyColour === true || colour.id === fit.colourId,
  }));
}

function onLook({ id, name }: ProductLook, findings: readonly Finding[]): Outcome {
  const on = findings.map((finding) => {
    const own = finding.byLook?.find((one) => one.id === id)?.verdict ?? finding.verdict;
    return { ...finding, verdict: finding.accepted && own === finding.verdict ? 'ready' : own };
  });
  return { id, name, ...outcomeOf(on) };
}

function outcomeOf(findings: readonly Pick<Finding, 'verdict' | 'accepted' | 'rule'>[]): {
  verdict: Verdict;
  why: string[];
} {
  const open = findings.filter((finding) => standing(finding) !== 'ready');
  return { verdict: worst(findings), why: [...new Set(open.map(({ rule }) => rule))] };
}

/** The rules that hang on how large the face is. */
const EDGE_RULES = RULES.filter(({ edges }) => edges);

/**
 * The chosen size as it was measured; of every other one, with its pieces hung as a size's are, what hangs on how large
 * its faces are, on a reduced grid. All else is the same: pieces keep their size.
 */
function sizesOf(
  blank: ResolvedBlank,
  fit: Fit,
  options: DocketOptions,
  own: readonly Finding[],
): { outcomes: Outcome[]; findings: Finding[] } {
  const { blank: product, method, spec } = blank;
  const same = own.filter(({ rule }) => !EDGE_RULES.some(({ id }) => id === rule));
  const worse = new Map<RuleId, Finding>();
  const sewn = aspectsOf(product.body).sewn !== null;
  const outcomes = product.sizes.map(({ id, name }): Outcome => {
    if (id === fit.sizeId) return { id, name, ...outcomeOf(own) };
    const sized = resolveBlank(product, method, spec, id);
    const faces = carryOver(fit.faces, blank.faces, sized.faces, sewn);
    // As many pixels a mm for each, so that artworks are reduced alike.
    const coarse = Math.ceil(OTHER_SIZES * (longestOf(sized) / longestOf(blank)));
    const moved = { ...fit, sizeId: id, faces };
    const findings = findingsOf(sized, moved, { ...options, coarse }, EDGE_RULES);
    const sold = !fit.soldIn || fit.soldIn.length === 0 || fit.soldIn.includes(id);
    const back = (finding: Finding) => broughtBack(finding, sized.faces, blank, sewn);
    if (sold) for (const finding of findings) keepWorse(worse, own, back(finding), { id, name });
    return { id, name, ...outcomeOf([...same, ...findings]) };
  });
  return { outcomes, findings: [...worse.values()] };
}

/** Keeps what a size fails by where neither the size on the bench nor one before it fails by as much. */
function keepWorse(
  worse: Map<RuleId, Finding>,
  own: readonly Finding[],
  finding: Finding,
  size: { id: string; name: string },
): void {
  const so = worst([
    ...own.filter(({ rule }) => rule === finding.rule),
    ...(worse.has(finding.rule) ? [worse.get(finding.rule)!] : []),
  ]);
  if (rank(standing(finding)) <= rank(so)) return;
  worse.set(finding.rule, {
    ...finding,
    size,
    word: `${finding.word} in ${size.name}`,
    message: `In size ${size.name}: ${finding.message}`,
    remedies: finding.remedies.map((remedy) => ({
      ...remedy,
      label: `${remedy.label}, in size ${size.name} too`,
    })),
  });
}

/** What was found in another size, its remedies on the face that is on the bench; its places are those of the other. */
function broughtBack(
  finding: Finding,
  from: readonly PrintFace[],
  blank: ResolvedBlank,
  sewn: boolean,
): Finding {
  const remedies = finding.remedies.map((remedy) => {
    const [face] = carryOver([{ faceId: finding.faceId, pieces: remedy.pieces }], from, blank.faces, sewn);
    return { ...remedy, pieces: face?.pieces ?? remedy.pieces };
  });
  const told = { ...finding, remedies };
  delete told.place;
  delete told.places;
  return told;
}

function longestOf({ faces }: ResolvedBlank): number {
  return Math.max(...faces.map(({ width, height }) => Math.max(width, height)));
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

/** The finding that speaks for a fit: the first of the worst. */
export function tellingFinding(findings: readonly Finding[]): Finding | undefined {
  return [...findings].sort((a, b) => rank(standing(b)) - rank(standing(a)))[0];
}
