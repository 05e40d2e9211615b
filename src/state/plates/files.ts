import type { PlatePlan } from '@/core/fit/plates';
import { fileTitle } from '@/core/fit/version';
import type { Design } from '@/core/fit/schema';
import { safeName } from '@/core/pack/names';
import { engine, isStopped, type JobOptions } from '@/workers/client';
import type { PlateFilesAsked, PlateFilesMade } from '@/workers/messages';
import { makeZip } from '@/workers/zip-client';
import { fitJob } from '../bench/dockets';
import { saveAs } from '../handover/download';
import type { PlatedFit } from './plates';

export type PlateFilesWanted = Pick<PlateFilesAsked, 'format' | 'marks'>;

/** The plates of a face on a product of one colour, and what is said of them in their list. */
export interface ListedPlates extends PlateFilesMade {
  list: { order: number; file: string; ink: string; hex: string; area: number; unit: 'cm²' }[];
}

/** Makes the plates of a face. Throws where nothing lies on it, and where it was stopped. */
export async function makePlateFiles(
  { fit, blank, face, artworks }: PlatedFit,
  plan: PlatePlan,
  product: string,
  wanted: PlateFilesWanted,
  options: JobOptions,
): Promise<ListedPlates> {
  const asked = { faceId: face.id, plan, product, ...wanted };
  const made = await engine.plateFiles(await fitJob(fit, blank, artworks), asked, options);
  const list = made.each.map(({ name, ink, hex, area }, i) => ({
    ...{ order: i + 1, file: name, ink, hex, area: Number((area / 100).toFixed(2)), unit: 'cm²' as const },
  }));
  return { ...made, list };
}

/** Makes the plates of a face and hands them over in one zip; null where it was stopped. */
export async function savePlates(
  of: PlatedFit & { design: Design },
  plan: PlatePlan,
  product: { name: string; hex: string },
  wanted: PlateFilesWanted,
  options: JobOptions,
): Promise<PlateFilesMade | null> {
  const { fit, blank, face, design } = of;
  try {
    const made = await makePlateFiles(of, plan, product.hex, wanted, options);
    const title = `${fileTitle(design, fit, blank.blank)} ${blank.blank.name} ${face.name} on ${product.name} plates`;
    const { zip } = await makeZip(
      [...made.each, made.pdf].map(({ name, file }) => ({ path: name, data: file })),
      {
        path: 'list.json',
        head: { upfit: 'plates/1', product, pixels: made.pixels, ppi: made.ppi, inks: made.list },
      },
      options,
    );
    saveAs(zip, `${safeName(title)}.zip`);
    return made;
  } catch (error) {
    if (isStopped(error)) return null;
    throw error;
  }
}
