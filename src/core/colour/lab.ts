/** CIE L*, a*, b* under D50. */
export type Lab = readonly [L: number, a: number, b: number];

/** sRGB (IEC 61966-2-1) to linear light, 0 to 1, for each of the 256 levels. */
const LINEAR = Float64Array.from({ length: 256 }, (_, level) => linear(level));

/** Linear light, 0 to 1, of an sRGB level, 0 to 255. */
export function linear(level: number): number {
  const value = level / 255;
  return value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4;
}

/** D50 white of the ICC profile connection space. */
const WHITE = [0.9642, 1, 0.8249] as const;

/** Rows of the Bradford-adapted matrix of the sRGB ICC profile, from linear light to XYZ under D50. */
const X = [0.4360747, 0.3850649, 0.1430804] as const;
const Y = [0.2225045, 0.7168786, 0.0606169] as const;
const Z = [0.0139322, 0.0971045, 0.7141733] as const;
/** What the matrix makes of white. It is rounded otherwise than D50 is, and white is to be white: it is measured by this. */
const SUMS = [X[0] + X[1] + X[2], Y[0] + Y[1] + Y[2], Z[0] + Z[1] + Z[2]] as const;

/** Lab D50 of an sRGB colour, 8 bits a channel. */
export function labOf(red: number, green: number, blue: number): Lab {
  return labOfLinear(LINEAR[red]!, LINEAR[green]!, LINEAR[blue]!);
}

/** The same of levels that need not be whole. */
export function labOfLevels(red: number, green: number, blue: number): Lab {
  return labOfLinear(linear(red), linear(green), linear(blue));
}

function labOfLinear(r: number, g: number, b: number): Lab {
  const x = bend((X[0] * r + X[1] * g + X[2] * b) / SUMS[0]);
  const y = bend((Y[0] * r + Y[1] * g + Y[2] * b) / SUMS[1]);
  const z = bend((Z[0] * r + Z[1] * g + Z[2] * b) / SUMS[2]);
  return [116 * y - 16, 500 * (x - y), 200 * (y - z)];
}

function bend(t: number): number {
  return t > 216 / 24389 ? Math.cbrt(t) : ((24389 / 27) * t + 16) / 116;
}

/** XYZ under D50, 1 for white's Y, of a Lab colour. */
export function xyzOf([L, a, b]: Lab): readonly [x: number, y: number, z: number] {
  const y = (L + 16) / 116;
  const straight = (t: number) => (t > 6 / 29 ? t ** 3 : ((t * 116 - 16) * 27) / 24389);
  return [straight(y + a / 500) * WHITE[0], straight(y) * WHITE[1], straight(y - b / 200) * WHITE[2]];
}

/** sRGB of XYZ under D50, 0 to 1 and cut off there: the way back of `labOf`. */
export function srgbOfXyz(ofX: number, ofY: number, ofZ: number): readonly [number, number, number] {
  const x = (ofX / WHITE[0]) * SUMS[0];
  const y = (ofY / WHITE[1]) * SUMS[1];
  const z = (ofZ / WHITE[2]) * SUMS[2];
  const encode = (linear: number) => {
    const value = Math.min(1, Math.max(0, linear));
    return value <= 0.0031308 ? value * 12.92 : 1.055 * value ** (1 / 2.4) - 0.055;
  };
  return [
    encode(3.1338561 * x - 1.6168667 * y - 0.4906146 * z),
    encode(-0.9787684 * x + 1.9161415 * y + 0.033454 * z),
    encode(0.0719453 * x - 0.2289914 * y + 1.4052427 * z),
  ];
}
