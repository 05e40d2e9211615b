'use client';
import type { Changed } from '@/state/artwork/artworks';
import { tellDone } from '@/ui/tell';
import { useWork, type WorkAsked } from '../shell/useWork';

/** A change of an artwork's pixels under way. */
export interface Busy {
  label: string;
  share: number;
  stop: () => void;
}

type Work = (options: WorkAsked<number>) => Promise<Changed>;

/** Runs a change of an artwork's pixels: shows how far it is, can be stopped, tells what became of it, and undoes it. */
export function useChange(): { busy: Busy | null; run: (label: string, work: Work) => void } {
  const { progress, run, stop } = useWork<{ label: string; share: number }>({ outlives: true, place: false });
  return {
    busy: progress && { ...progress, stop },
    run: (label, work) =>
      void run({ label, share: 0 }, async ({ signal, onProgress }) => {
        const { said, fits, undo } = await work({
          signal,
          onProgress: (share) => {
            onProgress({ label, share });
          },
        });
        const followed = fits === 0 ? '' : fits === 1 ? ' Its fit follows.' : ` Its ${fits} fits follow.`;
        tellDone(`${label}. ${said.join(' ')}${followed}`, undo);
      }),
  };
}
