import type { PixelBox } from '../../artwork/facts';
import { signedWords, type Raster } from '../raster';
import { ALIKE, apart } from '../apart';
import { countOf, inkOf, isAlong, isPure } from './colour';
import { levelLines } from './level';
import { scansOf, type Ends, type StraightLine } from './line';
import { slantedLines } from './slanted';

/** A straight line in a picture: where it lies, in pixels, and what tells a guide from a rule, a stripe or a frame. */
export interface GuideLine {
  box: PixelBox;
  ends: Ends;
  /** Pixels across it. */
  thick: number;
  /** Whether it is of a colour that guides are drawn in: nearly pure cyan, magenta, red, green, blue. */
  colour: 'guide' | 'plain';
  /** Whether it runs from edge to edge of the picture. */
  reaches: boolean;
  /** How much of all that has its colour is such lines, 0 to 1. */
  alone: number;
  /** Lines of its colour in its direction; at a slant, in any. */
  parallel: number;
}

/** A guide is at most this thick, in mm, and differs from what lies further off on both sides. */
const THICKEST = 0.35;
/**
 * From edge to edge it may be thicker, a point and a half in a colour of its own and a point in any other; in whole rows
 * two more, of which it has a part each.
 */
const THICKEST_ACROSS = 0.53;
const THICKEST_PLAIN = 0.353;
const PARTS = 2;
/** With so many lines of its colour at a slant, a line that is not is one of their rays. */
const RAYS = 3;
/** A line of so many rows has some that are of its ink alone; at a slant it takes more. */
const WHOLE = 2;
const WHOLE_AT_SLANT = 2.5;
/** Colour that is not in lines for the most part is the artwork's own. */
const ALONE = 0.6;
const LEAST_SIDE = 48;

/** Lines of one colour, thin, straight and nearly as long as the picture, solid or dashed, at any angle; `mm` to a pixel. */
export function findGuides(raster: Raster, mm: number): GuideLine[] {
  const { width, height } = raster;
  if (Math.min(width, height) < LEAST_SIDE) return [];
  const pixels = signedWords(raster);
  const off = Math.max(2, Math.round(THICKEST / mm)) + 1;
  const level = { along: width, across: height, alongStep: 1, acrossStep: width, off };
  const upright = { along: height, across: width, alongStep: width, acrossStep: 1, off };
  const [columns, rows] = [scansOf(pixels, level), scansOf(pixels, upright)];
  const flat = slantedLines(pixels, level, columns);
  const steep = slantedLines(pixels, upright, rows);
  // At half a right angle it is found from both sides.
  const slanted = [...flat, ...steep.filter((line) => !flat.some((one) => isOne(one, line, off)))];
  const within = (reach: number) => [
    ...levelLines(pixels, { ...level, off: reach }, columns),
    ...levelLines(pixels, { ...upright, off: reach }, rows),
  ];
  const straight = [
    ...within(off),
    ...within(Math.ceil(THICKEST_ACROSS / mm) + PARTS + 1).filter(
      ({ thick, solid, reaches, word, beside }) =>
        thick >= off &&
        reaches &&
        (isPure(inkOf(word, beside)) || (solid >= WHOLE && thick <= THICKEST_PLAIN / mm + PARTS)),
    ),
  ];
  // One that drifts by little more than it is thick is found both ways.
  const lines = [...straight.filter((line) => !slanted.some((one) => isWithin(one, line, off))), ...slanted];
  return lines
    .flatMap((line): GuideLine[] => {
      const { box, ends, thick, word, beside, reaches } = line;
      const ink = inkOf(word, beside);
      const thin = thick < (slanted.includes(line) ? WHOLE_AT_SLANT : WHOLE);
      const isLike = (other: number) =>
        apart(other, word) <= ALIKE ||
        (thin && apart(other, beside) >= apart(word, beside) * 0.8 && isAlong(ink, beside, other));
      const like = lines.filter((other) => isLike(other.word));
      const inLines = like.reduce((sum, one) => sum + one.count(isLike), 0);
      const atSlant = slanted.includes(line);
      if (!atSlant && like.filter((other) => slanted.includes(other)).length >= RAYS) return [];
      // Stripes that fall on pixels otherwise have more or less of the same ink.
      const isStripe = (other: StraightLine) =>
        (atSlant || wayOf(other) === wayOf(line)) && (isLike(other.word) || isAlong(ink, beside, other.word));
      const alone = Math.min(1, inLines / Math.max(1, countOf(pixels, isLike)));
      const colour = isPure(ink) ? 'guide' : 'plain';
      return [{ box, ends, thick, colour, reaches, alone, parallel: lines.filter(isStripe).length }];
    })
    .filter(({ alone }) => alone >= ALONE);
}

/** Whether a level or upright line is a part of one that is hardly at a slant. */
function isWithin({ box }: StraightLine, line: StraightLine, off: number): boolean {
  if (Math.min(box.width, box.height) > 4 * off) return false;
  const { x, y, width, height } = line.box;
  return x < box.x + box.width && box.x < x + width && y < box.y + box.height && box.y < y + height;
}

function isOne({ ends: a }: StraightLine, { ends: b }: StraightLine, off: number): boolean {
  return (
    a.every((at, i) => Math.abs(at - b[i]!) <= off) ||
    a.every((at, i) => Math.abs(at - b[(i + 2) % 4]!) <= off)
  );
}

function wayOf({ ends: [x0, y0, x1, y1] }: StraightLine): 'level' | 'upright' | 'slanted' {
  return y0 === y1 ? 'level' : x0 === x1 ? 'upright' : 'slanted';
}
