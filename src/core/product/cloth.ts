/**
 * How a lying cloth leans at a place in mm: the slope of its folds across and down, for folds of full depth. Long soft
 * waves drawn together here and there, always the same ones.
 */
export function foldsAt(x: number, y: number): readonly [across: number, down: number] {
  const bent = 0.9 * Math.sin(y * 0.0105 + 0.8) + 0.5 * Math.sin(x * 0.0142 - 1);
  const long = Math.cos(x * 0.031 + y * 0.0082 + 1.7 * bent);
  const slant = Math.cos(x * 0.0235 - y * 0.019 + 1.3 + bent);
  const fine = Math.cos(x * 0.062 + y * 0.047 + 2.2 * bent);
  const swell = 0.55 + 0.45 * Math.sin(x * 0.0061 + y * 0.0093 + 0.4);
  return [
    (0.19 * long + 0.11 * slant + 0.05 * fine) * swell,
    (0.06 * long - 0.1 * slant + 0.04 * fine) * swell,
  ];
}

/** Lightness of a weave at a place in mm, about 1: threads over and under, so many to the mm. */
export function weaveAt(x: number, y: number, perMm = 1.6): number {
  return 1 + 0.035 * Math.sin(2 * Math.PI * x * perMm) * Math.sin(2 * Math.PI * y * perMm);
}
