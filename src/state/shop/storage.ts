export { clearLoose } from '@/store/commit';
export { onStanding } from '@/store/database';

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
  const megabytes = Math.max(0, Math.floor(left / 1024 / 1024));
  return `This browser has ${megabytes} MB left for Up Fit. Take out artwork you no longer use, or free space on the disk, before you bring in more.`;
}

/** Asks the browser to keep what is stored when it clears up; it may say no. */
export async function askToKeep(): Promise<void> {
  if (!(await navigator.storage.persisted())) await navigator.storage.persist();
}
