import * as v from 'valibot';
import { list } from '../bounds';
import type { Docket } from './docket';
import { rank, RULE_IDS, standing, VERDICTS } from './finding';
import { OutcomeSchema } from './outcome';

/** A finding that stands against a fit, as far as many fits are looked at by it: no places, no remedies. */
export const OpenFindingSchema = v.object({
  rule: v.picklist(RULE_IDS),
  verdict: v.picklist(VERDICTS),
  faceId: v.string(),
  size: v.optional(v.object({ id: v.string(), name: v.string() })),
  word: v.string(),
  message: v.string(),
  /** Whether a remedy goes with it. */
  mendable: v.boolean(),
  /** How far off its limit it measures, as a share of that; 0 where it has none. */
  off: v.number(),
});
export type OpenFinding = v.InferOutput<typeof OpenFindingSchema>;

/** What a shelf of dockets is looked at by: a tenth of a docket, of which a shop has thousands. */
export const SummarySchema = v.object({
  verdict: v.picklist(VERDICTS),
  /** What stands against it, the worst first. */
  findings: list(OpenFindingSchema),
  looks: list(OutcomeSchema),
  sizes: list(OutcomeSchema),
});
export type Summary = v.InferOutput<typeof SummarySchema>;

/** A docket without what only its own fit's screen shows. */
export function summaryOf({ verdict, findings, looks, sizes }: Omit<Docket, 'exact'>): Summary {
  return {
    verdict,
    findings: findings
      // A Fix that was accepted stays a Look.
      .filter((finding) => standing(finding) !== 'ready')
      .sort((a, b) => rank(standing(b)) - rank(standing(a)))
      .map(({ rule, verdict: own, accepted, faceId, size, word, message, remedies, gauge }) => ({
        rule,
        verdict: standing({ verdict: own, accepted }),
        faceId,
        ...(size && { size }),
        word,
        message,
        mendable: remedies.length > 0 && !accepted,
        off: gauge ? Math.abs(gauge.value - gauge.limit) / Math.max(Math.abs(gauge.limit), 1e-6) : 0,
      })),
    looks,
    sizes,
  };
}
