import type { HouseSpec } from '../schema';
import type { entry } from './entry';

/** Where a value stands in a house's record, and its source with it. */
export type Place<T> = Parameters<typeof entry<HouseSpec, T>>[1];

/** A number that carries its source. */
export function sourced<K extends 'bleed' | 'safe' | 'safeFrom' | 'target' | 'floor'>(
  key: K,
): Place<HouseSpec[K]['value']> {
  return {
    get: (spec) => spec[key],
    set: (spec, stated) => ({ ...spec, [key]: stated }),
  };
}

type Files = HouseSpec['files'];

export function inFiles<K extends keyof Files>(key: K): Place<Files[K]['value']> {
  return {
    get: (spec) => spec.files[key],
    set: (spec, stated) => ({ ...spec, files: { ...spec.files, [key]: stated } }),
  };
}

/** What stands in a record by itself, its source beside it in `sources`. */
function beside<T>(
  id: string,
  get: (spec: HouseSpec) => T,
  set: (spec: HouseSpec, value: T) => HouseSpec,
): Place<T> {
  return {
    get: (spec) => ({ value: get(spec), source: spec.sources?.[id] ?? null }),
    set: (spec, { value, source }) => {
      const sources = { ...spec.sources };
      if (value === undefined || value === null) Reflect.deleteProperty(sources, id);
      else sources[id] = source;
      return { ...set(spec, value), sources };
    },
  };
}

export function field<K extends keyof HouseSpec>(key: K): Place<HouseSpec[K]> {
  return beside(
    key,
    (spec) => spec[key],
    (spec, value) => ({ ...spec, [key]: value }),
  );
}

type Press = NonNullable<HouseSpec['press']>;
/** What a press is set to as soon as anything of it is known. */
const PRESS: Press = { celsius: 190, seconds: 60, pressure: 'medium' };

export function ofPress<K extends keyof Press>(key: K): Place<Press[K] | undefined> {
  return beside(
    `press.${key}`,
    (spec) => spec.press?.[key],
    (spec, value) => {
      if (value === undefined && (spec.press === null || key in PRESS)) return spec;
      return { ...spec, press: { ...PRESS, ...spec.press, [key]: value } };
    },
  );
}

/** A press's heat: without it a house states no press. */
export const heat: Place<number | undefined> = {
  ...ofPress('celsius'),
  set: (spec, stated) =>
    stated.value === undefined ? { ...spec, press: null } : ofPress('celsius').set(spec, stated),
};

export const screenCount: Place<number | undefined> = beside(
  'screens',
  (spec) => spec.screens?.count,
  (spec, value) => ({
    ...spec,
    screens: value === undefined ? undefined : { rulings: [], ...spec.screens, count: value },
  }),
);

export const screenRulings: Place<number[]> = beside(
  'screens',
  (spec) => spec.screens?.rulings ?? [],
  (spec, value) =>
    spec.screens || value.length > 0
      ? { ...spec, screens: { count: 1, ...spec.screens, rulings: value } }
      : spec,
);
