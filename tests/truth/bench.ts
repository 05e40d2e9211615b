import type { Facts } from '@/core/artwork/facts';
import type { ResolvedBlank } from '@/core/blank/resolve';
import { makeDocket, type Docket } from '@/core/check/docket';
import type { DocketOptions } from '@/core/check/face-findings';
import type { Piece } from '@/core/fit/schema';
import type { Raster } from '@/core/raster/raster';
import { faceOf, factsOf, fitOf, pieceAt, shown } from '../support/fits';

/** The docket of one picture laid in the middle of a sheet at its true size. */
export function laidOut(
  blank: ResolvedBlank,
  raster: Raster,
  perMm: number,
  change: {
    facts?: Partial<Facts>;
    pieces?: Piece[];
    options?: Partial<DocketOptions>;
    role?: 'ground' | 'motif';
    rotation?: number;
  } = {},
): Docket {
  const face = faceOf(blank);
  const piece = pieceAt(face.width / 2, face.height / 2, raster.width / perMm, raster.height / perMm, {
    role: change.role ?? 'motif',
    rotation: change.rotation ?? 0,
  });
  const facts = factsOf(raster, change.facts);
  return makeDocket(blank, fitOf(blank, change.pieces ?? [piece]), {
    ...shown(raster, facts),
    ...change.options,
  });
}
