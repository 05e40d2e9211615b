import type { PhotoPoint, PhotoScene, SurfaceShape } from './schema';

/** What is wrong with how a surface is marked, in a sentence; null where it can carry a print. */
export function surfaceTrouble(shape: SurfaceShape): string | null {
  const ring = ringOf(shape);
  if (shape.kind === 'plane' && shape.corners.length !== 4)
    return `A plane has four corners: ${shape.corners.length} are marked. Mark the one that is missing.`;
  if (crosses(ring))
    return 'Two sides of it cross one another: mark the corners in turn, from the upper left clockwise.';
  if (Math.abs(areaOf(ring)) < 400) return 'It is too small to carry a print: draw its points further apart.';
  if (areaOf(ring) < 0)
    return 'It is marked the wrong way round, so that the print would be seen from behind: mark it clockwise from the upper left.';
  if (shape.kind === 'plane' && !isConvex(ring))
    return 'One of its corners lies inside the others: a flat print cannot look like this. Drag that corner out to where the print’s corner is.';
  return null;
}

/** What is wrong with a photo's marks, one sentence for each. */
export function photoTroubles({ surfaces, width, height }: PhotoScene): string[] {
  if (surfaces.length === 0)
    return ['No print surface is marked yet: choose a plane, a round wall or cloth.'];
  return surfaces.flatMap(({ shape }, i) => {
    const name = surfaces.length > 1 ? `Surface ${i + 1}: ` : '';
    const trouble = surfaceTrouble(shape);
    if (trouble) return [name + trouble];
    const out = ringOf(shape).every(([x, y]) => x < 0 || y < 0 || x > width || y > height);
    return out ? [`${name}It lies wholly outside the photo: draw it back.`] : [];
  });
}

/** The line round a surface, clockwise from its upper left. */
export function ringOf(shape: SurfaceShape): PhotoPoint[] {
  switch (shape.kind) {
    case 'plane':
      return shape.corners;
    case 'cylinder':
      return [shape.left[0], shape.right[0], shape.right[1], shape.left[1]];
    case 'cloth': {
      const { columns, rows, points } = shape;
      const at = (column: number, row: number) => points[row * columns + column]!;
      return [
        ...Array.from({ length: columns }, (_, i) => at(i, 0)),
        ...Array.from({ length: rows - 1 }, (_, i) => at(columns - 1, i + 1)),
        ...Array.from({ length: columns - 1 }, (_, i) => at(columns - 2 - i, rows - 1)),
        ...Array.from({ length: rows - 2 }, (_, i) => at(0, rows - 2 - i)),
      ];
    }
  }
}

/** px2, positive where the line goes clockwise as one sees it. */
function areaOf(ring: readonly PhotoPoint[]): number {
  return (
    ring.reduce((sum, [x, y], i) => {
      const [nx, ny] = ring[(i + 1) % ring.length]!;
      return sum + x * ny - nx * y;
    }, 0) / 2
  );
}

function side(a: PhotoPoint, b: PhotoPoint, p: PhotoPoint): number {
  return (b[0] - a[0]) * (p[1] - a[1]) - (b[1] - a[1]) * (p[0] - a[0]);
}

function isConvex(ring: readonly PhotoPoint[]): boolean {
  return ring.every(
    (point, i) => side(point, ring[(i + 1) % ring.length]!, ring[(i + 2) % ring.length]!) > 0,
  );
}

function crosses(ring: readonly PhotoPoint[]): boolean {
  return ring.some((a, i) => {
    const b = ring[(i + 1) % ring.length]!;
    return ring.some((c, j) => {
      if (j <= i + 1 || (i === 0 && j === ring.length - 1)) return false;
      const d = ring[(j + 1) % ring.length]!;
      return side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0;
    });
  });
}
