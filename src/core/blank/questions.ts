import { houseEntries } from './entries/house';
import type { Entry } from './entries/entry';
import type { ResolvedBlank } from './resolve';
import type { HouseSpec, Source } from './schema';

const SIZE = {
  name: 'size',
  question: 'What is the exact print area, in millimetres or in pixels with their PPI?',
};

const ENTRIES = new Map<string, Entry<HouseSpec>>(houseEntries([]).map((entry) => [entry.id, entry]));

/** Numbers of a blank and its spec that a verdict can rest on. */
export const SPEC_NUMBERS = [
  'size',
  'bleed',
  'safe',
  'safeFrom',
  'target',
  'floor',
  'formats',
  'pixels',
  'density',
  'modes',
  'alpha',
  'maxBytes',
  'naming',
] as const;
export type SpecNumber = (typeof SPEC_NUMBERS)[number];

function sourceOf({ blank, spec }: ResolvedBlank, number: SpecNumber): Source {
  return number === 'size' ? blank.measured : ENTRIES.get(number)!.source(spec)!;
}

const nameOf = (number: SpecNumber): string => (number === 'size' ? SIZE.name : ENTRIES.get(number)!.name);

/** Which of these numbers nobody has stated or measured yet, as they are called. */
export function assumedAmong(resolved: ResolvedBlank, numbers: readonly SpecNumber[]): string[] {
  return numbers.filter((number) => sourceOf(resolved, number).kind === 'assumed').map(nameOf);
}

/** The questions to send to the house, one for each assumed number. */
export function questionsFor(resolved: ResolvedBlank): string[] {
  const size = resolved.blank.measured.kind === 'assumed' ? [SIZE.question] : [];
  return [
    ...size,
    ...houseQuestions(resolved.spec, resolved.method.mirrored).map(({ question }) => question),
  ];
}

/** What nobody has stated of a house, each by its entry with what to ask. Who mirrors matters for transfers only. */
export function houseQuestions(spec: HouseSpec, transfers: boolean): { id: string; question: string }[] {
  return [...ENTRIES.values()].flatMap((entry) => {
    const { id, question } = entry;
    if (question === null || (id === 'mirroring' && !transfers)) return [];
    const source = entry.source(spec);
    const isOpen = source ? source.kind === 'assumed' : entry.typed(spec, MM) === '';
    return isOpen ? [{ id, question }] : [];
  });
}

const MM = { unit: 'mm', inches: 'decimal' } as const;

/** A source in the seller's words: `Harl Kiln Works, 1 Sep 2026`, `tape`, `assumed`. */
export function describeSource(resolved: ResolvedBlank, number: SpecNumber): string {
  return sayConcerning(sourceOf(resolved, number), resolved.spec.house);
}

/** The same of any source, for a house of that name. */
export function sayConcerning({ kind, date }: Source, house: string): string {
  const when = date ? `, ${date}` : '';
  if (kind === 'house') return `${house}${when}`;
  return kind === 'assumed' ? 'assumed' : `${kind}${when}`;
}
