/** px of the range's grid: a head, and cells as wide as the window lets them be. */
export const HEAD_WIDTH = 204;
export const HEAD_HEIGHT = 74;
export const ROW_HEIGHT = 152;
/** What a column's head is higher by where columns are under others. */
export const OVERLINE = 16;
/** What stands over rows that are together. */
export const GROUP_HEIGHT = 30;
/** The column that adds blanks. */
export const ADD_WIDTH = 112;

const CELL_WIDTH = 148;
const WIDEST_CELL = 300;

/** How wide each of some columns is in a room of so many px. */
export function cellWidth(room: number, columns: number): number {
  const share = (room - HEAD_WIDTH - ADD_WIDTH) / Math.max(1, columns);
  return Math.floor(Math.min(WIDEST_CELL, Math.max(CELL_WIDTH, share)));
}

/** A head over rows: the first row that is under it, and what it says. */
export interface RowGroup {
  at: number;
  name: string;
}

/** The heads over rows that are together, by what each row is under; none where rows are under nothing. */
export function groupsOf(heads: readonly string[]): RowGroup[] {
  return heads.flatMap((name, at) => (name !== '' && name !== heads[at - 1] ? [{ at, name }] : []));
}

/** Where a row begins, with the heads before it and its own. */
export function topOf(row: number, groups: readonly RowGroup[]): number {
  return row * ROW_HEIGHT + groups.filter(({ at }) => at <= row).length * GROUP_HEIGHT;
}
