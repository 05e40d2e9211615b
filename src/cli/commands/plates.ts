import { mkdir, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { parseLength } from '@/core/length/parse';
import { MM_PER_INCH } from '@/core/length/units';
import { DOTS, MOST_PLATE_INKS, type PlatePlan, type Screen } from '@/core/fit/plates';
import { cropped } from '@/core/plates/crop';
import { chooseInks, named, type PlateInk } from '@/core/plates/inks';
import type { Parted } from '@/core/plates/part';
import { ANGLES, lightFirst, openOn, plannedInk } from '@/core/plates/plan';
import { LEAST_CELL } from '@/core/plates/screen';
import { IN_SILENCE, type Raster } from '@/core/raster/raster';
import type { Readers } from '@/files/artwork';
import { NOTHING_THERE, partFor, plateFiles, printFor } from '@/files/plates';
import { readFont } from '@/files/type';
import { badArgument, oneOf, readNumber, required, type Args } from '../args';
import type { Answer } from '../answer';
import { shippedFontBytes } from '../font';
import { PLACED_OPTIONS, readPlaced } from '../placed';

export const PLATES_OPTIONS = [
  ...PLACED_OPTIONS,
  ...[
    'inks',
    'ink',
    'tones',
    'ruling',
    'angles',
    'dot',
    'screen',
    'base',
    'choke',
    'trap',
    'marks',
    'ppi',
    'out',
  ],
] as const;

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
  const marked = oneOf('marks', args.values.get('marks') ?? 'off', ['off', 'on']) === 'on';
  const ready = await readers();
  const placed = await readPlaced(ready, args);
  const { blank, face, fit, facts } = placed;
  const pieces = fit.faces[0]!.pieces;
  const raster = await placed.pixels(ppi);
  const print = printFor(
    { blank, face, pieces },
    ppi,
    { facts: () => facts, pixels: () => raster },
    IN_SILENCE,
  );
  const { colours } = blank.blank;
  const colour = colours.find(({ id }) => id === fit.colourId) ?? colours[0]!;
  const plan = planFor(print, colour, args, { ppi, count, given, screens, trap, choke });
  const asked = { blank, face, pieces, plan, product: colour.hex };
  const parted = partFor(print, asked, IN_SILENCE);
  const font = marked ? readFont(await shippedFontBytes('archivo-narrow')) : null;
  const { each, pdf } = await plateFiles(ready.engine, asked, parted, { format: 'tiff', font }, IN_SILENCE);
  await mkdir(out, { recursive: true });
  for (const { name, bytes } of [...each, pdf]) await writeFile(join(out, name), bytes);
  return answerOf(
    print,
    ppi,
    parted,
    each.map(({ name }) => join(out, name)),
  );
}

function answerOf(
  { width, height }: Raster,
  ppi: number,
  { plates: made, difference: { mean, worst }, findings: found }: Parted,
  files: readonly string[],
): Answer {
  const findings = found.map(({ rule, verdict, measured, required, unit, message }) => ({
    ...{ rule, verdict, measured, required, unit, message },
  }));
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
      pixels: { width, height },
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

interface Options {
  ppi: number;
  count: number;
  given: readonly PlateInk[];
  screens: ScreensAsked;
  trap: number;
  choke: number;
}

/** Everything that plates are made by: inks chosen, a base where the method lays one and the cloth needs it. */
function planFor(
  print: Raster,
  colour: { name: string; hex: string },
  args: Args,
  { count, given, screens, ppi, trap, choke }: Options,
): PlatePlan {
  const seen = cropped(print, 2)?.raster;
  if (!seen) throw badArgument(NOTHING_THERE);
  const chosen = named(
    chooseInks(seen, { count, given, open: openOn(colour.hex), tones: screens.tones !== 'flat' }),
  );
  if (chosen.length === 0)
    throw badArgument(
      `All of it is as ${colour.name.toLowerCase()} as the product, so no ink is needed: choose another colour of it.`,
    );
  const inks = chosen.map((ink, i) => ({ ...plannedInk(ink), id: `ink-${i + 1}` }));
  // Inks that were typed have the first screens, as they were typed; the others go by the order in which they are printed.
  const typed = inks.slice(0, given.length);
  const printed = lightFirst(inks);
  const screened = [...typed, ...printed.filter((ink) => !typed.includes(ink))];
  return {
    inks: printed.map((ink) => {
      const screen = screens.each[screened.indexOf(ink)];
      return { ...ink, ...(screen && { screen }) };
    }),
    ...{ open: [], regions: [], tones: screens.tones, ppi, trap, choke },
    base: oneOf('base', args.values.get('base') ?? 'auto', ['auto', 'none']),
  };
}

function readCount(args: Args): number {
  const count = readNumber('inks', required(args, 'inks'));
  if (!Number.isInteger(count) || count < 1 || count > 24)
    throw badArgument(`--inks is a whole number from 1 to ${MOST_PLATE_INKS}.`);
  if (count > MOST_PLATE_INKS)
    throw badArgument(
      `--inks: ${count} inks are ${count} screens; ${MOST_PLATE_INKS} are made at most. Take fewer.`,
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

/** How tones are printed, and the screens of the inks in the order in which they are asked for. */
interface ScreensAsked {
  tones: PlatePlan['tones'];
  each: readonly Screen[];
}

function readScreens(args: Args, ppi: number): ScreensAsked {
  if (oneOf('tones', args.values.get('tones') ?? 'flat', ['flat', 'halftone']) === 'flat')
    return { tones: 'flat', each: [] };
  if (oneOf('screen', args.values.get('screen') ?? 'dots', ['dots', 'none']) === 'none')
    return { tones: 'grey', each: [] };
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
  return { tones: 'halftone', each: [...angles, ...free].map((angle): Screen => ({ ruling, angle, dot })) };
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
