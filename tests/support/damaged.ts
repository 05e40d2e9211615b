import { execFileSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** A number generator that always gives the same, so that a damaged file can be had again. */
export function seeded(seed: number): () => number {
  let state = seed;
  return () => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) / 2 ** 32;
}

/** One small file of every format that is read, written by other programs. */
export function oneOfEach(folder: string): string[] {
  const run = (program: string, ...args: string[]) => execFileSync(program, args, { cwd: folder });
  const convert = (...args: string[]) => run('convert', ...args);
  // Seeded: without it the same damage falls on another picture at each run.
  convert('-seed', '7', '-size', '64x48', 'plasma:red-blue', '-depth', '8', 'a.png');
  convert('a.png', '-interlace', 'PNG', '-alpha', 'set', 'b.png');
  convert('a.png', '-quality', '80', '-interlace', 'JPEG', 'a.jpg');
  convert('a.png', '-colorspace', 'cmyk', 'b.jpg');
  convert('a.png', '-quality', '80', 'a.webp');
  convert('a.png', '-compress', 'lzw', 'a.tif');
  convert('a.png', 'a.png', '-compress', 'zip', 'b.tif');
  convert('a.png', 'a.gif');
  convert('a.png', 'a.avif');
  // Long and low: drawings are measured at the same pixels along their longer side, however small they are.
  writeFileSync(
    join(folder, 'a.svg'),
    `<?xml version="1.0"?><svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 640 16" width="64mm"><defs><linearGradient id="g"><stop offset="0" stop-color="#c00"/><stop offset="1" stop-color="#00c"/></linearGradient></defs><g transform="translate(3 2)"><rect width="300" height="12" fill="url(#g)"/><path d="M320 0l40 12h-60z" fill="#123456"/><text x="400" y="10">words</text></g></svg>`,
  );
  writeFileSync(
    join(folder, 'in.ps'),
    '%!PS\n<< /PageSize [576 18] >> setpagedevice 0.2 0.8 0.1 0 setcmykcolor 4 4 500 10 rectfill /Helvetica findfont 9 scalefont setfont 20 6 moveto (words) show showpage\n',
  );
  run('gs', '-q', '-dNOPAUSE', '-dBATCH', '-sDEVICE=pdfwrite', '-oa.pdf', 'in.ps');
  return [
    'a.png',
    'b.png',
    'a.jpg',
    'b.jpg',
    'a.webp',
    'a.tif',
    'b.tif',
    'a.gif',
    'a.avif',
    'a.svg',
    'a.pdf',
  ];
}

/** A file cut at random, or with some of its bytes other than they were, or both. */
export function damagedCopy(bytes: Uint8Array, random: () => number): Uint8Array {
  const cut = random() < 0.5;
  const whole = cut ? bytes.slice(0, 1 + Math.floor(random() * bytes.length)) : bytes.slice();
  if (!cut || random() < 0.5) {
    const flips = 1 + Math.floor(random() * 12);
    for (let i = 0; i < flips; i++) whole[Math.floor(random() * whole.length)] = Math.floor(random() * 256);
  }
  return whole;
}

/** So many damaged files, of every format in turn. */
export function writeDamaged(folder: string, count: number, seed: number): string[] {
  const random = seeded(seed);
  const names = oneOfEach(folder);
  const originals = names.map((name) => new Uint8Array(readFileSync(join(folder, name))));
  return Array.from({ length: count }, (_, i) => {
    const which = i % names.length;
    const path = join(folder, `damaged-${i}-${names[which]!}`);
    writeFileSync(path, damagedCopy(originals[which]!, random));
    return path;
  });
}
