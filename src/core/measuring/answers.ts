import type { RoundMode, Step } from './things';

/** What was typed for one measurement; a way round may carry a second reading, taken the other way. */
export interface Answer {
  text: string;
  mode: RoundMode;
  second: string;
}
export type Answers = Readonly<Record<string, Answer | undefined>>;

/** One measurement as it was understood. */
export interface StepReading {
  step: Step;
  /** mm as measured; for a way round, mm round whichever way it was read. Null where nothing usable is typed. */
  mm: number | null;
  /** What is wrong with it, to stand beside the field. */
  trouble: string | null;
  /** True where it adds units of both systems, so that it is worth saying what it comes to. */
  mixed: boolean;
  /** How far a second reading is off, in mm round; null where there is none. */
  apart: number | null;
}

export const NOTHING: Answer = { text: '', mode: 'round', second: '' };
