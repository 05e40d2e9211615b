import type { Facts } from '../artwork/facts';
import { assumedAmong } from '../blank/questions';
import { artSize, pixelsOf, printPixels, type PrintFace, type ResolvedBlank } from '../blank/resolve';
import type { Fit } from '../fit/schema';
import { showLength, type UnitSetting } from '../length/show';
import { IN_SILENCE, type Progress } from '../raster/raster';
import type { Pixels } from '../render/face';
import { gridOver } from '../render/transform';
import { rank, worst, type Finding, type Verdict } from './finding';
import { RULES } from './registry';

/** All findings of a fit, the worst first within the docket's order, and whether they come from every pixel. */
export interface Docket {
  verdict: Verdict;
  /** False where a reduced copy was measured, while the exact numbers are on their way. */
  exact: boolean;
  findings: Finding[];
}

export interface DocketOptions {
  facts: (artworkId: string) => Facts;
  pixels: Pixels;
  unit?: UnitSetting;
  /** Measures on a grid of at most this many pixels along the longer side; every pixel of the print where left out. */
  coarse?: number;
  progress?: Progress;
}

/** Measures every face of a fit by every rule. */
export function makeDocket(blank: ResolvedBlank, fit: Fit, options: DocketOptions): Docket {
  const findings = blank.faces.flatMap((face) => {
    const pieces = fit.faces.find(({ faceId }) => faceId === face.id)?.pieces ?? [];
    if (pieces.length === 0) return [];
    const context = {
      blank,
      face,
      pieces,
      facts: options.facts,
      pixels: options.pixels,
      grid: gridOver(face, measuredPixels(blank, face, options.coarse)),
      say: (mm: number) => showLength(mm, options.unit),
      progress: options.progress ?? IN_SILENCE,
    };
    return RULES.flatMap((rule) => {
      const assumed = assumedAmong(blank, rule.rests);
      return rule.check(context).map((finding) => ({ ...finding, ...(assumed.length > 0 && { assumed }) }));
    });
  });
  return { verdict: worst(findings), exact: options.coarse === undefined, findings };
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
  return [...findings].sort((a, b) => rank(b.verdict) - rank(a.verdict))[0];
}
