import { deltaE00 } from '../colour/difference';
import { rgbOf, type Rgb } from '../colour/hex';
import { labOfLevels } from '../colour/lab';
import type { Raster } from '../raster/raster';
import type { Plate, PlatesAsked } from './make';
import { laidOver } from './tones';

/** What of a product and a plan decides how plates look. */
export type LaidOn = Pick<PlatesAsked, 'product' | 'laying' | 'tones'>;

/**
 * The colour that plates make on a product, by the share of area of each. A base covers whatever it lies on, and inks lie on
 * it as they do; under tones it has their own dots, so that nothing of it shows between them.
 */
export function layerOf(
  plates: readonly Pick<Plate, 'hex' | 'base' | 'opacity'>[],
  { product, laying, tones }: LaidOn,
): (shares: Float64Array) => [number, number, number] {
  const ground = rgbOf(product);
  const isBased = plates[0]?.base === true;
  const inks = plates.slice(isBased ? 1 : 0);
  const own = new Float64Array(inks.length);
  if (isBased && plates.length > 1 && tones) {
    // Of an ink that lets something through it is the base.
    const colours = inks.map(({ hex, opacity }) => laidOver(WHITE, [rgbOf(hex)], [opacity], laying));
    return (shares) => {
      own.set(shares.subarray(1));
      return laidOver(ground, colours, own, 'cover');
    };
  }
  const colours = inks.map(({ hex }) => rgbOf(hex));
  return (shares) => {
    const under = isBased ? laidOver(ground, [WHITE], shares, 'cover') : ground;
    inks.forEach(({ opacity }, i) => (own[i] = shares[isBased ? i + 1 : i]! * opacity));
    return laidOver(under, colours, own, laying);
  };
}

const WHITE: Rgb = [255, 255, 255];

/** Samples along the longer side that a difference is measured from. */
const SAMPLES = 600;

/**
 * How far plates printed on the product are from the print itself (dE00), its mean and its worst: over blocks as large as
 * dots blend into a tone, where anything of either is seen.
 */
export function differenceOf(
  print: Raster,
  plates: readonly Plate[],
  { product, laying, ppi, tones }: LaidOn & Pick<PlatesAsked, 'ppi'>,
): { mean: number; worst: number } {
  const { width, height, data } = print;
  const ruling = Math.min(...(tones?.screens ?? []).map((screen) => screen?.ruling ?? Infinity));
  const block = Number.isFinite(ruling) ? Math.max(1, Math.round((2 * ppi) / ruling)) : 1;
  const step = Math.max(block, Math.floor(Math.max(width, height) / SAMPLES));
  const ground = rgbOf(product);
  const lay = layerOf(plates, { product, laying, tones });
  const shares = new Float64Array(plates.length);
  let [sum, count, worst] = [0, 0, 0];
  for (let y = 0; y + block <= height; y += step)
    for (let x = 0; x + block <= width; x += step) {
      const { made, wanted, seen } = blockOf(x, y);
      if (!seen) continue;
      const far = deltaE00(labOfLevels(...made), labOfLevels(...wanted));
      sum += far;
      count++;
      worst = Math.max(worst, far);
    }
  return { mean: count === 0 ? 0 : sum / count, worst };

  function blockOf(left: number, top: number) {
    const made: [number, number, number] = [0, 0, 0];
    const wanted: [number, number, number] = [0, 0, 0];
    let seen = false;
    for (let y = top; y < top + block; y++)
      for (let x = left; x < left + block; x++) {
        const i = y * width + x;
        plates.forEach(({ plane }, k) => (shares[k] = plane[i]! / 255));
        const alpha = data[i * 4 + 3]! / 255;
        seen ||= alpha > 0 || shares.some((share) => share > 0);
        const here = lay(shares);
        for (let k = 0; k < 3; k++) {
          made[k] = made[k]! + here[k]! / (block * block);
          const shown = ground[k]! + alpha * (data[i * 4 + k]! - ground[k]!);
          wanted[k] = wanted[k]! + shown / (block * block);
        }
      }
    return { made, wanted, seen };
  }
}

/** How plates are looked at. */
export interface PlatesView {
  /** One plate alone, by its place in the order; null for all of them on the product. */
  alone: number | null;
  /** Whether a plate alone is seen in its ink on the product, or in black on white as it is burnt. */
  as: 'ink' | 'black';
  /** Pixels that plates are off their places, each another way: the first of the inks to `angle` degrees, the others round. */
  slid: number;
  angle: number;
}

/** All plates on the product, each in its place. */
export const ALL_AS_THEY_ARE: PlatesView = { alone: null, as: 'ink', slid: 0, angle: 0 };

/** What plates look like, opaque, with the pixels that show the product or the base though inks should meet there. */
export function seenOn(
  plates: readonly Plate[],
  on: LaidOn,
  size: { width: number; height: number },
  view: PlatesView,
): { picture: Raster; gaps: number } {
  const { width, height } = size;
  const data = new Uint8Array(width * height * 4);
  const picture = { width, height, data, opaque: true };
  if (view.alone !== null && view.as === 'black') {
    const plane = plates[view.alone]!.plane;
    for (let i = 0, at = 0; i < plane.length; i++, at += 4) {
      data.fill(255 - plane[i]!, at, at + 3);
      data[at + 3] = 255;
    }
    return { picture, gaps: 0 };
  }
  const shown = view.alone === null ? plates : [plates[view.alone]!];
  const planes = shown.map(({ plane }) => plane);
  const colourOf = colourer(shown, on);
  const words = new Uint32Array(data.buffer);
  const { levels } = colourOf;
  if (view.slid === 0) {
    for (let i = 0; i < words.length; i++) {
      for (let k = 0; k < planes.length; k++) levels[k] = planes[k]![i]!;
      words[i] = colourOf.word();
    }
    return { picture, gaps: 0 };
  }
  const shifts = shiftsOf(shown, view);
  let gaps = 0;
  for (let y = 0, i = 0; y < height; y++)
    for (let x = 0; x < width; x++, i++) {
      let [covered, was] = [0, 0];
      for (let k = 0; k < planes.length; k++) {
        const { dx, dy } = shifts[k]!;
        const [fromX, fromY] = [x - dx, y - dy];
        const inside = fromX >= 0 && fromY >= 0 && fromX < width && fromY < height;
        levels[k] = inside ? planes[k]![fromY * width + fromX]! : 0;
        if (shown[k]!.base) continue;
        covered |= levels[k]!;
        was |= planes[k]![i]!;
      }
      words[i] = colourOf.word();
      if (covered === 0 && was > 0 && isInner(shown, width, height, x, y, view.slid)) gaps++;
    }
  return { picture, gaps };
}

/** A picture of a crop laid on the whole print, all round it in the product's colour. */
export function onPrint(
  picture: Raster,
  { x, y }: { x: number; y: number },
  { width, height }: { width: number; height: number },
  ground: string,
): Raster {
  const data = new Uint8Array(width * height * 4);
  const words = new Uint32Array(data.buffer);
  words.fill((255 << 24) | swapped(rgbOf(ground)));
  const seen = new Uint32Array(picture.data.buffer);
  for (let row = 0; row < picture.height; row++)
    words.set(seen.subarray(row * picture.width, (row + 1) * picture.width), (y + row) * width + x);
  return { width, height, data, opaque: true };
}

/** A colour as the lower three bytes of a pixel. */
function swapped([red, green, blue]: Rgb): number {
  return (blue << 16) | (green << 8) | red;
}

/** Whether inks lie on all sides of a pixel, so far away, when nothing is off its place: bare there is a gap, and no edge. */
function isInner(
  plates: readonly Plate[],
  width: number,
  height: number,
  x: number,
  y: number,
  reach: number,
): boolean {
  const step = Math.max(1, Math.ceil(reach));
  return [
    [x - step, y],
    [x + step, y],
    [x, y - step],
    [x, y + step],
  ].every(
    ([px, py]) =>
      px! >= 0 &&
      py! >= 0 &&
      px! < width &&
      py! < height &&
      plates.some(({ plane }) => plane[py! * width + px!]! > 0),
  );
}

function shiftsOf(plates: readonly Plate[], { slid, angle }: PlatesView): { dx: number; dy: number }[] {
  const turn = (2 * Math.PI) / Math.max(1, plates.length);
  return plates.map((_, i) => {
    const way = (angle * Math.PI) / 180 + i * turn;
    return { dx: Math.round(slid * Math.cos(way)), dy: Math.round(-slid * Math.sin(way)) };
  });
}

/** Colours of plates by their levels at a pixel; solids are asked for once for each of their combinations. */
function colourer(plates: readonly Plate[], on: LaidOn) {
  const lay = layerOf(plates, on);
  const levels = new Uint8Array(plates.length);
  const shares = new Float64Array(plates.length);
  // By which of them lie there, a bit each; no colour that is opaque is 0.
  const known = new Uint32Array(1 << plates.length);
  const reckon = () => {
    for (let k = 0; k < levels.length; k++) shares[k] = levels[k]! / 255;
    const [r, g, b] = lay(shares);
    return ((255 << 24) | (Math.round(b) << 16) | (Math.round(g) << 8) | Math.round(r)) >>> 0;
  };
  return {
    levels,
    word: () => {
      let key = 0;
      for (let k = 0; k < levels.length; k++) {
        const level = levels[k]!;
        if (level !== 0 && level !== 255) return reckon();
        if (level === 255) key |= 1 << k;
      }
      return known[key] || (known[key] = reckon());
    },
  };
}
