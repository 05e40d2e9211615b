'use client';
import type { Finding, Verdict } from '@/core/check/finding';
import { ruleName } from '@/core/check/registry';
import { changePieces, useHand } from '@/state/bench';
import { Gauge } from '@/ui/Gauge';
import { VERDICT_INK, VERDICT_WORDS, VerdictShape } from '@/ui/Verdict';
import type { LiveDocket } from './useDocket';
import type { Live } from './useLive';

/** The docket: everything required and everything measured, on a strip of paper torn along its edge. */
export function DocketStrip({ live, docket, trouble }: LiveDocket & { live: Live }) {
  const pointedAt = useHand((hand) => hand.pointedAt);
  const count = (verdict: Verdict) => docket.findings.filter((finding) => finding.verdict === verdict).length;
  return (
    <aside
      aria-label="Docket"
      className="relative flex w-[343px] shrink-0 flex-col border-l border-ink bg-docket pl-[22px] pr-4"
    >
      <Perforation />
      <div className="flex items-baseline gap-2.5 border-b-2 border-ink py-3.5">
        <h2 className="text-lg font-bold">Docket</h2>
        <span role="status" className="measure text-sm text-ink-2">
          {docket.exact ? 'exact' : trouble ? 'coarse only' : 'coarse, measuring…'}
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
      {trouble && (
        <p role="alert" className="border-b border-rule py-2 text-sm text-fix">
          {trouble}
        </p>
      )}
      {docket.findings.length === 0 ? (
        <p className="py-4 text-ink-2">Nothing is on this face yet, so there is nothing to measure.</p>
      ) : (
        <ul className="min-h-0 grow overflow-auto">
          {docket.findings.map((finding, index) => (
            <Line
              key={`${finding.rule}-${finding.pieceId ?? index}`}
              finding={finding}
              pointed={pointedAt === index}
              onPoint={(on) => {
                useHand.setState({ pointedAt: on ? index : null });
              }}
              onRemedy={(pieces) => void changePieces(live.face.id, pieces)}
            />
          ))}
        </ul>
      )}
    </aside>
  );
}

interface LineProps {
  finding: Finding;
  pointed: boolean;
  onPoint: (on: boolean) => void;
  onRemedy: (pieces: Finding['remedies'][number]['pieces']) => void;
}

function Line({ finding, pointed, onPoint, onRemedy }: LineProps) {
  const { rule, verdict, shown, message, remedies, gauge, assumed } = finding;
  return (
    <li
      data-rule={rule}
      data-verdict={verdict}
      tabIndex={0}
      aria-label={`${ruleName(rule)}: ${VERDICT_WORDS[verdict]}. ${message}`}
      onPointerEnter={() => {
        onPoint(true);
      }}
      onPointerLeave={() => {
        onPoint(false);
      }}
      onFocus={() => {
        onPoint(true);
      }}
      onBlur={() => {
        onPoint(false);
      }}
      className={`border-b border-rule py-2 ${pointed ? 'bg-frame' : ''}`}
    >
      <div className="flex items-start gap-2.5">
        <span className="pt-1">
          <VerdictShape verdict={verdict} />
        </span>
        <span className="min-w-0 grow">
          <span className="flex items-baseline justify-between gap-2">
            <span className="whitespace-nowrap font-semibold">{ruleName(rule)}</span>
            <span
              className={`measure truncate font-semibold ${verdict === 'ready' ? '' : VERDICT_INK[verdict]}`}
            >
              {shown.measured}
            </span>
          </span>
          <span className="measure block text-sm text-ink-2">{shown.required}</span>
        </span>
        <Gauge gauge={gauge} verdict={verdict} />
      </div>
      {verdict !== 'ready' && <p className="ml-[21px] mt-1 text-sm">{message}</p>}
      {assumed && rule !== 'file-spec' && (
        <p className="ml-[21px] text-sm text-look">Rests on an assumed {assumed.join(', ')}.</p>
      )}
      {remedies.map((remedy) => (
        <button
          key={remedy.id}
          className="verb ml-[21px] mt-1 block text-base"
          onClick={() => {
            onRemedy(remedy.pieces);
          }}
        >
          {remedy.label}
        </button>
      ))}
    </li>
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
