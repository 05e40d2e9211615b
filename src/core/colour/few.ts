import { rgbOf } from './hex';
import { labOf } from './lab';
import type { PaletteColour } from './palette';

/** One colour that stands for several. */
export interface FewColour {
  hex: string;
  from: string[];
}

/**
 * A palette in so few colours: time and again the two whose joining moves the least of the picture by the least (Ward, in
 * Lab) become one, in the colour of the larger.
 */
export function fewColours(palette: readonly PaletteColour[], count: number): FewColour[] {
  let groups = palette.map(({ hex, share }) => ({ hex, from: [hex], share, lab: labOf(...rgbOf(hex)) }));
  while (groups.length > Math.max(1, count)) {
    let best: [i: number, j: number] = [0, 1];
    let least = Infinity;
    groups.forEach((a, i) => {
      groups.slice(i + 1).forEach((b, k) => {
        const far = a.lab.reduce((sum, value, axis) => sum + (value - b.lab[axis]!) ** 2, 0);
        const cost = ((a.share * b.share) / Math.max(1e-9, a.share + b.share)) * far;
        if (cost < least) [best, least] = [[i, i + 1 + k], cost];
      });
    });
    const [i, j] = best;
    const [a, b] = [groups[i]!, groups[j]!];
    const larger = a.share >= b.share ? a : b;
    const joined = { ...larger, from: [...a.from, ...b.from], share: a.share + b.share };
    groups = [...groups.filter((_, k) => k !== i && k !== j), joined];
  }
  return groups.sort((a, b) => b.share - a.share).map(({ hex, from }) => ({ hex, from }));
}
