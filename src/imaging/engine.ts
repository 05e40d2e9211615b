import type { Header } from '@/core/formats/header';
import type { Source } from '@/core/formats/source';
import type { Rgb } from '@/core/colour/hex';
import type { Cmyk } from '@/core/colour/palette';
import type { Intent, Press } from '@/core/colour/press';
import type { Band } from '@/core/raster/band';
import type { Progress, Raster } from '@/core/raster/raster';

/** Decodes and encodes pictures. The same engine runs in the browser's worker and in Node. */
export interface Engine {
  /** Every pixel, turned upright, carried through its profile to sRGB. Throws an `UpFitError` for a damaged file. */
  decode(picture: Picture, progress?: Progress): Raster;
  /** The same as it is stored, not turned upright, in bands from the top: memory is taken for a few rows only. */
  bands(picture: Picture, take: (band: Band) => void, progress?: Progress): void;
  /** Bytes of the ICC profile that a file carries; `null` where it has none. Reads no pixel. */
  profile(picture: Picture): Uint8Array | null;
  /** The most ink, in percent of solid, that all but a thousandth of a CMYK picture has of its own. */
  totalInk(picture: Picture): number;
  /** Inks 0 to 1 (cyan, magenta, yellow, black) that each sRGB colour takes through the shipped printing profile. */
  inksOf(colours: readonly Rgb[]): Cmyk[];
  /** The same of pixels, three bytes each: four bytes of ink each, 255 for solid. */
  inksOfPixels(rgb: Uint8Array): Uint8Array;
  /** The sRGB colour that inks have on the print, through a profile or the shipped one. */
  colourOfInks(inks: Cmyk, profile: { name: string; bytes: Uint8Array } | null): Rgb;
  /** What a printing profile (null: the shipped one) makes of sRGB, as a table to be asked by the million. */
  bakePress(profile: { name: string; bytes: Uint8Array } | null, intent: Intent): Press;
  /** The shipped printing profile's own file. */
  pressProfile(): Uint8Array;
  /** The sRGB profile that print files carry. */
  screenProfile(): Uint8Array;
  encodePng(raster: Raster, options: PngOptions, progress?: Progress): Uint8Array;
  /** A raster's colours and its alpha as two PNGs without profile; no alpha where it is opaque. */
  encodePlanes(raster: Raster): { colour: Uint8Array; alpha: Uint8Array | null };
  encodeWebp(raster: Raster, options: { quality: number }, progress?: Progress): Uint8Array;
  /** Pictures that follow one another for ever, each for `delay` ms; `strip` has them below one another. */
  encodeMoving(
    strip: Raster,
    options: { frames: number; delay: number; format: 'gif' | 'webp'; quality: number },
    progress?: Progress,
  ): Uint8Array;
  encodeJpeg(raster: Raster, options: { ppi: number; quality: number }, progress?: Progress): Uint8Array;
  /** LZW with predictor, sRGB embedded; without alpha where the raster is opaque. */
  encodeTiff(raster: Raster, options: { ppi: number }, progress?: Progress): Uint8Array;
  /** Inks as they are, with the profile that gives them a colour. */
  encodeInks(picture: InkRaster, options: InkOptions, progress?: Progress): Uint8Array;
  /** One ink as a TIFF of one channel, a bit or eight a pixel: black prints. `plane` is 0 where nothing does. */
  encodePlate: (
    plate: { width: number; height: number; plane: Uint8Array },
    options: { ppi: number; bits: 1 | 8; format: 'tiff' | 'png' },
  ) => Uint8Array;
  /** Inks as a PNG whose four channels they are: rows for a PDF, not a picture to be shown. */
  encodeInkPlane(picture: InkRaster): Uint8Array;
  /** The raster's pixels as a CMYK JPEG, with or without the profile that gives its inks a colour. */
  encodeCmykJpeg(raster: Raster, options: { ppi: number; profile: boolean }): Uint8Array;
  /** A drawing at an exact width in pixels; `text` in it must be outlined. */
  drawSvg(svg: string, width: number): Raster;
  /**
   * Whether it has worked through so much that its memory, which never shrinks, may be in too small pieces for a large
   * picture: what fails then is tried again on a fresh engine before it is called damaged.
   */
  tired(): boolean;
  /** Tracked memory of the engine in bytes, and how many blocks it is in. */
  memory(): { bytes: number; blocks: number };
  close(): void;
}

/** A picture's file, and what its header says of the page that is wanted. */
export interface Picture {
  name: string;
  source: Source;
  header: Header;
}

export interface PngOptions {
  ppi: number;
  /** `print` embeds sRGB and packs well enough for 24 megapixels to take a second, `small` as well as can be; `preview` is for the screen. */
  use: 'print' | 'small' | 'preview';
  grey?: boolean;
}

/** Four bytes of ink a pixel (cyan, magenta, yellow, black), 255 for solid. */
export interface InkRaster {
  width: number;
  height: number;
  inks: Uint8Array;
}

export interface InkOptions {
  format: 'tiff' | 'jpeg';
  ppi: number;
  /** The shipped printing profile where it is null. */
  profile: { name: string; bytes: Uint8Array } | null;
}
