import { deltaE00 } from '../colour/difference';
import { rgbOf, type Rgb } from '../colour/hex';
import { labOf, labOfLevels } from '../colour/lab';
import { MM_PER_INCH } from '../length/units';
import type { Raster } from '../raster/raster';
import { offsetMask } from './distance';
import { labelFlat, settleIslands } from './flat';
import type { PlateInk } from './inks';
import { screened, type Screen } from './screen';
import { laidOver, tonesOf, type Laying } from './tones';

/** How a print is parted into plates. Lengths mm. */
export interface PlatesAsked {
  ppi: number;
  inks: readonly PlateInk[];
  /** The product's colour: where the picture has it, it is left open. */
  product: string;
  /** How inks lie on the product. */
  laying: Laying;
  /** A white base under all inks, its edge so far inside of theirs; null for none. */
  base: { choke: number } | null;
  /** How far a lighter ink spreads under a darker one that it meets. */
  trap: number;
  /** Thinnest stroke that the method holds: smaller islands go to their neighbours. */
  stroke: number;
  /** Tones as dots, or as greys where the screens are null; flat inks where this is null. */
  tones: { screens: readonly Screen[] | null } | null;
}

/** One ink of a print. `plane` is 0 where nothing prints and 255 where all does. */
export interface Plate extends PlateInk {
  base: boolean;
  plane: Uint8Array;
  /** mm² of solid ink that it comes to. */
  area: number;
  screen: Screen | null;
  /** Share of area of the lightest tone that it has; null where it has none but solids. */
  lightest: number | null;
}

const BASE_INK: PlateInk = { name: 'white base', hex: '#ffffff' };

/** Parts a print into a plate an ink, the base first and then from light to dark. */
export function makePlates(print: Raster, asked: PlatesAsked): Plate[] {
  const { ppi, base } = asked;
  const perMm = ppi / MM_PER_INCH;
  const screens = asked.tones?.screens ?? null;
  // Each ink keeps the screen it was given, in whichever order they are printed.
  const ordered = asked.inks
    .map((ink, i) => ({ ink, screen: screens?.[i] ?? null }))
    .sort((a, b) => lightness(b.ink.hex) - lightness(a.ink.hex));
  const inks = ordered.map(({ ink }) => ink);
  const planes = asked.tones ? tonePlanes(print, inks, asked) : flatPlanes(print, inks, asked);
  const plates = ordered.map(({ ink, screen }, i): Plate => {
    const plane = screen ? inked(screened(planes[i]!, print.width, screen, ppi)) : planes[i]!;
    return {
      ...{ ...ink, base: false, plane, area: areaOf(plane, perMm), screen },
      lightest: asked.tones && lightestTone(planes[i]!),
    };
  });
  if (!base) return plates;
  const union = new Uint8Array(print.width * print.height);
  for (const plane of planes) for (let i = 0; i < union.length; i++) if (plane[i]! > 0) union[i] = 1;
  const plane = inked(offsetMask(union, print.width, print.height, -base.choke * perMm));
  return [
    { ...BASE_INK, base: true, plane, area: areaOf(plane, perMm), screen: null, lightest: null },
    ...plates,
  ];
}

function flatPlanes(print: Raster, inks: readonly PlateInk[], asked: PlatesAsked): Uint8Array[] {
  const { width, height } = print;
  const perMm = asked.ppi / MM_PER_INCH;
  const label = labelFlat(print, inks, asked.product, edgeReach(perMm));
  settleIslands(label, width, height, (asked.stroke * perMm) ** 2);
  const masks = inks.map((_, i) => label.map((own) => (own === i + 1 ? 1 : 0)));
  if (asked.trap <= 0) return masks.map(inked);
  return masks.map((mask, i) => {
    const grown = offsetMask(mask, width, height, asked.trap * perMm);
    // Only under what is printed over it: a darker ink, of which it then stands no edge bare.
    for (let at = 0; at < grown.length; at++)
      if (grown[at] && !mask[at] && label[at]! <= i + 1) grown[at] = 0;
    return inked(grown);
  });
}

/** mm that an edge's mixture is wide at most, as artworks are drawn larger for a print. */
const EDGE = 0.12;
const edgeReach = (perMm: number) => Math.max(2, Math.ceil(EDGE * perMm));

function tonePlanes(print: Raster, inks: readonly PlateInk[], asked: PlatesAsked): Uint8Array[] {
  return tonesOf(print, inks, toneGround(asked), asked.laying);
}

/** What is bare counts as white on a light product, as paper does, and over a base. */
function toneGround({ base, product }: PlatesAsked): string {
  return base || isLight(product) ? '#ffffff' : product;
}

/** L* from which cloth needs no base under inks. */
const LIGHT = 85;

/** Whether a product is so light that inks need no white under them. */
export function isLight(hex: string): boolean {
  return lightness(hex) >= LIGHT;
}

function lightness(hex: string): number {
  return labOf(...rgbOf(hex))[0];
}

function inked(mask: Uint8Array): Uint8Array {
  return mask.map((set) => (set ? 255 : 0));
}

function areaOf(plane: Uint8Array, perMm: number): number {
  let sum = 0;
  for (const value of plane) sum += value;
  return sum / 255 / (perMm * perMm);
}

/** Tones under this are no dots that anybody sees, and so much of a plane makes one. */
const LEAST_TONE = 0.02;
const SEEN = 0.001;

function lightestTone(plane: Uint8Array): number | null {
  const counts = new Uint32Array(256);
  for (const value of plane) counts[value] = counts[value]! + 1;
  const inkedPixels = plane.length - counts[0]!;
  for (let value = Math.ceil(LEAST_TONE * 255); value < 255; value++)
    if (counts[value]! > inkedPixels * SEEN) return value / 255;
  return null;
}

/** Samples along the longer side that a difference is measured from. */
const SAMPLES = 600;

/**
 * How far plates printed on the product are from the print itself (dE00), its mean and its worst: over blocks as large as
 * dots blend into a tone, where anything of either is seen.
 */
export function differenceOf(
  print: Raster,
  plates: readonly Plate[],
  { product, laying, ppi, tones }: PlatesAsked,
): { mean: number; worst: number } {
  const { width, height, data } = print;
  const ruling = Math.min(...(tones?.screens ?? []).map((screen) => screen.ruling));
  const block = Number.isFinite(ruling) ? Math.max(1, Math.round((2 * ppi) / ruling)) : 1;
  const step = Math.max(block, Math.floor(Math.max(width, height) / SAMPLES));
  const ground = rgbOf(product);
  const colours = plates.map(({ hex }) => rgbOf(hex));
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
    const shares = new Float64Array(plates.length);
    let seen = false;
    for (let y = top; y < top + block; y++)
      for (let x = left; x < left + block; x++) {
        const i = y * width + x;
        plates.forEach(({ plane }, k) => (shares[k] = plane[i]! / 255));
        const alpha = data[i * 4 + 3]! / 255;
        seen ||= alpha > 0 || shares.some((share) => share > 0);
        const here = laid(ground, colours, shares);
        for (let k = 0; k < 3; k++) {
          made[k] = made[k]! + here[k]! / (block * block);
          const shown = ground[k]! + alpha * (data[i * 4 + k]! - ground[k]!);
          wanted[k] = wanted[k]! + shown / (block * block);
        }
      }
    return { made, wanted, seen };
  }

  /** The base covers whatever it lies on; inks as they do. */
  function laid(on: Rgb, over: readonly Rgb[], shares: Float64Array): [number, number, number] {
    const isBase = plates[0]?.base === true;
    const under = isBase ? laidOver(on, over.slice(0, 1), shares, 'cover') : on;
    return laidOver(under, over.slice(isBase ? 1 : 0), shares.subarray(isBase ? 1 : 0), laying);
  }
}
