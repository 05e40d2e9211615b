import type { PixelBox } from '../artwork/facts';
import { words, type Raster } from './raster';

/** A straight line left in a picture: where it lies, in pixels, and whether it can hardly be anything else. */
export interface GuideLine {
  box: PixelBox;
  certain: boolean;
}

/** A guide is at most this thick, in pixels, and differs from what lies further off on both sides. */
const THICKEST = 4;
const OFF = THICKEST + 1;
/** Of its side's length, a line of one colour is a guide from this share on, and certainly one from the other. */
const SUSPECTED = 0.55;
const CERTAIN = 0.85;
/** Every so many pixels are looked at first; a line shows in nearly as large a share of them. */
const STRIDE = 8;
const LEAST_SIDE = 48;

/** Level and upright lines of one colour, thin, straight and nearly as long as the picture, solid or dashed. */
export function findGuides(raster: Raster): GuideLine[] {
  const { width, height } = raster;
  if (Math.min(width, height) < LEAST_SIDE) return [];
  const pixels = words(raster);
  const level = { along: width, across: height, alongStep: 1, acrossStep: width };
  const upright = { along: height, across: width, alongStep: width, acrossStep: 1 };
  return [
    ...gathered(pixels, level).map(({ from, to, certain }) => ({
      box: { x: 0, y: from, width, height: to - from },
      certain,
    })),
    ...gathered(pixels, upright).map(({ from, to, certain }) => ({
      box: { x: from, y: 0, width: to - from, height },
      certain,
    })),
  ];
}

/** One direction: pixels along a line, lines across the picture, and the steps between them in memory. */
interface Direction {
  along: number;
  across: number;
  alongStep: number;
  acrossStep: number;
}

interface Lines {
  from: number;
  to: number;
  certain: boolean;
}

function gathered(pixels: Uint32Array, direction: Direction): Lines[] {
  const likely = likelyLines(pixels, direction);
  const lines: Lines[] = [];
  for (const at of likely) {
    const share = lineShare(pixels, direction, at);
    if (share < SUSPECTED) continue;
    const last = lines.at(-1);
    if (last?.to === at) {
      last.to = at + 1;
      last.certain ||= share >= CERTAIN;
    } else lines.push({ from: at, to: at + 1, certain: share >= CERTAIN });
  }
  return lines.filter(({ from, to }) => to - from <= THICKEST);
}

/** Lines that stand out from what lies on both sides of them at enough of the pixels looked at. */
function likelyLines(pixels: Uint32Array, { along, across, alongStep, acrossStep }: Direction): number[] {
  const looked = Math.floor(along / STRIDE);
  const counts = new Uint32Array(across);
  for (let i = 0; i < looked; i++) {
    const start = i * STRIDE * alongStep;
    for (let line = OFF; line < across - OFF; line++) {
      const at = start + line * acrossStep;
      const pixel = pixels[at]!;
      if (
        pixel !== pixels[at - OFF * acrossStep]! &&
        pixel !== pixels[at + OFF * acrossStep]! &&
        standsOut(pixels, at, acrossStep)
      )
        counts[line]!++;
    }
  }
  return [...counts.keys()].filter((line) => counts[line]! >= looked * SUSPECTED * 0.8);
}

/** Share of a line that has its commonest colour and stands out from both its sides. */
function lineShare(pixels: Uint32Array, { along, alongStep, acrossStep }: Direction, line: number): number {
  const start = line * acrossStep;
  // The majority vote of Boyer and Moore finds the one colour that more than half can have.
  let colour = 0;
  let votes = 0;
  for (let i = 0; i < along; i++) {
    const at = start + i * alongStep;
    if (!standsOut(pixels, at, acrossStep)) continue;
    if (votes === 0) colour = pixels[at]!;
    votes += apart(pixels[at]!, colour) <= ALIKE ? 1 : -1;
  }
  let same = 0;
  for (let i = 0; i < along; i++) {
    const at = start + i * alongStep;
    if (standsOut(pixels, at, acrossStep) && apart(pixels[at]!, colour) <= ALIKE) same++;
  }
  return same / along;
}

/** Sums of differences of the four channels, of 1,020. */
const ALIKE = 24;
const DIFFERENT = 90;

function standsOut(pixels: Uint32Array, at: number, acrossStep: number): boolean {
  const pixel = pixels[at]!;
  if (pixel >>> 24 < 64) return false;
  const before = pixels[at - OFF * acrossStep]!;
  const behind = pixels[at + OFF * acrossStep]!;
  return apart(pixel, before) >= DIFFERENT && apart(pixel, behind) >= DIFFERENT;
}

function apart(a: number, b: number): number {
  return (
    Math.abs((a & 255) - (b & 255)) +
    Math.abs(((a >>> 8) & 255) - ((b >>> 8) & 255)) +
    Math.abs(((a >>> 16) & 255) - ((b >>> 16) & 255)) +
    Math.abs((a >>> 24) - (b >>> 24))
  );
}
