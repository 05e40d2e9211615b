import type { Labelled } from './labels';
import { IN_SILENCE, type Progress } from './raster';

/** A place in the middle of something narrow, in pixels, and what lies on both sides of it. */
export interface NarrowPlace {
  x: number;
  y: number;
  /** Width across it, in pixels. */
  wide: number;
  /** The chord that it is the middle of: its length, and whether it lies along a row. */
  chord: number;
  level: boolean;
  /** Pixels along it that this place stands for. */
  along: number;
  label: number;
  sides: readonly [before: number, behind: number];
}

/** Beyond the picture. */
export const BEYOND = -1;

/** A chord this many times as long as the other is as good as endless: the width is then off by 0.3 %. */
const ENDLESS = 12;
/** Chords that are this much alike are the same: edges at 45 degrees. */
const ALIKE = 0.97;
/** A share of 255 under which a chord has ended: less is what scaling leaves beside an edge. */
const ENDED = 10;
/** An edge is spread over this many pixels at most. */
const EDGE = 3;
/** Share of 255 from which a pixel is of one thing. */
const FIRM = 200;
/** What a hairline takes of 255 of a pixel, at the least: less is the grain of a glow. */
const DIPS = 36;
/** Share of 255 from which a pixel is whole. */
const WHOLE = 255 - ENDED;
/** Four shares of four pixels that are whole. */
const ALL_WHOLE = 0xffffffff;
/** No pixel of a run, and more than any count of them that are not whole. */
const [NONE, LONG_SINCE] = [-1, 1 << 20];
/** Share of a pixel that a hairline covers at the least: two edges that meet within a pixel leave a quarter between them. */
const HAIRLINE = 0.3;

/**
 * Tells of every place in the middle of something of one label that is narrower than `limit` pixels. A straight band of
 * width w at any angle cuts a row in w / cos a and a column in w / sin a, so that w = hv / sqrt(h^2 + v^2); both
 * chords are sums of shares, which antialiasing keeps true to a part of a pixel. Each place is told once, along the
 * direction in which its chord is the shorter.
 */
export function eachNarrow(
  labelled: Labelled,
  limit: number,
  told: (place: NarrowPlace) => void,
  progress: Progress = IN_SILENCE,
): void {
  const { width, height } = labelled;
  const rows = new Lines(labelled, 1, width, width, height);
  const columns = new Lines(labelled, width, 1, height, width);
  rows.scan(
    limit,
    (chord) => {
      tell(chord, rows, columns, true);
    },
    (share) => {
      progress(share / 2);
    },
  );
  columns.scan(
    limit,
    (chord) => {
      tell(chord, columns, rows, false);
    },
    (share) => {
      progress(0.5 + share / 2);
    },
  );

  function tell(chord: Chord, own: Lines, across: Lines, level: boolean): void {
    const { line, middle, length, label, before, behind } = chord;
    const far = ENDLESS * length;
    const at = Math.min(own.length - 1, Math.floor(middle));
    const upright = across.chordAt(at, line, label, far);
    // The other direction has it; of two that are alike, rows.
    if (level ? upright < length * ALIKE : upright <= length) return;
    const endless = upright >= far;
    const wide = endless ? length : (length * upright) / Math.hypot(length, upright);
    if (wide >= limit) return;
    const along = endless ? 1 : Math.hypot(1, length / upright);
    const [x, y] = level ? [middle, line + 0.5] : [line + 0.5, middle];
    told({ x, y, wide, chord: length, level, along, label, sides: [before, behind] });
  }
}

interface Chord {
  /** The row, or column. */
  line: number;
  /** Its middle along the line, and its length, in pixels. */
  middle: number;
  length: number;
  label: number;
  before: number;
  behind: number;
}

/** A picture's rows, or its columns. */
class Lines {
  private readonly label: Uint8Array;
  private readonly other: Uint8Array | null;
  private readonly share: Uint8Array;
  /** Four pixels of a row at a time, where rows hold a whole number of fours: most of a picture goes on as it was. */
  private readonly fours: { label: Uint32Array; share: Uint32Array } | null;

  constructor(
    labelled: Labelled,
    private readonly step: number,
    private readonly stride: number,
    readonly length: number,
    private readonly count: number,
  ) {
    ({ label: this.label, other: this.other, share: this.share } = labelled);
    const { width, label, share } = labelled;
    this.fours =
      width % 4 === 0 ? { label: new Uint32Array(label.buffer), share: new Uint32Array(share.buffer) } : null;
  }

  /** Every chord of one label that can be narrower than the limit, whatever its angle. */
  scan(limit: number, told: (chord: Chord) => void, progress: Progress): void {
    const longest = limit * Math.SQRT2;
    if (this.step === 1) this.scanRows(longest, told, progress);
    else this.scanColumns(longest, told, progress);
  }

  private scanRows(longest: number, told: (chord: Chord) => void, progress: Progress): void {
    const { label, share, length, count, fours } = this;
    for (let line = 0; line < count; line++) {
      if (line % 256 === 0) progress(line / count);
      const start = line * length;
      let from = 0;
      let dip = NONE;
      let since = LONG_SINCE;
      let before = label[start]!;
      for (let i = 0; i < length; i++) {
        if (fours && since === 0 && (i & 3) === 0) {
          const four = (start + i) >> 2;
          if (fours.share[four] === ALL_WHOLE && fours.label[four] === before * 0x01010101) {
            i += 3;
            continue;
          }
        }
        const own = label[start + i]!;
        const isWhole = share[start + i]! >= WHOLE;
        if (isWhole && since === 0 && own === before) continue;
        if (own !== before) {
          before = own;
          this.ended(line, from, i, dip, longest, told);
          from = i;
          dip = NONE;
          since = LONG_SINCE;
        }
        if (!isWhole) since++;
        else {
          if (since > 0 && since <= EDGE && dip === NONE) dip = i - since;
          since = 0;
        }
      }
      this.ended(line, from, length, dip, longest, told);
    }
  }

  /** All columns at once, row by row, as they lie in memory. */
  private scanColumns(longest: number, told: (chord: Chord) => void, progress: Progress): void {
    const { label, share, length, count, fours } = this;
    const from = new Int32Array(count);
    const dip = new Int32Array(count).fill(NONE);
    const since = new Int32Array(count).fill(LONG_SINCE);
    for (let i = 0; i < length; i++) {
      if (i % 256 === 0) progress(i / length);
      const start = i * count;
      for (let line = 0; line < count; line++) {
        const at = start + line;
        if (fours && i > 0 && (line & 3) === 0) {
          const [four, above] = [at >> 2, (at - count) >> 2];
          if (
            fours.share[four] === ALL_WHOLE &&
            fours.share[above] === ALL_WHOLE &&
            fours.label[four] === fours.label[above]
          ) {
            line += 3;
            continue;
          }
        }
        if (i > 0 && label[at] !== label[at - count]) {
          this.ended(line, from[line]!, i, dip[line]!, longest, told);
          from[line] = i;
          dip[line] = NONE;
          since[line] = LONG_SINCE;
        }
        if (share[at]! < WHOLE) since[line]!++;
        else if (since[line] !== 0) {
          if (since[line]! <= EDGE && dip[line] === NONE) dip[line] = i - since[line]!;
          since[line] = 0;
        }
      }
    }
    for (let line = 0; line < count; line++) this.ended(line, from[line]!, length, dip[line]!, longest, told);
  }

  /** Tells of a run that came to its end, and of hairlines within it, of which the first may begin at `dip`. */
  private ended(
    line: number,
    from: number,
    to: number,
    dip: number,
    longest: number,
    told: (chord: Chord) => void,
  ): void {
    if (to - from <= longest + 1) this.run(line, from, to, longest, told);
    if (dip !== NONE) this.hairlines(line, Math.max(from, dip - 1), to, longest, told);
  }

  /** Length of a label's chord through a pixel of this line, in pixels; cut off from `far` on. */
  chordAt(line: number, middle: number, label: number, far: number): number {
    const start = line * this.stride;
    const most = far * 255;
    let sum = this.shareAt(start + middle * this.step, label);
    for (const way of [-1, 1]) {
      for (let at = middle + way; at >= 0 && at < this.length; at += way) {
        const share = this.shareAt(start + at * this.step, label);
        if (share <= ENDED) break;
        sum += share;
        if (sum >= most) return far;
      }
    }
    return sum / 255;
  }

  private shareAt(at: number, label: number): number {
    if (this.label[at] === label) return this.share[at]!;
    return this.otherAt(at) === label ? 255 - this.share[at]! : 0;
  }

  private otherAt(at: number): number {
    return this.other ? this.other[at]! : 1 - this.label[at]!;
  }

  private run(line: number, from: number, to: number, longest: number, told: (chord: Chord) => void): void {
    const { step, stride, length } = this;
    const start = line * stride;
    const own = this.label[start + from * step]!;
    let [sum, moment] = [0, 0];
    const add = (at: number): number => {
      const share = this.shareAt(start + at * step, own);
      sum += share;
      moment += share * (at + 0.5);
      return share;
    };
    for (let at = from; at < to; at++) add(at);
    // What of the edges lies in pixels that are more of something else.
    let first = from;
    for (let before = 256; first > 0 && from - first < EDGE; first--) {
      const share = this.shareAt(start + (first - 1) * step, own);
      if (share === 0 || share > before) break;
      before = add(first - 1);
    }
    let last = to;
    for (let before = 256; last < length && last - to < EDGE; last++) {
      const share = this.shareAt(start + last * step, own);
      if (share === 0 || share > before) break;
      before = add(last);
    }
    if (sum === 0 || sum > longest * 255) return;
    // In a glow one thing goes over into another nowhere: nothing there has a width.
    if (!this.isFirm(start, first - 1) || !this.isFirm(start, last)) return;
    told({
      line,
      middle: moment / sum,
      length: sum / 255,
      label: own,
      before: from > 0 ? this.sideOf(start, from - 1, own, -1) : BEYOND,
      behind: to < length ? this.sideOf(start, to, own, 1) : BEYOND,
    });
  }

  /** Whether a pixel is of one thing for the most part; beyond the picture there is nothing, and all of it. */
  private isFirm(start: number, at: number): boolean {
    return at < 0 || at >= this.length || this.share[start + at * this.step]! >= FIRM;
  }

  /** What lies beside a run: past the pixels of its edge. */
  private sideOf(start: number, at: number, own: number, way: -1 | 1): number {
    const { step, length } = this;
    let side = at;
    for (let i = 0; i < EDGE; i++) {
      const index = start + side * step;
      if (this.share[index] === 255 || (this.otherAt(index) !== own && this.label[index] !== own)) break;
      if (side + way < 0 || side + way >= length) break;
      side += way;
    }
    return this.label[start + side * step]!;
  }

  /** Lines so thin that no pixel is mostly of them, within a run of something else. */
  private hairlines(
    line: number,
    from: number,
    to: number,
    longest: number,
    told: (chord: Chord) => void,
  ): void {
    const { step, stride, share, label } = this;
    const start = line * stride;
    const around = label[start + from * step]!;
    for (let at = from + 1; at < to - 1; at++) {
      if (share[start + at * step]! > WHOLE) continue;
      const own = this.otherAt(start + at * step);
      let [sum, moment, most, end] = [0, 0, 0, at];
      for (
        ;
        end < to && share[start + end * step]! < 255 && this.otherAt(start + end * step) === own;
        end++
      ) {
        const of = 255 - share[start + end * step]!;
        sum += of;
        moment += of * (end + 0.5);
        most = Math.max(most, of);
      }
      // One that reaches the end of the run is the edge of what lies beside it.
      const before = share[start + (at - 1) * step]! >= WHOLE;
      const thin = end - at <= EDGE && most >= DIPS && share[start + end * step]! >= WHOLE;
      if (thin && end < to && before && at - 1 >= from && sum >= HAIRLINE * 255 && sum <= longest * 255)
        told({ line, middle: moment / sum, length: sum / 255, label: own, before: around, behind: around });
      at = end;
    }
  }
}
