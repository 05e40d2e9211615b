'use client';
import type { PlatePlan } from '@/core/fit/plates';
import type { PlateFound } from '@/state/plates/plates';
import { VerdictShape } from '@/ui/Verdict';

/** What is found of the plates, each with what mends it. */
export function Found({
  findings,
  disabled,
  onPlan,
}: {
  findings: readonly PlateFound[];
  disabled: boolean;
  onPlan: (plan: PlatePlan) => void;
}) {
  return (
    <ul aria-label="Found on the plates">
      {findings.map(({ verdict, message, mend }) => (
        <li key={message} className="flex gap-2 border-b border-rule py-1.5">
          <span className="pt-1">
            <VerdictShape verdict={verdict} />
          </span>
          <span>
            {message}
            {mend && (
              <button
                className="verb mt-1 block text-left"
                disabled={disabled}
                onClick={() => {
                  onPlan(mend.plan);
                }}
              >
                {mend.label}
              </button>
            )}
          </span>
        </li>
      ))}
    </ul>
  );
}
