import type { SheetLayout } from '@/core/sheet/layout';
import type { Print } from '@/core/sheet/print';
import type { SheetReport } from '@/core/sheet/report';
import type { Sheet } from '@/core/sheet/schema';
import { WorkerHost } from './host';
import { Latest } from './latest';
import type { SheetService } from './sheet.worker';

const host = new WorkerHost<SheetService>(
  () => new Worker(new URL('./sheet.worker.ts', import.meta.url), { type: 'module' }),
);
/** A sheet that lays out at all does so in a second or two. */
const PATIENCE = 20_000;

const latest = new Latest(({ sheet, prints }: { sheet: Sheet; prints: readonly Print[] }) =>
  host.call((service) => service.layOut(sheet, prints), PATIENCE),
);

/** A sheet laid out away from the page's own thread; null where a newer one was asked for meanwhile. */
export function layOutSheet(
  sheet: Sheet,
  prints: readonly Print[],
): Promise<{ layout: SheetLayout; report: SheetReport } | null> {
  return latest.ask({ sheet, prints });
}
