import { useState } from 'react';
import {
  savePictures,
  type PicturesProgress,
  type PictureStyle,
  type PictureWanted,
} from '@/state/handover/pictures';
import { useWork } from '../shell/useWork';

/** Pictures being made: how far they are, a way to stop them, and what came of them. */
export function usePicturesWork() {
  const { run, trouble, ...work } = useWork<PicturesProgress>();
  const [said, setSaid] = useState('');
  return {
    ...work,
    said: trouble ?? said,
    make: (wanted: readonly PictureWanted[], style: PictureStyle) =>
      run({ done: 0, of: wanted.length, share: 0 }, async (options) => {
        setSaid('');
        const done = await savePictures(wanted, style, options);
        const pictures = `${done} ${done === 1 ? 'picture' : 'pictures'} saved${done > 1 ? ' in one zip' : ''}.`;
        setSaid(done === wanted.length ? pictures : `Stopped: ${done} of ${wanted.length} saved.`);
      }),
  };
}
