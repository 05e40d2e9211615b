import { create } from 'zustand';
import { sentence } from '../sentence';
import { requireReadableSize } from '@/core/artwork/limits';
import { ENGINES, engine, isStopped, type JobOptions } from '@/workers/client';
import type { Artwork } from '@/store/schema';
import { keepFile } from './artworks';
import { gatherFolder } from './folders';
import { hasLiveText, outlineText } from './words';

/** One file on its way in. */
export interface Import {
  id: number;
  name: string;
  file: File;
  /** The folder it lay in, where it came with one. */
  folder: string | null;
  phase: 'waiting' | 'measuring' | 'done' | 'known' | 'failed' | 'stopped';
  share: number;
  /** Why it could not be taken in. */
  message: string | null;
}

interface Imports {
  list: readonly Import[];
}

export const useImports = create<Imports>(() => ({ list: [] }));

/** What stops a file under way, and what hears of its end. */
const stoppers = new Map<number, AbortController>();
const listeners = new Map<number, (artwork: Artwork | null) => void>();
let nextId = 1;

function change(id: number, patch: Partial<Import>): void {
  useImports.setState(({ list }) => ({
    list: list.map((one) => (one.id === id ? { ...one, ...patch } : one)),
  }));
}

/**
 * Takes files in, as many at a time as there are engines, and answers with those that were taken or already there. One
 * that fails is told in the list and the others go on.
 */
export async function importFiles(files: readonly File[]): Promise<Artwork[]> {
  const added = files.map((file): Import => ({
    id: nextId++,
    name: file.name,
    file,
    folder: folderOf(file),
    phase: 'waiting',
    share: 0,
    message: null,
  }));
  const ends = added.map(({ id }) => new Promise<Artwork | null>((end) => listeners.set(id, end)));
  useImports.setState(({ list }) => ({
    list: [...list.filter(({ phase }) => isOpen(phase) || canRetry(phase)), ...added],
  }));
  pump();
  const taken = (await Promise.all(ends)).filter((artwork) => artwork !== null);
  for (const folder of new Set(added.flatMap((one) => one.folder ?? []))) {
    const own = added.flatMap((one, i) => (one.folder === folder ? [i] : []));
    const inside = await Promise.all(own.map((i) => ends[i]!));
    await gatherFolder(
      folder,
      inside.filter((artwork) => artwork !== null),
    );
  }
  return taken;
}

/** Stops what is under way and what waits; what was finished stays. */
export function stopImports(): void {
  useImports.setState(({ list }) => ({
    list: list.map((one) => (one.phase === 'waiting' ? { ...one, phase: 'stopped' } : one)),
  }));
  for (const { id, phase } of useImports.getState().list) if (phase === 'stopped') settle(id, null);
  for (const stopper of stoppers.values()) stopper.abort();
}

/** Takes files that were stopped or failed up again: one, or all of them. */
export function retryImports(only?: number): void {
  useImports.setState(({ list }) => {
    const again = (one: Import) => canRetry(one.phase) && (only === undefined || one.id === only);
    const tried = list.filter(again);
    // What failed before may hang again: it comes after those whose turn never came.
    const order = [
      ...tried.filter(({ phase }) => phase === 'stopped'),
      ...tried.filter(({ phase }) => phase === 'failed'),
    ];
    return {
      list: [
        ...list.filter((one) => !again(one)),
        ...order.map((one): Import => ({ ...one, phase: 'waiting', share: 0, message: null })),
      ],
    };
  });
  pump();
}

/** Clears finished and failed files off the list. */
export function clearImports(): void {
  useImports.setState(({ list }) => ({ list: list.filter(({ phase }) => isOpen(phase)) }));
}

export function isOpen(phase: Import['phase']): boolean {
  return phase === 'waiting' || phase === 'measuring';
}

export function canRetry(phase: Import['phase']): boolean {
  return phase === 'failed' || phase === 'stopped';
}

/** The last folder of the path that a dropped or picked file came with. */
function folderOf(file: File): string | null {
  const { relativePath, path } = file as File & { relativePath?: string; path?: string };
  const whole = (file.webkitRelativePath || relativePath || path || '').replace(/^\.?\/+/, '');
  return whole.split('/').at(-2) ?? null;
}

/** Starts what waits, as far as engines are free. */
function pump(): void {
  while (stoppers.size < ENGINES) {
    const next = useImports.getState().list.find(({ phase }) => phase === 'waiting');
    if (!next) return;
    const stopper = new AbortController();
    stoppers.set(next.id, stopper);
    change(next.id, { phase: 'measuring' });
    void importOne(next, stopper.signal).then((artwork) => {
      stoppers.delete(next.id);
      settle(next.id, artwork);
      pump();
    });
  }
}

function settle(id: number, artwork: Artwork | null): void {
  listeners.get(id)?.(artwork);
  listeners.delete(id);
}

async function importOne({ id, name, file }: Import, signal: AbortSignal): Promise<Artwork | null> {
  try {
    requireReadableSize(name, file.size);
    const onProgress = (share: number) => {
      change(id, { share });
    };
    const measured = await engine.measure({ name, file, steps: [] }, { signal, onProgress });
    const { artwork: kept, known } = await keepFile(measured, file, signal);
    const artwork = known ? kept : await withItsWords(kept, { signal });
    const message = known ? `Already here as “${artwork.facts.name}”.` : null;
    change(id, { phase: known ? 'known' : 'done', share: 1, message });
    return artwork;
  } catch (error) {
    change(id, isStopped(error) ? { phase: 'stopped' } : { phase: 'failed', message: sentence(error) });
    return null;
  }
}

/** A drawing that came in with live text, its words outlined where its fonts are here; as it is where they are not. */
async function withItsWords(artwork: Artwork, options: JobOptions): Promise<Artwork> {
  if (!hasLiveText(artwork)) return artwork;
  try {
    return (await outlineText(artwork, options)).artwork;
  } catch (error) {
    if (isStopped(error)) throw error;
    // What stands in the way is said where the artwork is opened and its words are asked for.
    return artwork;
  }
}
