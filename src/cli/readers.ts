import type { Readers } from '@/files/artwork';
import { nodePages } from '@/files/pdf/node';
import { loadNodeEngine } from '@/imaging/node';
import type { ReaderSupply } from './answer';

/** Readers that are loaded when first asked for, and kept; and what closes them. */
export function nodeReaders(): { supply: ReaderSupply; close: () => void } {
  let loaded: Readers | undefined;
  return {
    supply: async (renew = false) => {
      if (renew) loaded = undefined;
      return (loaded ??= { engine: await loadNodeEngine(), drawPage: nodePages() });
    },
    close: () => loaded?.engine.close(),
  };
}
