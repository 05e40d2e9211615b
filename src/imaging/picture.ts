import { heldSize, isHeld, requireReadablePixels } from '@/core/artwork/limits';
import type { Facts } from '@/core/artwork/facts';
import type { Header } from '@/core/formats/header';
import { profileName } from '@/core/formats/icc';
import { readHeader } from '@/core/formats/sniff';
import type { Source } from '@/core/formats/source';
import { MM_PER_INCH } from '@/core/length/units';
import { IN_SILENCE, type Progress, type Raster } from '@/core/raster/raster';
import { BandShrinker } from '@/core/raster/shrink';
import { layingSize, uprightFrom } from '@/core/geometry/lie';
import { layRaster } from '@/core/raster/turn';
import type { Engine } from './engine';
import type { Opened } from './opened';

/** Opens a file of pixels: its header is read, and its profile. Throws an `UpFitError`. */
export function openPicture(engine: Engine, name: string, source: Source, page = 0): Opened {
  const header = readHeader(name, source, page);
  requireReadablePixels(name, header);
  const picture = { name, source, header };
  // A PNG's header only has a label for its profile; the profile itself says what it is.
  const embedded = header.colour.profile === null ? null : engine.profile(picture);
  if (embedded) header.colour.profile = profileName(embedded) ?? header.colour.profile;
  const upright = uprightFrom(header.orientation);
  const pixels = layingSize(header, upright);
  const density = header.density && turned(header.density, header.orientation);
  const held = isHeld(header);
  return {
    format: header.format,
    pixels,
    physical: density && {
      width: (pixels.width * MM_PER_INCH) / density.x,
      height: (pixels.height * MM_PER_INCH) / density.y,
    },
    density,
    colour: header.colour,
    orientation: header.orientation,
    ...(header.colour.mode === 'cmyk' && { totalInk: () => engine.totalInk(picture) }),
    notes: notesOn(header, page),
    page: Math.min(page, header.pages - 1),
    pageCount: header.pages,
    raster: (_, progress) =>
      Promise.resolve(
        held ? engine.decode(picture, progress) : layRaster(reduced(engine, picture, progress), upright),
      ),
    bands: held
      ? null
      : (take, progress) => {
          engine.bands(picture, take, progress);
        },
  };
}

/** A picture too large for memory, as large as fits into it, each pixel the mean of those it stands for. */
function reduced(
  engine: Engine,
  picture: { name: string; source: Source; header: Header },
  progress: Progress = IN_SILENCE,
): Raster {
  const { width, height } = picture.header;
  const held = heldSize({ width, height });
  const shrinker = new BandShrinker(width, height, width / held.width, height / held.height);
  engine.bands(
    picture,
    (band) => {
      shrinker.take(band);
    },
    progress,
  );
  return shrinker.result();
}

/** Orientations 5 to 8 lay the picture on its side, its densities with it. */
function turned(density: NonNullable<Facts['density']>, orientation: number): Facts['density'] {
  return orientation >= 5 ? { ...density, x: density.y, y: density.x } : density;
}

function notesOn(header: Header, page: number): Facts['notes'] {
  const notes: Facts['notes'] = [];
  if (header.pages > 1) {
    const which = page === 0 ? 'the first' : `page ${page + 1}`;
    notes.push({ code: 'pages', message: `It has ${header.pages} pages: ${which} is used.` });
  }
  if (header.animated) notes.push({ code: 'animated', message: 'Animated: only the first frame is used.' });
  if (header.colour.mode === 'cmyk' && !header.colour.profile) {
    notes.push({ code: 'no-profile', message: 'CMYK without a profile: the colours shown are a guess.' });
  }
  if (!isHeld(header)) {
    const { width, height } = heldSize({ width: header.width, height: header.height });
    notes.push({
      code: 'large',
      message: `Too large to hold whole: it is printed from a copy of ${Math.round((width * height) / 1e6)} megapixels.`,
    });
  }
  return notes;
}
