import type { LabelBody } from '../../blank/bodies/sheets';
import type { Face } from '../../blank/face';
import { surface, type Material, type Mesh } from '../mesh';
import { lathe } from './round';

/** mm that a label lies off the glass. */
const OFF = 0.15;

/** The jar or the bottle that a label is made for, with its labels on it. */
export function labelledMeshes(body: LabelBody, faces: readonly Face[]): Mesh[] {
  return body.pair ? bottle(body, faces) : jar(body, faces[0]!);
}

/** A label on a round wall, its middle so far round from the front. */
function labelOn({ diameter, height }: LabelBody, face: Face, middle: number, foot: number): Mesh {
  const material: Material = { faceId: face.id, colour: 'product', finish: 'product' };
  const radius = diameter / 2 + OFF;
  return surface(material, 128, 1, (s, t) => {
    const x = s * face.width;
    const angle = middle + (x - face.width / 2) / (diameter / 2);
    // Where it overlaps, its end lies on its start.
    const over = x > face.width - face.overlap ? OFF : 0;
    return {
      at: [(radius + over) * Math.sin(angle), foot + height * (1 - t), (radius + over) * Math.cos(angle)],
      place: [x, t * height],
    };
  });
}

function jar(body: LabelBody, face: Face): Mesh[] {
  const r = body.diameter / 2;
  const jam: Material = { faceId: null, colour: '#b5772f', finish: 'glass' };
  const lid: Material = { faceId: null, colour: '#c9b27a', finish: 'metal' };
  const foot = Math.max(8, body.height * 0.22);
  const shoulder = foot + body.height + 8;
  const front = face.zones.find(({ name }) => name === 'front');
  const middle = front ? -(front.x - face.width / 2) / r : 0;
  return [
    ...lathe(jam, [
      [r * 0.86, shoulder + 9],
      [r * 0.95, shoulder + 6],
      [r, shoulder - 2],
      [r, foot * 0.6],
      [r * 0.94, foot * 0.15],
      [0, 0],
    ]),
    ...lathe(lid, [
      [0, shoulder + 23],
      [r * 0.88, shoulder + 23],
      [r * 0.92, shoulder + 21.5],
      [r * 0.92, shoulder + 8],
      [r * 0.86, shoulder + 8],
    ]),
    labelOn(body, face, middle, foot),
  ];
}

function bottle(body: LabelBody, faces: readonly Face[]): Mesh[] {
  const r = body.diameter / 2;
  const glass: Material = { faceId: null, colour: '#39502f', finish: 'glass' };
  const cap: Material = { faceId: null, colour: '#2a2320', finish: 'matt' };
  const foot = 34;
  const shoulder = foot + body.height + 26;
  const steps = 12;
  const curve = Array.from({ length: steps + 1 }, (_, i) => {
    const t = i / steps;
    const bend = (1 - Math.cos(Math.PI * t)) / 2;
    return [r * 0.36 + (r - r * 0.36) * bend, shoulder + 52 * (1 - t)] as const;
  });
  return [
    ...lathe(glass, [[r * 0.36, shoulder + 100], ...curve, [r, foot * 0.25], [r * 0.93, 1], [0, 0]]),
    ...lathe(cap, [
      [0, shoulder + 118],
      [r * 0.38, shoulder + 118],
      [r * 0.41, shoulder + 115],
      [r * 0.41, shoulder + 84],
      [r * 0.36, shoulder + 84],
    ]),
    ...faces.map((face) => labelOn(body, face, face.id === 'back' ? Math.PI : 0, foot)),
  ];
}
