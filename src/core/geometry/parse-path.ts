import type { Path, PathPoint, Segment } from './path';

const TOKEN = /([MmLlHhVvCcSsQqTtAaZz])|([+-]?(?:\d+\.?\d*|\.\d+)(?:[eE][+-]?\d+)?)/g;
const NEEDS: Record<string, number> = { M: 2, L: 2, H: 1, V: 1, C: 6, S: 4, Q: 4, T: 2, A: 7, Z: 0 };

/** Reads the `d` of an SVG path (SVG 2, path data); null where it breaks that grammar. Arcs become cubic curves. */
export function parsePath(d: string): Path | null {
  const pen = new Pen();
  let letter = '';
  let numbers: number[] = [];
  /** A letter that still waits for its numbers. */
  let bare = false;
  let read = 0;
  for (const found of d.matchAll(TOKEN)) {
    if (/[^\s,]/.test(d.slice(read, found.index))) return null;
    read = found.index + found[0].length;
    if (found[1]) {
      if (numbers.length > 0 || bare) return null;
      letter = found[1];
      bare = letter.toUpperCase() !== 'Z';
      if (letter.toUpperCase() === 'Z') pen.draw(letter, []);
      continue;
    }
    numbers.push(Number(found[2]));
    const needs = NEEDS[letter.toUpperCase()];
    if (!needs) return null;
    if (numbers.length < needs) continue;
    pen.draw(letter, numbers);
    numbers = [];
    bare = false;
    // Further pairs after a move are lines.
    if (letter === 'M') letter = 'L';
    if (letter === 'm') letter = 'l';
  }
  return numbers.length === 0 && !bare && !/[^\s,]/.test(d.slice(read)) && pen.begins() ? pen.path : null;
}

class Pen {
  readonly path: Segment[] = [];
  private at: PathPoint = { x: 0, y: 0 };
  private start: PathPoint = { x: 0, y: 0 };
  /** The last control point of a curve, which a smooth one goes on from. */
  private control: { kind: 'quadratic' | 'cubic'; point: PathPoint } | null = null;

  begins(): boolean {
    return this.path[0]?.kind === 'move';
  }

  draw(letter: string, n: number[]): void {
    const relative = letter === letter.toLowerCase();
    const base = relative ? this.at : { x: 0, y: 0 };
    const point = (i: number): PathPoint => ({ x: base.x + n[i]!, y: base.y + n[i + 1]! });
    const control = this.control;
    this.control = null;
    switch (letter.toUpperCase()) {
      case 'M':
        this.start = point(0);
        this.add({ kind: 'move', to: this.start });
        break;
      case 'L':
        this.add({ kind: 'line', to: point(0) });
        break;
      case 'H':
        this.add({ kind: 'line', to: { x: base.x + n[0]!, y: this.at.y } });
        break;
      case 'V':
        this.add({ kind: 'line', to: { x: this.at.x, y: base.y + n[0]! } });
        break;
      case 'C':
        this.cubic(point(0), point(2), point(4));
        break;
      case 'S':
        this.cubic(this.mirrored(control, 'cubic'), point(0), point(2));
        break;
      case 'Q':
        this.quadratic(point(0), point(2));
        break;
      case 'T':
        this.quadratic(this.mirrored(control, 'quadratic'), point(0));
        break;
      case 'A':
        for (const { c1, c2, to } of arcCurves(this.at, n, point(5))) this.cubic(c1, c2, to);
        this.control = null;
        break;
      default:
        this.path.push({ kind: 'close' });
        this.at = this.start;
    }
  }

  private add(segment: Exclude<Segment, { kind: 'close' }>): void {
    this.path.push(segment);
    this.at = segment.to;
  }

  private cubic(c1: PathPoint, c2: PathPoint, to: PathPoint): void {
    this.add({ kind: 'cubic', c1, c2, to });
    this.control = { kind: 'cubic', point: c2 };
  }

  private quadratic(c: PathPoint, to: PathPoint): void {
    this.add({ kind: 'quadratic', c, to });
    this.control = { kind: 'quadratic', point: c };
  }

  private mirrored(control: Pen['control'], kind: 'quadratic' | 'cubic'): PathPoint {
    if (control?.kind !== kind) return this.at;
    return { x: 2 * this.at.x - control.point.x, y: 2 * this.at.y - control.point.y };
  }
}

/** An elliptical arc as cubic curves of at most a quarter turn (SVG 2, appendix B.2.4). */
function arcCurves(
  from: PathPoint,
  [rx0 = 0, ry0 = 0, turn = 0, large = 0, sweep = 0]: number[],
  to: PathPoint,
): { c1: PathPoint; c2: PathPoint; to: PathPoint }[] {
  let rx = Math.abs(rx0);
  let ry = Math.abs(ry0);
  if (rx === 0 || ry === 0) return [{ c1: from, c2: to, to }];
  const phi = (turn * Math.PI) / 180;
  const [cos, sin] = [Math.cos(phi), Math.sin(phi)];
  const dx = (from.x - to.x) / 2;
  const dy = (from.y - to.y) / 2;
  const x1 = cos * dx + sin * dy;
  const y1 = cos * dy - sin * dx;
  const small = (x1 / rx) ** 2 + (y1 / ry) ** 2;
  if (small > 1) {
    rx *= Math.sqrt(small);
    ry *= Math.sqrt(small);
  }
  const over = (rx * ry) ** 2 - (rx * y1) ** 2 - (ry * x1) ** 2;
  const root = Math.sqrt(Math.max(0, over / ((rx * y1) ** 2 + (ry * x1) ** 2)));
  const way = Boolean(large) === Boolean(sweep) ? -root : root;
  const cx1 = (way * rx * y1) / ry;
  const cy1 = (-way * ry * x1) / rx;
  const centre = {
    x: cos * cx1 - sin * cy1 + (from.x + to.x) / 2,
    y: sin * cx1 + cos * cy1 + (from.y + to.y) / 2,
  };
  const begin = Math.atan2((y1 - cy1) / ry, (x1 - cx1) / rx);
  let sweepAngle = Math.atan2((-y1 - cy1) / ry, (-x1 - cx1) / rx) - begin;
  if (sweep && sweepAngle < 0) sweepAngle += 2 * Math.PI;
  if (!sweep && sweepAngle > 0) sweepAngle -= 2 * Math.PI;
  const count = Math.max(1, Math.ceil(Math.abs(sweepAngle) / (Math.PI / 2) - 1e-9));
  const step = sweepAngle / count;
  const reach = (4 / 3) * Math.tan(step / 4);
  const at = (x: number, y: number): PathPoint => ({
    x: centre.x + cos * rx * x - sin * ry * y,
    y: centre.y + sin * rx * x + cos * ry * y,
  });
  return Array.from({ length: count }, (_, i) => {
    const [a, b] = [begin + i * step, begin + (i + 1) * step];
    return {
      c1: at(Math.cos(a) - reach * Math.sin(a), Math.sin(a) + reach * Math.cos(a)),
      c2: at(Math.cos(b) + reach * Math.sin(b), Math.sin(b) - reach * Math.cos(b)),
      to: i === count - 1 ? to : at(Math.cos(b), Math.sin(b)),
    };
  });
}
