import { readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { shippedBlanks } from '@/core/blank/library';
import type { ResolvedBlank } from '@/core/blank/resolve';
import { docketBasis } from '@/core/check/basis';
import { makeDocket } from '@/core/check/docket';
import type { Press } from '@/core/colour/press';
import { asCut } from '@/core/cut/face';
import { cutKey } from '@/core/cut/key';
import { cutAnew } from '@/core/cut/make';
import { artworkIdsOf, type Fit } from '@/core/fit/schema';
import { MILLIMETRES } from '@/core/length/show';
import { bytesSource } from '@/core/formats/source';
import type { Shown } from '@/core/render/face';
import { measureArtwork } from '@/files/artwork';
import type { Engine } from '@/imaging/engine';
import type { Measured } from '@/imaging/measure';
import type { StoredDocket } from '@/store/schema';
import { DEMO_FILES, demoFits, type DemoKey } from './shop';
import { MEASURED_FILE, previewFile, type MeasuredDemo } from './measured';

/** How it is measured in a shop that nobody has changed: by the shipped profile, relative to its white. */
const SHIPPED_PRESS = 'shipped/relative';

/** Measures the demo's files, which lie in a folder, cuts its stickers and makes every docket; writes that beside them. */
export async function measureDemo(engine: Engine, folder: string): Promise<void> {
  const measured = new Map<DemoKey, Measured>();
  for (const key of Object.keys(DEMO_FILES) as DemoKey[]) {
    const name = `${key}.${DEMO_FILES[key]}`;
    const source = bytesSource(await readFile(join(folder, name)));
    const one = await measureArtwork({ engine, drawPage: noPages }, { name, source, steps: [] });
    await writeFile(
      join(folder, previewFile(key)),
      engine.encodePng(one.preview, { ppi: 72, use: 'preview' }),
    );
    measured.set(key, one);
  }
  const bySha = new Map([...measured.values()].map((one) => [one.facts.sha256, one]));
  const shown: Shown = {
    facts: (id) => bySha.get(id)!.facts,
    pixels: (id) => bySha.get(id)!.raster!,
  };
  const press = engine.bakePress(null, 'relative');
  const blanks = new Map(shippedBlanks().map((one) => [one.blank.id, one]));
  const fits = demoFits((key) => measured.get(key)!.facts).map((fit) =>
    cutStickers(fit, blanks.get(fit.blankId)!, shown),
  );
  const dockets = fits.map((fit) => docketOf(fit, asCut(blanks.get(fit.blankId)!, fit), shown, press));
  const facts = Object.fromEntries([...measured].map(([key, one]) => [key, one.facts]));
  const whole: MeasuredDemo = { upfit: 'demo/1', facts, fits, dockets };
  await writeFile(join(folder, MEASURED_FILE), JSON.stringify(whole));
}

/** The demo has no pages of PDF. */
const noPages = () => Promise.reject(new Error('The demo has no PDF.'));

function docketOf(fit: Fit, blank: ResolvedBlank, shown: Shown, press: Press): StoredDocket {
  const measuring = { unit: MILLIMETRES, press: SHIPPED_PRESS, pixels: artworkIdsOf(fit) };
  const docket = makeDocket(blank, fit, { ...shown, press, unit: MILLIMETRES });
  return { fitId: fit.id, key: docketBasis(fit, blank, measuring), measuredAt: 0, ...docket };
}

function cutStickers(fit: Fit, blank: ResolvedBlank, shown: Shown): Fit {
  const faces = fit.faces.map((face) => {
    const { cut } = face;
    if (!cut) return face;
    const made = cutAnew({ ...face, cut }, { ...blank.faces[0]!, id: face.faceId }, shown);
    return { ...made, cut: { ...made.cut, of: cutKey(made, artworkIdsOf({ faces: [made] })) } };
  });
  return { ...fit, faces };
}
