import type { FoldedBody } from '../../blank/bodies/folded';
import type { Face } from '../../blank/face';
import { surface, type Material, type Mesh } from '../mesh';

/** How far each panel of an open sheet is turned from the middle one, in degrees; the viewer stands before the inside. */
const OPENED: Record<FoldedBody['fold'], readonly number[]> = {
  half: [38, -38],
  letter: [40, 0, -46],
  accordion: [34, -34, 34],
  gate: [52, 0, -52],
};
/** mm from the print on one side to that on the other. */
const THICK = 0.4;

/** A folded sheet standing partly open: its inside before the viewer, its outside behind. */
export function foldedMeshes({ fold, height }: FoldedBody, faces: readonly Face[]): Mesh[] {
  const inside = faces.find(({ id }) => id === 'inside')!;
  const ends = [0, ...inside.folds, inside.width];
  const paper: Material = { faceId: null, colour: 'product', finish: 'product' };
  const panels = OPENED[fold].map((degrees, i) => ({
    from: ends[i]!,
    wide: ends[i + 1]! - ends[i]!,
    turn: (degrees * Math.PI) / 180,
  }));
  const starts: { x: number; z: number }[] = [];
  let [x, z] = [0, 0];
  for (const { wide, turn } of panels) {
    starts.push({ x, z });
    x += wide * Math.cos(turn);
    z -= wide * Math.sin(turn);
  }
  const [midX, midZ] = [x / 2, Math.min(0, z, ...starts.map((start) => start.z)) / 2];
  return panels.flatMap(({ from, wide, turn }, i) => {
    const side = (faceId: string, behind: boolean) =>
      surface({ ...paper, faceId }, 8, 2, (s, t) => {
        const along = (behind ? 1 - s : s) * wide;
        const place = behind ? inside.width - from - along : from + along;
        const back = behind ? THICK : 0;
        return {
          at: [
            starts[i]!.x + along * Math.cos(turn) - midX - back * Math.sin(turn),
            height * (1 - t),
            starts[i]!.z - along * Math.sin(turn) - midZ - back * Math.cos(turn),
          ],
          place: [place, t * height],
        };
      });
    return [side('inside', false), side('outside', true)];
  });
}
