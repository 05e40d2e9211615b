import { FORMATS } from '../../formats/registry';
import { common, extentOf, union, type Extent } from '../../fit/geometry';
import { isMotifKind, type Piece } from '../../fit/schema';
import { MM_PER_INCH } from '../../length/units';
import type { PrintPlan } from '../../print/plan';
import { residuePerPixel } from '../../raster/residue';
import { renderFace } from '../../render/face';
import type { CheckContext } from '../context';

/** How large a file will be, in bytes: no less than the one, no more than the other. */
export interface FileBytes {
  least: number;
  most: number;
}

/** Windows that are looked at, each way, and pixels of a window's side. */
const WINDOWS = 4;
const SIDE = 160;
/** A file that is not packed at all, heads and tables with it. */
const UNPACKED = 1.05;
/** Bytes a pixel that a packer may well find again in what it had before, as in flat drawings. */
const FLAT = 0.2;
/** A profile of inks that goes into a file. */
const PROFILE = 1_000_000;

/**
 * Bounds of a print file's size before it is written, from windows of it at its own pixels; `enough` bytes are not
 * looked into any further where it cannot have more.
 */
export function fileBytes(context: CheckContext, plan: PrintPlan, enough: number): FileBytes {
  const { face, progress } = context;
  const visible = context.pieces.filter((piece) => piece.visible);
  const whole = {
    left: -face.bleed,
    top: -face.bleed,
    right: face.width + face.bleed,
    bottom: face.height + face.bleed,
  };
  const area = printedArea(visible, whole);
  const perMm = plan.ppi / MM_PER_INCH;
  const [across, down] = [area.right - area.left, area.bottom - area.top];
  // All of it past the print.
  if (!(across > 0 && down > 0)) return { least: 0, most: 0 };
  const pixels = across * down * perMm * perMm;
  const inks = plan.mode === 'cmyk';
  const fixed = inks ? PROFILE : 0;
  const unpacked = pixels * (inks || plan.alpha ? 4 : 3) * UNPACKED + fixed;
  if (unpacked <= enough) return { least: 0, most: unpacked };
  let residue = 0;
  for (let window = 0; window < WINDOWS * WINDOWS; window++) {
    progress(window / WINDOWS / WINDOWS);
    residue += windowResidue(context, visible, area, { window, perMm, alpha: plan.alpha });
  }
  const left = residue / WINDOWS / WINDOWS;
  const [least, most, each] = FORMATS[plan.format].print.packs[plan.mode];
  return {
    least: pixels * Math.max(0, left - FLAT) * least,
    most: Math.min(unpacked, pixels * (left * most + each) + fixed),
  };
}

/** The part of a face that anything is printed on: what is clear packs into next to nothing. */
function printedArea(visible: readonly Piece[], whole: Extent): Extent {
  if (!visible.every(isMotifKind)) return whole;
  const [first, ...others] = visible.map(extentOf);
  return first ? common(others.reduce(union, first), whole) : { left: 0, top: 0, right: 0, bottom: 0 };
}

/** What a window of the print leaves a packer, in bytes a pixel; windows stand in rows and columns over the area. */
function windowResidue(
  { face, facts, pixels }: CheckContext,
  visible: readonly Piece[],
  { left, top, right, bottom }: Extent,
  { window, perMm, alpha }: { window: number; perMm: number; alpha: boolean },
): number {
  const [column, row] = [window % WINDOWS, Math.floor(window / WINDOWS)];
  const side = { width: Math.min(SIDE / perMm, right - left), height: Math.min(SIDE / perMm, bottom - top) };
  const x = left + ((right - left - side.width) * (column + 0.5)) / WINDOWS;
  const y = top + ((bottom - top - side.height) * (row + 0.5)) / WINDOWS;
  const moved = visible.map((piece) =>
    piece.kind === 'fill' ? piece : { ...piece, x: piece.x - x, y: piece.y - y },
  );
  const own = { ...face, ...side, bleed: 0, bend: null, outline: null, cornerRadius: 0 };
  delete own.cut;
  const seen = {
    width: Math.max(1, Math.round(side.width * perMm)),
    height: Math.max(1, Math.round(side.height * perMm)),
  };
  return residuePerPixel(renderFace(own, moved, { facts, pixels }, { pixels: seen }), alpha ? 4 : 3);
}
