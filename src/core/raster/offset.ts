/**
 * A mask grown by so many pixels, or shrunk where that is below zero, all round, by true distance; its edge comes to lie
 * within half a pixel of where it should. What lies outside of the picture is not set.
 */
export function offsetMask(mask: Uint8Array, width: number, height: number, by: number): Uint8Array {
  if (by >= 0) return grown(mask, width, height, by, false);
  const outside = new Uint8Array(mask.length);
  for (let i = 0; i < mask.length; i++) outside[i] = mask[i] ? 0 : 1;
  const reached = grown(outside, width, height, -by, true);
  for (let i = 0; i < reached.length; i++) reached[i] = reached[i] ? 0 : 1;
  return reached;
}

/**
 * All pixels whose middle lies nearer than `by` to the edge of a set one. A pixel that has a set one so far above or below it
 * reaches so far along its row that both together stay within the circle: a row is the union of such reaches. `framed` says
 * that everything round the picture is set.
 */
function grown(mask: Uint8Array, width: number, height: number, by: number, framed: boolean): Uint8Array {
  // From a pixel's middle to the edge of the nearest that is set is half a pixel less than to its middle.
  const radius = by + 0.5;
  const most = Math.ceil(radius) - 1;
  if (most < 1) return mask.map((set) => (set ? 1 : 0));
  const reach = Int32Array.from({ length: most + 1 }, (_, down) => {
    const along = Math.sqrt(radius * radius - down * down);
    return Math.ceil(along) - 1;
  });
  const far = downwards(mask, width, height, most, framed);
  const out = new Uint8Array(mask.length);
  // How many reaches begin and end at each place of a row.
  const change = new Int32Array(width + 1);
  for (let y = 0; y < height; y++) {
    const row = y * width;
    change.fill(0);
    for (let x = 0; x < width; x++) {
      const down = far[row + x]!;
      if (down > most) continue;
      // Where its neighbours on both sides are as near, it reaches no further than they do.
      if (down === 0 && x > 0 && x < width - 1 && far[row + x - 1] === 0 && far[row + x + 1] === 0) {
        change[x]!++;
        change[x + 1]!--;
        continue;
      }
      const along = reach[down]!;
      change[Math.max(0, x - along)]!++;
      change[Math.min(width, x + along + 1)]!--;
    }
    if (framed) {
      change[0]!++;
      change[Math.min(width, most)]!--;
      change[Math.max(0, width - most)]!++;
      change[width]!--;
    }
    for (let x = 0, open = 0; x < width; x++) {
      open += change[x]!;
      out[row + x] = open > 0 ? 1 : 0;
    }
  }
  return out;
}

/** How far above or below each pixel the nearest set one of its column lies, up to one more than `most`. */
function downwards(
  mask: Uint8Array,
  width: number,
  height: number,
  most: number,
  framed: boolean,
): Uint16Array {
  const far = new Uint16Array(mask.length);
  const none = most + 1;
  for (let y = 0, i = 0; y < height; y++)
    for (let x = 0; x < width; x++, i++) {
      const above = y > 0 ? far[i - width]! : framed ? 0 : none;
      far[i] = mask[i] ? 0 : Math.min(none, above + 1);
    }
  for (let y = height - 1; y >= 0; y--)
    for (let x = 0, i = y * width; x < width; x++, i++) {
      const below = y < height - 1 ? far[i + width]! : framed ? 0 : none;
      if (far[i]! > below + 1) far[i] = below + 1;
    }
  return far;
}
