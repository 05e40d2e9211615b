import { proxy, wrap, type Remote } from 'comlink';
import { UpFitError } from '@/core/artwork/errors';
import type { PrintFace } from '@/core/blank/resolve';
import type { Docket } from '@/core/check/docket';
import type { UnitSetting } from '@/core/length/show';
import type {
  ArtworkResult,
  EngineService,
  FitJob,
  OnProgress,
  Outcome,
  PrintFile,
  TemplateAsked,
  TemplateRead,
} from './messages';

export interface JobOptions {
  signal?: AbortSignal;
  onProgress?: OnProgress;
}

/** Why the engine cannot run in this browser, in one sentence; `null` where it can. */
export function engineHindrance(): string | null {
  if (typeof SharedArrayBuffer !== 'undefined' && self.crossOriginIsolated) return null;
  return 'This browser does not let the page share memory with its workers, so pictures cannot be measured: open Up Fit at http://localhost:3000 or over https, in a current browser.';
}

/** One engine in one worker. It starts with its first job, and a dead one is replaced for the next. */
export class EngineClient {
  private worker: Worker | undefined;
  private service: Remote<EngineService> | undefined;
  private readonly waiting = new Set<(error: Error) => void>();

  measure(name: string, file: Blob, options: JobOptions = {}): Promise<ArtworkResult> {
    return this.run(options, (service, flag, tell) => service.measure(name, file, flag, tell));
  }

  docket(job: FitJob, unit: UnitSetting, options: JobOptions = {}): Promise<Docket> {
    return this.run(options, (service, flag, tell) => service.docket(job, unit, flag, tell));
  }

  printFile(job: FitJob, faceId: string, options: JobOptions = {}): Promise<PrintFile> {
    return this.run(options, (service, flag, tell) => service.printFile(job, faceId, flag, tell));
  }

  readTemplate(name: string, file: Blob, page = 0): Promise<TemplateRead> {
    return this.run({}, (service) => service.readTemplate(name, file, page));
  }

  writeTemplate(face: PrintFace, asked: TemplateAsked): Promise<Blob> {
    return this.run({}, (service) => service.writeTemplate(face, asked));
  }

  memory(): Promise<{ bytes: number; blocks: number; rasters: number }> {
    return this.start().memory();
  }

  private start(): Remote<EngineService> {
    if (this.service) return this.service;
    const hindrance = engineHindrance();
    if (hindrance) throw new UpFitError('unsupported', hindrance);
    const worker = new Worker(new URL('./engine.worker.ts', import.meta.url), { type: 'module' });
    worker.addEventListener('error', (event) => {
      event.preventDefault();
      const told = new UpFitError(
        'unreadable',
        'The engine stopped over this file and was started again: export the file again.',
      );
      for (const fail of this.waiting) fail(told);
      this.stop();
    });
    this.worker = worker;
    this.service = wrap<EngineService>(worker);
    return this.service;
  }

  private stop(): void {
    this.worker?.terminate();
    this.worker = undefined;
    this.service = undefined;
  }

  private async run<T>(
    { signal, onProgress }: JobOptions,
    job: (service: Remote<EngineService>, flag: Int32Array, tell: OnProgress) => Promise<Outcome<T>>,
  ): Promise<T> {
    signal?.throwIfAborted();
    const flag = new Int32Array(new SharedArrayBuffer(4));
    const stop = () => Atomics.store(flag, 0, 1);
    signal?.addEventListener('abort', stop);
    let fail: (error: Error) => void = () => undefined;
    const died = new Promise<never>((_, reject) => (fail = reject));
    this.waiting.add(fail);
    try {
      const outcome = await Promise.race([
        job(this.start(), flag, proxy(onProgress ?? (() => undefined))),
        died,
      ]);
      if (outcome.ok) return outcome.value;
      if (outcome.dead) this.stop();
      if (outcome.stopped) throw new DOMException('Stopped.', 'AbortError');
      throw new UpFitError(outcome.code, outcome.message);
    } finally {
      this.waiting.delete(fail);
      signal?.removeEventListener('abort', stop);
    }
  }
}

/** True of the error that a stopped job ends with. */
export function isStopped(error: unknown): boolean {
  return error instanceof DOMException && error.name === 'AbortError';
}

/** The page's engine: one worker, so that a file measured at import is not decoded again when it is placed. */
export const engine = new EngineClient();
