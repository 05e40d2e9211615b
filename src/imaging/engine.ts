import { UpFitError } from '@/core/artwork/errors';
import type { Header } from '@/core/artwork/header';
import { damaged } from '@/core/artwork/sniff';
import { MM_PER_INCH } from '@/core/length/units';
import { IN_SILENCE, type Progress, type Raster } from '@/core/raster/raster';
import type Vips from 'wasm-vips';

export type VipsModule = typeof Vips;

/** Decodes and encodes pictures. The same engine runs in the browser's worker and in Node. */
export interface Engine {
  /** Every pixel, turned upright, carried through its profile to sRGB. Throws an `UpFitError` for a damaged file. */
  decode(name: string, bytes: Uint8Array, header: Header, progress?: Progress): Raster;
  /** Bytes of the ICC profile that a file carries; `null` where it has none. Reads no pixel. */
  profile(name: string, bytes: Uint8Array): Uint8Array | null;
  encodePng(raster: Raster, options: PngOptions, progress?: Progress): Uint8Array;
  encodeJpeg(raster: Raster, options: { ppi: number; quality: number }): Uint8Array;
  /** The raster's pixels as a CMYK JPEG, with or without the profile that gives its inks a colour. */
  encodeCmykJpeg(raster: Raster, options: { ppi: number; profile: boolean }): Uint8Array;
  /** A drawing at an exact width in pixels; `text` in it must be outlined. */
  drawSvg(svg: string, width: number): Raster;
  /** Tracked memory of the engine in bytes, and how many blocks it is in. */
  memory(): { bytes: number; blocks: number };
  close(): void;
}

export interface PngOptions {
  ppi: number;
  /** `print` embeds sRGB and packs well enough for 24 megapixels to take a second; `preview` is for the screen. */
  use: 'print' | 'preview';
  grey?: boolean;
}

const PROFILE = 'icc-profile-data';

type Image = InstanceType<VipsModule['Image']>;

/** Settings for loading the engine: drawings and AVIF too, and nothing on the console that is also thrown. */
export const ENGINE_SETTINGS = {
  dynamicLibraries: ['vips-resvg.wasm', 'vips-heif.wasm'],
  print: quiet,
  printErr: quiet,
  preRun: (module: { ENV: Record<string, string> }) => {
    module.ENV['VIPS_WARNING'] = '0';
  },
};

function quiet(): void {
  // Errors are thrown; the engine's own words for them are not for sellers.
}

/** Wraps a loaded `wasm-vips`: every image is deleted on the way out, errors become sentences. */
export function makeEngine(vips: VipsModule): Engine {
  vips.Cache.max(0);

  /** Runs a step with a place to keep its images, which are freed whatever happens. */
  function scoped<T>(name: string, step: (keep: <I extends Image>(image: I) => I) => T): T {
    const images = new Set<Image>();
    try {
      return step((image) => {
        images.add(image);
        return image;
      });
    } catch (error) {
      throw explain(name, error);
    } finally {
      for (const image of [...images].reverse()) image.delete();
    }
  }

  function follow(image: Image, progress: Progress): Error[] {
    const stopped: Error[] = [];
    image.onProgress = (percent: number) => {
      try {
        progress(percent / 100);
      } catch (error) {
        stopped.push(error as Error);
        image.kill = true;
      }
    };
    return stopped;
  }

  function write<T>(image: Image, progress: Progress, save: () => T): T {
    if (progress === IN_SILENCE) return save();
    const stopped = follow(image, progress);
    try {
      return save();
    } catch (error) {
      throw stopped[0] ?? error;
    }
  }

  function fromRaster(keep: <I extends Image>(image: I) => I, raster: Raster, ppi: number): Image {
    const perMm = ppi / MM_PER_INCH;
    const bare = keep(
      vips.Image.newFromMemory(raster.data, raster.width, raster.height, 4, vips.BandFormat.uchar),
    );
    return keep(bare.copy({ interpretation: 'srgb', xres: perMm, yres: perMm }));
  }

  return {
    decode: (name, bytes, header, progress = IN_SILENCE) =>
      scoped(name, (keep) => {
        const loaded = keep(
          vips.Image.newFromBuffer(bytes, '', { fail_on: 'warning', access: 'sequential' }),
        );
        const upright = header.orientation === 1 ? loaded : keep(keep(loaded.copyMemory()).autorot());
        const coloured = toSrgb(keep, upright, header);
        const solid = !coloured.hasAlpha();
        const rgba = solid ? keep(coloured.bandjoin(255)) : coloured;
        const bytes8 = rgba.format === 'uchar' ? rgba : keep(rgba.cast(vips.BandFormat.uchar));
        const { width, height } = bytes8;
        const data = write(bytes8, progress, () => bytesOf(bytes8));
        return { width, height, data, opaque: solid || isOpaque(data) };
      }),

    profile: (name, bytes) =>
      scoped(name, (keep) => {
        const image = keep(vips.Image.newFromBuffer(bytes, '', { access: 'sequential' }));
        return hasProfile(image) ? image.getBlob(PROFILE) : null;
      }),

    encodePng: (raster, options, progress = IN_SILENCE) =>
      scoped('print file', (keep) => {
        const image = fromRaster(keep, raster, options.ppi);
        const out = options.grey ? keep(image.colourspace('b-w')) : image;
        const save =
          options.use === 'print' ? { compression: 2, filter: 'up', profile: 'srgb' } : { compression: 6 };
        return write(out, progress, () => out.pngsaveBuffer(save as Parameters<Image['pngsaveBuffer']>[0]));
      }),

    encodeJpeg: (raster, { ppi, quality }) =>
      scoped('picture', (keep) => {
        const flat = keep(fromRaster(keep, raster, ppi).flatten({ background: [255, 255, 255] }));
        return flat.jpegsaveBuffer({ Q: quality, subsample_mode: 'off', profile: 'srgb' });
      }),

    encodeCmykJpeg: (raster, { ppi, profile }) =>
      scoped('picture', (keep) => {
        const flat = keep(fromRaster(keep, raster, ppi).flatten({ background: [255, 255, 255] }));
        const inks = keep(flat.iccTransform('cmyk', { input_profile: 'srgb' }));
        return inks.jpegsaveBuffer({ Q: 92, keep: profile ? 'icc' : 'none' });
      }),

    drawSvg: (svg, width) =>
      scoped('drawing', (keep) => {
        const bytes = new TextEncoder().encode(svg);
        const natural = keep(vips.Image.newFromBuffer(bytes, ''));
        const drawn = keep(vips.Image.newFromBuffer(bytes, `[scale=${width / natural.width}]`));
        const data = bytesOf(drawn);
        return { width: drawn.width, height: drawn.height, data, opaque: isOpaque(data) };
      }),

    memory: () => ({ bytes: vips.Stats.mem(), blocks: vips.Stats.allocations() }),
    close: () => {
      vips.shutdown();
    },
  };
}

/** Colours through the file's own profile where it has one; untagged RGB is taken as sRGB. */
function toSrgb(keep: <I extends Image>(image: I) => I, image: Image, header: Header): Image {
  const { mode, profile } = header.colour;
  if (mode === 'cmyk') return keep(image.iccTransform('srgb', { embedded: true, input_profile: 'cmyk' }));
  const isSrgb = profile !== null && /^s?rgb\b.*|srgb/i.test(profile);
  if (profile && !isSrgb && hasProfile(image)) {
    return keep(image.iccTransform('srgb', { embedded: true, black_point_compensation: true }));
  }
  return image.interpretation === 'srgb' && image.bands >= 3 ? image : keep(image.colourspace('srgb'));
}

function hasProfile(image: Image): boolean {
  return image.getTypeof(PROFILE) !== 0;
}

/** The pixels of an 8-bit image, out of the engine's memory. */
function bytesOf(image: Image): Uint8Array {
  const memory = image.writeToMemory();
  return new Uint8Array(memory.buffer, memory.byteOffset, memory.byteLength);
}

function isOpaque(data: Uint8Array): boolean {
  for (let at = 3; at < data.length; at += 4) if (data[at] !== 255) return false;
  return true;
}

/** The engine's own errors carry the text of earlier calls: they are told as one sentence, never shown. */
function explain(name: string, error: unknown): unknown {
  if (error instanceof UpFitError) return error;
  if (error instanceof WebAssembly.RuntimeError) return error;
  if (error instanceof Error && !/vips/i.test(error.message)) return error;
  return damaged(name);
}
