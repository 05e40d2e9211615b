/** What the screens may know of the engine. */
export { engineHindrance, isStopped, type JobOptions } from '@/workers/client';
