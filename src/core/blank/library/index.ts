import { METHODS } from '../methods';
import { resolveBlank, type ResolvedBlank } from '../resolve';
import type { Blank, HouseSpec } from '../schema';
import { CLOTHES } from './cloth';
import { ROUND } from './round';
import { SHEETS } from './sheets';
import { SPECS } from './specs';

export { SPECS };

/** The shipped blanks. Names and sizes are made up and plausible. */
export const BLANKS: readonly Blank[] = [...ROUND, ...CLOTHES, ...SHEETS];

/** A blank with the method and the spec it names, looked for among `specs`; throws where one is not there. */
export function resolveAmong(
  specs: Iterable<HouseSpec>,
  blank: Blank,
  sizeId: string | null = null,
): ResolvedBlank {
  const method = METHODS.find(({ id }) => id === blank.methodId);
  const spec = [...specs].find(({ id }) => id === blank.specId);
  if (!method || !spec) throw new Error(`“${blank.name}” names a method or a house spec that is not here.`);
  return resolveBlank(blank, method, spec, sizeId);
}

/** Whether the method and the spec that a blank names are there. */
export function isResolvable(specs: Iterable<HouseSpec>, { methodId, specId }: Blank): boolean {
  return METHODS.some(({ id }) => id === methodId) && [...specs].some(({ id }) => id === specId);
}

/** Every shipped blank with its method and spec. */
export function shippedBlanks(): ResolvedBlank[] {
  return BLANKS.map((blank) => resolveAmong(SPECS, blank));
}
