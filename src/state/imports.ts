import { create } from 'zustand';
import { UpFitError } from '@/core/artwork/errors';
import { requireReadableSize } from '@/core/artwork/limits';
import { putArtwork } from '@/store/database';
import type { Artwork } from '@/store/schema';
import { engine, isStopped } from '@/workers/client';
import { addArtwork, useShop } from './shop';

/** One file on its way in. */
export interface Import {
  id: number;
  name: string;
  file: File;
  phase: 'waiting' | 'measuring' | 'done' | 'known' | 'failed' | 'stopped';
  share: number;
  /** Why it could not be taken in. */
  message: string | null;
}

interface Imports {
  list: readonly Import[];
}

export const useImports = create<Imports>(() => ({ list: [] }));

let nextId = 1;
let working: Promise<void> = Promise.resolve();
let stopping = new AbortController();

function change(id: number, patch: Partial<Import>): void {
  useImports.setState(({ list }) => ({
    list: list.map((one) => (one.id === id ? { ...one, ...patch } : one)),
  }));
}

/**
 * Takes files in one after another and answers with those that were taken or already there. One that fails is
 * told in the list and the others go on.
 */
export function importFiles(files: readonly File[]): Promise<Artwork[]> {
  const added = files.map((file): Import => ({
    id: nextId++,
    name: file.name,
    file,
    phase: 'waiting',
    share: 0,
    message: null,
  }));
  useImports.setState(({ list }) => ({ list: [...list.filter(({ phase }) => isOpen(phase)), ...added] }));
  const { signal } = stopping;
  const run = working.then(async () => {
    const taken: Artwork[] = [];
    for (const one of added) {
      const artwork = await importOne(one, signal);
      if (artwork) taken.push(artwork);
    }
    return taken;
  });
  working = run.then(() => undefined);
  return run;
}

/** Stops what is under way and what waits; what was finished stays. */
export function stopImports(): void {
  stopping.abort();
  stopping = new AbortController();
}

/** Clears finished and failed files off the list. */
export function clearImports(): void {
  useImports.setState(({ list }) => ({ list: list.filter(({ phase }) => isOpen(phase)) }));
}

export function isOpen(phase: Import['phase']): boolean {
  return phase === 'waiting' || phase === 'measuring';
}

async function importOne({ id, name, file }: Import, signal: AbortSignal): Promise<Artwork | null> {
  if (signal.aborted) {
    change(id, { phase: 'stopped' });
    return null;
  }
  change(id, { phase: 'measuring' });
  try {
    requireReadableSize(name, file.size);
    const onProgress = (share: number) => {
      change(id, { share });
    };
    const { facts, preview } = await engine.measure(name, file, { signal, onProgress });
    const known = useShop.getState().artworks.get(facts.sha256);
    if (known) {
      change(id, { phase: 'known', share: 1, message: `Already here as “${known.facts.name}”.` });
      return known;
    }
    const artwork: Artwork = { upfit: 'artwork/1', id: facts.sha256, facts, addedAt: Date.now(), preview };
    await putArtwork(artwork, file);
    addArtwork(artwork);
    change(id, { phase: 'done', share: 1 });
    return artwork;
  } catch (error) {
    change(id, isStopped(error) ? { phase: 'stopped' } : { phase: 'failed', message: sentence(error) });
    return null;
  }
}

/** An error as one sentence for the seller. */
export function sentence(error: unknown): string {
  if (error instanceof UpFitError) return error.message;
  if (error instanceof DOMException && error.name === 'QuotaExceededError') {
    return 'This browser has no room left for the file: delete artwork you no longer need, or free disk space.';
  }
  return error instanceof Error
    ? error.message
    : 'Something went wrong that Up Fit has no words for: try again.';
}
