import type { Step } from '@/core/artwork/steps';
import { withStep } from '@/core/artwork/steps';
import type { Goes } from '@/core/fit/rendition';
import type { Facts } from '@/core/artwork/facts';
import { fewColours } from '@/core/colour/few';
import { darkestOf } from '@/core/colour/palette';
import { gridOf } from '@/core/artwork/facts';
import type { Artwork, RENDITION_KINDS } from '@/store/schema';
import { readOriginal } from '@/store/read';
import { engine, type JobOptions } from '@/workers/client';
import { commit } from '../shop/commit';
import { keep } from '../shop/records';

export type RenditionKind = (typeof RENDITION_KINDS)[number];

/** An artwork and its renditions, the one that the others are of first. */
export function familyOf(artwork: Artwork, artworks: ReadonlyMap<string, Artwork>): Artwork[] {
  const headId = artwork.rendition?.of ?? artwork.id;
  const head = artworks.get(headId);
  return [
    ...(head ? [head] : []),
    ...[...artworks.values()].filter(({ id, rendition }) => id !== headId && rendition?.of === headId),
  ];
}

/** Another artwork of the same file, linked as a rendition of the first, with steps of its own where they are given. */
export async function addRendition(
  artwork: Artwork,
  rendition: { kind: RenditionKind; name: string },
  steps: Step[] | null = null,
  options: JobOptions = {},
): Promise<Artwork> {
  const of = artwork.rendition?.of ?? artwork.id;
  const name = artwork.facts.name.replace(/(\.[a-z0-9]+)?$/i, (ending) => ` (${rendition.name})${ending}`);
  const measured = steps
    ? await engine.measure(
        { name: artwork.facts.name, file: await readOriginal(artwork.facts.sha256), steps },
        options,
      )
    : artwork;
  const copy: Artwork = {
    ...artwork,
    id: crypto.randomUUID(),
    addedAt: Date.now(),
    fileName: artwork.fileName ?? artwork.facts.name,
    facts: { ...measured.facts, name },
    preview: measured.preview,
    steps: steps ?? artwork.steps,
    rendition: { of, ...rendition },
    goes: undefined,
  };
  await keep('artworks', copy);
  return copy;
}

/** A rendition that can be made of an artwork at once: what it is called, and the steps that make it. */
export interface Offered {
  kind: RenditionKind;
  name: string;
  steps: Step[];
}

/** mm of the line that goes round everything. */
const LINE = 1;

/** Soft share from which an artwork has a shadow or a glow to leave out. */
const SHADOWED = 0.001;

/** Renditions that are made of an artwork by one step more, or by one less, for a method of so many inks. */
export function offeredFor(
  { facts, steps }: Pick<Artwork, 'facts' | 'steps'>,
  inks: number | null,
): Offered[] {
  const { background, palette, alpha } = facts;
  const count = Math.min(inks ?? 3, 8);
  const fewer = [1, 2, count].filter((one, i, all) => all.indexOf(one) === i && one < palette.length);
  const by = (kind: RenditionKind, name: string, step: Step): Offered => ({
    ...{ kind, name },
    steps: withStep(steps, step),
  });
  const ground = background && { kind: 'clear' as const, colour: background.hex, tolerance: 8 };
  // Live text is drawn by the step that outlines it alone.
  const unlettered = steps.filter(({ kind }) => kind !== 'outline');
  return [
    ...(ground ? [by('no-ground', 'without its ground', { ...ground, islands: 'keep' })] : []),
    ...(unlettered.length < steps.length
      ? [{ kind: 'no-lettering' as const, name: 'without its lettering', steps: unlettered }]
      : []),
    ...(alpha.softShare > SHADOWED
      ? [by('other', 'without its shadow', { kind: 'edge', to: 'none', cell: 0 })]
      : []),
    ...fewer.map((one) =>
      by('few-inks', one === 1 ? 'in one ink' : `in ${one} inks`, {
        ...{ kind: 'inks', inks: fewColours(palette, one), open: [], least: 0 },
      }),
    ),
    by('other', 'with a line round it', {
      ...{ kind: 'line', colour: darkestOf(palette), width: Math.min(1, LINE / widthOf(facts)) },
    }),
  ];
}

/** mm that an artwork is wide at its own size, or at 300 PPI where it says none. */
export function widthOf(facts: Facts): number {
  return facts.physical?.width ?? (gridOf(facts).width * 25.4) / 300;
}

/** Says which rendition of an artwork a blank or a method gets; null for the one that suits it best by what was measured. */
export async function sendTo(
  headId: string,
  to: { which: keyof Goes; id: string },
  artworkId: string | null,
): Promise<void> {
  await commit(['artworks'], async (store) => {
    const head = await store.get('artworks', headId);
    if (!head) return;
    const goes = head.goes ?? { blanks: {}, methods: {} };
    const others = Object.entries(goes[to.which]).filter(([id]) => id !== to.id);
    const own = artworkId === null ? [] : [[to.id, artworkId] as const];
    store.put('artworks', {
      ...head,
      goes: { ...goes, [to.which]: Object.fromEntries([...others, ...own]) },
    });
  });
}
