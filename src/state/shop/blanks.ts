import * as v from 'valibot';
import { UpFitError } from '@/core/errors';
import type { Body } from '@/core/blank/kinds';
import { bodyTroubles } from '@/core/blank/troubles';
import { makeBlank } from '@/core/blank/make';
import type { ResolvedBlank } from '@/core/blank/resolve';
import { BlankSchema, HouseSpecSchema, type Blank, type HouseSpec, type Source } from '@/core/blank/schema';
import { safeName } from '@/core/pack/names';

import { versionKey, type Underlay } from '@/store/blanks';
import { saveAs } from '../handover/download';
import { commit } from './commit';
import { freeRecordId, saveSpec } from './houses';
import { changeSettings, keep } from './records';
import { useShop } from './shop';

/** Keeps a version of a blank: what was made on older ones stays as it is. */
async function saveBlank(blank: Blank): Promise<void> {
  await keep('blanks', { key: versionKey(blank), blank });
}

/** A change of a blank: what it is now, and what undoes it. */
export interface ChangedBlank {
  blank: Blank;
  undo: () => Promise<void>;
}

/** The next version of a blank with something changed, kept and given back. */
export async function changeBlank(blank: Blank, change: Partial<Blank>): Promise<ChangedBlank> {
  const { result, undo } = await commit(['blanks'], async (store) => {
    const own = (await store.all('blanks')).filter((one) => one.blank.id === blank.id);
    const latest = Math.max(blank.version, ...own.map((one) => one.blank.version));
    const next = { ...blank, ...change, id: blank.id, version: latest + 1 };
    store.put('blanks', { key: versionKey(next), blank: next });
    return next;
  });
  return { blank: result, undo };
}

/** A blank of one's own: a body, and the records it is printed by. */
export async function newBlank(
  name: string,
  body: Body,
  records: Pick<Blank, 'methodId' | 'specId'> & Partial<Pick<Blank, 'sizes' | 'shownAs'>>,
  measured: Source,
): Promise<Blank> {
  const blank = makeBlank({ id: freeRecordId(name), name: name.trim(), body, measured, ...records });
  await saveBlank(blank);
  return blank;
}

export async function duplicateBlank({ blank }: ResolvedBlank): Promise<Blank> {
  const name = `${blank.name}, copy`;
  const copy = { ...blank, id: freeRecordId(name), version: 1, name };
  await saveBlank(copy);
  return copy;
}

/** Takes a blank out of the library and off the range; gives back what undoes it. Fits on it stay whole. */
export function removeBlank(id: string): Promise<() => Promise<void>> {
  return changeSettings(({ removedBlanks, columns }) => ({
    removedBlanks: [...removedBlanks, id],
    columns: columns.filter((one) => one !== id),
  }));
}

/**
 * A house's spec with what was stated for one blank: a record of its own where anything differs from the house's
 * usual, so that its other blanks stay as they are.
 */
export async function keepSpecFor(
  usual: HouseSpec,
  name: string,
  stated: Partial<Omit<HouseSpec, 'id' | 'version' | 'upfit'>>,
): Promise<HouseSpec> {
  if (Object.keys(stated).length === 0) return usual;
  const own = { ...usual, ...stated, id: freeRecordId(`${stated.house ?? usual.house} ${name}`), version: 1 };
  await saveSpec(own);
  return own;
}

/** A blank and its house's spec as one JSON file. */
export function exportBlank({ blank, spec }: ResolvedBlank): void {
  const text = `${JSON.stringify({ ...blank, spec }, null, 2)}\n`;
  saveAs(new Blob([text], { type: 'application/json' }), `${safeName(blank.name)}.blank.json`);
}

/** Takes a blank in from a JSON file, under an id that is free. Nothing is kept of a file that does not read. */
export async function importBlank(file: File): Promise<Blank> {
  const { blank, spec } = readBlankFile(file.name, await file.text());
  const { specs } = useShop.getState();
  const taken = { ...blank, id: freeRecordId(blank.id), version: 1 };
  await commit(['specs', 'blanks'], (store) => {
    if (spec && !specs.has(spec.id)) store.put('specs', spec);
    store.put('blanks', { key: versionKey(taken), blank: taken });
  });
  return taken;
}

function readBlankFile(name: string, text: string): { blank: Blank; spec: HouseSpec | null } {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    throw new UpFitError('unreadable', `“${name}” is not JSON, so it is no blank: export the blank again.`);
  }
  const read = v.safeParse(BlankSchema, json);
  if (!read.success) {
    const issue = read.issues[0];
    const where = v.getDotPath(issue);
    throw new UpFitError(
      'unreadable',
      `“${name}” is no blank${where ? `: ${where} does not read` : ''}. Nothing was taken in.`,
    );
  }
  const blank = read.output;
  const [trouble] = bodyTroubles(blank.body);
  if (trouble) throw new UpFitError('unreadable', `“${name}” does not hold together: ${trouble.message}`);
  const spec = v.safeParse(HouseSpecSchema, (json as { spec?: unknown }).spec);
  const known =
    useShop.getState().specs.has(blank.specId) || (spec.success && spec.output.id === blank.specId);
  if (!known)
    throw new UpFitError(
      'unreadable',
      `“${name}” names a house spec that is neither in it nor here: export it again with its spec.`,
    );
  if (!useShop.getState().methods.has(blank.methodId)) {
    throw new UpFitError(
      'unreadable',
      `“${name}” is printed by “${blank.methodId}”, a method this Up Fit does not know.`,
    );
  }
  return { blank, spec: spec.success ? spec.output : null };
}

export async function saveUnderlay(underlay: Underlay): Promise<void> {
  await keep('underlays', underlay);
}

/** Sets how strongly a template shows under its face. */
export async function showUnderlay(key: string, opacity: number): Promise<void> {
  await commit(['underlays'], async (store) => {
    const underlay = await store.get('underlays', key);
    if (underlay) store.put('underlays', { ...underlay, opacity });
  });
}
