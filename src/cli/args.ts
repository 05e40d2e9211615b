import { parseArgs, type ParseArgsConfig } from 'node:util';
import { UpFitError } from '@/core/errors';
import { parseLength, parseSize } from '@/core/length/parse';

/** A command line taken apart: names and values, switches, and what stands alone. */
export interface Args {
  command: string;
  files: string[];
  values: Map<string, string>;
  /** Every value of an option that was given several times, in order. */
  all: Map<string, string[]>;
  switches: Set<string>;
}

/** What a command takes besides `--json`. */
export interface Takes {
  /** Options with a value after them. */
  options?: readonly string[];
  /** Options that stand alone. */
  switches?: readonly string[];
  /** Whether files are named without an option before them. */
  files?: boolean;
}

/** Takes `command FILE... --name value --switch` apart; throws `bad-argument` for what the command does not take. */
export function readArgs(argv: readonly string[], takes: Takes): Args {
  const [command = '', ...rest] = argv;
  const args: Args = { command, files: [], values: new Map(), all: new Map(), switches: new Set() };
  const switches = ['json', ...(takes.switches ?? [])];
  const options = Object.fromEntries([
    ...(takes.options ?? []).map((name) => [name, { type: 'string' as const }]),
    ...switches.map((name) => [name, { type: 'boolean' as const }]),
  ]) as NonNullable<ParseArgsConfig['options']>;
  // Not strict: that would refuse a value below zero (`--at -5mm,3mm`) as another option.
  const { tokens } = parseArgs({ args: rest, options, strict: false, allowPositionals: true, tokens: true });
  for (const token of tokens) {
    if (token.kind === 'positional') {
      if (!takes.files) throw badArgument(`“${token.value}” stands alone: no option before it takes it.`);
      args.files.push(token.value);
    }
    if (token.kind !== 'option') continue;
    const { name, rawName, value } = token;
    if (!(name in options)) throw badArgument(`There is no option ${rawName}.`);
    if (switches.includes(name)) {
      if (value !== undefined) throw badArgument(`--${name} stands alone, and takes no “${value}”.`);
      args.switches.add(name);
    } else if (value === undefined) throw badArgument(`--${name} wants a value after it.`);
    else {
      args.values.set(name, value);
      args.all.set(name, [...(args.all.get(name) ?? []), value]);
    }
  }
  return args;
}

export function badArgument(message: string): UpFitError {
  return new UpFitError('bad-argument', message);
}

export function required(args: Args, name: string): string {
  const value = args.values.get(name);
  if (value === undefined) throw badArgument(`${args.command} wants --${name}.`);
  return value;
}

/** One of a few words. */
export function oneOf<T extends string>(name: string, value: string, allowed: readonly T[]): T {
  const found = allowed.find((word) => word === value);
  if (found === undefined) throw badArgument(`--${name} is one of ${allowed.join(', ')}, not “${value}”.`);
  return found;
}

export function readNumber(name: string, value: string): number {
  const number = Number(value);
  if (value.trim() === '' || !Number.isFinite(number))
    throw badArgument(`--${name} wants a number, not “${value}”.`);
  return number;
}

/** `WxH` in any units, both above zero, in mm. */
export function readSize(name: string, value: string): { width: number; height: number } {
  const size = parseSize(value);
  if (!size.ok) throw badArgument(`--${name}: ${size.message}`);
  if (size.width <= 0 || size.height <= 0) throw badArgument(`--${name}: both lengths must be above zero.`);
  return size;
}

/** `X,Y`, two lengths with their units, in mm. A comma inside a number has digits on both sides of it. */
export function readPoint(name: string, value: string): { x: number; y: number } {
  const parts = value.split(/,(?!\d+\s*[a-z"'])|(?<=[a-z"'])\s*,/i);
  if (parts.length !== 2)
    throw badArgument(`--${name} wants two lengths with a comma between them: 60mm,30mm.`);
  const [x, y] = parts.map((text) => {
    const length = parseLength(text, { unit: 'mm' });
    if (!length.ok) throw badArgument(`--${name}: ${length.message}`);
    return length.mm;
  });
  return { x: x!, y: y! };
}
