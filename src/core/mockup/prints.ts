import { artSize, type PrintFace, type ResolvedBlank } from '../blank/resolve';
import { proofPixels } from '../colour/press-pixels';
import type { Press } from '../colour/press';
import { headlineAmong } from '../check/rules/read-share';
import { isMotifKind, type Fit } from '../fit/schema';
import { MM_PER_INCH } from '../length/units';
import type { Eye } from '../product/camera';
import { reachOf } from '../product/mesh';
import { modelOf, seenOf } from '../product/model';
import { columnsOf, readShare, type Columns } from '../product/reads';
import { textureOf, type Texture } from '../product/texture';
import { readableFrom } from '../product/views';
import { IN_SILENCE, words, type Progress, type Raster } from '../raster/raster';
import { renderFace, type Shown } from '../render/face';

/** Pixels of the print for each of the picture, where the product is as large as it goes. */
const FINER = 1.2;

/** PPI that a print is drawn at for a picture of so many px: what the picture can show, and never more than is printed. */
export function picturePpi(blank: ResolvedBlank, fit: Fit, side: number): number {
  return ppiFor(blank, side / (2 * reachOf(modelOf(blank, fit.sizeId).meshes)));
}

/** The same for so many px of the picture a mm of the print. */
export function ppiFor(blank: ResolvedBlank, perMm: number): number {
  const target = Math.max(...blank.faces.map((face) => face.target));
  return Math.min(target, Math.max(30, Math.round(MM_PER_INCH * perMm * FINER)));
}

/** A face as it is printed, flat: a taper's too, since the product bends it. */
function flatPrint(
  face: PrintFace,
  pieces: Parameters<typeof renderFace>[1],
  shown: Shown,
  ppi: number,
): Raster {
  const { width, height } = artSize(face);
  const per = ppi / MM_PER_INCH;
  const pixels = {
    width: Math.max(1, Math.round(width * per)),
    height: Math.max(1, Math.round(height * per)),
  };
  return renderFace({ ...face, bend: null }, pieces, shown, { pixels });
}

/** What is printed on each face of a fit, as it is laid on its product; through the inks where a press is given. */
export function printsOf(
  blank: ResolvedBlank,
  fit: Fit,
  shown: Shown,
  { ppi, press = null, progress = IN_SILENCE }: { ppi: number; press?: Press | null; progress?: Progress },
): Map<string, Texture> {
  const prints = new Map<string, Texture>();
  for (const [index, face] of blank.faces.entries()) {
    progress(index / blank.faces.length);
    const pieces = fit.faces.find(({ faceId }) => faceId === face.id)?.pieces ?? [];
    if (pieces.length === 0) continue;
    const raster = flatPrint(face, pieces, shown, ppi);
    if (press) proofPixels(press, words(raster), false);
    const { bleed } = face;
    prints.set(face.id, textureOf(raster, { left: -bleed, top: -bleed, ...artSize(face) }, seenOf(face)));
  }
  return prints;
}

/** A fit's headline, and where along its face each of the motifs lies that are it. */
export interface Headline {
  name: string;
  there: { face: PrintFace; columns: Columns }[];
}

/** The headline of a fit; null where it has none. */
export function headlineOf(blank: ResolvedBlank, fit: Fit, shown: Shown): Headline | null {
  const motifs = fit.faces.flatMap(({ faceId, pieces }) =>
    pieces
      .filter(isMotifKind)
      .filter(({ role, visible, knockout }) => role === 'motif' && visible && !knockout)
      .map((piece) => ({ face: blank.faces.find(({ id }) => id === faceId), piece })),
  );
  const headline = headlineAmong(motifs.map(({ piece }) => piece));
  if (!headline) return null;
  const there = motifs
    .filter(({ piece }) => piece.kind === headline.kind && piece.name === headline.name)
    .flatMap(({ face, piece }) => {
      if (!face) return [];
      const ppi = (400 * MM_PER_INCH) / artSize(face).width;
      const raster = flatPrint(face, [piece], shown, ppi);
      return [{ face, columns: columnsOf(raster, -face.bleed, ppi / MM_PER_INCH) }];
    });
  return { name: headline.name, there };
}

/** The share of a headline that reads from the best of some sides, of the one of it that reads best. */
export function headlineRead(
  { blank }: ResolvedBlank,
  { name, there }: Headline,
  eyes: readonly Eye[],
): { name: string; share: number } {
  const shares = there.flatMap(({ face, columns }) =>
    eyes.map((eye) => readShare(columns, readableFrom(blank, face, eye))),
  );
  return { name, share: Math.max(0, ...shares) };
}
