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
import { UpFitError } from '@/core/errors';
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
/** Forms inside forms: as deep as pages may be nested (ISO 32000-1, annex C). Each may want a layer of its own. */
const MOST_NESTED = 28;
/** Steps of drawing of one page, those of a form as often as it is drawn: a detailed map has a tenth of it. */
const MOST_STEPS = 3_000_000;
/** What a layer of its own costs, in steps, where it is as large as the page; a smaller one by its area. */
const LAYER_STEPS = 3_000;
/** What a picture costs each time that it is drawn, in steps. */
const IMAGE_STEPS = 100;
/** Dashes finer than this, in points, are no line that anybody sees: each of them is a step. */
const FINEST_DASH = 0.1;
/** Pixels of all pictures of one page, each once: they are held whole while it is drawn. A banner of 1.8 m has 180 million. */
const MOST_PIXELS = 250_000_000;
/** Bytes of drawing of one page, each form once. */
const MOST_BYTES = 96 * 1024 * 1024;
/** Bytes that are taken out of their compression at once. */
const PART = 1024 * 1024;
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

/**
 * Walks through all that a page draws, before anything draws it: a page that draws without end is refused here, `too-large`.
 * `unit` is the page's `/UserUnit`.
 */
export function readContent(name: string, page: PDFPage, unit: number): PageContent {
  const walk = new Walk(name, page.doc.context, page.getMediaBox());
  const contents = page.node.lookup(PDFName.of('Contents'));
  const { textRuns, images } = walk.run(walk.bytesOf(contents), page.node.Resources(), 0);
  return { ...walk.found, textRuns, images: images.flatMap((image) => placed(image, unit) ?? []) };
}

/** What a stream draws, where it lies by itself; as much as it draws each time that it is drawn. */
interface Drawn {
  steps: number;
  /** The area of the layer that it wants for itself. */
  layer?: number;
  textRuns: number;
  images: { pixels: PixelSize; matrix: Matrix; stream?: PDFRawStream }[];
}

/** A picture fills the unit square of its own space (ISO 32000-1, 8.9.3). None where it has no size to speak of. */
function placed(
  { pixels, matrix, stream }: Drawn['images'][number],
  unit: number,
): PageContent['images'][number] | null {
  const side = scales(matrix);
  const inches = { x: (side.x * unit) / PT_PER_INCH, y: (side.y * unit) / PT_PER_INCH };
  if (pixels.width < 1 || pixels.height < 1 || Math.min(inches.x, inches.y) * MM_PER_INCH < 1e-6) return null;
  const ppi = { x: pixels.width / inches.x, y: pixels.height / inches.y };
  return { pixels, ppi, ...(stream && { stream }) };
}

class Walk {
  readonly found: Omit<PageContent, 'textRuns' | 'images'> = {
    modes: new Set(),
    spots: new Set(),
    overprints: false,
    profiles: new Set(),
    bits: 0,
  };
  private bytes = 0;
  private pixels = 0;
  private readonly pictures = new Set<PDFStream>();
  /** Forms that were walked before: one is walked once, however often it is drawn. */
  private readonly forms = new Map<PDFStream, Drawn>();

  constructor(
    private readonly name: string,
    private readonly context: PDFContext,
    /** In points. */
    private readonly page: { width: number; height: number },
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

  run(bytes: Uint8Array, resources: PDFDict | undefined, depth: number): Drawn {
    const drawn: Drawn = { steps: 0, textRuns: 0, images: [] };
    let matrix = IDENTITY;
    let invisible = false;
    let dashes = 0;
    const saved: { matrix: Matrix; invisible: boolean; dashes: number }[] = [];
    for (const { operator, operands } of operatorsOf(bytes)) {
      this.count(drawn, 1);
      switch (operator) {
        case 'q':
          if (saved.length < 1000) saved.push({ matrix, invisible, dashes });
          break;
        case 'Q':
          ({ matrix, invisible, dashes } = saved.pop() ?? { matrix, invisible, dashes });
          break;
        case 'cm':
          matrix = combined(matrix, matrixOf(operands));
          break;
        case 'd':
          dashes = dashesOf(operands[0], Math.hypot(this.page.width, this.page.height), scales(matrix).x);
          break;
        case 'S':
        case 's':
        case 'B':
        case 'B*':
        case 'b':
        case 'b*':
          this.count(drawn, dashes);
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
          this.draw(drawn, this.resource(resources, 'XObject', operands[0]), resources, matrix, depth);
          break;
        case 'BI':
          this.takeInline(drawn, operands, resources, matrix);
          break;
        default:
          if (MODES[operator]) this.found.modes.add(MODES[operator]);
          else if (SHOWS_TEXT.has(operator) && !invisible) drawn.textRuns++;
      }
    }
    return drawn;
  }

  private draw(
    drawn: Drawn,
    stream: PDFObject | undefined,
    resources: PDFDict | undefined,
    matrix: Matrix,
    depth: number,
  ): void {
    if (!(stream instanceof PDFStream)) return;
    const kind = stream.dict.lookup(PDFName.of('Subtype'));
    if (kind === PDFName.of('Image')) this.takePicture(drawn, stream, matrix);
    if (kind !== PDFName.of('Form')) return;
    const { steps, textRuns, images, layer = 0 } = this.form(stream, resources, depth);
    const share = (layer * areaOf(matrix)) / (this.page.width * this.page.height || 1);
    this.count(drawn, steps + LAYER_STEPS * Math.min(1, share));
    drawn.textRuns += textRuns;
    for (const image of images) drawn.images.push({ ...image, matrix: combined(matrix, image.matrix) });
  }

  /** What a form draws, where it lies in what draws it. */
  private form(stream: PDFStream, around: PDFDict | undefined, depth: number): Drawn {
    const known = this.forms.get(stream);
    if (known) return known;
    if (depth === MOST_NESTED) this.refuse();
    const own = stream.dict.lookup(PDFName.of('Matrix'));
    const matrix =
      own instanceof PDFArray
        ? matrixOf(own.asArray().map((one) => numberOf(this.context.lookup(one))))
        : IDENTITY;
    const inside = stream.dict.lookup(PDFName.of('Resources'));
    const drawn = this.run(this.decoded(stream), inside instanceof PDFDict ? inside : around, depth + 1);
    const layered = stream.dict.lookup(PDFName.of('Group')) instanceof PDFDict;
    const layer = layered ? boxArea(stream.dict.lookup(PDFName.of('BBox'))) * areaOf(matrix) : 0;
    const images = drawn.images.map((image) => ({ ...image, matrix: combined(matrix, image.matrix) }));
    const form = { ...drawn, images, layer };
    this.forms.set(stream, form);
    return form;
  }

  private takePicture(drawn: Drawn, stream: PDFStream, matrix: Matrix): void {
    const pixels = { width: numberIn(stream.dict, 'Width'), height: numberIn(stream.dict, 'Height') };
    if (!this.pictures.has(stream)) {
      this.pictures.add(stream);
      this.pixels += pixels.width * pixels.height;
      if (this.pixels > MOST_PIXELS) this.refuse();
    }
    // A mask has no detail of its own: it is the outline of a colour.
    const bare = String(stream.dict.lookup(PDFName.of('ImageMask'))) === 'true';
    this.takeImage(drawn, { pixels, matrix, ...(!bare && stream instanceof PDFRawStream && { stream }) });
    if (bare) return;
    this.found.bits = Math.max(this.found.bits, numberIn(stream.dict, 'BitsPerComponent'));
    this.takeSpace(stream.dict.lookup(PDFName.of('ColorSpace')));
  }

  private takeImage(drawn: Drawn, image: Drawn['images'][number]): void {
    this.count(drawn, IMAGE_STEPS);
    drawn.images.push(image);
  }

  private takeInline(
    drawn: Drawn,
    operands: readonly Operand[],
    resources: PDFDict | undefined,
    matrix: Matrix,
  ): void {
    const value = (...keys: string[]) => {
      const at = operands.findIndex((one, i) => i % 2 === 0 && keys.some((key) => one === `/${key}`));
      return at < 0 ? undefined : operands[at + 1];
    };
    const whole = (given: Operand | undefined) => (typeof given === 'number' ? given : 0);
    const pixels = { width: whole(value('W', 'Width')), height: whole(value('H', 'Height')) };
    this.takeImage(drawn, { pixels, matrix });
    this.found.bits = Math.max(this.found.bits, whole(value('BPC', 'BitsPerComponent')));
    this.takeSpace(this.spaceNamed(value('CS', 'ColorSpace'), resources));
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
    const bytes = bytesIn(stream);
    this.bytes += bytes.length;
    if (this.bytes > MOST_BYTES) this.refuse();
    return bytes;
  }

  private count(drawn: Drawn, steps: number): void {
    drawn.steps += steps;
    // What is no number at all is past all bounds too.
    if (!(drawn.steps <= MOST_STEPS)) this.refuse();
  }

  private refuse(): never {
    throw new UpFitError(
      'too-large',
      `“${this.name}” draws more than can be looked at here: save it flattened, or as a picture of the size that it prints in.`,
    );
  }
}

/** How many dashes a line across the page has, where they are too fine to be any; else none that count. */
function dashesOf(pattern: Operand | undefined, across: number, scale: number): number {
  const lengths = Array.isArray(pattern) ? pattern.filter((one) => typeof one === 'number') : [];
  const period = (lengths.reduce((sum, length) => sum + Math.abs(length), 0) / lengths.length) * scale;
  return period > 0 && period < FINEST_DASH ? across / period : 0;
}

/** What a stream says, or a little more than `MOST_BYTES` of it; nothing where it is damaged. */
function bytesIn(stream: PDFStream): Uint8Array {
  try {
    if (!(stream instanceof PDFRawStream)) return stream.getContents();
    const decoder = decodePDFRawStream(stream);
    // Bit by bit: a stream may be a thousand times as long as it is stored.
    let length = 0;
    for (let more = -1; more !== 0 && length <= MOST_BYTES; length += more)
      more = decoder.getBytes(PART).length;
    decoder.reset();
    return length === 0 ? new Uint8Array(0) : Uint8Array.from(decoder.getBytes(length));
  } catch {
    return new Uint8Array(0);
  }
}

/** How many times as large an area is after a matrix. */
function areaOf([a, b, c, d]: Matrix): number {
  return Math.abs(a * d - b * c);
}

/** The area of a form's box; larger than any page where it says none. */
function boxArea(box: PDFObject | undefined): number {
  if (!(box instanceof PDFArray) || box.size() !== 4) return 1e12;
  const { width, height } = box.asRectangle();
  return Math.abs(width * height);
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
