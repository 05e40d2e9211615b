import { writeFile } from 'node:fs/promises';
import { extname } from 'node:path';
import { UpFitError } from '@/core/artwork/errors';
import { printPixels } from '@/core/blank/resolve';
import { flatten, renderFace } from '@/core/render/face';
import type { Readers } from '@/files/artwork';
import { badArgument, oneOf, readNumber, required, type Args } from '../args';
import type { Answer } from '../answer';
import { PLACED_OPTIONS, readPlaced } from '../placed';

export const RENDER_OPTIONS = [...PLACED_OPTIONS, 'out', 'mode', 'ppi'] as const;

const LATER = ['.tif', '.tiff', '.pdf', '.svg'];

/** `render`: what a house would get, trim plus bleed, as PNG or JPEG. */
export async function render(args: Args, readers: () => Promise<Readers>): Promise<Answer> {
  const out = required(args, 'out');
  const ending = extname(out).toLowerCase();
  if (LATER.includes(ending)) {
    throw new UpFitError('unsupported', `Print files are PNG or JPEG so far, not ${ending}.`);
  }
  if (!['.png', '.jpg', '.jpeg'].includes(ending))
    throw badArgument(`--out ends in .png or .jpg, not “${ending}”.`);
  if (oneOf('mode', args.values.get('mode') ?? 'rgb', ['rgb', 'cmyk']) === 'cmyk') {
    throw new UpFitError('unsupported', 'Print files are RGB so far, not CMYK.');
  }
  const ready = await readers();
  const { blank, face, fit, pixels: artwork } = await readPlaced(ready, args);
  const ppi = args.values.has('ppi') ? readNumber('ppi', args.values.get('ppi')!) : face.target;
  if (ppi < 1 || ppi > 2400) throw badArgument('--ppi is between 1 and 2400.');
  const pixels = printPixels(face, blank.spec, ppi);
  const shown = await artwork(ppi);
  const raster = renderFace(face, fit.faces[0]!.pieces, () => shown, {
    pixels,
    mirror: args.switches.has('mirror'),
  });
  const bytes =
    ending === '.png'
      ? ready.engine.encodePng(raster, { ppi, use: 'print' })
      : ready.engine.encodeJpeg(flatten(raster, '#ffffff'), { ppi, quality: 100 });
  await writeFile(out, bytes);
  const { width, height } = pixels;
  return {
    json: { out, pixels, ppi, bytes: bytes.length, mirrored: args.switches.has('mirror') },
    text: `${out}: ${width} × ${height} px at ${ppi} PPI, ${bytes.length} bytes`,
    status: 0,
  };
}
