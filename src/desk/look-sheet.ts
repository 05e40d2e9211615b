import { declared } from './declared';
import { decode } from './decode';
import type { FileFinding, PackedSheet } from './forms';

/** Sheets carry a small right triangle in their upper left corner: its right angle tells which way round they are. */
const REACH = 0.08;
const DARK = 90;
/** Pixels of a sheet that are decoded at most. */
const MOST_PIXELS = 160_000_000;

/** A sheet, as a picture: whether it can be opened, and for a transfer whether it is mirrored. */
export function lookAtSheet({ path, transfer }: PackedSheet, bytes: Uint8Array): FileFinding {
  const refused = (reason: string): FileFinding => ({ path, verdict: 'fix', reasons: [reason] });
  let decoded;
  try {
    const { pixels } = declared(bytes);
    if (pixels && pixels.width * pixels.height > MOST_PIXELS)
      return refused(
        `${pixels.width} × ${pixels.height} px is more than we open: send it in several sheets.`,
      );
    decoded = decode(bytes);
  } catch {
    return refused('We cannot open this sheet: it is damaged or no picture.');
  }
  if (!('pixels' in decoded) || !decoded.pixels) return refused('We take sheets as PNG or TIFF in RGB.');
  const { width, pixels } = decoded;
  const corner = (mirrored: boolean) => flagIn(pixels, width, mirrored);
  const [plain, mirrored] = [corner(false), corner(true)];
  if (plain === mirrored) return refused('We do not find the mark that tells which way round this sheet is.');
  if (transfer && plain)
    return refused(
      'This transfer sheet is not mirrored: pressed on, it would read backwards. Mirror it as a whole.',
    );
  if (!transfer && mirrored) return refused('This sheet is mirrored, and it is not for a transfer.');
  return { path, verdict: 'ready', reasons: [] };
}

/** Whether the triangle lies in the upper left corner, or, looked at in a mirror, in the upper right. */
function flagIn(pixels: Uint8Array, width: number, mirrored: boolean): boolean {
  const reach = Math.round(width * REACH);
  const isInk = (x: number, y: number) => {
    const at = (y * width + (mirrored ? width - 1 - x : x)) * 4;
    return pixels[at + 3]! > 128 && pixels[at]! < DARK && pixels[at + 1]! < DARK && pixels[at + 2]! < DARK;
  };
  // The first ink down the diagonal from the corner is the right angle: the legs run on from it, along and down.
  for (let step = 0; step < reach; step++) {
    if (!isInk(step, step)) continue;
    const along = runOf((i) => isInk(step + i, step), reach);
    const down = runOf((i) => isInk(step, step + i), reach);
    // Its legs are alike, and halfway along one the other way is half as long: no block, and no line.
    const half = runOf((i) => isInk(step + Math.floor(along / 2), step + i), reach);
    const near = (a: number, b: number) => Math.abs(a - b) <= Math.max(1.5, 0.2 * along);
    return along > 5 && near(along, down) && near(half, along / 2);
  }
  return false;
}

function runOf(is: (i: number) => boolean, most: number): number {
  let run = 0;
  while (run < most && is(run)) run++;
  return run;
}
