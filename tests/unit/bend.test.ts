import { bendPoint, middleRadius } from '@/core/blank/bodies/sector';
import { printPixels } from '@/core/blank/resolve';
import { placedPpi } from '@/core/fit/density';
import { newFill } from '@/core/fit/place';
import { carryOver } from '@/core/fit/resize-garment';
import { renderFace } from '@/core/render/face';
import { blankById, docketOf, faceOf, findingOf, pieceAt, shown } from '../support/fits';
import { CLEAR, paint, pixelAt, RED, solid } from '../support/pictures';
import { longTest } from '../support/long';

const blank = blankById('tumbler-taper-480');
const face = faceOf(blank);
const bend = face.bend!;
const PER_MM = 2.5;
const pixels = printPixels(face, blank.spec, 25.4 * PER_MM);

/** Where a point of the rectangle falls in the print file, in pixels. */
function pixelOf(x: number, y: number): [number, number] {
  const { x: px, y: py } = bendPoint(bend, x, y);
  const grown = (pixels.width / PER_MM - 2 * bendPoint(bend, face.width / 2, 0).x) / 2;
  return [Math.floor((px + grown) * PER_MM), Math.floor((py + face.bleed) * PER_MM)];
}

test('art on the rectangle lands on the arc where its point is bent to', () => {
  const dot = solid(40, 40);
  for (const [x, y] of [
    [face.width / 2, 20],
    [30, 30],
    [face.width - 30, 120],
    [60, face.height - 12],
  ] as const) {
    const raster = renderFace(face, [pieceAt(x, y, 6, 6)], shown(dot), { pixels });
    expect(pixelAt(raster, ...pixelOf(x, y))).toEqual([...RED]);
    expect(pixelAt(raster, ...pixelOf(x + 6, y))).toEqual([...CLEAR]);
    expect(pixelAt(raster, ...pixelOf(x, y - 6))).toEqual([...CLEAR]);
  }
});

test('halfway down it is neither stretched nor narrowed, at the wide edge by an eighth', () => {
  const bar = solid(200, 10);
  const widthAt = (y: number) => {
    const raster = renderFace(face, [pieceAt(face.width / 2, y, 80, 3)], shown(bar), { pixels });
    const [, row] = pixelOf(face.width / 2, y);
    let count = 0;
    for (let x = 0; x < pixels.width; x++) if (pixelAt(raster, x, row)[3]! > 127) count++;
    return count / PER_MM;
  };
  // A bar level on the cup is an arc on paper; its middle stretch of 80 mm bends by under a percent of its length.
  const chord = (radius: number) => 2 * radius * Math.sin(40 / middleRadius(bend));
  expect(widthAt(face.height / 2)).toBeLessThan(chord(middleRadius(bend)) + 1);
  const top = bendPoint(bend, face.width / 2 + 40, 1).x - bendPoint(bend, face.width / 2 - 40, 1).x;
  expect(top / chord(middleRadius(bend))).toBeCloseTo(bend.outerRadius / middleRadius(bend), 2);
});

test('a ground fills the arc out to its bleed and nothing past it', () => {
  const filled = renderFace(face, [newFill('fill', '#123456')], shown(solid(1, 1)), { pixels });
  const inked = (x: number, y: number) => pixelAt(filled, ...pixelOf(x, y))[3];
  expect(inked(1, 1)).toBe(255);
  expect(inked(-1, face.height / 2)).toBe(255);
  expect(inked(face.width / 2, -1.6)).toBe(255);
  expect(inked(face.width / 2, face.height + 1.6)).toBe(255);
  expect(pixelAt(filled, 0, pixels.height - 1)[3]).toBe(0);
  expect(pixelAt(filled, Math.floor(pixels.width / 2), pixels.height - 1)[3]).toBe(0);
  const drawn = renderFace(face, [pieceAt(face.width / 2, face.height / 2, 260, 160)], shown(solid(90, 60)), {
    pixels,
  });
  for (let at = 3; at < filled.data.length; at += 4096) expect(drawn.data[at]).toBe(filled.data[at]);
});

test('the bleed at the narrow end, past the rectangle’s own, repeats its last column', () => {
  const halves = paint(100, 60, (x) => (x < 50 ? RED : [0, 0, 255, 255]));
  const ground = pieceAt(
    face.width / 2,
    face.height / 2,
    face.width + 2 * face.bleed,
    face.height + 2 * face.bleed,
  );
  const raster = renderFace(face, [ground], shown(halves), { pixels });
  const narrow = (face.bleed * middleRadius(bend)) / bend.innerRadius - 0.15;
  expect(pixelAt(raster, ...pixelOf(-narrow, face.height - 1))).toEqual([...RED]);
  expect(pixelAt(raster, ...pixelOf(face.width + narrow, face.height - 1))).toEqual([0, 0, 255, 255]);
});

test('a mirrored print is the same arc, turned over', () => {
  const piece = pieceAt(60, 40, 30, 20);
  const plain = renderFace(face, [piece], shown(solid(30, 20)), { pixels });
  const mirrored = renderFace(face, [piece], shown(solid(30, 20)), { pixels, mirror: true });
  const [x, y] = pixelOf(60, 40);
  expect(pixelAt(mirrored, pixels.width - 1 - x, y)).toEqual(pixelAt(plain, x, y));
});

test('placed PPI is the worst over the arc', () => {
  const size = { width: 3000, height: 1800 };
  const high = pieceAt(125, 20, 100, 60);
  const flat = placedPpi(size, high).x;
  expect(placedPpi(size, high, face).x).toBeCloseTo(flat / 1.125, 1);
  const low = pieceAt(125, 120, 100, 30);
  expect(placedPpi(size, low, face).x).toBeCloseTo(flat, 9);
  const turned = { ...high, rotation: Math.PI / 2 };
  expect(placedPpi(size, turned, face).x).toBeCloseTo(placedPpi(size, turned).x, 6);
  expect(placedPpi(size, turned, face).y).toBeLessThan(placedPpi(size, turned).y);
});

longTest('its docket is measured on the rectangle, and says what rests on an assumed number', () => {
  const whole = pieceAt(face.width / 2, face.height / 2, face.width + 4, face.height + 4, { role: 'ground' });
  const low = { ...blank, faces: [{ ...face, target: 100, floor: 60 }] };
  const docket = docketOf(low, [whole], solid(4000, 2500));
  expect(findingOf(docket, 'bleed')).toMatchObject({ verdict: 'ready', assumed: ['bleed'] });
  expect(findingOf(docket, 'resolution').assumed).toBeUndefined();
  const short = { ...whole, y: whole.y - 3, height: whole.height };
  expect(findingOf(docketOf(low, [short], solid(4000, 2500)), 'bleed')).toMatchObject({
    verdict: 'fix',
    side: 'bottom',
    measured: expect.closeTo(3, 0) as number,
  });
});

test('pieces carried over to another size stay in the middle; on a garment they hang from the top', () => {
  const [from] = blankById('shirt').faces;
  const to = { ...from!, width: from!.width * 0.9, height: from!.height * 0.9 };
  const faces = [{ faceId: 'front', pieces: [pieceAt(100, 50, 20, 20), newFill('fill', '#ffffff')] }];
  const hung = carryOver(faces, [from!], [to], true)[0]!.pieces[0];
  expect(hung).toMatchObject({ x: 100 - 15.25, y: 50 });
  const centred = carryOver(faces, [from!], [to], false)[0]!.pieces[0];
  expect(centred).toMatchObject({ x: 100 - 15.25, y: expect.closeTo(50 - 20.3, 9) as number });
  expect(carryOver(faces, [], [to], true)).toEqual(faces);
});
