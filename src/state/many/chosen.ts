import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { blockOf, keyOfPlace, toggled, type Lines, type Place } from '@/core/many/choice';
import type { KeptAct } from '@/store/schema';
import { inThisWindow } from './window';

/** What is chosen on the range, and what is being done to it. */
interface Chosen {
  keys: ReadonlySet<string>;
  /** The corner that a block is drawn from. */
  from: Place | null;
  /** The act that is being looked at. */
  act: KeptAct | null;
  /** Whether the window was loaded again while it was. */
  brokenOff: boolean;
}

const NONE: Chosen = { keys: new Set(), from: null, act: null, brokenOff: false };

/** Kept for its window, so that one loaded again goes on where it was. */
export const useChosen = create<Chosen>()(
  persist(() => NONE, {
    name: 'up-fit chosen',
    storage: inThisWindow(),
    partialize: ({ keys, act }) => ({ keys, act }),
    merge: (kept, now) => {
      const { keys = [], act = null } = (kept ?? {}) as { keys?: string[]; act?: KeptAct | null };
      return { ...now, keys: new Set(keys), act: null, ...(act && { act, brokenOff: true }) };
    },
  }),
);

/** Looks at an act on what is chosen, or leaves it. */
export function lookAt(act: KeptAct | null): void {
  useChosen.setState({ act, brokenOff: false });
}

export function chooseNone(): void {
  useChosen.setState(NONE);
}

/** Chooses these and nothing else. */
export function chooseOnly(keys: Iterable<string>): void {
  useChosen.setState({ keys: new Set(keys), from: null });
}

/** Chooses a place besides what is chosen, or leaves it out again; blocks are drawn from it. */
export function toggle(place: Place): void {
  useChosen.setState(({ keys }) => ({ keys: toggled(keys, [keyOfPlace(place)]), from: place }));
}

/** Chooses many besides what is chosen, or leaves them out where they all are. */
export function toggleAll(keys: readonly string[]): void {
  useChosen.setState((so) => ({ ...so, keys: toggled(so.keys, keys) }));
}

/** Chooses the block from where the last place was chosen to this one, and nothing else. */
export function chooseBlock(to: Place, first: Place, lines: Lines): void {
  useChosen.setState(({ from }) => {
    const corner = from ?? first;
    return { keys: new Set(blockOf(corner, to, lines)), from: corner };
  });
}
