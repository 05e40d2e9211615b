import type Vips from 'wasm-vips';
import { UpFitError } from '@/core/errors';
import { damaged } from '@/core/formats/sniff';
import { IN_SILENCE, type Progress } from '@/core/raster/raster';

export type VipsModule = typeof Vips;
export type Image = InstanceType<VipsModule['Image']>;
/** Takes an image, or what goes with one, into a scope, which frees it. */
export type Keep = <I extends { delete(): void }>(kept: I) => I;

/** Where the engine keeps an image's ICC profile. */
export const PROFILE = 'icc-profile-data';

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

/** Runs a step with a place to keep its images, which are freed whatever happens. */
export function scoped<T>(name: string, step: (keep: Keep) => T): T {
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

/** Runs what makes an image's pixels, telling how far it is; what `progress` throws stops it. */
export function write<T>(image: Image, progress: Progress, save: () => T): T {
  if (progress === IN_SILENCE) return save();
  const stopped = follow(image, progress);
  try {
    return save();
  } catch (error) {
    throw stopped[0] ?? error;
  }
}

/** Whether an image carries a profile. */
export function hasProfile(image: Image): boolean {
  return image.getTypeof(PROFILE) !== 0;
}

/** The pixels of an 8-bit image, out of the engine's memory. */
export function bytesOf(image: Image): Uint8Array {
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
