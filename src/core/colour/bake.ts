import { UpFitError } from '../errors';
import { mediaWhite, type IccProfile } from './icc';
import { inkToLab } from './ink-lab';
import { deltaE00 } from './difference';
import { labOfLevels, srgbOfXyz, xyzOf, type Lab } from './lab';
import { GREYS, type Intent, type Press } from './press';

const D50 = [0.9642, 1, 0.8249] as const;

/**
 * How inks look as printed: on a white screen with black point compensation, and with the paper's own white. Where the
 * compensated black lies is taken from the engine, by the lightness of solid black without it and with it:
 * Y' = (Y - t) / (1 - t), so t = (Y' - Y) / (Y' - 1).
 */
export function asPrinted(
  profile: IccProfile,
  lattice: Float32Array,
  ink: Uint16Array,
  intent: Intent,
  black: number,
  compensated: number,
): Pick<Press, 'proof' | 'paper' | 'off'> {
  const toLab = inkToLab(profile, intent === 'perceptual' ? 'A2B0' : 'A2B1');
  const exact = inkToLab(profile, 'A2B1');
  if (!toLab || !exact)
    throw new UpFitError(
      'unsupported',
      'This profile keeps its tables in a form that is not read yet: ask the house for its version 2 profile.',
    );
  const [before, after] = [xyzOf([black, 0, 0])[1], xyzOf([compensated, 0, 0])[1]];
  const t = Math.max(0, (after - before) / (after - 1));
  const white = mediaWhite(profile);
  const proof = new Uint16Array((ink.length / 4) * 3);
  const paper = new Uint16Array(proof.length);
  const off = new Uint16Array(ink.length / 4);
  for (let at = 0, to = 0; at < ink.length; at += 4, to += 3) {
    const inks = [
      ink[at]! / 65535,
      ink[at + 1]! / 65535,
      ink[at + 2]! / 65535,
      ink[at + 3]! / 65535,
    ] as const;
    const [x, y, z] = xyzOf(exact(inks));
    const [X, Y, Z] = [x, y, z].map((value, i) => (value - t * D50[i]!) / (1 - t)) as [
      number,
      number,
      number,
    ];
    put(paper, to, srgbOfXyz((x * white[0]) / D50[0], (y * white[1]) / D50[1], (z * white[2]) / D50[2]));
    const levels = srgbOfXyz(X, Y, Z);
    put(proof, to, levels);
    const [red, green, blue] = levels;
    const corner: Lab = [lattice[to]!, lattice[to + 1]!, lattice[to + 2]!];
    const far = deltaE00(corner, labOfLevels(red * 255, green * 255, blue * 255));
    off[to / 3] = Math.min(65535, Math.round(far * 1000));
  }
  return { proof: intent === 'absolute' ? paper : proof, paper, off };
}

/** Lab of every corner of a lattice over sRGB, red running fastest, and then of every grey. */
export function latticeOf(size: number): Float32Array {
  const corners = size ** 3;
  const lattice = new Float32Array((corners + GREYS) * 3);
  const level = (index: number) => (index * 255) / (size - 1);
  for (let at = 0; at < corners; at++) {
    const [red, green, blue] = [at % size, Math.floor(at / size) % size, Math.floor(at / size ** 2)];
    lattice.set(labOfLevels(level(red), level(green), level(blue)), at * 3);
  }
  for (let grey = 0; grey < GREYS; grey++) lattice.set(labOfLevels(grey, grey, grey), (corners + grey) * 3);
  return lattice;
}

function put(table: Uint16Array, at: number, levels: readonly [number, number, number]): void {
  for (let channel = 0; channel < 3; channel++) table[at + channel] = Math.round(levels[channel]! * 65535);
}
