import { DesignSchema, FitSchema } from '@/core/fit/schema';
import { SheetSchema } from '@/core/sheet/schema';
import { StoredBlankSchema, StoredSpecSchema, UnderlaySchema } from './blanks';
import { database, together, SETTINGS_KEY, type Table } from './database';
import { LayoutSchema, StoredFontSchema, StoredPhotoSchema, StoredProfileSchema } from './kept';
import { ArtworkSchema, SwatchSetSchema, type Settings } from './schema';

/** What an archive holds of the store: how each table's records read, their key, and which of their fields are files. */
export const ARCHIVED = {
  artworks: { schema: ArtworkSchema, key: 'id', files: ['preview'] },
  designs: { schema: DesignSchema, key: 'id', files: [] },
  fits: { schema: FitSchema, key: 'id', files: [] },
  blanks: { schema: StoredBlankSchema, key: 'key', files: [] },
  specs: { schema: StoredSpecSchema, key: 'id', files: [] },
  underlays: { schema: UnderlaySchema, key: 'key', files: ['picture'] },
  swatches: { schema: SwatchSetSchema, key: 'id', files: [] },
  faces: { schema: StoredFontSchema, key: 'id', files: ['file'] },
  profiles: { schema: StoredProfileSchema, key: 'id', files: ['file'] },
  layouts: { schema: LayoutSchema, key: 'blankId', files: [] },
  photos: { schema: StoredPhotoSchema, key: 'id', files: ['file'] },
  sheets: { schema: SheetSchema, key: 'id', files: [] },
} as const satisfies Partial<Record<Table, unknown>>;
export type ArchivedTable = keyof typeof ARCHIVED;
export const ARCHIVED_TABLES = Object.keys(ARCHIVED) as ArchivedTable[];

export type StoredRecord = Record<string, unknown>;
export type Records = Record<ArchivedTable, StoredRecord[]>;

/** Everything that an archive holds, as it is stored. */
export async function readRecords(): Promise<Records> {
  const db = await database();
  const entries = ARCHIVED_TABLES.map(async (table) => [table, await db.getAll(table)] as const);
  return Object.fromEntries(await Promise.all(entries)) as unknown as Records;
}

/**
 * Writes records and artwork files, all of them or nothing. `replace` takes out everything that is there first. What is
 * reckoned from a fit goes with the one it was reckoned from.
 */
export async function writeRecords(
  records: Records,
  originals: ReadonlyMap<string, Blob>,
  { replace, settings }: { replace: boolean; settings: Settings | null },
): Promise<void> {
  const tables = [...ARCHIVED_TABLES, 'originals', 'dockets', 'steps', 'heads', 'settings'] as const;
  await together(tables, (change, also) => {
    if (replace) {
      for (const table of tables) if (table !== 'settings') also(change.objectStore(table).clear());
    }
    const files = change.objectStore('originals');
    // What is kept under a checksum is that file already: it is never written over.
    for (const [sha256, blob] of originals)
      also(files.getKey(sha256).then((kept) => kept ?? files.put(blob, sha256)));
    for (const table of ARCHIVED_TABLES)
      for (const record of records[table]) also(change.objectStore(table).put(record as never));
    for (const { id } of records.fits as { id: string }[]) {
      also(change.objectStore('steps').delete(IDBKeyRange.bound([id, 0], [id, Infinity])));
      also(change.objectStore('heads').delete(id));
    }
    if (settings) also(change.objectStore('settings').put(settings, SETTINGS_KEY));
  });
}
