import * as v from 'valibot';
import { kindOf } from '../blank/kinds';
import type { ResolvedBlank } from '../blank/resolve';
import { rank, RULE_IDS, type Verdict } from '../check/finding';
import type { Summary } from '../check/summary';
import type { Design, Fit } from '../fit/schema';
import { textsOf, wordsOf } from './words';

/** What of the range is shown, in which order, and under which heads. */
export const ViewSchema = v.object({
  standing: v.picklist(['all', 'needs work', 'ready']),
  /** Only designs that this stands against somewhere. */
  rule: v.nullable(v.picklist(RULE_IDS)),
  /** Only designs that are on a product of this colour somewhere, by its name. */
  colour: v.nullable(v.string()),
  /** Only designs that something was measured of within so many days. */
  days: v.nullable(v.pipe(v.number(), v.minValue(0))),
  /** Only blanks that are printed by this method, or this house. */
  methodId: v.nullable(v.string()),
  specId: v.nullable(v.string()),
  /** Only designs of which a fit is sold at a loss, or earns little, or of which what it earns is unknown. */
  money: v.optional(v.nullable(v.picklist(['loss', 'little', 'unknown'])), null),
  sort: v.picklist(['own', 'name', 'wrong', 'occasion', 'measured', 'costs', 'earns']),
  rows: v.picklist(['none', 'occasion', 'standing']),
  columns: v.picklist(['none', 'kind', 'house', 'method']),
});
export type View = v.InferOutput<typeof ViewSchema>;

/** Everything, in the shop's own order. */
export const WHOLE: View = {
  standing: 'all',
  rule: null,
  colour: null,
  days: null,
  methodId: null,
  specId: null,
  money: null,
  sort: 'own',
  rows: 'none',
  columns: 'none',
};

/** A fit as far as a view asks of it; without a summary while it is not measured. */
export interface SeenFit {
  fit: Fit;
  verdict: Verdict | undefined;
  summary: (Summary & { measuredAt: number }) | undefined;
  blank: ResolvedBlank;
}

/** What one piece of a fit costs, and what share of its price it earns; null where that is unknown. */
export interface SeenMoney {
  cost: number | null;
  margin: number | null;
}

/** Asked of a fit only where a view goes by it. */
export type MoneyOf = (fit: Fit) => SeenMoney;

/** Under this share of what is asked a fit earns little. */
export const LITTLE = 0.25;

/** Whether a view goes by what things cost or earn. */
export function goesByMoney({ money, sort }: View): boolean {
  return money !== null || sort === 'costs' || sort === 'earns';
}

const UNKNOWN: SeenMoney = { cost: null, margin: null };

/** A design with its fits on the blanks that are shown. */
export interface SeenDesign {
  design: Design;
  fits: readonly SeenFit[];
}

/** The blanks that a view shows, those of one head together. */
export function columnsIn(view: View, blanks: readonly ResolvedBlank[]): ResolvedBlank[] {
  const shown = blanks.filter(
    ({ method, spec }) =>
      (view.methodId === null || method.id === view.methodId) &&
      (view.specId === null || spec.id === view.specId),
  );
  return together(shown, (blank) => columnHead(view, blank));
}

/** What a blank's column is under; empty where there are no heads. */
export function columnHead(
  { columns }: Pick<View, 'columns'>,
  { blank, spec, method }: ResolvedBlank,
): string {
  switch (columns) {
    case 'none':
      return '';
    case 'kind':
      return kindOf(blank.body).name;
    case 'house':
      return spec.house;
    case 'method':
      return method.name;
  }
}

/** The designs that a view shows, in its order. `now` in ms since 1970. */
export function rowsIn(
  view: View,
  designs: readonly SeenDesign[],
  search: string,
  { now = Date.now(), moneyOf = () => UNKNOWN }: { now?: number; moneyOf?: MoneyOf } = {},
): SeenDesign[] {
  const wanted = search.trim().toLocaleLowerCase();
  const shown = designs.filter(
    (seen) => isFound(seen, wanted) && isStanding(seen, view.standing) && hasFit(seen, view, now, moneyOf),
  );
  return together(inOrder(view, shown, moneyOf), (seen) => rowHead(view, seen));
}

/** What a design's row is under; empty where there are no heads. */
export function rowHead({ rows }: Pick<View, 'rows'>, seen: SeenDesign): string {
  switch (rows) {
    case 'none':
      return '';
    case 'occasion':
      return seen.design.idea?.occasion.name.trim() || 'for no occasion';
    case 'standing':
      return STANDINGS[worstOf(seen)] ?? '';
  }
}

const STANDINGS = ['nothing measured', 'all Ready', 'with a Look', 'with a Fix'];

/** 0 where nothing is fitted, then by the worst of its fits. */
function worstOf({ fits }: SeenDesign): number {
  return Math.max(0, ...fits.map(({ verdict }) => (verdict ? rank(verdict) + 1 : 0)));
}

/** Things of one head after one another, heads in the order in which they are come upon. */
function together<T>(things: readonly T[], headOf: (thing: T) => string): T[] {
  const groups = new Map<string, T[]>();
  for (const thing of things) {
    const head = headOf(thing);
    const own = groups.get(head);
    if (own) own.push(thing);
    else groups.set(head, [thing]);
  }
  return [...groups.values()].flat();
}

/** By its name, what it is for, and the words that stand on its fits. */
function isFound(seen: SeenDesign, wanted: string): boolean {
  if (wanted === '') return true;
  let said = sayings.get(seen);
  if (said === undefined) {
    const { name, idea } = seen.design;
    const words = seen.fits.flatMap(({ fit }) => textsOf(fit).map(wordsOf));
    said = [name, idea?.occasion.name, idea?.words, ...words].join('\n').toLocaleLowerCase();
    sayings.set(seen, said);
  }
  return said.includes(wanted);
}

/** What each design is found by: asked for at every letter that is typed. */
const sayings = new WeakMap<SeenDesign, string>();

function isStanding({ fits }: SeenDesign, standing: View['standing']): boolean {
  if (standing === 'all') return true;
  const isReady = fits.length > 0 && fits.every(({ verdict }) => verdict === 'ready');
  return isReady === (standing === 'ready');
}

const DAY = 86_400_000;

/** Whether one of its fits is all that a view asks of it. */
function hasFit({ fits }: SeenDesign, view: View, now: number, moneyOf: MoneyOf): boolean {
  const { rule, colour, days, money } = view;
  if (rule === null && colour === null && days === null && money === null) return true;
  return fits.some(
    ({ fit, summary, blank: { blank } }) =>
      (rule === null || summary?.findings.some((finding) => finding.rule === rule)) &&
      (colour === null || blank.colours.find(({ id }) => id === fit.colourId)?.name === colour) &&
      (days === null || (summary !== undefined && now - summary.measuredAt <= days * DAY)) &&
      (money === null || isEarning(moneyOf(fit), money)),
  );
}

function isEarning({ margin }: SeenMoney, money: NonNullable<View['money']>): boolean {
  switch (money) {
    case 'loss':
      return margin !== null && margin < 0;
    case 'little':
      return margin !== null && margin < LITTLE;
    case 'unknown':
      return margin === null;
  }
}

function inOrder({ sort, rule }: View, designs: readonly SeenDesign[], moneyOf: MoneyOf): SeenDesign[] {
  const by = (value: (seen: SeenDesign) => number) => {
    const values = new Map(designs.map((seen) => [seen, value(seen)]));
    return [...designs].sort((a, b) => values.get(a)! - values.get(b)!);
  };
  switch (sort) {
    case 'own':
      return [...designs];
    case 'name':
      return [...designs].sort((a, b) => a.design.name.localeCompare(b.design.name));
    case 'wrong':
      return by((seen) => -wrongness(seen, rule));
    case 'occasion':
      return by(({ design: { idea } }) => (idea?.occasion.day ? Date.parse(idea.occasion.day) : Infinity));
    case 'costs':
      return by(({ fits }) => -Math.max(-Infinity, ...fits.map(({ fit }) => moneyOf(fit).cost ?? -Infinity)));
    case 'earns':
      return by(({ fits }) => Math.min(Infinity, ...fits.map(({ fit }) => moneyOf(fit).margin ?? Infinity)));
    case 'measured':
      return by(({ fits }) => -Math.max(0, ...fits.map(({ summary }) => summary?.measuredAt ?? 0)));
  }
}

/** How much stands against a design: of one rule by how far it is off, else every Fix and then every Look. */
function wrongness({ fits }: SeenDesign, rule: View['rule']): number {
  const findings = fits.flatMap(({ summary }) => summary?.findings ?? []);
  if (rule !== null)
    return Math.max(0, ...findings.map((finding) => (finding.rule === rule ? 1 + finding.off : 0)));
  return findings.reduce((sum, { verdict }) => sum + (verdict === 'fix' ? 1000 : 1), 0);
}
