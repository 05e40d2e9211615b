import { mapPath, writePath } from '../geometry/path';
import { parsePath } from '../geometry/parse-path';
import type { Laid, SheetLayout } from './layout';

/** A line that the cutter follows, in mm from a sheet's top left, as SVG writes a path. */
export interface CutOnSheet {
  kind: 'cut' | 'backing';
  /** Whether it goes through everything; a kiss cut leaves the backing whole. */
  through: boolean;
  name: string;
  d: string;
}

/** Every cut line on one of the sheets: those of what is cut to shape, where it lies. */
export function cutsOf({ laid }: SheetLayout, index: number): CutOnSheet[] {
  return laid
    .filter(({ sheet, print }) => sheet === index && print.cut)
    .flatMap((one): CutOnSheet[] => {
      const { cut, name } = one.print;
      const { backing } = cut!;
      return [
        { kind: 'cut', through: backing === null, name, d: onSheet(one, cut!.d) },
        ...(backing === null
          ? []
          : [{ kind: 'backing' as const, through: true, name, d: onSheet(one, backing) }]),
      ];
    });
}

/** A line in mm of a print's box, as the print lies: turned, its upper edge is on the right. */
function onSheet({ x, y, turned, print }: Laid, d: string): string {
  const path = mapPath(parsePath(d) ?? [], (point) =>
    turned ? { x: x + print.height - point.y, y: y + point.x } : { x: x + point.x, y: y + point.y },
  );
  return writePath(path, 3);
}
