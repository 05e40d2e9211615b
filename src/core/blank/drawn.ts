import { garmentExtent, printOrigin, type GarmentBody } from './bodies/garment';
import { aspectsOf } from './kinds';
import { bodyAt, type PrintFace, type ResolvedBlank } from './resolve';

/** A drawing's box in mm: x = 0 in its middle, y = 0 at the top. */
export interface DrawingPlace {
  /** The sewn thing that the face is part of; null where the face is drawn alone. */
  garment: GarmentBody | null;
  /** Where the face's trim has its top left corner. */
  origin: { x: number; y: number };
  width: number;
  height: number;
}

/** Where a face lies on what is drawn of its product: on its garment, or alone with its wrapped edge. */
export function placeOf({ blank }: ResolvedBlank, face: PrintFace, sizeId: string | null): DrawingPlace {
  const body = bodyAt(blank, sizeId);
  const { sewn } = aspectsOf(body);
  if (sewn) {
    const { width, height, top } = garmentExtent(sewn);
    const print = sewn.prints.find(({ place }) => place === face.id) ?? sewn.prints[0]!;
    const { x, y } = printOrigin(sewn, print);
    return { garment: sewn, origin: { x, y: y - top }, width, height };
  }
  const { width, height, edge } = face;
  return {
    garment: null,
    origin: { x: -width / 2, y: edge },
    width: width + 2 * edge,
    height: height + 2 * edge,
  };
}

/** mm from the drawing's top to the garment's own zero. */
export function garmentTop(garment: GarmentBody): number {
  return -garmentExtent(garment).top;
}
