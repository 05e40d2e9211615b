import type { Rule } from './context';
import type { RuleId } from './finding';
import { bleed } from './rules/bleed';
import { centre } from './rules/centre';
import { colourMode } from './rules/colour-mode';
import { fileSpec } from './rules/file-spec';
import { resolution } from './rules/resolution';
import { safe } from './rules/safe';

/** Every rule, in the order the docket lists them. A new rule is a file in `rules/` and a line here. */
export const RULES: readonly Rule[] = [bleed, safe, centre, resolution, colourMode, fileSpec];

/** What a rule is called on the docket. */
export function ruleName(id: RuleId): string {
  return RULES.find((rule) => rule.id === id)?.name ?? id;
}
