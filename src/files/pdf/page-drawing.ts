import type { Drawing, DrawnClip, DrawnGroup, DrawnMark, DrawnPixels } from '@/core/render/drawing';
import { combined, IDENTITY, type Matrix } from '@/core/geometry/matrix';
import type { Path, Segment } from '@/core/geometry/path';
import type { PdfSurroundings } from './draw';

/** Reads what a page of a PDF is made of; null where it holds more than paths in flat colours. */
export type ReadPage = (bytes: Uint8Array, index: number) => Promise<Drawing | null>;

/** More parts than these are a picture, as of any drawing. */
const MOST_PARTS = 20_000;

type Ops = Readonly<Record<string, number>>;

/** Makes the reading of pages out of what the surroundings offer. */
export function pageReader(surroundings: () => Promise<PdfSurroundings>): ReadPage {
  return async (bytes, index) => {
    const { open, ops } = await surroundings();
    const task = open(bytes.slice());
    try {
      const page = await (await task.promise).getPage(index + 1);
      const { fnArray, argsArray } = await page.getOperatorList();
      const nodes = new PageWalk(ops).walk(fnArray, argsArray as readonly unknown[][]);
      const { width, height, transform } = page.getViewport({ scale: 1 });
      return nodes && { width, height, matrix: transform as unknown as Matrix, nodes };
    } finally {
      await task.destroy();
    }
  };
}

/** What a page is drawn with at one moment (ISO 32000-1, 8.4). */
interface State {
  matrix: Matrix;
  clips: readonly DrawnClip[];
  fill: string;
  stroke: string;
  fillAlpha: number;
  strokeAlpha: number;
  line: Pick<
    NonNullable<DrawnMark['stroke']>,
    'width' | 'cap' | 'join' | 'miterLimit' | 'dash' | 'dashOffset'
  >;
}

const FIRST: State = {
  matrix: IDENTITY,
  clips: [],
  fill: '#000000',
  stroke: '#000000',
  fillAlpha: 1,
  strokeAlpha: 1,
  line: { width: 1, cap: 'butt', join: 'miter', miterLimit: 10, dash: [], dashOffset: 0 },
};

const CAPS = ['butt', 'round', 'square'] as const;
const JOINS = ['miter', 'round', 'bevel'] as const;
/** Points: a line of no width is as thin as can be seen. */
const HAIR = 0.25;

/** Thrown where a page holds what paths do not stand for. */
class NoPaths extends Error {}

class PageWalk {
  private state = FIRST;
  private readonly kept: State[] = [];
  /** How the next path cuts what comes after it. */
  private cut: 'nonzero' | 'evenodd' | null = null;
  private readonly nodes: DrawnGroup<DrawnPixels>[] = [];
  private parts = 0;
  private readonly does: ReadonlyMap<number, (args: readonly unknown[]) => void>;

  constructor(private readonly ops: Ops) {
    const acts: Record<string, (args: readonly unknown[]) => void> = {
      save: () => this.kept.push(this.state),
      restore: () => (this.state = this.kept.pop() ?? FIRST),
      transform: (args) => {
        this.change({ matrix: combined(this.state.matrix, args as unknown as Matrix) });
      },
      setGState: ([entries]) => {
        for (const [key, value] of entries as [string, unknown][]) this.set(key, value);
      },
      setLineWidth: ([width]) => {
        this.set('LW', width);
      },
      setLineCap: ([cap]) => {
        this.set('LC', cap);
      },
      setLineJoin: ([join]) => {
        this.set('LJ', join);
      },
      setMiterLimit: ([limit]) => {
        this.set('ML', limit);
      },
      setDash: (args) => {
        this.set('D', args);
      },
      setFillRGBColor: ([colour]) => {
        this.change({ fill: colourOf(colour) });
      },
      setStrokeRGBColor: ([colour]) => {
        this.change({ stroke: colourOf(colour) });
      },
      clip: () => (this.cut = 'nonzero'),
      eoClip: () => (this.cut = 'evenodd'),
      constructPath: ([paint, data]) => {
        this.path(paint as number, data as readonly (ArrayLike<number> | null)[]);
      },
      paintFormXObjectBegin: ([matrix, box]) => {
        this.kept.push(this.state);
        if (matrix) this.change({ matrix: combined(this.state.matrix, matrix as Matrix) });
        if (box) this.clip(boxPath(box as readonly number[]), false);
      },
      paintFormXObjectEnd: () => (this.state = this.kept.pop() ?? FIRST),
    };
    // What changes nothing that is seen.
    for (const name of [
      'dependency',
      'setRenderingIntent',
      'setFlatness',
      'beginText',
      'endText',
      'setFont',
      'setTextMatrix',
      'beginMarkedContent',
      'endMarkedContent',
      'setFillColorSpace',
      'setStrokeColorSpace',
    ])
      // prettier-ignore
      acts[name] = () => undefined;
    this.does = new Map(
      Object.entries(acts).flatMap(([name, act]) =>
        ops[name] === undefined ? [] : [[ops[name], act] as const],
      ),
    );
  }

  walk(
    fns: readonly number[],
    args: readonly (readonly unknown[] | null)[],
  ): DrawnGroup<DrawnPixels>[] | null {
    try {
      for (const [i, fn] of fns.entries()) {
        const act = this.does.get(fn);
        if (!act) return null;
        act(args[i] ?? []);
      }
    } catch (error) {
      if (error instanceof NoPaths) return null;
      throw error;
    }
    return this.nodes;
  }

  private change(change: Partial<State>): void {
    this.state = { ...this.state, ...change };
  }

  private set(key: string, value: unknown): void {
    this.change(setIn(this.state, key, value));
  }

  private path(paint: number, [data]: readonly (ArrayLike<number> | null)[]): void {
    const path = data ? pathOf(data) : [];
    const { cut } = this;
    this.cut = null;
    const is = (...names: string[]) => names.some((name) => this.ops[name] === paint);
    const closed = is('closeStroke', 'closeFillStroke', 'closeEOFillStroke');
    const fills = is('fill', 'eoFill', 'fillStroke', 'eoFillStroke', 'closeFillStroke', 'closeEOFillStroke');
    const strokes = closed || is('stroke', 'fillStroke', 'eoFillStroke');
    if (path.length > 0 && (fills || strokes)) {
      const { fill, fillAlpha, stroke, strokeAlpha, line, matrix } = this.state;
      this.mark({
        kind: 'mark',
        matrix,
        path: closed ? [...path, { kind: 'close' }] : path,
        evenOdd: is('eoFill', 'eoFillStroke', 'closeEOFillStroke'),
        fill: fills && fillAlpha > 0 ? { kind: 'flat', colour: fill, alpha: fillAlpha } : null,
        stroke: strokes && strokeAlpha > 0 ? { ...line, colour: stroke, alpha: strokeAlpha } : null,
      });
    }
    if (cut) this.clip(path, cut === 'evenodd');
  }

  private clip(path: Path, evenOdd: boolean): void {
    const { clips, matrix } = this.state;
    this.change({ clips: [...clips, { path, matrix, evenOdd }] });
  }

  /** Marks one after another under the same clips are one group. */
  private mark(mark: DrawnMark): void {
    if (++this.parts > MOST_PARTS) throw new NoPaths();
    const { clips } = this.state;
    const last = this.nodes.at(-1);
    if (last?.clips === clips) (last.nodes as DrawnMark[]).push(mark);
    else this.nodes.push({ kind: 'group', opacity: 1, clips, nodes: [mark] });
  }
}

/** What an entry of a graphics state changes (ISO 32000-1, table 58). */
function setIn({ line }: State, key: string, value: unknown): Partial<State> {
  switch (key) {
    case 'LW':
      return { line: { ...line, width: Math.max(value as number, HAIR) } };
    case 'LC':
      return { line: { ...line, cap: CAPS[value as number] ?? 'butt' } };
    case 'LJ':
      return { line: { ...line, join: JOINS[value as number] ?? 'miter' } };
    case 'ML':
      return { line: { ...line, miterLimit: value as number } };
    case 'D': {
      const [dash, dashOffset] = value as [number[], number];
      return { line: { ...line, dash: dash.some((length) => length > 0) ? [...dash] : [], dashOffset } };
    }
    case 'ca':
      return { fillAlpha: value as number };
    case 'CA':
      return { strokeAlpha: value as number };
    case 'BM':
    case 'SMask':
    case 'TR':
      if (value !== false && value !== 'source-over' && value !== null) throw new NoPaths();
      return {};
    default:
      return {};
  }
}

function colourOf(colour: unknown): string {
  if (typeof colour !== 'string' || !/^#[0-9a-f]{6}$/i.test(colour)) throw new NoPaths();
  return colour.toLowerCase();
}

function boxPath([x0 = 0, y0 = 0, x1 = 0, y1 = 0]: readonly number[]): Path {
  return [
    { kind: 'move', to: { x: x0, y: y0 } },
    { kind: 'line', to: { x: x1, y: y0 } },
    { kind: 'line', to: { x: x1, y: y1 } },
    { kind: 'line', to: { x: x0, y: y1 } },
    { kind: 'close' },
  ];
}

/** A path as the library hands it over: a number for each step, and its points after it. */
function pathOf(data: ArrayLike<number>): Path {
  const path: Segment[] = [];
  let at = 0;
  const next = () => data[at++]!;
  const point = () => ({ x: next(), y: next() });
  while (at < data.length) {
    switch (next()) {
      case 0:
        path.push({ kind: 'move', to: point() });
        break;
      case 1:
        path.push({ kind: 'line', to: point() });
        break;
      case 2:
        path.push({ kind: 'cubic', c1: point(), c2: point(), to: point() });
        break;
      case 3:
        path.push({ kind: 'quadratic', c: point(), to: point() });
        break;
      case 4:
        path.push({ kind: 'close' });
        break;
      default:
        throw new NoPaths();
    }
  }
  return path;
}
