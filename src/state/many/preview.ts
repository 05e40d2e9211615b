import { dequal } from 'dequal';
import type { Verdict } from '@/core/check/finding';
import type { Design, Fit } from '@/core/fit/schema';
import { byVersion } from '@/core/fit/version';
import { keyOfPlace, placeOfKey } from '@/core/many/choice';
import type { Changed } from '@/core/many/acts';
import type { StoredDocket } from '@/store/schema';
import { isStopped } from '@/workers/client';
import { measured, verdictOf } from '../bench/dockets';
import { sentence } from '../sentence';
import { commit, type Kept } from '../shop/commit';
import { useShop, type Shop } from '../shop/shop';

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

/**
 * Works out what an act does to each target and measures what comes of it; nothing is kept yet. Stopped, it gives back
 * what it has.
 */
export async function previewAct(
  targets: readonly Target[],
  change: (target: Target) => Promise<Changed> | Changed,
  { signal, onProgress }: { signal: AbortSignal; onProgress: (progress: ActProgress) => void },
): Promise<ActRow[]> {
  const rows: ActRow[] = [];
  for (const target of targets) {
    if (signal.aborted) break;
    onProgress({ done: rows.length, of: targets.length });
    try {
      rows.push(await rowOf(target, change, signal));
    } catch (error) {
      if (isStopped(error)) break;
      rows.push(left(target, sentence(error)));
    }
  }
  return rows;
}

async function rowOf(
  target: Target,
  change: (target: Target) => Promise<Changed> | Changed,
  signal: AbortSignal,
): Promise<ActRow> {
  const changed = await change(target);
  if ('why' in changed) return left(target, changed.why);
  const after = await measured(changed.fit, { signal });
  if (!after) return left(target, 'Something it needs is missing: open it on the bench.');
  return { ...target, next: changed.fit, why: null, before: standing(target), after };
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
export function doAct(rows: readonly ActRow[]): Promise<Kept<number>> {
  return commit(['fits', 'dockets'], async (store) => {
    let done = 0;
    for (const { fit, next, after } of rows) {
      if (!next || !after) continue;
      const now = fit && (await store.get('fits', fit.id));
      if (fit && !dequal(now, fit)) continue;
      store.put('fits', next);
      store.put('dockets', after);
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
