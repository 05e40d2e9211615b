import { expose } from 'comlink';
import { UpFitError } from '@/core/artwork/errors';
import type { Facts } from '@/core/artwork/facts';
import { requireReadableSize } from '@/core/artwork/limits';
import { readHeader } from '@/core/artwork/sniff';
import { printPixels } from '@/core/blank/resolve';
import { makeDocket } from '@/core/check/docket';
import type { Progress, Raster } from '@/core/raster/raster';
import { reducedTo } from '@/core/raster/shrink';
import { renderFace } from '@/core/render/face';
import { loadBrowserEngine } from '@/imaging/browser';
import type { Engine } from '@/imaging/engine';
import { measureArtwork, part } from '@/imaging/measure';
import type { EngineService, FitJob, OnProgress, Outcome } from './messages';
import { RasterShelf } from './rasters';

/** Longest side of the small picture that the screen shows, in pixels. */
const PREVIEW_SIDE = 1024;
/** Progress is told at most this often, in ms: each telling is a message to the page. */
const TELL_EVERY = 60;

class Stopped extends Error {}

const shelf = new RasterShelf();
let engine: Promise<Engine> | undefined;
const ready = () => (engine ??= loadBrowserEngine(self.location.origin));

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

async function answer<T>(work: () => Promise<T>): Promise<Outcome<T>> {
  try {
    return { ok: true, value: await work() };
  } catch (error) {
    const told = error instanceof UpFitError ? error : undefined;
    return {
      ok: false,
      stopped: error instanceof Stopped,
      dead: error instanceof WebAssembly.RuntimeError,
      code: told?.code ?? 'unreadable',
      message: told?.message ?? 'The file could not be worked through to its end: export it again.',
    };
  }
}

/** The pixels of every artwork of a job, decoded once. */
async function rastersOf({ artworks }: FitJob, progress: Progress): Promise<(artworkId: string) => Raster> {
  const rasters = new Map<string, Raster>();
  for (const [index, { facts, original }] of artworks.entries()) {
    const step = part(progress, index / artworks.length, (index + 1) / artworks.length);
    rasters.set(facts.sha256, await shelf.take(facts.sha256, () => decode(facts, original, step)));
  }
  return (artworkId) => rasters.get(artworkId)!;
}

async function decode(facts: Facts, original: Blob, progress: Progress): Promise<Raster> {
  const bytes = new Uint8Array(await original.arrayBuffer());
  const header = readHeader(facts.name, bytes);
  header.colour.profile = facts.colour.profile;
  return (await ready()).decode(facts.name, bytes, header, progress);
}

const service: EngineService = {
  measure: (name, file, flag, onProgress) =>
    answer(async () => {
      const progress = follow(flag, onProgress);
      const vips = await ready();
      const bytes = new Uint8Array(await file.arrayBuffer());
      const { facts, raster } = await measureArtwork(vips, name, bytes, part(progress, 0, 0.9));
      await shelf.take(facts.sha256, () => Promise.resolve(raster));
      const preview = vips.encodePng(reducedTo(raster, PREVIEW_SIDE), { ppi: 72, use: 'preview' });
      return { facts, preview: new Blob([preview as Uint8Array<ArrayBuffer>], { type: 'image/png' }) };
    }),

  docket: (job, unit, flag, onProgress) =>
    answer(async () => {
      const progress = follow(flag, onProgress);
      const pixels = await rastersOf(job, part(progress, 0, 0.5));
      const facts = (artworkId: string) => job.artworks.find((one) => one.facts.sha256 === artworkId)!.facts;
      return makeDocket(job.blank, job.fit, { facts, pixels, unit, progress: part(progress, 0.5, 1) });
    }),

  printFile: (job, faceId, flag, onProgress) =>
    answer(async () => {
      const progress = follow(flag, onProgress);
      const face = job.blank.faces.find(({ id }) => id === faceId)!;
      const pieces = job.fit.faces.find((one) => one.faceId === faceId)?.pieces ?? [];
      const artwork = await rastersOf(job, part(progress, 0, 0.3));
      const pixels = printPixels(face, job.blank.spec);
      const raster = renderFace(face, pieces, artwork, { pixels, progress: part(progress, 0.3, 0.6) });
      const bytes = (await ready()).encodePng(
        raster,
        { ppi: face.target, use: 'print' },
        part(progress, 0.6, 1),
      );
      const file = new Blob([bytes as Uint8Array<ArrayBuffer>], { type: 'image/png' });
      return { file, pixels, ppi: face.target };
    }),

  // The libraries for PDF and type come in when they are first needed.
  readTemplate: (name, file, page) =>
    answer(async () => {
      requireReadableSize(name, file.size);
      const { readTemplate } = await import('./templates');
      return readTemplate(await ready(), name, new Uint8Array(await file.arrayBuffer()), page);
    }),

  writeTemplate: (face, asked) =>
    answer(async () => (await import('./templates')).writeTemplate(ready, face, asked)),

  memory: async () => ({ ...(await ready()).memory(), rasters: shelf.bytes }),
};

expose(service);
