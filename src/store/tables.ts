import * as v from 'valibot';
import { BLANKS, METHODS, SPECS } from '@/core/blank/library';
import { artworkIdsOf, DesignSchema, FitSchema } from '@/core/fit/schema';
import { fromFirstLayout, LayoutSchema } from '@/core/layout/schema';
import { StoredPackSchema } from '@/core/pack/record';
import { ListingSchema } from '@/core/listing/schema';
import { PriceListSchema } from '@/core/price/list';
import { OutletSchema } from '@/core/price/outlet';
import { ListSchema } from '@/core/rows/schema';
import { SheetSchema } from '@/core/sheet/schema';
import {
  StoredBlankSchema,
  StoredMethodSchema,
  StoredSpecSchema,
  UnderlaySchema,
  versionKey,
} from './blanks';
import { HeadSchema, StepSchema, StoredFontSchema, StoredPhotoSchema, StoredProfileSchema } from './kept';
import {
  ArtworkSchema,
  SettingsSchema,
  storedSummary,
  StoredDocketSchema,
  StoredDrawingSchema,
  StoredSummarySchema,
  SwatchSetSchema,
  underDigest,
  type StoredDocket,
} from './schema';

/** Files that are kept beside records, byte for byte, and the version of the store that they came with. */
export const FILES = {
  /** As they came in, by SHA-256. */
  originals: { since: 1 },
  /** Zips of packs, by the pack's id. */
  packZips: { since: 6 },
} as const;
export type FileTable = keyof typeof FILES;

/** What a record cannot be without. */
export interface Need {
  table: string;
  key: string;
}

interface TableOf<S extends v.GenericSchema> {
  /** How a record reads. Fields that it does not name are kept when the record is written again. */
  schema: S;
  /** The field, or fields, that a record is known by; null where there is one record only. */
  key: string | readonly string[] | null;
  /** The version of the store that it came with. */
  since: number;
  /** The version that its key is what it is now since, where it was another before: its records are put in anew. */
  keyed?: number;
  /** Where a store from before this table has what its records are made of. */
  from?: { table: string; make: (record: unknown) => unknown };
  /** What one is called in a sentence. */
  noun: string;
  /** What one is called by its owner, where it has a name. */
  name?: (record: v.InferOutput<S>) => string;
  /** Whether archives hold it, under which words, and which of its fields are files. */
  archive?: { words: string; files: readonly string[] };
  /** Records that it belongs to: it goes with the one of the same key. */
  owner?: string;
  /** What it cannot be without: that is not taken out while this is there. */
  needs?: { tables: readonly string[]; of: (record: v.InferOutput<S>) => Need[] };
  /** Each takes a record of one version, the first of version 1, to the next; a record's `upfit` says which it is of. */
  migrations?: readonly ((record: Record<string, unknown>) => Record<string, unknown>)[];
  /** Worked out from others: where it is lost or no longer reads, it is made again. */
  derived?: true;
}

const table = <S extends v.GenericSchema, const T extends Omit<TableOf<S>, 'schema'>>(
  one: { schema: S } & T,
): { schema: S } & T => one;

const shippedBlanks = new Set(BLANKS.map(versionKey));
const shippedSpecs = new Set(SPECS.map(({ id }) => id));
const shippedMethods = new Set(METHODS.map(({ id }) => id));

const artworks = (ids: Iterable<string>): Need[] => [...ids].map((key) => ({ table: 'artworks', key }));

/**
 * Every kind of record there is. The store's schema and its upgrade, reading it all, archives and what the screens show
 * follow from this table: a kind is one entry, a field that changes is one migration.
 */
export const TABLES = {
  artworks: table({
    schema: ArtworkSchema,
    key: 'id',
    since: 1,
    noun: 'artwork',
    name: ({ facts }) => facts.name,
    archive: { words: 'artworks', files: ['preview'] },
    needs: { tables: ['originals'], of: ({ facts }) => [{ table: 'originals', key: facts.sha256 }] },
  }),
  designs: table({
    schema: DesignSchema,
    key: 'id',
    since: 1,
    noun: 'design',
    name: ({ name }) => name,
    archive: { words: 'designs', files: [] },
    needs: { tables: ['artworks'], of: (design) => artworks(design.artworks.map((one) => one.artworkId)) },
  }),
  /** Lists that fill the slots of designs, one a design. */
  lists: table({
    schema: ListSchema,
    key: 'designId',
    since: 13,
    noun: 'list of rows',
    archive: { words: 'lists of rows', files: [] },
    owner: 'designs',
    needs: { tables: ['designs'], of: ({ designId }) => [{ table: 'designs', key: designId }] },
  }),
  fits: table({
    schema: FitSchema,
    key: 'id',
    since: 1,
    noun: 'fit',
    archive: { words: 'fits', files: [] },
    needs: {
      tables: ['artworks', 'designs', 'blanks'],
      of: (fit) => {
        const blank = versionKey({ id: fit.blankId, version: fit.blankVersion });
        return [
          { table: 'designs', key: fit.designId },
          ...artworks(artworkIdsOf(fit)),
          ...(shippedBlanks.has(blank) ? [] : [{ table: 'blanks', key: blank }]),
        ];
      },
    },
  }),
  /** How fits are listed where they are sold. */
  listings: table({
    schema: ListingSchema,
    key: 'fitId',
    since: 14,
    noun: 'listing',
    archive: { words: 'listings', files: [] },
    owner: 'fits',
    needs: { tables: ['fits'], of: ({ fitId }) => [{ table: 'fits', key: fitId }] },
  }),
  /** What houses ask. */
  prices: table({
    schema: PriceListSchema,
    key: 'id',
    since: 14,
    noun: 'price list',
    name: ({ name }) => name,
    archive: { words: 'price lists', files: [] },
  }),
  /** Places to sell that the seller wrote or changed. */
  outlets: table({
    schema: OutletSchema,
    key: 'id',
    since: 14,
    noun: 'place to sell',
    name: ({ name }) => name,
    archive: { words: 'places to sell', files: [] },
  }),
  dockets: table({
    schema: StoredDocketSchema,
    key: 'fitId',
    since: 1,
    noun: 'docket',
    owner: 'fits',
    needs: { tables: ['fits'], of: ({ fitId }) => [{ table: 'fits', key: fitId }] },
    derived: true,
    migrations: [underDigest],
  }),
  /** What is read of all dockets when the shop opens. */
  summaries: table({
    schema: StoredSummarySchema,
    key: 'fitId',
    since: 11,
    from: { table: 'dockets', make: (docket) => storedSummary(docket as StoredDocket) },
    noun: 'docket’s summary',
    owner: 'fits',
    needs: { tables: ['fits'], of: ({ fitId }) => [{ table: 'fits', key: fitId }] },
    derived: true,
  }),
  /** What the range shows of a fit; read when it comes into sight. */
  drawings: table({
    schema: StoredDrawingSchema,
    key: 'fitId',
    since: 12,
    noun: 'drawing',
    owner: 'fits',
    needs: { tables: ['fits'], of: ({ fitId }) => [{ table: 'fits', key: fitId }] },
    derived: true,
  }),
  settings: table({ schema: SettingsSchema, key: null, since: 1, noun: 'setting' }),
  /** Versions of the seller's own blanks, by `id@version`. */
  blanks: table({
    schema: StoredBlankSchema,
    key: 'key',
    since: 2,
    noun: 'blank',
    name: ({ blank }) => blank.name,
    archive: { words: 'own blanks', files: [] },
    needs: {
      tables: ['specs', 'methods'],
      of: ({ blank: { specId, methodId } }) => [
        ...(shippedSpecs.has(specId) ? [] : [{ table: 'specs', key: specId }]),
        ...(shippedMethods.has(methodId) ? [] : [{ table: 'methods', key: methodId }]),
      ],
    },
  }),
  specs: table({
    schema: StoredSpecSchema,
    key: 'id',
    since: 2,
    noun: 'house spec',
    name: ({ house }) => house,
    archive: { words: 'house specs', files: [] },
  }),
  /** Printing methods that the seller wrote or changed. */
  methods: table({
    schema: StoredMethodSchema,
    key: 'id',
    since: 9,
    noun: 'printing method',
    name: ({ name }) => name,
    archive: { words: 'printing methods', files: [] },
  }),
  /** Templates that lie under faces, by `blank/face`. */
  underlays: table({
    schema: UnderlaySchema,
    key: 'key',
    since: 2,
    noun: 'template',
    name: ({ name }) => name,
    archive: { words: 'templates', files: ['picture'] },
  }),
  swatches: table({
    schema: SwatchSetSchema,
    key: 'id',
    since: 3,
    noun: 'palette',
    name: ({ name }) => name,
    archive: { words: 'palettes', files: [] },
  }),
  /** Fonts that the seller brought. */
  faces: table({
    schema: StoredFontSchema,
    key: 'id',
    since: 4,
    noun: 'font',
    name: ({ fileName }) => fileName,
    archive: { words: 'fonts', files: ['file'] },
  }),
  /** What new fits on blanks may begin with. */
  layouts: table({
    schema: LayoutSchema,
    key: 'id',
    since: 4,
    // One a blank, by the blank's id, before.
    keyed: 10,
    noun: 'starting layout',
    name: ({ name }) => name,
    archive: { words: 'starting layouts', files: [] },
    migrations: [fromFirstLayout],
  }),
  /** A fit after each of its edits, by fit and number. */
  steps: table({ schema: StepSchema, key: ['fitId', 'number'], since: 4, noun: 'edit', owner: 'fits' }),
  /** Which of its steps a fit is at. */
  heads: table({ schema: HeadSchema, key: 'fitId', since: 4, noun: 'place in edits', owner: 'fits' }),
  /** Printing profiles that the seller brought. */
  profiles: table({
    schema: StoredProfileSchema,
    key: 'id',
    since: 5,
    noun: 'printing profile',
    name: ({ name }) => name,
    archive: { words: 'printing profiles', files: ['file'] },
  }),
  packs: table({
    schema: StoredPackSchema,
    key: 'id',
    since: 6,
    noun: 'pack',
    name: ({ manifest }) => manifest.name,
    needs: { tables: ['packZips'], of: ({ id }) => [{ table: 'packZips', key: id }] },
  }),
  sheets: table({
    schema: SheetSchema,
    key: 'id',
    since: 6,
    noun: 'sheet',
    name: ({ name }) => name,
    archive: { words: 'sheets', files: [] },
  }),
  /** Photos of blanks with their print surfaces marked. */
  photos: table({
    schema: StoredPhotoSchema,
    key: 'id',
    since: 7,
    noun: 'photo',
    name: ({ scene }) => scene.name,
    archive: { words: 'photos of blanks', files: ['file'] },
  }),
} as const;

export type TableName = keyof typeof TABLES;
export type RecordOf<T extends TableName> = v.InferOutput<(typeof TABLES)[T]['schema']>;

/** A record's key: of those with one record, the table's own name. */
export type Key = string | [string, number];

export const TABLE_NAMES = Object.keys(TABLES) as TableName[];
export const FILE_TABLES = Object.keys(FILES) as FileTable[];

/** Any table's entry, where which one it is does not matter. */
export function entryOf(name: TableName): TableOf<v.GenericSchema> {
  return TABLES[name] as unknown as TableOf<v.GenericSchema>;
}

export function isFileTable(name: string): name is FileTable {
  return name in FILES;
}

/** What a record is known by in its table. */
export function keyIn(name: TableName, record: unknown): Key {
  const { key } = entryOf(name);
  const fields = record as Record<string, unknown>;
  if (key === null) return name;
  if (typeof key === 'string') return fields[key] as string;
  return key.map((field) => fields[field]) as [string, number];
}

/** Tables whose records go with one of this table's, by its key. */
export function ownedBy(name: TableName): TableName[] {
  return TABLE_NAMES.filter((one) => entryOf(one).owner === name);
}

/** Tables whose records cannot be without one of this table's; those that it owns go with it. */
export function needing(name: TableName | FileTable): TableName[] {
  return TABLE_NAMES.filter((one) => {
    const { needs, owner } = entryOf(one);
    return owner !== name && needs?.tables.includes(name);
  });
}

/** A record as this version of Up Fit has it, or why it does not read, in words for its owner. */
export type Read<T extends TableName> =
  { ok: true; record: RecordOf<T> } | { ok: false; name: string | null; why: string };

/** Takes a stored record through its migrations and reads it. */
export function readRecord<T extends TableName>(table: T, stored: unknown): Read<T> {
  const { schema, migrations = [], noun } = entryOf(table);
  const first = versionOf(stored);
  const latest = migrations.length + 1;
  const name = nameIn(stored);
  if (first > latest)
    return { ok: false, name, why: `This ${noun} was kept by a newer Up Fit: open it there.` };
  let record: unknown;
  try {
    record = migrated(table, stored);
  } catch {
    return { ok: false, name, why: `This ${noun} of an older Up Fit could not be carried over.` };
  }
  const read = v.safeParse(schema, record);
  if (read.success) return { ok: true, record: read.output as RecordOf<T> };
  const where = v.getDotPath(read.issues[0]);
  return { ok: false, name, why: `In this ${noun}, ${where ?? 'the whole'} does not read.` };
}

/** A stored record taken through the migrations of its table, unread; throws what a migration throws. */
export function migrated(table: TableName, stored: unknown): unknown {
  const { migrations = [] } = entryOf(table);
  let record = stored;
  for (const migrate of migrations.slice(versionOf(stored) - 1))
    record = migrate(record as Record<string, unknown>);
  return record;
}

/** The version that a record says it is of: those that say nothing are of the first. */
function versionOf(stored: unknown): number {
  const { upfit } = (stored ?? {}) as { upfit?: unknown };
  return typeof upfit === 'string' ? Number(/\/(\d+)$/.exec(upfit)?.[1] ?? 1) : 1;
}

/** A name that a record carries, found without reading it. */
function nameIn(stored: unknown): string | null {
  const { name, id } = (stored ?? {}) as { name?: unknown; id?: unknown };
  const found = typeof name === 'string' ? name : id;
  return typeof found === 'string' ? found.slice(0, 80) : null;
}
