import {
  pathBounds,
  type Drawing,
  type DrawnClip,
  type DrawnMark,
  type DrawnNode,
  type DrawnPixels,
  type DrawnStroke,
  type Gradient,
  type Paint,
} from '@/core/render/drawing';
import { combined, IDENTITY, type Matrix } from '@/core/geometry/matrix';
import { parsePath } from '@/core/geometry/parse-path';
import type { Path } from '@/core/geometry/path';
import { addressesIn } from './css';
import { readTransform } from './transform';
import { readTree, writeTree, type TreeElement } from './tree';

/** More parts than these are pixels: a file with a path for each is larger than its picture. */
const MOST_PARTS = 20_000;

type Nodes = DrawnNode<DrawnPixels>[];

/**
 * Reads a drawing that was made plain (paths and groups alone, every style on the element itself) as what it is made of.
 * Parts that paths do not stand for are kept to be drawn as pixels. null where it has too many parts.
 */
export function readDrawing(name: string, plain: string): Drawing | null {
  const root = readTree(name, plain);
  const width = numberOf(root.attributes['width'], 0);
  const height = numberOf(root.attributes['height'], 0);
  const matrix = viewMatrix(root.attributes, width, height);
  if (!matrix) return null;
  const reader = new Reader(root, { width, height, matrix: inverted(matrix) });
  const nodes = reader.nodesOf(root.children, IDENTITY);
  return reader.parts <= MOST_PARTS ? { width, height, matrix, nodes } : null;
}

/** From a drawing's own coordinates into its box (SVG 2, 8.2): as its `viewBox` and `preserveAspectRatio` say. */
function viewMatrix(attributes: TreeElement['attributes'], width: number, height: number): Matrix | null {
  const [x = 0, y = 0, wide = width, high = height] = (attributes['viewBox'] ?? '')
    .split(/[\s,]+/)
    .map(Number);
  if (!(width > 0 && height > 0 && wide > 0 && high > 0)) return null;
  const asked = attributes['preserveAspectRatio'] ?? 'xMidYMid';
  let [across, down] = [width / wide, height / high];
  if (asked !== 'none') across = down = /slice/.test(asked) ? Math.max(across, down) : Math.min(across, down);
  const share = (axis: 'x' | 'Y') =>
    asked.includes(`${axis}Min`) ? 0 : asked.includes(`${axis}Max`) ? 1 : 0.5;
  return [
    across,
    0,
    0,
    down,
    (width - wide * across) * share('x') - x * across,
    (height - high * down) * share('Y') - y * down,
  ];
}

/** The way back of a matrix that turns and skews nothing. */
function inverted([a, , , d, e, f]: Matrix): Matrix {
  return [1 / a, 0, 0, 1 / d, -e / a, -f / d];
}

class Reader {
  parts = 0;
  private readonly named = new Map<string, TreeElement>();
  private readonly defs: TreeElement[];

  constructor(
    private readonly root: TreeElement,
    private readonly box: Pick<DrawnPixels, 'width' | 'height' | 'matrix'>,
  ) {
    this.defs = root.children.filter(({ tag }) => tag === 'defs');
    for (const { children } of this.defs)
      for (const element of children) {
        const { id } = element.attributes;
        if (id !== undefined) this.named.set(id, element);
      }
  }

  nodesOf(elements: readonly TreeElement[], matrix: Matrix): Nodes {
    return elements.flatMap((element) => this.nodeOf(element, matrix));
  }

  private nodeOf(element: TreeElement, matrix: Matrix): Nodes {
    const { tag, attributes } = element;
    if (tag === 'defs' || ++this.parts > MOST_PARTS) return [];
    if (tag === 'g') return this.groupOf(element, matrix);
    if (tag === 'image') return [this.pixels(element, matrix, 'picture')];
    if (tag !== 'path' || attributes['visibility'] === 'hidden') return [];
    const own = combined(matrix, readTransform(attributes['transform']));
    return this.marksOf(element, own) ?? [this.pixels(element, matrix, 'gradient that no print file holds')];
  }

  private groupOf(element: TreeElement, matrix: Matrix): Nodes {
    const { attributes, children } = element;
    const why = attributes['filter']
      ? 'filter'
      : attributes['mask']
        ? 'mask'
        : /mix-blend-mode\s*:\s*(?!normal)/.test(attributes['style'] ?? '')
          ? 'blend with what lies under it'
          : null;
    if (why !== null) return [this.pixels(element, matrix, why)];
    const own = combined(matrix, readTransform(attributes['transform']));
    const clips = this.clipsOf(attributes['clip-path'], own);
    if (!clips) return [this.pixels(element, matrix, 'clip of several shapes')];
    const nodes = this.nodesOf(children, own);
    const opacity = numberOf(attributes['opacity'], 1);
    if (nodes.length === 0 || opacity === 0) return [];
    return opacity === 1 && clips.length === 0 ? nodes : [{ kind: 'group', opacity, clips, nodes }];
  }

  /** The paths that a clip is made of, each inside the ones before it; null of several that lie beside each other. */
  private clipsOf(address: string | undefined, matrix: Matrix): DrawnClip[] | null {
    const clip = this.at(address);
    if (!clip) return [];
    const { attributes, children } = clip;
    if (attributes['clipPathUnits'] === 'objectBoundingBox' || children.length !== 1) return null;
    const outer = this.clipsOf(attributes['clip-path'], matrix);
    let own = combined(matrix, readTransform(attributes['transform']));
    let [inner] = children;
    const within: DrawnClip[] = [];
    while (inner?.tag === 'g') {
      if (inner.children.length !== 1) return null;
      own = combined(own, readTransform(inner.attributes['transform']));
      const more = this.clipsOf(inner.attributes['clip-path'], own);
      if (!more) return null;
      within.push(...more);
      [inner] = inner.children;
    }
    const path = inner?.tag === 'path' ? parsePath(inner.attributes['d'] ?? '') : null;
    if (!outer || !inner || !path) return null;
    own = combined(own, readTransform(inner.attributes['transform']));
    const evenOdd = inner.attributes['clip-rule'] === 'evenodd';
    return [...outer, ...within, { path, matrix: own, evenOdd }];
  }

  /** A path as marks; null where its paint is none that paths have. */
  private marksOf({ attributes }: TreeElement, matrix: Matrix): DrawnMark[] | null {
    const path = parsePath(attributes['d'] ?? '');
    if (!path) return [];
    const evenOdd = attributes['fill-rule'] === 'evenodd';
    const fill = this.paintOf(attributes['fill'] ?? '#000000', attributes['fill-opacity'], path);
    const stroked = this.paintOf(attributes['stroke'] ?? 'none', attributes['stroke-opacity'], path);
    if (fill === undefined || stroked === undefined || (stroked && stroked.kind !== 'flat')) return null;
    const stroke = stroked && strokeOf(attributes, stroked.colour, stroked.alpha);
    const mark = { kind: 'mark', matrix, path, evenOdd } as const;
    if (attributes['paint-order']?.startsWith('stroke') && fill && stroke)
      return [
        { ...mark, fill: null, stroke },
        { ...mark, fill, stroke: null },
      ];
    return fill || stroke ? [{ ...mark, fill, stroke }] : [];
  }

  /** undefined of what is no paint for paths. */
  private paintOf(value: string, opacity: string | undefined, path: Path): Paint | null | undefined {
    const alpha = numberOf(opacity, 1);
    if (value === 'none' || alpha === 0) return null;
    if (/^#[0-9a-f]{6}$/i.test(value)) return { kind: 'flat', colour: value.toLowerCase(), alpha };
    const found = this.at(value);
    return found && this.gradientOf(found, alpha, path);
  }

  private gradientOf(
    { tag, attributes, children }: TreeElement,
    alpha: number,
    path: Path,
  ): Gradient | undefined {
    const number = (key: string, otherwise: number) => numberOf(attributes[key], otherwise);
    if (!/^(linear|radial)Gradient$/.test(tag) || /reflect|repeat/.test(attributes['spreadMethod'] ?? ''))
      return undefined;
    const stops = children.map((stop) => ({
      at: numberOf(stop.attributes['offset'], 0),
      colour: (stop.attributes['stop-color'] ?? '#000000').toLowerCase(),
      alpha: numberOf(stop.attributes['stop-opacity'], 1),
    }));
    const [first] = stops;
    // One that fades is a mask as well.
    if (!first || stops.some((stop) => stop.alpha !== first.alpha)) return undefined;
    let matrix = readTransform(attributes['gradientTransform']);
    if (attributes['gradientUnits'] !== 'userSpaceOnUse') {
      const box = pathBounds(path);
      if (!box) return undefined;
      matrix = combined([box.right - box.left, 0, 0, box.bottom - box.top, box.left, box.top], matrix);
    }
    const linear = tag === 'linearGradient';
    const [cx, cy] = [number('cx', 0.5), number('cy', 0.5)];
    return {
      kind: linear ? 'linear' : 'radial',
      at: linear
        ? [number('x1', 0), number('y1', 0), number('x2', 1), number('y2', 0)]
        : [number('fx', cx), number('fy', cy), cx, cy, number('r', 0.5)],
      matrix,
      stops,
      alpha: alpha * first.alpha,
    };
  }

  private pixels(element: TreeElement, matrix: Matrix, why: string): DrawnPixels {
    const placed: TreeElement = {
      tag: 'g',
      attributes: { transform: `matrix(${matrix.join(' ')})` },
      children: [element],
    };
    return {
      kind: 'pixels',
      svg: writeTree({ ...this.root, children: [...this.defs, placed] }),
      ...this.box,
      why,
    };
  }

  private at(address: string | undefined): TreeElement | undefined {
    const id = /^#(.+)$/.exec((address && addressesIn(address)?.[0]) ?? '')?.[1];
    return id === undefined ? undefined : this.named.get(id);
  }
}

function strokeOf(attributes: TreeElement['attributes'], colour: string, alpha: number): DrawnStroke | null {
  const width = numberOf(attributes['stroke-width'], 1);
  if (width <= 0) return null;
  const cap = attributes['stroke-linecap'];
  const join = attributes['stroke-linejoin'];
  const dash = (attributes['stroke-dasharray'] ?? '')
    .split(/[\s,]+/)
    .map(Number)
    .filter((length) => length >= 0);
  return {
    colour,
    alpha,
    width,
    cap: cap === 'round' || cap === 'square' ? cap : 'butt',
    join: join === 'round' || join === 'bevel' ? join : 'miter',
    miterLimit: numberOf(attributes['stroke-miterlimit'], 4),
    dash: dash.some((length) => length > 0) ? dash : [],
    dashOffset: numberOf(attributes['stroke-dashoffset'], 0),
  };
}

function numberOf(text: string | undefined, otherwise: number): number {
  const value = Number.parseFloat(text ?? '');
  return Number.isFinite(value) ? value : otherwise;
}
