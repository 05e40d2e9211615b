import { writeFile } from 'node:fs/promises';
import { basename, extname } from 'node:path';
import { requireMakeablePixels } from '@/core/artwork/limits';
import type { Body } from '@/core/blank/kinds';
import { pixelsOf, trimSize, type PrintFace } from '@/core/blank/resolve';
import { showSize } from '@/core/length/show';
import { drawTemplate } from '@/core/template/drawing';
import { templateGeometry } from '@/core/template/geometry';
import { templateSvg } from '@/core/template/svg';
import { templatePdf } from '@/files/pdf/template';
import { outlineWords, readFont } from '@/files/type';
import type { Readers } from '@/files/artwork';
import type { Answer } from '../answer';
import { shippedFontBytes } from '../font';
import { badArgument, readNumber, type Args } from '../args';
import { MEASURED_SHAPES, readMeasured } from '../measured';
import { findBlank, findFace } from '../placed';

export const TEMPLATE_OPTIONS = ['blank', 'face', 'out', 'ppi', ...MEASURED_SHAPES] as const;

/** `template`: a blank's true-size template, shipped or measured on the spot, and its geometry. */
export async function template(args: Args, readers: () => Promise<Readers>): Promise<Answer> {
  const { body, face, name } = readSubject(args);
  const geometry = templateGeometry(body, face);
  const trim = trimSize(face);
  const size = showSize(trim.width, trim.height);
  const out = args.values.get('out');
  if (out !== undefined) {
    const { bytes } = await make(
      out,
      `${name}, ${face.name.toLowerCase()}`,
      size,
      face,
      geometry,
      args,
      readers,
    );
    await writeFile(out, bytes);
  } else if (!args.switches.has('json'))
    throw badArgument('template wants --out, or --json for the geometry.');
  return {
    json: out === undefined ? geometry : { ...geometry, file: basename(out) },
    text: `${name}: ${size}${out === undefined ? '' : `, written to ${out}`}`,
    status: 0,
  };
}

function readSubject(args: Args): { body: Body; face: PrintFace; name: string } {
  const given = ['blank', ...MEASURED_SHAPES].filter((name) => args.values.has(name));
  if (given.length !== 1)
    throw badArgument(`template wants one of --blank, --${MEASURED_SHAPES.join(', --')}.`);
  const id = args.values.get('blank');
  if (id !== undefined) {
    const resolved = findBlank(id);
    return {
      body: resolved.blank.body,
      face: findFace(resolved, args.values.get('face')),
      name: resolved.blank.name,
    };
  }
  if (args.values.has('face')) throw badArgument('--face goes with --blank.');
  const shape = MEASURED_SHAPES.find((one) => one === given[0])!;
  return { ...readMeasured(shape, args.values.get(shape)!), name: `Measured ${shape}` };
}

async function make(
  out: string,
  title: string,
  size: string,
  face: PrintFace,
  geometry: unknown,
  args: Args,
  readers: () => Promise<Readers>,
): Promise<{ bytes: Uint8Array | string }> {
  const ending = extname(out).toLowerCase();
  if (ending === '.json') return { bytes: `${JSON.stringify(geometry, null, 2)}\n` };
  if (!['.pdf', '.svg', '.png'].includes(ending))
    throw badArgument(`--out ends in .pdf, .svg, .png or .json, not “${ending}”.`);
  const drawing = outlineWords(
    drawTemplate(face, { title, size, paper: 'mm' }),
    readFont(await shippedFontBytes('archivo-narrow')),
  );
  if (ending === '.pdf') return { bytes: await templatePdf(drawing) };
  if (ending === '.svg') return { bytes: templateSvg(drawing, { kind: 'page' }) };
  const ppi = args.values.has('ppi') ? readNumber('ppi', args.values.get('ppi')!) : 300;
  if (ppi < 1 || ppi > 2400) throw badArgument('--ppi is between 1 and 2400.');
  const pixels = pixelsOf(drawing.bleed, ppi);
  requireMakeablePixels(pixels);
  const { engine: ready } = await readers();
  const raster = ready.drawSvg(templateSvg(drawing, { kind: 'bleed', pixels }), pixels.width);
  return { bytes: ready.encodePng(raster, { ppi, use: 'print' }) };
}
