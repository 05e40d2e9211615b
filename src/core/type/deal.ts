import type { Dealt } from './schema';

/** The same numbers from the same seed, 0 to 1 (mulberry32). */
function dice(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), state | 1);
    t = (t + Math.imul(t ^ (t >>> 7), t | 61)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
  };
}

/**
 * Which of its colours each of so many letters, words or lines has, in their order. More of them leave the first ones as
 * they are.
 */
export function dealColours({ colours, rule, seed }: Dealt, count: number): number[] {
  const throwDice = dice(seed);
  const dealt: number[] = [];
  for (let i = 0; i < count; i++) {
    if (rule === 'in turn') dealt.push(i % colours.length);
    else if (rule === 'random' || i === 0 || colours.length < 2)
      dealt.push(Math.floor(throwDice() * colours.length));
    // Any but the one before it.
    else dealt.push((dealt[i - 1]! + 1 + Math.floor(throwDice() * (colours.length - 1))) % colours.length);
  }
  return dealt;
}
