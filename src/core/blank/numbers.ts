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

/** Every length of a body that it has, in the order they are measured; those of one part stand together. */
export function numbersOf(body: Body): BodyNumber[] {
  const { lengths } = kindOf(body);
  const seen = new Set<string>();
  return lengths.flatMap(([path, name]) => {
    const [list, rest] = path.split('.*.');
    if (rest === undefined) {
      const mm = read(body, path.split('.'));
      return typeof mm === 'number' ? [{ id: path, name, mm }] : [];
    }
    if (seen.has(list!)) return [];
    seen.add(list!);
    const own = lengths.flatMap(([other, said]) =>
      other.startsWith(`${list!}.*.`) ? [[other.slice(list!.length + 3), said] as const] : [],
    );
    const entries = read(body, list!.split('.')) as { name?: string; place?: string }[];
    return entries.flatMap((entry, index) =>
      own.map(([field, said]) => ({
        id: `${list!}.${index}.${field}`,
        name: `${(entry.name ?? entry.place ?? '').toLowerCase()}: ${said}`,
        mm: read(entry, field.split('.')) as number,
      })),
    );
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
