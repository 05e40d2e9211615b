import type { GarmentBody } from '../../blank/bodies/garment';
import { printOrigin } from '../../blank/bodies/garment';
import type { Vector } from '../../geometry/vector';
import type { Mesh } from '../mesh';

/** mm from a print over which cloth comes to lie as it likes; the print and what is sewn through it lie true. */
const EASES = 45;

/** How far cloth that was laid down is from where its pattern has it, in mm: it is soft, and nobody lays it by a ruler. */
function strayed(x: number, y: number): readonly [number, number] {
  return [
    3 * Math.sin(y * 0.0165 + 1.1) + 1.4 * Math.sin(y * 0.047 + x * 0.008),
    2.6 * Math.sin(x * 0.0145 + 0.6) + 1.3 * Math.sin(x * 0.041 + y * 0.006 + 2),
  ];
}

type Place = readonly [x: number, y: number];

/**
 * How a garment's cloth comes to lie, soft but for its prints: where a place of its pattern is then, and what is sewn on it.
 * Lines are laid before they are filled, so that they are filled to where they lie.
 */
export function settled(body: GarmentBody): { lie: (place: Place) => Place; lieAs: (mesh: Mesh) => Mesh } {
  const areas = body.prints.map((print) => {
    const { x, y } = printOrigin(body, print);
    // Behind, it is seen the other way about.
    const left = print.place === 'back' ? -x - print.width : x;
    return { left, right: left + print.width, top: y, bottom: y + print.height };
  });
  const lie = ([x, y]: Place): Place => {
    const off = areas.map(({ left, right, top, bottom }) =>
      Math.hypot(Math.max(left - x, x - right, 0), Math.max(top - y, y - bottom, 0)),
    );
    const way = Math.min(1, Math.min(...off, Infinity) / EASES);
    const share = way * way * (3 - 2 * way);
    const [across, down] = strayed(x, y);
    return [x + across * share, y + down * share];
  };
  const lieAs = (mesh: Mesh): Mesh => {
    if (mesh.material.faceId !== null) return mesh;
    const points = mesh.points.map(([x, y, z]): Vector => {
      const [across, down] = lie([x, -y]);
      return [across, -down, z];
    });
    return { ...mesh, points };
  };
  return { lie, lieAs };
}
