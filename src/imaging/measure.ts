import type { Facts } from '@/core/artwork/facts';
import type { Header } from '@/core/artwork/header';
import { profileName } from '@/core/artwork/icc';
import { requireReadablePixels, requireReadableSize } from '@/core/artwork/limits';
import { readHeader } from '@/core/artwork/sniff';
import { MM_PER_INCH } from '@/core/length/units';
import { opaqueBounds } from '@/core/raster/bounds';
import { trueDetail } from '@/core/raster/detail';
import { inkCount } from '@/core/raster/inks';
import { IN_SILENCE, type Progress, type Raster } from '@/core/raster/raster';
import { softShare } from '@/core/raster/soft';
import type { Engine } from './engine';

export interface Measured {
  facts: Facts;
  raster: Raster;
}

/** Reads a file: header, then every pixel, then what can be measured in them. Throws an `UpFitError`. */
export async function measureArtwork(
  engine: Engine,
  name: string,
  bytes: Uint8Array<ArrayBuffer>,
  progress: Progress = IN_SILENCE,
): Promise<Measured> {
  requireReadableSize(name, bytes.length);
  const header = readHeader(name, bytes);
  requireReadablePixels(name, header);
  const sha256 = await digest(bytes);
  // A PNG's header only has a label for its profile; the profile itself says what it is.
  const embedded = header.colour.profile === null ? null : engine.profile(name, bytes);
  if (embedded) header.colour.profile = profileName(embedded) ?? header.colour.profile;
  const raster = engine.decode(name, bytes, header, part(progress, 0, 0.6));
  const { bounds, share } = opaqueBounds(raster, part(progress, 0.6, 0.7));
  const { width, height } = raster;
  const density = header.density && turned(header.density, header.orientation);
  const facts: Facts = {
    name,
    bytes: bytes.length,
    sha256,
    format: header.format,
    pixels: { width, height },
    physical: density && {
      width: (width * MM_PER_INCH) / density.x,
      height: (height * MM_PER_INCH) / density.y,
    },
    density,
    colour: header.colour,
    alpha: {
      present: !raster.opaque,
      opaqueBounds: bounds,
      softShare: softShare(raster, part(progress, 0.7, 0.8)),
      share,
    },
    orientation: header.orientation,
    detail: detailOf(raster, part(progress, 0.8, 0.9)),
    inks: inkCount(raster, part(progress, 0.9, 1)),
    notes: notesOn(header),
  };
  return { facts, raster };
}

/** SHA-256 of a file, in hex. */
export async function digest(bytes: Uint8Array<ArrayBuffer>): Promise<string> {
  const hash = new Uint8Array(await crypto.subtle.digest('SHA-256', bytes));
  return Array.from(hash, (byte) => byte.toString(16).padStart(2, '0')).join('');
}

/** Progress of one step of several, from one share of the whole to another. */
export function part(progress: Progress, from: number, to: number): Progress {
  return (share) => {
    progress(from + share * (to - from));
  };
}

/** Orientations 5 to 8 lay the picture on its side, its densities with it. */
function turned(density: NonNullable<Facts['density']>, orientation: number): Facts['density'] {
  return orientation >= 5 ? { ...density, x: density.y, y: density.x } : density;
}

function detailOf(raster: Raster, progress: Progress): Facts['detail'] {
  const scale = trueDetail(raster, progress);
  return scale === null ? null : { scale };
}

function notesOn(header: Header): Facts['notes'] {
  const notes: Facts['notes'] = [];
  if (header.pages > 1) {
    notes.push({ code: 'pages', message: `It has ${header.pages} pages: the first is used.` });
  }
  if (header.animated) notes.push({ code: 'animated', message: 'It moves: its first picture is used.' });
  if (header.colour.mode === 'cmyk' && !header.colour.profile) {
    notes.push({ code: 'no-profile', message: 'CMYK without a profile: the colours shown are a guess.' });
  }
  return notes;
}
