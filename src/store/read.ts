import { database } from './database';
import { readFile } from './commit';
import { sharer } from './shared';
import { entryOf, keyIn, readRecord, TABLE_NAMES, type Key, type RecordOf, type TableName } from './tables';

/** A record that does not read: it stays stored as it is, and nothing else is kept from opening by it. */
export interface Aside {
  table: TableName;
  key: Key;
  /** What it says it is called. */
  name: string | null;
  /** Why it was set aside, in a sentence. */
  why: string;
  stored: unknown;
}

export type Stored = { [T in Exclude<TableName, (typeof LATER)[number]>]: RecordOf<T>[] };

/** Kinds that are read when they are wanted: edits, dockets and drawings of every fit would be much at once. */
const LATER = ['steps', 'heads', 'dockets', 'drawings'] as const satisfies readonly TableName[];

/** All that the shop holds, and what of it does not read. */
export async function readAll(): Promise<{ stored: Stored; aside: Aside[] }> {
  const db = await database();
  const tables = TABLE_NAMES.filter((table) => !(LATER as readonly TableName[]).includes(table));
  const tx = db.transaction(tables);
  const aside: Aside[] = [];
  const share = sharer();
  const entries = tables.map(async (table) => {
    const all: unknown[] = await tx.objectStore(table).getAll();
    const read = all.flatMap((stored) => {
      const one = readRecord(table, stored);
      if (one.ok) return [share(one.record)];
      // What is worked out from others is made again.
      if (!entryOf(table).derived)
        aside.push({ table, key: keyIn(table, stored), name: one.name, why: one.why, stored });
      return [];
    });
    return [table, read] as const;
  });
  return { stored: Object.fromEntries(await Promise.all(entries)) as unknown as Stored, aside };
}

/** Records as they are on the disk now, by their tables and keys; undefined where one is gone or does not read. */
export async function readBack(
  wanted: readonly { table: TableName; key: Key }[],
): Promise<{ table: TableName; key: Key; after: unknown }[]> {
  if (wanted.length === 0) return [];
  const db = await database();
  const tx = db.transaction([...new Set(wanted.map(({ table }) => table))]);
  return Promise.all(
    wanted.map(async ({ table, key }) => {
      const stored: unknown = await tx.objectStore(table).get(key);
      const read = stored === undefined ? null : readRecord(table, stored);
      return { table, key, after: read?.ok ? read.record : undefined };
    }),
  );
}

/** One record as it is on the disk; undefined where it is gone or does not read. */
export async function readOne<T extends TableName>(table: T, key: Key): Promise<RecordOf<T> | undefined> {
  const [one] = await readBack([{ table, key }]);
  return one?.after as RecordOf<T> | undefined;
}

/** The file as it came in, by its hash; throws where it is gone. */
export async function readOriginal(sha256: string): Promise<Blob> {
  const file = await readFile('originals', sha256);
  if (!file) throw new Error('The artwork’s file is no longer in this browser: bring it in again.');
  return file;
}

export async function readPackZip(packId: string): Promise<Blob> {
  const zip = await readFile('packZips', packId);
  if (!zip) throw new Error('The pack’s zip is no longer in this browser: make the pack again.');
  return zip;
}
