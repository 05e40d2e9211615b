/** A file's bytes, asked for part by part, so that a large one need not lie in memory whole. */
export interface Source {
  readonly size: number;
  /** Bytes from a place on; fewer than asked for at the end of the file. */
  read(at: number, length: number): Uint8Array;
  /** All of it, where it is in memory. */
  readonly bytes?: Uint8Array;
}

/** Files up to this size are read into memory whole: that is faster, and little. */
export const READ_WHOLE_BYTES = 64 * 1024 * 1024;

export function bytesSource(bytes: Uint8Array): Source {
  return { size: bytes.length, read: (at, length) => bytes.subarray(at, at + length), bytes };
}

/** Reads ahead, so that many small reads cost few large ones. */
export function pagedSource(size: number, load: (at: number, length: number) => Uint8Array): Source {
  const ahead = 1024 * 1024;
  let start = 0;
  let page = new Uint8Array(0);
  return {
    size,
    read: (at, length) => {
      if (at < start || at + length > start + page.length) {
        start = at;
        page = new Uint8Array(load(at, Math.min(size - at, Math.max(length, ahead))));
      }
      return page.subarray(at - start, at - start + length);
    },
  };
}
