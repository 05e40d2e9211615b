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
  after: StoredDocket | null;
}

export interface ActProgress {
  done: number;
  of: number;
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

/**
 * Works out what an act does to each target and measures what comes of it, as many at a time as there are engines;
 * nothing is kept yet. Stopped, it gives back what it has.
 */
export async function previewAct(
  targets: readonly Target[],
  act: Act,
  { signal, onProgress }: { signal: AbortSignal; onProgress: (progress: ActProgress) => void },
): Promise<ActRow[]> {
  const rows: (ActRow | undefined)[] = targets.map(() => undefined);
  let done = 0;
  await eachByEngines(targets, signal, async (target, index) => {
    try {
      rows[index] = await rowOf(target, act, signal);
    } catch (error) {
      if (isStopped(error)) return;
      rows[index] = left(target, sentence(error));
    }
    onProgress({ done: ++done, of: targets.length });
  });
  return rows.filter((row) => row !== undefined);
}

async function rowOf(target: Target, { change, settings }: Act, signal: AbortSignal): Promise<ActRow> {
  const changed = await change(target);
  if ('why' in changed) return left(target, changed.why);
  const shop = useShop.getState();
  const next = await withOwnCuts(changed.fit, { signal });
  const after = await measured(
    next,
    { signal },
    settings ? { ...shop, settings: settings(shop.settings) } : shop,
  );
  if (!after) return left(target, 'Something it needs is missing: open it on the bench.');
  return { ...target, next, why: null, before: standing(target), after };
}

const left = (target: Target, why: string): ActRow => ({
  ...target,
  next: null,
  why,
  before: standing(target),
  after: null,
});

const standing = ({ fit }: Target): Verdict | null => (fit && verdictOf(fit)) ?? null;

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
