import type { Method } from '../../blank/schema';
import { rgbOf, wordOf, type Rgb } from '../../colour/hex';
import { printedOn } from '../../colour/printed';
import { contrastRatio, luminanceOf } from '../../colour/ratio';
import type { TextPiece } from '../../fit/schema';
import { letterColours } from '../../fit/text';
import { boundsOf, flattenPath, mapPath } from '../../geometry/path';
import { parsePath } from '../../geometry/parse-path';
import { coverOf, maskAt } from '../../raster/cover';
import { words, type Raster } from '../../raster/raster';
import { readStrokes } from '../../raster/strokes';
import { renderFace } from '../../render/face';
import { coverOn, flatGround, inkCover } from '../../render/ground';
import { gridOver } from '../../render/transform';
import type { CheckContext, ProductLook } from '../context';
import { memo } from '../../memo';
import type { Lettering } from '../../type/schema';

/** Pixels that a stroke as thin as the limit is measured with. */
const PIXELS_A_LIMIT = 10;
/** Pixels that a whole text is measured with, at most. */
const MOST_PIXELS = 1_000_000;
/** Pixels along the longer side of the face on which what lies behind lettering is looked at. */
const BEHIND = 900;
/** Share of a letter's surroundings that may be worse than what is told. */
const LEFT_OUT = 0.05;

const known = memo<string, { thinnest: number | null; share: number }>(24);

/**
 * The thinnest stroke of a text against a limit, both in mm at its size; with its outline where that has the same
 * colour. Measured once for a setting and a size: where the text lies changes nothing.
 */
export function thinnestStroke(piece: TextPiece, limit: number): { thinnest: number | null; share: number } {
  const { ink, lettering, width, height } = piece;
  const joined =
    ink.outlineD !== null && letterColours(lettering).every((one) => one === lettering.outline?.colour);
  const d = joined ? ink.outlineD! : ink.d;
  const perMm = Math.min(PIXELS_A_LIMIT / limit, Math.sqrt(MOST_PIXELS / (width * height)));
  const key = [limit, perMm.toFixed(4), width.toFixed(4), d].join(' ');
  return known(key, () => {
    const scale = (width / ink.width) * perMm;
    const { strokes } = readStrokes(drawnOutline(d, scale), limit * perMm);
    return {
      thinnest: strokes.thinnest === null ? null : strokes.thinnest / perMm,
      share: strokes.share,
    };
  });
}

/** Outlines filled, as a picture with a clear margin; `scale` in pixels for one of their units. */
export function drawnOutline(d: string, scale: number): Raster {
  const path = mapPath(parsePath(d) ?? [], ({ x, y }) => ({ x: x * scale + 2, y: y * scale + 2 }));
  const polygons = flattenPath(path, 0.05);
  const bounds = boundsOf(polygons) ?? { right: 0, bottom: 0 };
  const size = { width: Math.ceil(bounds.right) + 2, height: Math.ceil(bounds.bottom) + 2 };
  const mask = coverOf(polygons, { left: 0, top: 0, right: size.width, bottom: size.height });
  const data = new Uint8Array(size.width * size.height * 4);
  for (let row = 0; row < mask.height; row++) {
    for (let column = 0; column < mask.width; column++)
      data[((row + mask.top) * size.width + column + mask.left) * 4 + 3] =
        mask.data[row * mask.width + column]!;
  }
  return { ...size, data, opaque: false };
}

/** What is really behind a text's letters: luminances along their edges, for each look of the product. */
export interface Behind {
  /** The contrast ratio that all but a twentieth of the edges have, on one look. */
  ratio: (look: ProductLook) => number;
  /** The luminances that the letters are to stand out from, on one look. */
  luminances: (look: ProductLook) => number[];
}

export function behindOf(context: CheckContext, piece: TextPiece): Behind {
  const { face, pieces, facts, pixels, grid } = context;
  const fine = Math.min(BEHIND, Math.max(grid.width, grid.height));
  const long = Math.max(face.width, face.height) + 2 * face.bleed;
  const size = {
    width: Math.max(1, Math.round(((face.width + 2 * face.bleed) / long) * fine)),
    height: Math.max(1, Math.round(((face.height + 2 * face.bleed) / long) * fine)),
  };
  const below = pieces.slice(0, pieces.indexOf(piece));
  const flat = { ...face, bend: null };
  const raster = renderFace(flat, below, { facts, pixels }, { pixels: size });
  const mask = coverOn(flatGround(gridOver(face, size)), inkCover(piece));
  const around = new Map<number, number>();
  const under = words(raster);
  let total = 0;
  for (let y = Math.max(0, mask.top - 1); y < Math.min(size.height, mask.top + mask.height + 1); y++) {
    for (let x = Math.max(0, mask.left - 1); x < Math.min(size.width, mask.left + mask.width + 1); x++) {
      if (!isBeside(mask, x, y)) continue;
      const word = under[y * size.width + x]!;
      around.set(word, (around.get(word) ?? 0) + 1);
      total++;
    }
  }
  const { plate } = piece.lettering;
  const colours = letterColours(piece.lettering);
  if (plate) {
    // It lies right behind them, whatever is under it.
    around.clear();
    around.set(wordOf(plate.colour), 1);
    total = 1;
  }
  const { ink } = context.blank.method;
  const spread = ({ hex }: ProductLook) => {
    const product = rgbOf(hex);
    return [...around].map(([word, count]) => ({ luminance: luminanceOn(word, product, ink), count }));
  };
  return {
    ratio: (look) => {
      const on = (hex: string) => luminanceOf(printedOn(rgbOf(hex), rgbOf(look.hex), ink));
      const owns = colours.map(on);
      const round = linesRound(piece.lettering).map(on);
      // The worst of their colours tells.
      const reads = (luminance: number) => Math.min(...owns.map((own) => ratioOf(own, round, luminance)));
      const ratios = spread(look)
        .map(({ luminance, count }) => ({ ratio: reads(luminance), count }))
        .sort((a, b) => a.ratio - b.ratio);
      let passed = 0;
      for (const { ratio, count } of ratios) if ((passed += count) > total * LEFT_OUT) return ratio;
      return 21;
    },
    luminances: (look) => {
      const sorted = spread(look).sort((a, b) => a.luminance - b.luminance);
      const at = (share: number) => {
        let passed = 0;
        for (const { luminance, count } of sorted) if ((passed += count) >= total * share) return luminance;
        return sorted.at(-1)?.luminance ?? 1;
      };
      return [at(LEFT_OUT / 2), at(1 - LEFT_OUT / 2)];
    },
  };
}

/** The colours of the lines at the edge of a text's letters, the innermost first. */
function linesRound({ inline, outline, rings = [] }: Lettering): string[] {
  return [inline, outline, ...rings].flatMap((line) => (line ? [line.colour] : []));
}

/** How letters of one luminance read on another: by themselves, or by any of the edges between them and it. */
function ratioOf(own: number, round: readonly number[], luminance: number): number {
  const bands = [own, ...round, luminance];
  const edges = bands.slice(1).map((band, i) => contrastRatio(bands[i]!, band));
  return Math.max(contrastRatio(own, luminance), ...edges);
}

/** A pixel that is at most half a letter's, right beside one that is. */
function isBeside(mask: Parameters<typeof maskAt>[0], x: number, y: number): boolean {
  if (maskAt(mask, x, y) > 127) return false;
  return (
    maskAt(mask, x - 1, y) > 0 ||
    maskAt(mask, x + 1, y) > 0 ||
    maskAt(mask, x, y - 1) > 0 ||
    maskAt(mask, x, y + 1) > 0
  );
}

function luminanceOn(word: number, product: Rgb, ink: Method['ink']): number {
  const alpha = (word >>> 24) / 255;
  const [red, green, blue] = printedOn([word & 255, (word >>> 8) & 255, (word >>> 16) & 255], product, ink);
  const mix = (level: number, under: number) => Math.round(level * alpha + under * (1 - alpha));
  return luminanceOf([mix(red, product[0]), mix(green, product[1]), mix(blue, product[2])]);
}
