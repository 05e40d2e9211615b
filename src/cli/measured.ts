import type { Body } from '@/core/blank/kinds';
import { rectangle } from '@/core/blank/face';
import { facesOf, type PrintFace } from '@/core/blank/resolve';
import { bodyTroubles } from '@/core/blank/troubles';
import { parseLength } from '@/core/length/parse';
import { roundBody } from '@/core/measuring/round';
import { badArgument } from './args';

/** What can be measured on the spot, and the readings each takes. */
const SHAPES = {
  cylinder: ['circumference', 'diameter', 'height', 'handle', 'overlap', 'bleed', 'safe'],
  taper: [
    'top',
    'topRound',
    'bottom',
    'bottomRound',
    'slant',
    'height',
    'handle',
    'overlap',
    'bleed',
    'safe',
  ],
  flat: ['width', 'height', 'bleed', 'safe'],
} as const;
export type MeasuredShape = keyof typeof SHAPES;
export const MEASURED_SHAPES = Object.keys(SHAPES) as MeasuredShape[];

/** A body and its face from readings written as `circumference=248.2mm height=92mm`. */
export function readMeasured(shape: MeasuredShape, text: string): { body: Body; face: PrintFace } {
  const readings = readReadings(shape, text);
  const body = bodyOf(shape, readings);
  const [trouble] = bodyTroubles(body);
  if (trouble) throw badArgument(trouble.message);
  const face = facesOf(body)[0]!;
  const { bleed = 0, safe = 0 } = Object.fromEntries(readings);
  return { body, face: { ...face, bleed, safe, target: 300, floor: 150 } };
}

/** A value runs to the next `key=`, so that `5 3/8 in + 4 mm` needs no quotes of its own. */
function readReadings(shape: MeasuredShape, text: string): Map<string, number> {
  const known: readonly string[] = SHAPES[shape];
  const keys = [...text.matchAll(/([a-z]+)\s*=/gi)];
  if (keys.length === 0 || text.slice(0, keys[0]!.index).trim() !== '')
    throw badArgument(`--${shape} wants readings like ${known[0]}=248.2mm.`);
  const readings = new Map<string, number>();
  for (const [index, key] of keys.entries()) {
    const name = key[1]!;
    if (!known.includes(name))
      throw badArgument(`--${shape} takes ${known.join(', ')}; there is no “${name}”.`);
    if (readings.has(name)) throw badArgument(`--${shape} has ${name} twice.`);
    const value = text.slice(key.index + key[0].length, keys[index + 1]?.index).trim();
    const length = parseLength(value, { unit: 'mm' });
    if (!length.ok) throw badArgument(`${name}: ${length.message}`);
    const least = ['bleed', 'safe', 'handle', 'overlap'].includes(name) ? 0 : Number.MIN_VALUE;
    if (length.mm < least) throw badArgument(`${name} must be above zero, not “${value}”.`);
    readings.set(name, length.mm);
  }
  return readings;
}

function bodyOf(shape: MeasuredShape, readings: ReadonlyMap<string, number>): Body {
  const needed = (name: string, other?: string): number => {
    const found = readings.get(name);
    if (found === undefined) throw badArgument(`--${shape} wants ${other ?? name}.`);
    return found;
  };
  const across = (name: string, round: string): number => {
    const way = readings.get(round);
    if (way !== undefined && readings.has(name))
      throw badArgument(`--${shape} takes ${name} or ${round}, not both.`);
    return way === undefined ? needed(name, `${name} or ${round}`) : way / Math.PI;
  };
  if (shape === 'flat')
    return { kind: 'flat', sheet: rectangle(needed('width'), needed('height')), keepOuts: [] };
  const handle = readings.get('handle') ?? 0;
  const overlap = readings.get('overlap') ?? 0;
  if (shape === 'cylinder') {
    const diameter = across('diameter', 'circumference');
    return roundBody({ top: diameter, bottom: diameter, slant: needed('height'), handle, overlap });
  }
  const slant = readings.get('slant');
  return roundBody({
    top: across('top', 'topRound'),
    bottom: across('bottom', 'bottomRound'),
    ...(slant === undefined ? { height: needed('height', 'slant or height') } : { slant }),
    handle,
    overlap,
  });
}
