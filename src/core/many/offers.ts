import { trimSize, type PrintFace, type ResolvedBlank } from '../blank/resolve';
import { isToShape } from '../cut/face';
import { facePair } from '../fit/carry';
import { carryFace } from '../fit/copy-face';
import { shownPpi } from '../fit/density';
import { factsFor, type FactsOf } from '../fit/geometry';
import { isPlaced, type Fit, type FitFace } from '../fit/schema';

/** A blank of the same kind near a size that was asked for, and what a fit becomes on it. */
export interface Offer {
  blank: ResolvedBlank;
  /** mm that its print is wider and higher than was asked for. */
  wider: number;
  higher: number;
  /** What motifs are scaled by. */
  scale: number;
  /** Share of a ground that covers it cut away across and down, for another proportion. */
  lost: { across: number; down: number };
  /** The least placed PPI of its pictures, as it is and as it would be; null where it has drawings alone. */
  ppi: { before: number; after: number } | null;
  /** The fit's faces on it. */
  faces: FitFace[];
}

/** A fit on the blank it is on. */
interface Fitted {
  fit: Fit;
  blank: ResolvedBlank;
}

/** So many are worth looking at. */
const MOST = 6;

/** The blanks of a fit's kind whose prints are nearest to a size in mm, the nearest first; its own is one of them. */
export function offersFor(
  { fit, blank }: Fitted,
  wanted: { width: number; height: number },
  library: Iterable<ResolvedBlank>,
  { factsOf, newId }: { factsOf: FactsOf; newId: () => string },
): Offer[] {
  const off = (one: ResolvedBlank) => {
    const { width, height } = trimSize(one.faces[0]!);
    return Math.hypot(width - wanted.width, height - wanted.height);
  };
  return (
    [...library]
      // What is cut to its artwork has no size to be near to.
      .filter((one) => one.blank.body.kind === blank.blank.body.kind && !isToShape(one))
      .sort((a, b) => off(a) - off(b))
      .slice(0, MOST)
      .map((to) => offerOn({ fit, blank }, wanted, to, { factsOf, newId }))
  );
}

function offerOn(
  { fit, blank }: Fitted,
  wanted: { width: number; height: number },
  to: ResolvedBlank,
  { factsOf, newId }: { factsOf: FactsOf; newId: () => string },
): Offer {
  const [before, after] = [blank.faces[0]!, to.faces[0]!];
  const size = trimSize(after);
  const faces = carried({ fit, blank }, to, factsOf, newId);
  const least = (own: readonly FitFace[], of: readonly PrintFace[]) =>
    Math.min(...own.flatMap((face) => ppisOn(face, of, factsOf)));
  const [was, is] = [least(fit.faces, blank.faces), least(faces, to.faces)];
  const [across, down] = [after.width / before.width, after.height / before.height];
  const cover = Math.max(across, down);
  return {
    blank: to,
    wider: size.width - wanted.width,
    higher: size.height - wanted.height,
    scale: Math.min(across, down),
    lost: { across: 1 - across / cover, down: 1 - down / cover },
    ppi: Number.isFinite(was) && Number.isFinite(is) ? { before: was, after: is } : null,
    faces,
  };
}

/** A fit's faces on another blank: each by its id, or by its place among them. */
function carried(
  { fit, blank }: Fitted,
  to: ResolvedBlank,
  factsOf: FactsOf,
  newId: () => string,
): FitFace[] {
  return fit.faces.flatMap((own) => {
    const pair = facePair(own, blank.faces, to.faces);
    return pair ? [carryFace(own, pair.from, pair.to, factsOf, newId)] : [];
  });
}

function ppisOn({ faceId, pieces }: FitFace, faces: readonly PrintFace[], factsOf: FactsOf): number[] {
  const face = faces.find(({ id }) => id === faceId);
  return pieces.flatMap((piece) => {
    const facts = factsFor(piece, factsOf);
    const placed = isPlaced(piece) && facts && face ? shownPpi(facts, piece, face) : null;
    return placed ? [placed.least] : [];
  });
}
