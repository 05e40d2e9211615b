import { PDFDocument } from '@cantoo/pdf-lib';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { trueDetail } from '@/core/raster/detail';
import type { Raster } from '@/core/raster/raster';
import { loadNodeEngine } from '@/imaging/node';
import { measureBytes } from '../support/measure';
import { few, LONG, longTest } from '../support/long';
import { CLEAR, paint } from '../support/pictures';
import { sheetOf } from '../support/fits';
import { laidOut } from './bench';
import { circle, Drawing, rectangle, star, WHITE, type Rgba } from './draw';
import { photographOf, randomOf } from './photographs';
import { TruthTable } from './table';

const folder = mkdtempSync(join(tmpdir(), 'up-fit-detail-'));
afterAll(() => {
  rmSync(folder, { recursive: true });
});

/** A picture as another program scales it, and what is done to it afterwards. */
function scaled(
  { width, height, data }: Raster,
  filter: string,
  factor: number,
  after: readonly string[] = [],
  quality: number | null = null,
): Raster {
  const run = (input: Uint8Array, ...args: string[]) =>
    execFileSync('convert', args, { input, maxBuffer: 1e9 });
  const raw = ['-depth', '8', 'rgba:-'];
  const args = [
    '-size',
    `${width}x${height}`,
    ...raw,
    '-filter',
    filter,
    '-resize',
    `${factor * 100}%`,
    ...after,
  ];
  const out =
    quality === null
      ? run(data, ...args, ...raw)
      : run(run(data, ...args, '-quality', String(quality), 'jpg:-'), 'jpg:-', ...raw);
  const wide = Math.round(width * factor);
  return { width: wide, height: out.length / 4 / wide, data: new Uint8Array(out), opaque: true };
}

/** Reduced to 45 %, as a print-ready copy of a camera's file is: sharp at its own pixels. */
const photograph = (seed: number) => {
  const whole = photographOf(seed, LONG ? 900 : 620, LONG ? 640 : 440, { grain: 1.5 });
  return scaled(whole, 'Box', 0.45);
};

const drawing = (seed: number) => {
  const random = randomOf(seed);
  const drawn = new Drawing(32, 24, 10, WHITE);
  for (let i = 0; i < 9; i++) {
    const [x, y] = [random() * 32, random() * 24];
    const ink: Rgba = [random() * 180, random() * 180, random() * 180, 255];
    if (i % 3 === 0) drawn.lay([circle(x, y, 1 + random() * 5)], ink);
    else if (i % 3 === 1)
      drawn.lay([rectangle(x, y, 2 + random() * 12, 0.8 + random() * 3, random() * 180)], ink);
    else drawn.lay([star(x, y, 2 + random() * 4, 5, 36)], ink);
  }
  return drawn.raster();
};

/** Sharp in front, ever softer behind: depth that says nothing of how sharp a picture is. */
const deep = (seed: number) => {
  const near = photograph(seed);
  const far = scaled(near, 'Box', 1, ['-blur', '0x4']);
  const data = near.data.slice();
  for (let y = 0; y < near.height; y++)
    for (let x = 0; x < near.width; x++) {
      const at = (y * near.width + x) * 4;
      if (x > near.width * 0.3 || y > near.height * 0.6) data.set(far.data.subarray(at, at + 4), at);
    }
  return { ...near, data };
};

const SEEDS = LONG ? [1, 2, 3, 4, 5, 6, 7, 8] : [2];
/** A photograph and a drawing of each seed. */
const pictures = () =>
  SEEDS.flatMap((seed) => [
    ['photograph', photograph(seed), seed] as const,
    ['drawing', drawing(seed), seed] as const,
  ]);
const FILTERS = few(['Triangle', 'Catrom', 'Mitchell', 'Lanczos'], 2);

test('crisp pictures hold their detail: reduced photographs, deep ones, drawings, codes, chequers, pixel art', () => {
  const found: [string, number | undefined][] = [];
  for (const seed of SEEDS) {
    found.push([`photograph ${seed}`, trueDetail(photograph(seed))?.scale]);
    found.push([`deep ${seed}`, trueDetail(deep(seed))?.scale]);
    found.push([`drawing ${seed}`, trueDetail(drawing(seed))?.scale]);
  }
  for (const module of few([4, 9, 16], 1)) {
    const random = randomOf(module);
    const code = Array.from({ length: 33 * 33 }, () => random() < 0.5);
    const ink = (on: boolean) => (on ? ([0, 0, 0, 255] as const) : ([255, 255, 255, 255] as const));
    const side = 33 * module;
    const at = (x: number, y: number) => code[Math.floor(y / module) * 33 + Math.floor(x / module)]!;
    found.push([`code of ${module} px`, trueDetail(paint(side, side, (x, y) => ink(at(x, y))))?.scale]);
    const chequer = paint(side, side, (x, y) =>
      ink((Math.floor(x / module) + Math.floor(y / module)) % 2 === 0),
    );
    found.push([`chequer of ${module} px`, trueDetail(chequer)?.scale]);
    const figure = paint(side, side, (x, y) => (at(x, y) && x < side / 2 ? [200, 60, 40, 255] : CLEAR));
    found.push([`pixel art of ${module} px`, trueDetail(figure)?.scale]);
  }
  expect(found.filter(([, scale]) => !(scale !== undefined && scale >= 0.75))).toEqual([]);
});

test('enlarged n times it is one n-th within a quarter, by any filter, in 95 of 100', () => {
  const off: string[] = [];
  let tried = 0;
  for (const [kind, picture, seed] of pictures())
    for (const filter of FILTERS)
      for (const factor of LONG ? [1.3, 1.5, 2, 2.5, 3, 4] : [1.5, 3])
        for (const quality of LONG ? [null, 85] : [null]) {
          tried++;
          const found = trueDetail(scaled(picture, filter, factor, [], quality))!.scale * factor;
          if (!(Math.abs(found - 1) <= 0.25))
            off.push(`${kind} ${seed}, ${filter} x${factor} ${quality ?? ''}: ${found.toFixed(2)}`);
        }
  process.stdout.write(
    `truth  true-detail      enlarged ${tried}, further off than a quarter ${off.length}\n`,
  );
  expect(off.length <= tried * 0.05 ? [] : off).toEqual([]);
}, 900_000);

test('a drawing that was enlarged and sharpened is seldom crisp, however hard; one that is, is so as a JPEG too', () => {
  const sharpening = few(['0x0.8+0.8+0', '0x1+1.5+0', '0x1.5+3+0'], 2);
  const wrong: string[] = [];
  const missed: string[] = [];
  let tried = 0;
  for (const seed of SEEDS.slice(0, 4)) {
    const crisp = drawing(seed);
    for (const quality of few([95, 85, 70], 1))
      if (trueDetail(scaled(crisp, 'Point', 1, [], quality))!.scale < 0.75)
        wrong.push(`drawing ${seed} as a JPEG of ${quality} is not crisp`);
    for (const filter of few(['Triangle', 'Catrom', 'Lanczos'], 1))
      for (const factor of few([1.8, 2, 3, 4], 2))
        for (const how of sharpening) {
          tried++;
          const { scale } = trueDetail(scaled(crisp, filter, factor, ['-unsharp', how]))!;
          if (scale >= 0.75)
            missed.push(`drawing ${seed}, ${filter} x${factor}, ${how}: ${scale.toFixed(2)}`);
        }
  }
  process.stdout.write(`truth  true-detail      sharpened ${tried}, called crisp ${missed.length}\n`);
  expect(wrong).toEqual([]);
  // Twice and less, where it is clipped at white on one side, what is left may be as narrow as a crisp edge.
  expect(missed.length <= tried * 0.15 ? [] : missed).toEqual([]);
}, 600_000);

longTest(
  'each picture inside a PDF or an SVG is judged by its own pixels, however it is packed there',
  async () => {
    const engine = await loadNodeEngine();
    const crisp = photograph(3);
    const enlarged = scaled(photograph(4), 'Catrom', 3);
    const png = (raster: Raster) => engine.encodePng(raster, { ppi: 300, use: 'small' });
    const jpeg = (raster: Raster) => engine.encodeJpeg(raster, { ppi: 300, quality: 95 });
    const pdf = await PDFDocument.create();
    const page = pdf.addPage([600, 400]);
    const images = [
      await pdf.embedPng(png(crisp)),
      await pdf.embedJpg(jpeg(crisp)),
      await pdf.embedPng(png(enlarged)),
      await pdf.embedJpg(jpeg(enlarged)),
    ];
    images.forEach((image, i) => {
      page.drawImage(image, { x: 20 + i * 140, y: 100, width: 120, height: 85 });
    });
    // And as another program writes them.
    const path = join(folder, 'a.pdf');
    writeFileSync(path, await pdf.save());
    execFileSync('gs', [
      '-q',
      '-dNOPAUSE',
      '-dBATCH',
      '-sDEVICE=pdfwrite',
      '-dAutoFilterColorImages=false',
      '-dColorImageFilter=/FlateEncode',
      '-dDownsampleColorImages=false',
      `-o${join(folder, 'again.pdf')}`,
      path,
    ]);
    const address = (type: string, bytes: Uint8Array) =>
      `data:image/${type};base64,${Buffer.from(bytes).toString('base64')}`;
    const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="200mm" height="100mm" viewBox="0 0 200 100">
    <image x="5" y="5" width="60" height="42" href="${address('png', png(crisp))}"/>
    <image x="70" y="5" width="60" height="42" href="${address('jpeg', jpeg(enlarged))}"/></svg>`;
    const scalesIn = async (name: string, bytes: Uint8Array) =>
      (await measureBytes(engine, name, bytes)).facts.images!.map(({ detail }) => detail!.scale);
    const found = {
      pdf: await scalesIn('a.pdf', new Uint8Array(readFileSync(path))),
      again: await scalesIn('again.pdf', new Uint8Array(readFileSync(join(folder, 'again.pdf')))),
      svg: await scalesIn('a.svg', new TextEncoder().encode(svg)),
    };
    engine.close();
    const isCrisp = (scale: number) => scale >= 0.75;
    const isThird = (scale: number) => Math.abs(scale * 3 - 1) <= 0.25;
    expect(found.pdf.map((scale) => [isCrisp(scale), isThird(scale)])).toEqual([
      [true, false],
      [true, false],
      [false, true],
      [false, true],
    ]);
    expect(found.again.filter(isCrisp)).toHaveLength(2);
    expect(found.again.filter(isThird)).toHaveLength(2);
    expect(found.svg.map((scale) => [isCrisp(scale), isThird(scale)])).toEqual([
      [true, false],
      [false, true],
    ]);
  },
  120_000,
);

longTest(
  'at twice its pixels nothing is Ready, sharpened or not; one sign alone is a Look',
  () => {
    const table = new TruthTable();
    const blank = sheetOf('mug-325', { target: 300, floor: 150 });
    for (const [kind, picture, seed] of pictures())
      for (const filter of FILTERS)
        for (const factor of LONG ? [2, 3] : [2])
          for (const [after, how] of [
            [[], ''],
            [['-unsharp', '0x0.8+0.8+0'], ', sharpened'],
          ] as const) {
            const large = scaled(picture, filter, factor, after);
            table.take({
              rule: 'true-detail',
              name: `${kind} ${seed}, ${filter} x${factor}${how}`,
              // At the target by its pixels.
              laid: laidOut(blank, large, 300 / 25.4, { facts: { detail: trueDetail(large) } }),
              verdict: ['look', 'fix'],
            });
          }
    table.print();
    expect(table.wrong()).toEqual([]);
  },
  900_000,
);
