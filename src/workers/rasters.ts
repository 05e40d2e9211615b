import type { Raster } from '@/core/raster/raster';

/** Bytes of decoded pixels that are kept for use again; the least recently used go first. */
const KEEP_BYTES = 320 * 1024 * 1024;

/** Decoded pixels by artwork, so that each file is decoded once while it is worked on. */
export class RasterShelf {
  private readonly kept = new Map<string, Raster>();

  async take(id: string, decode: () => Promise<Raster>): Promise<Raster> {
    const found = this.kept.get(id);
    if (found) {
      this.put(id, found);
      return found;
    }
    const raster = await decode();
    this.put(id, raster);
    return raster;
  }

  get bytes(): number {
    return [...this.kept.values()].reduce((sum, { data }) => sum + data.byteLength, 0);
  }

  put(id: string, raster: Raster): void {
    this.kept.delete(id);
    this.kept.set(id, raster);
    for (const oldest of this.kept.keys()) {
      if (this.bytes <= KEEP_BYTES || oldest === id) return;
      this.kept.delete(oldest);
    }
  }
}
