import type { Rect, TemplateDrawing } from './drawing';

/** What of a template is written: its whole page in mm, or exactly the bleed box as so many pixels. */
export type Extent = { kind: 'page' } | { kind: 'bleed'; pixels: { width: number; height: number } };

/** A template as SVG: one named group a layer. Its words must have been turned into paths before. */
export function templateSvg(drawing: TemplateDrawing, extent: Extent): string {
  const region = extent.kind === 'page' ? drawing.page : drawing.bleed;
  const size =
    extent.kind === 'page'
      ? `width="${region.width}mm" height="${region.height}mm"`
      : `width="${extent.pixels.width}" height="${extent.pixels.height}" preserveAspectRatio="none"`;
  const groups = drawing.layers
    .filter(({ id }) => extent.kind === 'page' || id !== 'ruler')
    .map(({ id, name, marks }) => {
      const paths = marks.map(({ d, stroke, dash }) =>
        stroke === 0
          ? `<path d="${d}" fill="#20252b"/>`
          : `<path d="${d}" fill="none" stroke="#20252b" stroke-width="${stroke}"${dash ? ` stroke-dasharray="${dash.join(' ')}"` : ''}/>`,
      );
      return `<g id="${id}"><title>${escape(name)}</title>${paths.join('')}</g>`;
    });
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" ${size} viewBox="${viewBox(region)}">` +
    `<title>${escape(drawing.title)}</title>${groups.join('')}</svg>\n`
  );
}

function viewBox({ x, y, width, height }: Rect): string {
  return `${x} ${y} ${width} ${height}`;
}

function escape(text: string): string {
  return text.replace(/[&<>"]/g, (sign) => `&#${sign.charCodeAt(0)};`);
}
