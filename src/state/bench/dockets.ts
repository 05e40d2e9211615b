import { pixelsKey } from '@/core/artwork/steps';
import { docketBasis } from '@/core/check/basis';
import type { Docket } from '@/core/check/docket';
import type { Verdict } from '@/core/check/finding';
import type { ResolvedBlank } from '@/core/blank/resolve';
import type { Press } from '@/core/colour/press';
import { artworkIdsOf, type Fit } from '@/core/fit/schema';
import { readOne, readOriginal } from '@/store/read';
import type { Artwork, Settings, StoredDocket, StoredSummary } from '@/store/schema';
import { engine, isStopped, type JobOptions } from '@/workers/client';
import { CoarseDockets } from '@/workers/docket-client';
import type { FitJob, JobArtwork } from '@/workers/messages';
import type { Preview } from '../artwork/previews';
import { blankOf } from '../shop/library';
import { pressAsked, pressKey } from '../engine/press';
import { saveDocket } from '../shop/records';
import { contextOf, useShop, type Shop } from '../shop/shop';

export type { StoredDocket, StoredSummary };

/** The key of each fit, and what it was made from: a range of thousands asks for all of them at every change. */
const keys = new WeakMap<Fit, { from: readonly unknown[]; key: string }>();

/** A digest of what a docket was measured from: it holds as long as this stays the same. */
export function docketKey(fit: Fit, blank: ResolvedBlank, shop: Shop): string {
  const { settings, artworks, profiles } = shop;
  const from = [
    blank,
    settings.unit.unit,
    settings.unit.inches,
    pressKey(blank.spec.id, { settings, profiles }),
    ...artworkIdsOf(fit).map((id) => artworks.get(id)),
  ];
  const known = keys.get(fit);
  if (known?.from.length === from.length && known.from.every((one, i) => one === from[i])) return known.key;
  const pixels = artworkIdsOf(fit).map((id) => {
    const artwork = artworks.get(id);
    return artwork ? pixelsKey(artwork.facts.sha256, artwork.steps) : id;
  });
  const press = pressKey(blank.spec.id, { settings, profiles });
  const key = docketBasis(fit, blank, { unit: settings.unit, press, pixels });
  keys.set(fit, { from, key });
  return key;
}

/** A fit with the files it shows, ready for the worker. */
export async function fitJob(fit: Fit, blank: ResolvedBlank, artworks: readonly Artwork[]): Promise<FitJob> {
  const press = pressAsked(blank.spec.id, useShop.getState());
  return { blank, fit, press, artworks: await Promise.all(artworks.map(jobArtwork)) };
}

/** An artwork with its file, ready for the worker. */
export async function jobArtwork({ id, facts, steps }: Artwork): Promise<JobArtwork> {
  const original = await readOriginal(facts.sha256);
  return { id, key: pixelsKey(facts.sha256, steps), facts, original, steps };
}

/** Measures a fit at every pixel in the worker; null where what it shows is not all there. */
export async function measured(
  fit: Fit,
  options: JobOptions = {},
  shop: Shop = useShop.getState(),
): Promise<StoredDocket | null> {
  const context = contextOf(fit, shop);
  if (!context) return null;
  const key = docketKey(fit, context.blank, shop);
  const job = await fitJob(fit, context.blank, context.artworks);
  const docket = await engine.docket(job, shop.settings.unit, options);
  return { fitId: fit.id, key, measuredAt: Date.now(), ...docket };
}

/** Measures a fit at every pixel in the worker and keeps the docket. */
export async function measureExactly(fit: Fit, options: JobOptions = {}): Promise<StoredDocket | null> {
  const docket = await measured(fit, options);
  if (docket) await saveDocket(docket);
  return docket;
}

const coarse = new CoarseDockets();

/**
 * Measures a fit at once on reduced copies, away from the page's own thread: what the docket says while the exact numbers
 * are on their way. Null where the hand has moved on meanwhile.
 */
export function measureCoarsely(
  fit: Fit,
  blank: ResolvedBlank,
  artworks: readonly Artwork[],
  previews: ReadonlyMap<string, Preview>,
  unit: Settings['unit'],
  press: Press | null,
): Promise<Docket | null> {
  const shown = artworks.map(({ id, facts }) => ({ id, facts, raster: previews.get(id)!.raster }));
  return coarse.measure({ fit, blank, unit, press, artworks: shown });
}

/** Whether a docket, or its summary, is of a fit as it is now. */
export function holds(fit: Fit, kept: { key: string } | undefined, shop: Shop): boolean {
  const blank = blankOf(fit, shop);
  return blank !== undefined && kept?.key === docketKey(fit, blank, shop);
}

/** The summary of a fit's docket if that still holds. */
export function currentSummary(fit: Fit, shop = useShop.getState()): StoredSummary | undefined {
  const summary = shop.summaries.get(fit.id);
  return holds(fit, summary, shop) ? summary : undefined;
}

/** The last whole docket of a fit, read from the store, whatever it was measured from. */
export function lastDocket(fitId: string): Promise<StoredDocket | undefined> {
  return readOne('dockets', fitId);
}

/** The whole docket of a fit if it still holds. */
export async function keptDocket(fit: Fit): Promise<StoredDocket | undefined> {
  if (!currentSummary(fit)) return undefined;
  const docket = await lastDocket(fit.id);
  return holds(fit, docket, useShop.getState()) ? docket : undefined;
}

/** How a fit stands: undefined while it is not measured. What lacks something cannot be printed, nor measured. */
export function verdictOf(fit: Fit, shop = useShop.getState()): Verdict | undefined {
  return contextOf(fit, shop) ? currentSummary(fit, shop)?.verdict : 'fix';
}

let sweeping: Promise<void> | undefined;

/** Measures every fit whose docket no longer holds, one after another, in the background. */
export function sweepDockets(): Promise<void> {
  sweeping ??= sweep().finally(() => (sweeping = undefined));
  return sweeping;
}

async function sweep(): Promise<void> {
  const failed = new Set<string>();
  for (;;) {
    const { fits, onBench } = useShop.getState();
    const stale = [...fits.values()].find(
      (fit) => fit.id !== onBench && !failed.has(fit.id) && canMeasure(fit) && !currentSummary(fit),
    );
    if (!stale) return;
    try {
      await measureExactly(stale);
    } catch (error) {
      if (isStopped(error)) return;
      failed.add(stale.id);
    }
  }
}

function canMeasure(fit: Fit): boolean {
  return contextOf(fit, useShop.getState()) !== null;
}
