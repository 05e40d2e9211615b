import { changeSettings } from './records';

/** Puts a blank on the range as its last column; gives back what undoes it. */
export function addColumn(blankId: string): Promise<() => Promise<void>> {
  return changeSettings(({ columns }) => ({ columns: [...new Set([...columns, blankId])] }));
}

/** Takes a blank off the range; its fits stay and come back with it. Gives back what undoes it. */
export function removeColumn(blankId: string): Promise<() => Promise<void>> {
  return changeSettings(({ columns }) => ({ columns: columns.filter((id) => id !== blankId) }));
}
