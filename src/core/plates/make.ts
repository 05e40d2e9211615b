import { rgbOf } from '../colour/hex';
import { labOf } from '../colour/lab';
import type { Screen } from '../fit/plates';
import { MM_PER_INCH } from '../length/units';
import { labelFlat, relabelPart, settleIslands, type LabelledColour } from '../raster/flat';
import { IN_SILENCE, type Progress, type Raster } from '../raster/raster';
import type { PlateInk } from './inks';
import { offsetMask, reachOf } from '../raster/offset';
import { eachMeeting, runStarts } from '../raster/runs';
import { screened } from './screen';
import { tonesOf, type Laying } from './tones';

/** An ink as plates are asked for it. */
export interface AskedInk extends PlateInk {
  /** Colours of the picture that it is printed for. */
  from: readonly string[];
  /** How much of what lies under it it hides, or darkens: 0 to 1. */
  opacity: number;
}

/** How a print is parted into plates. Lengths mm. */
export interface PlatesAsked {
  ppi: number;
  /** In the order in which they are printed. */
  inks: readonly AskedInk[];
  /** Colours of the picture that are left open: the product's own, and white where it is as good as that. */
  open: readonly string[];
  /** The product's colour. */
  product: string;
  /** How inks lie on the product. */
  laying: Laying;
  /** A white base under all inks, its edge so far inside of theirs; null for none. */
  base: { choke: number } | null;
  /** How far a lighter ink spreads under a darker one that it meets. */
  trap: number;
  /** Thinnest stroke that the method holds: smaller islands go to their neighbours. */
  stroke: number;
  /** Parts that another ink takes, or none (null), by a pixel of each. */
  regions: readonly { x: number; y: number; ink: number | null }[];
  /** Tones as dots, or as greys where the screens are null; flat inks where this is null. */
  tones: { screens: readonly (Screen | null)[] | null } | null;
}

/** One ink of a print. `plane` is 0 where nothing prints and 255 where all does. */
export interface Plate extends PlateInk {
  base: boolean;
  plane: Uint8Array;
  opacity: number;
  /** mm² of solid ink that it comes to. */
  area: number;
  screen: Screen | null;
  /** Share of area of the lightest tone that it has; null where it has none but solids. */
  lightest: number | null;
}

export const BASE_INK: PlateInk = { name: 'white base', hex: '#ffffff' };

/** Parts a print into a plate an ink, the base before all others. */
export function makePlates(print: Raster, asked: PlatesAsked, progress: Progress = IN_SILENCE): Plate[] {
  const { ppi, base, inks } = asked;
  const perMm = ppi / MM_PER_INCH;
  const { planes, solid, printed } = asked.tones
    ? tonePlanes(print, asked)
    : flatPlanes(print, asked, progress);
  progress(0.6);
  const plates = inks.map(({ name, hex, opacity }, i): Plate => {
    const screen = asked.tones?.screens?.[i] ?? null;
    const plane = screen ? screened(planes[i]!, print.width, screen, ppi) : planes[i]!;
    progress(0.6 + (0.3 * (i + 1)) / inks.length);
    return {
      ...{ name, hex, opacity, base: false, plane, screen },
      area: (screen ? solidOf(plane) : solid[i]!) / perMm ** 2,
      lightest: asked.tones && lightestTone(planes[i]!),
    };
  });
  if (!base) return plates;
  const plane = basePlane(printed, asked.tones ? plates : null, print, base.choke * perMm);
  const under = { ...BASE_INK, opacity: 1, base: true, plane, area: solidOf(plane) / perMm ** 2 };
  return [{ ...under, screen: null, lightest: null }, ...plates];
}

/**
 * White under all that is printed, its outer edge so many pixels inside of theirs. Under tones it goes with their dots, so
 * that the product shows between them as it does without a base.
 */
function basePlane(
  printed: Uint8Array,
  tones: readonly Plate[] | null,
  { width, height }: Raster,
  choke: number,
): Uint8Array {
  const held = offsetMask(printed, width, height, -choke);
  if (!tones) return held;
  for (let i = 0; i < held.length; i++) {
    if (held[i] === 0) continue;
    let bare = 1;
    for (const { plane } of tones) bare *= 1 - plane[i]! / 255;
    held[i] = Math.round((1 - bare) * 255);
  }
  return held;
}

/** Which ink each pixel of a print is given, from 1 in the order they are asked for; 0 where it stays open. */
export function labelsOf(print: Raster, asked: PlatesAsked): Uint8Array {
  const { inks, open, ppi, stroke, regions } = asked;
  const perMm = ppi / MM_PER_INCH;
  const colours: LabelledColour[] = [
    ...open.map((hex) => ({ hex, label: 0 })),
    ...inks.flatMap(({ from }, i) => from.map((hex) => ({ hex, label: i + 1 }))),
  ];
  const label = labelFlat(print, colours, edgeReach(perMm));
  settleIslands(label, print.width, print.height, (stroke * perMm) ** 2);
  for (const { x, y, ink } of regions)
    relabelPart(label, print.width, print.height, { x, y }, ink === null ? 0 : ink + 1);
  return label;
}

/** Planes of inks with the pixels of solid ink that each comes to, and where any of them prints: not 0 there. */
interface Planes {
  planes: Uint8Array[];
  solid: number[];
  printed: Uint8Array;
}

function flatPlanes(print: Raster, asked: PlatesAsked, progress: Progress): Planes {
  const { inks, trap, ppi } = asked;
  const label = labelsOf(print, asked);
  progress(0.3);
  const starts = runStarts(label, print.width);
  const { planes, solid } = planesOf(label, starts, inks.length);
  progress(0.5);
  const radius = (trap * ppi) / MM_PER_INCH;
  const light = inks.map(({ hex }) => lightness(hex));
  if (radius > 0) spreadLight(planes, solid, { label, starts, light }, print, radius);
  return { planes, solid, printed: label };
}

/** A plane a label, run by run. */
function planesOf(label: Uint8Array, starts: Int32Array, count: number): Pick<Planes, 'planes' | 'solid'> {
  const planes = Array.from({ length: count }, () => new Uint8Array(label.length));
  const solid = planes.map(() => 0);
  for (let i = 0; i < starts.length; i++) {
    const [from, to] = [starts[i]!, starts[i + 1] ?? label.length];
    const own = label[from]! - 1;
    if (own < 0) continue;
    planes[own]!.fill(255, from, to);
    solid[own] = solid[own]! + to - from;
  }
  return { planes, solid };
}

/**
 * Spreads each ink under every darker one that it meets, by so many pixels: round each of its pixels that has a darker one
 * beside it. The darker one's own edge stays where it is.
 */
function spreadLight(
  planes: readonly Uint8Array[],
  solid: number[],
  { label, starts, light }: { label: Uint8Array; starts: Int32Array; light: readonly number[] },
  { width, height }: Raster,
  radius: number,
): void {
  const reach = reachOf(radius + 0.5);
  const isUnder = (own: number, other: number) => own > 0 && other > 0 && light[other - 1]! < light[own - 1]!;
  const spread = (at: number, own: number) => {
    const [x, y] = [at % width, Math.floor(at / width)];
    const plane = planes[own - 1]!;
    for (let down = 1 - reach.length; down < reach.length; down++) {
      if (y + down < 0 || y + down >= height) continue;
      const along = reach[Math.abs(down)]!;
      const row = (y + down) * width;
      const end = Math.min(width - 1, x + along);
      for (let i = row + Math.max(0, x - along); i <= row + end; i++) {
        if (plane[i] !== 0 || !isUnder(own, label[i]!)) continue;
        plane[i] = 255;
        solid[own - 1]!++;
      }
    }
  };
  eachMeeting(label, starts, width, (a, b) => {
    const [own, other] = [label[a]!, label[b]!];
    if (isUnder(own, other)) spread(a, own);
    else if (isUnder(other, own)) spread(b, other);
  });
}

/** mm that an edge's mixture is wide at most, as artworks are drawn larger for a print. */
const EDGE = 0.12;
const edgeReach = (perMm: number) => Math.max(2, Math.ceil(EDGE * perMm));

/** What is bare counts as white on a light product, as paper does; on others the product shows between dots. */
function tonePlanes(print: Raster, { inks, open, product, laying }: PlatesAsked): Planes {
  const ground = isLight(product) ? '#ffffff' : product;
  const planes = tonesOf(print, inks, { ground, open, laying });
  const printed = new Uint8Array(print.width * print.height);
  for (const plane of planes) for (let i = 0; i < printed.length; i++) printed[i] = printed[i]! | plane[i]!;
  return { planes, solid: planes.map(solidOf), printed };
}

/** L* from which cloth needs no base under inks. */
const LIGHT = 85;

/** Whether a product is so light that inks need no white under them. */
export function isLight(hex: string): boolean {
  return lightness(hex) >= LIGHT;
}

export function lightness(hex: string): number {
  return labOf(...rgbOf(hex))[0];
}

/** Pixels of solid ink that a plane comes to. */
function solidOf(plane: Uint8Array): number {
  // Four at a time, as most of a plane has nothing.
  const fours = new Uint32Array(plane.buffer, plane.byteOffset, plane.length >> 2);
  let sum = 0;
  // By index: iterators of typed arrays take several times as long.
  for (let i = fours.length; i-- > 0;) {
    const four = fours[i]!;
    if (four !== 0) sum += (four & 255) + ((four >>> 8) & 255) + ((four >>> 16) & 255) + (four >>> 24);
  }
  for (let i = fours.length * 4; i < plane.length; i++) sum += plane[i]!;
  return sum / 255;
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
