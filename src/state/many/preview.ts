import { dequal } from 'dequal';
import type { Verdict } from '@/core/check/finding';
import type { Design, Fit } from '@/core/fit/schema';
import { byVersion } from '@/core/fit/version';
import { keyOfPlace, placeOfKey } from '@/core/many/choice';
import type { Changed } from '@/core/many/changed';
import { FIRST_SETTINGS, type Settings, type StoredDocket } from '@/store/schema';
import { isStopped } from '@/workers/client';
import { withOwnCuts } from '../bench/cutting';
import { measured, verdictOf } from '../bench/dockets';
import { eachByEngines } from '../engine/each';
import { sentence } from '../sentence';
import { commit, type Kept } from '../shop/commit';
import { putDocket } from '../shop/records';
import { useShop, type Shop } from '../shop/shop';

export type { Settings };

/** What an act is done to: a fit, or a cell that has none yet. */
export interface Target {
  design: Design;
  blankId: string;
  fit: Fit | null;
}

/** What an act would do to one of its targets. */
export interface ActRow extends Target {
  next: Fit | null;
  /** Why it is left as it is. */
  why: string | null;
  before: Verdict | null;
  /** null of what is left as it is, and while it is being measured. */
  after: StoredDocket | null;
}

export interface ActProgress {
  done: number;
  of: number;
  /** What is known so far. */
  rows: readonly ActRow[];
}

/** The fits in chosen cells, each version by itself, and the cells that have none. */
export function targetsIn(keys: ReadonlySet<string>, shop: Shop = useShop.getState()): Target[] {
  const fitsAt = new Map<string, Fit[]>();
  for (const fit of shop.fits.values()) {
    const key = keyOfPlace(fit);
    if (!keys.has(key)) continue;
    const own = fitsAt.get(key);
    if (own) own.push(fit);
    else fitsAt.set(key, [fit]);
  }
  return [...keys].flatMap((key): Target[] => {
    const { designId, blankId } = placeOfKey(key);
    const design = shop.designs.get(designId);
    if (!design || !shop.blanks.has(blankId)) return [];
    const fits = fitsAt.get(key)?.sort(byVersion) ?? [];
    return fits.length === 0
      ? [{ design, blankId, fit: null }]
      : fits.map((fit) => ({ design, blankId, fit }));
  });
}

/** An act with its answers given. */
export interface Act {
  change: (target: Target) => Promise<Changed> | Changed;
  /** What it changes of the settings, where it does: its fits are measured by them. */
  settings: ((settings: Settings) => Settings) | null;
}

/** ms that working out what an act does holds the page at most, and between two tellings of how far it is measured. */
const A_BREATH = 12;
const A_LOOK = 120;

/**
 * Works out what an act does to each target, tells it, and then measures what comes of it, as many at a time as there are
 * engines; nothing is kept yet. Stopped, it gives back what it has.
 */
export async function previewAct(
  targets: readonly Target[],
  act: Act,
  { signal, onProgress }: { signal: AbortSignal; onProgress: (progress: ActProgress) => void },
): Promise<ActRow[]> {
  const rows: ActRow[] = [];
  let told = performance.now();
  for (const target of targets) {
    if (signal.aborted) return rows;
    rows.push(await changedRow(target, act.change));
    if (performance.now() - told < A_BREATH) continue;
    await new Promise((resolve) => setTimeout(resolve));
    told = performance.now();
  }
  const toMeasure = [...rows.entries()].filter(([, { next }]) => next !== null);
  let done = rows.length - toMeasure.length;
  const tell = () => {
    onProgress({ done, of: rows.length, rows: [...rows] });
    told = performance.now();
  };
  tell();
  await eachByEngines(toMeasure, signal, async ([index, row]) => {
    try {
      rows[index] = await measuredRow(row, act.settings, signal);
    } catch (error) {
      if (isStopped(error)) return;
      rows[index] = left(row, sentence(error));
    }
    done++;
    if (performance.now() - told > A_LOOK) tell();
  });
  return rows.filter(({ next, after }) => next === null || after !== null);
}

async function changedRow(target: Target, change: Act['change']): Promise<ActRow> {
  try {
    const changed = await change(target);
    if ('why' in changed) return left(target, changed.why);
    return { ...target, next: changed.fit, why: null, before: standing(target), after: null };
  } catch (error) {
    return left(target, sentence(error));
  }
}

async function measuredRow(row: ActRow, settings: Act['settings'], signal: AbortSignal): Promise<ActRow> {
  const shop = useShop.getState();
  const next = row.next && (await withOwnCuts(row.next, { signal }));
  const asked = settings ? { ...shop, settings: settings(shop.settings) } : shop;
  const after = next && (await measured(next, { signal }, asked));
  return after ? { ...row, next, after } : left(row, 'Something it needs is missing: open it on the bench.');
}

const left = ({ design, blankId, fit }: Target, why: string): ActRow => ({
  design,
  blankId,
  fit,
  next: null,
  why,
  before: standing({ fit }),
  after: null,
});

const standing = ({ fit }: Pick<Target, 'fit'>): Verdict | null => (fit && verdictOf(fit)) ?? null;

/** Keeps what was previewed, as one act; what was changed meanwhile is left alone. Answers with how many it was done to. */
export function doAct(rows: readonly ActRow[], settings: Act['settings'] = null): Promise<Kept<number>> {
  return commit(['fits', 'dockets', 'summaries', 'settings'], async (store) => {
    let done = 0;
    if (settings)
      store.put('settings', settings((await store.get('settings', 'settings')) ?? FIRST_SETTINGS));
    for (const { fit, next, after } of rows) {
      if (!next || !after) continue;
      const now = fit && (await store.get('fits', fit.id));
      if (fit && !dequal(now, fit)) continue;
      store.put('fits', next);
      putDocket(store, after);
      done++;
    }
    return done;
  });
}

/** Takes fits off, as one act. */
export function takeOffMany(fitIds: readonly string[]): Promise<Kept<void>> {
  return commit(['fits'], (store) => {
    for (const id of fitIds) store.remove('fits', id);
  });
}
