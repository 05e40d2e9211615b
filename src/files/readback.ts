import { readHeader } from '@/core/formats/sniff';
import type { PrintFace } from '@/core/blank/resolve';
import { fixed } from '@/core/length/show';
import { FORMATS } from '@/core/formats/registry';
import type { PrintPlan } from '@/core/print/plan';
import { printBoxes } from '@/core/render/layers';
import { openPdf } from './pdf/boxes';
import { readSvgSize } from './svg/size';

/** PPI that a density tag may be off by: TIFF and PNG store it rounded. */
const DENSITY = 0.05;
/** mm that a page's box may be off by. */
const BOX = 0.01;

/** How a written file differs from what was planned, read from its bytes alone; empty where it does not. */
export async function readBack(
  bytes: Uint8Array,
  plan: PrintPlan,
  faces: readonly PrintFace[],
): Promise<string[]> {
  if (plan.format === 'pdf') return readPages(bytes, faces);
  if (plan.format === 'svg') return readDrawing(new TextDecoder().decode(bytes), faces[0]!);
  const header = readHeader('the print file', bytes);
  const { format, width, height, density, colour, alpha } = header;
  const { pixels } = plan;
  return [
    ...differs(format === plan.format, `is ${format.toUpperCase()} and not ${FORMATS[plan.format].name}`),
    ...differs(
      width === pixels.width && height === pixels.height,
      `has ${width} × ${height} px and not ${pixels.width} × ${pixels.height}`,
    ),
    ...differs(
      density !== null &&
        Math.abs(density.x - plan.ppi) < DENSITY &&
        Math.abs(density.y - plan.ppi) < DENSITY,
      `is tagged ${density ? fixed(density.x, 1) : 'no'} PPI and not ${plan.ppi}`,
    ),
    ...differs(
      colour.mode === plan.mode,
      `is ${colour.mode.toUpperCase()} and not ${plan.mode.toUpperCase()}`,
    ),
    ...differs(colour.profile !== null, 'carries no profile'),
    ...differs(plan.alpha || !alpha, 'has an alpha channel'),
  ];
}

async function readPages(bytes: Uint8Array, faces: readonly PrintFace[]): Promise<string[]> {
  const { pages } = await openPdf(bytes, 'the print file');
  if (pages.length !== faces.length) return [`has ${pages.length} pages and not ${faces.length}`];
  return faces.flatMap((face, i) => {
    const { page, trim } = printBoxes(face);
    const bottom = page.height - trim.y - trim.height;
    const wanted = [trim.x, bottom, trim.x + trim.width, bottom + trim.height];
    return [
      ...differs(
        near(pages[i]!.bleed, [0, 0, page.width, page.height]),
        `has another bleed box on page ${i + 1}`,
      ),
      ...differs(near(pages[i]!.trim, wanted), `has another trim box on page ${i + 1}`),
    ];
  });
}

function readDrawing(text: string, face: PrintFace): string[] {
  const attributes = [...(/<svg\s([^>]*)>/.exec(text)?.[1] ?? '').matchAll(/([\w:]+)="([^"]*)"/g)];
  const size = readSvgSize(Object.fromEntries(attributes.map(([, name, value]) => [name!, value!])));
  const { width, height } = printBoxes(face).page;
  return [
    ...differs(size !== null && near([size.width, size.height], [width, height]), 'has another size'),
    ...differs(!/<text|<script/.test(text), 'holds text that is no path'),
  ];
}

function near(found: readonly number[], wanted: readonly number[]): boolean {
  return found.every((value, i) => Math.abs(value - wanted[i]!) < BOX);
}

function differs(same: boolean, words: string): string[] {
  return same ? [] : [words];
}
