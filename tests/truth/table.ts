import type { Finding, RuleId, Verdict } from '@/core/check/finding';
import { rank } from '@/core/check/finding';
import { RULES } from '@/core/check/registry';
import { LONG } from '../support/long';
import type { Laid } from './bench';

/** A fit of which is known what a rule has to say: by itself here, among all the others in the long run. */
export interface Case {
  rule: RuleId;
  name: string;
  laid: Laid;
  verdict: Verdict | readonly Verdict[];
  /** What it measures, and how near to it is near enough. */
  measures?: readonly [value: number, within: number];
}

/** How a rule did: defects found and missed, good fits it cried wolf over, and its largest error. */
interface Row {
  found: number;
  missed: string[];
  clean: number;
  cried: string[];
  off: string[];
  error: number;
}

/** Judges cases, and prints how each rule did. */
export class TruthTable {
  private readonly rows = new Map<RuleId, Row>();

  take({ rule, name, laid, verdict, measures }: Case): void {
    const row = this.rowOf(rule);
    const wanted = typeof verdict === 'string' ? [verdict] : verdict;
    const finding = worstOf(laid(LONG ? RULES : RULES.filter(({ id }) => id === rule)), rule);
    const got = finding?.verdict ?? 'ready';
    const said = `${name}: ${got}, ${finding?.shown.measured ?? 'not listed'}; wants ${wanted.join(' or ')}`;
    const isDefect = !wanted.includes('ready');
    if (wanted.includes(got)) {
      if (isDefect) row.found++;
      else row.clean++;
    } else if (isDefect && rank(got) < Math.min(...wanted.map(rank))) row.missed.push(said);
    else row.cried.push(said);
    if (!measures || !finding) return;
    const error = Math.abs(Number(finding.measured) - measures[0]);
    row.error = Math.max(row.error, error);
    if (!(error <= measures[1])) row.off.push(`${name}: ${finding.measured}, is ${measures[0]}`);
  }

  /** Everything that is not as it should be. */
  wrong(): string[] {
    return [...this.rows].flatMap(([rule, { missed, cried, off }]) =>
      [...missed.map((one) => `missed ${one}`), ...cried.map((one) => `cried wolf ${one}`), ...off].map(
        (one) => `${rule}: ${one}`,
      ),
    );
  }

  print(): void {
    for (const [rule, { found, missed, clean, cried, error }] of this.rows)
      process.stdout.write(
        `truth  ${rule.padEnd(16)} found ${String(found).padStart(4)}  missed ${missed.length}  clean ${String(clean).padStart(4)}  cried wolf ${cried.length}  largest error ${error.toFixed(3)}\n`,
      );
  }

  private rowOf(rule: RuleId): Row {
    let row = this.rows.get(rule);
    if (!row) this.rows.set(rule, (row = { found: 0, missed: [], clean: 0, cried: [], off: [], error: 0 }));
    return row;
  }
}

function worstOf(findings: readonly Finding[], rule: RuleId): Finding | undefined {
  return findings
    .filter((finding) => finding.rule === rule)
    .sort((a, b) => rank(b.verdict) - rank(a.verdict))[0];
}
