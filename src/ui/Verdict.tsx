import type { Verdict } from '@/core/check/finding';

export const VERDICT_WORDS: Record<Verdict, string> = { ready: 'Ready', look: 'Look', fix: 'Fix' };
export const VERDICT_INK: Record<Verdict, string> = {
  ready: 'text-thread',
  look: 'text-look',
  fix: 'text-fix',
};

/** A verdict's own shape: filled notch, split open notch, cross. Its word stands beside it or in its name. */
export function VerdictShape({ verdict, size = 11 }: { verdict: Verdict; size?: number }) {
  return (
    <svg
      width={size}
      height={size}
      viewBox="0 0 12 12"
      role="img"
      aria-label={VERDICT_WORDS[verdict]}
      className={`shrink-0 ${VERDICT_INK[verdict]}`}
    >
      {verdict === 'ready' && <path d="M1 1.5H11L6 11Z" fill="currentColor" />}
      {verdict === 'look' && (
        <path d="M1.4 1.8H10.6L6 10.4ZM6 2V10" fill="none" stroke="currentColor" strokeWidth="1.6" />
      )}
      {verdict === 'fix' && (
        <path d="M1.5 1.5L10.5 10.5M10.5 1.5L1.5 10.5" stroke="currentColor" strokeWidth="2.4" />
      )}
    </svg>
  );
}
