import { useMemo } from 'react';
import { CHECK_LIMITS } from '@/core/limits';
import type { ProofAsked } from '@/state/bench/product';
import { useProof } from '@/state/bench/proof';
import { usePress } from './usePress';
import type { Live } from './useLive';

/** What is asked of a soft proof now, the divider left out; null where colours are shown as designed. */
export function useProofAsked({ blank }: Pick<Live, 'blank'>): Omit<ProofAsked, 'from'> | null {
  const press = usePress(blank.spec.id);
  const { mode, hatched } = useProof();
  const limit = hatched === 'ink' ? inkLimit(blank) : CHECK_LIMITS.outOfGamut;
  return useMemo(() => {
    if (!press || (mode === 'designed' && hatched === 'none')) return null;
    return {
      press,
      shown: mode === 'designed' ? null : mode,
      hatched: hatched === 'none' ? null : { kind: hatched, limit },
    };
  }, [press, mode, hatched, limit]);
}

/** Ink in percent that is hatched from: the material's limit, or what most papers hold. */
export function inkLimit({ limits }: Live['blank']): number {
  return limits.totalInk ?? 300;
}
