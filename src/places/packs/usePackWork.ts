'use client';
import type { PackAsked, PackProgress } from '@/state/handover/make-pack';
import { useWork } from '../shell/useWork';

/** A pack being made: how far it is, a way to stop it, and what was in the way. */
export function usePackWork(onMade: (id: string) => void) {
  const { run, ...work } = useWork<PackProgress>();
  return {
    ...work,
    make: (asked: PackAsked) =>
      run({ doing: 'Beginning', share: 0 }, async (options) => {
        // Fetched with the first pack that is made: it measures, draws and writes.
        const { makePack } = await import('@/state/handover/make-pack');
        const pack = await makePack(asked, options);
        if (pack) onMade(pack.id);
      }),
  };
}
