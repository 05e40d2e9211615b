import { bytesSource } from '@/core/formats/source';
import type { Step } from '@/core/artwork/steps';
import { IN_SILENCE, type Progress } from '@/core/raster/raster';
import { measureArtwork } from '@/files/artwork';
import { nodePages } from '@/files/pdf/node';
import type { Engine } from '@/imaging/engine';
import type { Measured } from '@/imaging/measure';

/** Measures a file from its bytes, as the worker and the command line do; its pixels are in memory whole. */
export async function measureBytes(
  engine: Engine,
  name: string,
  bytes: Uint8Array,
  { steps = [], progress = IN_SILENCE }: { steps?: readonly Step[]; progress?: Progress } = {},
): Promise<Measured & { raster: NonNullable<Measured['raster']> }> {
  const file = { name, source: bytesSource(bytes), steps };
  const measured = await measureArtwork({ engine, drawPage: nodePages() }, file, progress);
  return { ...measured, raster: measured.raster! };
}
