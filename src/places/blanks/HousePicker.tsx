'use client';
import { ChevronDown } from 'lucide-react';
import type { HouseSpec } from '@/core/blank/schema';
import { showBytes } from '@/core/length/bytes';
import { showLength, type UnitSetting } from '@/core/length/show';
import { titleOf } from '@/state/shop/houses';
import { useShop } from '@/state/shop/shop';
import type { Listed } from '@/ui/CommandList';
import { SearchMenu } from '@/ui/SearchMenu';

/** Who prints a blank: houses that take its method, found by name and by what they ask, each with what it asks otherwise. */
export function HousePicker({
  spec,
  others,
  onChoose,
}: {
  spec: HouseSpec;
  others: readonly HouseSpec[];
  onChoose: (specId: string) => void;
}) {
  const unit = useShop((shop) => shop.settings.unit);
  const now = new Set(asksOf(spec, unit));
  const items = others.map((one): Listed => {
    const otherwise = asksOf(one, unit).filter((ask) => !now.has(ask));
    const note =
      one.id === spec.id
        ? `now: ${[...now].join(' · ')}`
        : otherwise.length === 0
          ? 'asks the same'
          : otherwise.join(' · ');
    return {
      id: one.id,
      name: titleOf(one),
      note,
      run: () => {
        if (one.id !== spec.id) onChoose(one.id);
      },
    };
  });
  return (
    <SearchMenu
      label="Search houses by name, or by what they ask"
      groups={[{ heading: 'house, and what it asks otherwise than the one now', items }]}
      align="end"
      className="w-[560px]"
      trigger={
        <button
          aria-label={`House that prints it: ${titleOf(spec)}. Change it`}
          className="mt-1.5 flex w-full shrink-0 items-center justify-between gap-2 border border-rule bg-docket px-2 py-1 text-left"
        >
          <span className="truncate">{titleOf(spec)}</span>
          <ChevronDown aria-hidden size={13} className="shrink-0 text-ink-2" />
        </button>
      }
    />
  );
}

/** What a house asks of a file, in a few words each. */
function asksOf({ files, bleed, safe, target, mirroring }: HouseSpec, unit: UnitSetting): string[] {
  return [
    files.formats.value.join(', ').toUpperCase(),
    files.modes.value.join(', ').toUpperCase(),
    `bleed ${showLength(bleed.value, unit)}`,
    `safe ${showLength(safe.value, unit)}`,
    `${target.value} PPI`,
    `at most ${showBytes(files.maxBytes.value)}`,
    ...(mirroring === undefined ? [] : [`mirrored by the ${mirroring}`]),
  ];
}
