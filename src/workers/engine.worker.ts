import { expose } from 'comlink';
import { UpFitError } from '@/core/errors';
import { requireReadableSize } from '@/core/artwork/limits';
import { pixelsKey } from '@/core/artwork/steps';
import { bytesSource } from '@/core/formats/source';
import { renderFace, type Pixels } from '@/core/render/face';
import { cutAnew } from '@/core/cut/make';
import { PARTED, partPicture, withGroups } from '@/core/cut/parting';
import { reducedTo } from '@/core/raster/shrink';
import { makeDocket } from '@/core/check/docket';
import { findingsOf, type DocketOptions } from '@/core/check/face-findings';
import { HALVES } from '@/core/check/registry';
import type { UnitSetting } from '@/core/length/show';
import type { Progress, Raster } from '@/core/raster/raster';
import { artworkPixels, measureArtwork } from '@/files/artwork';
import { hexOf, rgbOf } from '@/core/colour/hex';
import { requirePrintingProfile } from '@/core/colour/icc';
import type { Press } from '@/core/colour/press';
import { partAt } from '@/files/svg/part';
import { digest } from '@/imaging/digest';
import { part } from '@/imaging/measure';
import type { PhotoScene } from '@/core/mockup/photo/schema';
import type { Texture } from '@/core/product/texture';
import type { Headline } from '@/core/mockup/prints';
import type { FitPictured, KeptForPictures } from '@/files/picture';
import type { EngineService, FitJob, OnProgress, Outcome, PictureAsked, PressAsked } from './messages';
import { failureOf, Stopped } from './outcome';
import {
  drawingOf,
  engine,
  factsOf,
  hasEngine,
  rasterOf,
  rastersOf,
  ready,
  shelf,
  sourceOf,
} from './job-files';
import { Kept } from './kept';
import { facePrint, platesMade } from './plates-job';
import { FORMATS } from '@/core/formats/registry';

/** Progress is told at most this often, in ms: each telling is a message to the page. */
const TELL_EVERY = 60;

/** Progress that tells the page now and then, and stops the work once the shared flag is set. */
function follow(flag: Int32Array, onProgress: OnProgress): Progress {
  let told = 0;
  return (share) => {
    if (Atomics.load(flag, 0) === 1) throw new Stopped();
    const now = performance.now();
    if (now - told < TELL_EVERY) return;
    told = now;
    onProgress(share);
  };
}

/** Whether a file may have failed for want of memory in one piece, and not for being damaged. */
async function isTired(told: UpFitError | undefined): Promise<boolean> {
  return hasEngine() && (told === undefined || told.code === 'unreadable') && (await engine()).tired();
}

async function answer<T>(work: () => Promise<T>): Promise<Outcome<T>> {
  try {
    return { ok: true, value: await work() };
  } catch (error) {
    const failure = failureOf(error, 'The file could not be worked through to its end: export it again.');
    const told = error instanceof UpFitError ? error : undefined;
    return { ...failure, dead: error instanceof WebAssembly.RuntimeError || (await isTired(told)) };
  }
}

async function profileOf(
  profile: PressAsked['profile'],
): Promise<{ name: string; bytes: Uint8Array } | null> {
  return profile && { name: profile.name, bytes: new Uint8Array(await profile.file.arrayBuffer()) };
}

let lastPress: { key: string; press: Press } | undefined;

/** The press asked for; the last one is kept, since every fit of a house asks for the same. */
async function pressOf({ profile, intent }: PressAsked): Promise<Press> {
  const key = `${profile?.id ?? ''}/${intent}`;
  if (lastPress?.key !== key) {
    lastPress = { key, press: (await engine()).bakePress(await profileOf(profile), intent) };
  }
  return lastPress.press;
}

async function docketOptions(job: FitJob, unit: UnitSetting, progress: Progress): Promise<DocketOptions> {
  return {
    facts: factsOf(job),
    pixels: await rastersOf(job, part(progress, 0, 0.5)),
    press: await pressOf(job.press),
    unit,
    progress: part(progress, 0.5, 1),
  };
}

/** What is printed on the fits that were pictured last. */
const prints = new Kept<Map<string, Texture>>(3);
const headlines = new Kept<Headline | null>(3);

function keptFor(jobs: readonly FitJob[]): KeptForPictures {
  const own = jobs.map(artworkKeys).join();
  return {
    prints: (key, make) => prints.get(`${own} ${key}`, make),
    headlines: (key, make) => headlines.get(`${own} ${key}`, make),
  };
}

/** Fits with their pixels, as they are pictured. */
async function picturedFits(
  jobs: readonly FitJob[],
  { colours, proof }: Pick<PictureAsked, 'colours' | 'proof'>,
  progress: Progress,
): Promise<FitPictured[]> {
  const fits = [];
  for (const [i, job] of jobs.entries()) {
    const pixels = await rastersOf(job, part(progress, i / jobs.length, (i + 1) / jobs.length));
    fits.push({
      blank: job.blank,
      fit: job.fit,
      shown: { facts: factsOf(job), pixels },
      colour: colours[i] ?? '#ffffff',
      press: proof ? await pressOf(job.press) : null,
    });
  }
  return fits;
}

function artworkKeys({ artworks }: FitJob): string {
  return artworks.map(({ key }) => key).join();
}

let lastPhoto: { id: string; file: Blob; pixels: Raster } | undefined;

/** The pixels of a photo; those of the last one are kept. */
async function photoOf({
  photo,
  name,
  file,
}: {
  photo: PhotoScene;
  name: string;
  file: Blob;
}): Promise<Raster> {
  if (lastPhoto?.id !== photo.id || lastPhoto.file.size !== file.size) {
    const asked = { name, source: await sourceOf(file), steps: [] };
    lastPhoto = {
      id: photo.id,
      file,
      pixels: await artworkPixels(await ready(), asked, photo.width, () => undefined),
    };
  }
  return lastPhoto.pixels;
}

const service: EngineService = {
  measure: ({ name, file, steps }, flag, onProgress) =>
    answer(async () => {
      const progress = follow(flag, onProgress);
      const asked = { name, source: await sourceOf(file), steps };
      const measured = await measureArtwork(await ready(), asked, part(progress, 0, 0.95));
      const { facts, preview, raster } = measured;
      // What was just measured is likely to be placed next.
      if (raster && facts.pixels) shelf.put(pixelsKey(facts.sha256, steps), raster);
      const png = (await engine()).encodePng(preview, { ppi: 72, use: 'preview' });
      return { facts, preview: new Blob([png as Uint8Array<ArrayBuffer>], { type: 'image/png' }) };
    }),

  partPicture: (artwork, flag, onProgress) =>
    answer(async () => {
      const progress = follow(flag, onProgress);
      const raster = await rasterOf(artwork, PARTED, part(progress, 0, 0.6));
      const parting = partPicture(reducedTo(raster, PARTED, part(progress, 0.6, 1)));
      const { facts, original, steps } = artwork;
      // Once it is cropped or turned a drawing's groups lie elsewhere.
      if (facts.format !== 'svg' || steps.length > 0) return parting;
      const { groupMap } = await import('@/files/svg/groups');
      const map = groupMap(await engine(), facts.name, await sourceOf(original));
      return map ? withGroups(parting, map) : parting;
    }),

  cutFaces: (job, flag, onProgress) =>
    answer(async () => {
      const progress = follow(flag, onProgress);
      const shown = { facts: factsOf(job), pixels: await rastersOf(job, part(progress, 0, 0.4)) };
      const { faces } = job.fit;
      return faces.map((face, i) => {
        const base = job.blank.faces.find(({ id }) => id === face.faceId);
        const { cut } = face;
        if (!cut || !base) return face;
        const own = part(progress, 0.4 + (0.6 * i) / faces.length, 0.4 + (0.6 * (i + 1)) / faces.length);
        return cutAnew({ ...face, cut }, base, shown, own);
      });
    }),

  findings: (job, unit, half, flag, onProgress) =>
    answer(async () =>
      findingsOf(job.blank, job.fit, await docketOptions(job, unit, follow(flag, onProgress)), HALVES[half]),
    ),

  docket: (job, unit, found, flag, onProgress) =>
    answer(async () =>
      makeDocket(job.blank, job.fit, await docketOptions(job, unit, follow(flag, onProgress)), found),
    ),

  printFiles: (job, asked, flag, onProgress) =>
    answer(async () => {
      const progress = follow(flag, onProgress);
      const shown = {
        facts: factsOf(job),
        pixels: await rastersOf(job, part(progress, 0, 0.3)),
        drawing: (artworkId: string) => drawingOf(job, artworkId),
      };
      const { writePrints } = await import('@/files/prints');
      const press = async () => ({
        press: await pressOf(job.press),
        profile: await profileOf(job.press.profile),
      });
      const { blank, fit } = job;
      const made = await writePrints(
        await engine(),
        { ...asked, blank, fit, press },
        shown,
        part(progress, 0.3, 1),
      );
      return made.map(({ name, bytes, type, plan, faceId, told }) => ({
        name,
        told,
        faceId,
        plan,
        file: new Blob([bytes as Uint8Array<ArrayBuffer>], { type }),
      }));
    }),

  facePrint: (job, faceId, across, flag, onProgress) =>
    answer(() => facePrint(job, faceId, across, follow(flag, onProgress))),

  plateFiles: (job, asked, flag, onProgress) =>
    answer(() => platesMade(job, asked, follow(flag, onProgress))),

  sheetFiles: (jobs, { prints, ...asked }, flag, onProgress) =>
    answer(async () => {
      const progress = follow(flag, onProgress);
      const pixels = new Map<FitJob, Pixels>();
      for (const [i, job] of jobs.entries())
        pixels.set(
          job,
          await rastersOf(job, part(progress, (i / jobs.length) * 0.3, ((i + 1) / jobs.length) * 0.3)),
        );
      const drawn = prints.map((print) => {
        const job = jobs.find(({ fit }) => fit.id === print.fitId)!;
        const face = job.blank.faces.find(({ id }) => id === print.faceId)!;
        const pieces = job.fit.faces.find(({ faceId }) => faceId === print.faceId)?.pieces ?? [];
        const shown = { facts: factsOf(job), pixels: pixels.get(job)! };
        return {
          ...print,
          draw: (size: { width: number; height: number }, own: Progress) =>
            renderFace(face, pieces, shown, { pixels: size, progress: own }),
        };
      });
      const [{ writeSheet }, { loadFont }] = await Promise.all([import('@/files/sheet'), import('./font')]);
      const files = await writeSheet(
        await engine(),
        { ...asked, prints: drawn },
        await loadFont(),
        part(progress, 0.3, 1),
      );
      const { type } = FORMATS[asked.format];
      return files.map((bytes) => new Blob([bytes as Uint8Array<ArrayBuffer>], { type }));
    }),

  picture: (jobs, asked, flag, onProgress) =>
    answer(async () => {
      const progress = follow(flag, onProgress);
      const { makePicture, writePicture } = await import('@/files/picture');
      const fits = await picturedFits(jobs, asked, part(progress, 0, 0.3));
      const { setting, width, height, dress, format, reads } = asked;
      const scene = 'photo' in setting ? { photo: setting.photo, pixels: await photoOf(setting) } : setting;
      const keep = keptFor(jobs);
      const made = makePicture(fits, scene, { width, height, dress, reads }, keep, part(progress, 0.3, 0.9));
      const { bytes, type } = writePicture(await engine(), made.raster, format);
      return { file: new Blob([bytes as Uint8Array<ArrayBuffer>], { type }), read: made.read };
    }),

  turn: (jobs, asked, flag, onProgress) =>
    answer(async () => {
      const progress = follow(flag, onProgress);
      const { makeTurn, writeTurn } = await import('@/files/picture');
      const fits = await picturedFits(jobs, asked, part(progress, 0, 0.1));
      const strip = makeTurn(fits, asked.scene, asked, keptFor(jobs), part(progress, 0.1, 0.7));
      const { turning, format } = asked;
      const { bytes, type } = writeTurn(await engine(), strip, turning, format, part(progress, 0.7, 1));
      return new Blob([bytes as Uint8Array<ArrayBuffer>], { type });
    }),

  docketPage: (job, sheet, flag, onProgress) =>
    answer(async () => {
      const progress = follow(flag, onProgress);
      const shown = { facts: factsOf(job), pixels: await rastersOf(job, progress) };
      const [{ writeDocket }, { loadFont }] = await Promise.all([import('@/files/docket'), import('./font')]);
      const bytes = await writeDocket(await engine(), sheet, job, shown, await loadFont());
      return new Blob([bytes as Uint8Array<ArrayBuffer>], { type: 'application/pdf' });
    }),

  besidePages: (jobs, asked, flag, onProgress) =>
    answer(async () => {
      const progress = follow(flag, onProgress);
      const [{ drawFace, pagesAsPng, writeBeside }, { loadFont }] = await Promise.all([
        import('@/files/beside'),
        import('./font'),
      ]);
      const { engine: own, drawPage } = await ready();
      const { pdf, pages } = await writeBeside(
        asked,
        jobs,
        async (index, face, scale) => {
          const job = jobs[index]!;
          const pixels = await rastersOf(job, part(progress, index / jobs.length, (index + 1) / jobs.length));
          return drawFace(own, job, face, { facts: factsOf(job), pixels }, scale);
        },
        await loadFont(),
      );
      if (asked.format === 'pdf')
        return [new Blob([pdf as Uint8Array<ArrayBuffer>], { type: 'application/pdf' })];
      const pngs = await pagesAsPng(own, drawPage, pdf, pages);
      return pngs.map((bytes) => new Blob([bytes as Uint8Array<ArrayBuffer>], { type: 'image/png' }));
    }),

  cutPdf: (title, pages, inks) =>
    answer(async () => {
      const { cutPdf } = await import('@/files/pdf/cut-lines');
      const bytes = await cutPdf(title, pages, inks);
      return new Blob([bytes as Uint8Array<ArrayBuffer>], { type: 'application/pdf' });
    }),

  swatchPage: (title, swatches) =>
    answer(async () => {
      const [{ swatchPdf }, { loadFont }] = await Promise.all([
        import('@/files/pdf/swatches'),
        import('./font'),
      ]);
      const bytes = await swatchPdf(title, swatches, await loadFont());
      return new Blob([bytes as Uint8Array<ArrayBuffer>], { type: 'application/pdf' });
    }),

  // The libraries for PDF and type come in when they are first needed.
  readTemplate: (name, file, page) =>
    answer(async () => {
      requireReadableSize(name, file.size);
      const { readTemplate } = await import('./templates');
      return readTemplate(await ready(), name, new Uint8Array(await file.arrayBuffer()), page);
    }),

  writeTemplate: (face, asked) =>
    answer(async () => (await import('./templates')).writeTemplate(engine, face, asked)),

  partAt: (name, file, point) =>
    answer(async () => partAt(await engine(), name, await sourceOf(file), point)),

  colourOfInks: ({ profile }, inks) =>
    answer(async () => hexOf((await engine()).colourOfInks(inks, await profileOf(profile)))),

  press: (asked) => answer(() => pressOf(asked)),

  readProfile: (file) =>
    answer(async () => {
      const bytes = new Uint8Array(await file.arrayBuffer());
      const { description } = requirePrintingProfile(bytes);
      // Gone through once, so that one that cannot be used is refused before it is kept.
      (await engine()).bakePress({ name: description, bytes }, 'relative');
      return { id: await digest(bytesSource(bytes)), name: description };
    }),

  inksOf: (colours) => answer(async () => (await engine()).inksOf(colours.map(rgbOf))),
};

expose(service);
