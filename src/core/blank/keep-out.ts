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
