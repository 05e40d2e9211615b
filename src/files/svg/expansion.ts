/** Elements that a drawing may come to once every reference in it is drawn out. */
const MOST_DRAWN = 200_000;
const ROOT = '';

/**
 * Counts what a drawing comes to once each of its references is drawn in place: a few lines that refer to one another
 * can ask for billions of shapes.
 */
export class Expansion {
  private readonly open: { id: string; depth: number }[] = [{ id: ROOT, depth: -1 }];
  private readonly own = new Map<string, number>();
  private readonly uses = new Map<string, string[]>();

  enter(attributes: Readonly<Record<string, string>>, depth: number): void {
    const id = attributes['id'];
    if (id) this.open.push({ id, depth });
    const values = Object.entries(attributes);
    const references = values.flatMap(([key, value]) =>
      /^(xlink:)?href$/.test(key)
        ? [value.trim().replace(/^#/, '')]
        : [...value.matchAll(/url\(\s*['"]?#([^'")]+)/g)].map(([, to]) => to!),
    );
    for (const { id: inside } of this.open) {
      this.own.set(inside, (this.own.get(inside) ?? 0) + 1);
      if (references.length === 0) continue;
      const uses = this.uses.get(inside);
      if (uses) uses.push(...references);
      else this.uses.set(inside, [...references]);
    }
  }

  leave(depth: number): void {
    if (this.open.at(-1)!.depth === depth) this.open.pop();
  }

  /** False where it would be more than any drawing needs. A reference to itself is drawn by nobody and counts once. */
  isBounded(): boolean {
    const known = new Map<string, number>();
    const count = (id: string): number => {
      const before = known.get(id);
      if (before !== undefined) return before;
      known.set(id, 0);
      const inner = (this.uses.get(id) ?? []).reduce((sum, other) => sum + count(other), 0);
      const all = Math.min(MOST_DRAWN * 2, (this.own.get(id) ?? 0) + inner);
      known.set(id, all);
      return all;
    };
    return count(ROOT) <= MOST_DRAWN;
  }
}
