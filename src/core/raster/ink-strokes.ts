import { deltaE00 } from '../colour/difference';
import { labOf } from '../colour/lab';
import { BEYOND, eachNarrow, type NarrowPlace } from './chords';
import { flatColours } from './inks';
import { labelInks, type Colour, type InkLabels } from './ink-labels';
import { IN_SILENCE, type Progress, type Raster } from './raster';
import { keptShrunk } from './shrink';
import { NOTHING_THIN, reductionFor, strokesAmong, summedUp, type ThinPlaces } from './strokes';

/** The label of what is clear. */
const CLEAR = 0;
/** Inks further apart than this (dE00) are seen apart, so that a line of one on the other is a line. */
const SEEN_APART = 10;
/** A line whose colour lies this far between those on its sides is the slope from one to the other. */
const SLOPE = 0.12;

/**
 * Strokes of one ink on another that are narrower than `limit` pixels, light on dark or dark on light, in opaque
 * artwork too; what lies beside clear is read by alpha (`readStrokes`). Nothing is told of a photograph.
 */
export function readInkStrokes(raster: Raster, limit: number, progress: Progress = IN_SILENCE): ThinPlaces {
  const flat = flatColours(raster);
  if (!flat) return NOTHING_THIN;
  const factor = reductionFor(limit);
  const small = keptShrunk(raster, factor, factor);
  const labels = labelInks(
    small,
    flat.map(({ word }) => word),
  );
  if (!labels) return NOTHING_THIN;
  const isLine = lineTest(labels);
  const narrow = new Map<number, NarrowPlace[]>();
  eachNarrow(
    labels,
    limit / factor,
    (place) => {
      if (!isLine(place)) return;
      const own = narrow.get(place.label);
      if (own) own.push(place);
      else narrow.set(place.label, [place]);
    },
    progress,
  );
  const runs = [...narrow.values()].flatMap((places) => strokesAmong(places, limit / factor));
  const inside = small.width * small.height;
  return summedUp(runs, inside, factor);
}

/** Whether a narrow place is a line of its ink between inks that it stands out from, and no edge between them. */
function lineTest({ inks }: InkLabels): (place: NarrowPlace) => boolean {
  const labs = inks.map(([red, green, blue, alpha]) => {
    const of = (level: number) => (alpha === 0 ? 0 : (level * 255) / alpha);
    return labOf(of(red), of(green), of(blue));
  });
  const stands = labs.map((a) => labs.map((b) => deltaE00(a, b) >= SEEN_APART));
  return ({ label, sides: [before, behind] }) => {
    // Clear is no ink; what the picture's edge cuts may go on; what lies in the clear is read by alpha.
    if (label === CLEAR || before === BEYOND || behind === BEYOND) return false;
    if (before === CLEAR && behind === CLEAR) return false;
    if (![before, behind].every((side) => side === CLEAR || stands[label]![side]!)) return false;
    if (before === behind || before === CLEAR || behind === CLEAR) return true;
    return !isBetween(inks[label]!, inks[before]!, inks[behind]!);
  };
}

function isBetween(colour: Colour, a: Colour, b: Colour): boolean {
  let [dot, square] = [0, 0];
  for (let k = 0; k < 3; k++) {
    dot += (colour[k]! - a[k]!) * (b[k]! - a[k]!);
    square += (b[k]! - a[k]!) ** 2;
  }
  const t = dot / square;
  return t > SLOPE && t < 1 - SLOPE;
}
