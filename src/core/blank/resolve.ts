import { MM_PER_INCH, pixelsFor } from '../length/units';
import { panelZones, type Face } from './face';
import { sectorBox } from './bodies/sector';
import { kindOf, type Body } from './kinds';
import type { Blank, HouseSpec, Method, MethodLimits } from './schema';

/** A face with what the house wants at its edges and of its pixels. */
export interface PrintFace extends Face {
  /** mm past the trim that a ground must reach: the wrapped edge, if there is one, and the house's bleed. */
  bleed: number;
  /** mm inside the trim. */
  safe: number;
  target: number;
  floor: number;
}

/** A blank with its records in hand: body + method + house spec. */
export interface ResolvedBlank {
  blank: Blank;
  method: Method;
  spec: HouseSpec;
  /** The method's limits with what the blank overrides. */
  limits: MethodLimits;
  faces: PrintFace[];
}

/** The printable faces of a body. */
export function facesOf(body: Body): Face[] {
  return kindOf(body).faces(body);
}

/** A blank's body at one of its graded sizes; as it is measured where none is named. */
export function bodyAt({ body, sizes }: Blank, sizeId: string | null): Body {
  const size = sizes.find(({ id }) => id === sizeId);
  return (size && kindOf(body).graded?.(body, size)) ?? body;
}

export function resolveBlank(
  blank: Blank,
  method: Method,
  spec: HouseSpec,
  sizeId: string | null = null,
): ResolvedBlank {
  const bleed = spec.bleed.value;
  const safe = spec.safeFrom.value === 'bleed' ? spec.safe.value - bleed : spec.safe.value;
  const viewedFrom = blank.viewedFrom ?? method.viewedFrom ?? null;
  const faces = facesOf(bodyAt(blank, sizeId)).map((face) => ({
    ...face,
    zones: splitZones(blank, face),
    bleed: face.edge + bleed,
    safe: Math.max(0, safe),
    target: spec.target.value,
    floor: viewedFrom === null ? spec.floor.value : viewingFloor(viewedFrom),
  }));
  return { blank, method, spec, limits: { ...method.limits, ...blank.limits }, faces };
}

/** A face's zones: the panels it is split into, or its own. */
function splitZones({ splits }: Blank, face: Face): Face['zones'] {
  const split = splits.find(({ faceId }) => faceId === face.id);
  return split ? panelZones(split.panels, face.height) : face.zones;
}

/** PPI below which the eye sees pixels from a distance in mm: `25.4 / (d tan(1/60 degree))`, rounded to whole PPI. */
export function viewingFloor(distance: number): number {
  return Math.round(MM_PER_INCH / (distance * Math.tan(Math.PI / 180 / 60)));
}

/** What of a face is printed and cut, in mm: the rectangle, or the box of the arc it is bent onto. */
export function trimSize(face: Pick<Face, 'width' | 'height' | 'bend'>): { width: number; height: number } {
  const { width, height } = face.bend ? sectorBox(face.bend) : face;
  return { width, height };
}

/** A print file's extent in mm: trim plus bleed on every side; for an arc, its bounding box. */
export function printSize(face: PrintFace): { width: number; height: number } {
  if (face.bend) {
    const { width, height } = sectorBox(face.bend, face.bleed);
    return { width, height };
  }
  return artSize(face);
}

/** The rectangle that art is laid on, with its bleed, in mm. It is what prints, but for a taper's. */
export function artSize(face: PrintFace): { width: number; height: number } {
  return { width: face.width + 2 * face.bleed, height: face.height + 2 * face.bleed };
}

/** Exact pixels of the print file of a face: what the house states outright, else true size at `ppi`. */
export function printPixels(
  face: PrintFace,
  spec: HouseSpec,
  ppi: number = face.target,
): { width: number; height: number } {
  const stated = spec.files.pixels.value;
  if (stated && ppi === face.target) return stated;
  return pixelsOf(printSize(face), ppi);
}

/** A size in mm as whole pixels, each `round(mm / 25.4 * ppi)`. */
export function pixelsOf(
  size: { width: number; height: number },
  ppi: number,
): { width: number; height: number } {
  return { width: pixelsFor(size.width, ppi), height: pixelsFor(size.height, ppi) };
}
