import { MM_PER_INCH } from '@/core/length/units';
import { IN_SILENCE, type Raster } from '@/core/raster/raster';
import type { Engine, InkRaster } from './engine';
import { pressFile } from './pressing';
import { scoped, write, type Image, type Keep, type VipsModule } from './vips';

/** The engine's ways out: pixels and inks as files. */
export function writers(
  vips: VipsModule,
): Pick<
  Engine,
  | 'encodePng'
  | 'encodePlanes'
  | 'encodeInkPlane'
  | 'encodeJpeg'
  | 'encodeWebp'
  | 'encodeMoving'
  | 'encodeTiff'
  | 'encodeInks'
  | 'encodeCmykJpeg'
  | 'encodePlate'
> {
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

  return {
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

    encodePlate: ({ width, height, plane }, { ppi, bits, format }) =>
      scoped('plate', (keep) => {
        const perMm = ppi / MM_PER_INCH;
        // Black prints.
        const dark = plane.map((value) => 255 - value);
        const bare = keep(vips.Image.newFromMemory(dark, width, height, 1, vips.BandFormat.uchar));
        const image = keep(bare.copy({ interpretation: 'b-w', xres: perMm, yres: perMm }));
        if (format === 'png')
          return image.pngsaveBuffer({ compression: 6, keep: 'none', ...(bits === 1 && { bitdepth: 1 }) });
        return image.tiffsaveBuffer({
          ...{ compression: 'lzw', predictor: 'none', resunit: 'inch', keep: 'none' },
          ...(bits === 1 && { bitdepth: 1 }),
        });
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

    encodeWebp: (raster, { quality }, progress = IN_SILENCE) =>
      scoped('picture', (keep) => {
        const image = fromRaster(keep, raster, 72);
        return write(image, progress, () => image.webpsaveBuffer({ Q: quality, profile: 'srgb' }));
      }),

    encodeMoving: (strip, { frames, delay, format, quality }, progress = IN_SILENCE) =>
      scoped('moving picture', (keep) => {
        const image = fromRaster(keep, strip, 72);
        image.setInt('page-height', strip.height / frames);
        image.setArrayInt(
          'delay',
          Array.from({ length: frames }, () => delay),
        );
        // For ever.
        image.setInt('loop', 0);
        return write(image, progress, () =>
          format === 'gif'
            ? image.gifsaveBuffer({ dither: 0.8, ...GIF_SAVE })
            : image.webpsaveBuffer({ Q: quality }),
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
        const press = pressFile(vips, profile);
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
  };
}

/** How PNGs are packed, by what they are for. */
const PNG_SAVE = {
  print: { compression: 2, filter: 'up', profile: 'srgb' },
  small: { compression: 9, filter: 'all', profile: 'srgb' },
  preview: { compression: 6 },
};
/** Half the time of the usual effort; a pixel that hardly changes from one picture to the next is not written again. */
const GIF_SAVE = { effort: 4, interframe_maxerror: 2 };
const TIFF_SAVE = { compression: 'lzw', predictor: 'horizontal', resunit: 'inch' } as const;
