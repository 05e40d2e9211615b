import { inkOfWord, offOfWord, type Press } from '@/core/colour/press';
import { proofPixels } from '@/core/colour/press-pixels';

type Context2D = CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D;

/** Levels under which a colour is dark, so that it is hatched in white. */
const DARK = 110;
/** px from one line of the hatching to the next, and how wide a line is. */
const EVERY = 7;
const LINE = 1;

export interface ProofAsked {
  press: Press;
  /** Whether colours are shown as printed, on the paper's own white or on a white screen; null leaves them as they are. */
  shown: 'printed' | 'paper' | null;
  /** px from the left where showing them so begins. */
  from: number;
  /** What is hatched: colours off by more than a difference (dE00), or of more ink than a sum in percent. */
  hatched: { kind: 'gamut' | 'ink'; limit: number } | null;
}

/** What was hatched: its share of what is printed, and the worst of it, where it is in px. */
export interface HatchedFound {
  share: number;
  worst: { x: number; y: number; value: number } | null;
}

/** Shows what was drawn on a canvas as it will be printed, and hatches what will not be. */
export function proofCanvas(context: Context2D, asked: ProofAsked): HatchedFound {
  const { width, height } = context.canvas;
  const image = context.getImageData(0, 0, width, height);
  const pixels = new Uint32Array(image.data.buffer);
  const mask = asked.hatched && maskOf(pixels, asked.press, asked.hatched);
  if (asked.shown !== null)
    showPrinted(pixels, width, asked.press, asked.shown === 'paper', Math.round(asked.from));
  const found = mask ? hatch(pixels, width, mask) : { share: 0, worst: null };
  context.putImageData(image, 0, 0);
  return found;
}

function showPrinted(pixels: Uint32Array, width: number, press: Press, paper: boolean, from: number): void {
  if (from <= 0) {
    proofPixels(press, pixels, paper);
    return;
  }
  for (let row = 0; row < pixels.length; row += width)
    proofPixels(press, pixels.subarray(row + Math.min(from, width), row + width), paper);
}

interface Mask {
  off: Uint8Array;
  printed: number;
  worst: HatchedFound['worst'];
  count: number;
}

function maskOf(
  pixels: Uint32Array,
  press: Press,
  { kind, limit }: NonNullable<ProofAsked['hatched']>,
): Mask {
  const off = new Uint8Array(pixels.length);
  const known = new Map<number, number>();
  const valueOf = (colour: number) => {
    let value = known.get(colour);
    if (value === undefined)
      known.set(colour, (value = kind === 'ink' ? inkOfWord(press, colour) : offOfWord(press, colour)));
    return value;
  };
  let [printed, count, most, at] = [0, 0, limit, -1];
  for (let i = 0; i < pixels.length; i++) {
    const word = pixels[i]!;
    if (word >>> 31 === 0) continue;
    printed++;
    const value = valueOf(word & 0xffffff);
    if (value <= limit) continue;
    off[i] = 1;
    count++;
    if (value > most) [most, at] = [value, i];
  }
  return { off, printed, count, worst: at < 0 ? null : { x: at, y: 0, value: most } };
}

/** Lines from the lower left to the upper right, white over dark colours and dark over light ones. */
function hatch(pixels: Uint32Array, width: number, { off, printed, count, worst }: Mask): HatchedFound {
  for (let i = 0; i < pixels.length; i++) {
    if (off[i] === 0) continue;
    const [x, y] = [i % width, Math.floor(i / width)];
    if ((x + y) % EVERY > LINE) continue;
    const word = pixels[i]!;
    const level = ((word & 255) + ((word >>> 8) & 255) + ((word >>> 16) & 255)) / 3;
    pixels[i] = level < DARK ? 0xffffffff : 0xff2b2520;
  }
  return {
    share: printed === 0 ? 0 : count / printed,
    worst: worst && { ...worst, x: worst.x % width, y: Math.floor(worst.x / width) },
  };
}
