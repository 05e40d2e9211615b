interface At {
  x: number;
  y: number;
}

/** Places within so many pixels of one another, each way, belong together. */
const NEXT = 2;

/** Places in groups: those that lie next to one another, and next to those in turn. */
export function groupNear<T extends At>(places: readonly T[]): T[][] {
  const cells = cellsOf(places, NEXT);
  const taken = new Set<T>();
  const groups: T[][] = [];
  for (const start of places) {
    if (taken.has(start)) continue;
    taken.add(start);
    const group = [start];
    // What is found on the way is looked round from in its turn.
    for (const { x, y } of group) {
      for (const other of around(cells, x, y, NEXT)) {
        if (taken.has(other) || Math.abs(other.x - x) > NEXT || Math.abs(other.y - y) > NEXT) continue;
        taken.add(other);
        group.push(other);
      }
    }
    groups.push(group);
  }
  return groups;
}

/** Gives the places within a reach of one. */
export function withinOf<T extends At>(places: readonly T[], reach: number): (of: At) => T[] {
  const cells = cellsOf(places, reach);
  return ({ x, y }) => {
    const near: T[] = [];
    for (const other of around(cells, x, y, reach))
      if ((other.x - x) ** 2 + (other.y - y) ** 2 <= reach * reach) near.push(other);
    return near;
  };
}

type Cells<T> = Map<number, T[]>;

/** More cells across than any picture has. */
const ACROSS = 1 << 24;

function cellsOf<T extends At>(places: readonly T[], size: number): Cells<T> {
  const cells: Cells<T> = new Map();
  for (const place of places) {
    const key = Math.floor(place.y / size) * ACROSS + Math.floor(place.x / size);
    const cell = cells.get(key);
    if (cell) cell.push(place);
    else cells.set(key, [place]);
  }
  return cells;
}

function* around<T>(cells: Cells<T>, x: number, y: number, size: number): Generator<T> {
  const [column, row] = [Math.floor(x / size), Math.floor(y / size)];
  for (let dy = -1; dy <= 1; dy++)
    for (let dx = -1; dx <= 1; dx++) yield* cells.get((row + dy) * ACROSS + column + dx) ?? [];
}
