import { Places } from './places';

/** Pixels at which runs of one label begin, along rows. */
export function runStarts(label: Uint8Array, width: number): Int32Array {
  const starts = new Places();
  const fours = new Uint32Array(label.buffer, label.byteOffset, label.length >> 2);
  for (let i = 0, row = 0; i < label.length;) {
    if (i === row) row += width;
    starts.add(i);
    const own = label[i++]!;
    // Four at a time, as most runs are long.
    const four = own * 0x01010101;
    while (i < row && label[i] === own)
      if ((i & 3) === 0 && i + 4 <= row && fours[i >> 2] === four) i += 4;
      else i++;
  }
  return starts.all();
}

/**
 * Tells of each two pixels of different labels that lie side by side, or one above the other, by where runs begin; what
 * meets the label 0 is passed over.
 */
export function eachMeeting(
  label: Uint8Array,
  starts: Int32Array,
  width: number,
  meet: (a: number, b: number) => void,
): void {
  const endOf = (i: number) => starts[i + 1] ?? label.length;
  for (let i = 0, below = 0; i < starts.length; i++) {
    const [from, to] = [starts[i]!, endOf(i)];
    const own = label[from]!;
    if (own === 0) continue;
    if (to % width > 0 && label[to] !== 0) meet(to - 1, to);
    while (below < starts.length && endOf(below) <= from + width) below++;
    for (let k = below; k < starts.length && starts[k]! < to + width; k++) {
      const other = label[starts[k]!]!;
      if (other === own || other === 0) continue;
      const end = Math.min(to + width, endOf(k));
      for (let at = Math.max(from + width, starts[k]!); at < end; at++) meet(at - width, at);
    }
  }
}

/** Runs of one label along rows, from pixel to pixel, each with another of the same part above it: itself where there is none. */
interface Runs {
  from: Int32Array;
  to: Int32Array;
  parent: Int32Array;
}

/** All runs of a picture's labels, joined with those of the same label in the row above. */
export function joinedRuns(label: Uint8Array, width: number, height: number): Runs {
  const from = runStarts(label, width);
  const to = new Int32Array(from.length);
  const parent = Int32Array.from({ length: from.length }, (_, i) => i);
  let above = 0;
  for (let y = 0, i = 0; y < height; y++) {
    const first = i;
    const end = (y + 1) * width;
    for (; i < from.length && from[i]! < end; i++) {
      to[i] = Math.min(end, from[i + 1] ?? end);
      while (above < first && to[above]! + width <= from[i]!) above++;
      for (let k = above; k < first && from[k]! + width < to[i]!; k++)
        if (label[from[k]!] === label[from[i]!]) parent[rootOf(parent, k)] = rootOf(parent, i);
    }
    above = first;
  }
  return { from, to, parent };
}

/** The first of a part's runs, as all of them say it; on the way there they are made to say it straight away. */
export function rootOf(parent: Int32Array, i: number): number {
  let root = i;
  while (parent[root] !== root) root = parent[root]!;
  for (let at = i; at !== root;) {
    const next = parent[at]!;
    parent[at] = root;
    at = next;
  }
  return root;
}
