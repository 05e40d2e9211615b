import { UpFitError } from '@/core/artwork/errors';
import type { PrintFace, ResolvedBlank } from '@/core/blank/resolve';
import { blackRecipe } from '@/core/colour/black';
import { putBlacks } from '@/core/colour/black-pixels';
import { inkPixels } from '@/core/colour/press-pixels';
import { MM_PER_INCH } from '@/core/length/units';
import type { Piece } from '@/core/fit/schema';
import { FORMATS, type PrintPlan } from '@/core/pack/plan';
import { IN_SILENCE, isOpaque, words, type Progress, type Raster } from '@/core/raster/raster';
import { flatten, renderFace, type Shown } from '@/core/render/face';
import { layersOf } from '@/core/render/layers';
import type { Engine, InkRaster } from '@/imaging/engine';
import { part } from '@/imaging/measure';
import { forecastBytes } from './forecast';
import { onInks, type ForPress } from './inks';
import { printPdf, type PdfLayer } from './pdf/print';
import { readBack } from './readback';
import { printSvg, type MadeLayer } from './svg/print';

export interface PrintAsked {
  title: string;
  blank: ResolvedBlank;
  face: PrintFace;
  pieces: readonly Piece[];
  plan: PrintPlan;
  /** What CMYK is made by; RGB needs none. */
  press: ForPress | null;
}

export interface WrittenPrint {
  bytes: Uint8Array;
  type: string;
  plan: PrintPlan;
}

/** mm across, up to which black strokes are printed by black ink alone. */
const THIN_BLACK = 1;

/**
 * Writes a face's print file as it is planned: exact pixels, or a page with its paths as paths and pictures at the same
 * pixels; never a guide. What was written is read back from its bytes, and refused where it is not what was planned.
 */
export async function writePrint(
  engine: Engine,
  asked: PrintAsked,
  shown: Shown,
  progress: Progress = IN_SILENCE,
): Promise<WrittenPrint> {
  const { plan, face } = asked;
  const paged = plan.format === 'pdf' || plan.format === 'svg';
  const bytes = paged
    ? await writePage(engine, asked, shown, progress)
    : writePixels(engine, asked, shown, progress);
  const wrong = await readBack(bytes, plan, face);
  if (wrong.length > 0) {
    throw new UpFitError(
      'unreadable',
      `The file that was written is not what it should be (${wrong.join('; ')}), so it is not handed over: make it again.`,
    );
  }
  return { bytes, type: FORMATS[plan.format].type, plan };
}

function writePixels(engine: Engine, asked: PrintAsked, shown: Shown, progress: Progress): Uint8Array {
  const { plan, blank } = asked;
  const drawn = draw(asked, asked.pieces, shown, part(progress, 0, 0.4));
  const raster = plan.alpha ? drawn : flatten(drawn, '#ffffff');
  const saving = part(progress, 0.5, 1);
  if (plan.mode === 'cmyk') {
    const { profile } = pressOf(asked);
    const format = plan.format === 'jpeg' ? 'jpeg' : 'tiff';
    return engine.encodeInks(inksOf(asked, raster), { format, ppi: plan.ppi, profile }, saving);
  }
  if (plan.format === 'jpeg') return engine.encodeJpeg(raster, { ppi: plan.ppi, quality: 100 }, saving);
  if (plan.format === 'tiff') return engine.encodeTiff(raster, { ppi: plan.ppi }, saving);
  const tight = forecastBytes(raster, (band) => pngOf(engine, band, plan)) > blank.spec.files.maxBytes.value;
  return engine.encodePng(raster, { ppi: plan.ppi, use: tight ? 'small' : 'print' }, saving);
}

async function writePage(
  engine: Engine,
  asked: PrintAsked,
  shown: Shown,
  progress: Progress,
): Promise<Uint8Array> {
  const { title, face, pieces, plan } = asked;
  const layers = layersOf(face, pieces, plan.mirrored);
  const steps = layers.map((_, index) =>
    part(progress, (index / layers.length) * 0.9, ((index + 1) / layers.length) * 0.9),
  );
  if (plan.format === 'svg') {
    const made = layers.map((layer, index): MadeLayer =>
      layer.kind === 'path'
        ? layer
        : { kind: 'picture', png: pngOf(engine, draw(asked, layer.pieces, shown, steps[index]!), plan) },
    );
    return new TextEncoder().encode(printSvg(face, made));
  }
  const press = plan.mode === 'cmyk' ? pressOf(asked) : null;
  const recipe = blackRecipeOf(asked);
  const made = layers.map((layer, index): PdfLayer => {
    if (layer.kind === 'path') {
      const { path, colour } = layer;
      return { kind: 'path', path, colour, inks: press && onInks(press.press, layer, recipe) };
    }
    const raster = draw(asked, layer.pieces, shown, steps[index]!);
    const { colour, alpha } = engine.encodePlanes({ ...raster, opaque: isOpaque(raster.data) });
    return press
      ? { kind: 'picture', colour: engine.encodeInkPlane(inksOf(asked, raster)), alpha, inks: true }
      : { kind: 'picture', colour, alpha, inks: false };
  });
  const profile = press && {
    name: press.press.name,
    bytes: press.profile?.bytes ?? engine.pressProfile(),
  };
  return printPdf(title, face, made, profile);
}

function draw(
  { face, plan }: PrintAsked,
  pieces: readonly Piece[],
  shown: Shown,
  progress: Progress,
): Raster {
  return renderFace(face, pieces, shown, { pixels: plan.pixels, mirror: plan.mirrored, progress });
}

function pngOf(engine: Engine, raster: Raster, { ppi }: PrintPlan): Uint8Array {
  return engine.encodePng(raster, { ppi, use: 'print' });
}

/** A picture's inks through the press, its blacks as they are to be printed. */
function inksOf(asked: PrintAsked, { width, height, data }: Raster): InkRaster {
  const pixels = words({ data });
  const inks = inkPixels(pressOf(asked).press, pixels);
  const thin = (THIN_BLACK * asked.plan.ppi) / MM_PER_INCH;
  putBlacks(inks, pixels, width, { recipe: blackRecipeOf(asked), thin });
  return { width, height, inks };
}

/** What large blacks are put on; null where the fit leaves them to the profile. */
function blackRecipeOf({ pieces, blank }: PrintAsked) {
  const rich = pieces.every(({ visible, knockout, richBlack }) => !visible || knockout || richBlack === true);
  return rich ? blackRecipe(blank.limits.totalInk, blank.spec.black ?? null) : null;
}

function pressOf({ press }: PrintAsked): ForPress {
  if (!press) throw new Error('CMYK is made by a press');
  return press;
}
