import {
  concatTransformationMatrix,
  drawObject,
  LineCapStyle,
  LineJoinStyle,
  PDFName,
  PDFNumber,
  PDFOperator,
  PDFOperatorNames,
  popGraphicsState,
  pushGraphicsState,
  setFillingColor,
  setLineCap,
  setLineJoin,
  setLineWidth,
  setDashPattern,
  setStrokingColor,
  type Color,
  type PDFDict,
  type PDFDocument,
  type PDFRef,
} from '@cantoo/pdf-lib';
import type {
  Drawing,
  DrawnClip,
  DrawnGroup,
  DrawnMark,
  DrawnNode,
  DrawnStroke,
  Gradient,
  Paint,
} from '@/core/render/drawing';
import { combined, type Matrix } from '@/core/geometry/matrix';
import type { DrawnPart } from '../drawings';
import { pathOperators } from './path';
import { pictureOf, type MadePicture } from './picture';

/** A part of a drawing that is pixels: its picture. */
export type DrawnPicture = DrawnPart & MadePicture;

export interface FormColours {
  /** What colours come to: on a press inks, else as they are. */
  colourOf: (hex: string) => Color;
  /** What RGB is by; null where all is in inks. */
  rgb: PDFRef | null;
}

const CAPS = { butt: LineCapStyle.Butt, round: LineCapStyle.Round, square: LineCapStyle.Projecting };
const JOINS = { miter: LineJoinStyle.Miter, round: LineJoinStyle.Round, bevel: LineJoinStyle.Bevel };

/**
 * A drawing as a form (ISO 32000-1, 8.10): stored once, placed as often as it is wanted. Its box is the unit square, its
 * top left at (0, 0), as a picture's would be but for its direction: y goes down.
 */
export function drawingForm(pdf: PDFDocument, drawing: Drawing<DrawnPicture>, colours: FormColours): PDFRef {
  const { width, height, matrix } = drawing;
  const scaled = combined([1 / width, 0, 0, 1 / height, 0, 0], matrix);
  const form = new Form(pdf, colours);
  form.nodes(drawing.nodes, scaled);
  return form.stored([0, 0, 1, 1], null);
}

/** What is drawn into one form, and the things of the document that it needs by name. */
class Form {
  private readonly operators: PDFOperator[] = [];
  private readonly resources: PDFDict;
  private count = 0;

  constructor(
    private readonly pdf: PDFDocument,
    private readonly colours: FormColours,
  ) {
    const { rgb } = colours;
    this.resources = pdf.context.obj(rgb ? { ColorSpace: { DefaultRGB: rgb } } : {});
  }

  /** The form as an object of the document; `group` makes what is in it show through together. */
  stored(box: readonly number[], group: 'together' | null): PDFRef {
    const stream = this.pdf.context.formXObject(this.operators, {
      BBox: this.pdf.context.obj([...box]),
      Resources: this.resources,
      ...(group && { Group: this.pdf.context.obj({ Type: 'Group', S: 'Transparency' }) }),
    });
    return this.pdf.context.register(stream);
  }

  nodes(nodes: readonly DrawnNode<DrawnPicture>[], matrix: Matrix): void {
    for (const node of nodes) {
      this.operators.push(pushGraphicsState());
      if (node.kind === 'mark') this.mark(node, matrix);
      else if (node.kind === 'group') this.group(node, matrix);
      else this.picture(node, matrix);
      this.operators.push(popGraphicsState());
    }
  }

  private mark({ matrix: own, path, evenOdd, fill, stroke }: DrawnMark, matrix: Matrix): void {
    this.operators.push(transformed(combined(matrix, own)));
    if (fill) {
      this.operators.push(pushGraphicsState());
      this.fill(fill, pathOperators(path), evenOdd);
      this.operators.push(popGraphicsState());
    }
    if (stroke) this.stroke(stroke, pathOperators(path));
  }

  private fill(paint: Paint, path: PDFOperator[], evenOdd: boolean): void {
    this.alpha('ca', paint.alpha);
    if (paint.kind === 'flat') {
      const fill = evenOdd ? PDFOperatorNames.FillEvenOdd : PDFOperatorNames.FillNonZero;
      this.operators.push(
        setFillingColor(this.colours.colourOf(paint.colour)),
        ...path,
        PDFOperator.of(fill),
      );
      return;
    }
    const shading = this.named('Shading', this.shading(paint));
    this.operators.push(
      ...path,
      ...clipped(evenOdd),
      transformed(paint.matrix),
      PDFOperator.of(PDFOperatorNames.ShadingFill, [shading]),
    );
  }

  private stroke(
    { colour, alpha, width, cap, join, miterLimit, dash, dashOffset }: DrawnStroke,
    path: PDFOperator[],
  ): void {
    this.alpha('CA', alpha);
    this.operators.push(
      setStrokingColor(this.colours.colourOf(colour)),
      setLineWidth(width),
      setLineCap(CAPS[cap]),
      setLineJoin(JOINS[join]),
      PDFOperator.of(PDFOperatorNames.SetLineMiterLimit, [PDFNumber.of(Math.max(1, miterLimit))]),
      ...(dash.length > 0 ? [setDashPattern([...dash], dashOffset)] : []),
      ...path,
      PDFOperator.of(PDFOperatorNames.StrokePath),
    );
  }

  private group({ opacity, clips, nodes }: DrawnGroup<DrawnPicture>, matrix: Matrix): void {
    for (const clip of clips) this.clip(clip, matrix);
    if (opacity === 1) {
      this.nodes(nodes, matrix);
      return;
    }
    const inner = new Form(this.pdf, this.colours);
    inner.nodes(nodes, matrix);
    this.alpha('ca', opacity);
    // Whatever is in it may reach past the drawing's box, which its own form is cut off at.
    const name = this.named('XObject', inner.stored([-1, -1, 2, 2], 'together'));
    this.operators.push(drawObject(name));
  }

  /** A clip leaves the coordinates as they were: its path is brought into them. */
  private clip({ path, matrix: own, evenOdd }: DrawnClip, matrix: Matrix): void {
    const [a, b, c, d, e, f] = combined(matrix, own);
    const at = ({ x, y }: { x: number; y: number }) => ({ x: a * x + c * y + e, y: b * x + d * y + f });
    this.operators.push(...pathOperators(path, at), ...clipped(evenOdd));
  }

  private picture({ matrix: own, ...made }: DrawnPicture, matrix: Matrix): void {
    const name = this.named('XObject', pictureOf(this.pdf, made));
    // A picture's own first row is at the top of its unit square, which goes up.
    this.operators.push(transformed(combined(combined(matrix, own), [1, 0, 0, -1, 0, 1])), drawObject(name));
  }

  /** A run of colours (ISO 32000-1, 8.7.4.5): between stops straight on. */
  private shading({ kind, at, stops }: Gradient): PDFRef {
    const { context } = this.pdf;
    const colours = stops.map((stop) => ({
      at: stop.at,
      parts: partsOf(this.colours.colourOf(stop.colour)),
    }));
    const [first] = colours;
    const [x1 = 0, y1 = 0, x2 = 0, y2 = 0, r = 0] = at;
    return context.register(
      context.obj({
        ShadingType: kind === 'linear' ? 2 : 3,
        ColorSpace: first!.parts.length === 4 ? 'DeviceCMYK' : 'DeviceRGB',
        Coords: kind === 'linear' ? [x1, y1, x2, y2] : [x1, y1, 0, x2, y2, r],
        Extend: [true, true],
        Function: this.run(colours),
      }),
    );
  }

  private run(colours: readonly { at: number; parts: readonly number[] }[]): PDFRef {
    const { context } = this.pdf;
    // Both ends of it have a colour, whatever stops there are.
    const all = [{ ...colours[0]!, at: 0 }, ...colours, { ...colours.at(-1)!, at: 1 }];
    const steps = all.slice(1).flatMap((to, i) => {
      const from = all[i]!;
      return to.at > from.at ? [{ from, to }] : [];
    });
    const between = steps.map(({ from, to }) =>
      context.register(
        context.obj({ FunctionType: 2, Domain: [0, 1], C0: [...from.parts], C1: [...to.parts], N: 1 }),
      ),
    );
    if (between.length === 1) return between[0]!;
    return context.register(
      context.obj({
        FunctionType: 3,
        Domain: [0, 1],
        Functions: between,
        Bounds: steps.slice(1).map(({ from }) => from.at),
        Encode: steps.flatMap(() => [0, 1]),
      }),
    );
  }

  private alpha(key: 'ca' | 'CA', share: number): void {
    if (share === 1) return;
    const state = this.pdf.context.register(this.pdf.context.obj({ Type: 'ExtGState', [key]: share }));
    const name = this.named('ExtGState', state);
    this.operators.push(PDFOperator.of(PDFOperatorNames.SetGraphicsStateParams, [name]));
  }

  private named(kind: 'XObject' | 'ExtGState' | 'Shading', ref: PDFRef): PDFName {
    const key = PDFName.of(kind);
    if (!this.resources.has(key)) this.resources.set(key, this.pdf.context.obj({}));
    const name = PDFName.of(`${kind}${this.count++}`);
    (this.resources.lookup(key) as PDFDict).set(name, ref);
    return name;
  }
}

function transformed(matrix: Matrix): PDFOperator {
  return concatTransformationMatrix(...(matrix as [number, number, number, number, number, number]));
}

function clipped(evenOdd: boolean): PDFOperator[] {
  return [
    PDFOperator.of(evenOdd ? PDFOperatorNames.ClipEvenOdd : PDFOperatorNames.ClipNonZero),
    PDFOperator.of(PDFOperatorNames.EndPath),
  ];
}

function partsOf(colour: Color): number[] {
  if ('cyan' in colour) return [colour.cyan, colour.magenta, colour.yellow, colour.key];
  return 'red' in colour ? [colour.red, colour.green, colour.blue] : [colour.gray, colour.gray, colour.gray];
}
