import type { PriceColumn } from '@/core/price/table';

/** What the columns of a price list are called. */
export const COLUMN_WORDS: Record<PriceColumn, string> = {
  house: 'house',
  blank: 'blank',
  size: 'size',
  method: 'method',
  from: 'from so many',
  price: 'price of one',
  setup: 'set-up an ink',
  postage: 'postage',
  currency: 'currency',
  day: 'day',
  material: 'material',
  side: 'each further side',
  more: 'postage of each further one',
};
