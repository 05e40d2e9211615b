import { writeFile } from 'node:fs/promises';
import { extname } from 'node:path';
import { UpFitError } from '@/core/artwork/errors';
import { printPixels } from '@/core/blank/resolve';
import { flatten, renderFace } from '@/core/render/face';
import type { Readers } from '@/files/artwork';
import { PRINT_KINDS, writePrint, type PrintKind } from '@/files/print';
import { badArgument, oneOf, readNumber, required, type Args } from '../args';
import type { Answer } from '../answer';
import { PLACED_OPTIONS, readPlaced } from '../placed';

export const RENDER_OPTIONS = [...PLACED_OPTIONS, 'out', 'mode', 'ppi'] as const;

const LATER = ['.tif', '.tiff'];
const ENDINGS = ['.png', '.jpg', '.jpeg', '.pdf', '.svg'];

/** `render`: what a house would get, trim plus bleed, as PNG, JPEG, PDF or SVG. */
export async function render(args: Args, readers: () => Promise<Readers>): Promise<Answer> {
  const out = required(args, 'out');
  const ending = extname(out).toLowerCase();
  if (LATER.includes(ending)) {
    throw new UpFitError('unsupported', `Print files are PNG, JPEG, PDF or SVG so far, not ${ending}.`);
  }
  if (!ENDINGS.includes(ending))
    throw badArgument(
      `--out ends in ${ENDINGS.slice(0, -1).join(', ')} or ${ENDINGS.at(-1)!}, not “${ending}”.`,
    );
  if (oneOf('mode', args.values.get('mode') ?? 'rgb', ['rgb', 'cmyk']) === 'cmyk') {
    throw new UpFitError('unsupported', 'Print files are RGB so far, not CMYK.');
  }
  const ready = await readers();
  const { blank, face, fit, facts, pixels: artwork } = await readPlaced(ready, args);
  const ppi = args.values.has('ppi') ? readNumber('ppi', args.values.get('ppi')!) : face.target;
  if (ppi < 1 || ppi > 2400) throw badArgument('--ppi is between 1 and 2400.');
  const raster = await artwork(ppi);
  const shown = { facts: () => facts, pixels: () => raster };
  const mirror = args.switches.has('mirror');
  const { pieces } = fit.faces[0]!;
  const pixels = printPixels(face, blank.spec, ppi);
  const jpeg = ending === '.jpg' || ending === '.jpeg';
  const bytes = jpeg
    ? ready.engine.encodeJpeg(flatten(renderFace(face, pieces, shown, { pixels, mirror }), '#ffffff'), {
        ppi,
        quality: 100,
      })
    : (
        await writePrint(
          ready.engine,
          { title: blank.blank.name, blank, face, pieces, kind: kindOf(ending), ppi, mirror },
          shown,
        )
      ).bytes;
  await writeFile(out, bytes);
  const { width, height } = pixels;
  return {
    json: { out, pixels, ppi, bytes: bytes.length, mirrored: mirror },
    text: `${out}: ${width} × ${height} px at ${ppi} PPI, ${bytes.length} bytes`,
    status: 0,
  };
}

function kindOf(ending: string): PrintKind {
  return PRINT_KINDS.find((kind) => ending === `.${kind}`) ?? 'png';
}
