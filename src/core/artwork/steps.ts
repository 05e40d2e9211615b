import * as v from 'valibot';
import { list } from '../bounds';
import { digestOf } from '../digest';
import type { Lie } from '../geometry/lie';
import { memoOf } from '../memo';
import type { PixelSize } from './facts';

const share = v.pipe(v.number(), v.minValue(0), v.maxValue(1));
const colour = v.pipe(v.string(), v.regex(/^#[0-9a-f]{6}$/));
const whole = v.pipe(v.number(), v.integer(), v.minValue(0));

/** Characters of a drawing that is kept with its text outlined. */
export const MOST_OUTLINED = 4_000_000;

/**
 * One thing done to an artwork on its way from the file to the print. The file itself is never touched: steps are
 * done anew, in order, each time its pixels are wanted, and any of them can be taken back.
 */
export const StepSchema = v.variant('kind', [
  /** Another page than the first of a file with several, from 0. */
  v.object({ kind: v.literal('page'), page: whole }),
  /** Live text of a drawing as outlines: the drawing as it is with them, and the families of its letters. */
  v.object({
    kind: v.literal('outline'),
    families: list(v.string(), 40),
    svg: v.pipe(v.string(), v.maxLength(MOST_OUTLINED)),
  }),
  /** Parts of a drawing left out, by their number in the order they are drawn. */
  v.object({ kind: v.literal('omit'), parts: list(whole) }),
  /** Cut down to a part, in shares of what there is before. */
  v.object({
    kind: v.literal('crop'),
    to: v.picklist(['opaque', 'hand']),
    x: share,
    y: share,
    width: share,
    height: share,
  }),
  /**
   * A flat background made clear: all that is reached from the edge within a difference of colour, and, if so
   * chosen, what is shut in by the motif.
   */
  v.object({
    kind: v.literal('clear'),
    colour,
    tolerance: v.pipe(v.number(), v.minValue(0), v.maxValue(100)),
    islands: v.picklist(['keep', 'clear']),
  }),
  v.object({ kind: v.literal('turn'), quarters: v.picklist([1, 2, 3]) }),
  v.object({ kind: v.literal('flip'), axis: v.picklist(['across', 'down']) }),
  /** One colour printed as another: everywhere, or in the one connected part that a place in shares is of. */
  v.object({
    kind: v.literal('recolour'),
    from: colour,
    to: colour,
    at: v.optional(v.object({ x: share, y: share })),
  }),
  /** In few flat inks, each for some of its colours; parts smaller than a square of a share of the width go to their neighbours. */
  v.object({
    kind: v.literal('inks'),
    inks: v.pipe(list(v.object({ hex: colour, from: list(colour, 64) }), 8), v.minLength(1)),
    open: list(colour, 64),
    least: share,
  }),
  /** A line of one colour along the inside of every edge, its width as a share of the whole. */
  v.object({ kind: v.literal('line'), colour, width: share }),
  /** Dark or light parts, or grains of a share of the width, worn away to holes. */
  v.object({
    kind: v.literal('wear'),
    part: v.picklist(['dark', 'light', 'grain']),
    strength: share,
    grain: share,
  }),
  /** Stray specks and crop marks made clear, and guide lines closed over. */
  v.object({
    kind: v.literal('tidy'),
    what: v.picklist(['specks', 'lines', 'pinholes', 'gaps']),
    /** mm to a pixel, by which what is small was told; 300 PPI where it is left out. */
    mm: v.optional(v.pipe(v.number(), v.gtValue(0))),
  }),
  /**
   * Nothing soft any more: a flat edge, a halftone whose cell is given as a share of the width, or shadows and glows left out
   * with all of their slope.
   */
  v.object({ kind: v.literal('edge'), to: v.picklist(['flat', 'halftone', 'none']), cell: share }),
  /** Strokes, or gaps, that are narrower than a share of the width made as wide as it. */
  v.object({ kind: v.literal('thicken'), what: v.picklist(['strokes', 'gaps']), limit: share }),
  /** All of a colour, within a difference (dE00), made clear wherever it is. */
  v.object({
    kind: v.literal('knock'),
    colour,
    within: v.pipe(v.number(), v.minValue(0), v.maxValue(20)),
    /** Turned round: all else is made clear. */
    others: v.optional(v.boolean()),
  }),
]);
export type Step = v.InferOutput<typeof StepSchema>;
export type StepOf<K extends Step['kind']> = Extract<Step, { kind: K }>;

/** A step in the seller's words, as done. */
export function sayStep(step: Step): string {
  switch (step.kind) {
    case 'page':
      return `Page ${step.page + 1} is used`;
    case 'outline':
      return `Words outlined in ${step.families.join(', ')}`;
    case 'omit':
      return step.parts.length === 1 ? 'One part left out' : `${step.parts.length} parts left out`;
    case 'crop':
      return step.to === 'opaque'
        ? 'Cropped to what is there'
        : `Cropped by hand to ${percent(step.width)} × ${percent(step.height)}`;
    case 'clear':
      return `Background ${step.colour} cleared${step.islands === 'clear' ? ', islands too' : ''}`;
    case 'turn':
      return step.quarters === 2
        ? 'Turned upside down'
        : `Turned a quarter ${step.quarters === 1 ? 'right' : 'left'}`;
    case 'flip':
      return step.axis === 'across' ? 'Flipped left to right' : 'Flipped top to bottom';
    case 'recolour':
      return `${step.at ? 'One part of ' : ''}${step.from} printed as ${step.to}`;
    case 'inks':
      return `In ${step.inks.length === 1 ? 'one ink' : `${step.inks.length} inks`}`;
    case 'line':
      return `A line of ${step.colour} round it`;
    case 'wear':
      return `Worn by ${percent(step.strength)}, ${WORN[step.part]}`;
    case 'tidy':
      return TIDIED[step.what];
    case 'edge':
      return SOFTENED[step.to];
    case 'thicken':
      return step.what === 'strokes' ? 'Thin strokes thickened' : 'Thin gaps opened';
    case 'knock':
      return step.others ? `All but ${step.colour} left out` : `${step.colour} knocked out`;
  }
}

const SOFTENED: Record<StepOf<'edge'>['to'], string> = {
  flat: 'Soft edges made flat',
  halftone: 'Soft parts made a halftone',
  none: 'Shadows and glows left out',
};

const TIDIED: Record<StepOf<'tidy'>['what'], string> = {
  specks: 'Stray specks cleared',
  lines: 'Lines closed over',
  pinholes: 'Pinholes filled',
  gaps: 'Hairline gaps closed',
};

const WORN: Record<StepOf<'wear'>['part'], string> = {
  dark: 'its dark parts',
  light: 'its light parts',
  grain: 'in grains',
};

function percent(value: number): string {
  return `${Math.round(value * 100)} %`;
}

/** How a turn or flip lays a picture. */
export function lieOf(step: StepOf<'turn'> | StepOf<'flip'>): Lie {
  if (step.kind === 'turn') return { quarters: step.quarters, flipped: false };
  return step.axis === 'across' ? { quarters: 0, flipped: true } : { quarters: 2, flipped: true };
}

/** What a size, in any unit, comes to by the steps. */
export function sizeAfter(steps: readonly Step[], size: PixelSize): PixelSize {
  return steps.reduce(({ width, height }, step) => {
    if (step.kind === 'crop') return { width: width * step.width, height: height * step.height };
    return step.kind === 'turn' && step.quarters !== 2 ? { width: height, height: width } : { width, height };
  }, size);
}

/** The page that the steps choose, from 0. */
export function pageOf(steps: readonly Step[]): number {
  return steps.find((step) => step.kind === 'page')?.page ?? 0;
}

/** Parts of a drawing that the steps leave out. */
export function omittedBy(steps: readonly Step[]): readonly number[] {
  return steps.find((step) => step.kind === 'omit')?.parts ?? [];
}

/** Whether a step says what of a file is opened, and is no work on its pixels. */
export function isOpening({ kind }: Step): boolean {
  return kind === 'page' || kind === 'omit' || kind === 'outline';
}

/** The drawing that the steps put in the place of the file's own, its text outlined; null where they do not. */
export function outlinedBy(steps: readonly Step[]): string | null {
  return steps.find((step) => step.kind === 'outline')?.svg ?? null;
}

/** A step added: another page or other parts take the place of those before. */
export function withStep(steps: readonly Step[], step: Step): Step[] {
  if (!isOpening(step)) return [...steps, step];
  return [step, ...steps.filter(({ kind }) => kind !== step.kind)];
}

/** What pixels are known by: the file they come from and the steps that were done to them. */
export function pixelsKey(sha256: string, steps: readonly Step[]): string {
  return steps.length === 0 ? sha256 : `${sha256}~${JSON.stringify(steps.map(shortOf))}`;
}

const shorts = memoOf<StepOf<'outline'>, 'short', { svg: string }>(1);

/** A step as it is known by: a whole drawing by its digest. */
function shortOf(step: Step): Step {
  return step.kind === 'outline'
    ? { ...step, ...shorts(step, 'short', () => ({ svg: digestOf(step.svg) })) }
    : step;
}
