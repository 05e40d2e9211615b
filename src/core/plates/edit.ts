import type { PlannedInk, PlatePlan } from '../fit/plates';
import { named } from './inks';
import { plannedInk, withIds, withScreens } from './plan';

type InkChange = Partial<Omit<PlannedInk, 'id'>>;

/** A plan with one ink changed; its name stays one that no other has. */
export function withInk(plan: PlatePlan, id: string, change: InkChange): PlatePlan {
  const changed = plan.inks.map((ink) => (ink.id === id ? { ...ink, ...change } : ink));
  return { ...plan, inks: named(changed) };
}

/** Two inks as one: what was printed with the first is printed with the other. */
export function merged(plan: PlatePlan, id: string, into: string): PlatePlan {
  const gone = plan.inks.find((ink) => ink.id === id);
  if (!gone || id === into) return plan;
  return {
    ...plan,
    inks: plan.inks
      .filter((ink) => ink.id !== id)
      .map((ink) => (ink.id === into ? { ...ink, from: [...new Set([...ink.from, ...gone.from])] } : ink)),
    regions: plan.regions.map((region) => (region.inkId === id ? { ...region, inkId: into } : region)),
  };
}

/** Two inks that change places: each is printed where the other was. */
export function swapped(plan: PlatePlan, a: string, b: string): PlatePlan {
  const from = new Map(plan.inks.map((ink) => [ink.id, ink.from]));
  const other = (id: string) => (id === a ? b : id === b ? a : id);
  return {
    ...plan,
    inks: plan.inks.map((ink) => ({ ...ink, from: from.get(other(ink.id))! })),
    regions: plan.regions.map((region) => ({
      ...region,
      inkId: region.inkId === null ? null : other(region.inkId),
    })),
  };
}

/** An ink taken off: what was printed with it is left open. The last one stays. */
export function leftOpen(plan: PlatePlan, id: string): PlatePlan {
  const gone = plan.inks.find((ink) => ink.id === id);
  if (!gone || plan.inks.length === 1) return plan;
  return {
    ...plan,
    inks: plan.inks.filter((ink) => ink.id !== id),
    open: [...new Set([...plan.open, ...gone.from])],
    regions: plan.regions.filter((region) => region.inkId !== id),
  };
}

/** One ink more, printed last; the colour is its own from now on, also where it was left open. */
export function withAdded(plan: PlatePlan, ink: { name: string; hex: string }): PlatePlan {
  const added = withIds(plan)(plannedInk(ink));
  return withScreens({
    ...plan,
    inks: named([...plan.inks, added]),
    open: plan.open.filter((hex) => hex !== ink.hex),
  });
}

/** An ink moved to another place in the order of printing. */
export function moved(plan: PlatePlan, id: string, to: number): PlatePlan {
  const ink = plan.inks.find((one) => one.id === id);
  if (!ink) return plan;
  const others = plan.inks.filter((one) => one.id !== id);
  return { ...plan, inks: [...others.slice(0, to), ink, ...others.slice(to)] };
}

/** One connected part given to an ink, or to none; what was said of the same place before goes. */
export function withRegion(plan: PlatePlan, region: PlatePlan['regions'][number]): PlatePlan {
  return { ...plan, regions: [...plan.regions, region] };
}
