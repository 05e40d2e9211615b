import type { Press } from './press';

/** For each of the 256 levels: the corner below it along an axis, and how far it is on to the next, in 4096ths. */
interface Levels {
  corner: Uint8Array;
  share: Int32Array;
}

/** Parts that a step of the lattice is divided into: whole numbers, since millions of them are multiplied. */
const PARTS = 4096;
const WHOLE = (65535 * PARTS) / 255;
const levels = new Map<number, Levels>();

function levelsOf(size: number): Levels {
  let known = levels.get(size);
  if (!known) {
    known = { corner: new Uint8Array(256), share: new Int32Array(256) };
    for (let level = 0; level < 256; level++) {
      const at = (level * (size - 1)) / 255;
      const corner = Math.min(size - 2, Math.floor(at + 1e-9));
      known.corner[level] = corner;
      known.share[level] = Math.round((at - corner) * PARTS);
    }
    levels.set(size, known);
  }
  return known;
}

/** Inks of every pixel, four bytes each, 255 for solid; alpha is left out. Pixels as `words` gives them. */
export function inkPixels({ size, ink }: Press, pixels: Uint32Array): Uint8Array {
  const out = new Uint32Array(pixels.length);
  through(size, ink, 4, pixels, out, 0);
  return new Uint8Array(out.buffer);
}

/** Pixels as printed, in place, alpha untouched. Pixels as `words` gives them. */
export function proofPixels(press: Press, pixels: Uint32Array, onPaper = false): void {
  through(press.size, onPaper ? press.paper : press.proof, 3, pixels, pixels, 0xff000000);
}

/** Colours that are remembered while pixels go by: a power of two, few enough to stay in the processor's cache. */
const REMEMBERED = 1 << 14;
/** No colour: more than 24 bits. */
const NONE = 0xffffffff;

/**
 * Takes every pixel through a table of a press into a word of `out`, which may be the pixels themselves; `kept` are the
 * bits of a pixel that stay as they are. A picture asks for the same colours over and over: each is remembered until
 * another takes its place.
 */
function through(
  size: number,
  table: Uint16Array,
  channels: 3 | 4,
  pixels: Uint32Array,
  out: Uint32Array,
  kept: number,
): void {
  const known = new Uint32Array(REMEMBERED).fill(NONE);
  const made = new Uint32Array(REMEMBERED);
  const turn = turning(size, table, channels);
  for (let at = 0; at < pixels.length; at++) {
    const pixel = pixels[at]!;
    const colour = pixel & 0xffffff;
    // Multiplied by a number without pattern (Knuth, TAOCP 6.4), since like colours lie beside each other.
    const place = Math.imul(colour, 0x9e3779b1) >>> 18;
    if (known[place] !== colour) {
      known[place] = colour;
      made[place] = turn(colour);
    }
    out[at] = (pixel & kept) | made[place]!;
  }
}

/** What a table makes of a colour, tetrahedron by tetrahedron: a byte a channel, the first one lowest. */
function turning(size: number, table: Uint16Array, channels: 3 | 4): (colour: number) => number {
  const { corner, share } = levelsOf(size);
  const dx: number = channels;
  const dy = size * channels;
  const dz = size * size * channels;
  const greys = size ** 3 * channels;
  return (colour) => {
    const [r, g, b] = [colour & 255, (colour >>> 8) & 255, colour >>> 16];
    if (r === g && g === b) {
      let grey = 0;
      for (let channel = 0; channel < channels; channel++)
        grey |= ((table[greys + r * channels + channel]! * 255 + 32768) / 65536) << (channel * 8);
      return grey;
    }
    const base = corner[r]! * dx + corner[g]! * dy + corner[b]! * dz;
    const u = share[r]!;
    const v = share[g]!;
    const w = share[b]!;
    let first: number = dx;
    let second = dx + dy;
    let high = u;
    let middle = v;
    let low = w;
    if (u >= v) {
      if (v < w) {
        if (u >= w) {
          second = dx + dz;
          middle = w;
          low = v;
        } else {
          first = dz;
          second = dx + dz;
          high = w;
          middle = u;
          low = v;
        }
      }
    } else if (u >= w) {
      first = dy;
      high = v;
      middle = u;
    } else if (v >= w) {
      first = dy;
      second = dy + dz;
      high = v;
      middle = w;
      low = u;
    } else {
      first = dz;
      second = dy + dz;
      high = w;
      middle = v;
      low = u;
    }
    const [p, q, s, t] = [PARTS - high, high - middle, middle - low, low];
    const [c1, c2, c3] = [base + first, base + second, base + dx + dy + dz];
    let word = 0;
    for (let channel = 0; channel < channels; channel++) {
      const sum =
        p * table[base + channel]! +
        q * table[c1 + channel]! +
        s * table[c2 + channel]! +
        t * table[c3 + channel]!;
      // 65535 parts of 4096 are 255.
      word |= (sum / WHOLE + 0.5) << (channel * 8);
    }
    return word;
  };
}
