import type { StepOf } from '../../artwork/steps';
import { PRESENT } from '../bounds';
import { holesOf, isPinhole, onGround, straySpecks, USUAL_MM } from '../flaws';
import { findGaps } from '../gaps';
import { findGuides } from '../guides';
import { PartFinder, takeAlphaRuns, type Run } from '../parts';
import { words, type Raster } from '../raster';

/** Mends what nobody meant to print: specks are made clear, guide lines closed over, pinholes and gaps filled. */
export function tidy(raster: Raster, { what, mm = USUAL_MM }: StepOf<'tidy'>): Raster {
  const pixels = words(raster).slice();
  const mended = { ...raster, data: new Uint8Array(pixels.buffer) };
  if (what === 'specks') clearSpecks(raster, pixels, mm);
  else if (what === 'lines') closeLines(raster, pixels, mm);
  else if (what === 'pinholes') fillPinholes(raster, pixels, mm);
  else closeGaps(raster, pixels, mm);
  return mended;
}

function clearSpecks(raster: Raster, pixels: Uint32Array, mm: number): void {
  const seen = onGround(raster);
  if (!seen) return;
  const { width, height, data } = seen;
  // On a ground of one colour they take that colour.
  const under = raster.opaque ? words(raster)[0]! : 0;
  const finder = new PartFinder(true);
  for (let y = 0; y < height; y++) {
    finder.beginRow(y);
    takeAlphaRuns(finder, data, width, y, PRESENT + 1, 255);
  }
  const specks = new Set(straySpecks(seen, mm, finder.parts()));
  for (const { y, start, end, part } of finder.runs()) {
    if (!specks.has(part)) continue;
    // What the ground's edge took of them goes with them.
    const rim = raster.opaque ? 1 : 0;
    for (let row = Math.max(0, y - rim); row <= Math.min(height - 1, y + rim); row++)
      pixels.fill(under, row * width + Math.max(0, start - rim), row * width + Math.min(width, end + rim));
  }
}

/** Each pixel of a line takes the colour that lies beside the line, on the nearer side. */
function closeLines(raster: Raster, pixels: Uint32Array, mm: number): void {
  const { width, height } = raster;
  const before = words(raster);
  for (const { box } of findGuides(raster, mm)) {
    const level = box.width === width;
    const [first, last] = level ? [box.y - 2, box.y + box.height + 1] : [box.x - 2, box.x + box.width + 1];
    for (let line = first + 1; line < last; line++) {
      const beside = line - first <= last - line ? first : last;
      for (let along = 0; along < (level ? width : height); along++) {
        if (level) pixels[line * width + along] = before[beside * width + along]!;
        else pixels[along * width + line] = before[along * width + beside]!;
      }
    }
  }
}

/** A pinhole's pixels take the colour left of them, solid; what half-covers its rim becomes solid too. */
function fillPinholes(raster: Raster, pixels: Uint32Array, mm: number): void {
  const seen = onGround(raster);
  if (!seen) return;
  const { width } = raster;
  const before = words(raster);
  const finder = holesOf(seen, true);
  for (const run of finder.runs()) if (isPinhole(run.part, raster, mm)) fillRun(run, width, before, pixels);
}

function fillRun(
  { y, start, end, part }: Run,
  width: number,
  before: Uint32Array,
  pixels: Uint32Array,
): void {
  // The rim of a hole is half clear: the colour comes from one pixel further out.
  const colour = before[y * width + Math.max(0, part.left - 2)]! | 0xff000000;
  pixels.fill(colour >>> 0, y * width + start - 1, y * width + Math.min(width, end + 1));
}

/** How far off a gap's pixel the solid colour beside it is looked for. */
const BESIDE = 4;

/** Each pixel of a gap takes the solid colour nearest to it, across or down. */
function closeGaps(raster: Raster, pixels: Uint32Array, mm: number): void {
  const { width, height } = raster;
  const before = words(raster);
  const { parts, finder } = findGaps(raster, mm);
  const lines = new Set(parts);
  for (const { y, start, end, part } of finder.runs()) {
    if (!lines.has(part)) continue;
    for (let x = start; x < end; x++) {
      for (let off = 1; off <= BESIDE; off++) {
        const near = [
          x >= off ? before[y * width + x - off]! : 0,
          x + off < width ? before[y * width + x + off]! : 0,
          y >= off ? before[(y - off) * width + x]! : 0,
          y + off < height ? before[(y + off) * width + x]! : 0,
        ].find((pixel) => pixel >>> 24 >= 245);
        if (near === undefined) continue;
        pixels[y * width + x] = (near | 0xff000000) >>> 0;
        break;
      }
    }
  }
}
