import type { Flaw } from '../../artwork/facts';
import { fixed } from '../../length/show';
import type { StepOf } from '../../artwork/steps';
import { showingPieces, withFinish, type Rule } from '../context';
import { placed, type Finding } from '../finding';
import { flawsOf } from './flaws';

const KINDS = ['speck', 'pinhole'] as const;
const NAMES: Record<(typeof KINDS)[number], [one: string, several: string]> = {
  speck: ['stray speck', 'stray specks'],
  pinhole: ['pinhole', 'pinholes'],
};

/** Stray specks and pinholes in artworks, at their size here. */
export const specks: Rule = {
  id: 'specks',
  rests: [],
  name: 'Specks',
  way: 'Clean the artwork up, or accept them where they belong to it.',
  moves: true,
  ofArtwork: true,
  check: (context) => {
    if (showingPieces(context).length === 0) return [];
    const found = flawsOf(context, KINDS);
    const base: Finding = {
      rule: 'specks',
      verdict: 'ready',
      faceId: context.face.id,
      measured: 0,
      required: 0,
      unit: 'specks',
      shown: { measured: 'none', required: 'no specks or pinholes' },
      gauge: null,
      word: 'Clean',
      message: 'No stray specks or pinholes.',
      remedies: [],
    };
    if (found.length === 0) return [base];
    return found.map(({ piece, flaws, area, places, shown: { mm } }) => {
      const said = KINDS.map((kind) => count(flaws, kind)).filter((words) => words !== null);
      const tidied = KINDS.filter((kind) => flaws.some((flaw) => flaw.kind === kind)).map(
        (kind): StepOf<'tidy'> => ({ kind: 'tidy', what: `${kind}s`, mm }),
      );
      return {
        ...base,
        verdict: 'look',
        measured: flaws.length,
        shown: { measured: String(flaws.length), required: `${said.join(', ')}; ${fixed(area, 2)} mm²` },
        word: said[0]!,
        pieceId: piece.id,
        ...placed(places),
        message: `“${piece.name}” has ${said.join(', ')}, ${fixed(area, 2)} mm² in all.`,
        remedies: [{ id: 'tidy', label: 'Clean them up', pieces: withFinish(context, piece, ...tidied) }],
      };
    });
  },
};

function count(flaws: readonly Flaw[], kind: (typeof KINDS)[number]): string | null {
  const several = flaws.filter((flaw) => flaw.kind === kind).length;
  if (several === 0) return null;
  return `${several} ${NAMES[kind][several === 1 ? 0 : 1]}`;
}
