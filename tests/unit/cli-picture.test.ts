import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import jpegJs from 'jpeg-js';
import { PNG } from 'pngjs';
import { nodeReaders } from '@/cli/readers';
import { run } from '@/cli/run';
import { shippedBlanks } from '@/core/blank/library';
import type { Mark } from '@/core/mockup/marks';
import { few, longTest } from '../support/long';

const folder = mkdtempSync(join(tmpdir(), 'up-fit-picture-'));
const file = (name: string) => join(folder, name);
const readers = nodeReaders();
afterAll(() => {
  readers.close();
  rmSync(folder, { recursive: true });
});

async function upfit<T>(...args: string[]): Promise<{ status: number; json: T }> {
  const { status, out } = await run([...args, '--json'], readers.supply);
  return { status, json: JSON.parse(out) as T };
}

interface Told {
  pixels: { width: number; height: number };
  bytes: number;
  marks: Mark[];
  error: { code: string; message: string };
}

/** White with red dots of 3 mm at places in mm, ten pixels a mm. */
function writeDots(
  name: string,
  size: { width: number; height: number },
  dots: readonly [number, number][],
): void {
  const png = new PNG({ width: size.width * 10, height: size.height * 10 });
  png.data.fill(255);
  for (const [cx, cy] of dots)
    for (let y = cy * 10 - 15; y < cy * 10 + 15; y++)
      for (let x = cx * 10 - 15; x < cx * 10 + 15; x++)
        if (Math.hypot(x - cx * 10, y - cy * 10) < 15)
          png.data.set([230, 20, 30, 255], (y * png.width + x) * 4);
  writeFileSync(file(name), PNG.sync.write(png));
}

/** The middle of the red that is nearest to a place of a picture. */
function redNear(
  { width, data }: PNG,
  at: { px: number; py: number },
  reach: number,
): [number, number] | null {
  let [n, sx, sy] = [0, 0, 0];
  for (let y = Math.round(at.py) - reach; y <= at.py + reach; y++)
    for (let x = Math.round(at.px) - reach; x <= at.px + reach; x++) {
      const i = (y * width + x) * 4;
      if (data[i]! > 70 && data[i + 1]! < data[i]! * 0.5 && data[i + 2]! < data[i]! * 0.5) {
        n++;
        sx += x + 0.5;
        sy += y + 0.5;
      }
    }
  return n === 0 ? null : [sx / n, sy / n];
}

test('scenes: each has a name, kinds of blanks it shows, and sides; between them they show every blank', async () => {
  const { status, json } =
    await upfit<{ id: string; name: string; kinds: string[]; sides: string[] }[]>('scenes');
  expect(status).toBe(0);
  expect(new Set(json.map(({ id }) => id)).size).toBe(json.length);
  for (const { id, name, kinds, sides } of json)
    expect([id, name !== '', kinds.length > 0, sides.length > 0]).toEqual([id, true, true, true]);
  const kinds = new Set(json.flatMap((one) => one.kinds));
  for (const { blank } of shippedBlanks()) expect(kinds).toContain(blank.body.kind);
  const sidesOf = (id: string) => json.find((one) => one.id === id)!.sides;
  expect(sidesOf('plain')).toEqual(['front']);
  expect(sidesOf('plain-turned')).toEqual(['front', 'right']);
  expect(sidesOf('both-sides')).toEqual(['right', 'left']);
  expect(sidesOf('three-sides')).toEqual(['front', 'right', 'left']);
});

describe('picture', () => {
  /** Blank, colour, where the artwork lies, its dots on the flat, and the scene. */
  const CASES = [
    ['mug-325', 'White', 'plain', '0'],
    ['mug-325', 'White', 'plain-turned', '0'],
    ['mug-325', 'White', 'plain', '-40'],
    ['tumbler-470', 'White', 'plain', '15'],
    ['coaster', 'White', 'plain-flat', '0'],
    ['shirt', 'White', 'plain-flat', '0'],
  ] as const;

  test.each(few(CASES, 1))(
    'of %s in %s, scene %s turned by %s: a mark of the flat is where it says, within 1.5 px',
    async (wanted, _, scene, turn) => {
      const blank = shippedBlanks().find(({ blank: one }) => one.id === wanted)!;
      const { width, height } = blank.faces[0]!;
      const tenth = (mm: number) => Math.floor(mm / 10) * 10;
      const size = { width: tenth(width) - 20, height: tenth(height) - 20 };
      const at = { x: 10 + size.width / 2, y: 10 + size.height / 2 };
      const flat: [number, number][] = [];
      for (let x = 20; x < 10 + size.width; x += 30)
        for (let y = 20; y < 10 + size.height; y += 30) flat.push([x, y]);
      writeDots(
        'dots.png',
        size,
        flat.map(([x, y]) => [x - 10, y - 10]),
      );
      const { status, json } = await upfit<Told>(
        ...['picture', '--blank', blank.blank.id, '--artwork', file('dots.png')],
        ...['--place', `${size.width}mmx${size.height}mm`, '--at', `${at.x}mm,${at.y}mm`],
        ...['--scene', scene, '--turn', turn, '--pixels', '1000x1000', '--marks', '--out', file('out.png')],
      );
      expect(status).toBe(0);
      expect(json.pixels).toEqual({ width: 1000, height: 1000 });
      const drawn = PNG.sync.read(readFileSync(file('out.png')));
      expect([drawn.width, drawn.height]).toEqual([1000, 1000]);
      const dotted = json.marks.filter(
        ({ x, y, seen }) => seen && flat.some(([fx, fy]) => fx === x && fy === y),
      );
      expect(dotted.length).toBeGreaterThan(2);
      const off = dotted.flatMap((mark) => {
        const found = redNear(drawn, mark, 14);
        // So far round that a dot is a sliver.
        if (!found) return [];
        return Math.hypot(found[0] - mark.px, found[1] - mark.py);
      });
      expect(off.length).toBeGreaterThan(dotted.length * 0.6);
      expect(Math.max(...off)).toBeLessThan(1.5);
      // What is said to be turned away shows no red there.
      const hidden = json.marks.filter(
        ({ seen, x, y }) => !seen && flat.some(([fx, fy]) => fx === x && fy === y),
      );
      if (wanted === 'mug-325') expect(hidden.length).toBeGreaterThan(0);
    },
  );

  longTest('in any of three formats, at its own size', async () => {
    writeDots('plain.png', { width: 40, height: 40 }, [[20, 20]]);
    const ask = (out: string, pixels: string) =>
      upfit<Told>(
        ...['picture', '--blank', 'shirt', '--colour', 'Night', '--artwork', file('plain.png')],
        ...['--scene', 'plain-flat', '--pixels', pixels, '--out', file(out)],
      );
    expect((await ask('a.jpg', '640x480')).json.pixels).toEqual({ width: 640, height: 480 });
    const jpeg = jpegJs.decode(readFileSync(file('a.jpg')));
    expect([jpeg.width, jpeg.height]).toEqual([640, 480]);
    await ask('a.webp', '300x300');
    expect(readFileSync(file('a.webp')).subarray(8, 12).toString()).toBe('WEBP');
  });

  test.each([
    ['a scene that is none', ['--scene', 'moon'], 'not-found', /no scene “moon”: choose among/],
    ['a scene of other things', ['--scene', 'plain'], 'not-found', /“plain” is not for Shirt/],
    ['no scene', [], 'bad-argument', /wants --scene/],
    ['a size that is none', ['--scene', 'plain-flat', '--pixels', '10x9'], 'bad-argument', /64 to 6000/],
    ['a turn that is none', ['--scene', 'plain-flat', '--turn', 'left'], 'bad-argument', /wants a number/],
    ['a format that is none', ['--scene', 'plain-flat', '--out', 'a.gif'], 'bad-argument', /ends in \.png/],
    [
      'a turn of what lies',
      ['--scene', 'plain-flat', '--frames', '4', '--out', 'a.gif'],
      'bad-argument',
      /nothing can/,
    ],
    [
      'a turn as a still',
      ['--scene', 'form', '--frames', '4', '--out', 'a.png'],
      'bad-argument',
      /\.gif or \.webp/,
    ],
    ['a turn of one', ['--scene', 'form', '--frames', '1', '--out', 'a.gif'], 'bad-argument', /2 to 72/],
    [
      'a way that is none',
      ['--scene', 'form', '--frames', '4', '--way', 'up', '--out', 'a.gif'],
      'bad-argument',
      /swing/,
    ],
    ['a way of nothing', ['--scene', 'form', '--way', 'swing'], 'bad-argument', /goes with --frames/],
    [
      'a turn too large',
      ['--scene', 'form', '--frames', '72', '--pixels', '900x900', '--out', 'a.gif'],
      'bad-argument',
      /more than/,
    ],
  ])('%s is told, and nothing is written', async (_, args, code, words) => {
    writeDots('plain.png', { width: 40, height: 40 }, [[20, 20]]);
    const out = args.includes('--out') ? [] : ['--out', file('none.png')];
    const { status, json } = await upfit<Told>(
      ...['picture', '--blank', 'shirt', '--artwork', file('plain.png'), ...out, ...args],
    );
    expect([status, json.error.code]).toEqual([2, code]);
    expect(json.error.message).toMatch(words);
    expect(() => readFileSync(file('none.png'))).toThrow();
  });

  test.each(few(['gif', 'webp'], 1))(
    'a turn is one %s file with all its pictures, each as long as is said',
    async (kind) => {
      writeDots('dots.png', { width: 60, height: 60 }, [[30, 30]]);
      const out = file(`turn.${kind}`);
      const { status, json } = await upfit<Told & { frames: number; delay: number }>(
        ...['picture', '--blank', 'mug-325', '--artwork', file('dots.png'), '--scene', 'plain', '--out', out],
        ...['--frames', '6', '--seconds', '3', '--way', 'round', '--pixels', '120x90'],
      );
      expect(status).toBe(0);
      expect([json.frames, json.delay, json.pixels]).toEqual([6, 500, { width: 120, height: 90 }]);
      const each = [`${kind}:${out}`, '-coalesce', '-format', '%wx%h %T\n', 'info:'];
      const told = execFileSync('convert', each, { encoding: 'utf8' });
      expect(told.trim().split('\n')).toEqual(Array(6).fill('120x90 50'));
    },
  );
});
