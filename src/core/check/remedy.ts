import type { Fit, FitFace } from '../fit/schema';
import type { Remedy } from './finding';

/** The fit with what a remedy makes of one of its faces. */
export function remedied(fit: Fit, faceId: string, { pieces, cut, plates }: Remedy): Fit {
  const mended = (face: FitFace): FitFace =>
    face.faceId === faceId
      ? {
          ...face,
          pieces,
          ...(cut && face.cut && { cut: { ...face.cut, ...cut } }),
          ...(plates && { plates }),
        }
      : face;
  return { ...fit, faces: fit.faces.map(mended) };
}
