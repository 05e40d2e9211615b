import { surface, type Material, type Mesh } from '../../product/mesh';
import type { Vector } from '../../geometry/vector';

/** A block with flat sides: its middle, its size, and radians that it is turned about the upright. */
export function block(material: Material, middle: Vector, [wide, high, deep]: Vector, yaw = 0): Mesh[] {
  const [cos, sin] = [Math.cos(yaw), Math.sin(yaw)];
  const [w, h, d] = [wide / 2, high / 2, deep / 2];
  const at = (x: number, y: number, z: number): Vector => [
    middle[0] + x * cos + z * sin,
    middle[1] + y,
    middle[2] - x * sin + z * cos,
  ];
  /** A side by its corners, from the upper left one down and across as it is seen. */
  const side = (from: Vector, across: Vector, down: Vector): Mesh =>
    surface({ ...material, solid: true }, 1, 1, (s, t) => ({
      at: at(
        from[0] + across[0] * s + down[0] * t,
        from[1] + across[1] * s + down[1] * t,
        from[2] + across[2] * s + down[2] * t,
      ),
    }));
  return [
    side([-w, h, d], [wide, 0, 0], [0, -high, 0]),
    side([w, h, -d], [-wide, 0, 0], [0, -high, 0]),
    side([w, h, d], [0, 0, -deep], [0, -high, 0]),
    side([-w, h, -d], [0, 0, deep], [0, -high, 0]),
    side([-w, h, -d], [wide, 0, 0], [0, 0, deep]),
    side([-w, -h, d], [wide, 0, 0], [0, 0, -deep]),
  ];
}
