import type { Body } from '../blank/kinds';
import { rectangle } from '../blank/face';
import { bodyTroubles } from '../blank/troubles';
import { parseLength } from '../length/parse';
import { showLength, type UnitSetting } from '../length/show';
import { UNIT_SPELLINGS } from '../length/units';
import { roundBody } from './round';
import { slipsOf, type Slip } from './slips';
import { NOTHING, type Answer, type Answers, type StepReading } from './answers';
import type { Step, Thing } from './things';

export interface Measured {
  steps: StepReading[];
  /** The thing as far as it is known: a drawing can be made once every needed number is there. */
  body: Body | null;
  slips: Slip[];
  /** How many needed measurements are still to come. */
  missing: number;
}

/** Reads everything that was typed so far: numbers, what is wrong beside each, the body, and the usual slips. */
export function readAnswers(thing: Thing, answers: Answers, unit: UnitSetting): Measured {
  const steps = thing.steps.map((step) => readStep(step, answers[step.id] ?? NOTHING, unit));
  const values = new Map(steps.flatMap(({ step, mm }) => (mm === null ? [] : [[step.id, mm] as const])));
  const missing = steps.filter(({ step, mm }) => !step.optional && mm === null).length;
  const built = missing === 0 ? buildBody(thing, values) : null;
  const troubles = built ? bodyTroubles(built, unit) : [];
  for (const { field, message } of troubles) {
    const at = steps.find(({ step }) => step.id === STEP_OF[field]) ?? steps[0]!;
    at.trouble ??= message;
  }
  const faulty = steps.some(({ trouble }) => trouble !== null);
  return {
    steps,
    body: faulty ? null : built,
    missing,
    slips: slipsOf(thing, { values, answers, steps, say: (mm) => showLength(mm, unit) }),
  };
}

/** Which measurement a trouble of the body is told beside. */
const STEP_OF: Record<string, string> = {
  'handle.gap': 'handle',
  bottomDiameter: 'bottom',
  slant: 'slant',
  height: 'slant',
  overlap: 'overlap',
};

function readStep(step: Step, answer: Answer, unit: UnitSetting): StepReading {
  const nothing: StepReading = { step, mm: null, trouble: null, mixed: false, apart: null };
  if (answer.text.trim() === '') return nothing;
  const first = readOne(answer.text, unit);
  if (typeof first === 'string') return { ...nothing, trouble: first };
  const least = step.optional ? 0 : Number.MIN_VALUE;
  if (first < least)
    return {
      ...nothing,
      trouble: first === 0 ? `${step.ask} cannot be nothing.` : 'Type a length above zero.',
    };
  const mm = step.round && answer.mode === 'across' ? first * Math.PI : first;
  const reading = { ...nothing, mm, mixed: mixesSystems(answer.text) };
  if (!step.round || answer.second.trim() === '') return reading;
  const second = readOne(answer.second, unit);
  if (typeof second === 'string') return { ...reading, trouble: `Second reading: ${second}` };
  const other = answer.mode === 'across' ? second : second * Math.PI;
  return { ...reading, apart: other - mm };
}

/** A length in mm, or the sentence that says which character is wrong. A bare number is in the seller's unit. */
function readOne(text: string, { unit }: UnitSetting): number | string {
  const reading = parseLength(text, { unit });
  return reading.ok ? reading.mm : reading.message;
}

/** Whether a length adds inches and millimetres, which is where sums go wrong. */
export function mixesSystems(text: string): boolean {
  const found = new Set<string>();
  const lower = text.toLowerCase();
  for (let at = 0; at < lower.length;) {
    const unit = UNIT_SPELLINGS.find(([spelling]) => lower.startsWith(spelling, at));
    if (unit) found.add(['in', 'ft'].includes(unit[1]) ? 'imperial' : 'metric');
    at += unit ? unit[0].length : 1;
  }
  return found.size > 1;
}

function buildBody(thing: Thing, values: ReadonlyMap<string, number>): Body {
  const mm = (id: string) => values.get(id) ?? 0;
  switch (thing.id) {
    case 'flat': {
      const width = mm('width');
      const height = mm('height');
      const corner = Math.min(mm('corner'), width / 2, height / 2);
      return { kind: 'flat', sheet: rectangle(width, height, corner), keepOuts: [] };
    }
    case 'frame':
      return { kind: 'gallery', width: mm('width'), height: mm('height'), depth: mm('depth') };
    case 'straight':
    case 'narrowing': {
      const top = mm('top') / Math.PI;
      return roundBody({
        top,
        bottom: thing.id === 'straight' ? top : mm('bottom') / Math.PI,
        slant: mm('slant'),
        handle: mm('handle'),
        overlap: mm('overlap'),
        lip: mm('lip'),
        foot: mm('foot'),
      });
    }
  }
}
