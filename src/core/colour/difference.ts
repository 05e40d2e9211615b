import type { Lab } from './lab';

const RADIANS = Math.PI / 180;
const POWER = 25 ** 7;

/** CIEDE2000 colour difference, all weights 1 (Sharma, Wu, Dalal 2005). */
export function deltaE00([L1, a1, b1]: Lab, [L2, a2, b2]: Lab): number {
  const meanChroma = (Math.hypot(a1, b1) + Math.hypot(a2, b2)) / 2;
  const G = 0.5 * (1 - Math.sqrt(meanChroma ** 7 / (meanChroma ** 7 + POWER)));
  const A1 = a1 * (1 + G);
  const A2 = a2 * (1 + G);
  const C1 = Math.hypot(A1, b1);
  const C2 = Math.hypot(A2, b2);
  const h1 = hue(A1, b1);
  const h2 = hue(A2, b2);

  const dL = L2 - L1;
  const dC = C2 - C1;
  const grey = C1 * C2 === 0;
  let dh = grey ? 0 : h2 - h1;
  if (dh > 180) dh -= 360;
  else if (dh < -180) dh += 360;
  const dH = 2 * Math.sqrt(C1 * C2) * Math.sin((dh / 2) * RADIANS);

  const L = (L1 + L2) / 2;
  const C = (C1 + C2) / 2;
  const h = grey ? h1 + h2 : meanHue(h1, h2);
  const T =
    1 -
    0.17 * Math.cos((h - 30) * RADIANS) +
    0.24 * Math.cos(2 * h * RADIANS) +
    0.32 * Math.cos((3 * h + 6) * RADIANS) -
    0.2 * Math.cos((4 * h - 63) * RADIANS);
  const SL = 1 + (0.015 * (L - 50) ** 2) / Math.sqrt(20 + (L - 50) ** 2);
  const SC = 1 + 0.045 * C;
  const SH = 1 + 0.015 * C * T;
  const turn = 30 * Math.exp(-(((h - 275) / 25) ** 2));
  const RT = -2 * Math.sqrt(C ** 7 / (C ** 7 + POWER)) * Math.sin(2 * turn * RADIANS);
  return Math.sqrt((dL / SL) ** 2 + (dC / SC) ** 2 + (dH / SH) ** 2 + RT * (dC / SC) * (dH / SH));
}

function hue(a: number, b: number): number {
  if (a === 0 && b === 0) return 0;
  const angle = Math.atan2(b, a) / RADIANS;
  return angle < 0 ? angle + 360 : angle;
}

function meanHue(h1: number, h2: number): number {
  if (Math.abs(h1 - h2) <= 180) return (h1 + h2) / 2;
  return h1 + h2 < 360 ? (h1 + h2 + 360) / 2 : (h1 + h2 - 360) / 2;
}
