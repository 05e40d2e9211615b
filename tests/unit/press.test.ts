import { execFileSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { deltaE00 } from '@/core/colour/difference';
import type { Rgb } from '@/core/colour/hex';
import { labOfLevels } from '@/core/colour/lab';
import { inksAt, proofAt, totalInk, type Press } from '@/core/colour/press';
import { inkPixels, proofPixels } from '@/core/colour/press-pixels';
import { readColour } from '@/core/colour/typed';
import { loadNodeEngine } from '@/imaging/node';
import type { Engine } from '@/imaging/engine';
import { seeded } from '../support/damaged';
import { longTest } from '../support/long';

const folder = mkdtempSync(join(tmpdir(), 'up-fit-press-'));
const profile = join(folder, 'press.icc');
let engine: Engine;
let press: Press;

beforeAll(async () => {
  engine = await loadNodeEngine();
  press = engine.bakePress(null, 'relative');
  writeFileSync(profile, engine.pressProfile());
});
afterAll(() => {
  engine.close();
});

/** Colours through another program, not precalculated, at its full precision: every number of every line it answers. */
function other(colours: readonly (readonly number[])[], ...how: string[]): number[][] {
  const asked = colours.map((colour) => colour.join(' ')).join('\n');
  const told = execFileSync('transicc', ['-n', '-c0', ...how], {
    input: `${asked}\n`,
    encoding: 'utf8',
    maxBuffer: 1e9,
  });
  return told
    .trim()
    .split('\n')
    .map((line) => line.trim().split(/\s+/).map(Number))
    .filter((numbers) => numbers.length >= 3 && numbers.every(Number.isFinite));
}

const separated = (colours: readonly Rgb[]) => other(colours, '-i*sRGB', `-o${profile}`, '-t1', '-b');
/** Lab that inks, in percent, have on the print, black point compensated as on the screen. */
const printed = (inks: readonly (readonly number[])[]) =>
  other(inks, `-i${profile}`, '-o*sRGB', '-t1', '-b', '-s').map((rgb) =>
    labOfLevels(rgb[0]!, rgb[1]!, rgb[2]!),
  );

function rounded(rgb: readonly number[]): [number, number, number] {
  return [Math.round(rgb[0]!), Math.round(rgb[1]!), Math.round(rgb[2]!)];
}

/** Differences of our proof from theirs, the smallest first. */
function differences(colours: readonly Rgb[]): number[] {
  const theirs = printed(separated(colours));
  return colours
    .map((colour, i) => deltaE00(labOfLevels(...proofAt(press, colour)), theirs[i]!))
    .sort((a, b) => a - b);
}

function mean(values: readonly number[]): number {
  return values.reduce((sum, value) => sum + value, 0) / values.length;
}

longTest('100,000 colours at random are what another program makes of them', () => {
  const random = seeded(11);
  const level = () => Math.floor(random() * 256);
  const all = differences(Array.from({ length: 100_000 }, (): Rgb => [level(), level(), level()]));
  expect(mean(all)).toBeLessThan(0.3);
  expect(all[Math.floor(all.length * 0.99)]).toBeLessThan(1);
});

test('a thousand critical colours too: edges and corners of the cube, the darkest and the lightest', () => {
  const ends = [0, 255];
  const along = Array.from({ length: 70 }, (_, i) => Math.round((i / 69) * 255));
  const edges = ends.flatMap((a) =>
    ends.flatMap((b) =>
      along.flatMap((c): Rgb[] => [
        [a, b, c],
        [a, c, b],
        [c, a, b],
      ]),
    ),
  );
  const near = Array.from({ length: 160 }, (_, i): Rgb => {
    const level = (shift: number) => ((i >> shift) & 3) * 5;
    const dark: Rgb = [level(0), level(2), level(4)];
    return i % 2 === 0 ? dark : [255 - dark[0], 255 - dark[1], 255 - dark[2]];
  });
  const all = differences([...edges, ...near]);
  expect(all.length).toBe(1000);
  expect(mean(all)).toBeLessThan(0.3);
  expect(all[Math.floor(all.length * 0.99)]).toBeLessThan(1);
});

test('greys', () => {
  const greys = Array.from({ length: 256 }, (_, level): Rgb => [level, level, level]);
  const all = differences(greys);
  expect(all.at(-1)).toBeLessThan(0.3);
});

test('the inks of a chart of nine are within one percent', () => {
  const levels = [0, 128, 255];
  const chart = levels.flatMap((red) => levels.map((green): Rgb => [red, green, 96]));
  const theirs = separated(chart);
  chart.forEach((colour, i) => {
    inksAt(press, colour).forEach((ink, channel) => {
      expect(Math.abs(ink * 100 - theirs[i]![channel]!)).toBeLessThan(1);
    });
    expect(Math.abs(totalInk(inksAt(press, colour)) - theirs[i]!.reduce((a, b) => a + b))).toBeLessThan(1);
  });
});

test('a profile that is brought in does what the same profile does shipped, and other intents do otherwise', () => {
  const brought = engine.bakePress({ name: 'Own', bytes: engine.pressProfile() }, 'relative');
  expect(Buffer.compare(Buffer.from(brought.ink.buffer), Buffer.from(press.ink.buffer))).toBe(0);
  const perceptual = engine.bakePress(null, 'perceptual');
  expect(Buffer.compare(Buffer.from(perceptual.ink.buffer), Buffer.from(press.ink.buffer))).not.toBe(0);
  const colour: Rgb = [200, 90, 40];
  const theirs = other([colour], '-i*sRGB', `-o${profile}`, '-t0')[0]!;
  inksAt(perceptual, colour).forEach((ink, channel) => {
    expect(Math.abs(ink * 100 - theirs[channel]!)).toBeLessThan(0.5);
  });
});

test('paper white is the paper’s, and no print is lighter', () => {
  const [paper] = other([[0, 0, 0, 0]], `-i${profile}`, '-o*sRGB', '-t3', '-s');
  const ours = proofAt(press, [255, 255, 255], true);
  ours.forEach((level, channel) => {
    expect(Math.abs(level - paper![channel]!)).toBeLessThan(1);
  });
  for (const level of proofAt(press, [255, 255, 255])) expect(level).toBeGreaterThan(254.9);
});

test('pixels by the million are the same as one by one, each as clear as it was', () => {
  const pixels = Uint32Array.from([0xff0a64c8, 0xff0a64c8, 0x800a64c8, 0x000a64c8]);
  proofPixels(press, pixels);
  const [red, green, blue] = rounded(proofAt(press, [0xc8, 0x64, 0x0a]));
  const word = (blue << 16) | (green << 8) | red;
  expect([...pixels]).toEqual([
    (0xff000000 | word) >>> 0,
    (0xff000000 | word) >>> 0,
    (0x80000000 | word) >>> 0,
    word,
  ]);
});

test('pixels to inks are what colours one by one are, to half a level', () => {
  const random = seeded(5);
  const pixels = Uint32Array.from({ length: 500 }, () => Math.floor(random() * 2 ** 32));
  const inks = inkPixels(press, pixels);
  pixels.forEach((word, i) => {
    const own = inksAt(press, [word & 255, (word >>> 8) & 255, (word >>> 16) & 255]);
    own.forEach((ink, channel) => {
      expect(Math.abs(inks[i * 4 + channel]! - ink * 255)).toBeLessThan(0.53);
    });
  });
});

test('what is no profile is refused', () => {
  expect(() => engine.bakePress({ name: 'Own', bytes: new Uint8Array(200) }, 'relative')).toThrow();
});

test('a colour typed as CSS writes it, as Lab or inks; what it is not is said', () => {
  expect(readColour('#0B5563')).toEqual({ kind: 'screen', hex: '#0b5563' });
  expect(readColour('abc')).toEqual({ kind: 'screen', hex: '#aabbcc' });
  // White and a mid grey of Lab D50.
  expect(readColour('lab 100 0 0')).toEqual({ kind: 'screen', hex: '#ffffff' });
  expect(readColour('Lab 53.585 0 0')).toEqual({ kind: 'screen', hex: '#808080' });
  expect(readColour('cmyk 85 40 45 10')).toEqual({ kind: 'inks', inks: [0.85, 0.4, 0.45, 0.1] });
  expect(readColour('60/50/50/100')).toEqual({ kind: 'inks', inks: [0.6, 0.5, 0.5, 1] });
  expect(readColour('cmyk 120 0 0 0')).toMatchObject({
    kind: 'wrong',
    message: expect.stringContaining('100 percent') as string,
  });
  expect(readColour('Teal')).toEqual({ kind: 'screen', hex: '#008080' });
  expect(readColour('rgb(11 85 99)')).toEqual({ kind: 'screen', hex: '#0b5563' });
  expect(readColour('hsl(190, 80%, 22%)')).toMatchObject({ kind: 'screen' });
  expect(readColour('#0b556380')).toMatchObject({ kind: 'wrong' });
  for (const text of ['tealish', '', 'rgb(', '#12', 'lab'])
    expect(readColour(text)).toMatchObject({ kind: 'wrong' });
});

test('inks have the colour on the screen that the other program gives them', () => {
  const [theirs] = other([[85, 40, 45, 10]], `-i${profile}`, '-o*sRGB', '-t1', '-b', '-s');
  engine.colourOfInks([0.85, 0.4, 0.45, 0.1], null).forEach((level, channel) => {
    expect(Math.abs(level - theirs![channel]!)).toBeLessThan(3);
  });
});
