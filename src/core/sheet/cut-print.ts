import { rectangle } from '../blank/face';
import type { PrintFace } from '../blank/resolve';
import { shapePath } from '../blank/shape';
import { simplified } from '../cut/simplified';
import { shapeOfPath } from '../cut/path-shape';
import { mapPath, writePath } from '../geometry/path';
import { parsePath } from '../geometry/parse-path';
import { bleedPath } from '../render/layers';
import type { PrintCut } from './print';

const known = new WeakMap<PrintFace, PrintCut>();
/** mm by which outlines are evened out to be laid beside one another. */
const EVEN = 0.1;

/** How a face's print is cut, in mm of its print box; undefined where that is its trim. */
export function printCut(face: PrintFace): PrintCut | undefined {
  const { cut, bleed, width, height } = face;
  if (!cut) return undefined;
  let found = known.get(face);
  if (!found) {
    const moved = (d: string) => mapPath(parsePath(d) ?? [], ({ x, y }) => ({ x: x + bleed, y: y + bleed }));
    const edge = cut.backing;
    const backing = rectangle(width + 2 * edge, height + 2 * edge, Math.min(3, edge));
    found = {
      d: writePath(moved(cut.d), 3),
      backing: edge > 0 ? writePath(moved(shapePath(backing, 0, -edge, -edge)), 3) : null,
      reach: simplified(shapeOfPath(moved(bleedPath(face))), EVEN).outers,
    };
    known.set(face, found);
  }
  return found;
}
