/** CIE L*, a*, b* under D50. */
export type Lab = readonly [L: number, a: number, b: number];

/** sRGB (IEC 61966-2-1) to linear light, 0 to 1, for each of the 256 levels. */
const LINEAR = Float64Array.from({ length: 256 }, (_, level) => {
  const value = level / 255;
  return value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4;
});

/** D50 white of the ICC profile connection space. */
const WHITE = [0.9642, 1, 0.8249] as const;

/** Lab D50 of an sRGB colour, 8 bits a channel; the matrix is the Bradford-adapted one of the sRGB ICC profile. */
export function labOf(red: number, green: number, blue: number): Lab {
  const r = LINEAR[red]!;
  const g = LINEAR[green]!;
  const b = LINEAR[blue]!;
  const x = bend((0.4360747 * r + 0.3850649 * g + 0.1430804 * b) / WHITE[0]);
  const y = bend((0.2225045 * r + 0.7168786 * g + 0.0606169 * b) / WHITE[1]);
  const z = bend((0.0139322 * r + 0.0971045 * g + 0.7141733 * b) / WHITE[2]);
  return [116 * y - 16, 500 * (x - y), 200 * (y - z)];
}

function bend(t: number): number {
  return t > 216 / 24389 ? Math.cbrt(t) : ((24389 / 27) * t + 16) / 116;
}
