import { inOneOrder } from '@/core/key-order';
import * as v from 'valibot';
import { UpFitError } from '@/core/errors';
import { safeName } from '@/core/pack/names';
import { artworkIdOf, type Design, type Fit } from '@/core/fit/schema';
import type { ZipFile } from '@/files/zip';
import {
  ARCHIVED_TABLES,
  filesIn,
  readRecords,
  type ArchivedTable,
  type Records,
  type StoredRecord,
} from '@/store/archive';
import { keepFile, type Store } from '@/store/commit';
import { readOriginal } from '@/store/read';
import { SettingsSchema, type Artwork, type Settings } from '@/store/schema';
import { entryOf, keyIn, readRecord } from '@/store/tables';
import { isStopped, type JobOptions } from '@/workers/client';
import { makeZip, readZip } from '@/workers/zip-client';
import { saveAs } from '../handover/download';
import { commit, patiently } from './commit';
import { useShop } from './shop';
import { isResolvable, METHODS, SPECS } from '@/core/blank/library';
import type { HouseSpec, Method } from '@/core/blank/schema';
import { FileRecordSchema } from '@/core/pack/manifest';
import type { StoredBlank } from '@/store/blanks';

const INDEX = 'upfit.json';

/** Writes everything, or one design with all it needs, to one zip and hands it out. False where it was stopped. */
export async function saveArchive(designId: string | null, options: JobOptions): Promise<boolean> {
  try {
    const all = await readRecords();
    const records = designId === null ? all : onlyDesign(all, designId);
    const files: ZipFile[] = [];
    for (const { facts } of records.artworks as unknown as Artwork[]) {
      const path = originalPath(facts.sha256, facts.name);
      if (!files.some((one) => one.path === path))
        files.push({ path, data: await readOriginal(facts.sha256) });
    }
    const written = Object.fromEntries(
      ARCHIVED_TABLES.map((table) => [
        table,
        records[table].map((record) => withoutFiles(table, record, files)),
      ]),
    );
    const { settings } = useShop.getState();
    const head = {
      upfit: 'archive/1',
      made: new Date().toISOString(),
      settings: designId === null ? settings : null,
      ...written,
    };
    const { zip } = await makeZip(files, { path: INDEX, head }, options);
    const only = records.designs[0]?.['name'];
    const name = designId === null ? settings.shopName : typeof only === 'string' ? only : 'design';
    saveAs(zip, `${safeName(name)}-up-fit.zip`);
    return true;
  } catch (error) {
    if (isStopped(error)) return false;
    throw error;
  }
}

/** What an archive would change of one kind of thing. */
export interface Change {
  table: ArchivedTable;
  added: number;
  changed: number;
  same: number;
}

/** An archive that was read and found whole; nothing of it is in the shop yet. */
export interface OpenedArchive {
  name: string;
  records: Records;
  originals: Map<string, Blob>;
  settings: Settings | null;
  changes: Change[];
}

/** Reads an archive and holds every file to its checksum. Throws with a sentence where anything in it is wrong. */
export async function openArchive(file: File, options: JobOptions): Promise<OpenedArchive> {
  const { index, files } = await readZip(file.name, file, INDEX, options);
  const head = v.safeParse(Head, JSON.parse(index));
  if (!head.success)
    throw wrong(file.name, 'is no archive of this version of Up Fit: open it where it was made');
  const records = {} as Records;
  for (const table of ARCHIVED_TABLES) {
    records[table] = (head.output[table] ?? []).map((record) => {
      const read = readRecord(table, withFiles(file.name, table, record, files));
      if (!read.ok) throw wrong(file.name, `cannot be read: ${read.why}`);
      return read.record;
    });
  }
  const digests = new Map(head.output.files.map(({ path, sha256 }) => [path, sha256]));
  const originals = new Map<string, Blob>();
  for (const { facts } of records.artworks as unknown as Artwork[]) {
    const path = originalPath(facts.sha256, facts.name);
    const original = files.get(path);
    if (!original) throw wrong(file.name, `lacks the file of “${facts.name}”`);
    if (digests.get(path) !== facts.sha256) throw wrong(file.name, `holds another file as “${facts.name}”`);
    originals.set(facts.sha256, original);
  }
  const here = await readRecords();
  const specs = [
    ...SPECS,
    ...(here.specs as unknown as HouseSpec[]),
    ...(records.specs as unknown as HouseSpec[]),
  ];
  const methods = [
    ...METHODS,
    ...(here.methods as unknown as Method[]),
    ...(records.methods as unknown as Method[]),
  ];
  for (const { blank } of records.blanks as unknown as StoredBlank[])
    if (!isResolvable({ specs, methods }, blank))
      throw wrong(file.name, `holds “${blank.name}” without the house spec or the method that it names`);
  const changes = ARCHIVED_TABLES.map((table) => compare(table, here[table], records[table]));
  const settings = v.safeParse(SettingsSchema, head.output.settings);
  return {
    name: file.name,
    records,
    originals,
    settings: settings.success ? settings.output : null,
    changes,
  };
}

/**
 * Brings an archive in: what is new and what differs, or in the place of everything. All of it, or nothing; gives back
 * what undoes it.
 */
export async function takeArchive(
  { records, originals, settings }: OpenedArchive,
  replace: boolean,
): Promise<() => Promise<void>> {
  for (const [sha256, file] of originals) await patiently(() => keepFile('originals', sha256, file));
  const { undo } = await commit([...ARCHIVED_TABLES, 'heads', 'settings'], async (store) => {
    for (const table of ARCHIVED_TABLES) {
      const known = new Map<string, string>();
      for (const one of (await store.all(table)) as StoredRecord[]) {
        known.set(keyOf(table, one), said(table, one));
        if (replace) store.remove(table, keyIn(table, one));
      }
      for (const record of records[table]) {
        if (!replace && known.get(keyOf(table, record)) === said(table, record)) continue;
        store.put(table, record as never);
        if (table === 'fits') await forgetEdits(store, record['id'] as string);
      }
    }
    if (replace && settings) store.put('settings', settings);
  });
  return undo;
}

/** The edits that led to what was here lead nowhere once another fit is in its place. */
async function forgetEdits(store: Store, fitId: string): Promise<void> {
  for (const number of await store.steps(fitId, 0, Number.MAX_SAFE_INTEGER))
    store.remove('steps', [fitId, number]);
  store.remove('heads', fitId);
}

/** What a table's records are called. */
export function wordsOf(table: ArchivedTable): string {
  return entryOf(table).archive?.words ?? table;
}

/** So many of a table's records, in words. */
export function counted(table: ArchivedTable, count: number): string {
  return `${count} ${count === 1 ? entryOf(table).noun : wordsOf(table)}`;
}

/** How many records there are now that replacing the shop would take out, by table. */
export async function countHere(): Promise<{ table: ArchivedTable; count: number }[]> {
  const here = await readRecords();
  return ARCHIVED_TABLES.map((table) => ({ table, count: here[table].length }));
}

const AnyRecord = v.record(v.string(), v.unknown());
const Head = v.looseObject({
  upfit: v.literal('archive/1'),
  settings: v.unknown(),
  files: v.array(FileRecordSchema),
  ...(Object.fromEntries(ARCHIVED_TABLES.map((table) => [table, v.optional(v.array(AnyRecord))])) as Record<
    ArchivedTable,
    v.OptionalSchema<v.ArraySchema<typeof AnyRecord, undefined>, undefined>
  >),
});

function wrong(name: string, how: string): UpFitError {
  return new UpFitError('unreadable', `“${name}” ${how}. Nothing was taken from it.`);
}

function keyOf(table: ArchivedTable, record: StoredRecord): string {
  return String(keyIn(table, record));
}

/** Where an artwork's own file lies in an archive. */
function originalPath(sha256: string, name: string): string {
  const ending = /\.([a-z0-9]{1,5})$/i.exec(name)?.[1]?.toLowerCase() ?? 'bin';
  return `artwork/${sha256}.${ending}`;
}

function filePath(table: ArchivedTable, record: StoredRecord, field: string): string {
  return `${table}/${encodeURIComponent(keyOf(table, record))}.${field}`;
}

/** A record with its files beside it, under their paths. */
function withoutFiles(table: ArchivedTable, record: StoredRecord, files: ZipFile[]): StoredRecord {
  const written = { ...record };
  for (const field of filesIn(table)) {
    const path = filePath(table, record, field);
    const blob = record[field] as Blob;
    files.push({ path, data: blob });
    written[field] = { path, type: blob.type };
  }
  return written;
}

function withFiles(
  name: string,
  table: ArchivedTable,
  record: StoredRecord,
  files: ReadonlyMap<string, Blob>,
): StoredRecord {
  const read = { ...record };
  for (const field of filesIn(table)) {
    const file = files.get(filePath(table, record, field));
    if (!file) throw wrong(name, `lacks a file of its ${table}`);
    const type = (record[field] as { type?: unknown } | undefined)?.type;
    read[field] = file.slice(0, file.size, typeof type === 'string' ? type : '');
  }
  return read;
}

/** What a record says, its files left out: they are known by what made them. */
function said(table: ArchivedTable, record: StoredRecord): string {
  const fields = Object.entries(record).filter(([field]) => !filesIn(table).includes(field));
  return inOneOrder(Object.fromEntries(fields));
}

function saidBy(table: ArchivedTable, records: readonly StoredRecord[]): Map<string, string> {
  return new Map(
    records.map((record) => {
      // Read as it would be today, so that a record of an earlier version says the same.
      const read = readRecord(table, record);
      const now = read.ok ? (read.record as StoredRecord) : record;
      return [keyOf(table, now), said(table, now)];
    }),
  );
}

function compare(
  table: ArchivedTable,
  here: readonly StoredRecord[],
  there: readonly StoredRecord[],
): Change {
  const known = saidBy(table, here);
  let [added, changed, same] = [0, 0, 0];
  for (const record of there) {
    const own = known.get(keyOf(table, record));
    if (own === undefined) added++;
    else if (own === said(table, record)) same++;
    else changed++;
  }
  return { table, added, changed, same };
}

/** One design, its fits, and what they are made of. */
function onlyDesign(all: Records, designId: string): Records {
  const designs = all.designs.filter(({ id }) => id === designId);
  const fits = all.fits.filter((fit) => fit['designId'] === designId) as unknown as Fit[];
  const pieces = fits.flatMap(({ faces }) => faces.flatMap((face) => face.pieces));
  const artworkIds = new Set([
    ...(designs as unknown as Design[]).flatMap(({ artworks }) => artworks.map(({ artworkId }) => artworkId)),
    ...pieces.map(artworkIdOf),
  ]);
  const blankIds = new Set(fits.map(({ blankId }) => blankId));
  const faceIds = new Set(pieces.map((piece) => (piece.kind === 'text' ? piece.lettering.faceId : null)));
  const { versions, settings } = useShop.getState();
  const specIds = new Set(
    [...versions.values()]
      .filter(({ id }) => blankIds.has(id))
      // Both: the blank names its own, whichever house was chosen for it.
      .flatMap(({ id, specId }) => [specId, settings.houses[id] ?? specId]),
  );
  const own = all.blanks.filter(({ blank }) => blankIds.has((blank as { id: string }).id));
  const methodIds = new Set(own.map(({ blank }) => (blank as { methodId: string }).methodId));
  return {
    artworks: all.artworks.filter(({ id }) => artworkIds.has(id as string)),
    designs,
    lists: all.lists.filter((list) => list['designId'] === designId),
    fits: fits,
    listings: all.listings.filter(({ fitId }) => fits.some(({ id }) => id === fitId)),
    prices: [],
    outlets: [],
    blanks: own,
    methods: all.methods.filter(({ id }) => methodIds.has(id as string)),
    specs: all.specs.filter(({ id }) => specIds.has(id as string)),
    underlays: all.underlays.filter(({ blankId }) => blankIds.has(blankId as string)),
    swatches: [],
    faces: all.faces.filter(({ id }) => faceIds.has(id as string)),
    profiles: [],
    layouts: [],
    photos: [],
    sheets: [],
  };
}
