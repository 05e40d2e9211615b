import { PDFDocument } from '@cantoo/pdf-lib';
import { execFileSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import type { RuleId, Verdict } from '@/core/check/finding';
import type { Raster } from '@/core/raster/raster';
import type { Engine } from '@/imaging/engine';
import { printPixels } from '@/core/blank/resolve';
import { blankById, faceOf } from './fits';
import { BARE, BLACK, circle, Drawing, rectangle, ring, WHITE, type Rgba } from '../truth/draw';
import { photographOf } from '../truth/photographs';

/** What is hard to tell: a file, the blank and how it lies there, and what one rule has to say of it. */
export interface Hard {
  name: string;
  blank: string;
  place: 'inside' | 'cover';
  make: (tools: Tools) => string | Promise<string>;
  rule: RuleId;
  verdict: Verdict;
  /** Whether it is at places of its own, and not all of the piece. */
  placed?: boolean;
}

interface Tools {
  engine: Engine;
  /** Where a file of a name goes. */
  file: (name: string) => string;
}

const PER_MM = 300 / 25.4;
const NAVY: Rgba = [20, 34, 74, 255];
const CREAM: Rgba = [244, 236, 214, 255];
const RED: Rgba = [180, 44, 40, 255];

/** A class of what is hard to tell, three of it. */
function three<T>(
  of: readonly [T, T, T],
  make: (one: T) => Partial<Hard> & Omit<Hard, 'blank' | 'place'>,
): Hard[] {
  return of.map((one) => ({ blank: 'mug-325', place: 'inside', ...make(one) }));
}

function png(name: string, draw: () => Raster): Hard['make'] {
  return ({ engine, file }) => {
    const path = file(`${name}.png`);
    writeFileSync(path, engine.encodePng(draw(), { ppi: 300, use: 'small' }));
    return path;
  };
}

/** A bare picture as wide and high as the mug's safe area has room for, nearly. */
const clear = () => new Drawing(150, 75, PER_MM, BARE);
const cream = () => new Drawing(150, 75, PER_MM, CREAM);

const guides = three([12, 48, 140], (degrees) => ({
  name: `a guide at ${degrees} degrees`,
  make: png(`guide-${degrees}`, () =>
    cream()
      .lay([circle(75, 37, 22)], NAVY)
      .lay(
        [rectangle(60, 34, 400, 0.25, degrees)],
        degrees === 12 ? [0, 255, 255, 255] : degrees === 48 ? [255, 0, 255, 255] : [90, 90, 90, 255],
      )
      .raster(),
  ),
  rule: 'leftover',
  verdict: 'look',
  placed: true,
}));

const marks = three(
  [
    [75, 6],
    [10, 37.5],
    [140, 37.5],
  ],
  ([x, y]) => ({
    name: `a registration mark at ${x!}, ${y!}`,
    make: png(`mark-${x!}-${Math.round(y!)}`, () =>
      clear()
        .lay([rectangle(75, 37.5, 110, 45)], NAVY)
        .lay([rectangle(x!, y!, 6, 0.25), rectangle(x!, y!, 0.25, 6), ...ring(x!, y!, 2, 0.25)], BLACK)
        .raster(),
    ),
    rule: 'leftover',
    verdict: 'look',
    placed: true,
  }),
);

const specks = three(
  [
    [30, 20],
    [100, 28],
    [60, 62],
  ],
  ([x, y]) => ({
    name: `a speck at ${x!}, ${y!}`,
    // Sea, sand and a sail, and a speck on one of them.
    make: png(`speck-${x!}-${y!}`, () =>
      new Drawing(150, 75, PER_MM, [120, 170, 210, 255])
        .lay([rectangle(75, 62, 150, 26)], [230, 200, 150, 255])
        .lay([circle(100, 28, 14)], CREAM)
        .lay([rectangle(x!, y!, 0.35, 0.35)], RED)
        .raster(),
    ),
    rule: 'specks',
    verdict: 'look',
    placed: true,
  }),
);

const pages = three([2, 3, 4], (times) => ({
  name: `a page whose second picture is enlarged ${times} times`,
  make: (tools) => twoPictures(times, tools),
  rule: 'true-detail',
  verdict: 'fix',
}));

/** A page with a crisp photograph, and beside it one that was enlarged so many times. */
async function twoPictures(times: number, { engine, file }: Tools): Promise<string> {
  const whole = engine.encodePng(photographOf(3, 420, 300, { grain: 1 }), { ppi: 300, use: 'preview' });
  const small = `${Math.round(100 / times)}%`;
  const pdf = await PDFDocument.create();
  const page = pdf.addPage([425, 212]);
  const enlarged = converted(
    whole,
    '-filter',
    'Box',
    '-resize',
    small,
    '-filter',
    'Catrom',
    '-resize',
    '420x300!',
  );
  page.drawImage(await pdf.embedPng(whole), { x: 10, y: 40, width: 200, height: 143 });
  page.drawImage(await pdf.embedPng(enlarged), { x: 220, y: 40, width: 200, height: 143 });
  const path = file(`pages-${times}.pdf`);
  writeFileSync(path, await pdf.save());
  return path;
}

/** A PNG through the image converter of the system. */
function converted(input: Uint8Array, ...args: string[]): Uint8Array {
  return new Uint8Array(execFileSync('convert', ['png:-', ...args, 'png:-'], { input, maxBuffer: 1e9 }));
}

const strokes = three([3, 17, 38], (degrees) => ({
  name: `thin strokes at ${degrees} degrees`,
  make: png(`strokes-${degrees}`, () =>
    clear()
      .lay([circle(40, 37, 24)], NAVY)
      .lay(
        [-6, 0, 6].map((off) => rectangle(105, 37 + off, 60, 0.12, degrees)),
        NAVY,
      )
      .raster(),
  ),
  rule: 'thin',
  verdict: 'fix',
  placed: true,
}));

const inside = three([3, 17, 38], (degrees) => ({
  name: `thin light strokes on dark at ${degrees} degrees`,
  make: png(`light-${degrees}`, () =>
    new Drawing(150, 75, PER_MM, NAVY)
      .lay([circle(40, 37, 24)], CREAM)
      .lay(
        [-6, 0, 6].map((off) => rectangle(105, 37 + off, 60, 0.12, degrees)),
        CREAM,
      )
      .raster(),
  ),
  rule: 'thin',
  verdict: 'fix',
  placed: true,
}));

const holes = three(
  [
    [40, 1.2],
    [1.2, 45],
    [110, 93.4],
  ],
  ([x, y]) => ({
    name: `a hole in the ground at ${x!}, ${y!}`,
    place: 'cover',
    blank: 'pouch',
    make: png(`hole-${x!}-${Math.round(y!)}`, () =>
      new Drawing(146, 196, PER_MM, [70, 120, 140, 255]).lay([circle(x!, y!, 0.6)], BARE).raster(),
    ),
    rule: 'bleed',
    verdict: y! > 90 ? 'ready' : 'fix',
    placed: y! <= 90,
  }),
);

const sharpened = three([2, 3, 4], (times) => ({
  name: `a drawing enlarged ${times} times and sharpened`,
  make: ({ engine, file }) => {
    const raster = cream()
      .lay([circle(50, 37, 26)], NAVY)
      .lay([rectangle(110, 37, 40, 18, 27)], RED)
      .lay(
        [0, 1, 2, 3, 4].map((n) => rectangle(75, 10 + 13 * n, 30, 2.4, 9)),
        [60, 110, 90, 255],
      )
      .raster();
    const whole = engine.encodePng(raster, { ppi: 300, use: 'preview' });
    const size = `${raster.width}x${raster.height}!`;
    const path = file(`sharpened-${times}.png`);
    const small = `${100 / times}%`;
    const sharp = ['-filter', 'Catrom', '-resize', size, '-unsharp', `0x${times / 2}+1+0`, '-density', '300'];
    writeFileSync(
      path,
      converted(whole, '-filter', 'Box', '-resize', small, ...sharp, '-units', 'PixelsPerInch'),
    );
    return path;
  },
  rule: 'true-detail',
  verdict: times === 4 ? 'fix' : 'look',
}));

const frames = three(['a frame', 'pin stripes', 'a rule under a badge'], (what) => ({
  name: `${what}, which is no guide`,
  make: png(what.replace(/ /g, '-'), () => {
    const drawing = cream().lay([circle(75, 37, 20)], NAVY);
    if (what === 'a frame')
      drawing.lay([rectangle(75, 37.5, 140, 65), rectangle(75, 37.5, 139, 64).reverse()], NAVY);
    else if (what === 'pin stripes')
      drawing.lay(
        Array.from({ length: 24 }, (_, i) => rectangle(4 + i * 6, 37.5, 0.5, 75)),
        RED,
      );
    else drawing.lay([rectangle(75, 64, 100, 0.5)], NAVY);
    return drawing.raster();
  }),
  rule: 'leftover',
  verdict: 'ready',
}));

const squares = three([0.4, 1, 4], (module) => ({
  name: `chequers of ${module} mm`,
  make: png(`chequers-${module}`, () => {
    const cells = Math.floor(60 / module);
    const drawing = new Drawing(150, 75, PER_MM, WHITE);
    const laid = Array.from({ length: cells * cells }, (_, n) => [n % cells, Math.floor(n / cells)] as const)
      .filter(([i, j]) => (i * 7 + j * 5 + i * j) % 3 === 0)
      .map(([i, j]) => rectangle(45 + (i + 0.5) * module, 7 + (j + 0.5) * module, module, module));
    return drawing.lay(laid, BLACK).raster();
  }),
  rule: 'true-detail',
  verdict: 'ready',
}));

const photographs = three([1, 2, 3], (seed) => ({
  name: `photograph ${seed}, reduced to 45 %`,
  make: ({ engine, file }) => {
    const path = file(`reduced-${seed}.png`);
    const whole = engine.encodePng(photographOf(seed, 2400, 1200, { grain: 1 }), {
      ppi: 300,
      use: 'preview',
    });
    writeFileSync(path, converted(whole, '-filter', 'Lanczos', '-resize', '45%', '-density', '300'));
    return path;
  },
  rule: 'true-detail',
  verdict: 'look',
}));

const whole = three(['pouch', 'mug-325', 'tumbler-470'], (blank) => ({
  name: `a file in the template’s own whole pixels on ${blank}`,
  place: 'cover',
  blank,
  make: png(`whole-${blank}`, () => {
    const resolved = blankById(blank);
    const { width, height } = printPixels(faceOf(resolved), resolved.spec);
    return new Drawing(width / PER_MM, height / PER_MM, PER_MM, [70, 120, 140, 255]).raster();
  }),
  rule: 'resolution',
  verdict: 'ready',
}));

const fine = three([0.2, 0.3, 0.5], (pen) => ({
  name: `fine lettering of ${pen} mm in black alone`,
  blank: 'pouch',
  make: png(`fine-${pen}`, () =>
    new Drawing(100, 140, PER_MM, BARE)
      .lay(
        Array.from({ length: 30 }, (_, i) =>
          rectangle(10 + (i % 10) * 8, 30 + Math.floor(i / 10) * 30, pen, 9),
        ),
        BLACK,
      )
      .raster(),
  ),
  rule: 'black',
  verdict: 'ready',
}));

/** Three of each class: what must be found, and what must not be cried over. */
export const HARD: readonly Hard[] = [
  ...guides,
  ...marks,
  ...specks,
  ...pages,
  ...strokes,
  ...inside,
  ...holes,
  ...sharpened,
  ...frames,
  ...squares,
  ...photographs,
  ...whole,
  ...fine,
];
