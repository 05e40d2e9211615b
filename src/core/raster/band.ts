import type { Progress, Raster } from './raster';

/**
 * Some rows of a picture: those from `first` on, `rows` of them, are its own; those above and below are there to
 * look at. A picture that is in memory whole is one band.
 */
export interface Band {
  raster: Raster;
  first: number;
  rows: number;
  /** Where its first own row lies in the picture. */
  y: number;
}

/** Something measured in a picture as its bands come by, from the top. */
export interface BandMeasure<T> {
  take: (band: Band, progress: Progress) => void;
  result: () => T;
}

/** Rows that measures look at above and below a band's own. */
export const BAND_MARGIN = 2;

export function wholeBand(raster: Raster): Band {
  return { raster, first: 0, rows: raster.height, y: 0 };
}

/** Measures a picture that is in memory whole. */
export function measureWhole<T>(measure: BandMeasure<T>, raster: Raster, progress: Progress): T {
  measure.take(wholeBand(raster), progress);
  return measure.result();
}

/**
 * Makes bands, each with its margins, of chunks of rows as a decoder gives them from the top: the last rows of a
 * chunk wait until those below them are there.
 */
export class BandMaker {
  private held: Raster | null = null;
  /** Where the first held row lies in the picture, and the first that has not been handed on. */
  private top = 0;
  private next = 0;

  constructor(
    private readonly height: number,
    private readonly take: (band: Band) => void,
  ) {}

  push(chunk: Raster): void {
    const window = this.held ? stacked(this.held, chunk) : chunk;
    const end = this.top + window.height;
    const ready = end >= this.height ? this.height : end - BAND_MARGIN;
    if (ready > this.next) {
      this.take({ raster: window, first: this.next - this.top, rows: ready - this.next, y: this.next });
      this.next = ready;
    }
    const from = Math.max(this.top, this.next - BAND_MARGIN);
    this.held = rowsOf(window, from - this.top, end - from);
    this.top = from;
  }
}

function stacked(above: Raster, below: Raster): Raster {
  const data = new Uint8Array(above.data.length + below.data.length);
  data.set(above.data);
  data.set(below.data, above.data.length);
  return {
    width: above.width,
    height: above.height + below.height,
    data,
    opaque: above.opaque && below.opaque,
  };
}

function rowsOf({ width, data, opaque }: Raster, first: number, rows: number): Raster {
  return {
    width,
    height: rows,
    data: data.slice(first * width * 4, (first + rows) * width * 4),
    opaque,
  };
}

/** Bytes of pixels that are handed on at a time where a picture goes by in bands. */
const CHUNK_BYTES = 4 * 1024 * 1024;

/** Gathers bytes, as they come, into chunks of whole rows. */
export class ChunkMaker {
  private readonly rows: number;
  private chunk: Uint8Array;
  private filled = 0;
  private y = 0;

  constructor(
    private readonly width: number,
    private readonly height: number,
    private readonly take: (data: Uint8Array, rows: number, y: number) => void,
  ) {
    this.rows = Math.max(16, Math.floor(CHUNK_BYTES / (width * 4)));
    this.chunk = this.fresh();
  }

  push(bytes: Uint8Array): void {
    for (let at = 0; at < bytes.length;) {
      const part = Math.min(bytes.length - at, this.chunk.length - this.filled);
      if (part === 0) return;
      this.chunk.set(bytes.subarray(at, at + part), this.filled);
      at += part;
      this.filled += part;
      if (this.filled < this.chunk.length) continue;
      const rows = this.chunk.length / 4 / this.width;
      this.take(this.chunk, rows, this.y);
      this.y += rows;
      this.filled = 0;
      this.chunk = this.fresh();
    }
  }

  private fresh(): Uint8Array {
    return new Uint8Array(Math.min(this.rows, this.height - this.y) * this.width * 4);
  }
}
