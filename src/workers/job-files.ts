// The files of a job in an engine's worker: what they are read with, their pixels, and what drawings are made of.
import { bytesSource, pagedSource, READ_WHOLE_BYTES, type Source } from '@/core/formats/source';
import type { FactsOf } from '@/core/fit/geometry';
import { wantedAcross } from '@/core/fit/wanted';
import type { Progress, Raster } from '@/core/raster/raster';
import type { Drawing } from '@/core/render/drawing';
import { artworkDrawing, artworkPixels, type DrawingReaders, type Readers } from '@/files/artwork';
import type { MakePlain } from '@/files/svg/plain';
import { loadBrowserEngine } from '@/imaging/browser';
import { part } from '@/imaging/measure';
import type { FitJob, JobArtwork } from './messages';
import { RasterShelf } from './rasters';

/** Decoded pixels, for as long as there is room. */
export const shelf = new RasterShelf();
let readers: Promise<Readers> | undefined;
export const ready = () => (readers ??= loadReaders());
export const engine = async () => (await ready()).engine;
/** Whether an engine was loaded. */
export const hasEngine = () => readers !== undefined;

async function loadReaders(): Promise<Readers> {
  return {
    engine: await loadBrowserEngine(self.location.origin),
    drawPage: async (...asked) => {
      const { browserPages } = await import('@/files/pdf/browser');
      return browserPages(self.location.origin)(...asked);
    },
  };
}

/** A file of the page; a large one is read part by part. */
export async function sourceOf(file: Blob): Promise<Source> {
  if (file.size <= READ_WHOLE_BYTES) return bytesSource(new Uint8Array(await file.arrayBuffer()));
  const reader = new FileReaderSync();
  return pagedSource(
    file.size,
    (at, length) => new Uint8Array(reader.readAsArrayBuffer(file.slice(at, at + length))),
  );
}

/** The pixels of every artwork of a job, decoded once, drawings as fine as the job needs them. */
export async function rastersOf(
  { artworks, fit, blank }: FitJob,
  progress: Progress,
): Promise<(artworkId: string) => Raster> {
  const rasters = new Map<string, Raster>();
  for (const [index, artwork] of artworks.entries()) {
    const step = part(progress, index / artworks.length, (index + 1) / artworks.length);
    const across = wantedAcross(fit, blank.faces, artwork.id, artwork.facts);
    rasters.set(artwork.id, await rasterOf(artwork, across, step));
  }
  return (artworkId) => rasters.get(artworkId)!;
}

export function factsOf({ artworks }: FitJob): FactsOf {
  return (artworkId) => artworks.find(({ id }) => id === artworkId)!.facts;
}

export function rasterOf({ key, facts, original, steps }: JobArtwork, across: number, progress: Progress) {
  return shelf.take(facts.pixels ? key : `${key}@${across}`, async () => {
    const file = { name: facts.name, source: await sourceOf(original), steps };
    return artworkPixels(await ready(), file, across, progress);
  });
}

/** Each loaded with the first drawing that is printed as paths. */
const drawings: DrawingReaders = {
  makePlain: async (svg) => {
    plain ??= import('@/files/svg/browser').then(({ browserPlain }) => browserPlain(self.location.origin));
    return (await plain)(svg);
  },
  readPage: async (...asked) => {
    const { browserPageDrawings } = await import('@/files/pdf/browser');
    return browserPageDrawings(self.location.origin)(...asked);
  },
};
let plain: Promise<MakePlain> | undefined;

export async function drawingOf({ artworks }: FitJob, artworkId: string): Promise<Drawing | null> {
  const { facts, original, steps } = artworks.find(({ id }) => id === artworkId)!;
  return artworkDrawing(drawings, { name: facts.name, source: await sourceOf(original), steps });
}
