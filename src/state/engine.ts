/** What the screens may know of the engine. */
export { engineHindrance, isStopped } from '@/workers/client';
