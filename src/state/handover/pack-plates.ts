import type { ResolvedBlank } from '@/core/blank/resolve';
import type { Copies } from '@/core/fit/copies';
import { planOf, type Fit } from '@/core/fit/schema';
import type { SizedFit } from '@/core/pack/lines';
import type { PlateRecord } from '@/core/pack/manifest';
import { safeName } from '@/core/pack/names';
import type { ZipFile } from '@/files/zip';
import type { JobOptions } from '@/workers/client';
import { makePlateFiles } from '../plates/files';
import { contextOf, useShop } from '../shop/shop';

interface PackedPlates {
  files: ZipFile[];
  plates: PlateRecord[];
}

/**
 * The plates of every face that is printed in few inks: of each size whose print is another, on each colour that is ordered, as a
 * base lies under inks on some of them alone.
 */
export async function packPlates(
  { blank: { blank } }: { blank: ResolvedBlank },
  sized: readonly SizedFit[],
  ordered: readonly Copies[],
  folder: string,
  step: (from: number, to: number) => JobOptions,
): Promise<PackedPlates> {
  const each = sized.flatMap(({ fit, sizeIds }) => {
    const own = ordered.filter(({ sizeId }) => sizeIds.includes(sizeId));
    const colourIds = new Set(own.map(({ colourId }) => colourId));
    const colours = blank.colours.filter(({ id }) => colourIds.has(id));
    const sizes = sized.length > 1 ? blank.sizes.filter(({ id }) => sizeIds.includes(id)) : [];
    return platedFaces(fit).flatMap((faceId) =>
      colours.map((colour) => ({ fit, faceId, colour, sizes: sizes.map(({ name }) => name) })),
    );
  });
  const out: PackedPlates = { files: [], plates: [] };
  for (const [i, { fit, faceId, colour, sizes }] of each.entries()) {
    const context = contextOf(fit, useShop.getState())!;
    const face = context.blank.faces.find(({ id }) => id === faceId)!;
    const made = await makePlateFiles(
      { ...context, fit, face },
      planOf(fit, faceId)!,
      colour.hex,
      { format: 'tiff', marks: true },
      step(i / each.length, (i + 1) / each.length),
    );
    const path = `${folder}/plates/${safeName([face.name, ...sizes, colour.name].join(' '))}`;
    out.files.push(
      ...[...made.each, made.pdf].map(({ name, file }) => ({ path: `${path}/${name}`, data: file })),
    );
    out.plates.push({
      ...{ faceId, colour: colour.name, sizes, ppi: made.ppi, pixels: made.pixels },
      separations: `${path}/${made.pdf.name}`,
      inks: made.list.map(({ file, ink, hex, area }) => ({ path: `${path}/${file}`, ink, hex, area })),
    });
  }
  return out;
}

/** Faces of a fit that are printed in few inks, and that anything lies on. */
export function platedFaces({ faces }: Pick<Fit, 'faces'>): string[] {
  return faces
    .filter(({ pieces, plates }) => plates && pieces.some(({ visible }) => visible))
    .map(({ faceId }) => faceId);
}
