import { addressesIn, type Rule } from './css';

/** Elements that a drawing may come to once every reference in it is drawn out. */
const MOST_DRAWN = 200_000;
/** Selectors tried against elements, and layers drawn apart and laid over one another, at most: what renderers pay for. */
const MOST_MATCHES = 20_000_000;
const MOST_LAYERS = 2_000;
const ROOT = '';

/** What makes a renderer draw what is inside on a layer of its own. */
const LAYERED = /^(filter|mask|clip-path)$/;

type Values = Readonly<Record<string, string>>;

/**
 * Counts what a drawing comes to once each of its references is drawn in place, those of its style sheets and markers
 * among them: a few lines that refer to one another can ask for billions of shapes.
 */
export class Expansion {
  private readonly open: { id: string; depth: number }[] = [{ id: ROOT, depth: -1 }];
  private readonly own = new Map<string, number>();
  private readonly uses = new Map<string, { id: string; times: number }[]>();
  /** Elements by the names that selectors call them by. */
  private readonly named = new Map<string, number>();
  private rules: readonly Rule[] = [];
  private elements = 0;
  private layers = 0;

  enter(tag: string, attributes: Values, depth: number): void {
    this.elements++;
    const id = attributes['id'];
    if (id) this.open.push({ id, depth });
    for (const name of [
      tag,
      ...(attributes['class'] ?? '').split(/\s+/).map((one) => `.${one}`),
      `#${id ?? ''}`,
    ])
      this.named.set(name, (this.named.get(name) ?? 0) + 1);
    const points = pointsOf(attributes);
    const references = Object.entries(attributes).flatMap(([key, value]) => {
      if (LAYERED.test(key) || (key === 'style' && /(filter|mask|clip-path|blend)/.test(value)))
        this.layers++;
      if (/^(xlink:)?href$/.test(key)) return [{ id: value.trim().replace(/^#/, ''), times: 1 }];
      const marks = key.startsWith('marker') || (key === 'style' && value.includes('marker'));
      return idsIn(value).map((to) => ({ id: to, times: marks ? points : 1 }));
    });
    for (const { id: inside } of this.open) {
      this.own.set(inside, (this.own.get(inside) ?? 0) + 1);
      if (references.length > 0) this.use(inside, references);
    }
  }

  leave(depth: number): void {
    if (this.open.at(-1)!.depth === depth) this.open.pop();
  }

  /** Takes a style sheet's rules into account: each is drawn for every element that it may be for. */
  style(rules: readonly Rule[]): void {
    this.rules = [...this.rules, ...rules];
  }

  /** False where it would be more than any drawing needs. A reference to itself is drawn by nobody and counts once. */
  isBounded(): boolean {
    if (this.rules.length * this.elements > MOST_MATCHES) return false;
    for (const { selector, body } of this.rules) {
      const ids = idsIn(body);
      if (ids.length === 0) continue;
      const times = this.meant(selector);
      this.use(
        ROOT,
        ids.map((id) => ({ id, times })),
      );
      this.layers += times;
    }
    if (this.layers > MOST_LAYERS) return false;
    const known = new Map<string, number>();
    const count = (id: string): number => {
      const before = known.get(id);
      if (before !== undefined) return before;
      known.set(id, 0);
      const inner = (this.uses.get(id) ?? []).reduce((sum, other) => sum + other.times * count(other.id), 0);
      const all = Math.min(MOST_DRAWN * 2, (this.own.get(id) ?? 0) + inner);
      known.set(id, all);
      return all;
    };
    return count(ROOT) <= MOST_DRAWN;
  }

  private use(inside: string, references: readonly { id: string; times: number }[]): void {
    const uses = this.uses.get(inside);
    if (uses) for (const one of references) uses.push(one);
    else this.uses.set(inside, [...references]);
  }

  /** How many elements a selector may be for, by the last names in it; all of them where it names none. */
  private meant(selector: string): number {
    return selector
      .split(',')
      .map((one) => {
        const names = one
          .trim()
          .split(/[\s>+~]+/)
          .at(-1)!
          .match(/[.#]?[\w-]+/g);
        return names ? Math.min(...names.map((name) => this.named.get(name) ?? 0)) : this.elements;
      })
      .reduce((sum, each) => sum + each, 0);
  }
}

function idsIn(value: string): string[] {
  return (addressesIn(value) ?? []).flatMap((address) => (address.startsWith('#') ? [address.slice(1)] : []));
}

/** How many corners an element may have a marker at. */
function pointsOf({ d, points }: Values): number {
  const numbers = (d ?? points ?? '').match(/\d+\.?\d*/g)?.length ?? 0;
  return Math.max(2, Math.ceil(numbers / 2));
}
