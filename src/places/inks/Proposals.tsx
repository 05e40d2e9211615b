'use client';
import { fixed } from '@/core/length/show';
import type { PlatePlan } from '@/core/fit/plates';
import type { Proposal } from '@/state/plates/plates';
import { Toggle } from '@/ui/Toggle';
import { VerdictShape } from '@/ui/Verdict';
import { RasterCanvas } from './RasterCanvas';

interface Props {
  proposals: readonly Proposal[] | null;
  plan: PlatePlan | null;
  /** Screens that there are for one print; null where the method does not count them. */
  screens: number | null;
  disabled: boolean;
  onChoose: (plan: PlatePlan) => void;
}

/** The print in one ink, in two and so on, side by side, with what each loses. */
export function Proposals({ proposals, plan, screens, disabled, onChoose }: Props) {
  if (!proposals)
    return <p className="px-3 py-8 text-sm text-viewing-ink">Parting it into one ink, two, three…</p>;
  return (
    <ul
      aria-label="How many inks"
      className="relative flex shrink-0 gap-2 overflow-x-auto px-3 py-2"
      tabIndex={0}
    >
      {proposals.map((proposal) => {
        const count = proposal.plan.inks.length;
        const chosen = plan?.inks.length === count;
        const over = screens !== null && proposal.screens > screens;
        return (
          <li key={count} className="shrink-0">
            <Toggle
              pressed={chosen}
              disabled={disabled}
              onPress={() => {
                onChoose(proposal.plan);
              }}
              className={`block w-[96px] border bg-docket p-1 text-left text-ink ${chosen ? 'border-thread outline outline-2 outline-thread' : 'border-viewing-rule'}`}
            >
              <RasterCanvas
                raster={proposal.picture}
                className="mb-1 h-[62px] w-full bg-viewing object-contain"
                aria-hidden
              />
              <span className="flex items-center justify-between gap-1 text-sm font-semibold leading-tight">
                {count === 1 ? 'one ink' : `${count} inks`}
                {over && <VerdictShape verdict="fix" />}
              </span>
              <span className="measure block whitespace-nowrap text-xs leading-tight">
                {fixed(proposal.mean, 1)} dE, worst {fixed(proposal.worst, 0)}
              </span>
              <span className="measure block whitespace-nowrap text-xs leading-tight text-ink-2">
                {fixed(proposal.area / 100, 0)} cm² · {proposal.screens}{' '}
                {proposal.screens === 1 ? 'screen' : 'screens'}
              </span>
            </Toggle>
          </li>
        );
      })}
    </ul>
  );
}
