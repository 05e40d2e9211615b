import type { KeepOut } from '../face';

type Part = Pick<KeepOut, 'name' | 'effect'> & {
  id: string;
  shape:
    | { kind: 'circle'; diameter: number }
    | { kind: 'rectangle'; width: number; height: number; cornerRadius: number };
};

/** Parts that keep-outs are made from: holes in the product, and covers that will lie on top of the print. */
export const PARTS: readonly Part[] = [
  { id: 'knob-32', name: 'Knob 32 mm', effect: 'cover', shape: { kind: 'circle', diameter: 32 } },
  { id: 'knob-19', name: 'Knob 19 mm', effect: 'cover', shape: { kind: 'circle', diameter: 19 } },
  { id: 'shaft-hole', name: 'Shaft hole 7 mm', effect: 'hole', shape: { kind: 'circle', diameter: 7 } },
  { id: 'screw-hole', name: 'Screw hole 4 mm', effect: 'hole', shape: { kind: 'circle', diameter: 4 } },
  { id: 'hanging-hole', name: 'Hanging hole 5 mm', effect: 'hole', shape: { kind: 'circle', diameter: 5 } },
  {
    id: 'slide-slot',
    name: 'Slide slot',
    effect: 'hole',
    shape: { kind: 'rectangle', width: 24, height: 3, cornerRadius: 1.5 },
  },
  {
    id: 'camera-oblong',
    name: 'Camera, oblong',
    effect: 'hole',
    shape: { kind: 'rectangle', width: 34, height: 20, cornerRadius: 6 },
  },
  {
    id: 'camera-band',
    name: 'Camera, band',
    effect: 'hole',
    shape: { kind: 'rectangle', width: 50, height: 12, cornerRadius: 3 },
  },
  { id: 'camera-round', name: 'Camera, round', effect: 'hole', shape: { kind: 'circle', diameter: 28 } },
  {
    id: 'side-button',
    name: 'Side button',
    effect: 'hole',
    shape: { kind: 'rectangle', width: 5, height: 14, cornerRadius: 2.5 },
  },
];

/** A keep-out made from a part: a circle by its centre, a rectangle by its middle, in the face's mm. */
export function keepOutFrom(partId: string, x: number, y: number, id: string = partId): KeepOut {
  const part = PARTS.find((one) => one.id === partId);
  if (!part) throw new RangeError(`There is no part ${partId}.`);
  const { name, effect, shape } = part;
  return {
    id,
    name,
    effect,
    shape:
      shape.kind === 'circle'
        ? { ...shape, x, y }
        : { ...shape, x: x - shape.width / 2, y: y - shape.height / 2 },
  };
}
