import { shippedBlanks } from '@/core/blank/library';
import type { GarmentBody } from '@/core/blank/bodies/garment';
import { printOrigin } from '@/core/blank/bodies/garment';
import { areaOf } from '@/core/cut/polygons';
import { garmentMeshes, patternOf, sewnMeshes } from '@/core/product/bodies/garment';
import { rolledEdge, softened } from '@/core/product/bodies/roll';
import { settled } from '@/core/product/bodies/settled';
import type { Mesh } from '@/core/product/mesh';

/** mm that cloth may stray from its pattern where nothing is printed. */
const SOFT = 7;

const GARMENTS = shippedBlanks().flatMap(({ blank: { id, body } }): [string, GarmentBody][] =>
  body.kind === 'garment' && body.cut !== 'cap' ? [[id, body]] : [],
);
const CLOTH = { faceId: null, colour: 'product', finish: 'fabric' } as const;
const areaIn = (ring: readonly (readonly [number, number])[]) =>
  Math.abs(areaOf(ring.map(([x, y]) => [x, y])));

test.each(GARMENTS)(
  '%s, laid down: its prints lie true, its cloth strays from its pattern by little',
  (_, body) => {
    const printed = (meshes: readonly Mesh[]) => meshes.filter(({ material }) => material.faceId !== null);
    const lying = garmentMeshes(body);
    expect(printed(lying)).toEqual(printed(sewnMeshes(body)));
    const { front } = patternOf(body);
    const edge = (pick: (...all: number[]) => number, points: readonly (readonly number[])[], k: 0 | 1) =>
      pick(...points.map((point) => point[k]!));
    const cloth = lying[0]!.points.map(([x, y]) => [x, -y] as const);
    for (const pick of [Math.min, Math.max])
      for (const k of [0, 1] as const)
        expect(Math.abs(edge(pick, cloth, k) - edge(pick, front, k))).toBeLessThan(SOFT);
    expect(Math.abs(areaIn(cloth) / areaIn(front) - 1)).toBeLessThan(0.02);
  },
);

test.each(GARMENTS)('%s: what is sewn through a print lies as true as the print', (_, body) => {
  const { lieAs } = settled(body);
  for (const print of body.prints) {
    const { x, y } = printOrigin(body, print);
    const across = print.place === 'back' ? -x - print.width : x;
    const points = [0, 0.3, 1].flatMap((s) =>
      [0, 0.6, 1].map((t) => [across + s * print.width, -(y + t * print.height), 4] as const),
    );
    const pocket: Mesh = { material: CLOTH, points, normals: [], places: [], triangles: [] };
    expect(lieAs(pocket).points).toEqual(points);
  }
});

test('cloth that is sewn has no sharp corner, and next to no less of it', () => {
  const square = [
    [0, 0],
    [200, 0],
    [200, 200],
    [0, 200],
  ] as const;
  const ring = softened([...square]);
  expect(Math.min(...ring.map(([x, y]) => Math.hypot(x, y)))).toBeCloseTo(2 * Math.SQRT2, 1);
  expect(areaIn(ring) / areaIn(square)).toBeGreaterThan(0.998);
  expect(ring.length).toBeGreaterThan(50);
  // Narrower than its corners would be round, they are as round as there is room for.
  const narrow = areaIn(
    softened([
      [0, 0],
      [9, 0],
      [9, 50],
      [0, 50],
    ]),
  );
  expect(narrow).toBeGreaterThan(400);
  expect(narrow).toBeLessThan(450);
});

test.each([false, true])(
  'an edge turns down from the cloth to what it lies on, seen from behind: %s',
  (behind) => {
    const ring = softened([
      [0, 0],
      [100, 0],
      [100, 60],
      [0, 60],
    ]);
    const { points, normals } = rolledEdge(CLOTH, ring, 2, { wide: 5, behind });
    const way = behind ? -1 : 1;
    for (const [i, [nx, ny, nz]] of normals.entries()) {
      const [x, y, z] = points[i]!;
      expect(Math.hypot(nx, ny, nz)).toBeCloseTo(1, 9);
      expect(z).toBe(2);
      const off = Math.min(x, 100 - x, -y, 60 + y);
      expect(off).toBeGreaterThan(-1e-6);
      expect(off).toBeLessThan(5.9);
      // Furthest inside it faces as the cloth does, at the edge out of it.
      if (i % 3 === 0) expect(nz).toBe(way);
      if (i % 3 === 2) expect(nx * (x - 50) * 60 + ny * (y + 30) * 100).toBeGreaterThan(0);
    }
  },
);
