import { dequal } from 'dequal';
import * as v from 'valibot';
import { houseEntries, houseTroubles, newHouse } from '@/core/blank/entries/house';
import { METHOD_ENTRIES, newMethod } from '@/core/blank/entries/method';
import type { Entry } from '@/core/blank/entries/entry';
import { METHODS, SPECS } from '@/core/blank/library';
import { HouseSpecSchema, MethodSchema, type HouseSpec, type Method, type Source } from '@/core/blank/schema';
import type { ResolvedBlank } from '@/core/blank/resolve';
import { UpFitError } from '@/core/errors';
import type { UnitSetting } from '@/core/length/show';
import { freeIdAmong, safeName } from '@/core/pack/names';
import { saveAs } from '../handover/download';
import { commit } from './commit';
import { blankOf } from './library';
import { changeSettings, keep, takeOut } from './records';
import { useShop, type Shop } from './shop';

/** What blanks are printed by: who prints, and how. Both are written, kept and changed alike. */
export type Written = 'specs' | 'methods';
type WrittenRecord<T extends Written> = T extends 'specs' ? HouseSpec : Method;

/** What is known of a house or a method, in the order of its form. */
export function entriesOf<T extends Written>(
  table: T,
  methods: Iterable<Method>,
): readonly Entry<WrittenRecord<T>>[] {
  const entries = table === 'specs' ? houseEntries([...methods]) : METHOD_ENTRIES;
  return entries as unknown as readonly Entry<WrittenRecord<T>>[];
}

/** Whether Up Fit came with it: such a record is changed, and never taken out. */
export function isShippedRecord(table: Written, id: string): boolean {
  return (table === 'specs' ? SPECS : METHODS).some((one) => one.id === id);
}

/** What its owner calls a house or a method. */
export function titleOf(record: HouseSpec | Method): string {
  if (record.upfit === 'method/1') return record.name;
  return record.about ? `${record.house}, ${record.about}` : record.house;
}

/** Chooses the house that prints a blank: every fit on it is checked again by that house's numbers. */
export async function chooseHouse(blankId: string, specId: string): Promise<void> {
  await changeSettings(({ houses }) => ({ houses: { ...houses, [blankId]: specId } }));
}

/** Keeps a house spec; blanks printed by it are checked again. */
export async function saveSpec(spec: HouseSpec): Promise<void> {
  await keep('specs', spec);
}

/** A change of a house or a method: what it is now, and what undoes it. */
export interface ChangedRecord {
  version: number;
  undo: () => Promise<void>;
}

/**
 * The next version of a house or a method with what was typed, each entry from that source; fits printed by it are
 * checked again.
 */
export async function stateEntries<T extends Written>(
  table: T,
  record: WrittenRecord<T>,
  typed: Readonly<Record<string, string>>,
  source: Source,
  unit: UnitSetting,
): Promise<ChangedRecord> {
  const entries = entriesOf(table, useShop.getState().methods.values());
  const { result, undo } = await commit([table], async (store) => {
    const stored = (await store.get(table, record.id)) as WrittenRecord<T> | undefined;
    let next = stored ?? record;
    for (const entry of entries) {
      const text = typed[entry.id];
      if (text !== undefined) next = entry.state(next, text, source, unit);
    }
    next = { ...next, version: next.version + 1 };
    const [trouble] = next.upfit === 'spec/1' ? houseTroubles(next) : [];
    if (trouble) throw new UpFitError('bad-argument', trouble.message);
    store.put(table, next);
    return next.version;
  });
  return { version: result, undo };
}

/** A house or a method that Up Fit came with as it came, in its next version: fits printed by it are checked again. */
export async function putBack(table: Written, record: HouseSpec | Method): Promise<ChangedRecord> {
  const came = [...SPECS, ...METHODS].find(({ id }) => id === record.id);
  if (!came)
    throw new UpFitError('not-found', 'Up Fit did not come with this one: there is nothing to go back to.');
  const { result, undo } = await commit([table], async (store) => {
    const stored = await store.get(table, record.id);
    const version = (stored ?? record).version + 1;
    store.put(table, { ...came, version });
    return version;
  });
  return { version: result, undo };
}

/** Whether a record is as Up Fit came with it, whatever its version. */
export function isAsItCame(record: HouseSpec | Method): boolean {
  const came = [...SPECS, ...METHODS].find(({ id }) => id === record.id);
  return came !== undefined && dequal({ ...came, version: 0 }, { ...record, version: 0 });
}

/** A house or a method of one's own, known only by its name. */
export async function makeRecord(table: Written, name: string): Promise<string> {
  const title = name.trim();
  if (title === '') throw new UpFitError('bad-argument', 'Type a name first.');
  const id = freeRecordId(title);
  if (table === 'specs') await keep('specs', newHouse(id, title, METHODS[0]!.id));
  else await keep('methods', newMethod(id, title));
  return id;
}

/** A copy under a name of its own, from which another is made. */
export async function duplicateRecord(record: HouseSpec | Method): Promise<string> {
  const name = `${record.upfit === 'method/1' ? record.name : record.house}, copy`;
  const id = freeRecordId(name);
  if (record.upfit === 'method/1') await keep('methods', { ...record, id, version: 1, name });
  else await keep('specs', { ...record, id, version: 1, house: name });
  return id;
}

/** Takes a house or a method of one's own out; refused where a blank is printed by it. Gives back what undoes it. */
export function removeRecord(table: Written, id: string): Promise<() => Promise<void>> {
  return takeOut(table, id);
}

/** An id that no blank, no spec and no method has yet, made from a name. */
export function freeRecordId(name: string): string {
  const { versions, specs, methods } = useShop.getState();
  const blanks = [...versions.values()].map(({ id }) => id);
  return freeIdAmong(name, [...blanks, ...specs.keys(), ...methods.keys()]);
}

/** How many blanks and fits go by a record, and are checked again when it changes. */
export interface Uses {
  blanks: number;
  fits: number;
}

/** The uses of every house, or of every method, by its id. */
export function usesOf(table: Written, shop: Shop): (id: string) => Uses {
  const uses = new Map<string, Uses>();
  const count = (resolved: ResolvedBlank | undefined, what: keyof Uses) => {
    if (!resolved) return;
    const { id } = table === 'specs' ? resolved.spec : resolved.method;
    const so = uses.get(id) ?? { blanks: 0, fits: 0 };
    uses.set(id, { ...so, [what]: so[what] + 1 });
  };
  for (const resolved of shop.blanks.values()) count(resolved, 'blanks');
  for (const fit of shop.fits.values()) count(blankOf(fit, shop), 'fits');
  return (id) => uses.get(id) ?? { blanks: 0, fits: 0 };
}

/** A house or a method as a JSON file. */
export function exportRecord(record: HouseSpec | Method): void {
  const kind = record.upfit === 'method/1' ? 'method' : 'house';
  const text = `${JSON.stringify(record, null, 2)}\n`;
  saveAs(new Blob([text], { type: 'application/json' }), `${safeName(titleOf(record))}.${kind}.json`);
}

/** Takes a house or a method in from a JSON file, under an id that is free; throws a sentence where it does not read. */
export async function importRecord(file: File): Promise<{ table: Written; id: string }> {
  const record = readRecordFile(file.name, await file.text());
  const id = freeRecordId(record.id);
  const taken = { ...record, id, version: 1 };
  if (taken.upfit === 'spec/1') {
    const { methods } = useShop.getState();
    const unknown = taken.methods.find((one) => !methods.has(one));
    if (unknown !== undefined)
      throw new UpFitError(
        'unreadable',
        `“${file.name}” prints by “${unknown}”, a method that is not here: bring that in first.`,
      );
    await keep('specs', taken);
    return { table: 'specs', id };
  }
  await keep('methods', taken);
  return { table: 'methods', id };
}

function readRecordFile(name: string, text: string): HouseSpec | Method {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    throw new UpFitError('unreadable', `“${name}” is not JSON: export the house or the method again.`);
  }
  const read = v.safeParse(v.variant('upfit', [HouseSpecSchema, MethodSchema]), json);
  if (read.success) {
    const [trouble] = read.output.upfit === 'spec/1' ? houseTroubles(read.output) : [];
    if (!trouble) return read.output;
    throw new UpFitError('unreadable', `“${name}” does not hold together: ${trouble.message}`);
  }
  const where = v.getDotPath(read.issues[0]);
  throw new UpFitError(
    'unreadable',
    `“${name}” is no house and no method${where ? `: ${where} does not read` : ''}. Nothing was taken in.`,
  );
}
