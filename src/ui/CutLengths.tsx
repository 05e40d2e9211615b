'use client';
import type { CutSettings } from '@/core/fit/cut';
import type { UnitSetting } from '@/core/length/show';
import { LengthValue } from './LengthValue';

/** mm that a border, a radius or a peel edge is at most. */
const MOST = 50;

/** The lengths that a sticker is cut by, each to be typed over where it stands. */
export function CutLengths({
  cut,
  unit,
  peel = false,
  onSet,
}: {
  cut: CutSettings;
  unit: UnitSetting;
  /** Whether it lies on a backing that it is peeled from. */
  peel?: boolean;
  onSet: (change: Partial<CutSettings>) => void;
}) {
  const lengths = [
    ['border', 'Border', 'border'],
    ['radius', 'Corner radius', 'corners'],
    ...(peel ? ([['backing', 'Peel edge', 'peel edge']] as const) : []),
  ] as const;
  return lengths.map(([key, name, word]) => (
    <LengthValue
      key={key}
      name={name}
      mm={cut[key]}
      unit={unit}
      refuse={(mm) => (mm < 0 || mm > MOST ? `Type 0 to ${MOST} mm.` : null)}
      onSet={(mm) => {
        onSet({ [key]: mm });
      }}
    >
      {word}
    </LengthValue>
  ));
}
