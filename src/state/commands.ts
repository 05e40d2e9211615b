import { create } from 'zustand';

/** Something that can be done where one is, by its name. */
export interface Verb {
  id: string;
  name: string;
  keys: string;
  run: () => void;
}

/** What the place that is open offers to the list of commands; nothing where it offers nothing. */
export const useOffered = create<{ verbs: readonly Verb[] }>(() => ({ verbs: [] }));
