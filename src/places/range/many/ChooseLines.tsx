'use client';
import { RULE_IDS, type RuleId } from '@/core/check/finding';
import { ruleName } from '@/core/check/registry';
import type { Design } from '@/core/fit/schema';
import { allPlaces, keyOfPlace } from '@/core/many/choice';
import { currentSummary } from '@/state/bench/dockets';
import { chooseOnly } from '@/state/many/chosen';
import { useShop } from '@/state/shop/shop';
import { MenuHeading, MenuLine } from '@/ui/Menu';

interface Props {
  /** The designs that are shown. */
  shown: readonly Design[];
  columns: readonly string[];
}

/** What cells can be chosen by at once: all that are shown, all that are not fitted, all that something stands against. */
export function ChooseLines({ shown, columns }: Props) {
  const shop = useShop();
  const here = new Set(shown.map(({ id }) => id));
  const blanks = new Set(columns);
  const fits = [...shop.fits.values()].filter(
    ({ designId, blankId }) => here.has(designId) && blanks.has(blankId),
  );
  const all = allPlaces({ designs: [...here], blanks: columns });
  const fitted = new Set(fits.map(keyOfPlace));
  const bare = all.filter((key) => !fitted.has(key));
  const byRule = new Map<RuleId, Set<string>>();
  for (const fit of fits)
    for (const { rule } of currentSummary(fit, shop)?.findings ?? [])
      byRule.set(rule, (byRule.get(rule) ?? new Set<string>()).add(keyOfPlace(fit)));
  const line = (name: string, keys: readonly string[]) => (
    <MenuLine
      key={name}
      disabled={keys.length === 0}
      keys={String(keys.length)}
      onSelect={() => {
        chooseOnly(keys);
      }}
    >
      {name}
    </MenuLine>
  );
  return (
    <>
      {line('all that are shown', all)}
      {line('all that are fitted', [...fitted])}
      {line('all that are not fitted', bare)}
      <MenuHeading>all that something stands against</MenuHeading>
      {RULE_IDS.flatMap((rule) => {
        const keys = byRule.get(rule);
        return keys ? [line(ruleName(rule), [...keys])] : [];
      })}
    </>
  );
}
