import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { inThisWindow } from './window';

/** Fits that one place hands to the next by itself, kept for their window: an address is too short for hundreds. */
export const useHanded = create<{ fitIds: readonly string[] }>()(
  persist((): { fitIds: readonly string[] } => ({ fitIds: [] }), {
    name: 'up-fit handed',
    storage: inThisWindow(),
  }),
);
