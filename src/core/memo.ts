import { LRUCache } from 'lru-cache';

/** What was worked out before, by a key: the `most` that were asked for last. */
export function memo<K extends string | number, V extends object>(most: number) {
  const known = new LRUCache<K, V>({ max: most });
  return (key: K, work: () => V): V => {
    let found = known.get(key);
    if (!found) known.set(key, (found = work()));
    return found;
  };
}

/** The same for each object by itself; it goes when the object goes. */
export function memoOf<O extends object, K extends string | number, V extends object>(most: number) {
  const memos = new WeakMap<O, ReturnType<typeof memo<K, V>>>();
  return (owner: O, key: K, work: () => V): V => {
    let own = memos.get(owner);
    if (!own) memos.set(owner, (own = memo<K, V>(most)));
    return own(key, work);
  };
}

/** What is worked out of an object once, and goes when the object goes. */
export function once<O extends object, V>(work: (owner: O) => V): (owner: O) => V {
  const known = new WeakMap<O, { value: V }>();
  return (owner) => {
    let found = known.get(owner);
    if (!found) known.set(owner, (found = { value: work(owner) }));
    return found.value;
  };
}
