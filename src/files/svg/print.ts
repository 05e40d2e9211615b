import type { Drawing } from '@/core/render/drawing';
import type { PrintFace } from '@/core/blank/resolve';
import { writePath } from '@/core/geometry/path';
import { printBoxes, printOutline, type PrintLayer } from '@/core/render/layers';
import { pngImage, Symbols, type PngPart } from './symbols';

/** A layer whose picture is made: a PNG over the whole print box. A drawing's pixels lie in it as PNGs too. */
export type MadeLayer =
  | Extract<PrintLayer, { kind: 'path' }>
  | (Extract<PrintLayer, { kind: 'drawing' }> & { drawing: Drawing<PngPart> })
  | { kind: 'picture'; png: Uint8Array };

/** A face's print as SVG at true size: its paths as paths, its pictures inside it, never a letter of text. */
export function printSvg(face: PrintFace, layers: readonly MadeLayer[]): string {
  const { width, height } = printBoxes(face).page;
  const outline = printOutline(face);
  const symbols = new Symbols();
  const drawn = layers.map((layer) => {
    if (layer.kind === 'path') return `<path d="${writePath(layer.path)}" fill="${layer.colour}"/>`;
    return layer.kind === 'drawing'
      ? symbols.placed(layer.drawing, layer.matrix, layer.clip)
      : pngImage(layer.png, [width, 0, 0, height, 0, 0]);
  });
  const clip = outline && `<clipPath id="bleed"><path d="${outline}"/></clipPath>`;
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="0 0 ${width} ${height}">` +
    `${symbols.stored()}${clip ?? ''}<g${clip ? ' clip-path="url(#bleed)"' : ''}>${drawn.join('')}</g></svg>\n`
  );
}
