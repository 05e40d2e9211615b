import type { ResolvedBlank } from '../blank/resolve';
import { digestOf } from '../digest';
import type { Fit, FitFace } from '../fit/schema';
import { inOneOrder } from '../key-order';
import type { UnitSetting } from '../length/show';
import { RULES_KEY } from './finding';

/** What a docket goes by besides its fit and blank. */
export interface Measuring {
  unit: UnitSetting;
  /** What tells the press from others. */
  press: string;
  /** The pixels of each artwork that the fit shows, in order (see `pixelsKey`). */
  pixels: readonly string[];
}

/** Of faces that many fits share, as a shop of thousands has them: each is gone through once. */
const digests = new WeakMap<readonly FitFace[], string>();

function digestOfFaces(faces: readonly FitFace[]): string {
  const known = digests.get(faces);
  if (known !== undefined) return known;
  const digest = digestOf(inOneOrder(faces));
  digests.set(faces, digest);
  return digest;
}

/** A digest of what a docket is measured from: it holds as long as this stays the same. */
export function docketBasis(
  fit: Fit,
  { spec, blank, method }: ResolvedBlank,
  { unit, press, pixels }: Measuring,
): string {
  return digestOf(
    inOneOrder([
      RULES_KEY,
      blank.version,
      spec.id,
      spec.version,
      // As it was before a method could be changed, so that stored dockets of an unchanged one hold.
      ...(method.version > 1 ? [method.id, method.version] : []),
      fit.sizeId,
      fit.soldIn,
      unit,
      fit.colourId,
      fit.version?.colours,
      digestOfFaces(fit.faces),
      press,
      fit.accepted,
      fit.ticked,
      pixels,
    ]),
  );
}
