import type { GarmentBody } from '../blank/bodies/garment';
import { placeOf } from '../blank/drawn';
import type { PrintFace, ResolvedBlank } from '../blank/resolve';
import type { Fit } from '../fit/schema';
import { inRows } from './strew';

/** What a small drawing of a fit shows, in mm: its faces, and the thing they are sewn into, in one box. */
export interface Drawn {
  garment: GarmentBody | null;
  /** Where each face's trim has its top left corner. */
  faces: readonly { face: PrintFace; x: number; y: number }[];
  left: number;
  width: number;
  /** The box's top is 0. */
  height: number;
}

/** Width by height of the room that a set of stickers is laid out for. */
const SET_ASPECT = 1.5;

/** What is drawn of a fit: a set of stickers whole, of anything else the face that speaks for it. */
export function drawnOf(blank: ResolvedBlank, fit: Fit): Drawn {
  const face = shownFace(blank, fit);
  return blank.faces.length > 1 && face.cut ? drawnSet(blank.faces) : drawnFace(blank, face, fit.sizeId);
}

/** One face, on its garment where it has one. */
export function drawnFace(blank: ResolvedBlank, face: PrintFace, sizeId: string | null): Drawn {
  const { garment, origin, width, height } = placeOf(blank, face, sizeId);
  return { garment, faces: [{ face, ...origin }], left: -width / 2, width, height };
}

function drawnSet(faces: readonly PrintFace[]): Drawn {
  const lying = inRows(faces, SET_ASPECT);
  return {
    garment: null,
    faces: lying,
    left: 0,
    width: Math.max(...lying.map(({ face, x }) => x + face.width)),
    height: Math.max(...lying.map(({ face, y }) => y + face.height)),
  };
}

/** The face that speaks for a fit: the first that carries something. */
function shownFace({ faces }: ResolvedBlank, fit: Fit): PrintFace {
  const carrying = fit.faces.filter(({ pieces }) => pieces.length > 0).map(({ faceId }) => faceId);
  return faces.find(({ id }) => carrying.includes(id)) ?? faces[0]!;
}
