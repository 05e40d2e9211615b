import {
  decodePDFRawStream,
  PDFArray,
  PDFDict,
  PDFName,
  PDFNumber,
  PDFRawStream,
  PDFStream,
  type PDFContext,
  type PDFObject,
  type PDFPage,
} from '@cantoo/pdf-lib';
import type { PixelSize, PlacedImage } from '@/core/artwork/facts';
import { MM_PER_INCH } from '@/core/length/units';
import { combined, IDENTITY, scales, type Matrix } from '@/core/geometry/matrix';
import { colourSpace, type SpaceFound } from './colour';
import { operatorsOf, type Operand } from './tokens';

/** What a page draws with. */
export interface PageContent {
  /** Runs of live text that show: fonts are needed for it, unless it is outlined. */
  textRuns: number;
  images: (PlacedImage & { stream?: PDFRawStream })[];
  /** Colour modes that something is drawn in. */
  modes: Set<SpaceFound['mode']>;
  /** Names of spot colours. */
  spots: Set<string>;
  /** Whether anything is set to leave what lies under it on the other plates. */
  overprints: boolean;
  /** Names of profiles that colours are given in. */
  profiles: Set<string>;
  /** The most bits a channel of its pictures has. */
  bits: number;
}

const PT_PER_INCH = 72;
/** Forms inside forms, and forms in all: further than any page goes, less than a bomb needs. */
const MOST_NESTED = 12;
const MOST_FORMS = 2000;
/** Bytes of drawing that are read of one page. */
const MOST_BYTES = 64 * 1024 * 1024;
const INVISIBLE = 3;

const SHOWS_TEXT = new Set(['Tj', 'TJ', "'", '"']);
const MODES: Record<string, SpaceFound['mode']> = {
  g: 'grey',
  G: 'grey',
  rg: 'rgb',
  RG: 'rgb',
  k: 'cmyk',
  K: 'cmyk',
};

/** Walks through all that a page draws. `unit` is the page's `/UserUnit`. */
export function readContent(page: PDFPage, unit: number): PageContent {
  const walk = new Walk(page.doc.context, unit);
  const contents = page.node.lookup(PDFName.of('Contents'));
  const resources = page.node.Resources();
  walk.run(walk.bytesOf(contents), resources, IDENTITY, 0);
  return walk.found;
}

class Walk {
  readonly found: PageContent = {
    textRuns: 0,
    images: [],
    modes: new Set(),
    spots: new Set(),
    overprints: false,
    profiles: new Set(),
    bits: 0,
  };
  private forms = 0;
  private read = 0;

  constructor(
    private readonly context: PDFContext,
    private readonly unit: number,
  ) {}

  /** All streams of a page's contents, one behind the other. */
  bytesOf(contents: PDFObject | undefined): Uint8Array {
    const streams = contents instanceof PDFArray ? contents.asArray() : contents ? [contents] : [];
    const parts = streams
      .map((one) => this.context.lookup(one))
      .filter((one) => one instanceof PDFStream)
      .map((one) => this.decoded(one));
    const whole = new Uint8Array(parts.reduce((sum, part) => sum + part.length + 1, 0)).fill(10);
    let at = 0;
    for (const part of parts) {
      whole.set(part, at);
      at += part.length + 1;
    }
    return whole;
  }

  run(bytes: Uint8Array, resources: PDFDict | undefined, start: Matrix, depth: number): void {
    let matrix = start;
    let invisible = false;
    const saved: { matrix: Matrix; invisible: boolean }[] = [];
    for (const { operator, operands } of operatorsOf(bytes)) {
      switch (operator) {
        case 'q':
          if (saved.length < 1000) saved.push({ matrix, invisible });
          break;
        case 'Q':
          ({ matrix, invisible } = saved.pop() ?? { matrix, invisible });
          break;
        case 'cm':
          matrix = combined(matrix, matrixOf(operands));
          break;
        case 'Tr':
          invisible = operands[0] === INVISIBLE;
          break;
        case 'cs':
        case 'CS':
          this.takeSpace(this.spaceNamed(operands[0], resources));
          break;
        case 'gs':
          this.takeState(this.resource(resources, 'ExtGState', operands[0]));
          break;
        case 'Do':
          this.draw(operands[0], resources, matrix, depth);
          break;
        case 'BI':
          this.takeInline(operands, resources, matrix);
          break;
        default:
          if (MODES[operator]) this.found.modes.add(MODES[operator]);
          else if (SHOWS_TEXT.has(operator) && !invisible) this.found.textRuns++;
      }
    }
  }

  private draw(
    name: Operand | undefined,
    resources: PDFDict | undefined,
    matrix: Matrix,
    depth: number,
  ): void {
    const stream = this.resource(resources, 'XObject', name);
    if (!(stream instanceof PDFStream)) return;
    const kind = stream.dict.lookup(PDFName.of('Subtype'));
    if (kind === PDFName.of('Image')) {
      const bare = stream.dict.lookup(PDFName.of('ImageMask'));
      const size = { width: numberIn(stream.dict, 'Width'), height: numberIn(stream.dict, 'Height') };
      // A mask has no detail of its own: it is the outline of a colour.
      this.takeImage(
        size,
        matrix,
        String(bare) !== 'true' && stream instanceof PDFRawStream ? stream : undefined,
      );
      if (String(bare) === 'true') return;
      this.found.bits = Math.max(this.found.bits, numberIn(stream.dict, 'BitsPerComponent'));
      this.takeSpace(stream.dict.lookup(PDFName.of('ColorSpace')));
    } else if (kind === PDFName.of('Form') && depth < MOST_NESTED && this.forms++ < MOST_FORMS) {
      const own = stream.dict.lookup(PDFName.of('Matrix'));
      const inner =
        own instanceof PDFArray
          ? matrixOf(own.asArray().map((one) => numberOf(this.context.lookup(one))))
          : IDENTITY;
      const inside = stream.dict.lookup(PDFName.of('Resources'));
      this.run(
        this.decoded(stream),
        inside instanceof PDFDict ? inside : resources,
        combined(matrix, inner),
        depth + 1,
      );
    }
  }

  private takeInline(operands: readonly Operand[], resources: PDFDict | undefined, matrix: Matrix): void {
    const value = (...keys: string[]) => {
      const at = operands.findIndex((one, i) => i % 2 === 0 && keys.some((key) => one === `/${key}`));
      return at < 0 ? undefined : operands[at + 1];
    };
    const whole = (given: Operand | undefined) => (typeof given === 'number' ? given : 0);
    this.takeImage({ width: whole(value('W', 'Width')), height: whole(value('H', 'Height')) }, matrix);
    this.found.bits = Math.max(this.found.bits, whole(value('BPC', 'BitsPerComponent')));
    this.takeSpace(this.spaceNamed(value('CS', 'ColorSpace'), resources));
  }

  /** A picture fills the unit square of its own space (ISO 32000-1, 8.9.3). */
  private takeImage(pixels: PixelSize, matrix: Matrix, stream?: PDFRawStream): void {
    const side = scales(matrix);
    const inches = { x: (side.x * this.unit) / PT_PER_INCH, y: (side.y * this.unit) / PT_PER_INCH };
    if (
      pixels.width < 1 ||
      pixels.height < 1 ||
      inches.x * MM_PER_INCH < 1e-6 ||
      inches.y * MM_PER_INCH < 1e-6
    )
      return;
    const ppi = { x: pixels.width / inches.x, y: pixels.height / inches.y };
    this.found.images.push({ pixels, ppi, ...(stream && { stream }) });
  }

  /** Overprint for strokes, or for fills and all else (ISO 32000-1, 8.6.7). */
  private takeState(state: PDFObject | undefined): void {
    if (!(state instanceof PDFDict)) return;
    const isOn = (key: string) => String(state.lookup(PDFName.of(key))) === 'true';
    this.found.overprints ||= isOn('OP') || isOn('op');
  }

  private takeSpace(space: PDFObject | undefined): void {
    const { modes, spots, profiles } = this.found;
    for (const { mode, spot, profile } of colourSpace(space, this.context)) {
      modes.add(mode);
      if (spot) spots.add(spot);
      if (profile) profiles.add(profile);
    }
  }

  private spaceNamed(name: Operand | undefined, resources: PDFDict | undefined): PDFObject | undefined {
    if (typeof name !== 'string') return undefined;
    return this.resource(resources, 'ColorSpace', name) ?? PDFName.of(name.slice(1));
  }

  private resource(
    resources: PDFDict | undefined,
    kind: string,
    name: Operand | undefined,
  ): PDFObject | undefined {
    const of = resources?.lookup(PDFName.of(kind));
    return of instanceof PDFDict && typeof name === 'string'
      ? of.lookup(PDFName.of(name.slice(1)))
      : undefined;
  }

  private decoded(stream: PDFStream): Uint8Array {
    try {
      const bytes =
        stream instanceof PDFRawStream ? decodePDFRawStream(stream).decode() : stream.getContents();
      this.read += bytes.length;
      return this.read > MOST_BYTES ? new Uint8Array(0) : bytes;
    } catch {
      return new Uint8Array(0);
    }
  }
}

function matrixOf(operands: readonly Operand[]): Matrix {
  const values = operands.filter((one) => typeof one === 'number');
  return values.length === 6 ? (values as unknown as Matrix) : IDENTITY;
}

function numberIn(dictionary: PDFDict, key: string): number {
  return numberOf(dictionary.lookup(PDFName.of(key)));
}

function numberOf(value: PDFObject | undefined): number {
  return value instanceof PDFNumber ? value.asNumber() : 0;
}
