import { dequal } from 'dequal';
import type { IDBPDatabase, IDBPTransaction } from 'idb';
import { UpFitError } from '@/core/errors';
import { database, LOOSE } from './database';
import {
  entryOf,
  isFileTable,
  keyIn,
  needing,
  ownedBy,
  readRecord,
  type FileTable,
  type Key,
  type Need,
  type RecordOf,
  type TableName,
} from './tables';

/** What an act reads and changes. What it reads is as it is on the disk at that moment; nobody else changes it meanwhile. */
export interface Store {
  /** A record; undefined where there is none, or it does not read. */
  get: <T extends TableName>(table: T, key: Key) => Promise<RecordOf<T> | undefined>;
  all: <T extends TableName>(table: T) => Promise<RecordOf<T>[]>;
  /** The numbers of a fit's steps that lie between two, both of them in. */
  steps: (fitId: string, from: number, to: number) => Promise<number[]>;
  /** Throws with a sentence where the record would not read again. */
  put: <T extends TableName>(table: T, record: RecordOf<T>) => void;
  /** Puts a record back as it was stored, whether it reads or not. */
  putBack: (table: TableName, stored: unknown) => void;
  /** Takes a record out, and what belongs to it. */
  remove: (table: TableName, key: Key) => void;
}

/** One record before and after an act. */
export interface Change {
  table: TableName;
  key: Key;
  before: unknown;
  after: unknown;
}

export interface Done<R> {
  result: R;
  changes: Change[];
}

/** What an act of another window stands in the way of. */
export class Conflict extends UpFitError {
  constructor(message: string) {
    super('not-found', message);
  }
}

type Transaction = IDBPTransaction<unknown, string[], 'readwrite'>;
type Wanted = Map<string, { table: TableName; key: Key; after: unknown }>;
/** A record as it is stored. */
type Reader = (table: TableName, key: Key) => Promise<unknown>;

/** Tables that an act on some of them has to look at: what they need, what belongs to them, what needs them. */
function scopeOf(touches: readonly TableName[]): string[] {
  const own = touches.flatMap((table) => [table, ...ownedBy(table)]);
  return [
    ...new Set(own.flatMap((table) => [table, ...(entryOf(table).needs?.tables ?? []), ...needing(table)])),
  ];
}

/**
 * Does an act on the store as one transaction: all of it, or nothing, and it is on the disk when the answer comes. The
 * act may decide by what it reads. Refused with a sentence where it would leave a record without what that needs. Only
 * the store may be waited for in it.
 */
export async function transact<R>(
  touches: readonly TableName[],
  act: (store: Store) => Promise<R> | R,
): Promise<Done<R>> {
  const db = await database();
  const tx = db.transaction(scopeOf(touches), 'readwrite', { durability: 'strict' });
  return whole(tx, async () => {
    const wanted: Wanted = new Map();
    const stored = readerIn(tx);
    const result = await act(storeIn(tx, wanted, stored));
    const changes = await write(tx, wanted, stored);
    await hold(tx, changes);
    return { result, changes };
  });
}

/** Does work within a transaction to its end on the disk; where anything of it fails, nothing of it stays. */
async function whole<R>(tx: Transaction, work: () => Promise<R>): Promise<R> {
  // Refused at its end too: it is waited for below, and must not count as unheard until then.
  tx.done.catch(() => undefined);
  try {
    const answer = await work();
    end(tx);
    await tx.done;
    return answer;
  } catch (error) {
    // Ended already where the disk itself refused.
    if (tx.error === null) abort(tx);
    await tx.done.catch(() => undefined);
    throw error;
  }
}

/** Ends it now, and not only once the page has heard of all that it asked for. */
function end(tx: Transaction): void {
  try {
    tx.commit();
  } catch {
    // It has ended by itself.
  }
}

function abort(tx: Transaction): void {
  try {
    tx.abort();
  } catch {
    // It has ended by itself.
  }
}

function idOf(table: string, key: Key): string {
  return `${table}\n${JSON.stringify(key)}`;
}

/** Reads each record once: nobody else changes one while the transaction lasts. */
function readerIn(tx: Transaction): Reader {
  const known = new Map<string, Promise<unknown>>();
  return (table, key) => {
    const id = idOf(table, key);
    const found = known.get(id) ?? tx.objectStore(table).get(key);
    known.set(id, found);
    return found;
  };
}

function storeIn(tx: Transaction, wanted: Wanted, storedAt: Reader): Store {
  const overlaid = <T extends TableName>(table: T, key: Key, stored: unknown): RecordOf<T> | undefined => {
    const own = wanted.get(idOf(table, key));
    if (own) return own.after as RecordOf<T> | undefined;
    if (stored === undefined) return undefined;
    const read = readRecord(table, stored);
    return read.ok ? read.record : undefined;
  };
  const want = (table: TableName, record: unknown) => {
    const key = keyIn(table, record);
    wanted.set(idOf(table, key), { table, key, after: record });
  };
  return {
    get: async (table, key) => overlaid(table, key, await storedAt(table, key)),
    all: async (table) => {
      const stored: unknown[] = await tx.objectStore(table).getAll();
      const known = new Set(stored.map((one) => idOf(table, keyIn(table, one))));
      const added = [...wanted].flatMap(([id, one]) =>
        one.table === table && !known.has(id) && one.after !== undefined ? [one.after as never] : [],
      );
      return [
        ...stored.flatMap((one) => overlaid(table, keyIn(table, one), one) ?? []),
        ...added,
      ] as RecordOf<typeof table>[];
    },
    steps: async (fitId, from, to) => {
      if (from > to) return [];
      const keys = await tx.objectStore('steps').getAllKeys(IDBKeyRange.bound([fitId, from], [fitId, to]));
      return (keys as [string, number][]).map(([, number]) => number);
    },
    put: (table, record) => {
      const read = readRecord(table, record);
      if (!read.ok) throw new UpFitError('bad-argument', `${read.why} Nothing was changed.`);
      want(table, record);
    },
    putBack: want,
    remove: (table, key) => {
      wanted.set(idOf(table, key), { table, key, after: undefined });
    },
  };
}

/** Writes what is wanted, and takes out what belongs to what was taken out. */
async function write(tx: Transaction, wanted: Wanted, storedAt: Reader): Promise<Change[]> {
  for (const { table, key, after } of [...wanted.values()])
    if (after === undefined)
      for (const owned of ownedBy(table))
        for (const own of await ownedKeys(tx, owned, key))
          wanted.set(idOf(owned, own), { table: owned, key: own, after: undefined });
  return Promise.all(
    [...wanted.values()].map(async ({ table, key, after }) => {
      const store = tx.objectStore(table);
      const before = await storedAt(table, key);
      const whole = () => ({ ...unknownFields(table, before), ...(after as object) });
      const written: Promise<unknown> =
        after === undefined
          ? store.delete(key)
          : entryOf(table).key === null
            ? store.put(whole(), table)
            : store.put(whole());
      // Where it is refused, the transaction ends with that.
      written.catch(() => undefined);
      return { table, key, before, after };
    }),
  );
}

/** Fields that another version of Up Fit wrote, which this one knows nothing of: they stay. */
function unknownFields(table: TableName, before: unknown): object {
  const { entries = {} } = entryOf(table).schema as { entries?: object };
  return Object.fromEntries(Object.entries(before ?? {}).filter(([field]) => !(field in entries)));
}

/** Keys of the records of a table that belong to one of another: a fit's steps are known by the fit and a number. */
async function ownedKeys(tx: Transaction, owned: TableName, key: Key): Promise<Key[]> {
  const range = Array.isArray(entryOf(owned).key) ? IDBKeyRange.bound([key, 0], [key, Infinity]) : key;
  return (await tx.objectStore(owned).getAllKeys(range)) as Key[];
}

/** Holds every record to what it needs; what it lacked before the act is not the act's fault. */
async function hold(tx: Transaction, changes: readonly Change[]): Promise<void> {
  for (const { table, before, after } of changes) {
    if (after === undefined) continue;
    const lacked = new Set(needsOf(table, before).map(({ table: other, key }) => idOf(other, key)));
    for (const need of needsOf(table, after)) {
      if (before !== undefined && lacked.has(idOf(need.table, need.key)) && !removes(changes, need)) continue;
      if ((await tx.objectStore(need.table).getKey(need.key)) === undefined)
        throw new Conflict(
          `${whatOf(table, after)} needs ${aOf(need)} that was taken out. Nothing was changed.`,
        );
    }
  }
  const gone = changes.filter(({ after }) => after === undefined);
  const missing = new Set(gone.map(({ table, key }) => idOf(table, key)));
  for (const other of new Set(gone.flatMap(({ table }) => needing(table)))) {
    const stored: unknown[] = await tx.objectStore(other).getAll();
    const user = stored.find((one) =>
      rawNeeds(other, one).some((need) => missing.has(idOf(need.table, need.key))),
    );
    if (user) throw new Conflict(`${whatOf(other, user)} still needs what was to go. Nothing was changed.`);
  }
}

function removes(changes: readonly Change[], need: Need): boolean {
  return changes.some(
    ({ table, key, after }) => after === undefined && table === need.table && key === need.key,
  );
}

function needsOf(table: TableName, stored: unknown): Need[] {
  const { needs } = entryOf(table);
  if (!needs || stored === undefined) return [];
  const read = readRecord(table, stored);
  return read.ok ? needs.of(read.record) : [];
}

/**
 * The same of a record as it is stored: reading thousands of them would take seconds, and one that a newer Up Fit wrote
 * keeps what it needs too.
 */
function rawNeeds(table: TableName, stored: unknown): Need[] {
  try {
    return entryOf(table).needs?.of(stored) ?? [];
  } catch {
    return [];
  }
}

function whatOf(table: TableName, record: unknown): string {
  const { noun, name } = entryOf(table);
  const read = readRecord(table, record);
  return name && read.ok ? `The ${noun} “${name(read.record)}”` : `A ${noun}`;
}

function aOf({ table }: Need): string {
  if (isFileTable(table)) return 'a file';
  const { noun } = entryOf(table as TableName);
  return `${/^[aeiou]/.test(noun) ? 'an' : 'a'} ${noun}`;
}

/**
 * Takes an act back, field by field: what else was changed since stays. Refused with a sentence where a record that it
 * made or took out, or a field that it set, is another by now.
 */
export function revert(changes: readonly Change[]): Promise<Done<void>> {
  // A transaction is never over no tables.
  if (changes.length === 0) return Promise.resolve({ result: undefined, changes: [] });
  const touches = [...new Set(changes.map(({ table }) => table))];
  return transact(touches, async (store) => {
    for (const { table, key, before, after } of changes) {
      const now = await store.get(table, key);
      if (entryOf(table).derived) {
        // It is made again where it no longer holds, so nothing stands in its way.
        if (now === undefined && before !== undefined) store.putBack(table, before);
      } else if (before === undefined) {
        if (now !== undefined && !alike(now, after)) throw changedSince(table, after);
        store.remove(table, key);
      } else if (after === undefined) {
        if (now !== undefined) throw changedSince(table, before);
        store.putBack(table, before);
      } else {
        if (now === undefined) throw changedSince(table, before);
        store.putBack(table, fieldsBack(table, before, after, now));
      }
    }
  });
}

type Fields = Record<string, unknown>;

function fieldsBack(table: TableName, before: unknown, after: unknown, now: unknown): Fields {
  const [was, set] = [readFields(table, before), readFields(table, after)];
  const back: Fields = { ...(now as Fields) };
  for (const field of new Set([...Object.keys(was), ...Object.keys(set)])) {
    if (alike(was[field], set[field])) continue;
    if (!alike(back[field], set[field])) throw changedSince(table, after);
    back[field] = was[field];
  }
  return back;
}

/** A record as it reads today, or as it is where it does not. */
function readFields(table: TableName, record: unknown): Fields {
  const read = readRecord(table, record);
  return (read.ok ? read.record : record) as Fields;
}

/** Whether two values say the same; files are told apart by their size and kind. */
function alike(one: unknown, other: unknown): boolean {
  if (one instanceof Blob && other instanceof Blob) return one.size === other.size && one.type === other.type;
  return dequal(one, other);
}

function changedSince(table: TableName, record: unknown): Conflict {
  return new Conflict(`${whatOf(table, record)} was changed since, so this cannot be undone any more.`);
}

/** Keeps a file; what is kept under a key is that file already and is never written over. */
export async function keepFile(table: FileTable, key: string, file: Blob): Promise<void> {
  const db = await database();
  const tx = db.transaction([table, LOOSE], 'readwrite', { durability: 'strict' });
  await whole(tx, async () => {
    const files = tx.objectStore(table);
    if ((await files.getKey(key)) === undefined) await files.put(file, key);
    // Whoever keeps it is about to refer to it: its day begins anew.
    await tx.objectStore(LOOSE).put(Date.now(), [table, key]);
  });
}

/** A file by its key; undefined where it is gone. */
export async function readFile(table: FileTable, key: string): Promise<Blob | undefined> {
  return (await (await database()).get(table, key)) as Blob | undefined;
}

const DAY = 24 * 60 * 60 * 1000;

/** Clears files that nothing has referred to for a day; gives back how many. */
export async function clearLoose(now = Date.now()): Promise<number> {
  const db: IDBPDatabase = await database();
  let cleared = 0;
  for (const table of ['originals', 'packZips'] satisfies FileTable[]) {
    const users = needing(table);
    const tx = db.transaction([table, LOOSE, ...users], 'readwrite');
    const [keys, ...stored] = await Promise.all([
      tx.objectStore(table).getAllKeys(),
      ...users.map((user) => tx.objectStore(user).getAll() as Promise<unknown[]>),
    ]);
    const used = new Set(
      stored.flatMap((records, i) => records.flatMap((record) => keysNeeded(users[i]!, record, table))),
    );
    const loose = tx.objectStore(LOOSE);
    for (const key of keys as string[]) {
      const since = (await loose.get([table, key])) as number | undefined;
      if (used.has(key)) {
        if (since !== undefined) await loose.delete([table, key]);
      } else if (since === undefined) await loose.put(now, [table, key]);
      else if (now - since >= DAY) {
        await tx.objectStore(table).delete(key);
        await loose.delete([table, key]);
        cleared++;
      }
    }
    await tx.done;
  }
  return cleared;
}

/** The files that a record needs; one that does not read keeps what its raw fields name. */
function keysNeeded(user: TableName, record: unknown, table: FileTable): string[] {
  const read = readRecord(user, record);
  if (read.ok) return needsOf(user, record).flatMap((need) => (need.table === table ? [need.key] : []));
  return JSON.stringify(record).match(/[0-9a-f-]{32,64}/g) ?? [];
}
