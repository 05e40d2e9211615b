import { opaqueBox, type PieceFacts } from '../fit/geometry';
import { gapsOf, tileAt, type TilePoint } from '../fit/repeat';
import type { RepeatPiece } from '../fit/schema';
import type { Raster } from '../raster/raster';
import { sampleColour, sampler, type Sampler } from './sampler';
import { gridToBox, type Affine, type Grid } from './transform';

/** A repeat made ready to be read at the pixels of a grid. */
export interface Tiles {
  /** From grid pixels to steps from the first tile's middle. */
  map: Affine;
  /** How much of a pixel at steps (p, q) lies on a tile, 0 to 1. */
  coverage: (p: number, q: number) => number;
  /** The colour, as a word, at the point that `coverage` was asked about last. */
  colour: () => number;
}

/**
 * Readies a repeat. Tiles that touch have no edge between them; where there is a gap, a tile's edge covers its pixels by
 * share. A tile is what is opaque of the artwork.
 */
export function tilesOf(grid: Grid, piece: RepeatPiece, facts: PieceFacts, source: Raster): Tiles {
  const ready: Sampler = sampler(grid, piece, source);
  const box = opaqueBox(piece, facts);
  const { pattern, stepX, stepY } = piece;
  const gaps = gapsOf(piece, facts);
  // Shares of the file from the middle of its opaque bounds.
  const middle = middleOf(piece, box);
  const [perShareX, perShareY] = [stepX / piece.width, stepY / piece.height];
  const [halfX, halfY] = [box.width / stepX / 2, box.height / stepY / 2];
  const [pxX, pxY] = [(ready.across / piece.width) * stepX, (ready.down / piece.height) * stepY];
  const edge = (off: number, half: number, px: number, gap: number) =>
    gap === 0 ? 1 : Math.min(1, Math.max(0, (half - Math.abs(off)) * px + 0.5));
  const at: TilePoint = { x: 0, y: 0, overX: false, overY: false };
  return {
    map: gridToBox(grid, { x: box.x, y: box.y, rotation: piece.rotation, width: stepX, height: stepY }),
    coverage: (p, q) => {
      tileAt(pattern, p, q, at);
      return edge(at.x, halfX, pxX, gaps.across) * edge(at.y, halfY, pxY, gaps.down);
    },
    colour: () => {
      const over = at.overX !== piece.flipped ? -1 : 1;
      const u = middle.x + over * at.x * perShareX;
      const v = middle.y + (at.overY ? -1 : 1) * at.y * perShareY;
      return sampleColour(ready, u, v);
    },
  };
}

function middleOf(piece: RepeatPiece, box: { x: number; y: number }): { x: number; y: number } {
  const cos = Math.cos(piece.rotation);
  const sin = Math.sin(piece.rotation);
  const [dx, dy] = [box.x - piece.x, box.y - piece.y];
  const across = ((cos * dx + sin * dy) / piece.width) * (piece.flipped ? -1 : 1);
  return { x: 0.5 + across, y: 0.5 + (cos * dy - sin * dx) / piece.height };
}
