import type { Finding } from '@/core/check/finding';
import type { Fit } from '@/core/fit/schema';
import { isMendable, mendAll } from '@/core/many/mend-all';
import type { JobOptions } from '@/workers/client';
import { withOwnCuts } from './cutting';
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
    (next) => (signal?.aborted ? Promise.resolve(null) : measuredAnew(next, { signal })),
    onDone,
  );
  // What the hand did meanwhile is not taken back.
  if (all.done.length > 0 && useBench.getState().fit === fit) await changeFit(() => all.fit);
  return all;
}

/** A fit with the lines that follow from what was changed, and what is found in it. */
async function measuredAnew(
  changed: Fit,
  options: JobOptions,
): Promise<{ fit: Fit; findings: Finding[] } | null> {
  const fit = await withOwnCuts(changed, options);
  const docket = await measured(fit, options);
  return docket && { fit, findings: docket.findings };
}
