import type { PrintFace } from '@/core/blank/resolve';
import { writePath } from '@/core/geometry/path';
import { printBoxes, printOutline, type PrintLayer } from '@/core/render/layers';

/** A layer whose picture is made: a PNG over the whole print box. */
export type MadeLayer = Extract<PrintLayer, { kind: 'path' }> | { kind: 'picture'; png: Uint8Array };

/** A face's print as SVG at true size: its paths as paths, its pictures inside it, never a letter of text. */
export function printSvg(face: PrintFace, layers: readonly MadeLayer[]): string {
  const { width, height } = printBoxes(face).page;
  const outline = printOutline(face);
  const drawn = layers.map((layer) =>
    layer.kind === 'path'
      ? `<path d="${writePath(layer.path)}" fill="${layer.colour}"/>`
      : `<image width="${width}" height="${height}" preserveAspectRatio="none" href="data:image/png;base64,${base64(layer.png)}"/>`,
  );
  const clip = outline && `<clipPath id="bleed"><path d="${outline}"/></clipPath>`;
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="0 0 ${width} ${height}">` +
    `${clip ?? ''}<g${clip ? ' clip-path="url(#bleed)"' : ''}>${drawn.join('')}</g></svg>\n`
  );
}

/** In parts: a call takes only so many arguments. */
function base64(bytes: Uint8Array): string {
  const parts: string[] = [];
  for (let at = 0; at < bytes.length; at += 0x8000)
    parts.push(String.fromCharCode(...bytes.subarray(at, at + 0x8000)));
  return btoa(parts.join(''));
}
