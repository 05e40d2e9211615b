import type { Facts } from '@/core/artwork/facts';
import { makeDocket, type Docket } from '@/core/check/docket';
import type { Press } from '@/core/colour/press';
import type { Fit } from '@/core/fit/schema';
import type { Shown } from '@/core/render/face';
import { drawDemo } from '@/demo/draw';
import { DEMO_FILES, demoFits, type DemoKey } from '@/demo/shop';
import type { Engine } from '@/imaging/engine';
import { blankById } from './fits';
import { measureBytes } from './measure';

/** The demo shop's artworks, drawn and measured, and its fits. */
export async function demoShop(engine: Engine) {
  const draw = drawDemo(engine);
  const measured = new Map<DemoKey, Awaited<ReturnType<typeof measureBytes>>>();
  for (const key of Object.keys(DEMO_FILES) as DemoKey[])
    measured.set(key, await measureBytes(engine, key, draw[key]()));
  const byHash = new Map([...measured.values()].map((one) => [one.facts.sha256, one]));
  const facts = (key: DemoKey): Facts => measured.get(key)!.facts;
  const shown: Shown = {
    facts: (id) => byHash.get(id)!.facts,
    pixels: (id) => byHash.get(id)!.raster,
  };
  return { facts, shown, fits: demoFits(facts) };
}

const pressOf = new WeakMap<Engine, Press>();

/** A fit's docket by the shipped blank it is on. */
export function docketOf(engine: Engine, fit: Fit, shown: Shown, coarse?: number): Docket {
  const press = pressOf.get(engine) ?? engine.bakePress(null, 'relative');
  pressOf.set(engine, press);
  return makeDocket(blankById(fit.blankId), fit, {
    ...shown,
    press,
    ...(coarse !== undefined && { coarse }),
  });
}
