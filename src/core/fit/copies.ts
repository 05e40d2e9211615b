import * as v from 'valibot';
import { IdSchema } from '../blank/basics';

/** Copies of one thing that one order may ask for. */
export const MOST_COPIES = 100_000;

/** How many are ordered of a fit in one product colour and size; of a sticker set, of one of its stickers. */
export const CopiesSchema = v.object({
  colourId: IdSchema,
  sizeId: v.nullable(IdSchema),
  faceId: v.nullable(IdSchema),
  copies: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(MOST_COPIES)),
});
export type Copies = v.InferOutput<typeof CopiesSchema>;

/** What is ordered, without how many. */
export type Cell = Omit<Copies, 'copies'>;

export function isSameCell(a: Cell, b: Cell): boolean {
  return a.colourId === b.colourId && a.sizeId === b.sizeId && a.faceId === b.faceId;
}

/** How many are ordered of a cell. */
export function copiesIn(list: readonly Copies[], cell: Cell): number {
  return list.find((one) => isSameCell(one, cell))?.copies ?? 0;
}

/** The list with so many of one cell; none takes it off. */
export function withCopies(list: readonly Copies[], cell: Cell, copies: number): Copies[] {
  const next = copies > 0 ? [{ ...cell, copies }] : [];
  if (!list.some((one) => isSameCell(one, cell))) return [...list, ...next];
  return list.flatMap((one) => (isSameCell(one, cell) ? next : [one]));
}

/** Copies as they are typed: nothing is none; null where it is no whole number that can be ordered. */
export function readCopies(text: string): number | null {
  if (text.trim() === '') return 0;
  const typed = /^\s*\d{1,6}\s*$/.test(text) ? Number(text) : NaN;
  return typed <= MOST_COPIES ? typed : null;
}
