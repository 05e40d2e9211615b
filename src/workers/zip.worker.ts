import { expose } from 'comlink';
import * as v from 'valibot';
import { UpFitError } from '@/core/errors';
import { FileRecordSchema } from '@/core/pack/manifest';
import { openZip, ZipMaker } from '@/files/zip';
import { digestBlob } from '@/imaging/digest';
import { failureOf, Stopped } from './outcome';
import type { OnBytes, Zipped, ZipService } from './zip-messages';

/** Counts bytes for the page now and then, and stops the work once the shared flag is set. */
function counter(flag: Int32Array, onBytes: OnBytes): (bytes: number) => void {
  let sum = 0;
  let told = 0;
  return (bytes) => {
    if (Atomics.load(flag, 0) === 1) throw new Stopped();
    sum += bytes;
    if (performance.now() - told < 50) return;
    told = performance.now();
    onBytes(sum);
  };
}

async function answer<T>(work: () => Promise<T>): Promise<Zipped<T>> {
  try {
    return { ok: true, value: await work() };
  } catch (error) {
    return failureOf(error, 'The zip could not be worked through to its end: try again.');
  }
}

const Index = v.looseObject({ files: v.array(FileRecordSchema) });

const service: ZipService = {
  make: (files, { path, head }, flag, onBytes) =>
    answer(async () => {
      const count = counter(flag, onBytes);
      const maker = new ZipMaker();
      for (const file of files) await maker.add(file, count);
      const listed = [...maker.files];
      const index = JSON.stringify({ ...head, files: listed }, null, 2);
      await maker.add({ path, data: new Blob([index]) }, count);
      const zip = await maker.end();
      return { zip, files: listed, sha256: await digestBlob(zip) };
    }),

  read: (name, zip, indexPath, flag, onBytes) =>
    answer(async () => {
      const count = counter(flag, onBytes);
      const opened = await openZip(name, zip);
      try {
        if (!opened.paths.includes(indexPath))
          throw new UpFitError('unreadable', `“${name}” is no such zip: it lacks ${indexPath}.`);
        const text = await (await opened.read(indexPath)).data.text();
        const index = readIndex(name, text);
        const files = new Map<string, Blob>();
        for (const { path, bytes, sha256 } of index.files) {
          const read = await opened.read(path, count);
          if (read.sha256 !== sha256 || read.data.size !== bytes) {
            throw new UpFitError(
              'unreadable',
              `“${name}” is damaged at ${path}: its checksum is not the one it was made with, so nothing was taken from it.`,
            );
          }
          files.set(path, read.data);
        }
        return { index: text, files };
      } finally {
        await opened.close();
      }
    }),
};

function readIndex(name: string, text: string) {
  try {
    return v.parse(Index, JSON.parse(text));
  } catch {
    throw new UpFitError(
      'unreadable',
      `“${name}” has a list of its files that cannot be read: make it again.`,
    );
  }
}

expose(service);
