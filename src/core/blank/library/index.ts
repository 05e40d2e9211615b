import { METHODS } from '../methods';
import { resolveBlank, type ResolvedBlank } from '../resolve';
import type { Blank, HouseSpec, Method } from '../schema';
import { CLOTHES } from './cloth';
import { ROUND } from './round';
import { SHEETS } from './sheets';
import { SPECS } from './specs';

export { METHODS, SPECS };

/** The shipped blanks. Names and sizes are made up and plausible. */
export const BLANKS: readonly Blank[] = [...ROUND, ...CLOTHES, ...SHEETS];

/** What blanks are printed by: methods and house specs, each known by its id. */
export interface Records {
  specs: Iterable<HouseSpec>;
  methods: Iterable<Method>;
}

export const SHIPPED: Records = { specs: SPECS, methods: METHODS };

/** A blank with the method and the spec it names, looked for among `records`; throws where one is not there. */
export function resolveAmong(records: Records, blank: Blank, sizeId: string | null = null): ResolvedBlank {
  const { method, spec } = namedBy(records, blank);
  if (!method || !spec) throw new Error(`“${blank.name}” names a method or a house spec that is not here.`);
  return resolveBlank(blank, method, spec, sizeId);
}

/** Whether the method and the spec that a blank names are there. */
export function isResolvable(records: Records, blank: Blank): boolean {
  const { method, spec } = namedBy(records, blank);
  return method !== undefined && spec !== undefined;
}

function namedBy({ specs, methods }: Records, { methodId, specId }: Blank) {
  return {
    method: [...methods].find(({ id }) => id === methodId),
    spec: [...specs].find(({ id }) => id === specId),
  };
}

/** Every shipped blank with its method and spec. */
export function shippedBlanks(): ResolvedBlank[] {
  return BLANKS.map((blank) => resolveAmong(SHIPPED, blank));
}
