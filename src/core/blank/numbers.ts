import * as v from 'valibot';
import { BodySchema, type Body, type Kind } from './body';

/** One measured length of a body: where it stands in it, and what a seller calls it. */
export interface BodyNumber {
  id: string;
  name: string;
  mm: number;
}

const HANDLE = [['handle.gap', 'handle gap, kept clear']] as const;
const SHEET = [
  ['sheet.width', 'width'],
  ['sheet.height', 'height'],
  ['sheet.cornerRadius', 'corner radius'],
] as const;

/** The lengths of each kind by their path; `*` stands for every entry of a list. */
const PATHS: Record<Kind, readonly (readonly [path: string, name: string])[]> = {
  wrap: [
    ['diameter', 'diameter'],
    ['height', 'height, whole'],
    ['lip', 'lip left out'],
    ['foot', 'foot left out'],
    ...HANDLE,
    ['overlap', 'seam overlap'],
    ['partial', 'width of the print'],
  ],
  taper: [
    ['topDiameter', 'diameter, top of the print'],
    ['bottomDiameter', 'diameter, foot of the print'],
    ['slant', 'along the wall'],
    ['lip', 'lip left out'],
    ['foot', 'foot left out'],
    ...HANDLE,
    ['overlap', 'seam overlap'],
  ],
  flat: SHEET,
  plate: SHEET,
  gallery: [
    ['width', 'width'],
    ['height', 'height'],
    ['depth', 'edge depth'],
  ],
  folded: [
    ['width', 'panel width'],
    ['height', 'height'],
    ['inward', 'inner panel narrower by'],
  ],
  'two-sided': [
    ['sides.*.sheet.width', 'width'],
    ['sides.*.sheet.height', 'height'],
    ['sides.*.sheet.cornerRadius', 'corner radius'],
  ],
  garment: [
    ['chest', 'across'],
    ['length', 'length'],
    ['prints.*.width', 'print width'],
    ['prints.*.height', 'print height'],
    ['prints.*.below', 'below the collar'],
  ],
  case: [
    ['width', 'width'],
    ['height', 'height'],
    ['cornerRadius', 'corner radius'],
    ['depth', 'wrapped side'],
  ],
  label: [
    ['diameter', 'diameter of the container'],
    ['height', 'height'],
    ['overlap', 'seam overlap'],
    ['pair.front', 'front width'],
    ['pair.back', 'back width'],
  ],
  sticker: [...SHEET, ['several.gap', 'gap']],
};

type Tree = Record<string, unknown>;

function read(tree: unknown, path: readonly string[]): unknown {
  return path.reduce<unknown>((at, key) => (at as Tree | null | undefined)?.[key], tree);
}

function write(tree: unknown, [key, ...rest]: readonly string[], value: number): unknown {
  if (key === undefined) return value;
  if (Array.isArray(tree)) return tree.map((one, i) => (String(i) === key ? write(one, rest, value) : one));
  const branch = tree as Tree;
  return { ...branch, [key]: write(branch[key], rest, value) };
}

/** Every length of a body that it has, in the order they are measured. */
export function numbersOf(body: Body): BodyNumber[] {
  return PATHS[body.kind].flatMap(([path, name]) => {
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
