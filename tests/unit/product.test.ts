import fc from 'fast-check';
import type { RoundBody } from '@/core/blank/bodies/round';
import { circumference, diametersOf, printableHeight, uprightOf } from '@/core/blank/bodies/round';
import { shippedBlanks } from '@/core/blank/library';
import { METHODS } from '@/core/blank/methods';
import type { ResolvedBlank } from '@/core/blank/resolve';
import { deltaE00 } from '@/core/colour/difference';
import { labOf } from '@/core/colour/lab';
import { project, rayAt, type Camera } from '@/core/product/camera';
import { drawProducts, seenAt, sightOf, whereOnProduct } from '@/core/product/draw';
import { cameraIn, frameThings, roundEyes, viewingDistance } from '@/core/product/frame';
import { FLAT_LIGHT, lampAt, lampOn, lightOn, toLevel, toLinear } from '@/core/product/light';
import { seenPlace } from '@/core/product/lines';
import { boxOf } from '@/core/product/mesh';
import { modelOf, seenOf } from '@/core/product/model';
import { columnsOf, readShare } from '@/core/product/reads';
import { fall, UPRIGHT, type Look } from '@/core/product/scene';
import { textureOf, type Texture } from '@/core/product/texture';
import { dot, minus, type Vector } from '@/core/geometry/vector';
import { eyeAt, readableFrom, viewsOf } from '@/core/product/views';
import type { Raster } from '@/core/raster/raster';
import { blankById } from '../support/fits';
import { CLEAR, paint, solid } from '../support/pictures';
import { few, longTest } from '../support/long';

const SIDE = 1000;

function pictureOf(blank: ResolvedBlank, prints: ReadonlyMap<string, Texture>, colour = '#ffffff'): Look {
  return { colour, finish: modelOf(blank).finish, ink: blank.method.ink, prints };
}

/** A print over the whole of a face as it is seen. */
function printOver(blank: ResolvedBlank, raster: Raster): Map<string, Texture> {
  return new Map(
    blank.faces.map((face) => {
      const { left, top, right, bottom } = seenOf(face);
      return [face.id, textureOf(raster, { left, top, width: right - left, height: bottom - top })] as const;
    }),
  );
}

function cameraOf(blank: ResolvedBlank, view: { yaw: number; pitch: number }, side = SIDE): Camera {
  const { meshes } = modelOf(blank);
  const framed = frameThings([{ meshes, pose: UPRIGHT }], [view], viewingDistance(meshes), {
    width: side,
    height: side,
    margin: 0.06,
  });
  return cameraIn(framed, view, 0);
}

/** Middle of the pixels of a picture that are nearer to a colour than to anything else there. */
function middleOf(
  raster: Raster,
  [red, green, blue]: readonly number[],
): { x: number; y: number; count: number } {
  let [sumX, sumY, sum] = [0, 0, 0];
  for (let at = 0; at < raster.data.length; at += 4) {
    const far =
      Math.abs(raster.data[at]! - red!) +
      Math.abs(raster.data[at + 1]! - green!) +
      Math.abs(raster.data[at + 2]! - blue!);
    const weight = Math.max(0, 1 - far / 200);
    const pixel = at / 4;
    sumX += weight * ((pixel % raster.width) + 0.5);
    sumY += weight * (Math.floor(pixel / raster.width) + 0.5);
    sum += weight;
  }
  return { x: sumX / sum, y: sumY / sum, count: sum };
}

/** Where geometry has a place of a round wall, worked out apart from the product's surfaces. */
function onWall(body: RoundBody, x: number, y: number, front: number): Vector {
  const { top, bottom } = diametersOf(body);
  const { foot, print } = uprightOf(body);
  const share = y / printableHeight(body);
  const radius = (top + (bottom - top) * share) / 2;
  const angle = (2 * Math.PI * (x - front)) / circumference(body);
  return [radius * Math.sin(angle), foot + print * (1 - share), radius * Math.cos(angle)];
}

/** A pinhole camera by hand: what the one of the product must agree with. */
function pinhole(
  view: { yaw: number; pitch: number },
  camera: Camera,
  point: Vector,
): { x: number; y: number } {
  const from = minus(point, camera.eye);
  const [sy, cy, sp, cp] = [
    Math.sin(view.yaw),
    Math.cos(view.yaw),
    Math.sin(view.pitch),
    Math.cos(view.pitch),
  ];
  const across = from[0] * cy - from[2] * sy;
  const deep = from[0] * sy + from[2] * cy;
  const up = from[1] * cp - deep * sp;
  const away = -(deep * cp + from[1] * sp);
  return {
    x: camera.centre.x + (camera.focal * across) / away,
    y: camera.centre.y - (camera.focal * up) / away,
  };
}

describe('a mark on the wrap stands where geometry says', () => {
  const RED = [220, 20, 30, 255] as const;
  const WHITE = [255, 255, 255, 255] as const;
  const seen = ['mug-325', 'mug-cone', 'cup-stemless-350', 'tumbler-590'].flatMap((id) =>
    viewsOf(blankById(id))
      .filter(({ id: side }) => side !== 'top')
      .map((view) => ({ id, view })),
  );
  for (const { id, view } of few(seen, 6)) {
    test(`${id}, ${view.name}`, () => {
      const blank = blankById(id);
      const [face] = blank.faces;
      const body = blank.blank.body as RoundBody;
      const front = (face!.width - face!.overlap) / 2;
      const axis =
        front + (Math.atan2(Math.sin(view.yaw), Math.cos(view.yaw)) / (2 * Math.PI)) * circumference(body);
      const places = [-22, 17]
        .map((off) => axis + off)
        .filter((x) => x > 4 && x < face!.width - face!.overlap - 4);
      const camera = cameraOf(blank, view);
      for (const x of places) {
        const y = face!.height * 0.37;
        const per = 8;
        const raster = paint(Math.round(face!.width * per), Math.round(face!.height * per), (px, py) =>
          Math.hypot(px / per - x, py / per - y) < 1.5 ? RED : WHITE,
        );
        const area = { left: 0, top: 0, width: raster.width / per, height: raster.height / per };
        const prints = new Map([[face!.id, textureOf(raster, area)]]);
        const standing = { meshes: modelOf(blank).meshes, look: pictureOf(blank, prints), pose: UPRIGHT };
        const picture = drawProducts([standing], camera, FLAT_LIGHT, {
          width: SIDE,
          height: SIDE,
          backdrop: null,
        });
        const found = middleOf(picture, RED);
        const wanted = pinhole(view, camera, onWall(body, x, y, front));
        expect(found.count).toBeGreaterThan(20);
        expect(Math.abs(found.x - wanted.x)).toBeLessThan(1);
        expect(Math.abs(found.y - wanted.y)).toBeLessThan(1);
      }
    });
  }
});

describe('colours on the product', () => {
  test('a flat-lit print is as the print file has it, within dE00 1', () => {
    for (const id of ['mug-325', 'shirt', 'case-pier-6', 'poster-a2', 'cushion-450', 'leaflet']) {
      const blank = blankById(id);
      for (const colour of [
        [196, 42, 60, 255],
        [12, 90, 140, 255],
        [250, 240, 200, 255],
        [33, 33, 36, 255],
      ] as const) {
        const view = viewsOf(blank)[0]!;
        const standing = {
          meshes: modelOf(blank).meshes,
          look: pictureOf(blank, printOver(blank, solid(64, 64, colour))),
          pose: UPRIGHT,
        };
        const picture = drawProducts([standing], cameraOf(blank, view, 200), FLAT_LIGHT, {
          width: 200,
          height: 200,
          backdrop: null,
        });
        const printed = middleOf(picture, colour);
        expect(printed.count).toBeGreaterThan(300);
        const at = (Math.round(printed.y) * 200 + Math.round(printed.x)) * 4;
        const [r, g, b] = picture.data.subarray(at, at + 3);
        expect(deltaE00(labOf(r!, g!, b!), labOf(colour[0], colour[1], colour[2]))).toBeLessThan(1);
      }
    }
  });

  test('shading never changes the hue of what is printed', () => {
    const hueOf = (r: number, g: number, b: number) => {
      const [, a, second] = labOf(r, g, b);
      return [Math.atan2(second, a), Math.hypot(a, second)] as const;
    };
    for (const id of ['shirt', 'pouch', 'tumbler-590', 'cushion-450']) {
      const blank = blankById(id);
      const colour = [190, 70, 40, 255] as const;
      const [hue] = hueOf(190, 70, 40);
      const standing = {
        meshes: modelOf(blank).meshes.filter(({ material }) => material.faceId !== null),
        look: { ...pictureOf(blank, printOver(blank, solid(64, 64, colour))), finish: 'matt' as const },
        pose: UPRIGHT,
      };
      const picture = drawProducts([standing], cameraOf(blank, viewsOf(blank)[0]!, 160), lampAt(0), {
        width: 160,
        height: 160,
        backdrop: null,
      });
      let seen = 0;
      let furthest = 0;
      for (let at = 0; at < picture.data.length; at += 4) {
        const [r, g, b, alpha] = picture.data.subarray(at, at + 4);
        const [found, chroma] = hueOf(r!, g!, b!);
        // Of dark colours, levels are too coarse to tell a hue by; the shirt itself has none.
        if (alpha !== 255 || chroma < 25) continue;
        seen++;
        furthest = Math.max(furthest, Math.abs(found - hue));
      }
      expect(furthest).toBeLessThan(0.06);
      expect(seen).toBeGreaterThan(500);
    }
  });

  test('a shade is never above 1, and is 1 everywhere in flat light', () => {
    const number = fc.double({ min: -1, max: 1, noNaN: true });
    fc.assert(
      fc.property(
        number,
        number,
        number,
        fc.constantFrom('matt', 'gloss', 'metal', 'fabric', 'glass'),
        (x, y, z, finish) => {
          const length = Math.hypot(x, y, z);
          fc.pre(length > 0.01);
          const at = Float64Array.from([x / length, y / length, z / length, 0, 0, -1]);
          const lit = new Float64Array(2);
          lightOn(lampOn(lampAt(0.4), finish), at, lit);
          expect(lit[0]).toBeLessThanOrEqual(1);
          expect(lit[0]).toBeGreaterThan(0);
          expect(lit[1]).toBeGreaterThanOrEqual(0);
          lightOn(lampOn(FLAT_LIGHT, finish), at, lit);
          expect([...lit]).toEqual([1, 0]);
        },
      ),
    );
  });

  test('levels go to light and back', () => {
    for (let level = 0; level < 256; level++) expect(toLevel(toLinear(level))).toBe(level);
    expect(toLevel(1.3)).toBe(255);
  });

  test('ink that darkens lets a dark product through; ink that covers does not', () => {
    const blank = blankById('mug-325');
    const prints = printOver(blank, solid(32, 32, [240, 200, 90, 255]));
    const levelOf = (ink: 'multiply' | 'cover') => {
      const look = { ...pictureOf(blank, prints, '#202020'), ink };
      const standing = { meshes: modelOf(blank).meshes, look, pose: UPRIGHT };
      const picture = drawProducts([standing], cameraOf(blank, viewsOf(blank)[0]!, 100), FLAT_LIGHT, {
        width: 100,
        height: 100,
        backdrop: null,
      });
      return [...picture.data.subarray((55 * 100 + 50) * 4, (55 * 100 + 50) * 4 + 3)];
    };
    expect(levelOf('cover')).toEqual([240, 200, 90]);
    expect(levelOf('multiply').map((level) => level < 34)).toEqual([true, true, true]);
  });
});

describe('a print that stands up', () => {
  test('has a shaded edge away from the lamp, its hue the same, and none in its middle', () => {
    const blank = blankById('hooded-top');
    const [face] = blank.faces;
    const square = paint(600, 660, (x, y) =>
      x > 200 && x < 400 && y > 200 && y < 400 ? ([190, 60, 50, 255] as const) : CLEAR,
    );
    const prints = new Map([[face!.id, textureOf(square, { left: 0, top: 0, width: 300, height: 330 })]]);
    const close = cameraOf(blank, viewsOf(blank)[0]!, 1000);
    const camera = { ...close, focal: close.focal * 3, centre: { x: 500, y: 500 } };
    const shot = (raised: boolean) => {
      const look = { ...pictureOf(blank, prints, '#f4f4f4'), raised };
      const light = { ...lampAt(0), around: 0.9 };
      return drawProducts([{ meshes: modelOf(blank).meshes, look, pose: UPRIGHT }], camera, light, {
        width: 1000,
        height: 1000,
        backdrop: null,
      });
    };
    const [flat, film] = [shot(false), shot(true)];
    let [darker, lighter] = [0, 0];
    for (let at = 0; at < flat.data.length; at += 4) {
      if (film.data[at]! < flat.data[at]! - 8) darker++;
      if (film.data[at]! > flat.data[at]! + 2) lighter++;
    }
    expect(lighter).toBe(0);
    expect(darker).toBeGreaterThan(100);
    const red = middleOf(flat, [190, 60, 50]);
    const middle = (Math.round(red.y) * 1000 + Math.round(red.x)) * 4;
    expect([...film.data.subarray(middle, middle + 3)]).toEqual([...flat.data.subarray(middle, middle + 3)]);
    expect(METHODS.filter(({ raised }) => raised).map(({ id }) => id)).toEqual(['film-transfer', 'uv']);
  });
});

describe('every shipped product', () => {
  longTest('carries each of its faces, in true size where the face is flat', () => {
    for (const blank of shippedBlanks()) {
      for (const view of viewsOf(blank)) {
        const model = modelOf(blank, null, view.faceId);
        expect(model.meshes.length).toBeGreaterThan(0);
        for (const { points, normals, places, triangles, material } of model.meshes) {
          expect(normals.length).toBe(points.length);
          if (material.faceId !== null && places.length > 0) expect(places.length).toBe(points.length);
          expect(triangles.length % 3).toBe(0);
          expect(points.flat().every(Number.isFinite)).toBe(true);
          expect(Math.max(-1, ...triangles)).toBeLessThan(points.length);
        }
      }
      for (const face of blank.faces) {
        const carrying = [null, face.id].some(
          (faceId) =>
            whereOnProduct(
              { meshes: modelOf(blank, null, faceId).meshes, pose: UPRIGHT },
              face.id,
              face.width / 2,
              face.height / 2,
            ) !== null,
        );
        // Stickers of a sheet lie beside its middle.
        if (face.cuts.length === 0)
          expect([blank.blank.id, face.id, carrying]).toEqual([blank.blank.id, face.id, true]);
      }
    }
  });

  test('a millimetre of a flat face is a millimetre of the thing', () => {
    for (const id of [
      'shirt',
      'case-pier-6',
      'gallery-40x30',
      'poster-a2',
      'tote',
      'knob-plate',
      'sticker-75',
    ]) {
      const blank = blankById(id);
      const [face] = blank.faces;
      const { meshes } = modelOf(blank);
      const at = (x: number, y: number) => whereOnProduct({ meshes, pose: UPRIGHT }, face!.id, x, y)!.point;
      const [a, b] = [at(face!.width * 0.3, face!.height * 0.4), at(face!.width * 0.6, face!.height * 0.55)];
      expect(b[0] - a[0]).toBeCloseTo(face!.width * 0.3, 3);
      expect(a[1] - b[1]).toBeCloseTo(face!.height * 0.15, 3);
    }
  });

  test('a mug is as tall and as wide as its numbers, its handle at the back', () => {
    const blank = blankById('mug-325');
    const body = blank.blank.body as Extract<RoundBody, { kind: 'wrap' }>;
    const { low, high } = boxOf(modelOf(blank).meshes);
    expect(high[1] - low[1]).toBeCloseTo(body.height, 1);
    expect(high[0]).toBeCloseTo(body.diameter / 2, 1);
    expect(high[2]).toBeCloseTo(body.diameter / 2, 1);
    expect(-low[2]).toBeGreaterThan(body.diameter / 2 + body.handle!.reach - 4);
    expect(-low[2]).toBeLessThan(body.diameter / 2 + body.handle!.reach + 4);
  });

  test('what is seen at a place of a picture is the place that falls there', () => {
    for (const id of ['mug-325', 'case-tern-3', 'pouch']) {
      const blank = blankById(id);
      const [face] = blank.faces;
      const standing = { meshes: modelOf(blank).meshes, look: pictureOf(blank, new Map()), pose: UPRIGHT };
      const camera = cameraOf(blank, viewsOf(blank)[0]!);
      const place = { x: face!.width / 2 + 9, y: face!.height * 0.6 };
      const point = seenPlace(standing, camera, face!.id, place.x, place.y)!;
      const seen = seenAt([standing], camera, point.x, point.y)!;
      expect(seen.faceId).toBe(face!.id);
      expect(Math.hypot(seen.x - place.x, seen.y - place.y)).toBeLessThan(0.1);
      expect(seenAt([standing], camera, 2, 2)).toBeNull();
    }
  });

  test('what many places show is what each of them shows, in the picture and beside it', () => {
    const blank = blankById('mug-325');
    const standing = { meshes: modelOf(blank).meshes, look: pictureOf(blank, new Map()), pose: UPRIGHT };
    const camera = cameraOf(blank, viewsOf(blank)[0]!);
    const sight = sightOf(fall([standing], camera));
    const places = Array.from({ length: 21 * 21 }, (_, i) => [
      (i % 21) * 31 - 60.5,
      Math.floor(i / 21) * 31 - 60.5,
    ]);
    const seen = places.map(([x, y]) => sight(x!, y!));
    expect(seen).toEqual(places.map(([x, y]) => seenAt([standing], camera, x!, y!)));
    expect(seen.filter(Boolean).length).toBeGreaterThan(30);
    expect(sightOf(fall([], camera))(4, 4)).toBeNull();
  });

  test('a place that is turned away is seen nowhere', () => {
    const mug = blankById('mug-325');
    const behind = { meshes: modelOf(mug).meshes, pose: UPRIGHT };
    expect(seenPlace(behind, cameraOf(mug, viewsOf(mug)[0]!), 'wrap', 4, 40)).toBeNull();
  });

  test('a case’s camera hole shows the camera and no print', () => {
    const blank = blankById('case-pier-6');
    const standing = { meshes: modelOf(blank).meshes, look: pictureOf(blank, new Map()), pose: UPRIGHT };
    const camera = cameraOf(blank, viewsOf(blank)[0]!);
    const seenFrom = (x: number, y: number) => {
      const { x: px, y: py } = project(camera, [x - 71 / 2, 146 / 2 - y, 0]);
      return seenAt([standing], camera, px, py);
    };
    expect(seenFrom(22, 24)!.faceId).toBeNull();
    expect(seenFrom(50, 100)!.faceId).toBe('back');
  });

  test('is whole in its picture from all its sides, and stays the same size as it turns', () => {
    for (const blank of shippedBlanks()) {
      const { meshes } = modelOf(blank);
      const eyes = roundEyes(0.19);
      const framed = frameThings(
        [{ meshes, pose: UPRIGHT }],
        eyes,
        viewingDistance(meshes),
        { width: 300, height: 200, margin: 0.05 },
        true,
      );
      for (const eye of [eyes[1]!, eyes[4]!]) {
        const camera = cameraIn(framed, eye);
        for (const { points } of meshes)
          for (const point of points) {
            const { x, y, depth } = project(camera, point);
            if (!(depth > 0) || x < 14.9 || x > 285.1 || y < 9.9 || y > 190.1)
              throw new Error(`${blank.blank.id}: ${x}, ${y}`);
          }
      }
    }
  });

  test('a ray goes through the place of the picture it is asked for', () => {
    const camera = cameraOf(blankById('mug-325'), { yaw: 0.7, pitch: 0.3 });
    const ray = rayAt(camera, 620, 310);
    const far: Vector = [
      camera.eye[0] + ray[0] * 500,
      camera.eye[1] + ray[1] * 500,
      camera.eye[2] + ray[2] * 500,
    ];
    const back = project(camera, far);
    expect(back.x).toBeCloseTo(620, 6);
    expect(back.y).toBeCloseTo(310, 6);
    expect(dot(ray, ray)).toBeCloseTo(1, 12);
  });
});

describe('what reads from a side', () => {
  const body = { ...(blankById('mug-325').blank.body as Extract<RoundBody, { kind: 'wrap' }>) };

  test('is 82.729 mm of a mug of 79 mm, about the side’s own centre', () => {
    const blank = blankById('mug-325');
    const [face] = blank.faces;
    const [front] = readableFrom(blank.blank, face!, { yaw: 0, pitch: 0 });
    expect(front!.to - front!.from).toBeCloseTo(82.729, 3);
    expect((front!.to + front!.from) / 2).toBeCloseTo(face!.width / 2, 6);
    const [left] = readableFrom(blank.blank, face!, { yaw: -Math.PI / 2, pitch: 0 });
    expect((left!.to + left!.from) / 2).toBeLessThan(face!.width / 2 - 50);
    // Seen from the handle, what reads is on both sides of the gap.
    const behind = readableFrom(blank.blank, face!, { yaw: Math.PI, pitch: 0 });
    expect(behind.length).toBe(2);
    expect(behind[0]!.from).toBe(0);
    expect(behind[1]!.to).toBeCloseTo(face!.width, 9);
    expect(body.diameter).toBe(79);
  });

  test('the side that looks at a place reads about that place', () => {
    for (const id of ['mug-325', 'tumbler-taper-480', 'label-jar']) {
      const blank = blankById(id);
      const [face] = blank.faces;
      const x = face!.width * 0.45;
      const [span] = readableFrom(blank.blank, face!, eyeAt(blank.blank, face!, x));
      expect((span!.from + span!.to) / 2).toBeCloseTo(x, 6);
    }
    const shirt = blankById('shirt');
    expect(eyeAt(shirt.blank, shirt.faces[0]!, 40)).toEqual({ yaw: 0, pitch: 0 });
  });

  test('is the whole of a flat face from in front and nothing of it from behind', () => {
    const shirt = blankById('shirt');
    const [front, back] = shirt.faces;
    expect(readableFrom(shirt.blank, front!, { yaw: 0, pitch: 0 })).toEqual([{ from: 0, to: 305 }]);
    expect(readableFrom(shirt.blank, back!, { yaw: 0, pitch: 0 })).toEqual([]);
    expect(readableFrom(shirt.blank, back!, { yaw: Math.PI, pitch: 0 })).toEqual([{ from: 0, to: 305 }]);
  });

  test('a headline 150 mm wide on a mug of 79 mm reads to 82.729 / 150', () => {
    const blank = blankById('mug-325');
    const [face] = blank.faces;
    const middle = face!.width / 2;
    const raster = paint(2222, 40, (x) => (Math.abs(x / 10 - middle) <= 75 ? [0, 0, 0, 255] : [0, 0, 0, 0]));
    const share = readShare(columnsOf(raster, 0, 10), readableFrom(blank.blank, face!, { yaw: 0, pitch: 0 }));
    expect(share).toBeCloseTo(82.729 / 150, 2);
    expect(readShare(columnsOf(solid(10, 10, [0, 0, 0, 0]), 0, 1), [])).toBe(1);
  });
});
