'use client';
import { toast } from '@/ui/toast';
import type { Fit } from '@/core/fit/schema';
import type { PrintParts } from '@/core/pack/cut-out';
import type { PrintChoice } from '@/core/print/plan';
import { makePrintFiles, savePrintFiles, type MadePrints } from '@/state/handover/print';
import { useWork } from '../../shell/useWork';

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
  const { progress, run, stop } = useWork<number>({ outlives: true, place: false });
  return {
    share: progress,
    stop,
    make: (fit, faceId, parts, choice) =>
      run(0, async (options) => {
        const made = await makePrintFiles(fit, faceId, parts, choice, options);
        if (made) await handOver(made);
      }),
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
