/** Triangles as they fall on a picture. */
export interface Fallen {
  /** px from the picture's top left corner, and one over the depth: what is nearer is larger. Per point. */
  x: Float64Array;
  y: Float64Array;
  near: Float64Array;
  /** Three points for each. */
  triangles: Uint32Array;
  /** The surface that each is part of, by number. */
  meshOf: Uint16Array;
}

/** The first row that each triangle may touch, and the one after its last. */
export interface Rows {
  from: Float32Array;
  to: Float32Array;
}

export function rowsOf({ y, triangles }: Fallen): Rows {
  const count = triangles.length / 3;
  const [from, to] = [new Float32Array(count), new Float32Array(count)];
  for (let i = 0; i < count; i++) {
    const [a, b, c] = [y[triangles[i * 3]!]!, y[triangles[i * 3 + 1]!]!, y[triangles[i * 3 + 2]!]!];
    from[i] = Math.floor(Math.min(a, b, c));
    to[i] = Math.ceil(Math.max(a, b, c));
  }
  return { from, to };
}

/** The triangles that each band of so many rows from a first to a last may hold, sorted once: most lie in one or two. */
export function bandsOf(
  { from, to }: Rows,
  { top, bottom, deep }: { top: number; bottom: number; deep: number },
): Uint32Array[] {
  const count = Math.ceil((bottom - top) / deep);
  const first = (i: number) => Math.max(0, Math.floor((from[i]! - top) / deep));
  const last = (i: number) => Math.min(count - 1, Math.ceil((to[i]! - top) / deep) - 1);
  const sizes = new Uint32Array(count);
  for (let i = 0; i < from.length; i++) for (let band = first(i); band <= last(i); band++) sizes[band]!++;
  const bands = Array.from(sizes, (size) => new Uint32Array(size));
  sizes.fill(0);
  for (let i = 0; i < from.length; i++)
    for (let band = first(i); band <= last(i); band++) bands[band]![sizes[band]!++] = i;
  return bands;
}
