import { proxy, type Remote } from 'comlink';
import { UpFitError } from '@/core/errors';
import type { ZipFile } from '@/files/zip';
import type { JobOptions } from './client';
import { WorkerHost } from './host';
import type { MadeZip, OnBytes, ReadZip, Zipped, ZipService } from './zip-messages';

type Job<T> = (service: Remote<ZipService>, flag: Int32Array, onBytes: OnBytes) => Promise<Zipped<T>>;

/** Makes one zip of files, with a list of them in it, in a worker that ends with it. */
export function makeZip(
  files: readonly ZipFile[],
  index: { path: string; head: object },
  options: JobOptions = {},
): Promise<MadeZip> {
  const bytes = files.reduce((sum, { data }) => sum + data.size, 0);
  return run(bytes, options, (service, flag, onBytes) => service.make(files, index, flag, onBytes));
}

/** Reads a zip by the list in it, every file held to its checksum. Throws with a sentence where anything is wrong. */
export function readZip(name: string, zip: Blob, index: string, options: JobOptions = {}): Promise<ReadZip> {
  return run(zip.size, options, (service, flag, onBytes) => service.read(name, zip, index, flag, onBytes));
}

async function run<T>(bytes: number, { signal, onProgress }: JobOptions, job: Job<T>): Promise<T> {
  signal?.throwIfAborted();
  const host = new WorkerHost<ZipService>(
    () => new Worker(new URL('./zip.worker.ts', import.meta.url), { type: 'module' }),
  );
  const flag = new Int32Array(new SharedArrayBuffer(4));
  const stop = () => Atomics.store(flag, 0, 1);
  signal?.addEventListener('abort', stop);
  try {
    const answer = await host.call((service, alive) => {
      const tell = (done: number) => {
        alive();
        onProgress?.(Math.min(1, done / Math.max(1, bytes)));
      };
      return job(service, flag, proxy(tell));
    });
    if (answer.ok) return answer.value;
    if (answer.stopped) throw new DOMException('stopped', 'AbortError');
    throw new UpFitError(answer.code, answer.message);
  } finally {
    signal?.removeEventListener('abort', stop);
    host.end();
  }
}
