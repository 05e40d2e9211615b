import { boundsOf, flattenPath, mapPath, writePath, type Path, type PathPoint } from '../geometry/path';
import { parsePath } from '../geometry/parse-path';
import { dealColours } from './deal';
import { grownPath } from './outline';
import type { Ink, Lettering, Shadow } from './schema';
import { shadowPath } from './shadow';

/** A letter's outline in units of its font, y downwards from the baseline, its origin at x = 0. */
export interface Glyph {
  advance: number;
  path: Path;
}

/** A font, as much of it as setting a line needs. Lengths in the font's own units. */
export interface Font {
  /** Height of a flat capital. */
  capHeight: number;
  glyphs: (text: string) => readonly Glyph[];
  /** Added between two neighbours of a line, by their index in it. */
  kerning: (glyphs: readonly Glyph[], index: number) => number;
}

/** How near to its curves a bent or grown outline is kept, in mm. */
const FINE = 0.005;

/** The same of a letter, in units of its font: a line 180 mm wide may have two letters. */
const FINE_UNITS = 0.05;

interface SetGlyph {
  path: Path;
  /** Where its origin comes to lie along the line, and half its advance, in units. */
  at: number;
  half: number;
}

interface SetLine {
  glyphs: SetGlyph[];
  /** Ink's left and right end, in units; letter spacing is added on top, so many times. */
  left: number;
  right: number;
  gaps: number;
}

/**
 * Sets lines of type: every line as high as `cap`, or as wide as `equalWidth`; letters are moved along an arc or a wave
 * whole, each turned with the line. Null where nothing of it has any ink. All in mm.
 */
export function layText(lettering: Lettering, upright: Font): Ink | null {
  const font = slanted(upright, lettering.slant ?? 0);
  const lines = lettering.lines.map(({ text }) => setLine(text.trim(), font));
  const sized = lines.map((line) => sizeLine(line, lettering, font));
  const widest = Math.max(0, ...sized.map(({ width }) => width));
  if (widest <= 0) return null;

  let baseline = 0;
  const placed: PlacedGlyph[] = [];
  const bend = benderOf(lettering, widest);
  for (const [index, { scale, width, cap, left }] of sized.entries()) {
    if (index > 0) baseline += (lettering.lines[index - 1]!.gap ?? lettering.gap) + cap;
    const from = startOf(lettering.align, widest, width) - left;
    let word = 0;
    for (const [i, glyph] of lines[index]!.glyphs.entries()) {
      if (glyph.path.length === 0) {
        word++;
        continue;
      }
      const at = from + glyph.at * scale + i * lettering.spacing;
      const middle = at + glyph.half * scale;
      const turn = bend(middle - widest / 2, baseline);
      const path = mapPath(glyph.path, ({ x, y }) => turn((x - glyph.half) * scale, y * scale));
      placed.push({ path, word: `${index} ${word}`, line: index });
    }
  }
  const letters = { all: placed.flatMap(({ path }) => path), parts: partsOf(placed, lettering.dealt) };
  const drawn = drawnAs(letters, lettering, 0);
  return drawn && { ...drawn, lines: sized.map(({ width, cap }) => ({ width, cap })) };
}

/** A letter where it is set, the word it is of, by its line and its number there, and its line. */
interface PlacedGlyph {
  path: Path;
  word: string;
  line: number;
}

/** Letters by the colours that they are dealt; nothing where they have the one. */
function partsOf(glyphs: readonly PlacedGlyph[], dealt: Lettering['dealt']): Part[] | undefined {
  if (!dealt) return undefined;
  const keys = glyphs.map(({ word, line }, i) =>
    dealt.by === 'letter' ? String(i) : dealt.by === 'word' ? word : String(line),
  );
  const order = [...new Set(keys)];
  const colours = dealColours(dealt, order.length);
  const own = new Map(order.map((key, i) => [key, dealt.colours[colours[i]!]!]));
  const parts = new Map<string, Path[]>();
  for (const [i, { path }] of glyphs.entries()) {
    const colour = own.get(keys[i]!)!;
    const there = parts.get(colour);
    if (there) there.push(path);
    else parts.set(colour, [path]);
  }
  return [...parts].map(([colour, paths]) => ({ colour, path: paths.flat() }));
}

interface Part {
  colour: string;
  path: Path;
}

/** What is laid round, under, behind and inside letters that are set. */
export type Dress = Pick<Lettering, 'outline' | 'rings' | 'inline' | 'shadow' | 'plate'>;

/**
 * Letters with lines round and inside them, a shadow under them and a plate behind, where there are any, in a box that
 * holds all; `base` is where the first baseline lies. Null without ink.
 */
function drawnAs(
  { all, parts }: { all: Path; parts: readonly Part[] | undefined },
  { outline, rings, inline, shadow, plate }: Dress,
  base: number | undefined,
): Omit<Ink, 'lines'> | null {
  const grown = outline ? grownPath(all, outline.width, FINE) : null;
  const further = (rings ?? []).map((_, i, own) => {
    const reach = own.slice(0, i + 1).reduce((sum, { width }) => sum + width, outline?.width ?? 0);
    return grownPath(all, reach, FINE);
  });
  const outermost = further.at(-1) ?? grown ?? all;
  const cast = shadow && shadowPath(outermost, shadow, FINE);
  const ink = boundsOf(flattenPath([...outermost, ...(cast ?? [])], FINE));
  if (!ink || ink.right <= ink.left || ink.bottom <= ink.top) return null;
  const margin = plate?.margin ?? 0;
  const [left, top] = [ink.left - margin, ink.top - margin];
  const [width, height] = [ink.right + margin - left, ink.bottom + margin - top];
  const home = (path: Path) => writePath(mapPath(path, ({ x, y }) => ({ x: x - left, y: y - top })));
  const within = (path: Path) => home(grownPath(path, -inline!.width, FINE));
  return {
    width,
    height,
    ...(base !== undefined && { base: base - top }),
    d: home(all),
    outlineD: grown && home(grown),
    plateD: plate ? `M0 0H${width}V${height}H0Z` : null,
    ...(cast && { shadowD: home(cast) }),
    ...(further.length > 0 && { ringsD: further.map(home) }),
    ...(parts && { parts: parts.map(({ colour, path }) => ({ colour, d: home(path) })) }),
    ...(inline && {
      inner: (parts ?? [{ colour: null, path: all }]).map(({ colour, path }) => ({
        colour,
        d: within(path),
      })),
    }),
  };
}

/** A font whose letters lean over, so many degrees to the right: what a line measures is of the letters as they lean. */
function slanted(font: Font, degrees: number): Font {
  if (degrees === 0) return font;
  const lean = Math.tan((degrees * Math.PI) / 180);
  const upright = new Map<Glyph, Glyph>();
  const leaning = (glyph: Glyph): Glyph => {
    const own = { ...glyph, path: mapPath(glyph.path, ({ x, y }) => ({ x: x - y * lean, y })) };
    upright.set(own, glyph);
    return own;
  };
  return {
    ...font,
    glyphs: (text) => font.glyphs(text).map(leaning),
    kerning: (glyphs, index) =>
      font.kerning(
        glyphs.map((glyph) => upright.get(glyph)!),
        index,
      ),
  };
}

function setLine(text: string, font: Font): SetLine {
  const glyphs = font.glyphs(text);
  const line: SetLine = { glyphs: [], left: Infinity, right: -Infinity, gaps: 0 };
  let at = 0;
  for (const [index, glyph] of glyphs.entries()) {
    line.glyphs.push({ path: glyph.path, at, half: glyph.advance / 2 });
    const box = boundsOf(flattenPath(glyph.path, FINE_UNITS));
    if (box) {
      line.left = Math.min(line.left, at + box.left);
      line.right = Math.max(line.right, at + box.right);
      line.gaps = index;
    }
    at += glyph.advance + (index + 1 < glyphs.length ? font.kerning(glyphs, index) : 0);
  }
  return line;
}

/** mm a unit, and what the line measures with it. Letter spacing keeps its mm whatever the size. */
function sizeLine(
  { left, right, gaps }: SetLine,
  { cap, equalWidth, spacing }: Lettering,
  { capHeight }: Font,
): { scale: number; width: number; cap: number; left: number } {
  const units = right - left;
  if (!(units > 0)) return { scale: cap / capHeight, width: 0, cap, left: 0 };
  const spaced = spacing * gaps;
  const scale = equalWidth === null ? cap / capHeight : Math.max(0.001, equalWidth - spaced) / units;
  return { scale, width: units * scale + spaced, cap: capHeight * scale, left: left * scale };
}

function startOf(align: Lettering['align'], widest: number, width: number): number {
  return align === 'left' ? 0 : align === 'right' ? widest - width : (widest - width) / 2;
}

/** Moves a letter onto its line: `along` mm from the block's middle, on a baseline so many mm below the first. */
type Bender = (along: number, baseline: number) => (dx: number, dy: number) => PathPoint;

function benderOf({ bend }: Lettering, widest: number): Bender {
  if (bend?.kind === 'arc' && Math.abs(bend.sweep) > 1e-4) {
    const radius = widest / bend.sweep;
    return (along, baseline) => {
      // Each line keeps its own length: its angle is reckoned on its own radius.
      const own = radius - baseline;
      const angle = along / own;
      const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
      return (dx, dy) => ({
        x: (own - dy) * sin + dx * cos,
        y: radius - (own - dy) * cos + dx * sin,
      });
    };
  }
  if (bend?.kind === 'wave') {
    const turns = (2 * Math.PI) / bend.length;
    return (along, baseline) => {
      const rise = (-bend.height / 2) * Math.cos(turns * along);
      const angle = Math.atan((bend.height / 2) * turns * Math.sin(turns * along));
      const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
      return (dx, dy) => ({ x: along + dx * cos - dy * sin, y: baseline + rise + dx * sin + dy * cos });
    };
  }
  return (along, baseline) => (dx, dy) => ({ x: along + dx, y: baseline + dy });
}

/** Whether every line still lies outside the arc's own centre. */
export function arcHolds(lettering: Lettering, ink: Pick<Ink, 'lines'>): boolean {
  const { bend, lines, gap } = lettering;
  if (bend?.kind !== 'arc' || bend.sweep <= 0) return true;
  const widest = Math.max(...ink.lines.map(({ width }) => width));
  const foot = ink.lines.reduce(
    (sum, { cap }, index) => (index === 0 ? 0 : sum + (lines[index - 1]!.gap ?? gap) + cap),
    0,
  );
  return widest / bend.sweep > foot * 1.02;
}

/** Outlines that are set already, scaled, with other things round, under and behind the letters. */
export function redrawn(ink: Ink, factor: number, lettering: Dress): Ink {
  const scaled = (d: string) => mapPath(parsePath(d) ?? [], ({ x, y }) => ({ x: x * factor, y: y * factor }));
  const letters = {
    all: scaled(ink.d),
    parts: ink.parts?.map(({ d, colour }) => ({ colour, path: scaled(d) })),
  };
  return {
    ...drawnAs(letters, lettering, ink.base === undefined ? undefined : ink.base * factor)!,
    lines: ink.lines.map(({ width, cap }) => ({ width: width * factor, cap: cap * factor })),
  };
}

/** The same lettering at another size: every length of it, its outline too. */
export function scaledLettering(lettering: Lettering, factor: number): Lettering {
  const { lines, cap, equalWidth, gap, spacing, outline, rings, inline, bend, plate, shadow } = lettering;
  const wider = <T extends { width: number }>(line: T): T => ({ ...line, width: line.width * factor });
  return {
    ...lettering,
    lines: lines.map((line) => ({ ...line, gap: line.gap === null ? null : line.gap * factor })),
    cap: cap * factor,
    equalWidth: equalWidth === null ? null : equalWidth * factor,
    gap: gap * factor,
    spacing: spacing * factor,
    outline: outline && wider(outline),
    ...(rings && { rings: rings.map(wider) }),
    ...(inline && { inline: wider(inline) }),
    plate: plate && { ...plate, margin: plate.margin * factor },
    ...(shadow && { shadow: scaledShadow(shadow, factor) }),
    bend:
      bend?.kind === 'wave' ? { ...bend, height: bend.height * factor, length: bend.length * factor } : bend,
  };
}

function scaledShadow({ right, down, hatch, ...rest }: Shadow, factor: number): Shadow {
  return {
    ...rest,
    right: right * factor,
    down: down * factor,
    ...(hatch && { hatch: { ...hatch, line: hatch.line * factor, gap: hatch.gap * factor } }),
  };
}
