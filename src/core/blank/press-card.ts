import type { HouseSpec } from './schema';

const PEEL_WORDS = { hot: 'peel hot', warm: 'peel warm', cold: 'peel cold' } as const;

/** How a transfer is pressed, as short sentences: temperature in both scales, time, pressure, and what else the house says. */
export function pressCard({ press }: Pick<HouseSpec, 'press'>): string[] {
  if (!press) return [];
  const { celsius, seconds, pressure, peel, preparation, paper, driver } = press;
  return [
    `${celsius} °C (${Math.round(celsius * 1.8 + 32)} °F)`,
    `${seconds} s`,
    `${pressure} pressure`,
    ...(peel ? [PEEL_WORDS[peel]] : []),
    ...(preparation ? [preparation] : []),
    ...(paper ? [paper] : []),
    ...(driver ? [driver] : []),
  ];
}
