import type { Facts } from '@/core/artwork/facts';
import type { ResolvedBlank } from '@/core/blank/resolve';
import type { Docket } from '@/core/check/docket';
import type { Press } from '@/core/colour/press';
import type { Fit } from '@/core/fit/schema';
import type { UnitSetting } from '@/core/length/show';
import type { Raster } from '@/core/raster/raster';

/** What the worker that measures reduced copies does. Artworks and the press are handed over once, and known by their ids. */
export interface DocketService {
  keepArtwork(id: string, artwork: { facts: Facts; raster: Raster }): void;
  keepPress(press: Press | null): void;
  measure(fit: Fit, blank: ResolvedBlank, unit: UnitSetting): Docket;
}
