import type { CellJob, CellService } from './cell-messages';
import { WorkerHost } from './host';

export type { CellJob };

const host = new WorkerHost<CellService>(
  () => new Worker(new URL('./cell.worker.ts', import.meta.url), { type: 'module' }),
);

/** Draws a fit small, away from the page's own thread. */
export function drawCell(job: CellJob): Promise<Blob> {
  return host.call((service) => service.draw(job));
}
