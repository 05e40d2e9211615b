import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { heldSize, isHeld, LIMITS, requireReadablePixels } from '@/core/artwork/limits';
import { ByteReader } from '@/core/formats/bytes';
import { bytesSource, pagedSource } from '@/core/formats/source';
import { readHeader } from '@/core/formats/sniff';
import { BandMaker, BAND_MARGIN, ChunkMaker, measureWhole, type BandMeasure } from '@/core/raster/band';
import { concluded, opaqueBounds, partMeasure } from '@/core/raster/bounds';
import { inkMeasure } from '@/core/raster/inks';
import { IN_SILENCE, type Raster } from '@/core/raster/raster';
import { BandShrinker, boxShrink } from '@/core/raster/shrink';
import { softMeasure } from '@/core/raster/soft';
import { factsOf, faceOf, pieceAt, sheetOf } from '../support/fits';
import { shownPpi } from '@/core/fit/density';
import { artworkPixels, measureArtwork } from '@/files/artwork';
import { nodePages } from '@/files/pdf/node';
import type { Engine } from '@/imaging/engine';
import { fileSource, loadNodeEngine } from '@/imaging/node';
import fc from 'fast-check';
import { paint, pixelAt } from '../support/pictures';
import { longDescribe } from '../support/long';

/** The picture handed on in chunks of so many rows, as a decoder would. */
function inChunks<T>(raster: Raster, rows: number, measure: BandMeasure<T>): T {
  const maker = new BandMaker(raster.height, (band) => {
    measure.take(band, IN_SILENCE);
  });
  for (let y = 0; y < raster.height; y += rows) {
    const height = Math.min(rows, raster.height - y);
    const data = raster.data.slice(y * raster.width * 4, (y + height) * raster.width * 4);
    maker.push({ width: raster.width, height, data, opaque: raster.opaque });
  }
  return measure.result();
}

const pictures = fc
  .tuple(fc.integer({ min: 3, max: 24 }), fc.integer({ min: 1, max: 40 }), fc.integer({ min: 1, max: 50 }))
  .map(([width, height, seed]) =>
    paint(width, height, (x, y) => {
      const level = (x * seed + y * y * 7) % 23;
      return [level > 11 ? 200 : 20, 40, 90, level < 5 ? 0 : level < 9 ? 120 : 255];
    }),
  );

describe('a picture that goes by in bands', () => {
  test('is measured as one that is there whole', () => {
    fc.assert(
      fc.property(
        pictures,
        fc.integer({ min: 1, max: 9 }),
        fc.integer({ min: 2, max: 5 }),
        (raster, rows, factor) => {
          const { width, height } = raster;
          expect(concluded(inChunks(raster, rows, partMeasure(width)), width * height)).toEqual(
            opaqueBounds(raster),
          );
          for (const make of [softMeasure, inkMeasure] as const) {
            expect(inChunks(raster, rows, make(width, height) as BandMeasure<unknown>)).toEqual(
              measureWhole(make(width, height) as BandMeasure<unknown>, raster, IN_SILENCE),
            );
          }
          const shrunk = inChunks(raster, rows, new BandShrinker(width, height, factor));
          expect(Buffer.from(shrunk.data).equals(Buffer.from(boxShrink(raster, factor, factor).data))).toBe(
            true,
          );
        },
      ),
    );
  });

  test('shrunk by a factor that is not whole each pixel is the mean of the area it stands for, in bands as whole', () => {
    fc.assert(
      fc.property(
        pictures,
        fc.integer({ min: 1, max: 9 }),
        fc.double({ min: 1, max: 4, noNaN: true }),
        (raster, rows, wanted) => {
          const { width, height, data } = raster;
          const [across, down] = [Math.ceil(width / wanted), Math.ceil(height / wanted)];
          const [fx, fy] = [width / across, height / down];
          const shrunk = inChunks(raster, rows, new BandShrinker(width, height, fx, fy));
          expect([shrunk.width, shrunk.height]).toEqual([across, down]);
          const share = (at: number, from: number, to: number) =>
            Math.max(0, Math.min(at + 1, to) - Math.max(at, from));
          let off = 0;
          for (let row = 0; row < down; row++)
            for (let column = 0; column < across; column++) {
              let [red, alpha, area] = [0, 0, 0];
              for (let y = 0; y < height; y++)
                for (let x = 0; x < width; x++) {
                  const part = share(x, column * fx, (column + 1) * fx) * share(y, row * fy, (row + 1) * fy);
                  const own = data[(y * width + x) * 4 + 3]! * part;
                  red += data[(y * width + x) * 4]! * own;
                  alpha += own;
                  area += part;
                }
              const [gotRed, , , gotAlpha] = pixelAt(shrunk, column, row);
              off = Math.max(
                off,
                Math.abs(gotAlpha! - alpha / area),
                alpha > 1 ? Math.abs(gotRed! - red / alpha) : 0,
              );
            }
          expect(off).toBeLessThanOrEqual(0.51);
        },
      ),
      { numRuns: 30 },
    );
  });

  test('every row is its own in one band, with rows to look at above and below', () => {
    const raster = paint(2, 30, (_, y) => [y, 0, 0, 255]);
    const seen: number[] = [];
    inChunks(raster, 4, {
      take: (band) => {
        for (let row = 0; row < band.rows; row++) seen.push(pixelAt(band.raster, 0, band.first + row)[0]!);
        if (band.y > 0) expect(band.first).toBe(BAND_MARGIN);
        const below = band.raster.height - band.first - band.rows;
        expect(band.y + band.rows === 30 ? 0 : BAND_MARGIN).toBe(below);
      },
      result: () => undefined,
    });
    expect(seen).toEqual(Array.from({ length: 30 }, (_, y) => y));
  });

  test('bytes in pieces of any length become whole rows', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 90 }), { minLength: 1, maxLength: 40 }), (lengths) => {
        const [width, height] = [5, 19];
        const bytes = Uint8Array.from({ length: width * height * 4 }, (_, i) => i % 251);
        const out: number[] = [];
        const chunks = new ChunkMaker(width, height, (data, rows, y) => {
          expect(y * width * 4).toBe(out.length);
          expect(data.length).toBe(rows * width * 4);
          out.push(...data);
        });
        for (let at = 0, i = 0; at < bytes.length; i++) {
          const length = lengths[i % lengths.length]!;
          chunks.push(bytes.subarray(at, at + length));
          at += length;
        }
        expect(out).toEqual([...bytes]);
      }),
    );
  });
});

describe('a file that is not in memory', () => {
  test('reads as one that is, wherever it is read', () => {
    const bytes = Uint8Array.from({ length: 200_000 }, (_, i) => (i * 7) % 256);
    let loads = 0;
    const paged = pagedSource(bytes.length, (at, length) => {
      loads++;
      return bytes.subarray(at, at + length);
    });
    const [far, near] = [new ByteReader(paged), new ByteReader(bytes)];
    for (const at of [0, 3, 199_990, 65_535, 65_534, 100_000, 12]) {
      expect(far.u32(at)).toBe(near.u32(at));
      expect(far.as(true).u16(at)).toBe(near.as(true).u16(at));
      expect([...far.slice(at, 20)]).toEqual([...near.slice(at, 20)]);
    }
    expect(loads).toBeLessThan(9);
    for (const at of [199_999, 200_000, -1]) expect(() => far.u16(at)).toThrow(RangeError);
    expect(bytesSource(bytes).read(199_999, 9)).toHaveLength(1);
  });
});

describe('limits', () => {
  test('what is held in memory, what goes by, and what is refused, told in a sentence', () => {
    expect(isHeld({ width: 8000, height: 8000 })).toBe(true);
    expect(isHeld({ width: 8001, height: 8000 })).toBe(false);
    expect(isHeld({ width: 16_385, height: 10 })).toBe(false);
    expect(() => requireReadablePixels('a', { width: 60_000, height: 10_000 })).not.toThrow();
    expect(() => requireReadablePixels('a', { width: 60_000, height: 10_001 })).toThrow(/600 megapixels/);
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 90_000 }),
        fc.integer({ min: 1, max: 90_000 }),
        (width, height) => {
          const held = heldSize({ width, height });
          expect(isHeld(held)).toBe(true);
          expect(Math.max(held.width, held.height)).toBeLessThanOrEqual(LIMITS.side);
          if (isHeld({ width, height })) expect(held).toEqual({ width, height });
        },
      ),
    );
  });
});

test('a picture that is too large to hold has the PPI of the copy that is printed', () => {
  const raster = paint(2, 2, () => [90, 60, 40, 255]);
  const ppiOf = (side: number) => {
    const facts = factsOf(raster, { pixels: { width: side, height: side } });
    return shownPpi(facts, pieceAt(0, 0, 254, 254), faceOf(sheetOf('mug-325')))!.least;
  };
  expect(ppiOf(8000)).toBeCloseTo(800, 9);
  expect(ppiOf(9000)).toBeCloseTo(800, 9);
  expect(ppiOf(20_000)).toBeCloseTo(800, 9);
});

longDescribe('a TIFF of 81 megapixels', () => {
  const folder = mkdtempSync(join(tmpdir(), 'up-fit-large-'));
  const path = join(folder, 'large.tif');
  let engine: Engine;
  beforeAll(async () => {
    engine = await loadNodeEngine();
    // A grey field with a dark block in it, turned on its side by its tag.
    const raw = Buffer.alloc(9000 * 9000, 200);
    for (let y = 2000; y < 8000; y++) raw.fill(40, y * 9000 + 1000, y * 9000 + 4000);
    writeFileSync(`${path}.raw`, raw);
    const size = ['-w', '9000', '-l', '9000'];
    execFileSync('raw2tiff', [...size, '-p', 'minisblack', '-c', 'lzw', `${path}.raw`, path]);
    execFileSync('tiffset', ['-s', '274', '6', path]);
    for (const tag of ['282', '283']) execFileSync('tiffset', ['-s', tag, '300', path]);
    execFileSync('tiffset', ['-s', '296', '2', path]);
  });
  afterAll(() => {
    engine.close();
    rmSync(folder, { recursive: true });
  });

  test('is measured in bands, upright, and placed from a reduced copy', async () => {
    const source = fileSource(path);
    const readers = { engine, drawPage: nodePages() };
    const { facts, raster, preview } = await measureArtwork(readers, { name: 'large.tif', source });
    expect(raster).toBeNull();
    expect(facts).toMatchObject({ pixels: { width: 9000, height: 9000 }, orientation: 6, inks: 2 });
    expect(facts.notes.map(({ code }) => code)).toEqual(['large']);
    expect(facts.physical!.width).toBeCloseTo(762, 6);
    expect(preview.width).toBe(1000);
    // Stored at columns 1000 to 4000 and rows 2000 to 8000, it lies upright at columns 1000 to 7000, rows 1000 to 4000.
    expect(pixelAt(preview, Math.round(4000 / 9), Math.round(2500 / 9))[0]).toBeLessThan(80);
    expect(pixelAt(preview, Math.round(8000 / 9), Math.round(2500 / 9))[0]).toBeGreaterThan(180);
    const placed = await artworkPixels(readers, { name: 'large.tif', source }, 3000);
    // As many of its pixels as are held, whatever is asked for.
    expect([placed.width, placed.height]).toEqual([8000, 8000]);
    expect(pixelAt(placed, 3555, 2222)[0]).toBeLessThan(80);
    expect(pixelAt(placed, 3555, 5333)[0]).toBeGreaterThan(180);
    source.close();
  });

  test('can be stopped on its way, and read again', async () => {
    const source = fileSource(path);
    const readers = { engine, drawPage: nodePages() };
    let told = 0;
    const stopped = measureArtwork(readers, { name: 'large.tif', source }, (share) => {
      if (share > 0.3 && ++told > 1) throw new Error('stopped');
    });
    await expect(stopped).rejects.toThrow('stopped');
    expect(readHeader('large.tif', source)).toMatchObject({ width: 9000, format: 'tiff' });
    expect(engine.memory().bytes).toBeLessThan(64 * 1024 * 1024);
    source.close();
  });
});
