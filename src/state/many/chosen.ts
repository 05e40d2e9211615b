import { create } from 'zustand';
import { blockOf, keyOfPlace, toggled, type Lines, type Place } from '@/core/many/choice';

/** What is chosen on the range, and the corner that a block is drawn from. */
interface Chosen {
  keys: ReadonlySet<string>;
  from: Place | null;
}

const NONE: Chosen = { keys: new Set(), from: null };

export const useChosen = create<Chosen>(() => NONE);

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
