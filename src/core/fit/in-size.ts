import { aspectsOf } from '../blank/kinds';
import { resolveBlank, type ResolvedBlank } from '../blank/resolve';
import { carryOver } from './resize-garment';
import type { Fit } from './schema';

/** A fit, and the blank that it is on, in another of its graded sizes: pieces keep their size and hang as a size's do. */
export function inSize(blank: ResolvedBlank, fit: Fit, sizeId: string): { blank: ResolvedBlank; fit: Fit } {
  const { blank: product, method, spec, faces } = blank;
  const sized = resolveBlank(product, method, spec, sizeId);
  const sewn = aspectsOf(product.body).sewn !== null;
  return { blank: sized, fit: { ...fit, sizeId, faces: carryOver(fit.faces, faces, sized.faces, sewn) } };
}

/** The graded sizes that a fit is sold in, in the order of the blank. */
export function sizesSold(
  { blank }: Pick<ResolvedBlank, 'blank'>,
  { soldIn = [] }: Fit,
): ResolvedBlank['blank']['sizes'] {
  const sold = blank.sizes.filter(({ id }) => soldIn.includes(id));
  return sold.length > 0 ? sold : blank.sizes;
}
