import type { Docket } from '../check/docket';
import { isOpen, rank, type Finding, type Remedy } from '../check/finding';
import { remedied } from '../check/remedy';
import type { Fit } from '../fit/schema';

/** So many remedies are tried on one fit. */
const MOST = 24;

/** What came of mending all that could be: the fit, what was done to it, and what is left open. */
export interface MendedAll {
  fit: Fit;
  done: string[];
  left: Finding[];
}

/**
 * Takes one remedy after another, the worst finding's first, and keeps each that leaves less against the fit than before:
 * fewer or milder findings. Every step is measured, on the fit as it then is (what follows from a change is drawn anew);
 * `null` from that, and the rest is left. One that makes another finding worse is for a person to take.
 */
export async function mendAll(
  fit: Fit,
  docket: Pick<Docket, 'findings'>,
  measure: (fit: Fit) => Promise<{ fit: Fit; findings: Finding[] } | null>,
  onDone: (done: readonly string[]) => void = () => undefined,
): Promise<MendedAll> {
  const tried = new Set<string>();
  const done: string[] = [];
  let so = { fit, findings: docket.findings };
  for (let i = 0; i < MOST; i++) {
    const next = nextOf(so.findings, tried);
    if (!next) break;
    tried.add(keyOf(next.finding, next.remedy));
    const measured = await measure(remedied(so.fit, next.finding.faceId, next.remedy));
    if (!measured) break;
    if (weight(measured.findings) >= weight(so.findings)) continue;
    so = measured;
    done.push(next.remedy.label);
    onDone(done);
  }
  return { fit: so.fit, done, left: so.findings.filter(isOpen) };
}

/** Whether there is anything that could be mended so. */
export function isMendable(findings: readonly Finding[]): boolean {
  return nextOf(findings, new Set()) !== null;
}

function nextOf(
  findings: readonly Finding[],
  tried: ReadonlySet<string>,
): { finding: Finding; remedy: Remedy } | null {
  const open = findings.filter(isOpen).sort((a, b) => rank(b.verdict) - rank(a.verdict));
  for (const finding of open)
    for (const remedy of finding.remedies)
      if (!remedy.worsens && !tried.has(keyOf(finding, remedy))) return { finding, remedy };
  return null;
}

/** The same remedy of the same finding: its label says how much, and another amount is another try. */
const keyOf = ({ rule, faceId, pieceId }: Finding, { id, label }: Remedy) =>
  [rule, faceId, pieceId, id, label].join(' ');

/** What stands against a fit: a Fix is worse than any number of Looks. */
function weight(findings: readonly Finding[]): number {
  return findings.filter(isOpen).reduce((sum, { verdict }) => sum + (verdict === 'fix' ? 1000 : 1), 0);
}
