import type { Finding } from '@/core/check/finding';
import { isMendable, mendAll } from '@/core/many/mend-all';
import type { JobOptions } from '@/workers/client';
import { keptDocket, measured } from './dockets';
import { changeFit, useBench } from './open-fit';

export { isMendable };

/** Takes every remedy of the open fit that mends and makes nothing worse, as one step; answers with what was done and is left. */
export async function mendOpenFit({
  signal,
  onDone,
}: JobOptions & { onDone: (done: readonly string[]) => void }): Promise<{ done: string[]; left: Finding[] }> {
  const { fit } = useBench.getState();
  const docket = fit && ((await keptDocket(fit)) ?? (await measured(fit, { signal })));
  if (!fit || !docket) return { done: [], left: [] };
  const all = await mendAll(
    fit,
    docket,
    (next) => (signal?.aborted ? Promise.resolve(null) : measured(next, { signal })),
    onDone,
  );
  // What the hand did meanwhile is not taken back.
  if (all.done.length > 0 && useBench.getState().fit === fit) await changeFit(() => all.fit);
  return all;
}
