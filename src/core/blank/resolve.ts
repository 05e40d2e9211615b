import { garmentFaces } from './kinds/garment';
import { stickerFaces } from './kinds/sticker';
import { wrapFaces } from './kinds/wrap';
import { pixelsFor } from '../length/units';
import type { Blank, Body, Face, HouseSpec, Method } from './schema';

/** A face with what the house wants at its edges and of its pixels. */
export interface PrintFace extends Face {
  bleed: number;
  safe: number;
  target: number;
  floor: number;
}

/** A blank with its records in hand: body + method + house spec. */
export interface ResolvedBlank {
  blank: Blank;
  method: Method;
  spec: HouseSpec;
  faces: PrintFace[];
}

/** The printable faces of a body. A new kind of blank is a case here and a file in `kinds/`. */
export function facesOf(body: Body): Face[] {
  switch (body.kind) {
    case 'wrap':
      return wrapFaces(body);
    case 'garment':
      return garmentFaces(body);
    case 'sticker':
      return stickerFaces(body);
  }
}

export function resolveBlank(blank: Blank, method: Method, spec: HouseSpec): ResolvedBlank {
  const faces = facesOf(blank.body).map((face) => ({
    ...face,
    bleed: spec.bleed.value,
    safe: spec.safe.value,
    target: spec.target.value,
    floor: spec.floor.value,
  }));
  return { blank, method, spec, faces };
}

/** A print file's extent in mm: trim plus bleed on every side. */
export function printSize(face: PrintFace): { width: number; height: number } {
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
  const size = printSize(face);
  return { width: pixelsFor(size.width, ppi), height: pixelsFor(size.height, ppi) };
}
