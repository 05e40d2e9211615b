// A face in an engine's worker, as plates are parted from it: its print at some size, and the files of its plates.
import { printSize, type PrintFace } from '@/core/blank/resolve';
import type { Piece } from '@/core/fit/schema';
import { withoutInks } from '@/core/plates/wear-inks';
import type { Progress, Raster } from '@/core/raster/raster';
import { renderFace } from '@/core/render/face';
import { part } from '@/imaging/measure';
import { engine, factsOf, rastersOf } from './job-files';
import type { FitJob, PlateFilesAsked, PlateFilesMade } from './messages';

function sideOf({ blank, fit }: FitJob, faceId: string): { face: PrintFace; pieces: readonly Piece[] } {
  return {
    face: blank.faces.find(({ id }) => id === faceId)!,
    pieces: withoutInks(fit.faces.find((face) => face.faceId === faceId)?.pieces ?? []),
  };
}

/** The print of a face, trim plus bleed, so many pixels along its longer side. */
export async function facePrint(
  job: FitJob,
  faceId: string,
  across: number,
  progress: Progress,
): Promise<Raster> {
  const { face, pieces } = sideOf(job, faceId);
  const shown = { facts: factsOf(job), pixels: await rastersOf(job, part(progress, 0, 0.6)) };
  const { width, height } = printSize(face);
  const scale = across / Math.max(width, height);
  const pixels = { width: Math.ceil(width * scale), height: Math.ceil(height * scale) };
  return renderFace(face, pieces, shown, { pixels, progress: part(progress, 0.6, 1) });
}

/** The files of a face's plates, parted from its print at the density that they are burnt at. */
export async function platesMade(
  job: FitJob,
  { faceId, plan, product, format, marks }: PlateFilesAsked,
  progress: Progress,
): Promise<PlateFilesMade> {
  const [{ partFor, plateFiles, printFor }, { loadFont }] = await Promise.all([
    import('@/files/plates'),
    import('./font'),
  ]);
  const asked = { blank: job.blank, ...sideOf(job, faceId), plan, product };
  const shown = { facts: factsOf(job), pixels: await rastersOf(job, part(progress, 0, 0.2)) };
  const print = printFor(asked, plan.ppi, shown, part(progress, 0.2, 0.4));
  const parted = partFor(print, asked, part(progress, 0.4, 0.7));
  const font = marks ? await loadFont() : null;
  const made = await plateFiles(await engine(), asked, parted, { format, font }, part(progress, 0.7, 1));
  const blobOf = ({ bytes, type }: { bytes: Uint8Array; type: string }) =>
    new Blob([bytes as Uint8Array<ArrayBuffer>], { type });
  return {
    pixels: { width: print.width, height: print.height },
    ppi: plan.ppi,
    each: made.each.map((file, i) => {
      const { name: ink, hex, area } = parted.plates[i]!;
      return { name: file.name, file: blobOf(file), ink, hex, area };
    }),
    pdf: { name: made.pdf.name, file: blobOf(made.pdf) },
  };
}
