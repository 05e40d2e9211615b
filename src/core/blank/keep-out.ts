import { rectangle, type KeepOut } from './face';
import { outlinePath } from '../geometry/outline';
import { shapePath } from './shape';

/** A keep-out's outline as an SVG path in the face's mm. */
export function keepOutPath({ shape }: KeepOut): string {
  switch (shape.kind) {
    case 'circle': {
      const r = shape.diameter / 2;
      return shapePath(rectangle(shape.diameter, shape.diameter, r), 0, shape.x - r, shape.y - r);
    }
    case 'outline':
      return outlinePath([shape.points]);
    case 'rectangle':
      return shapePath(rectangle(shape.width, shape.height, shape.cornerRadius), 0, shape.x, shape.y);
  }
}

/** The box round a keep-out: its middle and size in the face's mm. */
export function keepOutBox({ shape }: KeepOut): { x: number; y: number; width: number; height: number } {
  switch (shape.kind) {
    case 'circle':
      return { x: shape.x, y: shape.y, width: shape.diameter, height: shape.diameter };
    case 'rectangle': {
      const { x, y, width, height } = shape;
      return { x: x + width / 2, y: y + height / 2, width, height };
    }
    case 'outline': {
      const [xs, ys] = [shape.points.map(([x]) => x), shape.points.map(([, y]) => y)];
      const [left, right, top, bottom] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
      return { x: (left + right) / 2, y: (top + bottom) / 2, width: right - left, height: bottom - top };
    }
  }
}

/** The same keep-out with its middle somewhere else, in the face's mm. */
export function movedKeepOut(keepOut: KeepOut, to: { x: number; y: number }): KeepOut {
  const from = keepOutBox(keepOut);
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  const { shape } = keepOut;
  return {
    ...keepOut,
    shape:
      shape.kind === 'outline'
        ? { ...shape, points: shape.points.map(([x, y]) => [x + dx, y + dy] as [number, number]) }
        : { ...shape, x: shape.x + dx, y: shape.y + dy },
  };
}
