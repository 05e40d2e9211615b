import { resolveBlank, type PrintFace, type ResolvedBlank } from '@/core/blank/resolve';
import type { Live } from '../live/useLive';

interface Grade {
  id: string;
  name: string;
  face: PrintFace;
}

const known = new WeakMap<PrintFace, readonly Grade[]>();

/** A face in every graded size of its product; none where there is one size. */
export function gradesOf({ blank: resolved, face }: Pick<Live, 'blank' | 'face'>): readonly Grade[] {
  let found = known.get(face);
  if (!found) known.set(face, (found = graded(resolved, face)));
  return found;
}

function graded({ blank, method, spec }: ResolvedBlank, { id: faceId }: PrintFace): Grade[] {
  return blank.sizes.flatMap(({ id, name }) => {
    const face = resolveBlank(blank, method, spec, id).faces.find((one) => one.id === faceId);
    return face ? [{ id, name, face }] : [];
  });
}

/** How many mm the largest size hangs below the face that is seen: its name stands there. */
export function hangingBelow(live: Pick<Live, 'blank' | 'face'>): number {
  return Math.max(0, ...gradesOf(live).map(({ face }) => face.height - live.face.height));
}
