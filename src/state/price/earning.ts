import type { ResolvedBlank } from '@/core/blank/resolve';
import { givenColours } from '@/core/fit/colours';
import { isShowing, type Fit } from '@/core/fit/schema';
import type { MoneyOf } from '@/core/many/view';
import { linesFor, unclear } from '@/core/price/choose';
import type { Needs } from '@/core/price/cost';
import { earningOf, marginOf, type Earning } from '@/core/price/earn';
import type { Price } from '@/core/price/list';
import type { Outlet } from '@/core/price/outlet';
import { contextOf, type Shop } from '../shop/shop';
import { outletIn } from './outlets';
import { pricesOf } from './prices';

/** What a fit costs and earns, and what that was reckoned from. */
export interface FitEarning {
  earning: Earning;
  needs: Needs;
  /** The lines that are for it; empty where no list prices it. */
  lines: readonly Price[];
  outlet: Outlet;
  asking: string | null;
  /** What the lines differ by though one thing was asked for. */
  unclear: ReturnType<typeof unclear>;
  /** Whether each ink of its method wants a screen, or its house asks for one. */
  screens: boolean;
}

/** What is asked otherwise than the shop's settings and the fit say. */
export interface Otherwise {
  quantity?: number;
  inks?: number;
  outlet?: Outlet;
  asking?: string | null;
  house?: string;
}

/** What a fit costs and earns; null where it is not whole. */
export function earningOfFit(fit: Fit, shop: Shop, otherwise: Otherwise = {}): FitEarning | null {
  const context = contextOf(fit, shop);
  return context ? earningOn(fit, context.blank, shop, otherwise) : null;
}

/** The same of many fits: what they have in common is looked up and reckoned once. */
export function earningsIn(shop: Shop): (fit: Fit) => FitEarning | null {
  const priced = new Map<string, Priced>();
  const reckoned = new Map<string, Earning>();
  return (fit) => {
    const context = contextOf(fit, shop);
    if (!context) return null;
    const key = boughtAs(fit, context.blank);
    const lines = priced.get(key) ?? pricedOn(fit, context.blank, shop);
    priced.set(key, lines);
    return earningOn(fit, context.blank, shop, {}, lines, reckoned);
  };
}

/** What prices are looked up by: fits that are alike in it have the same lines. */
function boughtAs({ blankId, blankVersion, sizeId }: Fit, { spec }: ResolvedBlank): string {
  return JSON.stringify([blankId, blankVersion, sizeId, spec.id]);
}

/** What a list says of a blank in a size. */
interface Priced {
  lines: readonly Price[];
  several: ReturnType<typeof unclear>;
  screens: boolean;
}

function pricedOn(fit: Fit, blank: ResolvedBlank, shop: Shop, house = blank.spec.house): Priced {
  const size = blank.blank.sizes.find(({ id }) => id === fit.sizeId);
  const names = [blank.blank.id, blank.blank.name];
  const lines = linesFor(pricesOf(shop, names), {
    blank: names,
    house: [house],
    method: [blank.method.id, blank.method.name],
    ...(size && { size: [size.id, size.name] }),
  });
  return {
    lines,
    // What a list prices by something that the fit does not say is no price of it.
    several: unclear(lines),
    screens: blank.method.limits.inks !== null || lines.some(({ setup }) => Number(setup ?? 0) > 0),
  };
}

function earningOn(
  fit: Fit,
  blank: ResolvedBlank,
  shop: Shop,
  otherwise: Otherwise,
  priced = pricedOn(fit, blank, shop, otherwise.house),
  reckoned = new Map<string, Earning>(),
): FitEarning {
  const { lines, several, screens } = priced;
  const outlet = otherwise.outlet ?? outletIn(shop);
  const needs: Needs = {
    quantity: otherwise.quantity ?? shop.settings.quantity,
    inks: otherwise.inks ?? (screens ? inksOf(fit, shop) : 0),
    sides: Math.max(1, fit.faces.filter(({ pieces }) => pieces.some(({ visible }) => visible)).length),
  };
  const asking =
    otherwise.asking === undefined ? (shop.listings.get(fit.id)?.asking ?? null) : otherwise.asking;
  const key = `${boughtAs(fit, blank)} ${JSON.stringify([needs, asking])}`;
  const earning =
    reckoned.get(key) ??
    earningOf(several ? [] : lines, needs, outlet, { asking, rates: shop.settings.rates });
  reckoned.set(key, earning);
  return { earning, needs, lines, outlet, asking, unclear: several, screens };
}

/** What the house of a blank asks for one, with its breaks, in words; null where no list has it. */
export function sayPrices(blank: ResolvedBlank, shop: Pick<Shop, 'prices'>): string | null {
  const names = [blank.blank.id, blank.blank.name];
  const lines = linesFor(pricesOf(shop, names), { blank: names, house: [blank.spec.house] })
    .filter(({ size }) => size === '')
    .sort((a, b) => a.from - b.from);
  const [first, ...breaks] = lines;
  if (!first) return null;
  const sum = ({ price }: Price) => price ?? 'unknown';
  const from = first.from > 1 ? ` from ${first.from}` : '';
  return [
    `${sum(first)} ${first.currency}${from}`,
    ...breaks.map((line) => `${sum(line)} from ${line.from}`),
  ].join(', ');
}

/** How many inks a fit's side with most of them is made from; null where a photograph is on it. */
export function inksOf(fit: Fit, { artworks }: Pick<Shop, 'artworks'>): number | null {
  const sides = fit.faces.map(({ pieces }) => {
    const inks = new Set<string>();
    for (const piece of pieces.filter(({ visible }) => visible)) {
      for (const colour of givenColours(piece)) inks.add(colour);
      if (!isShowing(piece)) continue;
      const facts = artworks.get(piece.artworkId)?.facts;
      if (!facts || facts.inks === null) return null;
      for (const { hex } of facts.palette.slice(0, facts.inks)) inks.add(hex);
    }
    return inks.size;
  });
  return sides.some((count) => count === null) ? null : Math.max(0, ...(sides as number[]));
}

/** What a fit costs and what share of its price it earns, as the range is sorted by. */
export function moneyIn(shop: Shop): MoneyOf {
  const earningIn = earningsIn(shop);
  return (fit) => {
    const earning = earningIn(fit)?.earning;
    const margin = earning ? marginOf(earning) : null;
    return {
      cost: earning?.cost ? Number(earning.cost) : null,
      margin: margin === null ? null : Number(margin),
    };
  };
}
