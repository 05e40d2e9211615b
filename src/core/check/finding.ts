import * as v from 'valibot';
import { list } from '../bounds';
import { union, type Extent } from '../fit/geometry';
import { CutSettingsSchema } from '../fit/cut';
import { PlatePlanSchema } from '../fit/plates';
import { PieceSchema } from '../fit/schema';
import { SIDES } from '../blank/shape';

/**
 * Every rule by its stable id, as the command line names it, in the order the docket lists them, with the version of what it
 * measures. A version is raised when its rule's limits or words change: what was measured by another is measured again.
 */
export const RULE_VERSIONS = {
  bleed: 3,
  seam: 3,
  safe: 2,
  'cut-line': 2,
  'keep-out': 2,
  'seam-crossing': 1,
  fold: 1,
  centre: 2,
  'read-share': 1,
  stray: 2,
  resolution: 3,
  'true-detail': 5,
  stretch: 2,
  text: 5,
  contrast: 2,
  'same-as-product': 2,
  thin: 4,
  soft: 3,
  specks: 2,
  leftover: 4,
  'ink-count': 2,
  inks: 1,
  gamut: 2,
  'total-ink': 2,
  black: 2,
  'colour-mode': 2,
  mirror: 1,
  contents: 2,
  'file-spec': 3,
} as const;
export type RuleId = keyof typeof RULE_VERSIONS;
export const RULE_IDS = Object.keys(RULE_VERSIONS) as [RuleId, ...RuleId[]];

/** What a stored docket was measured by. */
export const RULES_KEY = RULE_IDS.map((id) => `${id} ${RULE_VERSIONS[id]}`).join();

export const VERDICTS = ['ready', 'look', 'fix'] as const;
/** Ready meets the requirement, Look wants a person's decision, Fix would be rejected or print wrong. */
export type Verdict = (typeof VERDICTS)[number];

/** A change that mends a finding: the face's pieces as they will be, and what that does, said beforehand. */
export const RemedySchema = v.object({
  id: v.string(),
  label: v.string(),
  pieces: list(PieceSchema),
  /** What it makes worse, by the rules' names. */
  worsens: v.optional(list(v.string())),
  /** What it changes of how a sticker is cut. */
  cut: v.optional(v.partial(CutSettingsSchema)),
  /** How the face is printed in few inks from then on. */
  plates: v.optional(PlatePlanSchema),
});
export type Remedy = v.InferOutput<typeof RemedySchema>;

const ExtentSchema = v.object({ left: v.number(), top: v.number(), right: v.number(), bottom: v.number() });

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
  place: v.optional(ExtentSchema),
  /** Each of the places that it has, where there are several; at most `MOST_PLACES`. */
  places: v.optional(list(ExtentSchema)),
  pieceId: v.optional(v.string()),
  /** The graded size that it holds for, where that is not the one on the bench. */
  size: v.optional(v.object({ id: v.string(), name: v.string() })),
  /** The verdict for each look of the product, where it differs by look; the finding itself tells of the worst that counts. */
  byLook: v.optional(list(v.object({ id: v.string(), verdict: v.picklist(VERDICTS) }))),
  /** Required entries that were not found and may be ticked by hand. */
  missing: v.optional(list(v.object({ id: v.string(), name: v.string() }))),
  /** Why somebody accepted it as it is, and when; it counts for less as long as it measures the same. */
  accepted: v.optional(v.object({ reason: v.string(), date: v.string() })),
  /** Numbers that the verdict rests on and nobody has stated yet. */
  assumed: v.optional(list(v.string())),
  /** Two or three words for a cell of the range. */
  word: v.string(),
  message: v.string(),
  remedies: list(RemedySchema),
});
export type Finding = v.InferOutput<typeof FindingSchema>;

/** Places of a finding that are told one by one. */
const MOST_PLACES = 200;

/** Where a finding is: all of its places in one, and one by one. */
export function placed(extents: readonly Extent[]): Pick<Finding, 'place' | 'places'> {
  const [first, ...others] = extents;
  if (!first) return {};
  const place = others.reduce(union, first);
  return { place, ...(others.length > 0 && { places: extents.slice(0, MOST_PLACES) }) };
}

/** The verdict on a measurement that is better the smaller it is. */
export function judge(value: number, ready: number, look: number): Verdict {
  return value <= ready ? 'ready' : value <= look ? 'look' : 'fix';
}

/** Measures every look of the product, and tells of the worst of those that count; one that hides the print is not held to it. */
export function overLooks<L extends { id: string; counts: boolean; hides?: boolean | undefined }>(
  looks: readonly L[],
  measure: (lookId: string) => number,
  verdictOn: (value: number) => Verdict,
): { look: L; value: number; verdict: Verdict; byLook: { id: string; verdict: Verdict }[] } {
  const measured = looks.map((look) => ({ look, value: measure(look.id) }));
  const counting = measured.filter(({ look }) => look.counts);
  const worstOne = (counting.length > 0 ? counting : measured).reduce((a, b) => (b.value > a.value ? b : a));
  return {
    ...worstOne,
    verdict: verdictOn(worstOne.value),
    byLook: measured.map(({ look, value }) => ({
      id: look.id,
      verdict: look.hides ? 'ready' : verdictOn(value),
    })),
  };
}

/** What a finding counts for: a Look that was accepted is as good as Ready, and a Fix stays a Look. */
export function standing({ verdict, accepted }: Pick<Finding, 'verdict' | 'accepted'>): Verdict {
  if (!accepted) return verdict;
  return verdict === 'fix' ? 'look' : 'ready';
}

/** Whether something is still to be done or decided about a finding. */
export function isOpen({ verdict, accepted }: Pick<Finding, 'verdict' | 'accepted'>): boolean {
  return verdict !== 'ready' && !accepted;
}

/** The worst of several verdicts; Ready where there are none. */
export function worst(findings: readonly Pick<Finding, 'verdict' | 'accepted'>[]): Verdict {
  return findings.map(standing).reduce<Verdict>((so, one) => (rank(one) > rank(so) ? one : so), 'ready');
}

export function rank(verdict: Verdict): number {
  return VERDICTS.indexOf(verdict);
}

/** Every finding that is not Ready, or else the one nearest to its limit: the last of those given. */
export function tellingOnes(findings: Finding[]): Finding[] {
  const open = findings.filter(({ verdict }) => verdict !== 'ready');
  return open.length > 0 ? open : findings.slice(-1);
}
