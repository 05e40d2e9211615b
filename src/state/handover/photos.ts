import * as v from 'valibot';
import { UpFitError } from '@/core/errors';
import type { Facts } from '@/core/artwork/facts';
import { isHeld, requireReadableSize } from '@/core/artwork/limits';
import { PhotoSceneSchema, type PhotoScene } from '@/core/mockup/photo/schema';
import { freeIdAmong, safeName } from '@/core/pack/names';
import type { StoredPhoto } from '@/store/kept';
import { engine, type JobOptions } from '@/workers/client';
import { makeZip, readZip } from '@/workers/zip-client';
import { saveAs } from './download';
import { commit } from '../shop/commit';
import { keep, takeOut } from '../shop/records';
import { useShop } from '../shop/shop';

const INDEX = 'photo.json';

export type { StoredPhoto };

/** A photo that was taken in, and what is to be known of it. */
export interface TakenPhoto {
  photo: StoredPhoto;
  notes: string[];
}

/**
 * Takes a photo of a blank in, its file byte for byte, nothing marked yet; or a zip of one that was marked before.
 * Throws with a sentence where it is no photo, or too large to work on.
 */
export async function takePhoto(file: File, options: JobOptions = {}): Promise<TakenPhoto> {
  if (/\.zip$/i.test(file.name)) return { photo: await readPhoto(file, options), notes: [] };
  requireReadableSize(file.name, file.size);
  const { facts } = await engine.measure({ name: file.name, file, steps: [] }, options);
  const { width, height } = requirePhoto(facts);
  const name = file.name.replace(/\.[^.]+$/, '');
  const photo = await savePhoto({
    scene: {
      upfit: 'photo/1',
      id: freeIdAmong(name, useShop.getState().photos.keys()),
      name,
      width,
      height,
      surfaces: [],
      fronts: [],
      shading: 1,
    },
    fileName: file.name,
    file: new Blob([file], { type: file.type }),
  });
  return { photo, notes: notesOn(facts) };
}

function requirePhoto({ name, format, pixels }: Facts): { width: number; height: number } {
  if (!pixels || format === 'svg' || format === 'pdf')
    throw new UpFitError(
      'unsupported',
      `“${name}” is a drawing and no photo: bring a JPEG, PNG, WebP or TIFF of the blank.`,
    );
  if (!isHeld(pixels)) {
    const mega = Math.round((pixels.width * pixels.height) / 1e6);
    throw new UpFitError(
      'too-large',
      `“${name}” has ${mega} megapixels; a photo may have 64. Save it smaller: a picture needs 2,000 px a side.`,
    );
  }
  return pixels;
}

function notesOn({ colour, pixels }: Facts): string[] {
  const small = pixels && Math.max(pixels.width, pixels.height) < 1000;
  return [
    ...(colour.mode === 'cmyk'
      ? [
          'The photo is CMYK: its colours are taken to RGB for the picture, and may look duller than in the camera’s own file.',
        ]
      : []),
    ...(small
      ? [`The photo has ${pixels.width} × ${pixels.height} px: a picture of 2,000 px from it will look soft.`]
      : []),
  ];
}

async function savePhoto({
  scene,
  fileName,
  file,
}: Omit<StoredPhoto, 'id' | 'addedAt'>): Promise<StoredPhoto> {
  const photo = { id: scene.id, scene, fileName, addedAt: Date.now(), file };
  await keep('photos', photo);
  return photo;
}

/** Keeps what was marked on a photo. */
export async function changePhoto(photo: StoredPhoto, scene: PhotoScene): Promise<void> {
  await commit(['photos'], async (store) => {
    const now = await store.get('photos', photo.id);
    if (now) store.put('photos', { ...now, scene });
  });
}

/** Takes a photo away; gives back what undoes it. */
export function removePhoto({ id }: StoredPhoto): Promise<() => Promise<void>> {
  return takeOut('photos', id);
}

/** Hands out a photo with its marks, as a zip that `takePhoto` reads. */
export async function exportPhoto({ scene, fileName, file }: StoredPhoto): Promise<void> {
  const head = { upfit: 'photo/1', fileName, scene };
  const { zip } = await makeZip([{ path: `photo/${fileName}`, data: file }], { path: INDEX, head });
  saveAs(zip, `${safeName(scene.name)}-photo.zip`);
}

const IndexSchema = v.object({ upfit: v.literal('photo/1'), fileName: v.string(), scene: PhotoSceneSchema });

async function readPhoto(zip: File, options: JobOptions): Promise<StoredPhoto> {
  const { index, files } = await readZip(zip.name, zip, INDEX, options);
  const told = v.safeParse(IndexSchema, JSON.parse(index));
  if (!told.success) {
    const [issue] = told.issues;
    throw new UpFitError(
      'unreadable',
      `“${zip.name}” holds no photo that can be used: ${issue.message} Mark the photo again, and export it once more.`,
    );
  }
  const { scene, fileName } = told.output;
  const file = files.get(`photo/${fileName}`);
  if (!file) throw new UpFitError('unreadable', `“${zip.name}” lacks the photo itself: export it once more.`);
  const id = freeIdAmong(scene.name, useShop.getState().photos.keys());
  return savePhoto({ scene: { ...scene, id }, fileName, file });
}
