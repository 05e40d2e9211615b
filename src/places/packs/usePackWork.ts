'use client';
import { makePack, type PackAsked, type PackProgress } from '@/state/handover/packs';
import { useWork } from '../shell/useWork';

/** A pack being made: how far it is, a way to stop it, and what was in the way. */
export function usePackWork(onMade: (id: string) => void) {
  const { run, ...work } = useWork<PackProgress>();
  return {
    ...work,
    make: (asked: PackAsked) =>
      run({ doing: 'Beginning', share: 0 }, async (options) => {
        const pack = await makePack(asked, options);
        if (pack) onMade(pack.id);
      }),
  };
}
