/** How the desk behaves, for trying what happens then. */
export const MOODS = ['well', 'slow', 'drops', 'fails', 'refuses'] as const;
export type Mood = (typeof MOODS)[number];

interface Temper {
  mood: Mood;
  /** How many more times; null for as long as it is so. */
  times: number | null;
}

const kept = globalThis as { upFitDeskTemper?: Temper };

export function setMood(mood: Mood, times: number | null): void {
  kept.upFitDeskTemper = { mood, times };
}

/** The mood that a request meets; one that was set for so many times wears off. */
export function meetMood(): Mood {
  const temper = kept.upFitDeskTemper;
  if (!temper || temper.mood === 'well') return 'well';
  if (temper.times !== null) {
    if (temper.times <= 0) return 'well';
    temper.times--;
  }
  return temper.mood;
}
