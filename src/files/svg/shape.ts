import { UpFitError } from '@/core/errors';
import { moved } from '@/core/geometry/matrix';
import { rectangle } from '@/core/blank/face';
import { shapePath } from '@/core/blank/shape';
import { boundsOf, flattenPath, mapPath, writePath, type Path } from '@/core/geometry/path';
import { parsePath } from '@/core/geometry/parse-path';
import { readElements, type Element } from './elements';

/** A drawing's shape: one closed path in shares of its own box. */
export interface ReadShape {
  name: string;
  d: string;
}

/** The largest closed path of a drawing, as a shape to clip to. Throws `unreadable` where it has none. */
export function readShape(name: string, text: string): ReadShape {
  let best: { path: Path; area: number } | null = null;
  readElements(name, text, {
    open: (element) => {
      const own = pathOf(element);
      if (!own) return;
      const path = mapPath(own, ({ x, y }) => moved(element.matrix, x, y));
      const area = Math.abs(areaOf(path));
      if (area > 0 && area > (best?.area ?? 0)) best = { path, area };
    },
  });
  const found = best as { path: Path; area: number } | null;
  const box = found && boundsOf(flattenPath(found.path, Math.sqrt(found.area) / 2000));
  if (!found || !box) {
    throw new UpFitError(
      'unreadable',
      `“${name}” holds no closed path: export the shape as one filled path.`,
    );
  }
  const width = box.right - box.left;
  const height = box.bottom - box.top;
  const shares = mapPath(found.path, ({ x, y }) => ({
    x: (x - box.left) / width,
    y: (y - box.top) / height,
  }));
  return { name: name.replace(/\.svg$/i, ''), d: writePath(shares, 6) };
}

function pathOf({ tag, attributes }: Element): Path | null {
  const number = (key: string) => Number.parseFloat(attributes[key] ?? '') || 0;
  switch (tag) {
    case 'path':
      return parsePath(attributes['d'] ?? '');
    case 'polygon':
      return parsePath(`M${attributes['points'] ?? ''}Z`);
    case 'rect': {
      const [width, height] = [number('width'), number('height')];
      const radius = Math.min(number('rx') || number('ry'), width / 2, height / 2);
      if (width <= 0 || height <= 0) return null;
      return parsePath(shapePath(rectangle(width, height, radius), 0, number('x'), number('y')));
    }
    case 'circle':
    case 'ellipse': {
      const rx = number(tag === 'circle' ? 'r' : 'rx');
      const ry = number(tag === 'circle' ? 'r' : 'ry');
      if (rx <= 0 || ry <= 0) return null;
      const [x, y] = [number('cx'), number('cy')];
      return parsePath(`M${x - rx} ${y}A${rx} ${ry} 0 0 1 ${x + rx} ${y}A${rx} ${ry} 0 0 1 ${x - rx} ${y}Z`);
    }
    default:
      return null;
  }
}

/** Area by the shoelace formula, over all contours. */
function areaOf(path: Path): number {
  let sum = 0;
  for (const points of flattenPath(path, 0.5)) {
    for (let i = 0, j = points.length - 2; i < points.length; j = i, i += 2)
      sum += points[j]! * points[i + 1]! - points[i]! * points[j + 1]!;
  }
  return sum / 2;
}
