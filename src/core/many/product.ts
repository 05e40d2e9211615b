import type { ResolvedBlank } from '../blank/resolve';
import type { Fit } from '../fit/schema';
import type { Changed } from './changed';

type OfBlank = Pick<ResolvedBlank, 'blank'>;

/** The product in another of its colours, by the colour's name. */
export function inColour(fit: Fit, { blank }: OfBlank, name: string): Changed {
  const colour = blank.colours.find((one) => one.name === name);
  if (!colour) return { why: `${blank.name} does not come in ${name}.` };
  const only = fit.version?.colours ?? [];
  if (only.length > 0 && !only.includes(colour.id)) return { why: `This version is not for ${name}.` };
  return colour.id === fit.colourId
    ? { why: `It is on ${name} already.` }
    : { fit: { ...fit, colourId: colour.id } };
}

/** The graded sizes that it is sold in, by their names; what its blank does not have is left out of them. */
export function soldIn(fit: Fit, { blank }: OfBlank, names: readonly string[]): Changed {
  if (blank.sizes.length === 0) return { why: `${blank.name} has one size.` };
  const ids = blank.sizes.filter(({ name }) => names.includes(name)).map(({ id }) => id);
  if (ids.length === 0) return { why: `${blank.name} comes in none of these sizes.` };
  // None named means all of them, as on the bench.
  const next = ids.length === blank.sizes.length ? [] : ids;
  const now = fit.soldIn ?? [];
  if (next.length === now.length && next.every((id) => now.includes(id)))
    return { why: 'It is sold in these already.' };
  return { fit: { ...fit, soldIn: next } };
}

/** The name of a version; its colours stay. Refused where another fit of the design on this blank is called so. */
export function versionNamed(fit: Fit, name: string, beside: readonly Fit[]): Changed {
  const wanted = name.trim();
  if (fit.version?.name === wanted) return { why: 'It is called so already.' };
  const taken = beside.some(
    ({ id, version }) => id !== fit.id && version?.name.toLowerCase() === wanted.toLowerCase(),
  );
  if (taken) return { why: `Another version on this blank is called “${wanted}”.` };
  return { fit: { ...fit, version: { colours: fit.version?.colours ?? [], name: wanted } } };
}
