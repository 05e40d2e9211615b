import {
  clip,
  concatTransformationMatrix,
  drawObject,
  endPath,
  PDFName,
  popGraphicsState,
  pushGraphicsState,
  rectangle,
  rgb,
  type Color,
  type PDFDocument,
  type PDFPage,
  type PDFRef,
} from '@cantoo/pdf-lib';
import { rgbOf } from '@/core/colour/hex';
import { strokeSpot, type SpotLine } from './spot';
import { PT } from './units';
import { outlineWord, type readFont } from '../type';

export const A4 = { width: 210, height: 297 };
export const INK = rgb(0.125, 0.145, 0.17);
export const SECOND = rgb(0.37, 0.39, 0.42);
export const RULE = rgb(0.72, 0.7, 0.66);

export interface WriteOptions {
  /** Height of the face in mm. */
  size: number;
  colour?: Color;
  anchor?: 'start' | 'middle' | 'end';
  /** mm that the words may take: longer ones end in an ellipsis. */
  within?: number;
}

/** A page that is drawn in mm from its top left, its words as outlines: it looks alike wherever it is opened. */
export class DrawnPage {
  private readonly page: PDFPage;
  private pictures = 0;

  constructor(
    pdf: PDFDocument,
    private readonly font: ReturnType<typeof readFont>,
    readonly size: { width: number; height: number } = A4,
    /** All that is drawn is flipped left to right. */
    mirrored = false,
  ) {
    this.page = pdf.addPage([size.width * PT, size.height * PT]);
    if (mirrored) this.page.pushOperators(concatTransformationMatrix(-1, 0, 0, 1, size.width * PT, 0));
  }

  write(
    text: string,
    x: number,
    y: number,
    { size, colour = INK, anchor = 'start', within }: WriteOptions,
  ): void {
    const words = within === undefined ? text : this.shortened(text, size, within);
    if (words === '') return;
    const { d } = outlineWord({ text: words, x, y, size, anchor }, this.font);
    this.fill(d, colour);
  }

  /** mm that words take. */
  widthOf(text: string, size: number): number {
    return this.font.getAdvanceWidth(text, size);
  }

  /** Words in lines of a width; a word that is longer alone stays whole. */
  wrapped(text: string, size: number, within: number): string[] {
    const lines: string[] = [];
    for (const word of text.split(/\s+/).filter((one) => one !== '')) {
      const last = lines.at(-1);
      if (last !== undefined && this.widthOf(`${last} ${word}`, size) <= within)
        lines[lines.length - 1] = `${last} ${word}`;
      else lines.push(word);
    }
    return lines;
  }

  line(x1: number, y1: number, x2: number, y2: number, thickness = 0.15, colour: Color = INK): void {
    this.page.drawLine({
      start: { x: x1 * PT, y: this.up(y1) },
      end: { x: x2 * PT, y: this.up(y2) },
      thickness: thickness * PT,
      color: colour,
    });
  }

  rectangle(x: number, y: number, width: number, height: number, fill: Color | null, border?: Color): void {
    this.page.drawRectangle({
      x: x * PT,
      y: this.up(y + height),
      width: width * PT,
      height: height * PT,
      ...(fill && { color: fill }),
      ...(border && { borderColor: border, borderWidth: 0.15 * PT }),
    });
  }

  /** A path in mm from the page's top left, as SVG writes it. */
  fill(d: string, colour: Color): void {
    this.page.drawSvgPath(d, { x: 0, y: this.up(0), scale: PT, color: colour });
  }

  /** A path in mm of its own, whose zero lies at a point of the page, drawn at a scale. */
  shape(
    d: string,
    { x, y, scale }: { x: number; y: number; scale: number },
    { fill, line, thickness = 0.15 }: { fill?: Color; line?: Color; thickness?: number },
  ): void {
    this.page.drawSvgPath(d, {
      x: x * PT,
      y: this.up(y),
      scale: scale * PT,
      ...(fill && { color: fill }),
      // A line is drawn at the path's own scale.
      ...(line && { borderColor: line, borderWidth: thickness / scale }),
    });
  }

  stroke(d: string, thickness: number, colour: Color = INK): void {
    this.page.drawSvgPath(d, {
      x: 0,
      y: this.up(0),
      scale: PT,
      borderColor: colour,
      borderWidth: thickness,
    });
  }

  /** A cut line in an ink of its own. */
  spot(line: SpotLine): void {
    strokeSpot(this.page, line, this.size.height);
  }

  /** A picture in a box, upright. */
  picture(picture: PDFRef, x: number, y: number, width: number, height: number): void {
    this.placed(picture, [width, 0, 0, height, x, this.size.height - y - height]);
  }

  /** A picture that fills the unit square, through a matrix in mm from the page's lower left. */
  placed(picture: PDFRef, matrix: readonly [number, number, number, number, number, number]): void {
    const name = `Placed${this.pictures++}`;
    this.page.node.setXObject(PDFName.of(name), picture);
    const [a, b, c, d, e, f] = matrix.map((value) => value * PT) as [
      number,
      number,
      number,
      number,
      number,
      number,
    ];
    this.page.pushOperators(
      pushGraphicsState(),
      concatTransformationMatrix(a, b, c, d, e, f),
      drawObject(name),
      popGraphicsState(),
    );
  }

  /** What is drawn meanwhile is cut off at a box. */
  clipped(x: number, y: number, width: number, height: number, draw: () => void): void {
    this.page.pushOperators(
      pushGraphicsState(),
      rectangle(x * PT, this.up(y + height), width * PT, height * PT),
      clip(),
      endPath(),
    );
    draw();
    this.page.pushOperators(popGraphicsState());
  }

  private up(y: number): number {
    return (this.size.height - y) * PT;
  }

  private shortened(text: string, size: number, within: number): string {
    if (this.widthOf(text, size) <= within) return text;
    let short = text;
    while (short.length > 1 && this.widthOf(`${short}…`, size) > within) short = short.slice(0, -1);
    return `${short.trimEnd()}…`;
  }
}

export function screenColour(hex: string): Color {
  const [red, green, blue] = rgbOf(hex);
  return rgb(red / 255, green / 255, blue / 255);
}
