import { mkdir, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { printPixels, printSize } from '@/core/blank/resolve';
import { requireMakeablePixels } from '@/core/artwork/limits';
import { parseLength } from '@/core/length/parse';
import { MM_PER_INCH } from '@/core/length/units';
import { keptName } from '@/core/pack/names';
import { cropped, onWhole } from '@/core/plates/crop';
import { chooseInks, named, type PlateInk } from '@/core/plates/inks';
import { plateFindings } from '@/core/plates/findings';
import { differenceOf, isLight, makePlates, type Plate, type PlatesAsked } from '@/core/plates/make';
import { DOTS, LEAST_CELL, type Screen } from '@/core/plates/screen';
import type { Raster } from '@/core/raster/raster';
import { renderFace } from '@/core/render/face';
import type { Readers } from '@/files/artwork';
import { platesPdf } from '@/files/pdf/plates';
import { badArgument, oneOf, readNumber, required, type Args } from '../args';
import type { Answer } from '../answer';
import { PLACED_OPTIONS, readPlaced, type Placed } from '../placed';

export const PLATES_OPTIONS = [
  ...PLACED_OPTIONS,
  ...['inks', 'ink', 'tones', 'ruling', 'angles', 'dot', 'screen', 'base', 'choke', 'trap', 'ppi', 'out'],
] as const;

/** Inks that a picture is parted into, at most. */
const MOST_INKS = 8;

/** `plates`: a fit in few inks, a plate an ink, as TIFFs and as one PDF of separations. Status 1 where a finding is a Fix. */
export async function plates(args: Args, readers: () => Promise<Readers>): Promise<Answer> {
  const out = required(args, 'out');
  const count = readCount(args);
  const given = (args.all.get('ink') ?? []).map(readInk);
  if (given.length > count)
    throw badArgument(`${given.length} inks are given by --ink, and --inks asks for ${count}: give as many.`);
  const ppi = args.values.has('ppi') ? readNumber('ppi', args.values.get('ppi')!) : 600;
  if (ppi < 72 || ppi > 2400) throw badArgument('--ppi is between 72 and 2400.');
  const screens = readScreens(args, ppi);
  const trap = readShort(args, 'trap', 0);
  const choke = readShort(args, 'choke', 0.3);
  const ready = await readers();
  const placed = await readPlaced(ready, args);
  const print = await printOf(placed, ppi);
  const crop = cropped(print, Math.ceil(((trap + 1) * ppi) / MM_PER_INCH));
  if (!crop) throw badArgument('Nothing of the artwork lies on this face: place it nearer.');
  const asked = askedFor(placed, args, { print: crop.raster, ppi, count, given, screens, trap, choke });
  const made = makePlates(crop.raster, asked);
  const difference = differenceOf(crop.raster, made, asked);
  const choked = asked.base ? asked.base.choke : null;
  const findings = plateFindings(made, {
    limits: placed.blank.limits,
    difference,
    choke: choked,
  });
  await mkdir(out, { recursive: true });
  const files: string[] = [];
  const whole = made.map((plate) => ({ ...plate, plane: onWhole(plate.plane, crop, print) }));
  for (const [i, plate] of whole.entries()) {
    const file = join(out, `${String(i + 1).padStart(2, '0')}-${keptName(plate.name, 'ink')}.tif`);
    const bits = isLine(plate, asked) ? 1 : 8;
    await writeFile(file, ready.engine.encodePlate({ ...sizeOf(print), plane: plate.plane }, { ppi, bits }));
    files.push(file);
  }
  await writeFile(
    join(out, 'plates.pdf'),
    await platesPdf(
      placed.blank.blank.name,
      { ...printSize(placed.face), bleed: placed.face.bleed },
      sizeOf(print),
      whole.map((plate) => ({ ...plate, isLine: isLine(plate, asked) })),
    ),
  );
  return answerOf(print, ppi, made, files, difference, findings);
}

function answerOf(
  print: Raster,
  ppi: number,
  made: readonly Plate[],
  files: readonly string[],
  { mean, worst }: { mean: number; worst: number },
  findings: ReturnType<typeof plateFindings>,
): Answer {
  const round = (value: number) => Number(value.toFixed(2));
  const inks = made.map(({ name, hex, base, area, screen }, i) => ({
    ...{ name, hex, base, file: files[i]!, area: round(area) },
    ruling: screen?.ruling ?? null,
    angle: screen?.angle ?? null,
  }));
  const lines = inks.map(
    ({ name, hex, file, area }) => `${file}: ${name} ${hex}, ${(area / 100).toFixed(2)} cm²`,
  );
  return {
    json: {
      pixels: sizeOf(print),
      ppi,
      inks,
      difference: { mean: round(mean), worst: round(worst) },
      findings,
    },
    text: [
      ...lines,
      `dE ${round(mean)} from the print on average, ${round(worst)} at worst`,
      ...findings.map(({ verdict, message }) => `${verdict.padEnd(5)}  ${message}`),
    ].join('\n'),
    status: findings.some(({ verdict }) => verdict === 'fix') ? 1 : 0,
  };
}

const sizeOf = ({ width, height }: Raster) => ({ width, height });

function isLine(plate: Plate, { tones }: PlatesAsked): boolean {
  return plate.base || plate.screen !== null || tones === null;
}

async function printOf({ blank, face, fit, facts, pixels }: Placed, ppi: number): Promise<Raster> {
  const size = printPixels(face, blank.spec, ppi);
  requireMakeablePixels(size);
  const raster = await pixels(ppi);
  return renderFace(
    face,
    fit.faces[0]!.pieces,
    { facts: () => facts, pixels: () => raster },
    { pixels: size },
  );
}

interface Options {
  print: Raster;
  ppi: number;
  count: number;
  given: readonly PlateInk[];
  screens: PlatesAsked['tones'];
  trap: number;
  choke: number;
}

/** Everything that plates are made by: inks chosen, a base where the method lays one and the cloth needs it. */
function askedFor({ blank, fit }: Placed, args: Args, options: Options): PlatesAsked {
  const { print, count, given, screens, choke } = options;
  const { blank: product, method, limits } = blank;
  const colour = product.colours.find(({ id }) => id === fit.colourId) ?? product.colours[0]!;
  const wanted = oneOf('base', args.values.get('base') ?? 'auto', ['auto', 'none']);
  const based = wanted === 'auto' && limits.whiteInk && !isLight(colour.hex);
  const inks = chooseInks(print, { count, given, open: colour.hex });
  if (inks.length === 0)
    throw badArgument(
      `All of it is as ${colour.name.toLowerCase()} as the product, so no ink is needed: choose another colour of it.`,
    );
  return {
    ppi: options.ppi,
    inks: named(inks),
    product: colour.hex,
    laying: method.ink,
    base: based ? { choke } : null,
    trap: options.trap,
    stroke: limits.stroke,
    tones: screens && {
      screens: screens.screens?.slice(0, inks.length) ?? null,
    },
  };
}

function readCount(args: Args): number {
  const count = readNumber('inks', required(args, 'inks'));
  if (!Number.isInteger(count) || count < 1 || count > 24)
    throw badArgument(`--inks is a whole number from 1 to ${MOST_INKS}.`);
  if (count > MOST_INKS)
    throw badArgument(
      `--inks: ${count} inks are ${count} screens; ${MOST_INKS} are made at most. Take fewer.`,
    );
  return count;
}

/** `#rrggbb=name`, or the colour alone. */
function readInk(text: string): PlateInk {
  const [, hex, name = ''] = /^\s*(#[0-9a-f]{6})\s*(?:=(.*))?$/i.exec(text) ?? [];
  if (hex === undefined)
    throw badArgument(`--ink is a colour and a name as "#0b4754=deep sea", not “${text}”.`);
  return { hex: hex.toLowerCase(), name: name.trim().slice(0, 60) };
}

/** Angles that stay apart, for as many inks as there are. */
const ANGLES = [22.5, 67.5, 45, 7.5, 82.5, 37.5, 52.5, 0];

function readScreens(args: Args, ppi: number): PlatesAsked['tones'] {
  if (oneOf('tones', args.values.get('tones') ?? 'flat', ['flat', 'halftone']) === 'flat') return null;
  if (oneOf('screen', args.values.get('screen') ?? 'dots', ['dots', 'none']) === 'none')
    return { screens: null };
  const ruling = readRuling(args.values.get('ruling') ?? '45lpi');
  if (ppi / ruling < LEAST_CELL)
    throw badArgument(
      `--ruling: ${ruling} lines an inch want at least ${Math.ceil(ruling * LEAST_CELL)} PPI, and these are ${ppi}: take a coarser ruling or a higher --ppi.`,
    );
  const dot = oneOf('dot', args.values.get('dot') ?? 'round', DOTS);
  const typed = args.values.get('angles');
  const angles = typed === undefined ? [] : typed.split(',').map((text) => readNumber('angles', text));
  if (angles.some((angle) => angle < -180 || angle > 180))
    throw badArgument('--angles are degrees from -180 to 180.');
  // An ink without an angle of its own takes the first that is free.
  const free = ANGLES.filter((angle) => !angles.includes(angle));
  return { screens: [...angles, ...free].map((angle): Screen => ({ ruling, angle, dot })) };
}

/** `45lpi` or `18/cm`, in lines per inch. */
function readRuling(text: string): number {
  const [, number, unit] = /^\s*(\d+(?:\.\d+)?)\s*(lpi|\/\s*cm|\/\s*in)?\s*$/i.exec(text) ?? [];
  const lines = Number(number ?? NaN) * (/cm/i.test(unit ?? '') ? MM_PER_INCH / 10 : 1);
  if (!(lines >= 10 && lines <= 400))
    throw badArgument(`--ruling is 10 to 400 lines per inch, as 45lpi or 18/cm, not “${text}”.`);
  return Number(lines.toFixed(4));
}

/** A distance of at most 5 mm. */
function readShort(args: Args, name: string, usual: number): number {
  const text = args.values.get(name);
  if (text === undefined) return usual;
  const read = parseLength(text, { unit: 'mm' });
  if (!read.ok) throw badArgument(`--${name}: ${read.message}`);
  if (read.mm < 0 || read.mm > 5) throw badArgument(`--${name} is from 0 to 5 mm, not “${text}”.`);
  return read.mm;
}
