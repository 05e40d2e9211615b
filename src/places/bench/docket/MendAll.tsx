'use client';
import { toast } from '@/ui/toast';
import { ruleName } from '@/core/check/registry';
import { mendOpenFit } from '@/state/bench/mending';
import { undo } from '@/state/bench/open-fit';
import { isStopped } from '@/state/engine/engine';
import { useWork } from '../../shell/useWork';

/** Takes every remedy that mends and makes nothing worse, one after another, each measured; one undo takes them back. */
export function MendAll({ idle }: { idle: boolean }) {
  const { progress, trouble, run, stop } = useWork<readonly string[]>();
  const mend = () =>
    run([], async ({ signal, onProgress }) => {
      try {
        const { done, left } = await mendOpenFit({ signal, onDone: onProgress });
        const rules = [...new Set(left.map(({ rule }) => ruleName(rule).toLowerCase()))].join(', ');
        const rest = rules === '' ? 'Nothing is left.' : `Left: ${rules}.`;
        if (done.length === 0) toast(`Nothing could be mended without making something else worse. ${rest}`);
        else
          toast(`${done.length} mended. ${rest}`, {
            duration: 10_000,
            action: { label: 'Undo', onClick: () => void undo() },
          });
      } catch (error) {
        if (!isStopped(error)) throw error;
      }
    });
  return (
    <p className="flex min-h-8 items-center gap-3 border-b border-rule text-sm">
      {progress ? (
        <>
          <span role="status" className="min-w-0 truncate text-ink-2">
            Mending… {progress.at(-1) ?? ''}
          </span>
          <button className="verb ml-auto min-h-6" onClick={stop}>
            Stop
          </button>
        </>
      ) : (
        <button
          className="verb min-h-6"
          aria-disabled={idle}
          onClick={() => {
            if (!idle) void mend();
          }}
        >
          Mend all that can be mended
        </button>
      )}
      {trouble && (
        <span role="alert" className="text-fix">
          {trouble}
        </span>
      )}
    </p>
  );
}
