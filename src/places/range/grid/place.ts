import { keyOfPlace, type Lines } from '@/core/many/choice';
import type { RangeSpot } from '@/state/shop/dropped';

/** A place of the range that has the focus: a cell, or the head of a row where it names no blank. */
export type GridPlace = RangeSpot & { designId: string };

/** What moves the focus, as rows down and columns across; so many rows make a page. */
export type Step = (rows: number, columns: number, page: number) => readonly [down: number, across: number];

/** Keys that walk the range, as those of a table do. */
const STEPS: Partial<Record<string, Step>> = {
  ArrowDown: () => [1, 0],
  ArrowUp: () => [-1, 0],
  ArrowRight: () => [0, 1],
  ArrowLeft: () => [0, -1],
  PageDown: (_rows, _columns, page) => [page, 0],
  PageUp: (_rows, _columns, page) => [-page, 0],
  Home: (_rows, columns) => [0, -columns - 1],
  End: (_rows, columns) => [0, columns + 1],
  'Control+Home': (rows, columns) => [-rows, -columns - 1],
  'Control+End': (rows, columns) => [rows, columns + 1],
};

/** The step that a key means; undefined where it is none. */
export function stepOf({ key, ctrlKey, metaKey, altKey }: Keys): Step | undefined {
  if (altKey) return undefined;
  return STEPS[ctrlKey || metaKey ? `Control+${key}` : key];
}

type Keys = Pick<KeyboardEvent, 'key' | 'ctrlKey' | 'metaKey' | 'altKey'>;

/** Where a step leads from a place: no further than the last row and column; the heads of rows are before the first column. */
export function stepped(from: GridPlace, step: Step, lines: Lines, page: number): GridPlace | null {
  const { designs, blanks } = lines;
  if (designs.length === 0) return null;
  const [down, across] = step(designs.length, blanks.length, page);
  const row = Math.max(0, designs.indexOf(from.designId));
  const column = from.blankId === undefined ? -1 : blanks.indexOf(from.blankId);
  const designId = designs[Math.min(designs.length - 1, Math.max(0, row + down))]!;
  const blankId = blanks[Math.min(blanks.length - 1, column + across)];
  return { designId, ...(blankId !== undefined && column + across >= 0 && { blankId }) };
}

/** The same place among what is shown, or the first one: what Tab comes to. */
export function placeAmong(place: GridPlace | null, { designs, blanks }: Lines): GridPlace | null {
  const [designId] = designs;
  if (designId === undefined) return null;
  if (
    place &&
    designs.includes(place.designId) &&
    (place.blankId === undefined || blanks.includes(place.blankId))
  )
    return place;
  return { designId, ...(blanks[0] !== undefined && { blankId: blanks[0] }) };
}

/** A place in the page, for the focus to be set on it. */
export function placeSelector({ designId, blankId = '' }: GridPlace): string {
  return `[data-place="${CSS.escape(keyOfPlace({ designId, blankId }))}"]`;
}

/** How what takes the focus of a place is marked. */
export function placeMark({ designId, blankId = '' }: GridPlace): { 'data-place': string } {
  return { 'data-place': keyOfPlace({ designId, blankId }) };
}
