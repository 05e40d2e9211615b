'use client';
import { isOpen, standing, type Verdict } from '@/core/check/finding';
import { isMendable } from '@/state/bench/mending';
import { CostLine } from './CostLine';
import { DocketLine } from './DocketLine';
import { DocketReach } from './DocketReach';
import { MendAll } from './MendAll';
import { VERDICT_INK, VERDICT_WORDS } from '@/ui/Verdict';
import type { LiveDocket } from './useDocket';
import type { Live } from '../live/useLive';

/**
 * The docket: everything required and everything measured, on a strip of paper torn along its edge. What a person has
 * to do something about comes first, in full; what was accepted and what is Ready after it, a row each.
 */
export function DocketStrip({
  live,
  docket,
  current,
  trouble,
  behind,
}: LiveDocket & {
  live: Live;
  /** Whether the fit has changed since what is shown was measured. */
  behind: boolean;
}) {
  const findings = docket?.findings ?? [];
  const count = (verdict: Verdict) => findings.filter((finding) => standing(finding) === verdict).length;
  const lines = findings.map((finding, index) => ({ finding, index }));
  const open = (['fix', 'look'] as const).flatMap((verdict) =>
    lines.filter(({ finding }) => isOpen(finding) && finding.verdict === verdict),
  );
  const idle = live.following || behind || !current;
  const mendable = open.filter(({ finding }) => isMendable([finding]));
  const accepted = lines.filter(({ finding }) => finding.accepted);
  const ready = lines.filter(({ finding }) => finding.verdict === 'ready');
  return (
    <aside
      aria-label="Docket"
      className="relative flex w-[343px] shrink-0 flex-col border-l border-ink bg-docket pl-[22px] pr-4"
    >
      <Perforation />
      <div className="flex items-baseline gap-2.5 border-b-2 border-ink py-3.5">
        <h2 className="text-lg font-bold">Docket</h2>
        <span role="status" className="measure text-sm text-ink-2">
          {docket?.exact && !behind ? 'exact' : trouble ? 'coarse only' : 'coarse, measuring…'}
        </span>
        <span className="measure ml-auto flex gap-2 text-base font-semibold">
          {(['fix', 'look', 'ready'] as const).map((verdict) =>
            count(verdict) > 0 ? (
              <span key={verdict} className={VERDICT_INK[verdict]}>
                {count(verdict)} {VERDICT_WORDS[verdict]}
              </span>
            ) : null,
          )}
        </span>
      </div>
      <CostLine fitId={live.fit.id} />
      {trouble && (
        <p role="alert" className="border-b border-rule py-2 text-sm text-fix">
          {trouble}
        </p>
      )}
      {!docket || findings.length === 0 ? (
        <p className="py-4 text-ink-2">
          {docket ? 'Nothing is on this face yet, so there is nothing to measure.' : 'Measuring…'}
        </p>
      ) : (
        <div className="min-h-0 grow overflow-auto">
          {mendable.length > 1 && docket.exact && <MendAll idle={idle} />}
          <DocketReach docket={docket} live={live} />
          <ul>
            {[...open, ...accepted, ...ready].map(({ finding, index }) => (
              <DocketLine
                key={`${finding.faceId}-${finding.rule}-${finding.pieceId ?? ''}-${finding.unit}-${finding.size?.id ?? ''}`}
                finding={finding}
                index={index}
                idle={idle}
              />
            ))}
          </ul>
        </div>
      )}
    </aside>
  );
}

/** The torn edge: a line of holes where the strip came off its block. */
function Perforation() {
  return (
    <svg aria-hidden className="absolute -left-[5px] top-0 h-full w-[10px]">
      <pattern id="perforation" width="10" height="18" patternUnits="userSpaceOnUse">
        <circle cx="5" cy="9" r="3.6" fill="var(--color-viewing)" stroke="var(--ink)" strokeWidth="0.8" />
      </pattern>
      <rect width="10" height="100%" fill="url(#perforation)" />
    </svg>
  );
}
