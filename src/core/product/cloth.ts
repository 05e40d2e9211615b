/** Distance in mm between the places that folds are worked out at: no fold is narrower than ten of them. */
const STEP = 8;
/** Places across and down, about the cloth's own middle; beyond them folds begin anew. */
const PLACES = 256;

/**
 * How a lying cloth leans at a place in mm: the slope of its folds across and down, for folds of full depth. Long soft
 * waves drawn together here and there, always the same ones.
 */
function slopeAt(x: number, y: number): readonly [across: number, down: number] {
  const bent = 0.9 * Math.sin(y * 0.0105 + 0.8) + 0.5 * Math.sin(x * 0.0142 - 1);
  const long = Math.cos(x * 0.031 + y * 0.0082 + 1.7 * bent);
  const slant = Math.cos(x * 0.0235 - y * 0.019 + 1.3 + bent);
  const fine = Math.cos(x * 0.062 + y * 0.047 + 2.2 * bent);
  const swell = 0.55 + 0.45 * Math.sin(x * 0.0061 + y * 0.0093 + 0.4);
  return [
    (0.24 * long + 0.14 * slant + 0.06 * fine) * swell,
    (0.08 * long - 0.13 * slant + 0.05 * fine) * swell,
  ];
}

let table: Float32Array | undefined;

function slopes(): Float32Array {
  if (table) return table;
  table = new Float32Array(PLACES * PLACES * 2);
  for (let row = 0, at = 0; row < PLACES; row++)
    for (let column = 0; column < PLACES; column++, at += 2)
      table.set(slopeAt((column - PLACES / 2) * STEP, (row - PLACES / 2) * STEP), at);
  return table;
}

/** The slope at a place, put `into` across and down: between the places that were worked out, joined straight. */
export function foldsAt(x: number, y: number, into: Float64Array): void {
  const known = slopes();
  const u = x / STEP + PLACES / 2;
  const v = y / STEP + PLACES / 2;
  const column = Math.floor(u);
  const row = Math.floor(v);
  const s = u - column;
  const t = v - row;
  const left = column & (PLACES - 1);
  const right = (column + 1) & (PLACES - 1);
  const top = (row & (PLACES - 1)) * PLACES;
  const low = ((row + 1) & (PLACES - 1)) * PLACES;
  const [a, b, c, d] = [(top + left) * 2, (top + right) * 2, (low + left) * 2, (low + right) * 2];
  const wa = (1 - s) * (1 - t);
  const wb = s * (1 - t);
  const wc = (1 - s) * t;
  const wd = s * t;
  into[0] = known[a]! * wa + known[b]! * wb + known[c]! * wc + known[d]! * wd;
  into[1] = known[a + 1]! * wa + known[b + 1]! * wb + known[c + 1]! * wc + known[d + 1]! * wd;
}

const WAVE = Float32Array.from({ length: 256 }, (_, i) => Math.sin((2 * Math.PI * i) / 256));

/** Lightness of a weave at a place in mm, about 1: threads over and under, so many to the mm. */
export function weaveAt(x: number, y: number, perMm = 1.6): number {
  const across = WAVE[Math.floor(x * perMm * 256) & 255]!;
  const down = WAVE[Math.floor(y * perMm * 256) & 255]!;
  return 1 + 0.035 * across * down;
}
