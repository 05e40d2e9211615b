import { execFileSync } from 'node:child_process';
import { describeFacts } from '@/core/fit/describe';
import { trueDetail } from '@/core/raster/detail';
import type { Raster } from '@/core/raster/raster';
import { factsOf } from '../support/fits';
import { CLEAR, paint, RED, solid } from '../support/pictures';
import { few } from '../support/long';

/** A picture as another program resizes and saves it, at the JPEG quality given or without loss. */
function resized({ width, height, data }: Raster, filter: string, percent: number, quality?: number): Raster {
  const run = (input: Uint8Array, ...args: string[]) =>
    execFileSync('convert', args, { input, maxBuffer: 1e8 });
  const raw = ['-depth', '8', 'rgba:-'];
  const source = ['-size', `${width}x${height}`, ...raw, '-filter', filter, '-resize', `${percent}%`];
  const out = quality
    ? run(run(data, ...source, '-quality', String(quality), 'jpg:-'), 'jpg:-', ...raw)
    : run(data, ...source, ...raw);
  const wide = Math.round((width * percent) / 100);
  return { width: wide, height: out.length / 4 / wide, data: new Uint8Array(out), opaque: true };
}

/** Leaves fallen over one another, each with a shade and a texture: edges and spectrum are a photograph's. */
function leaves(width: number, height: number): Raster {
  let state = 12345;
  const random = () => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) / 2 ** 32;
  const light = new Float32Array(width * height).fill(90);
  for (let i = 0; i < 1500; i++) {
    const r = Math.min(width / 5, 3 / Math.sqrt(random() + 0.0004));
    const [cx, cy, shade] = [random() * width, random() * height, random() * 255];
    const [gx, grain, pitch] = [random() - 0.5, random() * 20, 0.1 + random() * 0.8];
    for (let y = Math.max(0, Math.floor(cy - r)); y < Math.min(height, cy + r); y++) {
      for (let x = Math.max(0, Math.floor(cx - r)); x < Math.min(width, cx + r); x++) {
        const inside = r - Math.hypot(x - cx, y - cy);
        if (inside <= 0) continue;
        const own = shade + gx * (x - cx) + grain * Math.sin(pitch * x) * Math.sin(pitch * y);
        const share = Math.min(1, inside);
        light[y * width + x] = light[y * width + x]! * (1 - share) + own * share;
      }
    }
  }
  return paint(width, height, (x, y) => {
    const value = Math.max(0, Math.min(255, Math.round(light[y * width + x]!)));
    return [value, value, value, 255];
  });
}

/** A drawing: discs and bars with edges between pixels, in two inks on white. */
const drawing = paint(320, 240, (x, y) => {
  const disc = Math.max(0, Math.min(1, 60.3 - Math.hypot(x - 120.4, y - 130.7)));
  const bar = Math.max(0, Math.min(1, 9.6 - Math.abs((x - 230) * 0.8 + (y - 60) * 0.6)));
  const mix = (paper: number, a: number, b: number) =>
    Math.round((paper * (1 - disc) + a * disc) * (1 - bar) + b * bar);
  return [mix(255, 27, 180), mix(255, 43, 40), mix(255, 76, 30), 255];
});
const photograph = resized(leaves(640, 480), 'Lanczos', 50);

describe('true detail', () => {
  test('a crisp photograph and a drawing hold it at their own pixels', () => {
    expect(trueDetail(photograph)?.scale).toBeGreaterThan(0.8);
    expect(trueDetail(drawing)?.scale).toBeGreaterThan(0.8);
  });

  describe.each(few([3, 2, 4], 1))('enlarged %d times', (times) => {
    test.each(few(['Point', 'Triangle', 'Catrom', 'Lanczos'], 1))(
      'by %s it is one n-th, within a quarter',
      (filter) => {
        for (const picture of [photograph, drawing]) {
          const scale = trueDetail(resized(picture, filter, 100 * times))!.scale;
          expect(scale * times).toBeGreaterThan(0.75);
          expect(scale * times).toBeLessThan(1.25);
        }
      },
    );

    test('a JPEG of quality 60 does not fool it', () => {
      for (const picture of [photograph, drawing]) {
        const scale = trueDetail(resized(picture, 'Catrom', 100 * times, 60))!.scale;
        // Blocks of eight pixels are edges too.
        expect(Math.abs(scale * times - 1)).toBeLessThan(0.35);
      }
    });
  });

  test('nearest neighbour is found exactly, by whole factors and others', () => {
    expect(trueDetail(resized(photograph, 'Point', 300))!.scale).toBeCloseTo(1 / 3, 9);
    expect(trueDetail(resized(photograph, 'Point', 250))!.scale).toBeCloseTo(0.4, 2);
  });

  test('flat colour and nothing at all say nothing', () => {
    expect(trueDetail(solid(200, 200))).toBeNull();
    expect(trueDetail(paint(100, 100, () => CLEAR))).toBeNull();
    expect(trueDetail(solid(1, 1))).toBeNull();
    expect(trueDetail(paint(200, 200, (x) => [x, x, x, 255]))?.scale).not.toBe(1);
  });

  test('a motif’s outline counts: white on clear as well as dark on clear', () => {
    for (const ink of [RED, [255, 255, 255, 255] as const]) {
      const disc = paint(200, 200, (x, y) => {
        const share = Math.max(0, Math.min(1, 60.3 - Math.hypot(x - 100.2, y - 99.6)));
        return [ink[0], ink[1], ink[2], Math.round(share * 255)];
      });
      expect(trueDetail(disc)!.scale).toBeGreaterThan(0.8);
    }
  });

  test('is told as a seller would', () => {
    const said = (scale: number) =>
      describeFacts(factsOf(solid(4200, 10), { detail: { scale, sure: true } })).find((line) =>
        line.includes('detail'),
      );
    expect(said(0.33)).toBe('Enlarged about 3 times: its detail is that of a 1,400-pixel picture.');
    expect(said(0.7)).toBe('A little soft at its own pixels: its detail is that of a 2,900-pixel picture.');
    expect(said(0.95)).toBeUndefined();
  });
});
