import type { FileRecord } from '@/core/pack/manifest';
import type { ZipFile } from '@/files/zip';
import type { Failure } from './outcome';

/** Told of bytes that have gone by. */
export type OnBytes = (bytes: number) => void;

/** An answer that may be a sentence about what is wrong, or that the work was stopped. */
export type Zipped<T> = { ok: true; value: T } | Failure;

export interface MadeZip {
  zip: Blob;
  files: FileRecord[];
  sha256: string;
}

/** A zip's files as they were read and checked against the list in it. */
export interface ReadZip {
  /** The text of the list. */
  index: string;
  files: Map<string, Blob>;
}

/** Makes and reads zips away from the page's own thread. `flag` is one shared number: set to 1, the work stops. */
export interface ZipService {
  /** One zip of files, with a list of them as its last: `head` as JSON with `files` in it. */
  make(
    files: readonly ZipFile[],
    index: { path: string; head: object },
    flag: Int32Array,
    onBytes: OnBytes,
  ): Promise<Zipped<MadeZip>>;
  /** Every file of a zip, each held to the checksum that the list in it gives. */
  read(name: string, zip: Blob, index: string, flag: Int32Array, onBytes: OnBytes): Promise<Zipped<ReadZip>>;
}
