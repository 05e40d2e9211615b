import { writeFileSync } from 'node:fs';
import { PNG } from 'pngjs';

/** A flag, its upper half red and its lower blue: shows which way up it is, and what its sides measure. */
export function writeFlag(file: string): void {
  const png = new PNG({ width: 1200, height: 1200 });
  for (let y = 0; y < 1200; y++) {
    for (let x = 0; x < 1200; x++)
      png.data.set(y < 600 ? [255, 0, 0, 255] : [0, 0, 255, 255], (y * 1200 + x) * 4);
  }
  // One clear corner pixel makes it a motif.
  png.data[3] = 0;
  writeFileSync(file, PNG.sync.write(png));
}
