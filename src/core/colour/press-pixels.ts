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
  const out = new Uint8Array(pixels.length * 4);
  through(size, ink, 4, pixels, out);
  return out;
}

/** Pixels as printed, in place, alpha untouched. Pixels as `words` gives them. */
export function proofPixels(press: Press, pixels: Uint32Array, onPaper = false): void {
  const bytes = new Uint8Array(pixels.buffer, pixels.byteOffset, pixels.byteLength);
  through(press.size, onPaper ? press.paper : press.proof, 3, pixels, bytes);
}

/** Takes every pixel through a table of a press, tetrahedron by tetrahedron, into four bytes of `out` a pixel. */
function through(
  size: number,
  table: Uint16Array,
  channels: 3 | 4,
  pixels: Uint32Array,
  out: Uint8Array,
): void {
  const { corner, share } = levelsOf(size);
  const dx: number = channels;
  const dy = size * channels;
  const dz = size * size * channels;
  const greys = size ** 3 * channels;
  let last = -1;
  for (let at = 0, to = 0; at < pixels.length; at++, to += 4) {
    const colour = pixels[at]! & 0xffffff;
    if (colour === last) {
      for (let channel = 0; channel < channels; channel++) out[to + channel] = out[to - 4 + channel]!;
      continue;
    }
    last = colour;
    const [r, g, b] = [colour & 255, (colour >>> 8) & 255, colour >>> 16];
    if (r === g && g === b) {
      const grey = greys + r * channels;
      for (let channel = 0; channel < channels; channel++)
        out[to + channel] = (table[grey + channel]! * 255 + 32768) / 65536;
      continue;
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
    // 65535 parts of 4096 are 255. Written out, since a loop over channels costs a third more.
    out[to] = ((p * table[base]! + q * table[c1]! + s * table[c2]! + t * table[c3]!) / WHOLE + 0.5) | 0;
    out[to + 1] =
      ((p * table[base + 1]! + q * table[c1 + 1]! + s * table[c2 + 1]! + t * table[c3 + 1]!) / WHOLE + 0.5) |
      0;
    out[to + 2] =
      ((p * table[base + 2]! + q * table[c1 + 2]! + s * table[c2 + 2]! + t * table[c3 + 2]!) / WHOLE + 0.5) |
      0;
    if (channels === 4)
      out[to + 3] =
        ((p * table[base + 3]! + q * table[c1 + 3]! + s * table[c2 + 3]! + t * table[c3 + 3]!) / WHOLE +
          0.5) |
        0;
  }
}
