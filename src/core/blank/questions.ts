import type { ResolvedBlank } from './resolve';
import type { HouseSpec, Source } from './schema';

/** Numbers of a blank and its spec that a verdict can rest on. */
export type SpecNumber =
  | 'size'
  | 'bleed'
  | 'safe'
  | 'safeFrom'
  | 'target'
  | 'floor'
  | 'formats'
  | 'pixels'
  | 'density'
  | 'modes'
  | 'alpha'
  | 'maxBytes'
  | 'naming';

const NAMES: Record<SpecNumber, string> = {
  size: 'size',
  bleed: 'bleed',
  safe: 'safe margin',
  safeFrom: 'edge the safe margin is measured from',
  target: 'target PPI',
  floor: 'floor PPI',
  formats: 'file format',
  pixels: 'pixel size',
  density: 'density tag',
  modes: 'colour mode',
  alpha: 'transparency',
  maxBytes: 'largest file',
  naming: 'file naming',
};

/** What to ask a house where a number is only assumed. */
const QUESTIONS: Record<SpecNumber, string> = {
  size: 'What is the exact print area, in millimetres or in pixels with their PPI?',
  bleed: 'How much bleed do you want past the trim on each side?',
  safe: 'How far inside must lettering and motifs stay?',
  safeFrom: 'Do you measure the safe margin from the trim or from the bleed edge?',
  target: 'Which resolution do you want at print size, in PPI?',
  floor: 'Below which PPI do you send a file back?',
  formats: 'Which file formats do you take?',
  pixels: 'Do you want exact pixels, or true size?',
  density: 'Must the file carry a density tag?',
  modes: 'Which colour modes do you take, and with which profile?',
  alpha: 'Do you keep transparency, or must the file be opaque?',
  maxBytes: 'How large may a file be?',
  naming: 'How shall the files be named?',
};

export const SPEC_NUMBERS = Object.keys(NAMES) as SpecNumber[];

function sourceOf({ blank, spec }: ResolvedBlank, number: SpecNumber): Source {
  if (number === 'size') return blank.measured;
  return (number in spec.files ? spec.files[number as keyof HouseSpec['files']] : spec[number as 'bleed'])
    .source;
}

/** Which of these numbers nobody has stated or measured yet, as they are called. */
export function assumedAmong(resolved: ResolvedBlank, numbers: readonly SpecNumber[]): string[] {
  return numbers
    .filter((number) => sourceOf(resolved, number).kind === 'assumed')
    .map((number) => NAMES[number]);
}

/** The questions to send to the house, one for each assumed number. */
export function questionsFor(resolved: ResolvedBlank): string[] {
  return SPEC_NUMBERS.filter((number) => sourceOf(resolved, number).kind === 'assumed').map(
    (number) => QUESTIONS[number],
  );
}

/** A source in the seller's words: `Harl Kiln Works, 1 Sep 2026`, `tape`, `assumed`. */
export function describeSource(resolved: ResolvedBlank, number: SpecNumber): string {
  const { kind, date } = sourceOf(resolved, number);
  const when = date ? `, ${date}` : '';
  if (kind === 'house') return `${resolved.spec.house}${when}`;
  return kind === 'assumed' ? 'assumed' : `${kind}${when}`;
}
