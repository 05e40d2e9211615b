import type { Fallen } from '../product/bands';
import { paint, type Shader } from '../product/paint';
import { posed, type Standing } from '../product/scene';
import type { Vector } from '../geometry/vector';
import { lerp } from '../geometry/lerp';

/** How much light reaches a place of a plane, 0 to 1, in the plane's own two mm. */
export type Shade = (a: number, b: number) => number;

export const UNSHADED: Shade = () => 1;

/** Cells of a shadow along its longer side, and how far a shadow reaches past the things, as a share of them. */
const CELLS = 200;
const PAST = 0.6;

class Solid implements Shader {
  shade(_triangle: number, _at: Float64Array, into: Float64Array): void {
    into[0] = into[1] = into[2] = 0;
    into[3] = 1;
  }
}

/**
 * The shadow of things on a plane: of the lamp, soft at its edges, and a closer one where they touch. `flat` gives the
 * place on the plane that a point's shadow falls on, and the place right under it.
 */
export function shadowOf(
  standing: readonly Standing[],
  flat: (point: Vector) => { lamp: readonly [a: number, b: number]; under: readonly [a: number, b: number] },
  strength: number,
): Shade {
  if (strength <= 0) return UNSHADED;
  const points = standing.flatMap(({ meshes, pose }) =>
    meshes.map((mesh) => ({ mesh, at: mesh.points.map((point) => flat(posed(point, pose))) })),
  );
  const lamp = maskOf(
    points.map(({ mesh, at }) => ({ triangles: mesh.triangles, at: at.map((one) => one.lamp) })),
    0.045,
  );
  const under = maskOf(
    points.map(({ mesh, at }) => ({ triangles: mesh.triangles, at: at.map((one) => one.under) })),
    0.028,
  );
  return (a, b) => Math.max(0.1, 1 - strength * (0.34 * lamp(a, b) + 0.34 * under(a, b)));
}

interface Cast {
  triangles: readonly number[];
  at: readonly (readonly [a: number, b: number])[];
}

/** What of a plane is covered, 0 to 1, blurred by a share of its size. */
function maskOf(casts: readonly Cast[], blur: number): Shade {
  const all = casts.flatMap(({ at }) => at);
  const [as, bs] = [all.map(([a]) => a), all.map(([, b]) => b)];
  const range = (values: readonly number[]) =>
    values.reduce<readonly [low: number, high: number]>(
      ([low, high], value) => [Math.min(low, value), Math.max(high, value)],
      [Infinity, -Infinity],
    );
  const [[lowA, highA], [lowB, highB]] = [range(as), range(bs)];
  const side = Math.max(highA - lowA, highB - lowB);
  const past = side * PAST * 0.5;
  const per = CELLS / (side + 2 * past);
  const width = Math.max(8, Math.ceil((highA - lowA + 2 * past) * per));
  const height = Math.max(8, Math.ceil((highB - lowB + 2 * past) * per));
  const place = (a: number, b: number) => [(a - lowA + past) * per, (b - lowB + past) * per] as const;
  const fallen = fallenOf(casts, place);
  const { data } = paint(fallen, new Solid(), { width, height, backdrop: null });
  let cells: Float32Array = Float32Array.from({ length: width * height }, (_, i) => data[i * 4 + 3]! / 255);
  const radius = Math.max(1, Math.round(blur * CELLS));
  for (let pass = 0; pass < 3; pass++) cells = blurred(cells, width, height, radius);
  return (a, b) => {
    const [x, y] = place(a, b);
    const [i, j] = [Math.floor(x - 0.5), Math.floor(y - 0.5)];
    if (i < 0 || j < 0 || i >= width - 1 || j >= height - 1) return 0;
    const [u, v] = [x - 0.5 - i, y - 0.5 - j];
    const at = j * width + i;
    const top = lerp(cells[at]!, cells[at + 1]!, u);
    const low = lerp(cells[at + width]!, cells[at + width + 1]!, u);
    return lerp(top, low, v);
  };
}

function fallenOf(
  casts: readonly Cast[],
  place: (a: number, b: number) => readonly [number, number],
): Fallen {
  const points = casts.flatMap(({ at }) => at.map(([a, b]) => place(a, b)));
  const triangles: number[] = [];
  let first = 0;
  for (const cast of casts) {
    for (const point of cast.triangles) triangles.push(first + point);
    first += cast.at.length;
  }
  return {
    x: Float64Array.from(points, ([x]) => x),
    y: Float64Array.from(points, ([, y]) => y),
    near: new Float64Array(points.length).fill(1),
    triangles: Uint32Array.from(triangles),
    meshOf: new Uint16Array(triangles.length / 3),
  };
}

/** A running mean along rows, then along columns. */
function blurred(from: Float32Array, width: number, height: number, radius: number): Float32Array {
  const across = new Float32Array(from.length);
  const out = new Float32Array(from.length);
  const run = (
    source: Float32Array,
    to: Float32Array,
    count: number,
    lines: number,
    step: number,
    jump: number,
  ) => {
    for (let line = 0; line < lines; line++) {
      let sum = 0;
      for (let i = -radius; i < count; i++) {
        if (i + radius < count) sum += source[line * jump + (i + radius) * step]!;
        if (i - radius - 1 >= 0) sum -= source[line * jump + (i - radius - 1) * step]!;
        if (i >= 0) to[line * jump + i * step] = sum / (2 * radius + 1);
      }
    }
  };
  run(from, across, width, height, 1, width);
  run(across, out, height, width, width, 1);
  return out;
}
