import type { PrintFace, ResolvedBlank } from '@/core/blank/resolve';
import { pixelsKey } from '@/core/artwork/steps';
import { digestOf } from '@/core/digest';
import type { PlatePlan } from '@/core/fit/plates';
import type { Fit, FitFace } from '@/core/fit/schema';
import { inInks, withoutInks } from '@/core/plates/wear-inks';
import { openOn } from '@/core/plates/plan';
import type { Artwork } from '@/store/schema';
import { engine } from '@/workers/client';
import type { HeldPrint } from '@/workers/plates-client';
import { fitJob } from '../bench/dockets';
import { changeFit, withFace } from '../bench/open-fit';
import type { JobOptions } from '../engine/engine';

/** What the screens may know of the workers that part prints into plates. */
export {
  closePlates,
  lookAtPlates,
  platesOnProducts,
  proposeInks,
  type HeldPrint,
  type LookAsked,
  type Pace,
  type PlateFound,
  type PlateSeen,
  type PlatesSeen,
} from '@/workers/plates-client';
export type { Proposal } from '@/core/plates/propose';

/** A fit that plates are made of, with its artworks. */
export interface PlatedFit {
  fit: Fit;
  blank: ResolvedBlank;
  face: PrintFace;
  artworks: readonly Artwork[];
}

/** What a face's print is known by: what lies on it, and which pixels that shows. */
export function printKey({ fit, blank, face, artworks }: PlatedFit): string {
  const pieces = withoutInks(fit.faces.find(({ faceId }) => faceId === face.id)?.pieces ?? []);
  const pixels = artworks.map(({ id, facts, steps }) => [id, pixelsKey(facts.sha256, steps)]);
  return digestOf(JSON.stringify([face, blank.spec.files.pixels, pieces, pixels]));
}

/** A face's print, so many pixels along its longer side. */
export async function printOf(of: PlatedFit, across: number, options: JobOptions = {}): Promise<HeldPrint> {
  const job = await fitJob(of.fit, of.blank, of.artworks);
  const raster = await engine.facePrint(job, of.face.id, across, options);
  return { key: `${printKey(of)}@${across}`, raster };
}

/** Keeps how a face of the open fit is printed in few inks; null for not at all. One step of undo. */
export function keepPlan(faceId: string, plan: PlatePlan | null): Promise<void> {
  return changeFit((fit) => withPlan(fit, faceId, plan));
}

function withPlan(fit: Fit, faceId: string, plan: PlatePlan | null): Fit {
  const faces = fit.faces.map((face): FitFace => {
    if (face.faceId !== faceId) return face;
    if (plan) return { ...face, plates: plan };
    const { plates, ...rest } = face;
    return plates ? rest : face;
  });
  return { ...fit, faces };
}

/** Shows a face of the open fit in the inks of its plan everywhere, or its artworks as they came. One step of undo. */
export function wearInks(
  { face, blank }: Pick<PlatedFit, 'face' | 'blank'>,
  plan: PlatePlan | null,
  product: string,
): Promise<void> {
  return changeFit((fit) => {
    const before = fit.faces.find(({ faceId }) => faceId === face.id)?.pieces ?? [];
    if (!plan) return withFace(fit, face.id, (one) => ({ ...one, pieces: withoutInks(before) }));
    const wearing = { plan, open: openOn(product), stroke: blank.limits.stroke, bleed: face.bleed };
    const worn = inInks(before, wearing);
    const shown = withFace(fit, face.id, (one) => ({ ...one, pieces: worn.pieces }));
    return withPlan(shown, face.id, worn.plan);
  });
}
