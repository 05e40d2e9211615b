import type { Facts } from '@/core/artwork/facts';
import type { ResolvedBlank } from '@/core/blank/resolve';
import type { Rule } from '@/core/check/context';
import { findingsOf, type DocketOptions } from '@/core/check/face-findings';
import type { Finding } from '@/core/check/finding';
import type { Piece } from '@/core/fit/schema';
import type { Raster } from '@/core/raster/raster';
import { faceOf, factsOf, fitOf, pieceAt, shown } from '../support/fits';

/** A fit, measured by whatever rules are asked for. */
export type Laid = (rules: readonly Rule[]) => Finding[];

/** One picture laid in the middle of a sheet at its true size. */
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
): Laid {
  const face = faceOf(blank);
  const piece = pieceAt(face.width / 2, face.height / 2, raster.width / perMm, raster.height / perMm, {
    role: change.role ?? 'motif',
    rotation: change.rotation ?? 0,
  });
  const facts = factsOf(raster, change.facts);
  const options = { ...shown(raster, facts), ...change.options };
  return (rules) => findingsOf(blank, fitOf(blank, change.pieces ?? [piece]), options, rules);
}
