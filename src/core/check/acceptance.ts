import type { Acceptance, Fit } from '../fit/schema';
import type { Finding } from './finding';

/** Why and when a finding was accepted as it is; null where it was not, or has measured otherwise since. */
export function isAccepted(fit: Fit, finding: Finding): { reason: string; date: string } | null {
  const { verdict, shown } = finding;
  if (verdict === 'ready') return null;
  const found = fit.accepted?.find((one) => isOf(one, finding) && one.measured === shown.measured);
  // What was accepted as a Look may measure the same and be a Fix by another house's limit.
  if (verdict === 'fix' && found?.verdict !== 'fix') return null;
  return found ? { reason: found.reason, date: found.date } : null;
}

/** The fit with a finding accepted for a reason, on a day written as 2026-11-26. */
export function accept(fit: Fit, finding: Finding, reason: string, date: string): Fit {
  const { rule, faceId, shown, verdict } = finding;
  const pieceId = finding.pieceId ?? null;
  const others = (fit.accepted ?? []).filter((one) => !isOf(one, finding));
  const own = {
    rule,
    faceId,
    pieceId,
    measured: shown.measured,
    reason,
    date,
    ...(verdict === 'fix' && { verdict }),
  };
  return { ...fit, accepted: [...others, own] };
}

/** The fit with an acceptance taken back. */
export function unaccept(fit: Fit, finding: Finding): Fit {
  return { ...fit, accepted: (fit.accepted ?? []).filter((one) => !isOf(one, finding)) };
}

function isOf(one: Acceptance, { rule, faceId, pieceId }: Finding): boolean {
  return one.rule === rule && one.faceId === faceId && one.pieceId === (pieceId ?? null);
}
