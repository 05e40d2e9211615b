import { requireReadableSize } from '@/core/artwork/limits';
import { formatOf } from '@/core/formats/sniff';
import type { Source } from '@/core/formats/source';
import { drawingAfter, type Drawing } from '@/core/render/drawing';
import { pageOf, sizeAfter, type Step } from '@/core/artwork/steps';
import { IN_SILENCE, type Progress, type Raster } from '@/core/raster/raster';
import { applySteps } from '@/core/raster/steps/apply';
import { digest } from '@/imaging/digest';
import type { Engine } from '@/imaging/engine';
import { measureOpened, part, type Measured } from '@/imaging/measure';
import { measuredSize, type Opened } from '@/imaging/opened';
import { openPicture } from '@/imaging/picture';
import type { DrawPage } from './pdf/draw';
import type { ReadPage } from './pdf/page-drawing';
import { cleanOf, openDrawing } from './svg/artwork';
import type { MakePlain } from './svg/plain';

/** What files are read with. */
export interface Readers {
  engine: Engine;
  drawPage: DrawPage;
}

/** A seller's file, and what is done to it on its way to the print. */
export interface ArtworkFile {
  name: string;
  source: Source;
  steps?: readonly Step[];
}

/** Opens a file of any format that is read. Throws an `UpFitError` that says what is wrong and what to do. */
async function openArtwork(readers: Readers, file: ArtworkFile): Promise<Opened> {
  const { engine } = readers;
  const { name, source, steps = [] } = file;
  requireReadableSize(name, source.size);
  const format = formatOf(name, source);
  if (format === 'svg') return openDrawing(engine, name, source, steps);
  if (format !== 'pdf') return openPicture(engine, name, source, pageOf(steps));
  // The library for PDF comes in when it is first needed.
  const { openPage } = await import('./pdf/artwork');
  return openPage(readers, name, source, pageOf(steps));
}

/** Reads a file and measures everything in it, after its steps. */
export async function measureArtwork(
  readers: Readers,
  file: ArtworkFile,
  progress: Progress = IN_SILENCE,
): Promise<Measured> {
  const { name, source, steps } = file;
  const opened = await openArtwork(readers, file);
  progress(0.02);
  const facts = { name, bytes: source.size, sha256: await digest(source) };
  return measureOpened(facts, opened, steps, part(progress, 0.05, 1));
}

/**
 * A file's pixels after its steps. A drawing is drawn so that it comes to `across` pixels; a picture has its own, or
 * those of a reduced copy where it does not lie in memory whole.
 */
export async function artworkPixels(
  readers: Readers,
  file: ArtworkFile,
  across: number,
  progress: Progress = IN_SILENCE,
): Promise<Raster> {
  const { steps = [] } = file;
  const opened = await openArtwork(readers, file);
  const { width, height } = measuredSize(opened);
  const scale = across / sizeAfter(steps, { width, height }).width;
  const wanted = { width: Math.ceil(width * scale), height: Math.ceil(height * scale) };
  return applySteps(await opened.raster(wanted, part(progress, 0, 0.8)), steps, part(progress, 0.8, 1));
}

/** What drawings are taken apart with. */
export interface DrawingReaders {
  makePlain: MakePlain;
  readPage: ReadPage;
}

/**
 * A drawing after its steps as what it is made of, to be printed as paths; null of what is a picture, and where its steps
 * or the number of its parts make one of it.
 */
export async function artworkDrawing(
  { makePlain, readPage }: DrawingReaders,
  file: ArtworkFile,
): Promise<Drawing | null> {
  const { name, source, steps = [] } = file;
  const format = formatOf(name, source);
  let drawing: Drawing | null = null;
  if (format === 'pdf') {
    drawing = await readPage(source.bytes ?? source.read(0, source.size), pageOf(steps));
  } else if (format === 'svg') {
    const { svg, size } = cleanOf(name, source, steps);
    const scale = PLAIN_SIDE / Math.max(size.width, size.height);
    const plain = await makePlain(svg({ width: size.width * scale, height: size.height * scale }));
    const { readDrawing } = await import('./svg/drawing');
    drawing = readDrawing(name, plain);
  }
  return drawing && drawingAfter(drawing, steps);
}

/** Units along the longer side of a drawing that is made plain. */
const PLAIN_SIDE = 1000;
