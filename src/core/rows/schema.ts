import * as v from 'valibot';
import { list } from '../bounds';
import { columnOf, MOST_ROWS } from './list';

const cell = v.pipe(v.string(), v.maxLength(2000));
const MOST_COLUMNS = 200;

/** A list that fills the slots of a design's fits, as its owner keeps it. */
export const ListSchema = v.pipe(
  v.object({
    upfit: v.literal('list/1'),
    designId: v.string(),
    columns: list(cell, MOST_COLUMNS),
    rows: list(list(cell, MOST_COLUMNS), MOST_ROWS),
    /** The column that fills a slot, by the slot's name, where it is not the one that is called so. */
    matches: v.optional(v.record(v.string(), v.string()), {}),
    /** What files are called: {row}, {design} and names of columns stand for what they say. */
    pattern: v.optional(v.pipe(v.string(), v.maxLength(500)), ''),
  }),
  v.check(({ columns, rows }) => rows.every((row) => row.length === columns.length), 'a cell a column'),
);
export type List = v.InferOutput<typeof ListSchema>;

/** The column of a list that fills a slot; −1 where none does. */
export function columnFor({ columns, matches }: Pick<List, 'columns' | 'matches'>, slot: string): number {
  const chosen = Object.entries(matches).find(([name]) => name.toLowerCase() === slot.toLowerCase())?.[1];
  return columnOf(columns, chosen ?? slot);
}
