import type { Facts } from '@/core/artwork/facts';
import type { ResolvedBlank } from '@/core/blank/resolve';
import type { Docket } from '@/core/check/docket';
import type { Press } from '@/core/colour/press';
import type { Fit } from '@/core/fit/schema';
import type { UnitSetting } from '@/core/length/show';
import type { Raster } from '@/core/raster/raster';
import type { DocketService } from './docket-messages';
import { WorkerHost } from './host';
import { Latest } from './latest';

/** A fit to be measured on reduced copies of its artworks. */
export interface CoarseJob {
  fit: Fit;
  blank: ResolvedBlank;
  unit: UnitSetting;
  press: Press | null;
  artworks: readonly { id: string; facts: Facts; raster: Raster }[];
}

/** Measures reduced copies in a worker of its own while the hand moves; of those that wait only the newest is taken. */
export class CoarseDockets {
  private readonly known = new Map<string, { facts: Facts; raster: Raster }>();
  private press: Press | null = null;
  private readonly host = new WorkerHost<DocketService>(
    () => new Worker(new URL('./docket.worker.ts', import.meta.url), { type: 'module' }),
    () => {
      this.known.clear();
      this.press = null;
    },
  );
  private readonly latest = new Latest((job: CoarseJob) => this.ask(job));

  /** The docket of a fit; null where a newer one was asked for before its turn came. */
  measure(job: CoarseJob): Promise<Docket | null> {
    return this.latest.ask(job);
  }

  private ask({ fit, blank, unit, press, artworks }: CoarseJob): Promise<Docket> {
    return this.host.call(async (service) => {
      for (const { id, facts, raster } of artworks) {
        const known = this.known.get(id);
        if (known?.facts === facts && known.raster === raster) continue;
        this.known.set(id, { facts, raster });
        await service.keepArtwork(id, { facts, raster });
      }
      if (this.press !== press) {
        this.press = press;
        await service.keepPress(press);
      }
      return service.measure(fit, blank, unit);
    });
  }
}
