'use client';
import { dequal } from 'dequal';
import type { UnitSetting } from '@/core/length/show';
import { changeSettings } from '@/state/shop/records';
import { MenuLine, VerbMenu } from '@/ui/Menu';

const WAYS: readonly {
  name: string;
  example: string;
  unit: UnitSetting['unit'];
  inches?: UnitSetting['inches'];
}[] = [
  { name: 'millimetres', example: '79.4 mm', unit: 'mm' },
  { name: 'inches, in fractions', example: '3 1/8 in', unit: 'in', inches: 'sixteenths' },
  { name: 'inches, in decimals', example: '3.125 in', unit: 'in', inches: 'decimal' },
];

/** How lengths are shown everywhere; any can be typed at all times. */
export function UnitMenu({ unit }: { unit: UnitSetting }) {
  const now = WAYS.find((way) => dequal(asSetting(way, unit), unit))!;
  return (
    <VerbMenu
      label={unit.unit}
      spoken={`Lengths in ${now.name}: change`}
      className="font-semibold"
      align="end"
    >
      {WAYS.map((way) => (
        <MenuLine
          key={way.name}
          keys={way.example}
          onSelect={() => void changeSettings({ unit: asSetting(way, unit) })}
        >
          {way === now ? `${way.name} (now)` : way.name}
        </MenuLine>
      ))}
    </VerbMenu>
  );
}

function asSetting(way: (typeof WAYS)[number], before: UnitSetting): UnitSetting {
  return { unit: way.unit, inches: way.inches ?? before.inches };
}
