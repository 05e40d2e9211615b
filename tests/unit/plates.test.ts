import { execFileSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import { PNG } from 'pngjs';
import { nodeReaders } from '@/cli/readers';
import { run } from '@/cli/run';
import { offsetMask } from '@/core/raster/offset';
import { labelFlat, relabelPart, settleIslands } from '@/core/raster/flat';
import { deltaE00 } from '@/core/colour/difference';
import { labOf } from '@/core/colour/lab';
import { ALL_AS_THEY_ARE, seenOn } from '@/core/plates/laid';
import { chooseInks, named } from '@/core/plates/inks';
import { plateFindings } from '@/core/plates/findings';
import { makePlates, type Plate, type PlatesAsked } from '@/core/plates/make';
import { screened } from '@/core/plates/screen';
import { DOTS, type Screen } from '@/core/fit/plates';
import { laidOver, sharesFor } from '@/core/plates/tones';
import { METHODS } from '@/core/blank/methods';
import { storm } from '@/demo/art/storm';
import type { Raster } from '@/core/raster/raster';
import { paint } from '../support/pictures';
import { longDescribe, longTest } from '../support/long';

const folder = mkdtempSync(join(tmpdir(), 'up-fit-plates-'));
const readers = nodeReaders();
afterAll(() => {
  readers.close();
  rmSync(folder, { recursive: true });
});
const at = (name: string) => join(folder, name);

function picture(name: string, raster: Raster): string {
  const png = new PNG({ width: raster.width, height: raster.height });
  png.data = Buffer.from(raster.data);
  writeFileSync(at(name), PNG.sync.write(png));
  return at(name);
}

interface Told {
  pixels: { width: number; height: number };
  ppi: number;
  inks: {
    name: string;
    hex: string;
    base: boolean;
    file: string;
    area: number;
    ruling: number | null;
    angle: number | null;
  }[];
  difference: { mean: number; worst: number };
  findings: { verdict: string; message: string }[];
  error?: { code: string; message: string };
}

async function plates(out: string, ...more: string[]): Promise<{ told: Told; status: number }> {
  // A child's shirt has the fewest pixels; it does not come in dark colours.
  const argv = [
    'plates',
    '--blank',
    more.includes('White') ? 'shirt-child' : 'shirt',
    '--out',
    at(out),
    '--json',
    ...more,
  ];
  const said = await run(argv, readers.supply);
  return { told: JSON.parse(said.out) as Told, status: said.status };
}

/** A TIFF's pixels by ImageMagick, or those of a part of it: 0 where ink prints. */
function pixelsOf(file: string, crop?: Crop): { width: number; height: number; data: Buffer } {
  const [width, height] = execFileSync('identify', ['-format', '%w %h', file], { encoding: 'utf8' })
    .split(' ')
    .map(Number) as [number, number];
  const data = execFileSync('convert', [file, ...cropOf(crop), '-depth', '8', 'gray:-'], {
    maxBuffer: 1 << 29,
  });
  return crop ? { ...crop, data } : { width, height, data };
}

interface Crop {
  width: number;
  height: number;
  x: number;
  y: number;
}

const cropOf = (crop: Crop | undefined) =>
  crop ? ['-crop', `${crop.width}x${crop.height}+${crop.x}+${crop.y}`, '+repage'] : [];

/** How many pixels have each of 256 levels. */
function levelsOf(data: Uint8Array): Uint32Array {
  const levels = new Uint32Array(256);
  for (const level of data) levels[level]!++;
  return levels;
}

const COLOURS = ['#c0281e', '#1f4f9a', '#f2b705', '#2f7d3b', '#f4f1e8', '#14161a'] as const;
/** A badge of six flat colours with round and straight edges, smoothed as a drawing program does. */
function badge(size = 600): Raster {
  const rgb = COLOURS.map((hex) => [1, 3, 5].map((i) => parseInt(hex.slice(i, i + 2), 16)));
  const which = (x: number, y: number): number | null => {
    const [u, v] = [x / size - 0.5, y / size - 0.5];
    const r = Math.hypot(u, v);
    if (r > 0.48) return null;
    if (r > 0.42) return 5;
    if (r > 0.36) return 4;
    if (v > 0.12) return 1;
    if (Math.abs(u) < 0.06) return 0;
    return u < 0 ? 2 : 3;
  };
  return paint(size, size, (x, y) => {
    const sum = [0, 0, 0, 0];
    for (const [dx, dy] of [
      [0.25, 0.25],
      [0.75, 0.25],
      [0.25, 0.75],
      [0.75, 0.75],
    ] as const) {
      const own = which(x + dx, y + dy);
      if (own === null) continue;
      rgb[own]!.forEach((level, k) => (sum[k] = sum[k]! + level));
      sum[3] = sum[3]! + 1;
    }
    const n = sum[3]!;
    return n === 0 ? [0, 0, 0, 0] : [sum[0]! / n, sum[1]! / n, sum[2]! / n, (n / 4) * 255];
  });
}

describe('a badge of six colours on a dark shirt, in three inks', () => {
  const ask = ['--colour', 'Night', '--place', '100mmx100mm', '--inks', '3', '--ppi', '300'];
  let told: Told;
  beforeAll(async () => {
    const file = picture('badge.png', badge());
    told = (await plates('night', '--artwork', file, ...ask, '--choke', '0.3mm')).told;
  }, 120_000);

  test('a plate an ink and a base under them, light to dark, exact in pixels and density, a bit a pixel', () => {
    expect(told.inks).toHaveLength(4);
    expect(told.inks.map(({ base }) => base)).toEqual([true, false, false, false]);
    for (const { file, area } of told.inks) {
      const said = execFileSync('tiffinfo', [file], {
        encoding: 'utf8',
        stdio: ['ignore', 'pipe', 'ignore'],
      });
      expect(said).toMatch(
        new RegExp(`Image Width: ${told.pixels.width} Image Length: ${told.pixels.height}`),
      );
      expect(said).toMatch(/Resolution: 300, 300 pixels\/inch/);
      expect(said).toMatch(/Bits\/Sample: 1/);
      const { data } = pixelsOf(file);
      const levels = levelsOf(data);
      expect(levels[0]! + levels[255]!).toBe(data.length);
      const inked = levels[0]! / (300 / 25.4) ** 2;
      expect(inked).toBeCloseTo(area, 0);
    }
  });

  longTest('no ink lies on another, and the base ends 0.3 mm inside of them', () => {
    const [base, ...inks] = told.inks.map(({ file }) => pixelsOf(file));
    const { width, height } = base!;
    const row = Math.round(height / 2) - 40;
    const union = (i: number) => inks.filter(({ data }) => data[i] === 0).length;
    let [most, left, baseLeft] = [0, -1, -1];
    for (let x = 0; x < width; x++) {
      const i = row * width + x;
      most = Math.max(most, union(i));
      if (left < 0 && union(i) > 0) left = x;
      if (baseLeft < 0 && base!.data[i] === 0) baseLeft = x;
    }
    expect(most).toBe(1);
    // Within half a pixel, 0.042 mm at 300 PPI; a chord through a circle is hardly steeper here.
    expect(((baseLeft - left) * 25.4) / 300).toBeGreaterThan(0.3 - 0.05);
    expect(((baseLeft - left) * 25.4) / 300).toBeLessThan(0.3 + 0.07);
  });

  test('ghostscript finds a separation of each name, and no other', () => {
    const sep = at('sep%d.tif');
    const pdf = join(at('night'), 'plates.pdf');
    execFileSync('qpdf', ['--check', pdf]);
    execFileSync('gs', [
      '-q',
      '-dNOPAUSE',
      '-dBATCH',
      '-sDEVICE=tiffsep',
      '-r72',
      `-sOutputFile=${sep}`,
      pdf,
    ]);
    const names = readdirSync(folder)
      .map((name) => /^sep1\((.+)\)\.tif$/.exec(name)?.[1])
      .filter((name) => name !== undefined && !['Cyan', 'Magenta', 'Yellow', 'Black'].includes(name));
    expect(names.sort()).toEqual(told.inks.map(({ name }) => name).sort());
    for (const name of ['Cyan', 'Magenta', 'Yellow', 'Black'])
      expect(
        levelsOf(pixelsOf(at(`sep1(${name}).tif`)).data)
          .slice(0, 255)
          .some(Boolean),
      ).toBe(false);
    expect(execFileSync('pdfinfo', ['-box', pdf], { encoding: 'utf8' })).toMatch(/TrimBox/);
  });

  longTest(
    'the inks are told with their difference, and it is what ghostscript and ImageMagick recombine',
    () => {
      expect(told.difference.mean).toBeGreaterThan(0);
      expect(told.difference.mean).toBeLessThan(told.difference.worst);
      const whole = told.pixels;
      // The badge and some of the shirt round it.
      const [width, height] = [1300, 1300];
      const crop = { width, height, x: (whole.width - width) >> 1, y: (whole.height - height) >> 1 };
      const size = ['-size', `${width}x${height}`];
      // Each separation as a mask of its ink, one over the other on the shirt.
      const layers = told.inks.flatMap(({ name, hex }) => [
        ...['(', ...size, `xc:${hex}`],
        ...['(', at(`sep-full(${name}).tif`), ...cropOf(crop), '-negate', ')'],
        ...['-alpha', 'off', '-compose', 'CopyOpacity', '-composite'],
        ...[')', '-compose', 'Over', '-composite'],
      ]);
      const pdf = join(at('night'), 'plates.pdf');
      const sized = ['-r300', `-g${whole.width}x${whole.height}`, `-sOutputFile=${at('sep-full.tif')}`];
      execFileSync('gs', ['-q', '-dNOPAUSE', '-dBATCH', '-sDEVICE=tiffsep', ...sized, pdf]);
      const laid = [...size, 'xc:#1e2533', ...layers, '-depth', '8', 'rgba:-'];
      const made = execFileSync('convert', laid, { maxBuffer: 1 << 29 });
      const plates = told.inks.map(({ file, ...ink }) => {
        const plane = pixelsOf(file, crop).data.map((value) => 255 - value);
        return { ...ink, plane, opacity: 1, screen: null, lightest: null };
      });
      const on = { product: '#1e2533', laying: 'cover', tones: null } as const;
      const { picture } = seenOn(plates, on, { width, height }, ALL_AS_THEY_ARE);
      expect(made).toHaveLength(picture.data.length);
      let [sum, count] = [0, 0];
      for (let i = 0; i < made.length; i += 4 * 7) {
        const lab = (data: Uint8Array) => labOf(data[i]!, data[i + 1]!, data[i + 2]!);
        sum += deltaE00(lab(picture.data), lab(made));
        count++;
      }
      expect(sum / count).toBeLessThan(0.5);
    },
  );
});

longTest(
  'six colours in six inks come back as they were, with no fringe of a third between two',
  async () => {
    const file = picture('badge.png', badge());
    const ask = ['--artwork', file, '--colour', 'Night', '--place', '100mmx100mm', '--ppi', '150'];
    const { told } = await plates('six', ...ask, '--inks', '6', '--base', 'none');
    expect(told.inks.map(({ hex }) => hex).sort()).toEqual([...COLOURS].sort());
    expect(told.difference.mean).toBeLessThan(1);
    expect(told.findings.map(({ message }) => message)).toEqual([expect.stringMatching(/with no trap/)]);
  },
  60_000,
);

longTest(
  'on white cloth no base is laid, and what is white stays open',
  async () => {
    const white = paint(300, 300, (x) => (x < 150 ? [255, 255, 255, 255] : [190, 30, 30, 255]));
    const file = picture('white.png', white);
    const { told } = await plates(
      'white',
      '--artwork',
      file,
      '--colour',
      'White',
      '--place',
      '60mmx60mm',
      '--inks',
      '3',
      '--ppi',
      '150',
    );
    expect(told.inks).toMatchObject([{ hex: '#be1e1e', base: false }]);
    expect(told.inks[0]!.area).toBeGreaterThan(1770);
    expect(told.inks[0]!.area).toBeLessThan(1830);
  },
  60_000,
);

describe('tones as dots', () => {
  const GREYS = [0, 10, 25, 50, 75, 90, 100];
  const steps = () =>
    paint(700, 100, (x) => {
      const level = Math.round(255 * (1 - GREYS[Math.floor(x / 100)]! / 100));
      return [level, level, level, 255];
    });

  longTest(
    'grey steps come out within 2 % of their area; a ruling in lines per cm is understood',
    async () => {
      const file = picture('steps.png', steps());
      const ask = [
        '--artwork',
        file,
        '--colour',
        'White',
        '--place',
        '175mmx30mm',
        '--inks',
        '1',
        '--ppi',
        '600',
      ];
      const { told } = await plates(
        'steps',
        ...ask,
        '--ink',
        '#000000=Black',
        '--tones',
        'halftone',
        '--ruling',
        '18/cm',
        '--angles',
        '22.5',
      );
      expect(told.inks[0]).toMatchObject({ name: 'Black', angle: 22.5 });
      expect(told.inks[0]!.ruling).toBeCloseTo(45.72, 3);
      const { width, height, data } = pixelsOf(told.inks[0]!.file);
      const perMm = 600 / 25.4;
      const left = width / 2 - 87.5 * perMm;
      // The rows that are inked: the strip lies in the middle of the safe area.
      const rows = Array.from({ length: height }, (_, y) => y).filter(
        (y) => data[y * width + Math.round(left + 162.5 * perMm)] === 0,
      );
      const [top, bottom] = [rows[0]! + 40, rows.at(-1)! - 40];
      GREYS.forEach((grey, i) => {
        let [inked, all] = [0, 0];
        for (let y = top; y < bottom; y++)
          for (let x = Math.round(left + (i * 25 + 3) * perMm); x < left + (i * 25 + 22) * perMm; x++) {
            all++;
            if (data[y * width + x] === 0) inked++;
          }
        expect(Math.abs((100 * inked) / all - grey)).toBeLessThan(2);
      });
    },
    120_000,
  );

  test.each([
    [45, 22.5, 'round'],
    [45, 67.5, 'round'],
    [55, 15, 'ellipse'],
    [60, 75, 'line'],
    [38, 45, 'square'],
  ] as const)('%d lpi at %d°, %s: found again in the plate by a Fourier transform', (ruling, angle, dot) => {
    const size = 600;
    const screen: Screen = { ruling, angle, dot };
    const plane = screened(new Uint8Array(size * size).fill(90), size, screen, 600);
    const found = strongest(plane, size, ruling / 600, angle);
    expect(Math.abs(found.frequency / (ruling / 600) - 1)).toBeLessThan(0.02);
    expect(Math.abs(found.angle - angle)).toBeLessThan(1);
  });

  test('every tone of every dot covers its own share', () => {
    const size = 400;
    for (const dot of DOTS)
      for (const tone of [3, 26, 64, 128, 200, 250]) {
        const plane = screened(
          new Uint8Array(size * size).fill(tone),
          size,
          { ruling: 45, angle: 22.5, dot },
          600,
        );
        const share = plane.reduce((sum, value) => sum + value, 0) / 255 / plane.length;
        expect(Math.abs(share - tone / 255)).toBeLessThan(0.01);
      }
    const none = screened(new Uint8Array(100), 10, { ruling: 45, angle: 0, dot: 'round' }, 600);
    expect(none.some((value) => value > 0)).toBe(false);
  });
});

longDescribe('a photograph in two inks', () => {
  const asked = [
    [22.5, 0],
    [67.5, 1],
  ] as const;
  let told: Told;
  beforeAll(async () => {
    const place = ['--colour', 'White', '--place', '75mmx50mm', '--ppi', '600', '--inks', '2'];
    const dots = ['--tones', 'halftone', '--ruling', '45', '--angles', '22.5,67.5'];
    const file = picture('storm.png', storm(900, 600));
    ({ told } = await plates('storm', '--artwork', file, ...place, ...dots));
  }, 120_000);

  test('each plate has the dots that were asked for, by a Fourier transform of where it has the most of them', () => {
    const size = 400;
    for (const [angle, i] of asked) {
      const { width, height, data } = pixelsOf(told.inks[i]!.file);
      const row = (x: number, y: number) => data.subarray(y * width + x, y * width + x + size);
      const windows = [];
      for (let y = 0; y + size <= height; y += size)
        for (let x = 0; x + size <= width; x += size) {
          const window = Buffer.concat(Array.from({ length: size }, (_, down) => row(x, y + down)));
          const share = window.reduce((sum, value) => sum + (255 - value) / 255, 0) / window.length;
          windows.push({ window, off: Math.abs(share - 0.4) });
        }
      const [best] = windows.sort((a, b) => a.off - b.off);
      expect(best!.off).toBeLessThan(0.2);
      const found = strongest(best!.window, size, 45 / 600, angle);
      expect(Math.abs(found.frequency / (45 / 600) - 1)).toBeLessThan(0.02);
      expect(Math.abs(found.angle - angle)).toBeLessThan(1);
    }
  });

  test('the two are far enough apart not to beat, and together near to it', () => {
    expect(told.inks.map(({ angle, ruling }) => [angle, ruling])).toEqual([
      [22.5, 45],
      [67.5, 45],
    ]);
    expect(told.findings.filter(({ message }) => /beat/.test(message))).toEqual([]);
    expect(told.difference.mean).toBeLessThan(5);
  });
});

/** The strongest frequency of a plane near to where it should be: cycles a pixel, and degrees counterclockwise. */
function strongest(plane: Uint8Array, size: number, near: number, angle: number) {
  const mean = plane.reduce((sum, value) => sum + value, 0) / plane.length;
  let best = { power: 0, frequency: 0, angle: 0 };
  for (let f = near * 0.94; f <= near * 1.06; f += near * 0.01)
    for (let a = angle - 4; a <= angle + 4; a += 0.5) {
      const [fx, fy] = [f * Math.cos((a * Math.PI) / 180), -f * Math.sin((a * Math.PI) / 180)];
      let [re, im] = [0, 0];
      // The wave goes on from pixel to pixel by one turn each.
      const [stepRe, stepIm] = [Math.cos(4 * Math.PI * fx), Math.sin(4 * Math.PI * fx)];
      for (let y = 0; y < size; y += 2) {
        let [c, s] = [Math.cos(2 * Math.PI * fy * y), Math.sin(2 * Math.PI * fy * y)];
        for (let x = 0; x < size; x += 2) {
          const value = plane[y * size + x]! - mean;
          re += value * c;
          im += value * s;
          [c, s] = [c * stepRe - s * stepIm, c * stepIm + s * stepRe];
        }
      }
      const power = re * re + im * im;
      if (power > best.power) best = { power, frequency: f, angle: a };
    }
  return best;
}

describe('what is asked and cannot be', () => {
  const file = () =>
    picture(
      'dot.png',
      paint(40, 40, () => [20, 40, 90, 255]),
    );
  const ask = ['--place', '40mmx40mm', '--ppi', '300'];
  test.each([
    [['--inks', '12'], /12 inks are 12 screens/],
    [['--inks', '0'], /whole number from 1/],
    [['--inks', '1', '--ink', 'navy'], /a colour and a name/],
    [['--inks', '1', '--ink', '#000000', '--ink', '#ffffff'], /2 inks are given/],
    [['--inks', '2', '--choke', '-0.1mm'], /from 0 to 5 mm/],
    [['--inks', '2', '--tones', 'halftone', '--ruling', '85lpi'], /want at least 340 PPI, and these are 300/],
    [['--inks', '2', '--tones', 'halftone', '--dot', 'star'], /one of round/],
    [['--inks', '2', '--tones', 'halftone', '--ruling', 'fine'], /lines per inch/],
    [['--inks', '2', '--tones', 'halftone', '--angles', '22.5,x'], /number/],
  ])('%j', async (more, sentence) => {
    const { told, status } = await plates('bad', '--artwork', file(), ...ask, ...more);
    expect([status, told.error?.code, told.error?.message]).toEqual([
      2,
      'bad-argument',
      expect.stringMatching(sentence),
    ]);
  });

  test('a picture in the product’s own colour alone: said, with a way on', async () => {
    const night = picture(
      'night.png',
      paint(40, 40, () => [30, 37, 51, 255]),
    );
    const { told } = await plates('none', '--artwork', night, '--colour', 'Night', ...ask, '--inks', '2');
    expect(told.error?.message ?? '').toMatch(/no ink is needed|^$/);
  });
});

describe('masks grown and shrunk', () => {
  const mask = (width: number, height: number) =>
    fc.uint8Array({ minLength: width * height, maxLength: width * height, max: 1 });

  test('are exact, against all pairs of pixels, and against what lies round the picture', () => {
    const [width, height] = [9, 7];
    const far = (i: number, x: number, y: number) => Math.hypot((i % width) - x, Math.floor(i / width) - y);
    fc.assert(
      fc.property(mask(width, height), fc.double({ min: -4, max: 4, noNaN: true }), (set, by) => {
        const made = offsetMask(set, width, height, by);
        for (let i = 0; i < made.length; i++) {
          let least = Infinity;
          for (let y = -1; y <= height; y++)
            for (let x = -1; x <= width; x++) {
              const inside = x >= 0 && y >= 0 && x < width && y < height;
              const there = inside && set[y * width + x] === 1;
              if (there === by >= 0) least = Math.min(least, far(i, x, y));
            }
          // From a pixel's middle to another's edge.
          const reached = least === 0 || least - 0.5 < Math.abs(by);
          expect(made[i]).toBe(reached === by >= 0 ? 255 : 0);
        }
      }),
    );
  });

  test.each([0, 0.3, 1, 2.5, 7.2])('a disc grown and shrunk by %d px has the area of its radius', (by) => {
    const size = 200;
    const disc = new Uint8Array(size * size).map((_, i) =>
      Math.hypot((i % size) + 0.5 - 100, Math.floor(i / size) + 0.5 - 100) < 60 ? 1 : 0,
    );
    for (const sign of [1, -1]) {
      const area = offsetMask(disc, size, size, sign * by).reduce((sum, value) => sum + value / 255, 0);
      expect(Math.abs(Math.sqrt(area / Math.PI) - (60 + sign * by))).toBeLessThan(0.5);
    }
  });

  test('what reaches the picture’s frame is shrunk from it too', () => {
    expect([...offsetMask(new Uint8Array(25).fill(1), 5, 5, -1)].filter(Boolean)).toHaveLength(9);
  });
});

describe('inks', () => {
  test('are as many as the picture has where more are asked for; those given stay, with names of their own', () => {
    const two = paint(60, 60, (x) => (x < 30 ? [200, 30, 30, 255] : [20, 60, 140, 255]));
    expect(chooseInks(two, { count: 5, open: [] })).toHaveLength(2);
    const given = chooseInks(two, { count: 2, given: [{ name: 'Deep', hex: '#0b4754' }], open: [] });
    expect(given[0]).toEqual({ name: 'Deep', hex: '#0b4754' });
    expect(
      named([
        { name: 'Red', hex: '#ff0000' },
        { name: 'red', hex: '#ee0000' },
      ]).map(({ name }) => name),
    ).toEqual(['Red', 'red 2']);
  });

  test('of a gradient alone there are some', () => {
    const ramp = paint(256, 20, (x) => [x, 255 - x, 128, 255]);
    expect(chooseInks(ramp, { count: 3, open: [] })).toHaveLength(3);
  });

  test('an edge’s mixture goes to one of its two sides; an island smaller than it may be to its neighbour', () => {
    const inks = ['#ff0000', '#ffffff', '#ff8080'].map((hex, i) => ({ hex, label: i + 1 }));
    const edge = paint(41, 9, (x) =>
      x < 20 ? [255, 0, 0, 255] : x === 20 ? [255, 128, 128, 255] : [255, 255, 255, 255],
    );
    const bare = labelFlat(edge, inks.slice(0, 2), 3);
    expect(new Set(bare)).toEqual(new Set([1, 2]));
    const label = new Uint8Array(100).fill(1);
    label.set([2, 2], 44);
    label.fill(3, 80, 100);
    settleIslands(label, 10, 10, 4);
    expect(new Set(label)).toEqual(new Set([1, 3]));
  });

  test('one connected part takes another label, and others of the same label stay', () => {
    // A ring and a spot apart from it; corners alone do not connect.
    const rows = ['1111.', '1..1.', '1111.', '....1', '.11..'];
    const label = Uint8Array.from([...rows.join('')].map((sign) => (sign === '1' ? 1 : 0)));
    relabelPart(label, 5, 5, { x: 3, y: 1 }, 2);
    expect([...label].join('')).toBe('2222020020222200000101100');
    relabelPart(label, 5, 5, { x: 9, y: 1 }, 3);
    relabelPart(label, 5, 5, { x: 1, y: 1 }, 0);
    expect(new Set(label)).toEqual(new Set([0, 1, 2]));
  });

  test('shares of inks make the colour again, however they are laid', () => {
    const inks = [
      [240, 200, 40],
      [30, 60, 140],
    ] as const;
    for (const laying of ['cover', 'multiply'] as const)
      fc.assert(
        fc.property(
          fc.double({ min: 0, max: 1, noNaN: true }),
          fc.double({ min: 0, max: 1, noNaN: true }),
          (a, b) => {
            const wanted = laidOver([255, 255, 255], inks, [a, b], laying);
            const shares = sharesFor(wanted, [255, 255, 255], inks, laying);
            const made = laidOver([255, 255, 255], inks, shares, laying);
            made.forEach((level, k) => {
              expect(Math.abs(level - wanted[k]!)).toBeLessThan(2);
            });
          },
        ),
      );
  });
});

describe('findings of plates', () => {
  const limits = METHODS.find(({ id }) => id === 'screen')!.limits;
  const plate = (name: string, angle: number | null, lightest: number | null = null): Plate => ({
    ...{ name, hex: '#000000', base: false, plane: new Uint8Array(), opacity: 1, area: 1, lightest },
    screen: angle === null ? null : { ruling: 45, angle, dot: 'round' },
  });
  const asked: PlatesAsked = {
    ...{ ppi: 600, product: '#222222', open: [], laying: 'cover', stroke: 0.5, regions: [] },
    ...{ inks: [], base: { choke: 0.3 }, trap: 0.1, tones: null },
  };
  const found = (all: Plate[], change: Partial<PlatesAsked> = {}, more = {}) =>
    plateFindings(
      all,
      { ...asked, ...change },
      { width: 0, height: 0 },
      {
        ...{ blank: { limits, spec: {} }, difference: { mean: 1 }, ppi: 600, ...more },
      },
    ).map(({ verdict, message }) => `${verdict} ${message}`);
  const several = (count: number) => Array.from({ length: count }, (_, i) => plate(`ink ${i}`, null));

  test('more screens than the method has; as many is none', () => {
    expect(found(several(4))).toEqual([]);
    expect(found(several(5))).toEqual([
      expect.stringMatching(/^fix 5 screens, and the method has 4: take 1 fewer/),
    ]);
  });

  test('screens nearer than 15° beat, round the quarter turn too', () => {
    expect(found([plate('a', 22.5), plate('b', 37.5)])).toEqual([]);
    expect(found([plate('a', 22.5), plate('b', 37)])).toEqual([
      expect.stringMatching(/14.5° apart and will beat/),
    ]);
    expect(found([plate('a', 2), plate('b', 88)])).toEqual([expect.stringMatching(/4° apart/)]);
  });

  test('dots smaller than the method holds, a base that is not choked, inks that are far off', () => {
    expect(found([plate('a', 0, 0.62)])).toEqual([]);
    expect(found([plate('a', 0, 0.02)])).toEqual([
      expect.stringMatching(/look The smallest dots of a are 0.09 mm/),
    ]);
    expect(found([plate('a', null)], { base: { choke: 0 } })).toEqual([expect.stringMatching(/Choke it/)]);
    expect(found([plate('a', null)], {}, { difference: { mean: 10.1 } })).toEqual([
      expect.stringMatching(/10.1 dE/),
    ]);
    expect(found([plate('a', null)], {}, { difference: { mean: 10 } })).toEqual([]);
  });
});

describe('plates of two inks that meet', () => {
  const two = paint(200, 100, (x) => (x < 100 ? [240, 200, 40, 255] : [20, 40, 90, 255]));
  const asked: PlatesAsked = {
    ...{ ppi: 254, product: '#2a2f3a', laying: 'cover', base: null, trap: 0, stroke: 0.3, tones: null },
    ...{ open: ['#2a2f3a'], regions: [] },
    inks: [
      { name: 'sun', hex: '#f0c828', from: ['#f0c828'], opacity: 1 },
      { name: 'deep', hex: '#14285a', from: ['#14285a'], opacity: 1 },
    ],
  };
  const areas = (change: Partial<PlatesAsked>) =>
    makePlates(two, { ...asked, ...change }).map(({ name, area }) => [name, Math.round(area * 10) / 10]);

  test('the lighter one spreads under the darker one by the trap, and nowhere else', () => {
    expect(areas({})).toEqual([
      ['sun', 100],
      ['deep', 100],
    ]);
    // Ten pixels a mm: 0.5 mm along an edge of 10 mm.
    expect(areas({ trap: 0.5 })).toEqual([
      ['sun', 105],
      ['deep', 100],
    ]);
  });

  test('a base is choked on every side, and each ink keeps the screen it was given', () => {
    expect(areas({ base: { choke: 0.5 } })[0]).toEqual(['white base', 19 * 9]);
    const screens: Screen[] = [22.5, 67.5].map((angle) => ({ ruling: 30, angle, dot: 'round' }));
    const made = makePlates(two, { ...asked, tones: { screens } });
    expect(made.map(({ name, screen }) => [name, screen?.angle])).toEqual([
      ['sun', 22.5],
      ['deep', 67.5],
    ]);
  });
});

test('a grey plate has its tones, where screens are left to the printer', async () => {
  const file = picture(
    'grey.png',
    paint(100, 50, (x) => [x * 2, x * 2, x * 2, 255]),
  );
  const { told } = await plates(
    'grey',
    '--artwork',
    file,
    '--colour',
    'White',
    '--place',
    '60mmx30mm',
    '--inks',
    '1',
    '--ink',
    '#000000',
    '--tones',
    'halftone',
    '--screen',
    'none',
    '--ppi',
    '150',
  );
  expect(told.inks[0]!.ruling).toBeNull();
  expect(new Set(pixelsOf(told.inks[0]!.file).data).size).toBeGreaterThan(50);
  expect(readFileSync(join(at('grey'), 'plates.pdf')).length).toBeGreaterThan(500);
}, 60_000);
