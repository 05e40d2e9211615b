'use client';
import { useState } from 'react';
import type { Verdict } from '@/core/check/finding';
import { keyOfPlace } from '@/core/many/choice';
import { verdictOf } from '@/state/bench/dockets';
import type { ManyFiles } from '@/state/handover/many';
import { chooseNone, lookAt, useChosen } from '@/state/many/chosen';
import { targetsIn, type Target } from '@/state/many/preview';
import { useShop, type Shop } from '@/state/shop/shop';
import { VERDICT_INK, VERDICT_WORDS } from '@/ui/Verdict';
import { ActDialog } from './ActDialog';
import { ACTS, isActId } from './acts';
import { DoMenu, HandOverMenu } from './DoMenu';
import { FilesDialog } from './FilesDialog';

/** What is chosen on the range: how many, how they stand, and what can be done to all of them. */
export function ChosenBar() {
  const { keys, act, brokenOff } = useChosen();
  const shop = useShop();
  const [files, setFiles] = useState<ManyFiles | null>(null);
  const targets = targetsIn(keys, shop);
  // What was taken off meanwhile is not chosen any more.
  const cells = new Set(targets.map(({ design, blankId }) => keyOfPlace({ designId: design.id, blankId })));
  const fits = targets.flatMap(({ fit }) => fit ?? []);
  const bare = targets.length - fits.length;
  const id = act && isActId(act.act) ? act.act : null;
  return (
    <>
      <div
        role="group"
        aria-label="Chosen on the range"
        className="flex h-10 shrink-0 items-center gap-5 whitespace-nowrap border-b border-rule bg-docket px-4"
      >
        <span className="font-bold">{cells.size} chosen</span>
        <Standing targets={targets} shop={shop} />
        {bare > 0 && <span className="text-ink-2">{bare} not fitted</span>}
        {id && brokenOff && (
          <span role="status" className="flex min-w-0 items-center gap-3 text-look">
            <span className="truncate">
              “{ACTS[id].name.replace('…', '')}” was under way: see what is left of it.
            </span>
            <button
              className="verb"
              onClick={() => {
                lookAt(act);
              }}
            >
              Go on
            </button>
            <button
              className="verb"
              onClick={() => {
                lookAt(null);
              }}
            >
              Leave it
            </button>
          </span>
        )}
        <span className="ml-auto flex items-center gap-4">
          <DoMenu targets={targets} />
          <HandOverMenu targets={targets} onFiles={setFiles} />
          <button className="verb" onClick={chooseNone}>
            Choose none
          </button>
        </span>
      </div>
      {act && id && !brokenOff && (
        <ActDialog
          id={id}
          first={act.answers}
          chosen={targets.filter(ACTS[id].takes)}
          onClose={() => {
            lookAt(null);
          }}
        />
      )}
      {files && (
        <FilesDialog
          kind={files}
          fits={fits}
          onClose={() => {
            setFiles(null);
          }}
        />
      )}
    </>
  );
}

/** The verdicts of what is chosen. */
function Standing({ targets, shop }: { targets: readonly Target[]; shop: Shop }) {
  const counts = new Map<Verdict | null, number>();
  for (const { fit } of targets) {
    if (!fit) continue;
    const verdict = verdictOf(fit, shop) ?? null;
    counts.set(verdict, (counts.get(verdict) ?? 0) + 1);
  }
  return (
    <>
      {(['ready', 'look', 'fix'] as const).map(
        (verdict) =>
          counts.has(verdict) && (
            <span key={verdict} className={`font-semibold ${VERDICT_INK[verdict]}`}>
              {counts.get(verdict)} {VERDICT_WORDS[verdict]}
            </span>
          ),
      )}
      {counts.has(null) && <span className="text-ink-2">measuring {counts.get(null)}</span>}
    </>
  );
}
