import * as v from 'valibot';
import { PieceSchema } from '../fit/schema';
import { SIDES } from '../blank/shape';

/** Stable ids of every rule, as the command line names them. */
export const RULE_IDS = [
  'resolution',
  'true-detail',
  'bleed',
  'safe',
  'keep-out',
  'seam',
  'centre',
  'colour-mode',
  'gamut',
  'total-ink',
  'black',
  'ink-count',
  'soft',
  'thin',
  'contrast',
  'same-as-product',
  'stretch',
  'text',
  'read-share',
  'fold',
  'seam-crossing',
  'leftover',
  'specks',
  'stray',
  'mirror',
  'cut-line',
  'file-spec',
  'contents',
] as const;
export type RuleId = (typeof RULE_IDS)[number];

export const VERDICTS = ['ready', 'look', 'fix'] as const;
/** Ready meets the requirement, Look wants a person's decision, Fix would be rejected or print wrong. */
export type Verdict = (typeof VERDICTS)[number];

/** A change that mends a finding: the face's pieces as they will be, and what that does, said beforehand. */
export const RemedySchema = v.object({ id: v.string(), label: v.string(), pieces: v.array(PieceSchema) });
export type Remedy = v.InferOutput<typeof RemedySchema>;

export const FindingSchema = v.object({
  rule: v.picklist(RULE_IDS),
  verdict: v.picklist(VERDICTS),
  faceId: v.string(),
  measured: v.union([v.number(), v.string()]),
  required: v.union([v.number(), v.string()]),
  unit: v.string(),
  /** The measurement and the requirement as the docket prints them, with their units. */
  shown: v.object({ measured: v.string(), required: v.string() }),
  /** A scale for the needle: its ends and the limit's mark, in `unit`. */
  gauge: v.nullable(v.object({ from: v.number(), to: v.number(), limit: v.number(), value: v.number() })),
  side: v.optional(v.picklist(SIDES)),
  /** Where on the face, in mm from the trim's top left. */
  place: v.optional(v.object({ left: v.number(), top: v.number(), right: v.number(), bottom: v.number() })),
  pieceId: v.optional(v.string()),
  /** Numbers that the verdict rests on and nobody has stated yet. */
  assumed: v.optional(v.array(v.string())),
  /** Two or three words for a cell of the range. */
  word: v.string(),
  message: v.string(),
  remedies: v.array(RemedySchema),
});
export type Finding = v.InferOutput<typeof FindingSchema>;

/** The worst of several verdicts; Ready where there are none. */
export function worst(findings: readonly { verdict: Verdict }[]): Verdict {
  return findings.reduce<Verdict>((so, { verdict }) => (rank(verdict) > rank(so) ? verdict : so), 'ready');
}

export function rank(verdict: Verdict): number {
  return VERDICTS.indexOf(verdict);
}

/** Every finding that is not Ready, or else the one nearest to its limit: the last of those given. */
export function tellingOnes(findings: Finding[]): Finding[] {
  const open = findings.filter(({ verdict }) => verdict !== 'ready');
  return open.length > 0 ? open : findings.slice(-1);
}
