import { stringify } from 'safe-stable-stringify';

/** JSON with the keys of every object in one order: what comes out of the store has them in its schema's. */
export function inOneOrder(value: unknown): string {
  return stringify(value) ?? '';
}
