import { inColour, soldIn, versionNamed } from '@/core/many/product';
import type { Blank } from '@/core/blank/schema';
import { titleOf } from '@/state/shop/houses';
import { blankOf } from '@/state/shop/library';
import { isBehind, onNewest } from '@/state/shop/newest';
import { useShop } from '@/state/shop/shop';
import type { Target } from '@/state/many/preview';
import { isFitted, toFit, type Choices, type ManyAct } from './act';

const GONE = { why: 'Its blank is no longer here.' };

/** What the blanks of targets come in, each once. */
function among(targets: readonly Target[], of: (blank: Blank) => readonly { name: string }[]): Choices {
  const { blanks } = useShop.getState();
  const names = targets.flatMap(({ blankId }) => {
    const found = blanks.get(blankId);
    return found ? of(found.blank).map(({ name }) => name) : [];
  });
  return [...new Set(names)].map((name) => [name, name]);
}

export const COLOUR: ManyAct = {
  name: 'Another product colour…',
  done: 'in that colour',
  takes: isFitted,
  asks: [
    {
      id: 'colour',
      label: 'product colour',
      kind: 'choice',
      choices: (targets) => among(targets, ({ colours }) => colours),
    },
  ],
  change: toFit(({ fit }, { colour = '' }) => {
    const blank = blankOf(fit, useShop.getState());
    return blank ? inColour(fit, blank, colour) : GONE;
  }),
};

export const SIZES: ManyAct = {
  name: 'Sold in which sizes…',
  done: 'sold in those sizes',
  takes: ({ fit, blankId }) =>
    fit !== null && (useShop.getState().blanks.get(blankId)?.blank.sizes.length ?? 0) > 1,
  asks: [
    {
      id: 'sizes',
      label: 'sold in',
      kind: 'several',
      choices: (targets) => among(targets, ({ sizes }) => sizes),
    },
  ],
  change: toFit(({ fit }, { sizes = '' }) => {
    const blank = blankOf(fit, useShop.getState());
    return blank ? soldIn(fit, blank, sizes.split('\n')) : GONE;
  }),
};

export const VERSION_NAME: ManyAct = {
  name: 'Name their version…',
  done: 'called so',
  takes: isFitted,
  asks: [{ id: 'name', label: 'name of the version', kind: 'words', most: 120 }],
  change: toFit(({ fit }, { name = '' }, targets) => {
    const inCell = targets.filter((one) => one.design.id === fit.designId && one.blankId === fit.blankId);
    if (inCell[0]?.fit?.id !== fit.id)
      return { why: 'Another version in its cell takes that name: two cannot have one.' };
    const beside = [...useShop.getState().fits.values()].filter(
      ({ designId, blankId }) => designId === fit.designId && blankId === fit.blankId,
    );
    return versionNamed(fit, name, beside);
  }),
};

export const NEWEST: ManyAct = {
  name: 'Move to the newest version of their blank',
  done: 'on the newest version',
  takes: (target) => isFitted(target) && isBehind(target.fit),
  asks: [],
  change: toFit(({ fit }) => {
    const blank = blankOf(fit, useShop.getState());
    return blank ? { fit: onNewest(fit, blank) } : GONE;
  }),
};

export const HOUSE: ManyAct = {
  name: 'Have another house print them…',
  done: 'printed by that house',
  takes: isFitted,
  // A house prints a blank: every fit on it goes with those that are chosen.
  reaches: (targets) => {
    const { designs, fits } = useShop.getState();
    const on = new Set(targets.map(({ blankId }) => blankId));
    return [...fits.values()].flatMap((fit) => {
      const design = designs.get(fit.designId);
      return design && on.has(fit.blankId) ? [{ design, blankId: fit.blankId, fit }] : [];
    });
  },
  asks: [
    {
      id: 'house',
      label: 'house; with them go all fits on their blanks',
      kind: 'choice',
      choices: (targets) => {
        const methods = new Set(targets.flatMap(({ blankId }) => methodOf(blankId) ?? []));
        return [...useShop.getState().specs.values()]
          .filter((spec) => spec.methods.some((id) => methods.has(id)))
          .map((spec) => [spec.id, titleOf(spec)]);
      },
    },
  ],
  change: toFit(({ fit }, { house = '' }) => {
    const { specs, blanks, methods } = useShop.getState();
    const spec = specs.get(house);
    const own = blanks.get(fit.blankId);
    if (!spec || !own) return GONE;
    if (own.spec.id === spec.id) return { why: `${spec.house} prints it already.` };
    const method = methods.get(own.blank.methodId)?.name ?? own.blank.methodId;
    return spec.methods.includes(own.blank.methodId)
      ? { fit }
      : { why: `${spec.house} does not print by ${method.toLowerCase()}.` };
  }),
  settings: (targets, { house = '' }) => {
    const spec = useShop.getState().specs.get(house);
    const on = [...new Set(targets.map(({ blankId }) => blankId))].filter((blankId) =>
      spec?.methods.includes(methodOf(blankId) ?? ''),
    );
    const houses = Object.fromEntries(on.map((blankId) => [blankId, house]));
    return (settings) => ({ ...settings, houses: { ...settings.houses, ...houses } });
  },
};

const methodOf = (blankId: string) => useShop.getState().blanks.get(blankId)?.blank.methodId;
