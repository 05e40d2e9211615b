import { WorkerHost } from './host';
import type { TypeService } from './type-messages';

/** The worker that sets type; it starts with the first line and stays. */
export const typeWorker = new WorkerHost<TypeService>(
  () => new Worker(new URL('./type.worker.ts', import.meta.url), { type: 'module' }),
);
