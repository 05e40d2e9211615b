import { LRUCache } from 'lru-cache';
import { pixelsKey } from '@/core/artwork/steps';
import type { ResolvedBlank } from '@/core/blank/resolve';
import type { Fit } from '@/core/fit/schema';
import { drawnOf } from '@/core/product/drawn';
import { transact } from '@/store/commit';
import { readOne } from '@/store/read';
import type { StoredDrawing } from '@/store/schema';
import { drawCell } from '@/workers/cell-client';
import { docketKey } from '../bench/dockets';
import { contextOf, useShop, type Shop } from '../shop/shop';

/** Raised when fits are drawn otherwise: what was kept before is drawn again. */
const VERSION = 1;

/** Addresses of drawings by their keys: more than any screen shows at once. */
const addresses = new LRUCache<string, string>({
  max: 1000,
  dispose: (url) => {
    URL.revokeObjectURL(url);
  },
});

/** What a fit's drawing is known by: it holds as long as this stays the same. */
export function drawingKey(fit: Fit, blank: ResolvedBlank, shop: Shop): string {
  return `${VERSION}-${docketKey(fit, blank, shop)}`;
}

/** The address of a drawing that is at hand. */
export function drawingAt(key: string): string | undefined {
  return addresses.get(key);
}

let turn: Promise<unknown> = Promise.resolve();

/**
 * The address of a fit's drawing: kept, or drawn in a worker, one at a time. Undefined where it cannot be drawn there, and
 * where the one who asked is gone before its turn.
 */
export async function drawingOf(
  fit: Fit,
  blank: ResolvedBlank,
  signal: AbortSignal,
): Promise<string | undefined> {
  const key = drawingKey(fit, blank, useShop.getState());
  const ready = addresses.get(key);
  if (ready !== undefined) return ready;
  const kept = await readOne('drawings', fit.id).catch(() => undefined);
  if (kept?.key === key) return keepAddress(key, kept.picture);
  const mine = turn.then(async () => (signal.aborted ? undefined : await draw(fit, blank)));
  turn = mine.catch(() => undefined);
  const picture = await mine.catch(() => undefined);
  if (!picture) return undefined;
  keepLater({ fitId: fit.id, key, picture });
  return keepAddress(key, picture);
}

async function draw(fit: Fit, blank: ResolvedBlank): Promise<Blob | undefined> {
  const context = contextOf(fit, useShop.getState());
  if (!context) return undefined;
  return drawCell({
    drawn: drawnOf(blank, fit),
    pieces: Object.fromEntries(fit.faces.map(({ faceId, pieces }) => [faceId, pieces])),
    colour: blank.blank.colours.find(({ id }) => id === fit.colourId)?.hex ?? '#ffffff',
    artworks: context.artworks.map(({ id, facts, steps, preview }) => ({
      id,
      key: pixelsKey(facts.sha256, steps),
      facts,
      preview,
    })),
  });
}

function keepAddress(key: string, picture: Blob): string {
  const there = addresses.get(key);
  if (there !== undefined) return there;
  const url = URL.createObjectURL(picture);
  addresses.set(key, url);
  return url;
}

const waiting = new Map<string, StoredDrawing>();
let keeping: Promise<void> | undefined;

/**
 * Keeps drawings on the disk, as many as come together at once. Past `commit`, since no screen shows the table and no other
 * window asks for it; what the disk refuses is drawn again another day.
 */
function keepLater(drawing: StoredDrawing): void {
  waiting.set(drawing.fitId, drawing);
  keeping ??= turn.then(keepAll).finally(() => (keeping = undefined));
}

async function keepAll(): Promise<void> {
  const drawings = [...waiting.values()];
  waiting.clear();
  await transact(['drawings'], async (store) => {
    for (const drawing of drawings)
      if (await store.get('fits', drawing.fitId)) store.put('drawings', drawing);
  }).catch(() => undefined);
}
