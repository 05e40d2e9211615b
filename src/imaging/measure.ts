import type { Facts, Flaw, PixelSize, PlacedImage } from '@/core/artwork/facts';
import { isOpening, sizeAfter, type Step } from '@/core/artwork/steps';
import { paletteOfInks, paletteOfPicture } from '@/core/raster/palette';
import { flatBackground } from '@/core/raster/background';
import type { Band } from '@/core/raster/band';
import { concluded, partMeasure } from '@/core/raster/bounds';
import { detailMeasure } from '@/core/raster/detail';
import { findFlaws } from '@/core/raster/flaws';
import { inkMeasure } from '@/core/raster/inks';
import { IN_SILENCE, type Progress, type Raster } from '@/core/raster/raster';
import { BandShrinker, reducedTo } from '@/core/raster/shrink';
import { softMeasure } from '@/core/raster/soft';
import { applySteps } from '@/core/raster/steps/apply';
import { layBox, uprightFrom } from '@/core/geometry/lie';
import { layRaster } from '@/core/raster/turn';
import { detailInside, imagesInside } from './inside';
import { measuredSize, type Opened } from './opened';

/** Longest side of the small picture that the screen shows, in pixels. */
const PREVIEW_SIDE = 1024;

/** A file by its name, size in bytes and hash. */
export type FileFacts = Pick<Facts, 'name' | 'bytes' | 'sha256'>;

export interface Measured {
  facts: Facts;
  /** Small enough for the screen. */
  preview: Raster;
  /** The pixels that were measured; null of a picture that went by in bands. */
  raster: Raster | null;
}

/** Measures all that can be measured in a file's pixels, after its steps. */
export async function measureOpened(
  file: FileFacts,
  opened: Opened,
  steps: readonly Step[] = [],
  progress: Progress = IN_SILENCE,
): Promise<Measured> {
  const onPixels = steps.some((step) => !isOpening(step));
  if (opened.bands && !onPixels) return measureBands(file, opened, opened.bands, progress);
  const size = measuredSize(opened);
  const whole = await opened.raster(size, part(progress, 0, 0.55));
  const raster = applySteps(whole, steps, part(progress, 0.55, onPixels ? 0.7 : 0.55));
  const measuring = part(progress, onPixels ? 0.7 : 0.55, 1);
  const measures = makeMeasures(raster);
  measures.take({ raster, first: 0, rows: raster.height, y: 0 }, part(measuring, 0, 0.8));
  const preview = reducedTo(raster, PREVIEW_SIDE, part(measuring, 0.8, 0.9));
  const found = measures.result(preview);
  // As large as the file says it is; else as its pixels are sharp.
  const flaws = findFlaws(raster, opened.physical ? opened.physical.width / whole.width : undefined).filter(
    mayBeGuide,
  );
  // A large picture's steps are done on its reduced copy, but its pixels are those of the file.
  const factor = opened.pixels ? size.width / whole.width : 1;
  const grid = times(raster, factor);
  const images = opened.images && (await imagesInside(opened.images, part(measuring, 0.9, 1)));
  const facts = factsOf(
    file,
    opened,
    steps,
    {
      ...found,
      grid,
      bounds: boxTimes(found.bounds, factor),
      flaws: flaws.map((flaw) => flawTimes(flaw, factor)),
      present: !raster.opaque,
    },
    images,
  );
  return { facts, preview, raster };
}

/** Measures a picture that does not lie in memory whole as its bands go by, and turns what was found upright. */
function measureBands(
  file: FileFacts,
  opened: Opened,
  bands: NonNullable<Opened['bands']>,
  progress: Progress,
): Measured {
  const upright = uprightFrom(opened.orientation);
  const grid = opened.pixels!;
  const stored = upright.quarters % 2 === 0 ? grid : { width: grid.height, height: grid.width };
  const measures = makeMeasures(stored);
  const shrinker = new BandShrinker(
    stored.width,
    stored.height,
    Math.ceil(Math.max(stored.width, stored.height) / PREVIEW_SIDE),
  );
  let opaque = true;
  bands((band) => {
    opaque &&= band.raster.opaque;
    measures.take(band, IN_SILENCE);
    shrinker.take(band);
  }, progress);
  const preview = layRaster(shrinker.result(), upright);
  const found = measures.result(preview);
  const bounds = layBox(found.bounds, stored, upright);
  return {
    facts: factsOf(file, opened, [], { ...found, grid, bounds, flaws: [], present: !opaque }),
    preview,
    raster: null,
  };
}

/** Everything that is measured as bands come by. */
function makeMeasures({ width, height }: PixelSize) {
  const parts = partMeasure(width);
  const soft = softMeasure(width, height);
  const detail = detailMeasure(width, height);
  const inks = inkMeasure(width, height);
  return {
    take: (band: Band, progress: Progress) => {
      parts.take(band, part(progress, 0, 0.2));
      soft.take(band, part(progress, 0.2, 0.4));
      detail.take(band, part(progress, 0.4, 0.8));
      inks.take(band, part(progress, 0.8, 1));
    },
    result: (preview: Raster) => {
      const found = parts.result();
      const flat = inks.result();
      const { bounds, share } = concluded(found, width * height);
      return {
        parts: found,
        bounds,
        share,
        softShare: soft.result().share,
        detail: detail.result(),
        inks: flat?.length ?? null,
        palette: flat ? paletteOfInks(flat) : paletteOfPicture(preview),
        background: flatBackground(preview),
      };
    },
  };
}

interface Found extends Omit<ReturnType<ReturnType<typeof makeMeasures>['result']>, 'parts'> {
  grid: PixelSize;
  flaws: Facts['flaws'];
  present: boolean;
}

function factsOf(
  file: FileFacts,
  opened: Opened,
  steps: readonly Step[],
  found: Found,
  images?: readonly PlacedImage[],
): Facts {
  const { format, density, colour, orientation, pages, notes } = opened;
  const drawn = opened.pixels === null;
  const onSide = steps.filter((step) => step.kind === 'turn' && step.quarters !== 2).length % 2 === 1;
  return {
    ...file,
    format,
    pixels: drawn ? null : found.grid,
    physical: opened.physical && sizeAfter(steps, opened.physical),
    density: density && onSide ? { ...density, x: density.y, y: density.x } : density,
    colour,
    alpha: {
      present: found.present,
      opaqueBounds: found.bounds,
      softShare: found.softShare,
      share: found.share,
    },
    orientation,
    detail: drawn ? detailInside(found, opened, images ?? []) : found.detail,
    ...(opened.totalInk && { totalInk: opened.totalInk() }),
    inks: found.inks,
    palette: found.palette,
    background: found.background === null ? null : { hex: found.background },
    flaws: found.flaws,
    page: opened.page ?? 0,
    pageCount: opened.pageCount ?? 1,
    ...(pages && { pages }),
    ...(images && { images: [...images] }),
    grid: drawn ? found.grid : null,
    notes,
  };
}

function flawTimes(flaw: Flaw, factor: number): Flaw {
  const [x0, y0, x1, y1] = flaw.line?.ends ?? [0, 0, 0, 0];
  const ends: [number, number, number, number] = [x0 * factor, y0 * factor, x1 * factor, y1 * factor];
  return {
    ...flaw,
    box: boxTimes(flaw.box, factor),
    ...(flaw.line && { line: { ...flaw.line, ...(flaw.line.ends && { ends }) } }),
  };
}

/** With no blank to lie on, only what goes from edge to edge, or has a guide's colour, is told from a rule or a frame. */
function mayBeGuide({ line }: Flaw): boolean {
  return !line || line.reaches || line.colour === 'guide';
}

/** Progress of one step of several, from one share of the whole to another. */
export function part(progress: Progress, from: number, to: number): Progress {
  return (share) => {
    progress(from + share * (to - from));
  };
}

function times({ width, height }: PixelSize, factor: number): PixelSize {
  return { width: Math.round(width * factor), height: Math.round(height * factor) };
}

function boxTimes(box: Facts['alpha']['opaqueBounds'], factor: number): Facts['alpha']['opaqueBounds'] {
  if (factor === 1) return box;
  return {
    x: Math.round(box.x * factor),
    y: Math.round(box.y * factor),
    ...times(box, factor),
  };
}
