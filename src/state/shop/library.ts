import { resolveAmong } from '@/core/blank/library';
import type { ResolvedBlank } from '@/core/blank/resolve';
import type { Blank, HouseSpec, Method } from '@/core/blank/schema';
import { asCut } from '@/core/cut/face';
import type { Fit } from '@/core/fit/schema';
import { versionKey } from '@/store/blanks';
import type { Settings } from '@/store/schema';

/** What the library is made of, as the shop holds it. */
export interface Shelves {
  versions: ReadonlyMap<string, Blank>;
  specs: ReadonlyMap<string, HouseSpec>;
  methods: ReadonlyMap<string, Method>;
}

/** What blanks are printed by, as the shop holds it. */
type Printed = Pick<Shelves, 'specs' | 'methods'>;

interface Resolved {
  spec: HouseSpec;
  method: Method | undefined;
  resolved: ResolvedBlank;
}

/** One resolved blank for each version, size and house, so that what is shown again is the same object again. */
const known = new WeakMap<Blank, Map<string, Resolved>>();

/** A version of a blank in the house chosen for it, at one of its sizes. */
export function resolveHere(
  blank: Blank,
  { specs, methods }: Printed,
  houses: Settings['houses'],
  sizeId: string | null = null,
): ResolvedBlank {
  const chosen = houses[blank.id];
  const specId = chosen !== undefined && specs.has(chosen) ? chosen : blank.specId;
  const spec = specs.get(specId);
  const method = methods.get(blank.methodId);
  const own = known.get(blank) ?? new Map<string, Resolved>();
  known.set(blank, own);
  const key = `${specId}/${sizeId ?? ''}`;
  const found = own.get(key);
  if (found && found.spec === spec && found.method === method) return found.resolved;
  const resolved = resolveAmong(
    { specs: specs.values(), methods: methods.values() },
    { ...blank, specId },
    sizeId,
  );
  own.set(key, { spec: resolved.spec, method, resolved });
  return resolved;
}

/** The newest version of every blank that was not taken out, resolved, with the shelves it comes from. */
export function library(
  shelves: Shelves,
  { removedBlanks, houses }: Settings,
): Shelves & { blanks: ReadonlyMap<string, ResolvedBlank> } {
  const newest = new Map<string, Blank>();
  for (const blank of shelves.versions.values()) {
    if (removedBlanks.includes(blank.id)) continue;
    const before = newest.get(blank.id);
    if (!before || before.version < blank.version) newest.set(blank.id, blank);
  }
  const blanks = new Map([...newest].map(([id, blank]) => [id, resolveHere(blank, shelves, houses)]));
  return { ...shelves, blanks };
}

/** The blank of a fit: the version it was made on, at its size; undefined where it is gone. */
export function blankOf(
  { blankId, blankVersion, sizeId, faces }: Fit,
  // Not taken apart: this is asked for every fit of the range at every change.
  shop: Shelves & { settings: Settings },
): ResolvedBlank | undefined {
  const blank = shop.versions.get(versionKey({ id: blankId, version: blankVersion }));
  return blank && asCut(resolveHere(blank, shop, shop.settings.houses, sizeId), { faces });
}
