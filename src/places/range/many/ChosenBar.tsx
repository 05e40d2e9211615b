'use client';
import { useState } from 'react';
import type { Verdict } from '@/core/check/finding';
import { keyOfPlace } from '@/core/many/choice';
import { verdictOf } from '@/state/bench/dockets';
import { chooseNone, useChosen } from '@/state/many/chosen';
import { takeOffMany, targetsIn, type Target } from '@/state/many/preview';
import { useShop, type Shop } from '@/state/shop/shop';
import { MenuLine, MenuRule, VerbMenu } from '@/ui/Menu';
import { tellDone } from '@/ui/tell';
import { VERDICT_INK, VERDICT_WORDS } from '@/ui/Verdict';
import { ActDialog } from './ActDialog';
import { ACTS, type ActId } from './acts';

/** What is chosen on the range: how many, how they stand, and what can be done to all of them. */
export function ChosenBar() {
  const keys = useChosen((chosen) => chosen.keys);
  const shop = useShop();
  const [asked, setAsked] = useState<ActId | null>(null);
  if (keys.size === 0 && asked === null) return null;
  const targets = targetsIn(keys, shop);
  // What was taken off meanwhile is not chosen any more.
  const cells = new Set(targets.map(({ design, blankId }) => keyOfPlace({ designId: design.id, blankId })));
  const fits = targets.flatMap(({ fit }) => fit ?? []);
  const bare = targets.length - fits.length;
  return (
    <>
      <div
        role="group"
        aria-label="Chosen on the range"
        className="flex h-10 shrink-0 items-center gap-5 border-b border-rule bg-docket px-4"
      >
        <span className="font-bold">{cells.size} chosen</span>
        <Standing targets={targets} shop={shop} />
        {bare > 0 && <span className="text-ink-2">{bare} not fitted</span>}
        <span className="ml-auto flex items-center gap-4">
          <VerbMenu label="Do to them…" spoken="What can be done to all that is chosen" align="end">
            <ActLines targets={targets} onAsk={setAsked} />
            <MenuRule />
            <MenuLine
              disabled={fits.length === 0}
              keys={String(fits.length)}
              onSelect={() =>
                void takeOffMany(fits.map(({ id }) => id)).then(({ undo }) => {
                  tellDone(`${fits.length} ${fits.length === 1 ? 'fit is' : 'fits are'} off.`, undo);
                })
              }
            >
              Take them off their blanks
            </MenuLine>
          </VerbMenu>
          <button className="verb" onClick={chooseNone}>
            Choose none
          </button>
        </span>
      </div>
      {asked !== null && (
        <ActDialog
          act={ACTS[asked]}
          targets={targets.filter(ACTS[asked].takes)}
          onClose={() => {
            setAsked(null);
          }}
        />
      )}
    </>
  );
}

/** Every act with how many of the targets it can be done to; counted while the menu is open. */
function ActLines({ targets, onAsk }: { targets: readonly Target[]; onAsk: (id: ActId) => void }) {
  return (Object.keys(ACTS) as ActId[]).map((id) => {
    const { name, takes } = ACTS[id];
    const count = targets.filter(takes).length;
    return (
      <MenuLine
        key={id}
        disabled={count === 0}
        keys={String(count)}
        onSelect={() => {
          onAsk(id);
        }}
      >
        {name}
      </MenuLine>
    );
  });
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
