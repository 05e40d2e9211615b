import { writeFileSync } from 'node:fs';
import { PNG } from 'pngjs';

/** A dark disc on nothing, with strokes across: each begins so many px down and is so many px thick. */
export function drawMark(
  path: string,
  size: number,
  strokes: readonly (readonly [number, number])[] = [],
): void {
  const mark = new PNG({ width: size, height: size });
  const ink = (x: number, y: number) => mark.data.set([24, 48, 90, 255], (y * size + x) * 4);
  for (let y = 0; y < size; y++)
    for (let x = 0; x < size; x++)
      if (Math.hypot(x - size / 2 + 0.5, y - size * 0.6 + 0.5) < size * 0.25) ink(x, y);
  for (const [top, thick] of strokes)
    for (let x = Math.round(size * 0.1); x < size * 0.9; x++) for (let k = 0; k < thick; k++) ink(x, top + k);
  writeFileSync(path, PNG.sync.write(mark));
}
