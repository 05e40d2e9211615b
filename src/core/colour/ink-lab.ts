import type { IccProfile } from './icc';
import type { Lab } from './lab';
import type { Cmyk } from './palette';

/** From inks, 0 to 1, to the Lab D50 that they have on the print, relative to its white. */
export type InkToLab = (inks: Cmyk) => Lab;

/**
 * A CMYK profile's way from ink to colour, read at full precision (ICC.1:2010, 10.8 and 10.9, `lut8Type` and
 * `lut16Type`): the engine takes this way through a coarser table of its own, which errs in the shadows. Three inks
 * are interpolated in tetrahedra, black between two of them. Null where the profile keeps it in another form.
 */
export function inkToLab(profile: IccProfile, tagName: 'A2B0' | 'A2B1'): InkToLab | null {
  const tag = profile.tags.get(tagName) ?? profile.tags.get('A2B0');
  if (!tag || profile.space !== 'CMYK' || profile.connection !== 'Lab ') return null;
  const { bytes } = profile;
  const view = new DataView(bytes.buffer, bytes.byteOffset + tag.at, tag.size);
  const kind = view.getUint32(0);
  const wide = kind === 0x6d667432;
  if (!wide && kind !== 0x6d667431) return null;
  const grid = view.getUint8(10);
  if (view.getUint8(8) !== 4 || view.getUint8(9) !== 3 || grid < 2) return null;
  const entriesIn = wide ? view.getUint16(48) : 256;
  const entriesOut = wide ? view.getUint16(50) : 256;
  let at = wide ? 52 : 48;
  const take = (count: number): Float64Array => {
    const values = new Float64Array(count);
    for (let i = 0; i < count; i++)
      values[i] = wide ? view.getUint16(at + i * 2) / 65535 : view.getUint8(at + i) / 255;
    at += count * (wide ? 2 : 1);
    return values;
  };
  if (at + (4 * entriesIn + grid ** 4 * 3 + 3 * entriesOut) * (wide ? 2 : 1) > tag.size) return null;
  const curvesIn = take(4 * entriesIn);
  const table = take(grid ** 4 * 3);
  const curvesOut = take(3 * entriesOut);
  // Sixteen bits of Lab as the older form of a profile counts them: FF00 is 100, or 127.
  const full = wide ? 65535 / 65280 : 1;
  const out = new Float64Array(3);
  return (inks) => {
    const [c, m, y, k] = inks.map(
      (ink, channel) => curve(curvesIn, channel, entriesIn, ink) * (grid - 1),
    ) as [number, number, number, number];
    interpolate(table, grid, c, m, y, k, out);
    const [L, a, b] = [0, 1, 2].map((channel) => curve(curvesOut, channel, entriesOut, out[channel]!) * full);
    return [L! * 100, a! * 255 - 128, b! * 255 - 128];
  };
}

function curve(curves: Float64Array, channel: number, entries: number, value: number): number {
  const along = Math.min(1, Math.max(0, value)) * (entries - 1);
  const index = Math.min(entries - 2, Math.floor(along));
  const base = channel * entries + index;
  return curves[base]! + (curves[base + 1]! - curves[base]!) * (along - index);
}

/** The first ink linearly, the other three in tetrahedra, in grid steps. */
function interpolate(
  table: Float64Array,
  grid: number,
  c: number,
  m: number,
  y: number,
  k: number,
  out: Float64Array,
): void {
  const steps = [grid ** 3 * 3, grid ** 2 * 3, grid * 3, 3] as const;
  const cell = (value: number) => Math.min(grid - 2, Math.floor(value));
  const [ci, mi, yi, ki] = [cell(c), cell(m), cell(y), cell(k)];
  const base = ci * steps[0] + mi * steps[1] + yi * steps[2] + ki * steps[3];
  const along = [m - mi, y - yi, k - ki];
  const order = [0, 1, 2].sort((p, q) => along[q]! - along[p]!);
  const share = c - ci;
  for (let channel = 0; channel < 3; channel++) {
    let [low, high] = [0, 0];
    for (const [end, start] of [
      [0, base],
      [1, base + steps[0]],
    ] as const) {
      let at = start + channel;
      let value = table[at]! * (1 - along[order[0]!]!);
      order.forEach((axis, rank) => {
        at += steps[axis + 1]!;
        value += table[at]! * (along[axis]! - (rank < 2 ? along[order[rank + 1]!]! : 0));
      });
      if (end === 0) low = value;
      else high = value;
    }
    out[channel] = low + (high - low) * share;
  }
}
