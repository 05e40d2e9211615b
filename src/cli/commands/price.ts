import { readFile } from 'node:fs/promises';
import { extname } from 'node:path';
import * as v from 'valibot';
import { UpFitError } from '@/core/errors';
import { linesFor, unclear } from '@/core/price/choose';
import { costOf, type Cost } from '@/core/price/cost';
import { sayShare } from '@/core/price/earn';
import { MoneySchema, type Price } from '@/core/price/list';
import { PRICE_COLUMNS, readPrices } from '@/core/price/table';
import { readTable } from '@/files/table';
import { badArgument, readNumber, required, type Args } from '../args';
import type { Answer } from '../answer';

export const PRICE_OPTIONS = [
  ...['prices', 'blank', 'house', 'size', 'method', 'colour'],
  ...['sides', 'inks', 'quantity', 'asking', 'fee'],
] as const;

/** `price`: what one piece costs and earns by a list of prices; what the list does not say is unknown, and never nothing. */
export async function price(args: Args): Promise<Answer> {
  const prices = await readList(required(args, 'prices'));
  const own = chosen(prices, args);
  const quantity = whole(args, 'quantity', 1, 1);
  const inks = args.values.has('inks') ? whole(args, 'inks', 0, 0) : null;
  const sides = whole(args, 'sides', 1, 1);
  const cost = costOf(own, { quantity, inks, sides, asking: money(args, 'asking'), fee: share(args) });
  return { json: cost, text: sayCost(cost, quantity), status: 0 };
}

async function readList(path: string): Promise<Price[]> {
  const bytes = await readFile(path).catch(() => {
    throw new UpFitError('not-found', `The file ${path} is not there, or cannot be read.`);
  });
  const table = extname(path).toLowerCase() === '.json' ? tableOf(bytes) : readTable(bytes);
  const { prices, troubles } = readPrices(table);
  if (troubles.length > 0) {
    const more = troubles.length > 5 ? ` And ${troubles.length - 5} more.` : '';
    const told = troubles.slice(0, 5).map(({ message }) => message);
    throw new UpFitError('unreadable', `${told.join(' ')}${more}`);
  }
  return prices;
}

/** The rows of a JSON list of objects, as a table. */
function tableOf(bytes: Uint8Array): string[][] {
  const rows = v.safeParse(
    v.array(v.record(v.string(), v.nullable(v.union([v.string(), v.number()])))),
    asJson(bytes),
  );
  if (!rows.success)
    throw new UpFitError(
      'unreadable',
      'The price list is no list of objects: write [{"blank": …, "price": …}].',
    );
  return [
    [...PRICE_COLUMNS],
    ...rows.output.map((row) => PRICE_COLUMNS.map((column) => String(row[column] ?? ''))),
  ];
}

function asJson(bytes: Uint8Array): unknown {
  try {
    return JSON.parse(new TextDecoder().decode(bytes));
  } catch {
    return null;
  }
}

/** The lines that are for what is asked: of one house, one method and one size, or of every size. */
function chosen(prices: readonly Price[], args: Args): readonly Price[] {
  const id = required(args, 'blank');
  const named = (name: string) => {
    const wanted = args.values.get(name);
    return wanted === undefined ? {} : { [name]: [wanted] };
  };
  const own = linesFor(prices, { blank: [id], ...named('house'), ...named('method'), ...named('size') });
  if (own.length === 0) {
    const asked = [id, ...['house', 'method', 'size'].flatMap((name) => args.values.get(name) ?? [])];
    throw new UpFitError('not-found', `The list has no price for ${asked.join(', ')}.`);
  }
  const several = unclear(own);
  if (several)
    throw badArgument(
      `The list prices ${id} for ${several.names.join(', ')}: say which with --${several.by}.`,
    );
  return own;
}

function whole(args: Args, name: string, usual: number, least: number): number {
  const text = args.values.get(name);
  if (text === undefined) return usual;
  const number = readNumber(name, text);
  if (!Number.isInteger(number) || number < least || number > 1_000_000)
    throw badArgument(`--${name} wants a whole number from ${least}, not “${text}”.`);
  return number;
}

function money(args: Args, name: string): string | null {
  const text = args.values.get(name);
  if (text !== undefined && !v.is(MoneySchema, text))
    throw badArgument(`--${name} wants a sum as 14.50, not “${text}”.`);
  return text ?? null;
}

/** `8%` or `0.08`, as a share. */
function share(args: Args): string | null {
  const text = args.values.get('fee');
  if (text === undefined) return null;
  const [, percent] = /^(\d+(?:\.\d+)?)\s*%$/.exec(text.trim()) ?? [];
  const part = percent === undefined ? Number(text) : Number(percent) / 100;
  if (!(part >= 0 && part <= 1) || text.trim() === '')
    throw badArgument(`--fee wants a share of the price as 8%, not “${text}”.`);
  return percent === undefined ? text.trim() : shift(percent);
}

/** A decimal divided by a hundred, digit by digit: 8 is 0.08, and never 0.080000000000000002. */
function shift(percent: string): string {
  const [before = '', after = ''] = percent.split('.');
  const digits = before.padStart(3, '0');
  return `${digits.slice(0, -2)}.${digits.slice(-2)}${after}`;
}

function sayCost(
  { currency, unit, setup, postage, cost, profit, margin, unknown }: Cost,
  quantity: number,
): string {
  const say = (sum: string | null) => sum ?? 'unknown';
  const lines = [
    `${quantity} at ${say(unit)}, set-up ${say(setup)}, postage ${say(postage)}: ${say(cost)} ${currency} a piece`,
    ...(profit !== null && margin !== null ? [`profit ${profit} ${currency} (${sayShare(margin)})`] : []),
    ...(unknown.length > 0 ? [`Unknown: ${unknown.join(', ')}. Ask the house.`] : []),
  ];
  return lines.join('\n');
}
