import { ALIKE, apart } from '../apart';
import { majority, standsOut } from './colour';
import { LEAST_SHARE, reachesEnds, STRIDE, type Direction, type StraightLine } from './line';

/** Level or upright lines of one colour, by their rows. */
export function levelLines(pixels: Int32Array, direction: Direction, looked: Int32Array): StraightLine[] {
  const { along, alongStep, acrossStep } = direction;
  const isLevel = alongStep < acrossStep;
  return gathered(pixels, direction, looked).map(({ from, to, ...line }) => {
    const middle = (from + to) / 2;
    return {
      ...line,
      ends: isLevel ? [0, middle, along, middle] : [middle, 0, middle, along],
      box: isLevel
        ? { x: 0, y: from, width: along, height: to - from }
        : { x: from, y: 0, width: to - from, height: along },
      thick: to - from,
      count: (is) => {
        let own = 0;
        for (let at = from; at < to; at++)
          for (let i = 0; i < along; i++) if (is(pixels[at * acrossStep + i * alongStep]!)) own++;
        return own;
      },
    };
  });
}

interface Found {
  from: number;
  to: number;
  /** Its colour, and whether a row of it goes from edge to edge. */
  word: number;
  reaches: boolean;
  /** The colour that lies beside it for the most part. */
  beside: number;
}

interface Lines extends Found {
  /** Rows that are of its colour and not of its edges. */
  solid: number;
}

function gathered(pixels: Int32Array, direction: Direction, looked: Int32Array): Lines[] {
  const likely = likelyLines(looked, direction);
  const lines: Found[] = [];
  for (const at of likely) {
    const { share, reaches, word, beside } = lineShare(pixels, direction, at);
    if (share < LEAST_SHARE) continue;
    const last = lines.at(-1);
    if (last?.to === at) {
      last.to = at + 1;
      last.reaches ||= reaches;
      if (apart(word, beside) > apart(last.word, last.beside)) [last.word, last.beside] = [word, beside];
    } else lines.push({ from: at, to: at + 1, word, beside, reaches });
  }
  return lines
    .map((line) => whole(pixels, direction, line))
    .filter(({ from, to }) => to - from < direction.off);
}

/** A line with all the rows that have its colour: in the middle of a band, too, sides far off are others. */
function whole(pixels: Int32Array, { along, across, alongStep, acrossStep }: Direction, line: Found): Lines {
  const isOf = (at: number) => {
    let own = 0;
    for (let i = 0; i < along; i += STRIDE)
      if (apart(pixels[at * acrossStep + i * alongStep]!, line.word) <= ALIKE) own++;
    return own * STRIDE >= along * LEAST_SHARE;
  };
  let [{ from, to }, solid] = [line, 0];
  while (from > 0 && isOf(from - 1)) from--;
  while (to < across && isOf(to)) to++;
  for (let at = from; at < to; at++) if (isOf(at)) solid++;
  return { ...line, from, to, solid };
}

/** Lines that stand out from what lies on both sides of them at enough of the pixels looked at. */
function likelyLines(looked: Int32Array, { along, across, off }: Direction): number[] {
  const scans = Math.floor(along / STRIDE);
  const counts = new Uint32Array(across);
  for (let scan = 0; scan < scans; scan++) {
    const start = scan * across;
    for (let line = off; line < across - off; line++)
      if (standsOut(looked, start + line, off)) counts[line]!++;
  }
  return [...counts.keys()].filter((line) => counts[line]! >= scans * LEAST_SHARE * 0.8);
}

/** Share of a line that has its commonest colour and stands out from both its sides. */
function lineShare(
  pixels: Int32Array,
  { along, alongStep, acrossStep, off }: Direction,
  line: number,
): { share: number; reaches: boolean; word: number; beside: number } {
  const start = line * acrossStep;
  // The majority vote of Boyer and Moore finds the one colour that more than half can have.
  let colour = 0;
  let votes = 0;
  for (let i = 0; i < along; i++) {
    const at = start + i * alongStep;
    if (!standsOut(pixels, at, off * acrossStep)) continue;
    if (votes === 0) colour = pixels[at]!;
    votes += apart(pixels[at]!, colour) <= ALIKE ? 1 : -1;
  }
  const same: number[] = [];
  for (let i = 0; i < along; i++) {
    const at = start + i * alongStep;
    if (standsOut(pixels, at, off * acrossStep) && apart(pixels[at]!, colour) <= ALIKE) same.push(i);
  }
  return {
    share: same.length / along,
    reaches: reachesEnds(same, along),
    word: colour,
    beside: majority(along, (i) => pixels[start + i * alongStep - off * acrossStep]!),
  };
}
