import { writeFile } from 'node:fs/promises';
import { extname } from 'node:path';
import { printFormatOf } from '@/core/formats/registry';
import { planPrint, PRINT_MODES } from '@/core/print/plan';
import type { Readers } from '@/files/artwork';
import { writePrint } from '@/files/print';
import { badArgument, oneOf, readNumber, required, type Args } from '../args';
import type { Answer } from '../answer';
import { PLACED_OPTIONS, readPlaced } from '../placed';

export const RENDER_OPTIONS = [...PLACED_OPTIONS, 'out', 'mode', 'ppi'] as const;

/** `render`: what a house would get, trim plus bleed, in RGB or through the shipped printing profile in CMYK. */
export async function render(args: Args, readers: () => Promise<Readers>): Promise<Answer> {
  const out = required(args, 'out');
  const format = printFormatOf(out);
  if (!format)
    throw badArgument(`--out ends in .png, .jpg, .tif, .pdf or .svg, not “${extname(out).toLowerCase()}”.`);
  const mode = oneOf('mode', args.values.get('mode') ?? 'rgb', PRINT_MODES);
  const ready = await readers();
  const { blank, face, fit, facts, pixels: artwork, drawing } = await readPlaced(ready, args);
  const ppi = args.values.has('ppi') ? readNumber('ppi', args.values.get('ppi')!) : face.target;
  if (ppi < 1 || ppi > 2400) throw badArgument('--ppi is between 1 and 2400.');
  const mirrored = args.switches.has('mirror');
  const plan = planPrint(blank, face, { format, mode, ppi, mirrored });
  const raster = await artwork(ppi);
  const shown = { facts: () => facts, pixels: () => raster, drawing };
  const press = mode === 'cmyk' ? { press: ready.engine.bakePress(null, 'relative'), profile: null } : null;
  const { pieces } = fit.faces[0]!;
  const { bytes, told } = await writePrint(
    ready.engine,
    { title: blank.blank.name, blank, sides: [{ face, pieces }], plan, press },
    shown,
  );
  await writeFile(out, bytes);
  const { width, height } = plan.pixels;
  return {
    json: { out, pixels: plan.pixels, ppi, bytes: bytes.length, mirrored, mode, told },
    text: `${out}: ${width} × ${height} px at ${ppi} PPI, ${[`${mode.toUpperCase()}, ${bytes.length} bytes`, ...told].join('\n')}`,
    status: 0,
  };
}
