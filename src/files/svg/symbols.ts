import type { Drawing, DrawnClip, DrawnGroup, DrawnMark, DrawnNode, Gradient } from '@/core/render/drawing';
import { combined, moved, type Matrix } from '@/core/geometry/matrix';
import { mapPath, writePath, type Path } from '@/core/geometry/path';
import type { DrawnPart } from '../drawings';

/** A part of a drawing that is pixels: its PNG. */
export type PngPart = DrawnPart & { png: Uint8Array };

/** Decimals of a path's numbers: drawings may have large or small units. */
const DECIMALS = 7;

/** Drawings in a file of SVG, each stored once as a symbol however often it is placed. */
export class Symbols {
  private readonly ids = new Map<Drawing<PngPart>, string>();
  private readonly parts: string[] = [];
  private count = 0;

  /** All symbols, to stand before what places them. */
  stored(): string {
    return this.parts.length === 0 ? '' : `<defs>${this.parts.join('')}</defs>`;
  }

  /** A drawing placed by a matrix from shares of its box, cut off at a path. */
  placed(drawing: Drawing<PngPart>, matrix: Matrix, clip: Path | null): string {
    let id = this.ids.get(drawing);
    if (id === undefined) {
      id = this.named('drawing');
      this.ids.set(drawing, id);
      const { width, height, nodes } = drawing;
      this.parts.push(
        `<symbol id="${id}" viewBox="0 0 ${width} ${height}" preserveAspectRatio="none">${nodes.map((node) => this.node(node, drawing.matrix)).join('')}</symbol>`,
      );
    }
    const laid = combined(matrix, [1 / drawing.width, 0, 0, 1 / drawing.height, 0, 0]);
    const used = `<use href="#${id}" width="${drawing.width}" height="${drawing.height}" transform="${written(laid)}"/>`;
    return clip ? `<g clip-path="url(#${this.clipPath(clip, false)})">${used}</g>` : used;
  }

  private node(node: DrawnNode<PngPart>, matrix: Matrix): string {
    if (node.kind === 'mark') return this.mark(node, matrix);
    return node.kind === 'group'
      ? this.group(node, matrix)
      : pngImage(node.png, combined(matrix, node.matrix));
  }

  private mark({ matrix: own, path, evenOdd, fill, stroke }: DrawnMark, matrix: Matrix): string {
    const attributes: [string, string | number][] = [['transform', written(combined(matrix, own))]];
    if (evenOdd) attributes.push(['fill-rule', 'evenodd']);
    attributes.push([
      'fill',
      !fill ? 'none' : fill.kind === 'flat' ? fill.colour : `url(#${this.gradient(fill)})`,
    ]);
    if (fill && fill.alpha < 1) attributes.push(['fill-opacity', fill.alpha]);
    if (stroke) {
      attributes.push(['stroke', stroke.colour], ['stroke-width', stroke.width]);
      attributes.push(['stroke-linecap', stroke.cap], ['stroke-linejoin', stroke.join]);
      attributes.push(['stroke-miterlimit', stroke.miterLimit]);
      if (stroke.alpha < 1) attributes.push(['stroke-opacity', stroke.alpha]);
      if (stroke.dash.length > 0)
        attributes.push(
          ['stroke-dasharray', stroke.dash.join(' ')],
          ['stroke-dashoffset', stroke.dashOffset],
        );
    }
    const all = attributes.map(([key, value]) => ` ${key}="${value}"`).join('');
    return `<path d="${writePath(path, DECIMALS)}"${all}/>`;
  }

  private group({ opacity, clips, nodes }: DrawnGroup<PngPart>, matrix: Matrix): string {
    const inner = nodes.map((node) => this.node(node, matrix)).join('');
    const shown = opacity < 1 ? `<g opacity="${opacity}">${inner}</g>` : inner;
    return clips.reduceRight((within, { path, matrix: own, evenOdd }: DrawnClip) => {
      const through = combined(matrix, own);
      const laid = mapPath(path, ({ x, y }) => moved(through, x, y));
      return `<g clip-path="url(#${this.clipPath(laid, evenOdd)})">${within}</g>`;
    }, shown);
  }

  private gradient({ kind, at, matrix, stops }: Gradient): string {
    const id = this.named('colours');
    const keys = kind === 'linear' ? ['x1', 'y1', 'x2', 'y2'] : ['fx', 'fy', 'cx', 'cy', 'r'];
    const ends = keys.map((key, i) => ` ${key}="${at[i] ?? 0}"`).join('');
    const inner = stops.map((stop) => `<stop offset="${stop.at}" stop-color="${stop.colour}"/>`).join('');
    this.parts.push(
      `<${kind}Gradient id="${id}" gradientUnits="userSpaceOnUse" gradientTransform="${written(matrix)}"${ends}>${inner}</${kind}Gradient>`,
    );
    return id;
  }

  private clipPath(path: Path, evenOdd: boolean): string {
    const id = this.named('clip');
    const rule = evenOdd ? ' clip-rule="evenodd"' : '';
    this.parts.push(`<clipPath id="${id}"><path d="${writePath(path, DECIMALS)}"${rule}/></clipPath>`);
    return id;
  }

  private named(what: string): string {
    return `${what}${++this.count}`;
  }
}

/** A picture inside a file of SVG, from the unit square to where a matrix lays it. */
export function pngImage(png: Uint8Array, matrix: Matrix): string {
  return `<image width="1" height="1" transform="${written(matrix)}" preserveAspectRatio="none" href="data:image/png;base64,${base64(png)}"/>`;
}

function written(matrix: Matrix): string {
  return `matrix(${matrix.join(' ')})`;
}

/** In parts: a call takes only so many arguments. */
function base64(bytes: Uint8Array): string {
  const parts: string[] = [];
  for (let at = 0; at < bytes.length; at += 0x8000)
    parts.push(String.fromCharCode(...bytes.subarray(at, at + 0x8000)));
  return btoa(parts.join(''));
}
