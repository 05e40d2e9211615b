import type { ResolvedBlank } from '../blank/resolve';
import type { PlannedInk, PlatePlan, Screen } from '../fit/plates';
import type { Raster } from '../raster/raster';
import { chooseInks, named, type PlateInk } from './inks';
import { isLight, lightness, type PlatesAsked } from './make';

/** Angles that stay apart, for as many screens as there are. */
export const ANGLES = [22.5, 67.5, 45, 7.5, 82.5, 37.5, 52.5, 0] as const;
/** Lines per inch where a house says nothing. */
export const RULING = 45;
const FIRST: Omit<PlatePlan, 'inks'> = {
  ...{ open: [], regions: [], base: 'auto', choke: 0.3, trap: 0.1, tones: 'flat', ppi: 600 },
};

/** Colours that need no ink on a product: its own, and on a light one what the artwork leaves white. */
export function openOn(product: string): string[] {
  return isLight(product) ? [product, '#ffffff'] : [product];
}

/** A plan of so many inks, chosen from a print; null where it is all as the product is. */
export function firstPlan(print: Raster, count: number, product: string): PlatePlan | null {
  return withCount({ ...FIRST, inks: [] as PlannedInk[] }, print, count, product);
}

/** A plan with as many inks: those that are locked stay, the others are chosen anew. What was made of regions goes with them. */
export function withCount(plan: PlatePlan, print: Raster, count: number, product: string): PlatePlan | null {
  const locked = plan.inks.filter((ink) => ink.locked);
  const given = locked.flatMap(({ name, from }) => from.map((hex) => ({ name, hex })));
  const chosen = chooseInks(print, {
    count: Math.max(0, count - locked.length) + given.length,
    given,
    open: [...openOn(product), ...plan.open],
    tones: plan.tones !== 'flat',
  }).slice(given.length);
  const inks = lightFirst(named([...locked, ...chosen.map(plannedInk).map(withIds({ inks: locked }))]));
  if (inks.length === 0) return null;
  const kept = new Set(locked.map(({ id }) => id));
  return withScreens({
    ...plan,
    inks,
    regions: plan.regions.filter(({ inkId }) => inkId === null || kept.has(inkId)),
  });
}

/** An ink that is printed for its own colour. */
export function plannedInk({ name, hex }: PlateInk): Omit<PlannedInk, 'id'> {
  return { name, hex, from: [hex], opacity: 1 };
}

/** Gives inks that have no id yet one that nobody has in the plan. */
export function withIds({
  inks,
}: Pick<PlatePlan, 'inks'>): (ink: Omit<PlannedInk, 'id'> & { id?: string }) => PlannedInk {
  const taken = new Set(inks.map(({ id }) => id));
  return (ink) => {
    if (ink.id !== undefined) return { ...ink, id: ink.id };
    let n = 1;
    while (taken.has(`ink-${n}`)) n++;
    taken.add(`ink-${n}`);
    return { ...ink, id: `ink-${n}` };
  };
}

/** Inks in the order in which they are printed where nobody says otherwise: from light to dark. */
export function lightFirst<I extends PlateInk>(inks: readonly I[]): I[] {
  return [...inks].sort((a, b) => lightness(b.hex) - lightness(a.hex));
}

/** A plan of dots in which every ink has a screen: angles that no other has, and the ruling that others have. */
export function withScreens(plan: PlatePlan, rulings: readonly number[] = []): PlatePlan {
  if (plan.tones !== 'halftone') return plan;
  const taken = new Set(plan.inks.map(({ screen }) => screen?.angle));
  const first = plan.inks.find(({ screen }) => screen)?.screen;
  const inks = plan.inks.map((ink) => {
    if (ink.screen) return ink;
    const angle = ANGLES.find((one) => !taken.has(one)) ?? 0;
    taken.add(angle);
    const screen: Screen = {
      ruling: first?.ruling ?? rulings[0] ?? RULING,
      angle,
      dot: first?.dot ?? 'round',
    };
    return { ...ink, screen };
  });
  return { ...plan, inks };
}

/** Whether white lies under a plan's inks on a product. */
export function isBased({ base }: Pick<PlatePlan, 'base'>, blank: ResolvedBlank, product: string): boolean {
  if (base === 'auto') return blank.limits.whiteInk && !isLight(product);
  return base === 'always' && blank.limits.whiteInk;
}

/**
 * What plates are made by: a plan on a product of one colour, at some density. `toPixel` gives the pixel of the print at a
 * place in mm from its own top left.
 */
export function askedBy(
  plan: PlatePlan,
  blank: ResolvedBlank,
  product: string,
  at: { ppi: number; toPixel: (x: number, y: number) => { x: number; y: number } },
): PlatesAsked {
  const { method, limits } = blank;
  return {
    ppi: at.ppi,
    inks: plan.inks,
    open: [...openOn(product), ...plan.open],
    product,
    laying: method.ink,
    base: isBased(plan, blank, product) ? { choke: plan.choke } : null,
    trap: plan.trap,
    stroke: limits.stroke,
    regions: plan.regions.map(({ x, y, inkId }) => {
      const ink = plan.inks.findIndex(({ id }) => id === inkId);
      return { ...at.toPixel(x, y), ink: ink < 0 ? null : ink };
    }),
    tones:
      plan.tones === 'flat'
        ? null
        : {
            screens: plan.tones === 'grey' ? null : plan.inks.map(({ screen }) => screen ?? null),
          },
  };
}
