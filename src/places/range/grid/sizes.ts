/** px of the range's grid: a head, and cells as wide as the window lets them be. */
export const HEAD_WIDTH = 204;
export const HEAD_HEIGHT = 74;
export const ROW_HEIGHT = 152;
/** The column that adds blanks. */
export const ADD_WIDTH = 112;

const CELL_WIDTH = 148;
const WIDEST_CELL = 300;

/** How wide each of some columns is in a room of so many px. */
export function cellWidth(room: number, columns: number): number {
  const share = (room - HEAD_WIDTH - ADD_WIDTH) / Math.max(1, columns);
  return Math.round(Math.min(WIDEST_CELL, Math.max(CELL_WIDTH, share)));
}
