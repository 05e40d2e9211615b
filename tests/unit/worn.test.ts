import fc from 'fast-check';
import { printOrigin, sleeveOf, type GarmentBody } from '@/core/blank/bodies/garment';
import { bodyAt } from '@/core/blank/resolve';
import { deltaE00 } from '@/core/colour/difference';
import { labOf } from '@/core/colour/lab';
import { dot, minus, unit } from '@/core/geometry/vector';
import { drawScene, shotOf } from '@/core/mockup/draw';
import { marksIn } from '@/core/mockup/marks';
import { SCENES, scenesFor } from '@/core/mockup/scenes';
import { USUAL_DRESS } from '@/core/mockup/schema';
import { project } from '@/core/product/camera';
import { drawProducts, sightOf, whereOnProduct } from '@/core/product/draw';
import { FLAT_LIGHT } from '@/core/product/light';
import type { Holder } from '@/core/product/families';
import { boxOf } from '@/core/product/mesh';
import { modelOf } from '@/core/product/model';
import { fall } from '@/core/product/scene';
import { textureOf } from '@/core/product/texture';
import { viewsOf } from '@/core/product/views';
import { drape, type Draped } from '@/core/product/worn/drape';
import { TailorsForm } from '@/core/product/worn/form';
import { ClothGrid } from '@/core/product/worn/grid';
import { inStack } from '@/core/product/worn/stack';
import { tessellated } from '@/core/product/worn/tessellate';
import { Hanger } from '@/core/product/worn/hanger';
import { hangsOnForm, onForm, onHanger, wornPattern } from '@/core/product/worn/worn';
import { blankById } from '../support/fits';
import { paint, pixelAt } from '../support/pictures';
import { few, longTest } from '../support/long';

const shirt = blankById('shirt');
const bodyOf = (id: string, sizeId: string | null) => bodyAt(blankById(id).blank, sizeId) as GarmentBody;
const hung = (body: GarmentBody) => {
  const form = new TailorsForm(body);
  return { form, cloth: drape(wornPattern(body, form), form.solid) };
};
const distance = (a: readonly number[], b: readonly number[]) =>
  Math.hypot(a[0]! - b[0]!, a[1]! - b[1]!, a[2]! - b[2]!);

/** How long 10 mm of a print are on the cloth, straight across: the mean, and the furthest off. */
function threadsOf(cloth: Draped, { width, height }: { width: number; height: number }, top: number) {
  let [sum, count, worst] = [0, 0, 0];
  for (let x = -width / 2; x + 10 <= width / 2; x += 10)
    for (let y = top; y + 10 <= top + height; y += 10)
      for (const [dx, dy] of [
        [10, 0],
        [0, 10],
      ] as const) {
        const long = distance(cloth.at(x, y, 'front').at, cloth.at(x + dx, y + dy, 'front').at);
        worst = Math.max(worst, Math.abs(long - 10));
        sum += long;
        count++;
      }
  return { mean: sum / count, worst };
}

describe.each([
  ['shirt', null],
  ['shirt', 's'],
  ['shirt', '2xl'],
  ['shirt-child', 'age-4'],
  ['hooded-top', null],
] as const)('%s in size %s on its form', (id, sizeId) => {
  const body = bodyOf(id, sizeId);
  const { form, cloth } = hung(body);
  const print = body.prints.find(({ place }) => place === 'front')!;
  const top = body.collarDrop + print.below;

  test('nothing of it is inside of the form', () => {
    const out = new Float64Array(3);
    const half = body.chest / 2 - 2;
    const { armpit } = sleeveOf(body);
    const crease = body.chest / 20;
    let nearest = Infinity;
    for (let x = -half; x <= half; x += 20)
      for (let y = body.collarDrop + 4; y < body.length; y += 20)
        for (const side of ['front', 'back'] as const) {
          // In the crease of an armpit its trunk and its arm leave no room for cloth.
          if (Math.hypot(Math.abs(x) - armpit[0], y - armpit[1]) < crease) continue;
          const [px, py, pz] = cloth.at(x, y, side).at;
          nearest = Math.min(nearest, form.solid(px, py, pz, out));
        }
    expect(nearest).toBeGreaterThan(-1.5);
  });

  test('a print keeps its size: 10 mm on the cloth are 10 mm, however it hangs', () => {
    const { worst, mean } = threadsOf(cloth, print, top);
    expect(worst).toBeLessThan(2);
    expect(Math.abs(mean - 10)).toBeLessThan(0.35);
  });

  test('it hangs: the hem under the print, the print under the collar, the front before the back', () => {
    const heightAt = (y: number) => cloth.at(0, y, 'front').at[1];
    expect(heightAt(top)).toBeGreaterThan(heightAt(top + print.height));
    expect(heightAt(top + print.height)).toBeGreaterThan(heightAt(body.length - 5));
    expect(cloth.at(0, top + 50, 'front').at[2]).toBeGreaterThan(cloth.at(0, top + 50, 'back').at[2] + 100);
    expect(cloth.at(0, top + 50, 'front').normal[2]).toBeGreaterThan(0.8);
    expect(cloth.at(0, top + 50, 'back').normal[2]).toBeLessThan(-0.8);
  });
});

test.each(['shirt', 'shirt-child', 'hooded-top', 'zip-top'])(
  '%s: its cloth ends at its own line, and what is sewn is one point of both sides',
  (id) => {
    const body = bodyOf(id, null);
    const pattern = wornPattern(body, new TailorsForm(body));
    const grid = new ClothGrid(pattern);
    const sewn = new Set(grid.sewn());
    for (const side of ['front', 'back'] as const) {
      const ring = pattern[side];
      const off = ring.flatMap(([ax, ay], i) => {
        const [bx, by] = ring[(i + 1) % ring.length]!;
        const parts = Math.ceil(Math.hypot(bx - ax, by - ay) / 5);
        return Array.from({ length: parts }, (_, k) => {
          const [x, y] = [ax + ((bx - ax) * k) / parts, ay + ((by - ay) * k) / parts];
          const { ids, shares } = grid.around(side, x, y);
          const isOpen = pattern.isOpen(x, y);
          // Of its corners those that it lies between.
          const held = ids.filter((_, n) => shares[n]! > 1e-6);
          return [
            Math.max(...shares.map((share) => -share)),
            isOpen || held.every((id) => sewn.has(id)),
          ] as const;
        });
      });
      // A line that curves bulges a little past the straight sides between its points.
      expect(Math.max(...off.map(([past]) => past))).toBeLessThan(0.15);
      // Where an opening begins, a place lies between a point that is sewn and one that is not.
      expect(off.filter(([, isOne]) => !isOne).length / off.length).toBeLessThan(0.04);
    }
  },
);

describe.each([
  ['shirt', '2xl'],
  ['shirt-child', 'age-4'],
  ['hooded-top', null],
] as const)('%s in size %s on its hanger', (id, sizeId) => {
  const body = bodyOf(id, sizeId);
  const hanger = new Hanger(body);
  const cloth = drape(wornPattern(body, hanger), hanger.solid);
  const print = body.prints.find(({ place }) => place === 'front')!;
  const top = body.collarDrop + print.below;

  test('nothing of it is inside of the bars, and its shoulders lie over them', () => {
    const out = new Float64Array(3);
    const half = body.chest / 2 - 2;
    let nearest = Infinity;
    for (let x = -half; x <= half; x += 10)
      for (let y = body.collarDrop + 4; y < body.length; y += 10)
        for (const side of ['front', 'back'] as const) {
          const [px, py, pz] = cloth.at(x, y, side).at;
          nearest = Math.min(nearest, hanger.solid(px, py, pz, out));
        }
    expect(nearest).toBeGreaterThan(0);
    const { shoulder } = sleeveOf(body);
    const neck = body.collarWidth / 2;
    for (const share of [0.25, 0.5, 0.75])
      for (const way of [1, -1]) {
        const x = neck + (shoulder[0] - neck) * share;
        const [px, py, pz] = cloth.at(way * x, shoulder[1] * share, 'front').at;
        const off = hanger.solid(px, py, pz, out);
        expect(off).toBeLessThan(20);
        expect(out[1]).toBeGreaterThan(0.3);
      }
  });

  test('a print keeps its size, and hangs upright behind nothing: the front before the back', () => {
    const left = -print.width / 2;
    expect(threadsOf(cloth, print, top).worst).toBeLessThan(0.8);
    for (let y = top; y < body.length - 20; y += 30)
      for (const x of [left, 0, -left])
        expect(cloth.at(x, y, 'front').at[2]).toBeGreaterThan(cloth.at(x, y, 'back').at[2] + 8);
    expect(cloth.at(0, top, 'front').at[1]).toBeGreaterThan(cloth.at(0, top + print.height, 'front').at[1]);
  });
});

test.each(['s', '2xl'])(
  'a stack of shirts in size %s: the print uppermost, level where no fold is, nothing under the table',
  (size) => {
    const body = bodyOf('shirt', size);
    const meshes = inStack(body);
    const { low, high } = boxOf(meshes);
    expect(low[2]).toBeGreaterThan(-0.01);
    expect(high[2]).toBeLessThan(body.chest * 0.055 * 3 + 4);
    expect(high[0] - low[0]).toBeLessThan(body.chest * 0.6 + 12);
    const print = meshes.find(({ material }) => material.faceId === 'front')!;
    const { y: down } = printOrigin(
      body,
      body.prints.find(({ place }) => place === 'front')!,
    );
    let [level, worst] = [0, 0];
    print.points.forEach(([x, y, z], i) => {
      if (print.normals[i]![2] < 0.999) return;
      level++;
      const [px, py] = print.places[i]!;
      const width = body.prints.find(({ place }) => place === 'front')!.width;
      worst = Math.max(worst, Math.abs(x - (px - width / 2)), Math.abs(-y - (py + down)));
      expect(z).toBeGreaterThan(high[2] - 6);
    });
    expect(level).toBeGreaterThan(200);
    expect(worst).toBeLessThan(0.5);
  },
);

longTest('the same garment hangs the same way each time, and is hung once for a size', () => {
  const body = bodyOf('shirt-child', null);
  const [a, b] = [hung(body).cloth, hung(body).cloth];
  for (let y = 40; y < body.length; y += 37) expect(a.at(31, y, 'front')).toEqual(b.at(31, y, 'front'));
  expect(onForm(body)).toBe(onForm({ ...body }));
  expect(onHanger(body)).toBe(onHanger({ ...body }));
  expect(onHanger(body)).not.toBe(onForm(body));
});

test('sides that are halved leave no gap, and every place its own', () => {
  const ring = fc.array(
    fc.tuple(fc.double({ min: 0, max: 90, noNaN: true }), fc.double({ min: 0, max: 90, noNaN: true })),
    {
      minLength: 3,
      maxLength: 3,
    },
  );
  fc.assert(
    fc.property(ring, (corners) => {
      const material = { faceId: 'front', colour: 'product', finish: 'fabric' as const };
      const flat = {
        material,
        points: [...corners, [0, 0] as [number, number]].map(([x, y]) => [x, y, 0] as const),
        normals: Array.from({ length: 4 }, () => [0, 0, 1] as const),
        places: [...corners, [0, 0] as [number, number]],
        triangles: [0, 1, 2, 0, 2, 3],
      };
      const fine = tessellated(flat, 12);
      const area = (mesh: typeof fine) => {
        let sum = 0;
        for (let i = 0; i < mesh.triangles.length; i += 3) {
          const [p, q, r] = [0, 1, 2].map((k) => mesh.points[mesh.triangles[i + k]!]!);
          sum += (q![0] - p![0]) * (r![1] - p![1]) - (r![0] - p![0]) * (q![1] - p![1]);
        }
        return sum;
      };
      expect(area(fine)).toBeCloseTo(area(flat as unknown as typeof fine), 4);
      for (let i = 0; i < fine.triangles.length; i += 3)
        for (const [k, l] of [
          [0, 1],
          [1, 2],
          [2, 0],
        ] as const)
          expect(
            distance(fine.points[fine.triangles[i + k]!]!, fine.points[fine.triangles[i + l]!]!),
          ).toBeLessThan(12.001);
      fine.points.forEach(([x, y], i) => {
        expect(fine.places[i]![0]).toBeCloseTo(x, 9);
        expect(fine.places[i]![1]).toBeCloseTo(y, 9);
      });
    }),
    { numRuns: 40 },
  );
});

describe('pictures of a shirt on its form, on its hanger and in a stack', () => {
  const [SIDE, EVERY] = [1000, 40];
  const face = shirt.faces.find(({ id }) => id === 'front')!;
  const PER_MM = 3;
  /** Dots of 5 mm on white, every 40 mm. */
  const dots = paint(Math.round(face.width * PER_MM), Math.round(face.height * PER_MM), (px, py) => {
    const off = (at: number) => ((((at + 0.5) / PER_MM + EVERY / 2) % EVERY) - EVERY / 2) ** 2;
    return off(px) + off(py) < 2.5 ** 2 ? [20, 20, 20, 255] : [240, 240, 240, 255];
  });
  const picturedOf = (raster: typeof dots, holder: Holder = 'form') => {
    const model = modelOf(shirt, null, null, holder);
    const over = { left: 0, top: 0, width: face.width, height: face.height };
    const prints = new Map([['front', textureOf(raster, over)]]);
    return { model, look: { colour: '#ffffff', finish: model.finish, ink: 'cover' as const, prints } };
  };
  const size = { width: SIDE, height: SIDE };
  /** Where places of the print fall in a picture, those that are seen and not from aslant. */
  const placesIn = (id: string, pictured: ReturnType<typeof picturedOf>, every: number) => {
    const { standing, camera } = shotOf(
      SCENES.find((one) => one.id === id)!,
      [pictured],
      USUAL_DRESS,
      size,
    );
    const sight = sightOf(fall(standing, camera));
    const found = [];
    for (let y = every; y < face.height; y += every)
      for (let x = every; x < face.width; x += every) {
        const where = whereOnProduct(standing[0]!, 'front', x, y);
        // Drawn under where it is folded.
        if (!where) continue;
        const { point, normal } = where;
        const { x: px, y: py } = project(camera, point);
        const seen = sight(px, py);
        const facing = dot(normal, unit(minus(camera.eye, point)));
        if (facing > 0.5 && seen && Math.hypot(seen.x - x, seen.y - y) < 1.5) found.push({ x, y, px, py });
      }
    return { standing, camera, found };
  };

  test.each(few(['form-turned', 'form', 'hanger', 'stack'], 1))(
    '%s: each mark of the print is where it is said to be, within 1.5 px',
    (id) => {
      const scene = SCENES.find((one) => one.id === id)!;
      const pictured = picturedOf(dots, scene.holder);
      const { found } = placesIn(id, pictured, EVERY);
      const picture = drawScene(scene, [pictured], USUAL_DRESS, size);
      expect(found.length).toBeGreaterThan(30);
      for (const { px, py } of found) {
        const around: number[] = [];
        let [sum, atX, atY] = [0, 0, 0];
        const each = (told: (x: number, y: number, dark: number) => void) => {
          for (let y = Math.round(py) - 8; y <= py + 8; y++)
            for (let x = Math.round(px) - 8; x <= px + 8; x++) told(x, y, 255 - pixelAt(picture, x, y)[1]!);
        };
        each((_, __, dark) => around.push(dark));
        const bare = around.sort((a, b) => a - b)[Math.floor(around.length * 0.6)]! + 25;
        each((x, y, dark) => {
          const weight = Math.max(0, dark - bare);
          sum += weight;
          atX += weight * (x + 0.5);
          atY += weight * (y + 0.5);
        });
        expect(sum).toBeGreaterThan(0);
        expect(Math.hypot(atX / sum - px, atY / sum - py)).toBeLessThan(1.5);
      }
    },
  );

  longTest(
    'colours of a print are those of its file under flat light, within 1 dE: no cloth shows through it',
    () => {
      const colours = [
        [190, 30, 30],
        [31, 79, 154],
        [242, 183, 5],
        [47, 125, 59],
      ] as const;
      const bands = paint(400, 400, (x) => [...colours[Math.min(3, Math.floor(x / 100))]!, 255]);
      const { standing, camera, found } = placesIn('form', picturedOf(bands), 26);
      const picture = drawProducts(standing, camera, FLAT_LIGHT, { ...size, backdrop: null });
      // Not where two bands meet.
      const within = found.filter(({ x }) => {
        const share = (x / face.width) * 4;
        return Math.abs(share - Math.round(share)) > 0.15;
      });
      expect(within.length).toBeGreaterThan(60);
      for (const { x, px, py } of within) {
        const [red, green, blue] = pixelAt(picture, Math.floor(px), Math.floor(py));
        const wanted = colours[Math.floor((x / face.width) * 4)]!;
        expect(deltaE00(labOf(red!, green!, blue!), labOf(wanted[0], wanted[1], wanted[2]))).toBeLessThan(1);
      }
    },
  );

  test.each(few(['tote', 'apron'], 1))(
    '%s on its hook: its print is whole, as large as it is, and in its place',
    (id) => {
      const blank = blankById(id);
      const look = { colour: '#ffffff', finish: 'fabric', ink: 'cover', prints: new Map() } as const;
      const scene = SCENES.find((one) => one.id === 'hook')!;
      const marks = (holder: Holder) => {
        const pictured = { model: modelOf(blank, null, null, holder), look };
        return marksIn(scene, pictured, blank.faces.slice(0, 1), size);
      };
      const hung = marks('hook');
      // But for what a pocket covers of an apron's.
      const seen = (of: typeof hung) => of.filter((mark) => mark.seen).length;
      expect(seen(hung) / hung.length).toBeGreaterThan(id === 'tote' ? 0.999 : 0.9);
      // Across and down between neighbours: a fold draws them together, and nothing draws them apart.
      const columns = new Set(hung.map(({ x }) => x)).size;
      const steps = hung.flatMap(({ px, py }, i) =>
        [hung[i + 1], hung[i + columns]].flatMap((next) =>
          next ? [Math.hypot(next.px - px, next.py - py)] : [],
        ),
      );
      const usual = steps.sort((a, b) => a - b)[steps.length >> 1]!;
      const near = steps.filter((step) => step < 3 * usual);
      expect(Math.max(...near) / usual).toBeLessThan(1.1);
      expect(Math.min(...near) / usual).toBeGreaterThan(0.85);
    },
  );

  test('are offered for what is put on, and for nothing else', () => {
    for (const id of ['shirt', 'shirt-screen', 'hooded-top', 'zip-top', 'shirt-child']) {
      const offered = scenesFor(blankById(id)).map((one) => one.id);
      expect(offered).toEqual(expect.arrayContaining(['form', 'hanger']));
      expect(viewsOf(blankById(id)).some(({ holder }) => holder === 'form')).toBe(true);
    }
    for (const id of ['shirt', 'shirt-child'])
      expect(scenesFor(blankById(id)).map((one) => one.id)).toContain('stack');
    for (const id of ['hooded-top', 'tote'])
      expect(scenesFor(blankById(id)).map((one) => one.id)).not.toContain('stack');
    for (const id of ['tote', 'apron']) {
      const held = scenesFor(blankById(id)).map(({ holder }) => holder);
      expect([...new Set(held)].sort()).toEqual(['hook', 'none']);
    }
    for (const id of ['cap', 'mug-325'])
      expect(scenesFor(blankById(id)).some(({ holder }) => holder !== 'none')).toBe(false);
    expect(hangsOnForm({ ...bodyOf('shirt', null), sleeve: 0 })).toBe(false);
  });
});
