import { UpFitError } from '@/core/artwork/errors';
import type { Header } from '@/core/artwork/header';
import { damaged } from '@/core/artwork/sniff';
import { MM_PER_INCH } from '@/core/length/units';
import type { Source } from '@/core/artwork/source';
import { BandMaker, ChunkMaker, type Band } from '@/core/raster/band';
import { IN_SILENCE, isOpaque, type Progress, type Raster } from '@/core/raster/raster';
import type { Rgb } from '@/core/colour/hex';
import type { Cmyk } from '@/core/colour/palette';
import { asPrinted, latticeOf } from '@/core/colour/bake';
import { readIcc } from '@/core/colour/icc';
import type { Intent, Press } from '@/core/colour/press';
import type Vips from 'wasm-vips';

export type VipsModule = typeof Vips;

/** Decodes and encodes pictures. The same engine runs in the browser's worker and in Node. */
export interface Engine {
  /** Every pixel, turned upright, carried through its profile to sRGB. Throws an `UpFitError` for a damaged file. */
  decode(picture: Picture, progress?: Progress): Raster;
  /** The same as it is stored, not turned upright, in bands from the top: memory is taken for a few rows only. */
  bands(picture: Picture, take: (band: Band) => void, progress?: Progress): void;
  /** Bytes of the ICC profile that a file carries; `null` where it has none. Reads no pixel. */
  profile(picture: Picture): Uint8Array | null;
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
  encodePng(raster: Raster, options: PngOptions, progress?: Progress): Uint8Array;
  /** A raster's colours and its alpha as two PNGs without profile; no alpha where it is opaque. */
  encodePlanes(raster: Raster): { colour: Uint8Array; alpha: Uint8Array | null };
  encodeJpeg(raster: Raster, options: { ppi: number; quality: number }, progress?: Progress): Uint8Array;
  /** LZW with predictor, sRGB embedded; without alpha where the raster is opaque. */
  encodeTiff(raster: Raster, options: { ppi: number }, progress?: Progress): Uint8Array;
  /** Inks as they are, with the profile that gives them a colour. */
  encodeInks(picture: InkRaster, options: InkOptions, progress?: Progress): Uint8Array;
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

/** Pixels after which an engine is tired. */
const TIRED_AFTER = 150e6;
const PROFILE = 'icc-profile-data';

type Image = InstanceType<VipsModule['Image']>;
type Keep = <I extends { delete(): void }>(kept: I) => I;
/** Less than this accepts half a picture as nothing but zeros. */
const READING = { fail_on: 'warning', access: 'sequential' };

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
  let worked = 0;

  /** Runs a step with a place to keep its images, which are freed whatever happens. */
  function scoped<T>(name: string, step: (keep: Keep) => T): T {
    const images = new Set<{ delete(): void }>();
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

  /** Hands on an image's bytes as they are made, from the top; what `take` throws stops the work. */
  function writeThrough(keep: Keep, image: Image, take: (bytes: Uint8Array) => void): void {
    const stopped: unknown[] = [];
    const target = keep(new vips.TargetCustom());
    target.onWrite = (bytes) => {
      try {
        take(bytes as unknown as Uint8Array);
        return (bytes as unknown as Uint8Array).length;
      } catch (error) {
        stopped.push(error);
        return -1;
      }
    };
    try {
      image.rawsaveTarget(target);
    } catch (error) {
      throw stopped[0] ?? error;
    }
  }

  function fromRaster(keep: Keep, raster: Raster, ppi: number): Image {
    const perMm = ppi / MM_PER_INCH;
    const bare = keep(
      vips.Image.newFromMemory(raster.data, raster.width, raster.height, 4, vips.BandFormat.uchar),
    );
    return keep(bare.copy({ interpretation: 'srgb', xres: perMm, yres: perMm }));
  }

  function fromInks(keep: Keep, { width, height, inks }: InkRaster, ppi: number): Image {
    const perMm = ppi / MM_PER_INCH;
    const bare = keep(vips.Image.newFromMemory(inks, width, height, 4, vips.BandFormat.uchar));
    return keep(bare.copy({ interpretation: 'cmyk', xres: perMm, yres: perMm }));
  }

  /** Opens a file; of one that is not in memory only what is asked for is read. */
  function load(keep: Keep, { source, header }: Picture, options: object): Image {
    const page = header.directory > 0 ? `[page=${header.directory}]` : '';
    if (source.bytes) return keep(vips.Image.newFromBuffer(source.bytes, page, options));
    let at = 0;
    const custom = keep(new vips.SourceCustom());
    custom.onRead = (length: number) => {
      const bytes = source.read(at, length);
      at += bytes.length;
      return bytes.length > 0 ? (bytes as unknown as ReturnType<typeof custom.onRead>) : undefined;
    };
    custom.onSeek = (offset: number, whence: number) => {
      at = offset + (whence === 0 ? 0 : whence === 1 ? at : source.size);
      return at;
    };
    return keep(vips.Image.newFromSource(custom, page, options));
  }

  /** sRGB with alpha, 8 bits, and whether the file has no alpha of its own. */
  function toRgba(keep: Keep, image: Image, header: Header): { rgba: Image; solid: boolean } {
    const coloured = toSrgb(keep, image, header);
    const solid = !coloured.hasAlpha();
    const rgba = solid ? keep(coloured.bandjoin(255)) : coloured;
    return { rgba: rgba.format === 'uchar' ? rgba : keep(rgba.cast(vips.BandFormat.uchar)), solid };
  }

  /** Where the engine finds a profile: in its own file system, which is in its memory; its types leave it out. */
  function usable(profile: { bytes: Uint8Array } | null): string {
    if (!profile) return 'cmyk';
    const { FS } = vips as unknown as { FS: { writeFile: (path: string, bytes: Uint8Array) => void } };
    FS.writeFile('/press.icc', profile.bytes);
    return '/press.icc';
  }

  /** L* of black ink alone, without black point compensation and with it. */
  function blackOf(keep: Keep, press: string): [number, number] {
    const solid = keep(vips.Image.newFromMemory(SOLID_BLACK, 1, 1, 4, vips.BandFormat.ushort));
    const black = keep(solid.copy({ interpretation: 'cmyk' }));
    const lightness = (compensated: boolean) =>
      keep(
        black.iccImport({
          input_profile: press,
          intent: 'relative',
          black_point_compensation: compensated,
          pcs: 'lab',
        }),
      ).getpoint(0, 0)[0]!;
    return [lightness(false), lightness(true)];
  }

  function pressProfile(): Uint8Array {
    return scoped('profile', (keep) => {
      const dot = keep(vips.Image.newFromMemory(new Uint8Array(3), 1, 1, 3, vips.BandFormat.uchar));
      const inks = keep(
        keep(dot.copy({ interpretation: 'srgb' })).iccTransform('cmyk', { input_profile: 'srgb' }),
      );
      return inks.getBlob(PROFILE).slice();
    });
  }

  function inksOfPixels(rgb: Uint8Array): Uint8Array {
    return scoped('palette', (keep) => {
      if (rgb.length === 0) return new Uint8Array(0);
      const bare = keep(vips.Image.newFromMemory(rgb, rgb.length / 3, 1, 3, vips.BandFormat.uchar));
      const image = keep(bare.copy({ interpretation: 'srgb' }));
      const settings = { input_profile: 'srgb', black_point_compensation: true };
      return bytesOf(keep(image.iccTransform('cmyk', settings)));
    });
  }

  return {
    decode: (picture, progress = IN_SILENCE) =>
      scoped(picture.name, (keep) => {
        const { header } = picture;
        const loaded = load(keep, picture, READING);
        const upright = header.orientation === 1 ? loaded : keep(keep(loaded.copyMemory()).autorot());
        const { rgba, solid } = toRgba(keep, upright, header);
        const { width, height } = rgba;
        worked += width * height;
        const data = write(rgba, progress, () => bytesOf(rgba));
        return { width, height, data, opaque: solid || isOpaque(data) };
      }),

    bands: (picture, take, progress = IN_SILENCE) =>
      scoped(picture.name, (keep) => {
        const { rgba, solid } = toRgba(keep, load(keep, picture, READING), picture.header);
        const { width, height } = rgba;
        const maker = new BandMaker(height, take);
        const chunks = new ChunkMaker(width, height, (data, rows, y) => {
          progress(y / height);
          maker.push({ width, height: rows, data, opaque: solid || isOpaque(data) });
        });
        writeThrough(keep, rgba, (bytes) => {
          chunks.push(bytes);
        });
      }),

    profile: (picture) =>
      scoped(picture.name, (keep) => {
        const image = load(keep, picture, { access: 'sequential' });
        return hasProfile(image) ? image.getBlob(PROFILE) : null;
      }),

    inksOf: (colours) => {
      const inks = inksOfPixels(Uint8Array.from(colours.flat()));
      return colours.map(
        (_, i) => Array.from(inks.subarray(i * 4, i * 4 + 4), (ink) => ink / 255) as unknown as Cmyk,
      );
    },

    inksOfPixels,

    bakePress: (profile, intent) =>
      scoped(profile?.name ?? SHIPPED_PRESS, (keep) => {
        const press = usable(profile);
        // Lab, since the engine's own way from sRGB goes through a table that is coarse for shadows.
        const lattice = latticeOf(PRESS_SIZE);
        const bare = keep(vips.Image.newFromMemory(lattice, lattice.length / 3, 1, 3, vips.BandFormat.float));
        const inks = keep(
          keep(bare.copy({ interpretation: 'lab' })).iccExport({
            output_profile: press,
            depth: 16,
            intent,
            black_point_compensation: intent === 'relative',
          }),
        );
        const ink = levelsOf(inks);
        const own = readIcc(inks.getBlob(PROFILE).slice());
        const levels = asPrinted(own, lattice, ink, intent, ...blackOf(keep, press));
        return { name: profile?.name ?? SHIPPED_PRESS, intent, size: PRESS_SIZE, ink, ...levels };
      }),

    colourOfInks: (inks, profile) =>
      scoped(profile?.name ?? SHIPPED_PRESS, (keep) => {
        const own = readIcc(profile?.bytes ?? pressProfile());
        const ink = Uint16Array.from(inks, (share) => Math.round(share * 65535));
        const black = blackOf(keep, usable(profile));
        const { proof } = asPrinted(own, new Float32Array(3), ink, 'relative', ...black);
        return [proof[0]! / 257, proof[1]! / 257, proof[2]! / 257];
      }),

    pressProfile,

    encodePng: (raster, options, progress = IN_SILENCE) =>
      scoped('print file', (keep) => {
        const image = fromRaster(keep, raster, options.ppi);
        const out = options.grey ? keep(image.colourspace('b-w')) : image;
        const opaque = raster.opaque && out.hasAlpha() ? keep(out.extractBand(0, { n: out.bands - 1 })) : out;
        return write(opaque, progress, () =>
          opaque.pngsaveBuffer(PNG_SAVE[options.use] as Parameters<Image['pngsaveBuffer']>[0]),
        );
      }),

    encodePlanes: (raster) =>
      scoped('print file', (keep) => {
        const image = fromRaster(keep, raster, 72);
        const plane = (band: number, n: number) =>
          keep(image.extractBand(band, { n })).pngsaveBuffer({ compression: 2, filter: 'up', keep: 'none' });
        return { colour: plane(0, 3), alpha: raster.opaque ? null : plane(3, 1) };
      }),

    encodeInkPlane: (picture) =>
      scoped('print file', (keep) => {
        const image = keep(fromInks(keep, picture, 72).copy({ interpretation: 'srgb' }));
        return image.pngsaveBuffer({ compression: 2, filter: 'up', keep: 'none' });
      }),

    encodeJpeg: (raster, { ppi, quality }, progress = IN_SILENCE) =>
      scoped('picture', (keep) => {
        const flat = keep(fromRaster(keep, raster, ppi).flatten({ background: [255, 255, 255] }));
        return write(flat, progress, () =>
          flat.jpegsaveBuffer({ Q: quality, subsample_mode: 'off', profile: 'srgb' }),
        );
      }),

    encodeTiff: (raster, { ppi }, progress = IN_SILENCE) =>
      scoped('print file', (keep) => {
        const image = fromRaster(keep, raster, ppi);
        const out = raster.opaque ? keep(image.extractBand(0, { n: 3 })) : image;
        return write(out, progress, () => out.tiffsaveBuffer({ ...TIFF_SAVE, profile: 'srgb' }));
      }),

    encodeInks: (picture, { format, ppi, profile }, progress = IN_SILENCE) =>
      scoped('print file', (keep) => {
        const image = fromInks(keep, picture, ppi);
        const press = usable(profile);
        return write(image, progress, () =>
          format === 'tiff'
            ? image.tiffsaveBuffer({ ...TIFF_SAVE, profile: press })
            : image.jpegsaveBuffer({ Q: 100, subsample_mode: 'off', profile: press }),
        );
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

    tired: () => worked > TIRED_AFTER,
    memory: () => ({ bytes: vips.Stats.mem(), blocks: vips.Stats.allocations() }),
    close: () => {
      vips.shutdown();
    },
  };
}

/** Corners along each axis of a press's lattice: one at every fifth level. */
const PRESS_SIZE = 52;
/** What the shipped printing profile is called. */
const SHIPPED_PRESS = 'Process inks, shipped';

/** How PNGs are packed, by what they are for. */
const PNG_SAVE = {
  print: { compression: 2, filter: 'up', profile: 'srgb' },
  small: { compression: 9, filter: 'all', profile: 'srgb' },
  preview: { compression: 6 },
};
const TIFF_SAVE = { compression: 'lzw', predictor: 'horizontal', resunit: 'inch' } as const;

/** K alone, 16 bits an ink. */
const SOLID_BLACK = Uint16Array.of(0, 0, 0, 65535);

/** The levels of a 16-bit image, out of the engine's memory. */
function levelsOf(image: Image): Uint16Array {
  const bytes = image.writeToMemory();
  return new Uint16Array(bytes.buffer, bytes.byteOffset, bytes.byteLength / 2).slice();
}

/** Colours through the file's own profile where it has one; untagged RGB is taken as sRGB. */
function toSrgb(keep: Keep, image: Image, header: Header): Image {
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

/** The engine's own errors carry the text of earlier calls: they are told as one sentence, never shown. */
function explain(name: string, error: unknown): unknown {
  if (error instanceof UpFitError) return error;
  if (error instanceof WebAssembly.RuntimeError) return error;
  if (error instanceof Error && !/vips/i.test(error.message)) return error;
  return damaged(name);
}
