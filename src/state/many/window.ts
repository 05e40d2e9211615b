import { createJSONStorage, type PersistStorage } from 'zustand/middleware';

/** Where what a window shows is kept for as long as it is open, also while it is loaded again. Sets become lists. */
export function inThisWindow<T>(): PersistStorage<T> | undefined {
  return createJSONStorage<T>(() => sessionStorage, {
    replacer: (_, value) => (value instanceof Set ? [...(value as Set<unknown>)] : value),
  });
}
