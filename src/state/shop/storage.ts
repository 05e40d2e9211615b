export { clearLoose } from '@/store/commit';
export { onStanding } from '@/store/database';

import { showBytes } from '@/core/length/bytes';
import { useShop } from './shop';

/** Less room than this, in bytes, may not hold the next large artwork. */
const LITTLE = 200 * 1024 * 1024;
/** More of the room taken than this share is nearly all of it. */
const NEARLY = 0.9;

/** Says that the browser will soon have no room for more, before anything is refused; null while there is enough. */
export async function roomTrouble(): Promise<string | null> {
  const { usage = 0, quota = 0 } = await navigator.storage.estimate();
  if (quota === 0) return null;
  const left = quota - usage;
  if (left > LITTLE && usage / quota < NEARLY) return null;
  const largest = largestThings(3).join(', ');
  return `This browser has ${showBytes(Math.max(0, left))} left for Up Fit. Take out artwork you no longer use, or free space on the disk, before you bring in more.${largest === '' ? '' : ` The largest: ${largest}.`}`;
}

/** What the shop takes of this browser's room, and what is left, in a sentence; null where the browser does not say. */
export async function roomUsed(): Promise<string | null> {
  const { usage = 0, quota = 0 } = await navigator.storage.estimate();
  return quota === 0
    ? null
    : `The shop takes ${showBytes(usage)} in this browser; ${showBytes(Math.max(0, quota - usage))} are left.`;
}

/** What takes most room and can be taken out, the largest first, each with its size. */
function largestThings(most: number): string[] {
  const { artworks, packs } = useShop.getState();
  return [
    ...[...artworks.values()].map(({ facts }) => ({ name: `“${facts.name}”`, bytes: facts.bytes })),
    ...[...packs.values()].map(({ manifest, bytes }) => ({ name: `the pack “${manifest.name}”`, bytes })),
  ]
    .sort((a, b) => b.bytes - a.bytes)
    .slice(0, most)
    .map(({ name, bytes }) => `${name} ${showBytes(bytes)}`);
}

/** Asks the browser to keep what is stored when it clears up; it may say no. */
export async function askToKeep(): Promise<void> {
  if (!(await navigator.storage.persisted())) await navigator.storage.persist();
}
