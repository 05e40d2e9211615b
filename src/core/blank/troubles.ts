import { showLength, type UnitSetting } from '../length/show';
import type { Trouble } from './bodies/troubles';
import { kindOf, type Body } from './kinds';
import { facesOf } from './resolve';
import { signedDistance } from './shape';

/** Everything that keeps a body from being made or printed; none where its numbers go together. */
export function bodyTroubles(body: Body, unit?: UnitSetting): Trouble[] {
  const own = kindOf(body).troubles(body, (mm) => showLength(mm, unit));
  return own.length > 0 ? own : keepOutTroubles(body);
}

/** Keep-outs must lie on the face they keep clear, the wrapped edge included. */
function keepOutTroubles(body: Body): Trouble[] {
  return facesOf(body).flatMap((face) =>
    face.keepOuts
      .filter(({ shape }) => {
        if (shape.kind === 'outline')
          return shape.points.every(([x, y]) => signedDistance(face, face.edge, x, y) > 0);
        const x = shape.kind === 'circle' ? shape.x : shape.x + shape.width / 2;
        const y = shape.kind === 'circle' ? shape.y : shape.y + shape.height / 2;
        return signedDistance(face, face.edge, x, y) > 0;
      })
      .map(({ name }) => ({
        field: 'keepOuts',
        message: `“${name}” lies off the face it should keep clear.`,
      })),
  );
}
