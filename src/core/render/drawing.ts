import { rgbOf, type Rgb } from '../colour/hex';
import { boundsOf, flattenPath, mapPath, type Bounds, type Path } from '../geometry/path';
import { combined, type Matrix } from '../geometry/matrix';
import type { Step } from '../artwork/steps';

/**
 * A drawing as what it is made of, so that it prints as paths at any size. `P` is what stands for parts that are pixels:
 * how they are drawn, or once they are, their picture.
 */
export interface Drawing<P = DrawnPixels> {
  /** Its own box in its own units, from its top left. */
  width: number;
  height: number;
  /** From the coordinates of its nodes into that box. */
  matrix: Matrix;
  nodes: readonly DrawnNode<P>[];
}

export type DrawnNode<P> = DrawnMark | DrawnGroup<P> | P;

/** A path that is filled, stroked, or both, the fill first. */
export interface DrawnMark {
  kind: 'mark';
  /** From the path's own units. */
  matrix: Matrix;
  path: Path;
  evenOdd: boolean;
  fill: Paint | null;
  stroke: DrawnStroke | null;
}

export interface DrawnStroke {
  colour: string;
  /** 0 to 1 */
  alpha: number;
  /** In the path's own units, as its dashes are. */
  width: number;
  cap: 'butt' | 'round' | 'square';
  join: 'miter' | 'round' | 'bevel';
  miterLimit: number;
  dash: readonly number[];
  dashOffset: number;
}

export type Paint = FlatPaint | Gradient;

export interface FlatPaint {
  kind: 'flat';
  colour: string;
  /** 0 to 1 */
  alpha: number;
}

/** A run of colours along a line, or from a circle to a larger one; past its ends the last colours go on. */
export interface Gradient {
  kind: 'linear' | 'radial';
  /** Linear x1, y1, x2, y2; radial fx, fy, cx, cy, r. */
  at: readonly number[];
  /** From its units into those of the path. */
  matrix: Matrix;
  stops: readonly { at: number; colour: string }[];
  /** 0 to 1, of all of it. */
  alpha: number;
}

/** Nodes that show through together, or are cut off at paths, each inside the ones before it. */
export interface DrawnGroup<P> {
  kind: 'group';
  /** 0 to 1 */
  opacity: number;
  clips: readonly DrawnClip[];
  nodes: readonly DrawnNode<P>[];
}

export interface DrawnClip {
  path: Path;
  matrix: Matrix;
  evenOdd: boolean;
}

/** A part that no path stands for: a drawing of its own over the whole box, to be drawn at the print's pixels. */
export interface DrawnPixels {
  kind: 'pixels';
  svg: string;
  /** Its box, and how that lies in the coordinates of the nodes. */
  width: number;
  height: number;
  matrix: Matrix;
  /** In the seller's words, after "a" or "an". */
  why: string;
}

/** The same drawing with its parts that are pixels made into something else. */
export async function withPixels<P extends { kind: string }>(
  drawing: Drawing,
  made: (pixels: DrawnPixels) => Promise<P | null>,
): Promise<Drawing<P>> {
  const all = async (nodes: readonly DrawnNode<DrawnPixels>[]): Promise<DrawnNode<P>[]> => {
    const out: DrawnNode<P>[] = [];
    for (const node of nodes) {
      if (node.kind === 'mark') out.push(node);
      else if (node.kind === 'group') out.push({ ...node, nodes: await all(node.nodes) });
      else {
        const own = await made(node);
        if (own) out.push(own);
      }
    }
    return out;
  };
  return { ...drawing, nodes: await all(drawing.nodes) };
}

/** Every node of a drawing that has none inside it. */
export function* leavesOf<P extends { kind: string }>(
  nodes: readonly DrawnNode<P>[],
): Generator<DrawnMark | P> {
  for (const node of nodes) {
    if (node.kind === 'group') yield* leavesOf((node as DrawnGroup<P>).nodes);
    else yield node as DrawnMark | P;
  }
}

/** Whether nothing of a drawing shows through what it is made of. */
export function isSolid(drawing: Drawing): boolean {
  const solid = (nodes: readonly DrawnNode<DrawnPixels>[]): boolean =>
    nodes.every((node) => {
      if (node.kind === 'pixels') return false;
      if (node.kind === 'group') return node.opacity === 1 && solid(node.nodes);
      return (node.fill?.alpha ?? 1) === 1 && (node.stroke?.alpha ?? 1) === 1;
    });
  return solid(drawing.nodes);
}

/** Levels within which a colour is the one that is recoloured, as with pixels. */
const OWN = 24;

/** A drawing after an artwork's steps; null where one of them is of pixels alone. Parts are left out as it is read. */
export function drawingAfter(drawing: Drawing, steps: readonly Step[]): Drawing | null {
  let now: Drawing | null = drawing;
  for (const step of steps) now = now && after(now, step);
  return now;
}

function after(drawing: Drawing, step: Step): Drawing | null {
  const { width, height, matrix } = drawing;
  const through = (by: Matrix, size: { width: number; height: number } = drawing): Drawing => ({
    ...drawing,
    width: size.width,
    height: size.height,
    matrix: combined(by, matrix),
  });
  switch (step.kind) {
    case 'page':
    case 'omit':
    case 'outline':
      return drawing;
    case 'crop':
      return through([1, 0, 0, 1, -step.x * width, -step.y * height], {
        width: step.width * width,
        height: step.height * height,
      });
    case 'turn': {
      if (step.quarters === 2) return through([-1, 0, 0, -1, width, height]);
      const turned = { width: height, height: width };
      return step.quarters === 1
        ? through([0, 1, -1, 0, height, 0], turned)
        : through([0, -1, 1, 0, 0, width], turned);
    }
    case 'flip':
      return through(step.axis === 'across' ? [-1, 0, 0, 1, width, 0] : [1, 0, 0, -1, 0, height]);
    case 'recolour':
      return recoloured(drawing, step.from, step.to);
    default:
      return null;
  }
}

/** One colour as another wherever it is flat; null where a run of colours or a picture may hold it. */
function recoloured(drawing: Drawing, from: string, to: string): Drawing | null {
  const wanted = rgbOf(from);
  const change = (colour: string) => (near(rgbOf(colour), wanted) ? to : colour);
  const leaves = [...leavesOf(drawing.nodes)];
  if (leaves.some((leaf) => leaf.kind === 'pixels' || (leaf.fill && leaf.fill.kind !== 'flat'))) return null;
  const all = (nodes: readonly DrawnNode<DrawnPixels>[]): DrawnNode<DrawnPixels>[] =>
    nodes.map((node) => {
      if (node.kind === 'group') return { ...node, nodes: all(node.nodes) };
      if (node.kind === 'pixels') return node;
      const { fill, stroke } = node;
      return {
        ...node,
        fill: fill?.kind === 'flat' ? { ...fill, colour: change(fill.colour) } : fill,
        stroke: stroke && { ...stroke, colour: change(stroke.colour) },
      };
    });
  return { ...drawing, nodes: all(drawing.nodes) };
}

function near([red, green, blue]: Rgb, other: Rgb): boolean {
  return Math.hypot(red - other[0], green - other[1], blue - other[2]) <= OWN;
}

/** What a path covers, in its own units; null of one without area or length. */
export function pathBounds(path: Path): Bounds | null {
  let reach = 0;
  mapPath(path, (point) => {
    reach = Math.max(reach, Math.abs(point.x), Math.abs(point.y));
    return point;
  });
  return reach > 0 ? boundsOf(flattenPath(path, reach / 10_000)) : null;
}
