const FAR = 1e12;

/**
 * For each pixel the squared distance in pixels to the nearest pixel that is set, centre to centre: exact, by lower
 * envelopes of parabolas along columns and then rows (Felzenszwalb and Huttenlocher 2012).
 */
export function squaredDistance(mask: Uint8Array, width: number, height: number): Float32Array {
  const out = new Float32Array(width * height);
  for (let i = 0; i < out.length; i++) out[i] = mask[i] ? 0 : FAR;
  const longest = Math.max(width, height);
  const line = new Float64Array(longest);
  const envelope = new Envelope(longest);
  for (let x = 0; x < width; x++) {
    for (let y = 0; y < height; y++) line[y] = out[y * width + x]!;
    envelope.lower(line, height, (y, value) => {
      out[y * width + x] = value;
    });
  }
  for (let y = 0; y < height; y++) {
    const row = y * width;
    for (let x = 0; x < width; x++) line[x] = out[row + x]!;
    envelope.lower(line, width, (x, value) => {
      out[row + x] = value;
    });
  }
  return out;
}

/** The lowest of parabolas that stand on a line's values. */
class Envelope {
  private readonly foot: Int32Array;
  private readonly from: Float64Array;

  constructor(longest: number) {
    this.foot = new Int32Array(longest);
    this.from = new Float64Array(longest + 1);
  }

  lower(values: Float64Array, count: number, put: (at: number, value: number) => void): void {
    const { foot, from } = this;
    let last = 0;
    foot[0] = 0;
    from[0] = -Infinity;
    from[1] = Infinity;
    for (let q = 1; q < count; q++) {
      let meets = crossing(values, foot[last]!, q);
      while (meets <= from[last]!) meets = crossing(values, foot[--last]!, q);
      last++;
      foot[last] = q;
      from[last] = meets;
      from[last + 1] = Infinity;
    }
    for (let q = 0, k = 0; q < count; q++) {
      while (from[k + 1]! < q) k++;
      const p = foot[k]!;
      put(q, Math.min(FAR, (q - p) ** 2 + values[p]!));
    }
  }
}

function crossing(values: Float64Array, p: number, q: number): number {
  return (values[q]! + q * q - values[p]! - p * p) / (2 * (q - p));
}

/**
 * A mask grown by so many pixels, or shrunk where that is below zero, all round; its edge comes to lie within half a
 * pixel of where it should. What lies outside of the picture is not set.
 */
export function offsetMask(mask: Uint8Array, width: number, height: number, by: number): Uint8Array {
  const out = new Uint8Array(mask.length);
  if (by >= 0) {
    const far = squaredDistance(mask, width, height);
    // From a pixel's middle to the edge of the nearest that is set.
    for (let i = 0; i < out.length; i++) out[i] = mask[i] || Math.sqrt(far[i]!) - 0.5 < by ? 1 : 0;
    return out;
  }
  const outside = mask.map((set) => (set ? 0 : 1));
  const far = squaredDistance(outside, width, height);
  for (let y = 0, i = 0; y < height; y++)
    for (let x = 0; x < width; x++, i++) {
      const toFrame = Math.min(x, y, width - 1 - x, height - 1 - y) + 1;
      const edge = Math.min(Math.sqrt(far[i]!), toFrame) - 0.5;
      out[i] = mask[i] && edge >= -by ? 1 : 0;
    }
  return out;
}
