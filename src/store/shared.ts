/**
 * Parts of records that are alike, held once: strings, lists and objects, from the innermost out. What is read is never
 * written on, so what says the same may be the same. Thousands of fits and dockets say nearly the same, and a browser that
 * reads them gives each its own copy of every word.
 *
 * What it is given is taken apart and not to be used but through what it gives back.
 */
export function sharer(): <T>(record: T) => T {
  const held: unknown[] = [];
  const strings = new Map<string, number>();
  const parts = new Map<string, number>();
  const place = (known: Map<string, number>, content: string, value: unknown): number => {
    let at = known.get(content);
    if (at === undefined) known.set(content, (at = held.push(value) - 1));
    return at;
  };

  /** What tells a value from all others; what is held elsewhere is put in the place of what is like it. */
  const token = (owner: Record<number | string, unknown>, key: number | string): string => {
    const value = owner[key];
    let at: number;
    if (typeof value === 'string') at = place(strings, value, value);
    else if (typeof value === 'number') return Object.is(value, -0) ? '-0' : String(value);
    else if (Array.isArray(value)) at = place(parts, list(value), value);
    else if (isPlain(value)) at = place(parts, fields(value), value);
    else if (typeof value === 'object' && value !== null) at = held.push(value) - 1;
    else return String(value);
    if (held[at] !== value || typeof value === 'string') owner[key] = held[at];
    return `#${at}`;
  };
  const list = (value: unknown[]): string => {
    let content = '[';
    for (let i = 0; i < value.length; i++) content += `${token(value as never, i)},`;
    return content;
  };
  const fields = (value: Record<string, unknown>): string => {
    let content = '{';
    // By the key's number: a column of a list may be called anything.
    for (const key in value) content += `${place(strings, key, key)}:${token(value, key)},`;
    return content;
  };
  return (record) => {
    const root = { record };
    token(root, 'record');
    return root.record;
  };
}

function isPlain(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null && Object.getPrototypeOf(value) === Object.prototype;
}
