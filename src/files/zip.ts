import { BlobReader, BlobWriter, configure, ZipReader, ZipWriter, type FileEntry } from '@zip.js/zip.js';
import { createSHA256 } from 'hash-wasm';
import { UpFitError } from '@/core/errors';
import type { FileRecord } from '@/core/pack/manifest';

// This runs in a worker of our own already.
configure({ useWebWorkers: false });

/** A file on its way into a zip, under a path with forward slashes. */
export interface ZipFile {
  path: string;
  data: Blob;
}

/** Told of bytes that have gone by, of all; throws to stop. */
export type OnBytes = (done: number, total: number) => void;

/** What compresses further; pictures and profiles are packed already. */
const PACKS = /\.(json|svg|csv|gpl|txt)$/;
/** The same bytes give the same zip. */
const NO_DATE = new Date(Date.UTC(2026, 0, 1));

/** Writes files into one zip, one after another, and tells the SHA-256 of each. Nothing is held but the zip itself. */
export class ZipMaker {
  readonly files: FileRecord[] = [];
  private readonly writer = new ZipWriter(new BlobWriter('application/zip'), {
    lastModDate: NO_DATE,
    extendedTimestamp: false,
  });

  async add(
    { path, data }: ZipFile,
    onBytes: (bytes: number) => void = () => undefined,
  ): Promise<FileRecord> {
    const hash = (await createSHA256()).init();
    const watched = data.stream().pipeThrough(
      new TransformStream<Uint8Array, Uint8Array>({
        transform(chunk, out) {
          hash.update(chunk);
          onBytes(chunk.length);
          out.enqueue(chunk);
        },
      }),
    );
    await this.writer.add(path, watched, { level: PACKS.test(path) ? 6 : 0 });
    const record = { path, bytes: data.size, sha256: hash.digest('hex') };
    this.files.push(record);
    return record;
  }

  async end(): Promise<Blob> {
    return await this.writer.close();
  }
}

/** A zip's files, none of them read yet. */
export interface OpenedZip {
  paths: readonly string[];
  /** Bytes of all files as they will be. */
  bytes: number;
  /** A file, and its SHA-256; throws `unreadable` where its bytes are not what the zip says. */
  read(path: string, onBytes?: (bytes: number) => void): Promise<{ data: Blob; sha256: string }>;
  close(): Promise<void>;
}

/** Bytes that a file may become for each that it takes in the zip, and how many all may be. */
const MOST_RATIO = 200;
const MOST_BYTES = 64 * 1024 ** 3;
const MOST_FILES = 20_000;

/** Opens a zip by its own list of files. Refuses one that is damaged, that climbs out of its folder, or that is a bomb. */
export async function openZip(name: string, zip: Blob): Promise<OpenedZip> {
  const reader = new ZipReader(new BlobReader(zip), {
    // Paths are looked at here, so that what is wrong with one can be said.
    filenameValidation: 'tolerant',
  });
  const entries = await entriesOf(name, reader);
  const byPath = new Map(entries.map((entry) => [entry.filename, entry]));
  if (byPath.size !== entries.length) throw broken(name, 'holds two files of one name');
  return {
    paths: [...byPath.keys()],
    bytes: entries.reduce((sum, { uncompressedSize }) => sum + uncompressedSize, 0),
    read: async (path, onBytes = () => undefined) => {
      const entry = byPath.get(path);
      if (!entry) throw broken(name, `lacks ${path}`);
      return readEntry(name, entry, onBytes);
    },
    close: () => reader.close(),
  };
}

async function entriesOf(name: string, reader: ZipReader<unknown>): Promise<FileEntry[]> {
  let all;
  try {
    all = await reader.getEntries();
  } catch {
    throw broken(name, 'is no zip, or cut short');
  }
  const files = all.filter((entry): entry is FileEntry => !entry.directory);
  if (files.length > MOST_FILES) throw broken(name, `holds more than ${MOST_FILES} files`);
  let bytes = 0;
  for (const { filename, compressedSize, uncompressedSize, encrypted } of files) {
    if (!isInside(filename)) throw broken(name, 'holds a path that leads out of its folder');
    if (encrypted) throw broken(name, 'is locked with a password');
    bytes += uncompressedSize;
    if (uncompressedSize > 1024 * 1024 && uncompressedSize > compressedSize * MOST_RATIO)
      throw broken(name, 'would swell to many times its size');
  }
  if (bytes > MOST_BYTES) throw broken(name, 'would swell to many times its size');
  return files;
}

function isInside(path: string): boolean {
  const steps = path.split('/');
  return (
    !path.includes('\\') &&
    !path.includes('\0') &&
    !/^[a-z]:/i.test(path) &&
    steps.every((step) => step !== '' && step !== '.' && step !== '..')
  );
}

async function readEntry(
  name: string,
  entry: FileEntry,
  onBytes: (bytes: number) => void,
): Promise<{ data: Blob; sha256: string }> {
  const hash = (await createSHA256()).init();
  const stopped: unknown[] = [];
  let bytes = 0;
  const into = new BlobWriter();
  const watched = new WritableStream<Uint8Array>({
    async start() {
      await into.init();
    },
    async write(chunk) {
      bytes += chunk.length;
      // What the list of files says is not believed.
      if (bytes > entry.uncompressedSize) throw broken(name, 'would swell to many times its size');
      hash.update(chunk);
      try {
        onBytes(chunk.length);
      } catch (error) {
        stopped.push(error);
        throw error;
      }
      await sink.write(chunk);
    },
    async close() {
      await sink.close();
    },
  });
  const sink = into.writable.getWriter();
  try {
    await entry.getData(watched, { checkSignature: true });
    return { data: await into.getData(), sha256: hash.digest('hex') };
  } catch (error) {
    if (stopped.length > 0) throw stopped[0];
    throw error instanceof UpFitError ? error : broken(name, `is damaged at ${entry.filename}`);
  }
}

function broken(name: string, how: string): UpFitError {
  return new UpFitError(
    'unreadable',
    `“${name}” ${how}, so nothing was taken from it: copy it again from where it was made.`,
  );
}
