import { printPixels, printSize, type PrintFace, type ResolvedBlank } from '@/core/blank/resolve';
import { requireMakeablePixels } from '@/core/artwork/limits';
import { UpFitError } from '@/core/errors';
import type { PlatePlan } from '@/core/fit/plates';
import type { Piece } from '@/core/fit/schema';
import { keptName } from '@/core/pack/names';
import { onWhole } from '@/core/plates/crop';
import type { Plate } from '@/core/plates/make';
import { partPrint, type Parted } from '@/core/plates/part';
import type { Progress, Raster } from '@/core/raster/raster';
import { renderFace, type Shown } from '@/core/render/face';
import type { Engine } from '@/imaging/engine';
import { part } from '@/imaging/measure';
import { platesPdf, type PlatePage } from './pdf/plates';
import type { readFont } from './type';

export const PLATE_FORMATS = ['tiff', 'png'] as const;
export type PlateFormat = (typeof PLATE_FORMATS)[number];
const ENDINGS: Record<PlateFormat, string> = { tiff: 'tif', png: 'png' };

export const NOTHING_THERE = 'Nothing of the artwork lies on this face: place it nearer.';

/** A face to be printed in few inks, on a product of one colour. */
export interface PlatesOf {
  blank: ResolvedBlank;
  face: PrintFace;
  pieces: readonly Piece[];
  plan: PlatePlan;
  product: string;
}

/** The print of a face at the density of its plates. Throws where that is larger than can be made. */
export function printFor(
  { blank, face, pieces }: Omit<PlatesOf, 'plan' | 'product'>,
  ppi: number,
  shown: Shown,
  progress: Progress,
): Raster {
  const pixels = printPixels(face, blank.spec, ppi);
  requireMakeablePixels(pixels);
  return renderFace(face, pieces, shown, { pixels, progress });
}

/** Parts a print into plates. Throws where nothing lies on the face. */
export function partFor(print: Raster, asked: PlatesOf, progress: Progress): Parted {
  const parted = partPrint(print, asked, progress);
  if (!parted) throw new UpFitError('bad-argument', NOTHING_THERE);
  return parted;
}

export interface PlateFile {
  name: string;
  bytes: Uint8Array;
  type: string;
}

/**
 * The files of a print's plates: each alone, a bit a pixel where it is of solids or dots, and all of them as separations of one
 * PDF, with marks round it where there is a font to letter them in.
 */
export async function plateFiles(
  engine: Engine,
  { blank, face }: PlatesOf,
  { crop, plates, asked }: Parted,
  options: { format: PlateFormat; font: ReturnType<typeof readFont> | null },
  progress: Progress,
): Promise<{ each: PlateFile[]; pdf: PlateFile }> {
  const { width, height } = crop.whole;
  const { format } = options;
  const isLine = ({ base, screen }: Plate) => base || screen !== null || asked.tones === null;
  const each: PlateFile[] = [];
  for (const [i, plate] of plates.entries()) {
    const bits = isLine(plate) ? 1 : 8;
    each.push({
      name: `${String(i + 1).padStart(2, '0')}-${keptName(plate.name, 'ink')}.${ENDINGS[format]}`,
      bytes: engine.encodePlate(
        { width, height, plane: onWhole(plate.plane, crop) },
        { ppi: asked.ppi, bits, format },
      ),
      type: `image/${format}`,
    });
    part(progress, 0, 0.6)((i + 1) / plates.length);
  }
  // One plate at a time is laid on the whole print: all of them are a large picture each.
  function* pages(): Generator<PlatePage> {
    for (const plate of plates) yield { ...plate, plane: onWhole(plate.plane, crop), isLine: isLine(plate) };
  }
  const bytes = await platesPdf(
    blank.blank.name,
    { ...printSize(face), bleed: face.bleed },
    { width, height },
    pages(),
    plates.map(({ name }) => name),
    options.font,
  );
  return { each, pdf: { name: 'plates.pdf', bytes, type: 'application/pdf' } };
}
