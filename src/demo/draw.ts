import { mkdir, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { Raster } from '@/core/raster/raster';
import type { Engine } from '@/imaging/engine';
import { compassRose, keepTheLight, knotBadge, TIDE_POOL, tidePool, tidePoolSheet } from './art/marks';
import { harbour, lighthouse, nightSky, waves } from './art/sea';
import { storm } from './art/storm';
import { DEMO_FILES, type DemoKey } from './shop';

/** How each artwork of the demo is drawn: pixels, and the density its file is tagged with. */
export function drawDemo(engine: Engine): Record<DemoKey, () => Uint8Array> {
  const png = (raster: Raster, ppi = 300) => engine.encodePng(raster, { ppi, use: 'print' });
  const drawing = (svg: string, width: number) => () => png(engine.drawSvg(svg, width));
  const set = Object.fromEntries(TIDE_POOL.map((name) => [name, drawing(tidePool(name), SET_WIDTHS[name])]));
  return {
    'harbour-panorama': drawing(harbour(), 2720),
    lighthouse: drawing(lighthouse(), 2400),
    'knot-badge': drawing(knotBadge(), 1500),
    'compass-rose': drawing(compassRose(), 2300),
    'keep-the-light': drawing(keepTheLight(), 2900),
    'wave-repeat': drawing(waves(6, 4), 2880),
    'night-sky': drawing(nightSky(), 2720),
    storm: () => engine.encodeJpeg(storm(900, 600), { ppi: 72, quality: 88 }),
    'harbour-card': () => engine.encodeCmykJpeg(engine.drawSvg(harbour(), 2720), { ppi: 300, profile: true }),
    'old-flyer': () =>
      engine.encodeCmykJpeg(engine.drawSvg(keepTheLight(), 1240), { ppi: 300, profile: false }),
    'tide-pool-sheet': drawing(tidePoolSheet(), 2400),
    ...set,
  } as Record<DemoKey, () => Uint8Array>;
}

/** Pixels across each drawing of the tide pool: one scale for the set, so that it keeps its relative sizes. */
const SET_WIDTHS = { crab: 900, starfish: 700, limpet: 420, anemone: 620, whelk: 520, kelp: 360 };

/** Writes every file of the demo into a folder. */
export async function writeDemo(engine: Engine, folder: string): Promise<void> {
  await mkdir(folder, { recursive: true });
  for (const [key, draw] of Object.entries(drawDemo(engine))) {
    await writeFile(join(folder, `${key}.${DEMO_FILES[key as DemoKey]}`), draw());
  }
}
