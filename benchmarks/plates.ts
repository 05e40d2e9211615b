import type { ResolvedBlank } from '@/core/blank/resolve';
import type { PlatePlan } from '@/core/fit/plates';
import { chooseInks } from '@/core/plates/inks';
import { ALL_AS_THEY_ARE, seenOn } from '@/core/plates/laid';
import { labelsOf, makePlates, type PlatesAsked } from '@/core/plates/make';
import { askedBy, firstPlan } from '@/core/plates/plan';
import { proposals } from '@/core/plates/propose';
import { screened } from '@/core/plates/screen';
import { boxShrink } from '@/core/raster/shrink';
import type { Raster } from '@/core/raster/raster';

type Timed = { ratio: number; ms: number };
type Tell = (name: string, limit: number, result: Timed) => void;

const COLOURS = [0xff1e28c0, 0xff9a4f1f, 0xff05b7f2, 0xff3b7d2f, 0xffe8f1f4, 0xff8f3b7a, 0xff1a1614];
const NIGHT = '#1e2533';

/** A drawing of flat colours in many shapes, an edge's pixel between two being a mixture of them. */
function drawing(width: number, height: number): Raster {
  const data = new Uint32Array(width * height);
  const cell = Math.round(width / 12);
  for (let y = 0, at = 0; y < height; y++)
    for (let x = 0; x < width; x++, at++) {
      const [column, row] = [Math.floor(x / cell), Math.floor(y / cell)];
      const far = Math.hypot((x % cell) - cell / 2, (y % cell) - cell / 2) - cell * 0.4;
      const inner = COLOURS[(column * 3 + row) % 7]!;
      const outer = COLOURS[(column + row * 2 + 1) % 7]!;
      data[at] = far < -0.5 ? inner : far > 0.5 ? outer : mixed(inner, outer);
    }
  return { width, height, data: new Uint8Array(data.buffer), opaque: true };
}

function mixed(a: number, b: number): number {
  return ((((a >>> 1) & 0x7f7f7f7f) + ((b >>> 1) & 0x7f7f7f7f)) | 0xff000000) >>> 0;
}

/** Parting into inks, plates and dots of a print of 24 megapixels, against its decode; and how soon a small copy is shown. */
export async function plateRows(
  tell: Tell,
  shirt: ResolvedBlank,
  size: { width: number; height: number },
  ratio: (raster: Raster, work: () => unknown) => Promise<Timed>,
): Promise<void> {
  const print = drawing(size.width, size.height);
  const chosen = firstPlan(print, 6, NIGHT)!;
  const asked = (plan: PlatePlan): PlatesAsked =>
    askedBy(plan, shirt, NIGHT, { ppi: 300, toPixel: (x, y) => ({ x, y }) });
  const by = asked(chosen);
  tell(
    '24 megapixels reduced to six inks',
    3,
    await ratio(print, () => {
      chooseInks(print, { count: 6, open: [NIGHT] });
      labelsOf(print, by);
    }),
  );
  tell('six plates with base, choke and trap', 4, await ratio(print, () => makePlates(print, by)));
  const tones = new Uint8Array(size.width * size.height).map((_, i) => (i >> 4) & 255);
  const screen = { ruling: 45, angle: 22.5, dot: 'round' } as const;
  tell('halftone of one plate', 1, await ratio(print, () => screened(tones, size.width, screen, 300)));
  const small = boxShrink(print, 9, 9);
  // Whoever chooses a number sees all of them before: the same worker has made them.
  proposals(small, 33, { blank: shirt, product: NIGHT, so: null });
  const { ms } = await ratio(small, () => {
    const plan = firstPlan(small, 4, NIGHT)!;
    const plates = makePlates(small, { ...asked(plan), ppi: 33 });
    seenOn(plates, by, small, ALL_AS_THEY_ARE);
  });
  tell('another number of inks, on a small copy, in 100 ms', 1, { ratio: ms / 100, ms });
}
