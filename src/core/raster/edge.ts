/** A step of lightness, of 255, from which it is an edge. */
export const LEAST_STEP = 24;

/** An edge of a picture, along a line of its pixels. */
export interface Edge {
  /** Pixels from a tenth to nine tenths of its step. */
  rise: number;
  /** Share of the step by which lightness goes past it. */
  ring: number;
  /** Pixels from flat to flat, where both its sides are flat. */
  span: number | null;
}

/** The edge about the steepest slope of a window whose lightness differs by `contrast`; null where it is a small part of that. */
export function edgeAt(
  length: number,
  read: (index: number) => number,
  steepest: number,
  contrast: number,
): Edge | null {
  const way = Math.sign(read(steepest) - read(steepest - 1));
  let [start, end] = [steepest - 1, steepest];
  while (start > 0 && (read(start) - read(start - 1)) * way > 0) start--;
  while (end + 1 < length && (read(end + 1) - read(end)) * way > 0) end++;
  const [from, to] = [read(start), read(end)];
  const step = Math.abs(to - from);
  if (step < LEAST_STEP || step < contrast * 0.5) return null;
  const crossing = (share: number) => {
    const wanted = from + (to - from) * share;
    let at = start;
    while (at < end - 1 && (read(at + 1) - wanted) * way < 0) at++;
    const low = read(at);
    return at + (wanted - low) / (read(at + 1) - low);
  };
  // Past the end, lightness that swings back by more than it goes on to.
  const past = (at: number, towards: 1 | -1) => {
    const near = read(Math.min(length - 1, Math.max(0, at + 3 * towards)));
    const far = read(Math.min(length - 1, Math.max(0, at + 6 * towards)));
    return Math.min(Math.abs(read(at) - near), Math.abs(read(at) - far)) / step;
  };
  return {
    rise: crossing(0.9) - crossing(0.1),
    ring: Math.min(past(end, 1), past(start, -1)),
    span: spanAt(length, read, steepest, step),
  };
}

/** Where the flat sides of an edge are looked at: pixels off it, from and to; and what may stray there, of the step. */
const SIDE = { from: 7, to: 12 };
const STRAYS = 0.06;
/** Share of the step, and levels, within which a pixel is of a side. */
const OF_SIDE = 0.08;
const LEVELS = 3;

/** How many pixels about an edge are of neither side, from flat to flat: what a sharpened edge swings past with it. */
function spanAt(
  length: number,
  read: (index: number) => number,
  steepest: number,
  step: number,
): number | null {
  const sideAt = (towards: 1 | -1): number | null => {
    const values = [];
    for (let off = SIDE.from; off <= SIDE.to; off++) {
      const at = (towards === 1 ? steepest : steepest - 1) + off * towards;
      if (at < 0 || at >= length) return null;
      values.push(read(at));
    }
    values.sort((a, b) => a - b);
    return values.at(-1)! - values[0]! <= Math.max(LEVELS, STRAYS * step)
      ? values[values.length >> 1]!
      : null;
  };
  const [before, behind] = [sideAt(-1), sideAt(1)];
  if (before === null || behind === null || Math.abs(before - behind) < step / 2) return null;
  const near = Math.max(LEVELS, OF_SIDE * step);
  let [first, last] = [steepest, steepest - 1];
  for (let off = 0; off < SIDE.from; off++) {
    if (Math.abs(read(steepest - 1 - off) - before) > near) first = steepest - 1 - off;
    if (Math.abs(read(steepest + off) - behind) > near) last = steepest + off;
  }
  return last - first + 1;
}
