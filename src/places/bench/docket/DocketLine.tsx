'use client';
import Link from 'next/link';
import { useState, type ReactNode } from 'react';
import { accept, unaccept } from '@/core/check/acceptance';
import type { Finding } from '@/core/check/finding';
import { furtherOf, ruleName, wayOn } from '@/core/check/registry';
import { changeFit, applyRemedy, useBench } from '@/state/bench/open-fit';
import { useHand } from '@/state/bench/hand';
import { Gauge } from '@/ui/Gauge';
import { VERDICT_INK, VERDICT_WORDS, VerdictShape } from '@/ui/Verdict';
import { Hint } from '@/ui/Hint';
import { today } from '@/state/today';

interface Props {
  finding: Finding;
  /** Its place among the docket's findings. */
  index: number;
  /** Whether nothing can be done about it now: another tab writes the fit, or it was measured before the last edit. */
  idle: boolean;
}

/** One line of the docket: what is required, what was measured, what can be done. A Ready one takes a single row. */
export function DocketLine({ finding, index, idle }: Props) {
  const pointed = useHand((hand) => hand.pointedAt === index);
  const { rule, verdict, shown, message, gauge, accepted } = finding;
  const open = verdict !== 'ready' && !accepted;
  const ink = verdict === 'ready' ? '' : accepted ? 'text-ink-2' : VERDICT_INK[verdict];
  const point = (on: boolean) => () => {
    useHand.setState({ pointedAt: on ? index : null });
  };
  return (
    <li
      data-rule={rule}
      data-verdict={verdict}
      data-accepted={accepted !== undefined}
      tabIndex={0}
      aria-label={`${ruleName(rule)}: ${accepted ? 'accepted' : VERDICT_WORDS[verdict]}. ${message}`}
      onPointerEnter={point(true)}
      onPointerLeave={point(false)}
      onFocus={point(true)}
      onBlur={point(false)}
      className={`border-b border-rule ${open ? 'py-2' : 'py-1'} ${pointed ? 'bg-frame' : ''}`}
    >
      <div className="flex items-start gap-2.5">
        <span className={open ? 'pt-1' : 'pt-[3px]'}>
          <VerdictShape verdict={verdict} />
        </span>
        <span className="min-w-0 grow">
          <span className="flex items-baseline justify-between gap-2">
            <span className="whitespace-nowrap font-semibold">{ruleName(rule)}</span>
            {!open && (
              <Hint words={shown.required}>
                <span className="measure min-w-0 grow truncate text-sm text-ink-2">{shown.required}</span>
              </Hint>
            )}
            <span className={`measure whitespace-nowrap font-semibold ${ink}`}>{shown.measured}</span>
          </span>
          {open && <span className="measure block text-sm text-ink-2">{shown.required}</span>}
        </span>
        {open && <Gauge gauge={gauge} verdict={verdict} />}
      </div>
      <div className="ml-[21px]">
        {open && <p className="mt-1 text-sm">{message}</p>}
        {finding.assumed && open && rule !== 'file-spec' && (
          <p className="text-sm text-look">Rests on an assumed {finding.assumed.join(', ')}.</p>
        )}
        {accepted && (
          <p className="text-sm text-ink-2">
            Accepted {verdict === 'fix' && 'though a Fix, '}
            {accepted.date}: {accepted.reason}{' '}
            <button
              className="verb"
              aria-disabled={idle}
              onClick={() => {
                if (!idle) void changeFit((fit) => unaccept(fit, finding));
              }}
            >
              Take back
            </button>
          </p>
        )}
        {open && <Ways finding={finding} idle={idle} />}
      </div>
    </li>
  );
}

/** What can be done about a finding: its remedies, and what only a person can say. */
function Ways({ finding, idle }: { finding: Finding; idle: boolean }) {
  const { rule, remedies, faceId, verdict, missing = [] } = finding;
  return (
    <>
      {remedies.length === 0 && <p className="text-sm text-ink-2">{wayOn(rule)}</p>}
      {remedies.map((remedy) => (
        <button
          key={remedy.id}
          className="verb mt-1 block text-left text-base"
          aria-disabled={idle}
          onClick={() => {
            if (!idle) void applyRemedy(faceId, remedy);
          }}
        >
          {remedy.label}
        </button>
      ))}
      <Further rule={rule} faceId={faceId} />
      {missing.map(({ id, name }) => (
        <Reason
          key={id}
          verb={`Tick ${name} by hand…`}
          label={`How you made sure of: ${name}`}
          onGiven={(note) =>
            void changeFit((fit) => ({
              ...fit,
              ticked: [...(fit.ticked ?? []), { entryId: id, note, date: today() }],
            }))
          }
        />
      ))}
      {verdict !== 'ready' && (
        <Reason
          verb={verdict === 'fix' ? 'Accept it all the same…' : 'Accept it…'}
          label={verdict === 'fix' ? 'Why it goes out as it is' : 'Why it is right as it is'}
          onGiven={(reason) => void changeFit((fit) => accept(fit, finding, reason, today()))}
        />
      )}
    </>
  );
}

/** The way to the place in which more can be done about it. */
function Further({ rule, faceId }: Pick<Finding, 'rule' | 'faceId'>) {
  const fitId = useBench(({ fit }) => fit?.id);
  const further = furtherOf(rule);
  if (!further || fitId === undefined) return null;
  const asked = new URLSearchParams({ fit: fitId, face: faceId });
  return (
    <Link href={`/${further.place}?${asked.toString()}`} className="verb mt-1 block w-fit text-base">
      {further.verb}
    </Link>
  );
}

/** A verb that asks for a few words first. */
function Reason({
  verb,
  label,
  onGiven,
}: {
  verb: string;
  label: string;
  onGiven: (words: string) => void;
}): ReactNode {
  const [asking, setAsking] = useState(false);
  const [words, setWords] = useState('');
  if (!asking)
    return (
      <button
        className="verb mt-1 block min-h-6 text-left text-sm"
        onClick={() => {
          setAsking(true);
        }}
      >
        {verb}
      </button>
    );
  return (
    <form
      className="mt-1 flex items-baseline gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (words.trim() !== '') onGiven(words.trim());
      }}
    >
      <input
        autoFocus
        aria-label={label}
        placeholder={label}
        value={words}
        onChange={(event) => {
          setWords(event.target.value);
        }}
        onKeyDown={(event) => {
          event.stopPropagation();
          if (event.key === 'Escape') setAsking(false);
        }}
        className="min-w-0 grow border-b border-ink bg-docket text-sm outline-none focus:border-b-2"
      />
      <button className="verb text-sm" disabled={words.trim() === ''}>
        Keep
      </button>
    </form>
  );
}
