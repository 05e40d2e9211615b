import type { PrintFace, ResolvedBlank } from '@/core/blank/resolve';
import type { Fit } from '@/core/fit/schema';
import type { DocketPage } from '@/core/pack/docket-page';
import { flatten, renderFace, type Shown } from '@/core/render/face';
import type { Engine } from '@/imaging/engine';
import { docketPdf } from './pdf/docket';
import type { MadePicture } from './pdf/picture';
import type { readFont } from './type';

/** Pixels along the longer side of a face's picture on the docket. */
const ACROSS = 1100;

/** A docket's page, with its flats drawn as they print on the product's colour. */
export async function writeDocket(
  engine: Engine,
  sheet: DocketPage,
  { blank, fit }: { blank: ResolvedBlank; fit: Fit },
  shown: Shown,
  font: ReturnType<typeof readFont>,
): Promise<Uint8Array> {
  const { colours } = blank.blank;
  const colour = colours.find(({ id }) => id === fit.colourId) ?? colours[0]!;
  const pictures = new Map<string, MadePicture>();
  for (const face of blank.faces) {
    const pieces = fit.faces.find(({ faceId }) => faceId === face.id)?.pieces ?? [];
    if (pieces.length === 0) continue;
    const drawn = flatten(renderFace(trimmed(face), pieces, shown, { pixels: sized(face) }), colour.hex);
    pictures.set(face.id, { ...engine.encodePlanes(drawn), inks: false });
  }
  return docketPdf(sheet, pictures, font);
}

/** A face as its flat shows it: to the trim, and not bent. */
function trimmed(face: PrintFace): PrintFace {
  return { ...face, bleed: 0, bend: null };
}

function sized({ width, height }: PrintFace): { width: number; height: number } {
  const perMm = ACROSS / Math.max(width, height);
  return { width: Math.round(width * perMm), height: Math.round(height * perMm) };
}
