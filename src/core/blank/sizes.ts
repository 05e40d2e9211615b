import type { Blank } from './schema';

type Sizes = Blank['sizes'];

/** Sizes as many garments are graded; the blank's own numbers are those of L. */
export const USUAL_SIZES: Sizes = [
  ['S', 0.88, 0.9],
  ['M', 0.94, 0.95],
  ['L', 1, 1],
  ['XL', 1.07, 1.04],
  ['2XL', 1.14, 1.08],
  ['3XL', 1.21, 1.12],
].map(([name, garment, print]) => ({
  id: String(name).toLowerCase(),
  name: String(name),
  garment: Number(garment),
  print: Number(print),
}));

/** Why sizes cannot be graded so, in a sentence; null where they can. */
export function sizesFault(sizes: Sizes): string | null {
  const names = sizes.map(({ name }) => name.trim().toLowerCase());
  if (names.includes('')) return 'Every size has a name: S, or 6 years.';
  const twice = sizes.find(({ name }, i) => names.indexOf(name.trim().toLowerCase()) !== i);
  if (twice) return `Two sizes are called “${twice.name.trim()}”: name one of them otherwise.`;
  const off = sizes.find(({ garment, print }) => !isShare(garment) || !isShare(print));
  return off ? `“${off.name}” is graded by 20 to 500 % of the blank’s own numbers.` : null;
}

function isShare(factor: number): boolean {
  return factor >= 0.2 && factor <= 5;
}
