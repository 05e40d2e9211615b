import type { StepOf } from '../../artwork/steps';
import { PRESENT } from '../bounds';
import { holesOf, isPinhole, onGround, straySpecks, straySpots, USUAL_MM } from '../flaws';
import { findGaps } from '../gaps';
import { findGuides } from '../guides/guides';
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
  for (const { part, ground } of straySpots(raster, mm))
    // Its soft rim goes with it.
    for (let y = part.top - 1; y <= part.bottom; y++)
      pixels.fill(ground, y * raster.width + part.left - 1, y * raster.width + part.right + 1);
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
  for (const { ends, thick } of findGuides(raster, mm)) {
    const [x0, y0, x1, y1] = ends;
    const flat = Math.abs(x1 - x0) >= Math.abs(y1 - y0);
    const [a0, b0, a1, b1] = flat ? [x0, y0, x1, y1] : [y0, x0, y1, x1];
    const [along, across] = flat ? [width, height] : [height, width];
    const [step, stepAcross] = flat ? [1, width] : [width, 1];
    const slope = (b1 - b0) / (a1 - a0);
    // At a slant it is crossed over more than its thickness; its rims are half covered.
    const half = (thick / 2) * Math.hypot(1, slope) + 1.5;
    for (let i = Math.max(0, Math.floor(a0 - half)); i < Math.min(along, a1 + half); i++) {
      const middle = b0 + slope * (i - a0);
      const [first, last] = [Math.floor(middle - half), Math.ceil(middle + half) - 1];
      for (let line = Math.max(0, first + 1); line < Math.min(across, last); line++) {
        // Where it leaves the picture it has one side alone.
        const nearFirst = last >= across || (first >= 0 && line - first <= last - line);
        const beside = nearFirst ? first : last;
        pixels[i * step + line * stepAcross] = before[i * step + beside * stepAcross]!;
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
