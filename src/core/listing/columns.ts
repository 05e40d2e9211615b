import type { Variant } from './variants';

/** What a column of the table of variants can hold. */
export const HOLDS = {
  sku: 'its number',
  title: 'title',
  colour: 'colour',
  size: 'size',
  price: 'what is asked',
  currency: 'currency',
  cost: 'what it costs',
  stock: 'how many there are',
  design: 'design',
  blank: 'blank',
  tags: 'tags',
} as const;
export type Holds = keyof typeof HOLDS;

/** One column: what its head says, and what it holds. */
export interface Column {
  head: string;
  holds: string;
}

const USUAL: readonly Holds[] = ['sku', 'title', 'colour', 'size', 'price', 'currency', 'cost', 'stock'];

/** The columns of a place to sell; the usual ones where it has none of its own. */
export function columnsOf(own: readonly Column[]): readonly Column[] {
  return own.length > 0 ? own : USUAL.map((holds) => ({ head: holds, holds }));
}

/** The table of variants, its head first: a field that nobody has said is empty. */
export function variantTable(
  variants: readonly Variant[],
  columns: readonly Column[],
  fieldsOf: (variant: Variant) => Partial<Record<Holds, string>>,
): string[][] {
  return [
    columns.map(({ head }) => head),
    ...variants.map((variant) => {
      const fields = fieldsOf(variant);
      return columns.map(({ holds }) => fields[holds as Holds] ?? '');
    }),
  ];
}
