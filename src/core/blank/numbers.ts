import * as v from 'valibot';
import { BodySchema, kindOf, type Body } from './kinds';

/** One measured length of a body: where it stands in it, and what a seller calls it. */
export interface BodyNumber {
  id: string;
  name: string;
  mm: number;
}

type Tree = Record<string, unknown>;

function read(tree: unknown, path: readonly string[]): unknown {
  return path.reduce<unknown>((at, key) => (at as Tree | null | undefined)?.[key], tree);
}

function write(tree: unknown, [key, ...rest]: readonly string[], value: number): unknown {
  if (key === undefined) return value;
  if (Array.isArray(tree))
    return (tree as unknown[]).map((one, i) => (String(i) === key ? write(one, rest, value) : one));
  const branch = tree as Tree;
  return { ...branch, [key]: write(branch[key], rest, value) };
}

/** Every length of a body that it has, in the order they are measured. */
export function numbersOf(body: Body): BodyNumber[] {
  return kindOf(body).lengths.flatMap(([path, name]) => {
    const [list, rest] = path.split('.*.');
    if (rest === undefined) {
      const mm = read(body, path.split('.'));
      return typeof mm === 'number' ? [{ id: path, name, mm }] : [];
    }
    const entries = read(body, list!.split('.')) as { name?: string; place?: string }[];
    return entries.map((entry, index) => ({
      id: `${list!}.${index}.${rest}`,
      name: `${(entry.name ?? entry.place ?? '').toLowerCase()}: ${name}`,
      mm: read(entry, rest.split('.')) as number,
    }));
  });
}

/** The body with one of its lengths changed, in mm; null where the schema refuses it (zero, negative). */
export function withNumber(body: Body, id: string, mm: number): Body | null {
  const result = v.safeParse(BodySchema, write(body, id.split('.'), mm));
  return result.success ? result.output : null;
}

/** What differs between two bodies of one kind: each length by how many mm the second is more. */
export function differences(from: Body, to: Body): BodyNumber[] {
  const before = new Map(numbersOf(from).map(({ id, mm }) => [id, mm]));
  return numbersOf(to)
    .map((number) => ({ ...number, mm: number.mm - (before.get(number.id) ?? 0) }))
    .filter(({ mm }) => Math.abs(mm) >= 0.05);
}
