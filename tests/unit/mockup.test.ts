import fc from 'fast-check';
import * as v from 'valibot';
import { shippedBlanks } from '@/core/blank/library';
import { deltaE00 } from '@/core/colour/difference';
import { labOf } from '@/core/colour/lab';
import { daylightAt } from '@/core/mockup/daylight';
import { arranged, drawScene, shotOf } from '@/core/mockup/draw';
import { coverPicture, drawPhoto, feedOf } from '@/core/mockup/photo/draw';
import { squareTo, throughHomography } from '@/core/mockup/photo/homography';
import {
  PhotoSceneSchema,
  type PhotoPoint,
  type PhotoScene,
  type SurfaceShape,
} from '@/core/mockup/photo/schema';
import { onPhoto } from '@/core/mockup/photo/surface';
import { photoTroubles, surfaceTrouble } from '@/core/mockup/photo/troubles';
import { familyOf, fitsIn, inBothEnds, PICTURE_SIZES, SCENES, scenesFor } from '@/core/mockup/scenes';
import { marksIn } from '@/core/mockup/marks';
import { USUAL_DRESS, type Scene } from '@/core/mockup/schema';
import { toLinear, toLevel } from '@/core/product/light';
import { modelOf, seenOf } from '@/core/product/model';
import { boundsOf } from '@/core/product/mesh';
import { posed } from '@/core/product/scene';
import { textureOf, type Texture } from '@/core/product/texture';
import type { Raster } from '@/core/raster/raster';
import type { PlacedPiece } from '@/core/fit/schema';
import { picturedAs } from '@/files/picture';
import { blankById, fitOf, pieceAt } from '../support/fits';
import { paint, pixelAt, solid } from '../support/pictures';

const SQUARE: PhotoPoint[] = [
  [0, 0],
  [1, 0],
  [1, 1],
  [0, 1],
];

/** The map of a plane by eight equations, solved one by one: apart from the closed form that is tested. */
function solved(corners: readonly PhotoPoint[]): (u: number, v: number) => PhotoPoint {
  const rows = SQUARE.flatMap(([u, v], i) => {
    const [x, y] = corners[i]!;
    return [
      [u, v, 1, 0, 0, 0, -u * x, -v * x, x],
      [0, 0, 0, u, v, 1, -u * y, -v * y, y],
    ];
  });
  for (let k = 0; k < 8; k++) {
    const best = rows
      .slice(k)
      .reduce((at, row, i) => (Math.abs(row[k]!) > Math.abs(rows[at]![k]!) ? k + i : at), k);
    [rows[k], rows[best]] = [rows[best]!, rows[k]!];
    for (let i = 0; i < 8; i++) {
      if (i === k) continue;
      const factor = rows[i]![k]! / rows[k]![k]!;
      rows[i] = rows[i]!.map((value, j) => value - factor * rows[k]![j]!);
    }
  }
  const h = rows.map((row, k) => row[8]! / row[k]!);
  return (u, v) => {
    const w = h[6]! * u + h[7]! * v + 1;
    return [(h[0]! * u + h[1]! * v + h[2]!) / w, (h[3]! * u + h[4]! * v + h[5]!) / w];
  };
}

const CORNERS: PhotoPoint[] = [
  [212, 130],
  [641, 88],
  [700, 560],
  [180, 470],
];

function sceneWith(shape: SurfaceShape, change: Partial<PhotoScene> = {}): PhotoScene {
  return {
    upfit: 'photo/1',
    id: 'shelf',
    name: 'Shelf',
    width: 800,
    height: 600,
    surfaces: [{ id: 'a', faceId: null, zoneId: null, shape }],
    fronts: [],
    shading: 1,
    ...change,
  };
}

function printOn(id: string, raster: Raster): Map<string, Texture> {
  const [face] = blankById(id).faces;
  return new Map([
    [face!.id, textureOf(raster, { left: 0, top: 0, width: face!.width, height: face!.height })],
  ]);
}

describe('a plane in a photo', () => {
  test('goes by the exact homography of its four corners, to 0.01 px', () => {
    const near = (value: number) => fc.integer({ min: value - 60, max: value + 60 });
    const corners = fc.tuple(...CORNERS.map(([x, y]) => fc.tuple(near(x), near(y))));
    const share = fc.double({ min: 0, max: 1, noNaN: true });
    fc.assert(
      fc.property(corners, share, share, (some, u, v) => {
        const map = squareTo(some);
        const [x, y] = solved(some)(u, v);
        const at = throughHomography(map, u, v);
        expect(Math.hypot(at.x - x, at.y - y)).toBeLessThan(0.01);
        expect(at.near).toBeGreaterThan(0);
      }),
    );
    expect(() =>
      squareTo([
        [0, 0],
        [1, 0],
        [2, 0],
        [3, 0],
      ]),
    ).toThrow(RangeError);
  });

  test('a checker on it has its edges where the homography has them, in the picture’s pixels', () => {
    const blank = 'coaster';
    const cells = 8;
    const checker = paint(960, 960, (x, y) =>
      (Math.floor((x / 960) * cells) + Math.floor((y / 960) * cells)) % 2 === 0
        ? [20, 20, 20, 255]
        : [240, 240, 240, 255],
    );
    const scene = sceneWith({ kind: 'plane', corners: CORNERS });
    const picture = drawPhoto(scene, solid(800, 600), blankById(blank), printOn(blank, checker), {
      width: 800,
      height: 600,
    });
    const at = solved(CORNERS);
    for (let i = 1; i < cells; i++) {
      // Across the middle of a row of cells, each edge is where dark turns to light.
      const [x, y] = at(i / cells, 2.5 / cells);
      const edge = edgeNear(picture, x, y);
      expect(Math.abs(edge - x)).toBeLessThan(0.6);
    }
  });
});

/** The column, to a part of a pixel, at which a row passes the middle grey next to a place. */
function edgeNear(picture: Raster, x: number, y: number): number {
  const level = (column: number) => pixelAt(picture, column, Math.floor(y))[1]!;
  for (let reach = 0; reach < 6; reach++) {
    for (const column of [Math.floor(x) - reach, Math.floor(x) + reach]) {
      const [a, b] = [level(column), level(column + 1)];
      if (a < 130 !== b < 130) return column + 0.5 + (130 - a) / (b - a);
    }
  }
  return NaN;
}

describe('a round wall in a photo', () => {
  const shape: SurfaceShape = {
    kind: 'cylinder',
    left: [
      [200, 100],
      [210, 500],
    ],
    right: [
      [600, 100],
      [590, 500],
    ],
    bulge: [14, 32],
    sweep: 180,
  };

  test('keeps the law of its spacing: even steps round it go by the sine across', () => {
    const at = onPhoto(shape);
    for (let i = 0; i <= 12; i++) {
      const angle = (i / 12 - 0.5) * Math.PI;
      expect(at(i / 12, 0).x).toBeCloseTo(400 + 200 * Math.sin(angle), 9);
      expect(at(i / 12, 0).y).toBeCloseTo(100 + 14 * Math.cos(angle), 9);
      expect(at(i / 12, 1).y).toBeCloseTo(500 + 32 * Math.cos(angle), 9);
    }
    const part = onPhoto({ ...shape, sweep: 90 });
    expect(part(0, 0.5).x).toBeCloseTo(205, 9);
    expect(part(0.75, 0).x).toBeCloseTo(400 + (200 * Math.sin(Math.PI / 8)) / Math.sin(Math.PI / 4), 9);
  });

  test('shows as much of the wrap as lies between its edges, about its zone', () => {
    const mug = blankById('mug-325');
    const surface = { id: 'a', faceId: null, zoneId: 'left', shape };
    const { face, area } = feedOf(mug, surface);
    expect(face.id).toBe('wrap');
    expect(area.width).toBeCloseTo((Math.PI * 79) / 2, 6);
    expect(area.left + area.width / 2).toBeCloseTo(face.zones.find(({ id }) => id === 'left')!.x, 6);
    const leaflet = blankById('leaflet');
    const panel = feedOf(leaflet, {
      id: 'a',
      faceId: 'outside',
      zoneId: 'panel-3',
      shape: { kind: 'plane', corners: CORNERS },
    });
    expect(panel.area).toEqual({ left: 198.5, top: 0, width: 100, height: 210 });
  });

  test('a checker on it stands in the picture where the law has it', () => {
    const mug = blankById('mug-325');
    const [face] = mug.faces;
    const per = 10;
    const step = 10;
    const checker = paint(Math.round(face!.width * per), 400, (x) =>
      Math.floor(x / per / step) % 2 === 0 ? [20, 20, 20, 255] : [240, 240, 240, 255],
    );
    const prints = new Map([
      ['wrap', textureOf(checker, { left: 0, top: 0, width: checker.width / per, height: face!.height })],
    ]);
    const picture = drawPhoto(sceneWith(shape), solid(800, 600), mug, prints, { width: 800, height: 600 });
    const y = 300;
    const half = 195;
    let seen = 0;
    for (let x = step; x < face!.width; x += step) {
      const angle = ((x - face!.width / 2) * 2) / 79;
      if (Math.abs(angle) > 1.1) continue;
      seen++;
      const wanted = 400 + half * Math.sin(angle);
      expect(Math.abs(edgeNear(picture, wanted, y) - wanted)).toBeLessThan(1);
    }
    expect(seen).toBeGreaterThan(6);
  });
});

describe('cloth in a photo', () => {
  const points: PhotoPoint[] = Array.from({ length: 20 }, (_, i) => [
    100 + (i % 4) * 130 + 9 * Math.sin(i * 2.1),
    80 + Math.floor(i / 4) * 95 + 8 * Math.cos(i * 1.3),
  ]);
  const shape: SurfaceShape = { kind: 'cloth', columns: 4, rows: 5, points };

  test('goes through every point of its grid, and on smoothly', () => {
    const at = onPhoto(shape);
    points.forEach(([x, y], i) => {
      const here = at((i % 4) / 3, Math.floor(i / 4) / 4);
      expect(here.x).toBeCloseTo(x, 9);
      expect(here.y).toBeCloseTo(y, 9);
    });
    // The slope on both sides of a knot is the same.
    const [before, knot, after] = [at(1 / 3 - 1e-5, 0.4), at(1 / 3, 0.4), at(1 / 3 + 1e-5, 0.4)];
    expect((knot.x - before.x) / (after.x - knot.x)).toBeCloseTo(1, 3);
  });

  test('an even grid is a plain rectangle', () => {
    const even: PhotoPoint[] = Array.from({ length: 9 }, (_, i) => [
      100 + (i % 3) * 50,
      20 + Math.floor(i / 3) * 40,
    ]);
    const at = onPhoto({ kind: 'cloth', columns: 3, rows: 3, points: even });
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (u, w) => {
          expect(at(u, w).x).toBeCloseTo(100 + 100 * u, 6);
          expect(at(u, w).y).toBeCloseTo(20 + 80 * w, 6);
        },
      ),
    );
  });
});

describe('the light of a photo on a print', () => {
  const blank = blankById('coaster');
  const shape: SurfaceShape = {
    kind: 'plane',
    corners: [
      [100, 100],
      [500, 100],
      [500, 500],
      [100, 500],
    ],
  };
  const RED = [190, 40, 50, 255] as const;
  const lit = (level: (x: number, y: number) => number, change: Partial<PhotoScene> = {}) =>
    drawPhoto(
      sceneWith(shape, { width: 600, height: 600, ...change }),
      paint(600, 600, (x, y) => [level(x, y), level(x, y), level(x, y), 255]),
      blank,
      printOn('coaster', solid(96, 96, RED)),
      { width: 600, height: 600 },
    );

  test('an evenly lit blank gives the print’s own colours', () => {
    for (const level of [255, 180]) {
      const [r, g, b] = pixelAt(
        lit(() => level),
        300,
        300,
      );
      expect(deltaE00(labOf(r!, g!, b!), labOf(190, 40, 50))).toBeLessThan(1);
    }
    expect(
      pixelAt(
        lit(() => 200),
        40,
        40,
      ),
    ).toEqual([200, 200, 200, 255]);
  });

  test('shade darkens it by as much as the blank, in light, and never its hue; half of it where half is asked', () => {
    const shaded = (x: number) => (x < 300 ? 200 : 110);
    const share = toLinear(110) / toLinear(200);
    for (const shading of [1, 0.5]) {
      const factor = 1 - (1 - share) * shading;
      const found = pixelAt(lit(shaded, { shading }), 420, 300);
      const wanted = RED.slice(0, 3).map((level) => toLevel(toLinear(level) * factor));
      wanted.forEach((level, c) => {
        expect(Math.abs(found[c]! - level)).toBeLessThanOrEqual(1);
      });
    }
  });

  test('a highlight stays on top', () => {
    const bright = (x: number, y: number) => (Math.hypot(x - 300, y - 300) < 30 ? 250 : 150);
    const found = pixelAt(lit(bright), 300, 300);
    expect(found[1]).toBeGreaterThan(pixelAt(lit(bright), 200, 200)[1]! + 30);
  });

  test('what is marked in front hides it', () => {
    const fronts: PhotoPoint[][] = [
      [
        [280, 90],
        [330, 90],
        [330, 510],
        [280, 510],
      ],
    ];
    const picture = lit(() => 200, { fronts });
    expect(pixelAt(picture, 300, 300)).toEqual([200, 200, 200, 255]);
    expect(pixelAt(picture, 360, 300)[1]).toBeLessThan(80);
  });

  test('the photo covers a picture of another shape, its middle in the middle', () => {
    const { scale, left, top } = coverPicture({ width: 800, height: 600 }, { width: 1000, height: 1000 });
    expect(scale).toBeCloseTo(1000 / 600, 9);
    expect(left).toBeCloseTo((1000 - (800 * 1000) / 600) / 2, 9);
    expect(top).toBe(0);
  });
});

describe('marks that carry no print are told', () => {
  const plane = (corners: PhotoPoint[]) => surfaceTrouble({ kind: 'plane', corners });
  test.each([
    ['three corners', CORNERS.slice(0, 3), /four corners: 3 are marked/],
    ['crossed', [CORNERS[0]!, CORNERS[2]!, CORNERS[1]!, CORNERS[3]!], /cross one another/],
    ['from behind', [CORNERS[1]!, CORNERS[0]!, CORNERS[3]!, CORNERS[2]!], /wrong way round/],
    ['a speck', CORNERS.map(([x, y]) => [x / 40, y / 40] as PhotoPoint), /too small/],
    ['a corner inside', [CORNERS[0]!, CORNERS[1]!, [400, 250], CORNERS[3]!], /lies inside the others/],
  ])('%s', (_, corners, said) => {
    expect(plane(corners as PhotoPoint[])).toMatch(said);
  });

  test('none, outside, and right ones', () => {
    expect(plane(CORNERS)).toBeNull();
    expect(photoTroubles(sceneWith({ kind: 'plane', corners: CORNERS }))).toEqual([]);
    expect(photoTroubles(sceneWith({ kind: 'plane', corners: CORNERS }, { surfaces: [] }))[0]).toMatch(
      /No print surface/,
    );
    const out = CORNERS.map(([x, y]) => [x + 5000, y] as PhotoPoint);
    expect(photoTroubles(sceneWith({ kind: 'plane', corners: out }))[0]).toMatch(/outside the photo/);
    const short = { ...sceneWith({ kind: 'plane', corners: CORNERS }) };
    const three = {
      ...short,
      surfaces: [{ ...short.surfaces[0]!, shape: { kind: 'plane', corners: CORNERS.slice(0, 3) } }],
    };
    expect(v.safeParse(PhotoSceneSchema, three).success).toBe(false);
  });
});

describe('scenes', () => {
  test('at least fifteen come with the program, each product has some, sizes are whole', () => {
    expect(SCENES.length).toBeGreaterThanOrEqual(15);
    expect(new Set(SCENES.map(({ id }) => id)).size).toBe(SCENES.length);
    for (const blank of shippedBlanks())
      expect([familyOf(blank), scenesFor(blank).length > 1]).toEqual([familyOf(blank), true]);
    expect(PICTURE_SIZES.map(({ width, height }) => width / height)).toEqual([1, 0.8, 1.5]);
  });

  test('what stands beside things hides none of them but what a hand holds, and is no part of what is framed', () => {
    const look = { colour: '#ffffff', finish: 'matt' as const, ink: 'cover' as const, prints: new Map() };
    for (const scene of SCENES.filter(({ beside }) => beside.length > 0)) {
      const blank = shippedBlanks().find((one) => scenesFor(one).includes(scene))!;
      const size = { width: 500, height: 500 };
      const pictured = { model: modelOf(blank), look };
      const seen = (of: Scene) => marksIn(of, pictured, blank.faces, size).filter((mark) => mark.seen).length;
      const alone = seen({ ...scene, beside: [] });
      expect(alone).toBeGreaterThan(20);
      expect(seen(scene) / alone).toBeGreaterThan(scene.id === 'hand' ? 0.85 : 0.99);
      const shots = [scene, { ...scene, beside: [] }].map((one) =>
        shotOf(one, [pictured], USUAL_DRESS, size),
      );
      expect(shots[0]!.beside).toHaveLength(scene.beside.length);
      expect(shots[0]!.camera).toEqual(shots[1]!.camera);
    }
  });

  test('things stand side by side on one floor, or hang level', () => {
    for (const scene of SCENES) {
      const blank = shippedBlanks().find((one) => scenesFor(one).includes(scene))!;
      const look = { colour: '#ffffff', finish: 'matt' as const, ink: 'cover' as const, prints: new Map() };
      const standing = arranged(scene, [{ model: modelOf(blank), look }]);
      expect(standing.length).toBe(scene.places.length);
      expect(fitsIn(scene)).toBeLessThanOrEqual(standing.length);
      const boxes = standing.map(({ meshes, pose }) =>
        boundsOf(meshes.flatMap(({ points }) => points.map((point) => posed(point, pose)))),
      );
      boxes.slice(1).forEach((box, i) => {
        expect(box.low[0]).toBeGreaterThanOrEqual(boxes[i]!.high[0] - 1e-6);
      });
      const level = scene.backdrop.ground === 'lying' || scene.backdrop.ground === 'wall';
      for (const { low, high } of boxes) expect(level ? low[1] + high[1] : low[1]).toBeCloseTo(0, 6);
    }
  });

  test('a scene of sizes shows the smallest and the largest that are sold, true to each other, the print hung as theirs is', () => {
    const shirt = blankById('shirt');
    const fit = fitOf(shirt, [pieceAt(140, 120, 100, 100)]);
    const scene = SCENES.find(({ id }) => id === 'sizes-laid')!;
    const ends = (soldIn?: string[]) => inBothEnds(shirt, { ...fit, ...(soldIn && { soldIn }) });
    const all = shirt.blank.sizes.map(({ id }) => id);
    expect(ends().map((one) => one.fit.sizeId)).toEqual([all[0], all.at(-1)]);
    expect(ends([all[2]!, all[1]!]).map((one) => one.fit.sizeId)).toEqual([all[1], all[2]]);
    const across = arranged(
      scene,
      ends().map((one) => picturedAs({ ...one, colour: '#ffffff' })),
    ).map(({ meshes, pose }) => {
      const { low, high } = boundsOf(
        meshes.flatMap(({ points }) => points.map((point) => posed(point, pose))),
      );
      return high[0] - low[0];
    });
    const alone = all.map((id) => {
      const { low, high } = boundsOf(modelOf(shirt, id).meshes.flatMap(({ points }) => points));
      return high[0] - low[0];
    });
    expect(across[0]).toBeCloseTo(alone[0]!, 6);
    expect(across[1]).toBeCloseTo(alone.at(-1)!, 6);
    expect(across[1]! / across[0]!).toBeGreaterThan(1.2);
    // The piece keeps its size, and its place from the collar and from the middle.
    const front = ends().map((one) => ({
      piece: one.fit.faces[0]!.pieces[0] as PlacedPiece,
      face: one.blank.faces[0]!,
    }));
    for (const one of front) {
      expect([one.piece.width, one.piece.y]).toEqual([100, 120]);
      expect(one.piece.x - one.face.width / 2).toBeCloseTo(140 - shirt.faces[0]!.width / 2, 6);
    }
    expect(scenesFor(blankById('tote')).some(({ sizes }) => sizes)).toBe(false);
  });

  test('a picture has the size that is asked for, the backdrop’s colour, and a shadow unless that is off', () => {
    const blank = blankById('mug-325');
    const model = modelOf(blank);
    const look = { colour: '#ffffff', finish: model.finish, ink: blank.method.ink, prints: new Map() };
    const scene = SCENES.find(({ id }) => id === 'plain')!;
    const shot = (dress = USUAL_DRESS) =>
      drawScene(scene, [{ model, look }], dress, { width: 240, height: 160 });
    const plain = shot();
    expect([plain.width, plain.height, plain.opaque]).toEqual([240, 160, true]);
    const lightness = (picture: Raster) =>
      picture.data.reduce((sum, level, at) => (at % 4 === 0 ? sum + level : sum), 0);
    expect(lightness(shot({ ...USUAL_DRESS, shadow: 0 }))).toBeGreaterThan(1.005 * lightness(plain));
    const blue = pixelAt(shot({ ...USUAL_DRESS, colour: '#2040a0' }), 6, 152);
    expect(blue[2]).toBeGreaterThan(blue[0]! + 40);
    const { left, right } = seenOf(blank.faces[0]!);
    expect(right - left).toBeCloseTo(222.186, 3);
  });
});

describe('daylight through a window', () => {
  const scene = SCENES.find(({ id }) => id === 'wall-window')!;

  test('is lighter in its panes than beside them and behind its bars, with no edge between two pixels', () => {
    const row = Array.from({ length: 1000 }, (_, x) => daylightAt(x / 1000 - 0.5, -0.35));
    expect(Math.max(...row)).toBeCloseTo(1.1, 6);
    expect(row.at(-1)).toBeCloseTo(0.86, 6);
    // Two panes and the bar between them.
    const lit = row.map((light) => light > 1.05);
    expect(lit.filter((one, x) => one && !lit[x - 1])).toHaveLength(2);
    for (let x = 1; x < row.length; x++) expect(Math.abs(row[x]! - row[x - 1]!)).toBeLessThan(0.02);
  });

  test('falls on the wall of its scene and not on what hangs there', () => {
    const poster = blankById('poster-a2');
    const draw = (window: boolean) => {
      const own = picturedAs({ blank: poster, fit: fitOf(poster, []), colour: '#ffffff' });
      return drawScene({ ...scene, backdrop: { ...scene.backdrop, window } }, [own], USUAL_DRESS, {
        width: 300,
        height: 300,
      });
    };
    const [lit, plain] = [draw(true), draw(false)];
    expect(pixelAt(lit, 150, 150)).toEqual(pixelAt(plain, 150, 150));
    expect(pixelAt(lit, 60, 60)[0]!).toBeGreaterThan(pixelAt(plain, 60, 60)[0]!);
    expect(pixelAt(lit, 290, 290)[0]!).toBeLessThan(pixelAt(plain, 290, 290)[0]!);
  });
});
