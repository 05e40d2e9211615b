import type { Header } from '@/core/formats/header';
import { BandMaker, ChunkMaker } from '@/core/raster/band';
import { IN_SILENCE, isOpaque, words } from '@/core/raster/raster';
import type { Engine, Picture } from './engine';
import { bytesOf, hasProfile, PROFILE, scoped, write, type Image, type Keep, type VipsModule } from './vips';

/** Less than this accepts half a picture as nothing but zeros. */
const READING = { fail_on: 'warning', access: 'sequential' };

/** Of so many pixels one is left out where the darkest are looked for. */
const LEFT_OUT = 1000;

/** The engine's ways in: files and drawings as pixels. `worked` is told how many were decoded. */
export function readers(
  vips: VipsModule,
  worked: (pixels: number) => void,
): Pick<Engine, 'decode' | 'bands' | 'profile' | 'totalInk' | 'drawSvg'> {
  /** Opens a file; of one that is not in memory only what is asked for is read. */
  function load(keep: Keep, { source, header }: Picture, options: object): Image {
    const page = header.directory > 0 ? `[page=${header.directory}]` : '';
    if (source.bytes) return keep(vips.Image.newFromBuffer(source.bytes, page, options));
    let at = 0;
    const custom = keep(new vips.SourceCustom());
    custom.onRead = (length: number) => {
      const bytes = source.read(at, length);
      at += bytes.length;
      return bytes.length > 0 ? bytes : undefined;
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

  /** Hands on an image's bytes as they are made, from the top; what `take` throws stops the work. */
  function writeThrough(keep: Keep, image: Image, take: (bytes: Uint8Array) => void): void {
    const stopped: unknown[] = [];
    const target = keep(new vips.TargetCustom());
    target.onWrite = (bytes) => {
      try {
        take(bytes);
        return bytes.length;
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

  return {
    decode: (picture, progress = IN_SILENCE) =>
      scoped(picture.name, (keep) => {
        const { header } = picture;
        const loaded = load(keep, picture, READING);
        const upright = header.orientation === 1 ? loaded : keep(keep(loaded.copyMemory()).autorot());
        const { rgba, solid } = toRgba(keep, upright, header);
        const { width, height } = rgba;
        worked(width * height);
        const data = write(rgba, progress, () => bytesOf(rgba));
        return { width, height, data, opaque: solid || isOpaque(data) };
      }),

    bands: (picture, take, progress = IN_SILENCE) => {
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
      });
    },

    profile: (picture) =>
      scoped(picture.name, (keep) => {
        const image = load(keep, picture, { access: 'sequential' });
        return hasProfile(image) ? image.getBlob(PROFILE) : null;
      }),

    totalInk: (picture) =>
      scoped(picture.name, (keep) => {
        const inks = keep(load(keep, picture, READING).extractBand(0, { n: 4 }));
        const bytes =
          inks.format === 'uchar'
            ? inks
            : keep(keep(inks.linear([1 / 257], [0])).cast(vips.BandFormat.uchar));
        const counts = words({ data: bytesOf(keep(keep(bytes.bandmean()).histFind())) });
        let [above, mean] = [0, counts.length - 1];
        const left = (inks.width * inks.height) / LEFT_OUT;
        while (mean > 0 && above + counts[mean]! <= left) above += counts[mean--]!;
        return (mean * 400) / 255;
      }),

    drawSvg: (svg, width) =>
      scoped('drawing', (keep) => {
        const bytes = new TextEncoder().encode(svg);
        const natural = keep(vips.Image.newFromBuffer(bytes, ''));
        const drawn = keep(vips.Image.newFromBuffer(bytes, `[scale=${width / natural.width}]`));
        const data = bytesOf(drawn);
        return { width: drawn.width, height: drawn.height, data, opaque: isOpaque(data) };
      }),
  };
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
