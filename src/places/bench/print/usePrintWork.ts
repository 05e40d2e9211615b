'use client';
import { useState } from 'react';
import { toast } from '@/ui/toast';
import type { Fit } from '@/core/fit/schema';
import type { PrintParts } from '@/core/pack/cut-out';
import type { PrintChoice } from '@/core/print/plan';
import { sentence } from '@/state/sentence';
import { makePrintFiles, savePrintFiles, type MadePrints } from '@/state/handover/print';

export interface PrintWork {
  /** How far it is, 0 to 1; null where nothing is being made. */
  share: number | null;
  make: (
    fit: Fit,
    faceId: string,
    parts: PrintParts,
    choice: PrintChoice & { together?: boolean },
  ) => Promise<void>;
  stop: () => void;
}

/** Print files being made: how far they are, a way to stop them, and what is said once they are there. */
export function usePrintWork(): PrintWork {
  const [work, setWork] = useState<{ share: number; stop: AbortController } | null>(null);
  return {
    share: work?.share ?? null,
    stop: () => {
      work?.stop.abort();
    },
    make: async (fit, faceId, parts, choice) => {
      const stop = new AbortController();
      setWork({ share: 0, stop });
      try {
        const made = await makePrintFiles(fit, faceId, parts, choice, {
          signal: stop.signal,
          onProgress: (share) => {
            setWork({ share, stop });
          },
        });
        if (made) await handOver(made);
      } catch (error) {
        toast(sentence(error));
      } finally {
        setWork(null);
      }
    },
  };
}

async function handOver(made: MadePrints): Promise<void> {
  await savePrintFiles(made);
  const { files, silent } = made;
  const [first] = files;
  if (!first) return;
  const { pixels, ppi } = first.plan;
  toast(
    files.length === 1
      ? `${first.name}: ${pixels.width} × ${pixels.height} px at ${ppi} PPI, read back as planned.`
      : `${files.length} print files, in one zip, read back as planned.`,
    {
      description: [
        ...new Set(files.flatMap(({ told }) => told)),
        ...(silent.length > 0
          ? [`Before it is ordered: nothing is said of who made ${silent.join(', ')}, or of its licence.`]
          : []),
      ].join(' '),
    },
  );
}
