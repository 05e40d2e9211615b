import { wrap, type Remote } from 'comlink';
import type { SheetLayout } from '@/core/sheet/layout';
import type { Print } from '@/core/sheet/print';
import type { SheetReport } from '@/core/sheet/report';
import type { Sheet } from '@/core/sheet/schema';
import { Latest } from './latest';
import type { SheetService } from './sheet.worker';

let service: Remote<SheetService> | undefined;

const latest = new Latest(({ sheet, prints }: { sheet: Sheet; prints: readonly Print[] }) => {
  service ??= wrap<SheetService>(
    new Worker(new URL('./sheet.worker.ts', import.meta.url), { type: 'module' }),
  );
  return service.layOut(sheet, prints);
});

/** A sheet laid out away from the page's own thread; null where a newer one was asked for meanwhile. */
export function layOutSheet(
  sheet: Sheet,
  prints: readonly Print[],
): Promise<{ layout: SheetLayout; report: SheetReport } | null> {
  return latest.ask({ sheet, prints });
}
