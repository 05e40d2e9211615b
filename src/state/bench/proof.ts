import { create } from 'zustand';

/** How colours are shown: as designed, as printed, or as printed on the paper's own white. */
export const PROOF_MODES = ['designed', 'printed', 'paper'] as const;
export type ProofMode = (typeof PROOF_MODES)[number];

/** What is hatched on the flat: colours the inks cannot reach, or more ink than the material holds. */
export type Hatched = 'none' | 'gamut' | 'ink';

export interface Proof {
  mode: ProofMode;
  /** Where the divider stands, 0 to 1 of the flat's room: as designed left of it. Null where all is as printed. */
  divider: number | null;
  hatched: Hatched;
}

/** The soft proof: how everything on the bench is looked at, until it is put back. */
export const useProof = create<Proof>(() => ({ mode: 'designed', divider: null, hatched: 'none' }));
