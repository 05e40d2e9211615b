import type { ResolvedBlank } from '@/core/blank/resolve';
import type { ProductColour } from '@/core/blank/schema';
import type { Fit } from '@/core/fit/schema';
import type { PhotoScene } from '@/core/mockup/photo/schema';
import { photoTroubles } from '@/core/mockup/photo/troubles';
import { fitsIn, inBothEnds, scenesFor, sidesIn } from '@/core/mockup/scenes';
import { USUAL_DRESS, type PictureStyle, type Scene } from '@/core/mockup/schema';
import { safeName, uniqueNames } from '@/core/pack/names';
import type { StoredPhoto } from '@/store/kept';
import { engine, ENGINES, isStopped, type JobOptions } from '@/workers/client';
import type { FitJob, PictureFile } from '@/workers/messages';
import { makeZip } from '@/workers/zip-client';
import { fitJob } from '../bench/dockets';
import { saveAs } from './download';
import { contextOf, useShop, type Shop } from '../shop/shop';
import { FORMATS } from '@/core/formats/registry';
import { fitTitle } from '@/core/fit/version';

/** A scene that is drawn, or a photo of the seller's own. */
export type Setting = { kind: 'scene'; scene: Scene } | { kind: 'photo'; photo: StoredPhoto };

export function settingId(setting: Setting): string {
  return setting.kind === 'scene' ? setting.scene.id : `photo-${setting.photo.id}`;
}

export function settingName(setting: Setting): string {
  return setting.kind === 'scene' ? setting.scene.name : setting.photo.scene.name;
}

export const USUAL_NAMING = '{design}_{blank}_{scene}_{colour}';

/** One picture that is to be made. */
export interface PictureWanted {
  setting: Setting;
  /** The fits in it, the first of them in front. */
  fits: readonly Fit[];
  /** What the first fit's product is shown in. */
  colour: ProductColour;
}

/** The settings that can show a fit: drawn scenes for such products, and photos whose marks can carry a print. */
export function settingsFor(blank: ResolvedBlank, photos: Iterable<StoredPhoto>): Setting[] {
  return [
    ...[...photos]
      .filter(({ scene }) => photoTroubles(scene).length === 0)
      .map((photo): Setting => ({ kind: 'photo', photo })),
    ...scenesFor(blank).map((scene): Setting => ({ kind: 'scene', scene })),
  ];
}

/** The colours that a fit can be pictured in: its product's states, or its colours. */
export function coloursOf({ blank }: ResolvedBlank): readonly ProductColour[] {
  return blank.states.length > 0 ? blank.states : blank.colours;
}

/** What a fit's product is shown in. */
export function ownColour(fit: Fit, blank: ResolvedBlank): ProductColour {
  const colours = coloursOf(blank);
  return colours.find(({ id }) => id === fit.stateId || id === fit.colourId) ?? colours[0]!;
}

/**
 * Every picture of some fits in some settings: each fit in each setting that is for such products, in its own colour or
 * in all. A setting that pictures several together takes the fit and those after it.
 */
export function picturesOf(
  fits: readonly Fit[],
  settingIds: ReadonlySet<string>,
  allColours: boolean,
): PictureWanted[] {
  const shop = useShop.getState();
  return fits.flatMap((fit, at) => {
    const blank = contextOf(fit, shop)?.blank;
    if (!blank) return [];
    const others = [...fits.slice(at + 1), ...fits.slice(0, at)];
    return settingsFor(blank, shop.photos.values())
      .filter((setting) => settingIds.has(settingId(setting)))
      .flatMap((setting) => {
        const together = setting.kind === 'scene' ? fitsIn(setting.scene) : 1;
        const colours = allColours ? coloursOf(blank) : [ownColour(fit, blank)];
        return colours.map((colour) => ({ setting, fits: [fit, ...others].slice(0, together), colour }));
      });
  });
}

/** Makes one picture. */
export async function makePicture(
  { setting, fits, colour }: PictureWanted,
  { width, height, format, dress, proof }: Omit<PictureStyle, 'naming'>,
  { reads = false, ...options }: JobOptions & { reads?: boolean } = {},
): Promise<PictureFile> {
  const { jobs, colours } = await pictureJobs(thingsIn(setting, fits), colour);
  const asked =
    setting.kind === 'scene'
      ? { scene: setting.scene }
      : {
          photo: setting.photo.scene satisfies PhotoScene,
          name: setting.photo.fileName,
          file: setting.photo.file,
        };
  return engine.picture(
    jobs,
    { setting: asked, colours, width, height, format, dress, proof, reads },
    options,
  );
}

/** What stands in a setting, from the fits that it was asked for: each of them, or the first one in two sizes. */
function thingsIn(setting: Setting, fits: readonly Fit[]): readonly Fit[] {
  const [fit] = fits;
  const blank = fit && contextOf(fit, useShop.getState())?.blank;
  if (setting.kind !== 'scene' || !setting.scene.sizes || !blank) return fits;
  return inBothEnds(blank, fit).map((one) => one.fit);
}

/** Fits as the engine pictures them, each in its own colour but the first, which is in the one that is asked for. */
export async function pictureJobs(
  fits: readonly Fit[],
  colour: ProductColour,
): Promise<{ jobs: FitJob[]; colours: string[] }> {
  const shop = useShop.getState();
  const contexts = fits.flatMap((fit) => {
    const context = contextOf(fit, shop);
    return context ? [{ fit, ...context }] : [];
  });
  return {
    jobs: await Promise.all(contexts.map(({ fit, blank, artworks }) => fitJob(fit, blank, artworks))),
    // One fit in two sizes is in one colour.
    colours: contexts.map(({ fit, blank }) => (fit.id === fits[0]?.id ? colour : ownColour(fit, blank)).hex),
  };
}

/** px a side of the picture that goes with a pack, so that a house sees which artwork goes on which side. */
const PACK_PICTURE = 1200;

/** A fit on its product as it goes with a pack: from all its sides at once, where there is a scene of that. */
export async function packPicture(fit: Fit, blank: ResolvedBlank, options: JobOptions): Promise<Blob> {
  const scenes = scenesFor(blank);
  const carrying = fit.faces.filter(({ pieces }) => pieces.length > 0);
  const facesBoth = scenes.find((scene) => sidesIn(scene).join() === 'front,back');
  const all = (carrying.length > 1 ? facesBoth : undefined) ?? scenes.find(({ id }) => id === 'three-sides');
  const { file } = await makePicture(
    { setting: { kind: 'scene', scene: all ?? scenes[0]! }, fits: [fit], colour: ownColour(fit, blank) },
    { width: PACK_PICTURE, height: PACK_PICTURE, format: 'jpeg', dress: USUAL_DRESS, proof: false },
    options,
  );
  return file;
}

function titleOf(fit: Fit, { designs }: Shop): string {
  const design = designs.get(fit.designId);
  return design ? fitTitle(design, fit) : 'design';
}

/** What a picture's file is called; one of a turn ends as its own kind of file does. */
export function pictureName(
  wanted: PictureWanted,
  style: Pick<PictureStyle, 'naming' | 'width' | 'height'>,
  ending: string,
): string {
  const shop = useShop.getState();
  const [fit] = wanted.fits;
  const parts: Record<string, string> = {
    design: safeName(titleOf(fit!, shop)),
    blank: safeName(contextOf(fit!, shop)?.blank.blank.name ?? 'blank'),
    scene: safeName(settingName(wanted.setting)),
    colour: safeName(wanted.colour.name),
    size: `${style.width}x${style.height}`,
  };
  const name = style.naming.replace(/\{(\w+)\}/g, (whole, part: string) => parts[part] ?? whole);
  return `${name.replace(/[^\w.-]+/g, '-') || 'picture'}.${ending}`;
}

export interface PicturesProgress {
  /** How many are done, and of how many. */
  done: number;
  of: number;
  share: number;
}

/**
 * Makes pictures and hands them out, several as one zip: as many at a time as there are engines, each taking the next
 * one, so that memory stays the same however many there are. Stopped, it hands out those that are done. Gives back how
 * many that were.
 */
export async function savePictures(
  wanted: readonly PictureWanted[],
  style: PictureStyle,
  { signal, onProgress }: { signal: AbortSignal; onProgress: (progress: PicturesProgress) => void },
): Promise<number> {
  const names = uniqueNames(wanted.map((one) => pictureName(one, style, FORMATS[style.format].endings[0])));
  const made: (Blob | null)[] = wanted.map(() => null);
  const shares = wanted.map(() => 0);
  const tell = () => {
    const share = shares.reduce((sum, one) => sum + one, 0) / wanted.length;
    onProgress({ done: made.filter((one) => one !== null).length, of: wanted.length, share });
  };
  let next = 0;
  const work = async () => {
    while (next < wanted.length && !signal.aborted) {
      const i = next++;
      const { file } = await makePicture(wanted[i]!, style, {
        signal,
        onProgress: (share) => {
          shares[i] = share;
          tell();
        },
      });
      made[i] = file;
      shares[i] = 1;
      tell();
    }
  };
  const ends = await Promise.allSettled(Array.from({ length: ENGINES }, work));
  const failed = ends.find((end) => end.status === 'rejected' && !isStopped(end.reason));
  if (failed?.status === 'rejected') throw failed.reason;
  const files = made.flatMap((data, i) => (data ? [{ path: names[i]!, data }] : []));
  const [only] = files;
  if (only && files.length === 1) saveAs(only.data, only.path);
  else if (files.length > 1) {
    const { zip } = await makeZip(files, { path: 'list.json', head: { upfit: 'pictures/1' } });
    saveAs(zip, `${safeName(useShop.getState().settings.shopName)}_pictures.zip`);
  }
  return files.length;
}
