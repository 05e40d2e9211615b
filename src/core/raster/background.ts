import { hexOfWord, rgbOf } from '../colour/hex';
import { words, type Raster } from './raster';

/** Share of the edge that must have the colour, and how far from it a level may be, for noise of lossy files. */
const ALL_ROUND = 0.995;
const ALIKE = 10;
/** The picture must have at least this share that is not background. */
const LEAST_MOTIF = 0.0005;

/** The one solid colour that runs all round a picture's edge; null where there is none, or nothing else in it. */
export function flatBackground(raster: Raster): string | null {
  const edge = edgeWords(raster);
  const colour = edge[Math.floor(edge.length / 2)]!;
  if (colour >>> 24 !== 255) return null;
  const hex = hexOfWord(colour);
  const alike = alikeTo(rgbOf(hex));
  if (edge.filter(alike).length < edge.length * ALL_ROUND) return null;
  let others = 0;
  for (const pixel of words(raster)) if (!alike(pixel)) others++;
  return others >= raster.width * raster.height * LEAST_MOTIF ? hex : null;
}

/** The outermost pixels, sorted, so that the one in the middle is of the colour that most have. */
function edgeWords(raster: Raster): number[] {
  const { width, height } = raster;
  const pixels = words(raster);
  const edge: number[] = [];
  for (let x = 0; x < width; x++) edge.push(pixels[x]!, pixels[(height - 1) * width + x]!);
  for (let y = 0; y < height; y++) edge.push(pixels[y * width]!, pixels[y * width + width - 1]!);
  return edge.sort((a, b) => a - b);
}

function alikeTo([red, green, blue]: readonly [number, number, number]): (pixel: number) => boolean {
  return (pixel) =>
    pixel >>> 24 === 255 &&
    Math.abs((pixel & 255) - red) <= ALIKE &&
    Math.abs(((pixel >>> 8) & 255) - green) <= ALIKE &&
    Math.abs(((pixel >>> 16) & 255) - blue) <= ALIKE;
}
