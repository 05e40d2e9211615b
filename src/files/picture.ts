import type { ResolvedBlank } from '@/core/blank/resolve';
import type { Finish } from '@/core/blank/schema';
import type { Press } from '@/core/colour/press';
import type { Fit } from '@/core/fit/schema';
import { drawScene, type Pictured } from '@/core/mockup/draw';
import { drawPhoto, photoPerMm } from '@/core/mockup/photo/draw';
import type { PhotoScene } from '@/core/mockup/photo/schema';
import { headlineOf, headlineRead, picturePpi, ppiFor, printsOf, type Headline } from '@/core/mockup/prints';
import type { Dress, PictureFormat, Scene } from '@/core/mockup/schema';
import { drawTurn } from '@/core/mockup/turn';
import { delayOf, type TurnFormat, type Turning } from '@/core/mockup/turning';
import type { Eye } from '@/core/product/camera';
import type { Holder } from '@/core/product/families';
import { modelOf } from '@/core/product/model';
import type { Texture } from '@/core/product/texture';
import { viewsOf } from '@/core/product/views';
import { IN_SILENCE, type Progress, type Raster } from '@/core/raster/raster';
import type { Shown } from '@/core/render/face';
import type { Engine } from '@/imaging/engine';
import { FORMATS } from '@/core/formats/registry';

/** Levels of JPEG and WebP that no eye tells from the picture at the size that it is shown. */
const QUALITY = 92;

/** A fit as it is pictured. */
export interface FitPictured {
  blank: ResolvedBlank;
  fit: Fit;
  shown: Shown;
  /** `#rrggbb` of the product. */
  colour: string;
  /** Through the inks, where colours are shown as printed. */
  press: Press | null;
}

/** A scene as it is asked for: one that is drawn, or a photo with its pixels. */
export type Setting = { scene: Scene } | { photo: PhotoScene; pixels: Raster };

export interface PictureMade {
  raster: Raster;
  /** How much of the first fit's headline reads, where that was asked; null where it has none, or on a photo. */
  read: { name: string; share: number } | null;
}

/** What is kept from one picture to the next: prints, and headlines. */
export interface KeptForPictures {
  prints: (key: string, make: () => Map<string, Texture>) => Map<string, Texture>;
  headlines: (key: string, make: () => Headline | null) => Headline | null;
}

/** A picture of fits in a scene, or of the first of them on a photo, at its own size. */
export function makePicture(
  fits: readonly FitPictured[],
  setting: Setting,
  { width, height, dress, reads }: { width: number; height: number; dress: Dress; reads: boolean },
  keep: KeptForPictures,
  progress: Progress = IN_SILENCE,
): PictureMade {
  const printed = printedOn(
    fits,
    ({ blank, fit }) =>
      'photo' in setting
        ? ppiFor(blank, photoPerMm(setting.photo, blank, { width, height }))
        : picturePpi(blank, fit, Math.max(width, height)),
    keep,
    progress,
  );
  const rest: Progress = (share) => {
    progress(0.4 + 0.6 * share);
  };
  const [first] = fits;
  if ('photo' in setting) {
    const raster = drawPhoto(setting.photo, setting.pixels, first!.blank, printed[0]!, {
      width,
      height,
      progress: rest,
    });
    return { raster, read: null };
  }
  const { scene } = setting;
  const pictured = fits.map((one, i) => picturedAs(one, printed[i], scene.holder));
  const raster = drawScene(scene, pictured, dress, { width, height, progress: rest });
  const headline = reads
    ? keep.headlines(keyOf(first!), () => headlineOf(first!.blank, first!.fit, first!.shown))
    : null;
  return { raster, read: headline && headlineRead(first!.blank, headline, eyesOf(scene)) };
}

/** The pictures of one turn of what stands in a scene, below one another, each of so many px. */
export function makeTurn(
  fits: readonly FitPictured[],
  scene: Scene,
  { width, height, dress, turning }: { width: number; height: number; dress: Dress; turning: Turning },
  keep: Pick<KeptForPictures, 'prints'>,
  progress: Progress = IN_SILENCE,
): Raster {
  const ppiOf = ({ blank, fit }: FitPictured) => picturePpi(blank, fit, Math.max(width, height));
  const printed = printedOn(fits, ppiOf, keep, (share) => {
    progress(share / 4);
  });
  const pictured = fits.map((one, i) => picturedAs(one, printed[i], scene.holder));
  return drawTurn(scene, pictured, dress, {
    width,
    height,
    turning,
    progress: (share) => {
      progress(0.1 + 0.9 * share);
    },
  });
}

/** What is printed on each fit, at a density of its own; done at 0.4 of the progress. */
function printedOn(
  fits: readonly FitPictured[],
  ppiOf: (fit: FitPictured) => number,
  keep: Pick<KeptForPictures, 'prints'>,
  progress: Progress,
): Map<string, Texture>[] {
  return fits.map((one, i) => {
    const ppi = ppiOf(one);
    return keep.prints(`${keyOf(one)} ${ppi} ${one.press !== null}`, () =>
      printsOf(one.blank, one.fit, one.shown, {
        ppi,
        press: one.press,
        progress: (share) => {
          progress((0.4 * (i + share)) / fits.length);
        },
      }),
    );
  });
}

/** A fit as a scene has it, with its prints. */
export function picturedAs(
  { blank, fit, colour }: Pick<FitPictured, 'blank' | 'fit' | 'colour'>,
  prints: ReadonlyMap<string, Texture> = new Map(),
  holder: Holder = 'none',
): Pictured {
  const model = modelOf(blank, fit.sizeId, onlyFace(blank, fit), holder);
  return {
    model,
    look: {
      colour,
      finish: finishOf(blank, colour, model.finish),
      ink: blank.method.ink,
      raised: blank.method.raised,
      prints,
    },
  };
}

function keyOf({ blank, fit }: FitPictured): string {
  return JSON.stringify([blank.blank.id, blank.blank.version, fit.faces, fit.sizeId]);
}

/** The one face that carries anything, where that is only seen on the thing laid open. */
function onlyFace(blank: ResolvedBlank, fit: Fit): string | null {
  const carrying = fit.faces.filter(({ pieces }) => pieces.length > 0);
  const [one] = carrying;
  return one && carrying.length === 1 && viewsOf(blank).some(({ faceId }) => faceId === one.faceId)
    ? one.faceId
    : null;
}

function finishOf({ blank }: ResolvedBlank, colour: string, usual: Finish): Finish {
  return blank.colours.find(({ hex }) => hex === colour)?.finish ?? usual;
}

/** The sides that a scene shows its first fit from. */
export function eyesOf({ camera, places }: Scene): Eye[] {
  return places
    .filter(({ fit }) => fit === 0)
    .map(({ turn }) => ({
      yaw: ((camera.yaw - turn) * Math.PI) / 180,
      pitch: (camera.pitch * Math.PI) / 180,
    }));
}

const ENCODE: Record<PictureFormat, (engine: Engine, raster: Raster) => Uint8Array> = {
  png: (engine, raster) => engine.encodePng(raster, { ppi: 72, use: 'print' }),
  jpeg: (engine, raster) => engine.encodeJpeg(raster, { ppi: 72, quality: QUALITY }),
  webp: (engine, raster) => engine.encodeWebp(raster, { quality: QUALITY }),
};

/** A picture as a file. */
export function writePicture(
  engine: Engine,
  raster: Raster,
  format: PictureFormat,
): { bytes: Uint8Array; type: string } {
  return { bytes: ENCODE[format](engine, raster), type: FORMATS[format].type };
}

/** The pictures of a turn, which are below one another, as a file that moves. */
export function writeTurn(
  engine: Engine,
  strip: Raster,
  turning: Turning,
  format: TurnFormat,
  progress: Progress = IN_SILENCE,
): { bytes: Uint8Array; type: string } {
  const delay = delayOf(turning);
  const asked = { frames: turning.frames, delay, format, quality: QUALITY };
  const bytes = engine.encodeMoving(strip, asked, progress);
  return { bytes, type: FORMATS[format].type };
}
