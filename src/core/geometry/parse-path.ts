import svgpath from 'svgpath';
import type { Path, PathPoint, Segment } from './path';

/** Reads the `d` of an SVG path (SVG 2, path data); null where it breaks that grammar. Arcs become cubic curves. */
export function parsePath(d: string): Path | null {
  const read = svgpath.from(d) as ReturnType<typeof svgpath.from> & { err: string };
  if (read.err !== '') return null;
  const path: Segment[] = [];
  let at: PathPoint = { x: 0, y: 0 };
  let start = at;
  /** Letters that are no part of the grammar, though the reader knows them. */
  const odd: string[] = [];
  read
    .abs()
    .unarc()
    .unshort()
    .iterate((segment) => {
      const n = segment.slice(1) as number[];
      const point = (i: number): PathPoint => ({ x: n[i]!, y: n[i + 1]! });
      const to = (end: PathPoint) => (at = end);
      switch (segment[0]) {
        case 'M':
          start = to(point(0));
          path.push({ kind: 'move', to: start });
          break;
        case 'L':
          path.push({ kind: 'line', to: to(point(0)) });
          break;
        case 'H':
          path.push({ kind: 'line', to: to({ x: n[0]!, y: at.y }) });
          break;
        case 'V':
          path.push({ kind: 'line', to: to({ x: at.x, y: n[0]! }) });
          break;
        case 'C':
          path.push({ kind: 'cubic', c1: point(0), c2: point(2), to: to(point(4)) });
          break;
        case 'Q':
          path.push({ kind: 'quadratic', c: point(0), to: to(point(2)) });
          break;
        case 'Z':
        case 'z':
          path.push({ kind: 'close' });
          at = start;
          break;
        default:
          odd.push(segment[0]);
      }
    });
  return odd.length === 0 && path[0]?.kind === 'move' ? path : null;
}
