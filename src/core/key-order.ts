/** For `JSON.stringify`: keys of every object in one order, since what comes out of the store has them in the schema's. */
export function inOrder(_: string, value: unknown): unknown {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return value;
  return Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)));
}
