import type { Answers, StepReading } from './answers';
import type { RoundMode, Thing } from './things';

/** One of the usual slips of measuring: what seems to have happened, and what would mend it. */
export interface Slip {
  id: string;
  /** The measurement it is about. */
  stepId: string;
  message: string;
  /** What one press does about it; null where only the tape can tell. */
  mend:
    | { kind: 'mode'; stepIds: string[]; mode: RoundMode; label: string }
    | { kind: 'swap'; stepIds: [string, string]; label: string }
    | null;
}

export interface SlipContext {
  /** mm by measurement; a way round is mm round. */
  values: ReadonlyMap<string, number>;
  answers: Answers;
  steps: readonly StepReading[];
  say: (mm: number) => string;
}

/** Thinner than this round in mm, nobody prints on it: the width across was meant. */
const TOO_THIN_ROUND = 130;
/** A width across of more than this in mm is no cup. */
const TOO_WIDE_ACROSS = 180;
/** Two readings of one way round that differ by more than this in mm do not agree. */
const READINGS_AGREE = 1.5;

/** The slips that these readings look like, each once. */
export function slipsOf(thing: Thing, context: SlipContext): Slip[] {
  return [mixed, notRound, swapped, wholeHeight, intoHandle, apart].flatMap((find) => find(thing, context));
}

/** Inches and millimetres added as if they were decimals. */
function mixed(_: Thing, { steps, say }: SlipContext): Slip[] {
  return steps
    .filter((step) => step.mixed && step.mm !== null)
    .map(({ step, mm }) => ({
      id: `mixed-${step.id}`,
      stepId: step.id,
      message: `Inches and millimetres together come to ${say(mm!)}. If the tape read one number in one unit, type that instead.`,
      mend: null,
    }));
}

/** A diameter where a circumference was meant, or the other way round. */
function notRound(_: Thing, { values, answers, steps, say }: SlipContext): Slip[] {
  const rounds = steps.filter(({ step, mm }) => step.round && mm !== null);
  const modeOf = (id: string) => answers[id]?.mode ?? 'round';
  const thin = rounds.filter(({ step, mm }) => modeOf(step.id) === 'round' && mm! < TOO_THIN_ROUND);
  const wide = rounds.filter(
    ({ step, mm }) => modeOf(step.id) === 'across' && mm! / Math.PI > TOO_WIDE_ACROSS,
  );
  const slip = (found: readonly StepReading[], mode: RoundMode, message: string, label: string): Slip[] =>
    found.length === 0
      ? []
      : [
          {
            id: 'not-round',
            stepId: found[0]!.step.id,
            message,
            mend: { kind: 'mode', stepIds: found.map(({ step }) => step.id), mode, label },
          },
        ];
  const first = (found: readonly StepReading[]) => (found[0] ? (values.get(found[0].step.id) ?? 0) : 0);
  return [
    ...slip(
      thin,
      'across',
      `${say(first(thin))} round is only ${say(first(thin) / Math.PI)} across. Was that the width across?`,
      'It was measured across',
    ),
    ...slip(
      wide,
      'round',
      `${say(first(wide) / Math.PI)} across is very wide for a cup. Was that measured round it?`,
      'It was measured round',
    ),
  ];
}

/** Top and bottom swapped: most things narrow downwards. */
function swapped(thing: Thing, { values, say }: SlipContext): Slip[] {
  const top = values.get('top');
  const bottom = values.get('bottom');
  if (thing.id !== 'narrowing' || top === undefined || bottom === undefined || bottom <= top) return [];
  return [
    {
      id: 'swapped',
      stepId: 'bottom',
      message: `The bottom is ${say(bottom - top)} more round than the top. That is right for a stemless cup; otherwise the two are swapped.`,
      mend: { kind: 'swap', stepIds: ['top', 'bottom'], label: 'Swap top and bottom' },
    },
  ];
}

/** The whole height where only the printable part was asked for. */
function wholeHeight(thing: Thing, { values }: SlipContext): Slip[] {
  if (thing.id === 'flat' || thing.id === 'frame' || !values.has('slant')) return [];
  if (values.has('lip') || values.has('foot')) return [];
  return [
    {
      id: 'whole-height',
      stepId: 'slant',
      message:
        'Nothing is left out at lip and foot. If this is the whole height, measure again without the rim above and the groove below, where nothing prints.',
      mend: null,
    },
  ];
}

/** A wrap wider than the wall that the handle leaves free. */
function intoHandle(_: Thing, { values, say }: SlipContext): Slip[] {
  const wrap = values.get('wrap');
  const round = values.get('top');
  if (wrap === undefined || round === undefined) return [];
  const free = round - (values.get('handle') ?? 0) + (values.get('overlap') ?? 0);
  if (wrap <= free + 0.05) return [];
  const into = values.get('handle') ? 'runs into the handle' : 'laps over itself';
  return [
    {
      id: 'into-handle',
      stepId: 'wrap',
      message: `A wrap of ${say(wrap)} ${into} by ${say(wrap - free)}: the free wall is ${say(free)}.`,
      mend: null,
    },
  ];
}

/** Two readings of one way round that do not agree. */
function apart(_: Thing, { steps, say }: SlipContext): Slip[] {
  return steps
    .filter((step) => step.apart !== null && Math.abs(step.apart) > READINGS_AGREE)
    .map(({ step, apart: off }) => ({
      id: `apart-${step.id}`,
      stepId: step.id,
      message: `The two readings are ${say(Math.abs(off!))} apart round. Press the tape flat and read again; the first one is used.`,
      mend: null,
    }));
}
