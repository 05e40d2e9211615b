import { wrap, type Remote } from 'comlink';
import type { TypeService } from './type-messages';

let service: Remote<TypeService> | undefined;

/** The worker that sets type; it starts with the first line and stays. */
export function typeWorker(): Remote<TypeService> {
  service ??= wrap<TypeService>(new Worker(new URL('./type.worker.ts', import.meta.url), { type: 'module' }));
  return service;
}
