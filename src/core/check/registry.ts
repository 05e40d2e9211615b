import type { Rule } from './context';
import type { RuleId } from './finding';
import { black } from './rules/black';
import { bleed } from './rules/bleed';
import { centre } from './rules/centre';
import { colourMode } from './rules/colour-mode';
import { contents } from './rules/contents';
import { contrast } from './rules/contrast';
import { cutLine } from './rules/cut-line';
import { fileSpec } from './rules/file-spec';
import { fold } from './rules/fold';
import { gamut } from './rules/gamut';
import { inkCount } from './rules/ink-count';
import { inks } from './rules/inks';
import { keepOut } from './rules/keep-out';
import { leftover } from './rules/leftover';
import { mirror } from './rules/mirror';
import { readShare } from './rules/read-share';
import { resolution } from './rules/resolution';
import { safe } from './rules/safe';
import { sameAsProduct } from './rules/same-as-product';
import { seam } from './rules/seam';
import { seamCrossing } from './rules/seam-crossing';
import { soft } from './rules/soft';
import { specks } from './rules/specks';
import { stray } from './rules/stray';
import { stretch } from './rules/stretch';
import { text } from './rules/text';
import { thin } from './rules/thin';
import { totalInk } from './rules/total-ink';
import { trueDetail } from './rules/true-detail';

/** Every rule, in the order the docket lists them. A new rule is a file in `rules/`, a line here, and its id with its first version. */
export const RULES: readonly Rule[] = [
  bleed,
  seam,
  safe,
  cutLine,
  keepOut,
  seamCrossing,
  fold,
  centre,
  readShare,
  stray,
  resolution,
  trueDetail,
  stretch,
  text,
  contrast,
  sameAsProduct,
  thin,
  soft,
  specks,
  leftover,
  inkCount,
  inks,
  gamut,
  totalInk,
  black,
  colourMode,
  mirror,
  contents,
  fileSpec,
];

/** Two parts of the rules that share none of their work: each may be measured by an engine of its own. */
export const HALVES = [
  RULES.filter(({ ofArtwork }) => ofArtwork),
  RULES.filter(({ ofArtwork }) => !ofArtwork),
] as const;

/** What a person does about a rule's finding where no remedy is at hand. */
export function wayOn(id: RuleId): string {
  return RULES.find((rule) => rule.id === id)?.way ?? '';
}

/** Where more can be done about a rule's finding; undefined where the bench does all. */
export function furtherOf(id: RuleId): Rule['further'] {
  return RULES.find((rule) => rule.id === id)?.further;
}

/** What of a piece a rule's places are marked by; undefined where they are no part of one. */
export function inkOf(id: RuleId): Rule['onInk'] {
  return RULES.find((rule) => rule.id === id)?.onInk;
}

/** What a rule is called on the docket. */
export function ruleName(id: RuleId): string {
  return RULES.find((rule) => rule.id === id)?.name ?? id;
}
