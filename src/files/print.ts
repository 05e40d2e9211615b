import { UpFitError } from '@/core/errors';
import { printPixels, type ResolvedBlank } from '@/core/blank/resolve';
import { blackRecipe } from '@/core/colour/black';
import { putBlacks } from '@/core/colour/black-pixels';
import { inkPixels } from '@/core/colour/press-pixels';
import { MM_PER_INCH } from '@/core/length/units';
import type { Piece } from '@/core/fit/schema';
import type { PrintPart } from '@/core/pack/cut-out';
import { FORMATS, type PrintFormat } from '@/core/formats/registry';
import type { PrintPlan } from '@/core/print/plan';
import { IN_SILENCE, isOpaque, words, type Progress, type Raster } from '@/core/raster/raster';
import { flatten, renderFace, type Shown } from '@/core/render/face';
import { layersOf } from '@/core/render/layers';
import type { Engine, InkRaster } from '@/imaging/engine';
import { part } from '@/imaging/measure';
import { forecastBytes } from './forecast';
import { onInks, type ForPress } from './inks';
import { cutInksOf } from '@/core/blank/cut-inks';
import { drawingsOn, type Drawings } from './drawings';
import type { DrawnPicture } from './pdf/drawing';
import type { MadePicture } from './pdf/picture';
import { printPdf, type PdfLayer } from './pdf/print';
import type { PrintingCondition } from './pdf/x4';
import { readBack } from './readback';
import { printSvg, type MadeLayer } from './svg/print';
import type { PngPart } from './svg/symbols';

export interface PrintAsked {
  title: string;
  blank: ResolvedBlank;
  /** What is printed: one face or part of one; of a PDF several, a page each. */
  sides: readonly PrintPart[];
  plan: PrintPlan;
  /** What CMYK is made by; RGB needs none. */
  press: ForPress | null;
}

export interface WrittenPrint {
  bytes: Uint8Array;
  type: string;
  plan: PrintPlan;
  /** What was drawn as pixels though it is a drawing, a sentence each. */
  told: string[];
}

/** mm across, up to which black strokes are printed by black ink alone. */
const THIN_BLACK = 1;
/** What lies under all of a file that takes no clear pixels. */
const PAPER = '#ffffff';

/**
 * Writes a print file as it is planned: exact pixels, or a page with its paths as paths and pictures at the same
 * pixels; never a guide. What was written is read back from its bytes, and refused where it is not what was planned.
 */
export async function writePrint(
  engine: Engine,
  asked: PrintAsked,
  shown: Shown,
  progress: Progress = IN_SILENCE,
): Promise<WrittenPrint> {
  const { plan, sides } = asked;
  const { bytes, told = [] } = await WRITERS[plan.format](engine, asked, shown, progress);
  const wrong = await readBack(
    bytes,
    plan,
    sides.map(({ face }) => face),
  );
  if (wrong.length > 0) {
    throw new UpFitError(
      'unreadable',
      `The file that was written is not what it should be (${wrong.join('; ')}), so it is not handed over: make it again.`,
    );
  }
  return { bytes, type: FORMATS[plan.format].type, plan, told };
}

/** What a writer makes: the file, and what was drawn as pixels though it is a drawing, a sentence each. */
interface Made {
  bytes: Uint8Array;
  told?: string[];
}
type Writer = (engine: Engine, asked: PrintAsked, shown: Shown, progress: Progress) => Made | Promise<Made>;

const writePages: Writer = async (engine, asked, shown, progress) => {
  const { title, sides, plan } = asked;
  const drawings = await drawingsOn(engine, sides, shown, plan, (raster, at) => ({
    ...at,
    ...pictureFor(engine, asked, sides[0]!, raster),
  }));
  const pages = sides.map((side, i) => {
    const step = part(progress, (i / sides.length) * 0.95, ((i + 1) / sides.length) * 0.95);
    return { face: side.face, layers: pdfLayers(engine, asked, side, { shown, drawings }, step) };
  });
  const colours =
    plan.mode === 'cmyk' ? { inks: conditionOf(engine, asked) } : { rgb: engine.screenProfile() };
  const marks = { mirrored: plan.mirrored, cutInk: cutInksOf(asked.blank.spec).cut };
  return { bytes: await printPdf(title, pages, colours, marks), told: drawings.told() };
};

const writeDrawing: Writer = async (engine, asked, shown, progress) => {
  const { sides, plan } = asked;
  const drawings = await drawingsOn(engine, sides, shown, plan, (raster, at): PngPart => ({
    ...at,
    png: pngOf(engine, raster, plan),
  }));
  const [first] = sides;
  const svg = printSvg(first!.face, svgLayers(engine, asked, first!, { shown, drawings }, progress));
  return { bytes: new TextEncoder().encode(svg), told: drawings.told() };
};

type Encode = (engine: Engine, raster: Raster, asked: PrintAsked, saving: Progress) => Uint8Array;

/** A file of pixels alone; `inInks` is left out where its format holds none. */
const pixelWriter =
  (inRgb: Encode, inInks?: 'tiff' | 'jpeg'): Writer =>
  (engine, asked, shown, progress) => {
    const { plan, sides } = asked;
    const [side] = sides;
    const drawn = draw(asked, side!, side!.pieces, shown, part(progress, 0, 0.4));
    const raster = plan.alpha ? drawn : flatten(drawn, PAPER);
    const saving = part(progress, 0.5, 1);
    if (plan.mode !== 'cmyk' || !inInks) return { bytes: inRgb(engine, raster, asked, saving) };
    const as = { format: inInks, ppi: plan.ppi, profile: pressOf(asked).profile };
    return { bytes: engine.encodeInks(inksOf(asked, side!, raster), as, saving) };
  };

const WRITERS: Record<PrintFormat, Writer> = {
  pdf: writePages,
  svg: writeDrawing,
  jpeg: pixelWriter(
    (engine, raster, { plan: { ppi } }, saving) => engine.encodeJpeg(raster, { ppi, quality: 100 }, saving),
    'jpeg',
  ),
  tiff: pixelWriter(
    (engine, raster, { plan: { ppi } }, saving) => engine.encodeTiff(raster, { ppi }, saving),
    'tiff',
  ),
  png: pixelWriter((engine, raster, { plan, blank }, saving) => {
    const bytes = forecastBytes(raster, (band) => pngOf(engine, band, plan));
    const isTight = bytes > blank.spec.files.maxBytes.value;
    return engine.encodePng(raster, { ppi: plan.ppi, use: isTight ? 'small' : 'print' }, saving);
  }),
};

function svgLayers(
  engine: Engine,
  asked: PrintAsked,
  side: PrintPart,
  { shown, drawings }: { shown: Shown; drawings: Drawings<PngPart> },
  progress: Progress,
): MadeLayer[] {
  const { keptAs, of } = drawings;
  const layers = layersOf(side.face, side.pieces, { mirror: asked.plan.mirrored, keptAs });
  return layers.map((layer, i): MadeLayer => {
    if (layer.kind === 'path') return layer;
    if (layer.kind === 'drawing') return { ...layer, drawing: of(layer.artworkId) };
    const step = part(progress, i / layers.length, (i + 1) / layers.length);
    return { kind: 'picture', png: pngOf(engine, draw(asked, side, layer.pieces, shown, step), asked.plan) };
  });
}

function pdfLayers(
  engine: Engine,
  asked: PrintAsked,
  side: PrintPart,
  { shown, drawings }: { shown: Shown; drawings: Drawings<DrawnPicture> },
  progress: Progress,
): PdfLayer[] {
  const { plan } = asked;
  const press = plan.mode === 'cmyk' ? pressOf(asked) : null;
  const recipe = blackRecipeOf(asked, side);
  const { keptAs, of } = drawings;
  const layers = layersOf(side.face, side.pieces, { mirror: plan.mirrored, flat: !plan.alpha, keptAs });
  return layers.map((layer, i): PdfLayer => {
    if (layer.kind === 'path') {
      const { path, colour } = layer;
      return { kind: 'path', path, colour, inks: press && onInks(press.press, layer, recipe) };
    }
    if (layer.kind === 'drawing') {
      const { artworkId, matrix, clip, piece } = layer;
      const inks = press && ((colour: string) => onInks(press.press, { colour, piece }, recipe));
      return { kind: 'drawing', drawing: of(artworkId), matrix, clip, inks };
    }
    const step = part(progress, i / layers.length, (i + 1) / layers.length);
    const drawn = draw(asked, side, layer.pieces, shown, step);
    const raster = plan.alpha ? drawn : flatten(drawn, PAPER);
    return { kind: 'picture', ...pictureFor(engine, asked, side, raster) };
  });
}

/** Pixels as a PDF holds them, in inks where it is for a press. */
function pictureFor(engine: Engine, asked: PrintAsked, side: PrintPart, raster: Raster): MadePicture {
  const { colour, alpha } = engine.encodePlanes({ ...raster, opaque: isOpaque(raster.data) });
  return asked.plan.mode === 'cmyk'
    ? { colour: engine.encodeInkPlane(inksOf(asked, side, raster)), alpha, inks: true }
    : { colour, alpha, inks: false };
}

/** Some of a side's pieces at its own pixels. */
function draw(
  { blank, plan, sides }: PrintAsked,
  side: PrintPart,
  pieces: readonly Piece[],
  shown: Shown,
  progress: Progress,
): Raster {
  const pixels = side === sides[0] ? plan.pixels : printPixels(side.face, blank.spec, plan.ppi);
  return renderFace(side.face, pieces, shown, { pixels, mirror: plan.mirrored, progress });
}

function pngOf(engine: Engine, raster: Raster, { ppi }: PrintPlan): Uint8Array {
  return engine.encodePng(raster, { ppi, use: 'print' });
}

/** A picture's inks through the press, its blacks as they are to be printed. */
function inksOf(asked: PrintAsked, side: PrintPart, { width, height, data }: Raster): InkRaster {
  const pixels = words({ data });
  const inks = inkPixels(pressOf(asked).press, pixels);
  const thin = (THIN_BLACK * asked.plan.ppi) / MM_PER_INCH;
  putBlacks(inks, pixels, width, { recipe: blackRecipeOf(asked, side), thin });
  return { width, height, inks };
}

/** What large blacks are put on; null where the fit leaves them to the profile. */
function blackRecipeOf({ blank }: PrintAsked, { pieces }: PrintPart) {
  const rich = pieces.every(({ visible, knockout, richBlack }) => !visible || knockout || richBlack === true);
  return rich ? blackRecipe(blank.limits.totalInk, blank.spec.black ?? null) : null;
}

function conditionOf(engine: Engine, asked: PrintAsked): PrintingCondition {
  const { press, profile } = pressOf(asked);
  return { name: press.name, bytes: profile?.bytes ?? engine.pressProfile() };
}

function pressOf({ press }: PrintAsked): ForPress {
  if (!press) throw new Error('CMYK is made by a press');
  return press;
}
