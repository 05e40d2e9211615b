import { openDB, type IDBPDatabase, type IDBPTransaction } from 'idb';
import { UpFitError } from '@/core/errors';
import { entryOf, FILE_TABLES, FILES, migrated, readRecord, TABLE_NAMES, type TableName } from './tables';

const NAME = 'up-fit';
/** Raised with each new table (`since`); a field that changes is a migration of its record instead. */
export const VERSION = 14;
/** When what nothing refers to any more was first seen: it goes a day later. */
export const LOOSE = 'loose';

/**
 * What can become of the store while a page is open. `waiting`: an older Up Fit in another window holds it. `left`: a
 * newer one took it over. `lost`: the browser closed it.
 */
type Standing = 'open' | 'waiting' | 'left' | 'lost';

type Listener = (standing: Standing) => void;
const listeners = new Set<Listener>();

/** Hears of what becomes of the store; gives back what ends that. */
export function onStanding(listener: Listener): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

function tell(state: Standing): void {
  for (const listener of listeners) listener(state);
}

const finishing = new Set<() => Promise<unknown>>();

/** Has work finished before the store is left to a newer Up Fit; gives back what ends that. */
export function beforeLeaving(work: () => Promise<unknown>): () => void {
  finishing.add(work);
  return () => finishing.delete(work);
}

/** How long what is being saved has before a newer Up Fit gets the store, in ms: it may hang. */
const PATIENCE = 2_000;

async function leave(db: IDBDatabase): Promise<void> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const patience = new Promise((resolve) => (timer = setTimeout(resolve, PATIENCE)));
  await Promise.race([Promise.allSettled([...finishing].map((work) => work())), patience]);
  clearTimeout(timer);
  left = true;
  db.close();
  tell('left');
}

let opened: Promise<IDBPDatabase> | undefined;
let left = false;

/**
 * The store, opened once. It waits while an older Up Fit holds it, and lets go at once where a newer one asks for it;
 * whatever else ends it, the next who asks opens it again.
 */
export function database(): Promise<IDBPDatabase> {
  if (left)
    return Promise.reject(
      new UpFitError('unsupported', 'A newer Up Fit is open in another window: reload this one.'),
    );
  opened ??= open().catch((error: unknown) => {
    opened = undefined;
    const newer = error instanceof DOMException && error.name === 'VersionError';
    throw newer
      ? new UpFitError('unsupported', 'This shop was opened by a newer Up Fit: reload this window.')
      : error;
  });
  return opened;
}

async function open(): Promise<IDBPDatabase> {
  const db = await openDB(NAME, VERSION, {
    upgrade: (db, before, _version, tx) => {
      for (const name of TABLE_NAMES) {
        // What cannot be carried over leaves the store as it was, to be opened by the Up Fit it is of.
        bring(db, tx, name, before)?.catch(() => {
          tx.abort();
        });
      }
      for (const name of FILE_TABLES) if (before < FILES[name].since) db.createObjectStore(name);
      if (before < 8) db.createObjectStore(LOOSE);
    },
    blocked: () => {
      tell('waiting');
    },
    blocking: (_current, _wanted, event) => {
      void leave(event.target as IDBDatabase);
    },
    terminated: () => {
      opened = undefined;
      tell('lost');
    },
  });
  tell('open');
  return db;
}

function create(db: IDBPDatabase, name: TableName): void {
  const { key } = entryOf(name);
  db.createObjectStore(name, key === null ? undefined : { keyPath: key as string | string[] });
}

/** Brings a table from the version that the store is of to what it is now. */
function bring(db: IDBPDatabase, tx: Upgrade, name: TableName, before: number): Promise<void> | undefined {
  const { since, keyed, from } = entryOf(name);
  if (before < since) {
    create(db, name);
    return from && db.objectStoreNames.contains(from.table) ? fillFrom(tx, name, from) : undefined;
  }
  return keyed !== undefined && before < keyed && db.objectStoreNames.contains(name)
    ? putAnew(db, tx, name)
    : undefined;
}

type Upgrade = IDBPTransaction<unknown, string[], 'versionchange'>;

/** A table whose key is another one now: its records are put in again under that. */
async function putAnew(db: IDBPDatabase, tx: Upgrade, name: TableName): Promise<void> {
  const records: unknown[] = await tx.objectStore(name).getAll();
  db.deleteObjectStore(name);
  create(db, name);
  for (const record of records) await tx.objectStore(name).put(migrated(name, record));
}

/** A table whose records are made of those of another: of each that reads. */
async function fillFrom(
  tx: Upgrade,
  name: TableName,
  { table, make }: NonNullable<ReturnType<typeof entryOf>['from']>,
): Promise<void> {
  for await (const { value } of tx.objectStore(table)) {
    const read = readRecord(table as TableName, value);
    if (read.ok) await tx.objectStore(name).put(make(read.record));
  }
}
