import type { Labelled } from './labels';
import { words, type Raster } from './raster';

/** A picture in its inks: label 0 where it is clear, and from 1 on the colours of `inks`, premultiplied. */
export interface InkLabels extends Labelled {
  inks: readonly Colour[];
}

/** Red, green, blue and alpha, 0 to 255, premultiplied. */
export type Colour = readonly [red: number, green: number, blue: number, alpha: number];

/** Sum of differences of the channels within which a pixel is of an ink: what a lossy file does to it. */
const PURE = 26;
/** How far off the line between two inks an edge's pixel may lie. */
const BETWEEN = 40;
/** Alpha this far from clear and from solid, all round, is no edge. */
const SOFT = 24;
/** Inks that a picture is looked at in, at most, with those that are only found in lines. */
const MOST_INKS = 64;

/**
 * A picture of flat inks as their labels. A pixel that is of none lies on an edge between two of those round it, or in
 * a line so thin that no pixel is whole: then the furthest that such pixels go from what lies round them is one more ink.
 */
export function labelInks(raster: Raster, flat: readonly number[]): InkLabels | null {
  const { width, height } = raster;
  const pixels = words(raster);
  const inks: Colour[] = [[0, 0, 0, 0], ...flat.map((word) => colourOf((word | 0xff000000) >>> 0))];
  // Of a glow alone nothing is whole.
  if (flat.length === 0 || inks.length > MOST_INKS) return null;
  const count = width * height;
  const label = new Uint8Array(count).fill(UNKNOWN);
  const known = new Map<number, number>();
  for (let at = 0, before = -1, last = UNKNOWN; at < count; at++) {
    const word = pixels[at]!;
    if (word !== before) {
      before = word;
      let own = known.get(word);
      if (own === undefined) known.set(word, (own = pureOf(colourOf(word), inks)));
      last = own;
    }
    label[at] = last;
  }
  const mixed = new Mixed(raster, pixels, label, inks);
  // One ink, and nothing solid but that: what edges it has are alpha's.
  if (flat.length === 1 && !mixed.isSolid) return null;
  mixed.findLines();
  if (inks.length > MOST_INKS) return null;
  return { width, height, ...mixed.settled(), inks };
}

const UNKNOWN = 255;

function colourOf(word: number): Colour {
  const alpha = word >>> 24;
  const of = (level: number) => (level * alpha) / 255;
  return [of(word & 255), of((word >>> 8) & 255), of((word >>> 16) & 255), alpha];
}

function pureOf(colour: Colour, inks: readonly Colour[]): number {
  let [best, least] = [UNKNOWN, PURE + 1];
  inks.forEach((ink, i) => {
    const off = apart(colour, ink);
    if (off < least) [best, least] = [i, off];
  });
  return best;
}

function apart(a: Colour, b: Colour): number {
  return Math.abs(a[0] - b[0]) + Math.abs(a[1] - b[1]) + Math.abs(a[2] - b[2]) + Math.abs(a[3] - b[3]);
}

/** How far along the way from one colour to another a third lies, and how far off it. */
function along(from: Colour, to: Colour, colour: Colour): { t: number; off: number } {
  let [dot, square] = [0, 0];
  for (let k = 0; k < 4; k++) {
    const way = to[k]! - from[k]!;
    dot += (colour[k]! - from[k]!) * way;
    square += way * way;
  }
  const t = square === 0 ? 0 : dot / square;
  let off = 0;
  for (let k = 0; k < 4; k++) off += Math.abs(from[k]! + t * (to[k]! - from[k]!) - colour[k]!);
  return { t, off };
}

/** Pixels of no ink: edges, and lines thinner than a pixel or two. */
class Mixed {
  private readonly at: number[] = [];
  /** Whether any of them lets nothing through. */
  isSolid = false;

  constructor(
    private readonly raster: Raster,
    private readonly pixels: Uint32Array,
    private readonly label: Uint8Array,
    private readonly inks: Colour[],
  ) {
    const shades = new Map<number, number>();
    const shadeOf = (word: number): number => {
      let ink = shades.get(word);
      if (ink === undefined) shades.set(word, (ink = inkUnder(word, inks)));
      return ink;
    };
    for (let at = 0; at < label.length; at++) {
      if (label[at] !== UNKNOWN) continue;
      // Far from any edge what lets something through is a shade of its ink.
      if (this.isSoft(at)) label[at] = shadeOf(pixels[at]!);
      else {
        this.at.push(at);
        this.isSolid ||= pixels[at]! >>> 24 > 255 - SOFT;
      }
    }
  }

  private isSoft(at: number): boolean {
    const { width } = this.raster;
    for (const near of [at, at - 1, at + 1, at - width, at + width]) {
      const alpha = (this.pixels[near] ?? 0) >>> 24;
      if (alpha < SOFT || alpha > 255 - SOFT) return false;
    }
    return true;
  }

  /** Adds an ink for each colour that lines have and nothing flat does. */
  findLines(): void {
    const found: { around: number; colour: Colour; reach: number }[] = [];
    for (const at of this.at) {
      const round = this.round(at);
      const colour = colourOf(this.pixels[at]!);
      // Between two inks that meet here it is their edge.
      if (round.length !== 1) continue;
      const [around] = round;
      const under = this.inks[around!]!;
      const reach = apart(colour, under);
      if (reach < 2 * PURE || this.inks.some((ink) => isWithin(along(under, ink, colour)))) continue;
      const same = found.find(
        (one) => one.around === around && along(under, one.colour, colour).off < BETWEEN,
      );
      if (same) {
        if (reach > same.reach) Object.assign(same, { colour, reach });
      } else if (found.length < MOST_INKS) found.push({ around: around!, colour, reach });
    }
    this.inks.push(...found.map(({ colour }) => colour));
  }

  /** Every pixel's label, its other, and its share. */
  settled(): Pick<Labelled, 'label' | 'other' | 'share'> {
    const { inks } = this;
    const label = this.label.slice();
    const other = label.slice();
    const share = new Uint8Array(label.length).fill(255);
    for (const at of this.at) {
      const colour = colourOf(this.pixels[at]!);
      const round = this.round(at);
      let best = { a: nearest(colour, inks), b: 0, t: 0, off: BETWEEN };
      const tryPair = (a: number, b: number) => {
        const { t, off } = along(inks[a]!, inks[b]!, colour);
        if (t > -0.1 && t < 1.1 && off < best.off) best = { a, b, t: Math.min(1, Math.max(0, t)), off };
      };
      for (let i = 0; i < round.length; i++)
        for (let j = i + 1; j < round.length; j++) tryPair(round[i]!, round[j]!);
      if (best.off === BETWEEN)
        for (const a of round) for (let b = 0; b < inks.length; b++) if (b !== a) tryPair(a, b);
      const { a, b, t } = best;
      [label[at], other[at]] = t < 0.5 ? [a, b] : [b, a];
      share[at] = Math.round(255 * Math.max(t, 1 - t));
    }
    return { label, other, share };
  }

  /** Inks that lie round a pixel, within two of it. */
  private round(at: number): number[] {
    const { width, height } = this.raster;
    const [x, y] = [at % width, Math.floor(at / width)];
    const found: number[] = [];
    for (let row = Math.max(0, y - 2); row <= Math.min(height - 1, y + 2); row++)
      for (let column = Math.max(0, x - 2); column <= Math.min(width - 1, x + 2); column++) {
        const own = this.label[row * width + column]!;
        if (own !== UNKNOWN && !found.includes(own)) found.push(own);
      }
    return found;
  }
}

function isWithin({ t, off }: { t: number; off: number }): boolean {
  return t > -0.1 && t < 1.1 && off < BETWEEN;
}

/** The ink that a shade is of, by its colour alone. */
function inkUnder(word: number, inks: readonly Colour[]): number {
  return 1 + nearest([word & 255, (word >>> 8) & 255, (word >>> 16) & 255, 255], inks.slice(1));
}

function nearest(colour: Colour, inks: readonly Colour[]): number {
  let [best, least] = [0, Infinity];
  inks.forEach((ink, i) => {
    const off = apart(colour, ink);
    if (off < least) [best, least] = [i, off];
  });
  return best;
}
