import * as v from 'valibot';

/** Letters of what is noted, and of an occasion's name, at most. */
export const MOST_NOTED = 4000;
export const MOST_OCCASION = 120;
const Words = v.pipe(v.string(), v.maxLength(MOST_NOTED));
/** A calendar day, as ISO 8601 writes it. */
export const DaySchema = v.pipe(v.string(), v.isoDate());

/** What a design is for, kept with it; nothing of it is looked up anywhere. */
export const IdeaSchema = v.object({
  note: Words,
  /** The words it carries, where they come from, and whether they are the shop's own. */
  words: Words,
  wordsFrom: Words,
  ownWords: v.boolean(),
  /** Who would want it. */
  buyers: Words,
  /** The day it is made for; null where there is none. */
  occasion: v.object({ name: v.pipe(v.string(), v.maxLength(MOST_OCCASION)), day: v.nullable(DaySchema) }),
});
export type Idea = v.InferOutput<typeof IdeaSchema>;

export const NO_IDEA: Idea = {
  note: '',
  words: '',
  wordsFrom: '',
  ownWords: false,
  buyers: '',
  occasion: { name: '', day: null },
};

/** How near an occasion is. */
export interface Nearness {
  /** Days from today to it; negative once it is over. */
  days: number;
  /** Look where it is nearer than the shop needs. */
  verdict: 'ready' | 'look';
  words: string;
}

/** How near a design's occasion is, for a shop that needs so many weeks; null where it has none. Days are ISO dates. */
export function nearness({ occasion }: Idea, today: string, weeks: number): Nearness | null {
  if (occasion.day === null) return null;
  // Noon, so that no summer time makes a day of 23 hours.
  const noon = (day: string) => Date.parse(`${day}T12:00:00Z`);
  const days = Math.round((noon(occasion.day) - noon(today)) / 86_400_000);
  const name = occasion.name.trim() || 'its day';
  const count = `${Math.abs(days)} ${Math.abs(days) === 1 ? 'day' : 'days'}`;
  return {
    days,
    verdict: days < weeks * 7 ? 'look' : 'ready',
    words: days === 0 ? `today is ${name}` : days < 0 ? `${name} was ${count} ago` : `${count} to ${name}`,
  };
}

/** Why a day cannot be an occasion's; null where it can. */
export function dayTrouble(day: string, today: string): string | null {
  if (!v.is(DaySchema, day) || Number.isNaN(Date.parse(day)))
    return 'Type a day as year, month and day: 2027-06-12.';
  return day < today ? `${day} has passed: choose a day to come.` : null;
}
