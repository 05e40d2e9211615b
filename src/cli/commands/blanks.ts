import { shippedBlanks } from '@/core/blank/library';
import { trimSize } from '@/core/blank/resolve';
import { showSize } from '@/core/length/show';
import type { Answer } from '../answer';

/** `blanks`: the shipped blanks with their faces and what their houses ask. */
export function blanks(): Promise<Answer> {
  const all = shippedBlanks();
  const json = all.map(({ blank, method, faces }) => ({
    id: blank.id,
    name: blank.name,
    kind: blank.body.kind,
    method: method.id,
    faces: faces.map(({ id, name, width, height, bleed, safe, cornerRadius, zones, keepOuts, ...face }) => ({
      id,
      name,
      trim: { width, height },
      ...(face.bend && { printed: trimSize({ width, height, bend: face.bend }) }),
      edge: face.edge,
      folds: face.folds,
      cornerRadius,
      bleed,
      safe,
      zones,
      keepOuts,
    })),
    target: faces[0]!.target,
    floor: faces[0]!.floor,
    colours: blank.colours,
    states: blank.states,
    sizes: blank.sizes,
  }));
  const text = all
    .map(
      ({ blank, faces }) =>
        `${blank.id}  ${blank.name}  ${faces.map((face) => showSize(face.width, face.height)).join(', ')}`,
    )
    .join('\n');
  return Promise.resolve({ json, text, status: 0 });
}
