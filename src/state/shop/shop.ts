import { create } from 'zustand';
import { BLANKS, isResolvable, METHODS, SPECS } from '@/core/blank/library';
import type { ResolvedBlank } from '@/core/blank/resolve';
import type { Blank, HouseSpec, Method } from '@/core/blank/schema';
import { artworkIdsOf, type Design, type Fit } from '@/core/fit/schema';
import { blankOf, library } from './library';
import { versionKey } from '@/store/blanks';
import { readAll, type Aside } from '@/store/read';
import { FIRST_SETTINGS, type Artwork, type Settings } from '@/store/schema';
import { keyIn, type Key, type RecordOf, type TableName } from '@/store/tables';

/** Tables whose records the screens show as they are stored, each by its key. */
const SHOWN = [
  'artworks',
  'designs',
  'fits',
  'lists',
  'listings',
  'prices',
  'outlets',
  'summaries',
  'swatches',
  'faces',
  'profiles',
  'packs',
  'sheets',
  'layouts',
  'photos',
  'underlays',
] as const satisfies readonly TableName[];
type Shown = (typeof SHOWN)[number];

/** Everything the seller has, as the screens share it: what is on the disk, and nothing before it is there. */
export interface Shop extends Readonly<{ [T in Shown]: ReadonlyMap<string, RecordOf<T>> }> {
  /**
   * `opening` until the store has been read; `waiting` while an older Up Fit in another window holds it; `left` once a
   * newer one has taken it over.
   */
  phase: 'opening' | 'waiting' | 'open' | 'closed' | 'left';
  /** Why the shop could not be opened, in one sentence. */
  trouble: string | null;
  /** The library: the newest version of each blank, in the house chosen for it. */
  blanks: ReadonlyMap<string, ResolvedBlank>;
  /** Every version of every blank, by `id@version`. */
  versions: ReadonlyMap<string, Blank>;
  specs: ReadonlyMap<string, HouseSpec>;
  methods: ReadonlyMap<string, Method>;
  settings: Settings;
  /** What is stored and does not read. */
  aside: readonly Aside[];
  /** The fit on the bench, which is measured there. */
  onBench: string | null;
}

/** What Up Fit comes with, by its id. What the seller changes of it stands in its place. */
const SHIPPED = {
  versions: new Map(BLANKS.map((blank) => [versionKey(blank), blank])),
  specs: new Map(SPECS.map((spec) => [spec.id, spec])),
  methods: new Map(METHODS.map((method) => [method.id, method])),
};

const NOTHING = Object.fromEntries(SHOWN.map((table) => [table, new Map()])) as unknown as Pick<Shop, Shown>;

export const useShop = create<Shop>(() => ({
  phase: 'opening',
  trouble: null,
  ...library(SHIPPED, FIRST_SETTINGS),
  ...NOTHING,
  settings: FIRST_SETTINGS,
  aside: [],
  onBench: null,
}));

/** Reads the store and shows what it holds. */
export async function openShop(): Promise<void> {
  const { stored, aside } = await readAll();
  const specs = new Map(SHIPPED.specs);
  for (const spec of stored.specs) specs.set(spec.id, spec);
  const methods = new Map(SHIPPED.methods);
  for (const method of stored.methods) methods.set(method.id, method);
  const versions = new Map(SHIPPED.versions);
  const lost: Aside[] = [];
  for (const { key, blank } of stored.blanks) {
    if (isResolvable({ specs: specs.values(), methods: methods.values() }, blank)) versions.set(key, blank);
    else lost.push({ table: 'blanks', key, name: blank.name, why: LOST_SPEC, stored: { key, blank } });
  }
  const [settings = FIRST_SETTINGS] = stored.settings;
  const maps = SHOWN.map((table) => [
    table,
    new Map(stored[table].map((record) => [keyIn(table, record), record])),
  ]);
  useShop.setState({
    phase: 'open',
    trouble: null,
    ...(Object.fromEntries(maps) as Pick<Shop, Shown>),
    ...library({ versions, specs, methods }, settings),
    settings,
    aside: [...aside, ...lost],
  });
}

const LOST_SPEC = 'This blank names a house spec or a method that is not here.';

/** A record as it is now: gone where there is no `after`. */
export interface ShownChange {
  table: TableName;
  key: Key;
  before?: unknown;
  after?: unknown;
}

/** Tables that what a blank is depends on. */
const PRINTED: readonly TableName[] = ['blanks', 'specs', 'methods'];

/** Shows records as they are on the disk now. */
export function show(changes: readonly ShownChange[]): void {
  useShop.setState((shop) => {
    const next: Partial<Record<Shown, Map<string, unknown>>> = {};
    const versions = new Map(shop.versions);
    const specs = new Map(shop.specs);
    const methods = new Map(shop.methods);
    let { settings } = shop;
    for (const { table, key, after } of changes) {
      if (isShown(table)) place((next[table] ??= new Map<string, unknown>(shop[table])), key, after);
      else if (table === 'blanks') place(versions, key, (after as RecordOf<'blanks'> | undefined)?.blank);
      else if (table === 'specs') place(specs, key, after ?? SHIPPED.specs.get(key as string));
      else if (table === 'methods') place(methods, key, after ?? SHIPPED.methods.get(key as string));
      else if (table === 'settings') settings = (after as Settings | undefined) ?? FIRST_SETTINGS;
    }
    const regroups =
      changes.some(({ table }) => PRINTED.includes(table)) ||
      settings.removedBlanks !== shop.settings.removedBlanks ||
      settings.houses !== shop.settings.houses;
    return {
      ...(next as Partial<Shop>),
      settings,
      ...(regroups && library({ versions, specs, methods }, settings)),
    };
  });
}

/** A record as the screens have it. */
export function shownAs({ table, key }: Pick<ShownChange, 'table' | 'key'>): unknown {
  return isShown(table) ? useShop.getState()[table].get(key as string) : undefined;
}

function isShown(table: TableName): table is Shown {
  return (SHOWN as readonly TableName[]).includes(table);
}

function place<T>(map: Map<string, T>, key: Key, record: unknown): void {
  if (record === undefined) map.delete(key as string);
  else map.set(key as string, record as T);
}

/** What a fit refers to and that is not here. */
export function lostIn(fit: Fit, shop: Shop): { blank: boolean; design: boolean; artworkIds: string[] } {
  return {
    blank: blankOf(fit, shop) === undefined,
    design: !shop.designs.has(fit.designId),
    artworkIds: artworkIdsOf(fit).filter((id) => !shop.artworks.has(id)),
  };
}

/** The blank, design and artworks that a fit refers to; `null` where one is gone. */
export function contextOf(
  fit: Fit,
  shop: Shop,
): { blank: ResolvedBlank; design: Design; artworks: Artwork[] } | null {
  const { designs, artworks } = shop;
  const blank = blankOf(fit, shop);
  const design = designs.get(fit.designId);
  if (!blank || !design) return null;
  const shown = artworkIdsOf(fit).map((id) => artworks.get(id));
  return shown.every((artwork) => artwork !== undefined) ? { blank, design, artworks: shown } : null;
}
