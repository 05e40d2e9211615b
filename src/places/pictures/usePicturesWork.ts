import { useState } from 'react';
import type { Fit } from '@/core/fit/schema';
import type { PictureSet } from '@/core/mockup/schema';
import { noteMade, sameSet } from '@/state/handover/picture-sets';
import { savePictures, type PicturesProgress, type PictureWanted } from '@/state/handover/pictures';
import { useShop } from '@/state/shop/shop';
import { useWork } from '../shell/useWork';

/** Pictures being made: how far they are, a way to stop them, and what came of them. */
export function usePicturesWork() {
  const { run, trouble, ...work } = useWork<PicturesProgress>();
  const [said, setSaid] = useState('');
  return {
    ...work,
    said: trouble ?? said,
    make: (wanted: readonly PictureWanted[], set: PictureSet) =>
      run({ done: 0, of: wanted.length, share: 0 }, async (options) => {
        setSaid('');
        const done = await savePictures(wanted, set.style, options);
        const kept = sameSet(useShop.getState().settings.pictureSets, set);
        // What was stopped is not made of all of them.
        if (kept && done === wanted.length) await noteMade(kept.name, firstOf(wanted));
        const pictures = `${done} ${done === 1 ? 'picture' : 'pictures'} saved${done > 1 ? ' in one zip' : ''}.`;
        setSaid(done === wanted.length ? pictures : `Stopped: ${done} of ${wanted.length} saved.`);
      }),
  };
}

/** The fits that pictures are of, each once. */
function firstOf(wanted: readonly PictureWanted[]): Fit[] {
  const firsts = wanted.flatMap(({ fits }) => fits.slice(0, 1));
  return [...new Map(firsts.map((fit) => [fit.id, fit])).values()];
}
