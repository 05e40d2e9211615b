import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { PNG } from 'pngjs';

interface Pixels {
  width: number;
  height: number;
  data: Uint8Array;
}

/** A PDF's first page as poppler draws it, at so many pixels across. */
export function pdfDrawn(path: string, across: number): PNG {
  const out = path.replace(/\.\w+$/, '-drawn');
  const size = ['-scale-to-x', String(across), '-scale-to-y', '-1'];
  execFileSync('pdftoppm', ['-png', '-singlefile', ...size, path, out]);
  return PNG.sync.read(readFileSync(`${out}.png`));
}

/** Mean difference of two pictures, 0 to 255, on white. */
export function difference(a: Pixels, b: Pixels): number {
  const on = ({ data }: Pixels, at: number, i: number) =>
    (data[at + i]! * data[at + 3]! + 255 * (255 - data[at + 3]!)) / 255;
  let sum = 0;
  let count = 0;
  for (let y = 0; y < Math.min(a.height, b.height); y++) {
    for (let x = 0; x < Math.min(a.width, b.width); x++) {
      const [p, q] = [(y * a.width + x) * 4, (y * b.width + x) * 4];
      for (let i = 0; i < 3; i++) sum += Math.abs(on(a, p, i) - on(b, q, i));
      count += 3;
    }
  }
  return sum / count;
}
