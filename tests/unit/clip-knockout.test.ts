import { clipTo, moveWithin } from '@/core/fit/clip';
import { opaqueBox } from '@/core/fit/geometry';
import { movePiece } from '@/core/fit/move';
import { newFill } from '@/core/fit/place';
import type { ArtworkPiece, Clip, Piece } from '@/core/fit/schema';
import { newText } from '@/core/fit/text';
import { renderFace } from '@/core/render/face';
import { layText } from '@/core/type/layout';
import { firstLettering } from '@/core/fit/text';
import { readShape } from '@/files/svg/shape';
import { blankById, docketOf, faceOf, factsOf, findingOf, pieceAt, shown } from '../support/fits';
import { pixelAt, RED, solid } from '../support/pictures';
import { face as typeface } from '../support/font';
import { longTest } from '../support/long';

const mug = blankById('mug-325');
const face = {
  ...faceOf(mug),
  width: 100,
  height: 60,
  bleed: 2,
  safe: 3,
  zones: faceOf(mug).zones.slice(0, 1),
};
const pixels = { width: 1040, height: 640 };
const red = solid(200, 100);
const facts = factsOf(red);

function draw(pieces: Piece[]) {
  return renderFace(face, pieces, shown(red), { pixels });
}

function inkedArea(pieces: Piece[]): number {
  const { data } = draw(pieces);
  let sum = 0;
  for (let at = 3; at < data.length; at += 4) sum += data[at]! / 255;
  return sum / 100;
}

function clipped(shape: Clip['shape'], piece = pieceAt(50, 30, 60, 30)): ArtworkPiece {
  return clipTo(piece, shape, opaqueBox(piece, facts));
}

describe('seen through a shape', () => {
  test.each([
    ['a circle', { kind: 'ellipse' }, Math.PI * 15 * 15],
    ['a rectangle', { kind: 'rectangle' }, 60 * 30],
    ['rounded corners', { kind: 'rounded', radius: 0.2 }, 60 * 30 - (4 - Math.PI) * 36],
  ] as const)('%s shows so much of it', (_, shape, area) => {
    expect(inkedArea([clipped(shape)]) / area).toBeCloseTo(1, 3);
  });

  test('its box is the clip’s: sizes, snapping and centring go by it', () => {
    const round = clipped({ kind: 'ellipse' });
    expect(opaqueBox(round, facts)).toMatchObject({ x: 50, y: 30, width: 30, height: 30 });
    const moved = movePiece(round, facts, { dx: 7, scale: 2, turn: 0.5 });
    expect(opaqueBox(moved, facts)).toMatchObject({ width: 60, height: 60, rotation: 0.5 });
    expect(opaqueBox(moved, facts).x).toBeCloseTo(57, 9);
  });

  test('moved and scaled within it, the shape stays where it is', () => {
    const round = clipped({ kind: 'ellipse' });
    const within = moveWithin(round, { dx: 6, dy: -2, scale: 1.5 });
    expect(opaqueBox(within, facts).width).toBeCloseTo(30, 9);
    expect(opaqueBox(within, facts).x).toBeCloseTo(50, 9);
    expect(within).toMatchObject({ width: 90, height: 45, x: 56, y: 28 });
    const turned = moveWithin({ ...round, rotation: 0.7, flipped: true }, { dx: 3, scale: 1.2 });
    const before = opaqueBox({ ...round, rotation: 0.7, flipped: true }, facts);
    expect(opaqueBox(turned, facts).x).toBeCloseTo(before.x, 9);
    expect(opaqueBox(turned, facts).y).toBeCloseTo(before.y, 9);
  });

  test('the largest closed path of a drawing clips, its transforms counted', () => {
    const svg = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100"><rect width="3" height="3"/>
      <g transform="translate(10 0) scale(2)"><path d="M0 0H20V20z"/></g></svg>`;
    const shape = readShape('corner.svg', svg);
    expect(shape).toEqual({ name: 'corner', d: 'M0 0L1 0L1 1Z' });
    expect(inkedArea([clipped({ kind: 'path', ...shape })]) / 900).toBeCloseTo(1, 2);
    expect(() =>
      readShape('open.svg', '<svg xmlns="http://www.w3.org/2000/svg"><text>a</text></svg>'),
    ).toThrow(/no closed path/);
  });

  test('the docket measures what is seen of it', () => {
    const piece = { ...pieceAt(111, 46, 190, 95), role: 'motif' as const };
    const clip = clipTo(piece, { kind: 'rectangle' }, { ...opaqueBox(piece, facts), width: 60, height: 40 });
    expect(findingOf(docketOf(mug, [piece], red), 'safe').verdict).toBe('fix');
    expect(findingOf(docketOf(mug, [clip], red), 'safe').verdict).toBe('ready');
  });
});

describe('knocked out', () => {
  const ground = newFill('ground', '#204060');
  const hole: Piece = { ...pieceAt(50, 30, 20, 10), id: 'hole', knockout: true };

  test('what is under it goes, what is over it stays', () => {
    const raster = draw([ground, hole, { ...pieceAt(50, 30, 4, 4), id: 'over' }]);
    expect(pixelAt(raster, 440, 300)).toEqual([0, 0, 0, 0]);
    expect(pixelAt(raster, 100, 100)).toEqual([0x20, 0x40, 0x60, 255]);
    expect(pixelAt(raster, 520, 320)).toEqual([...RED]);
  });

  test('half-transparent it takes half away', () => {
    const raster = renderFace(face, [ground, hole], shown(solid(20, 10, [9, 9, 9, 128])), { pixels });
    expect(pixelAt(raster, 520, 320)[3]).toBe(127);
  });

  test('letters are knocked out of a shape', () => {
    const lettering = {
      ...firstLettering('archivo-narrow', '#000000', 20),
      lines: [{ text: 'I', gap: null }],
    };
    const bar = newText('t', lettering, layText(lettering, typeface())!, { x: 50, y: 30 });
    const raster = draw([ground, { ...bar, knockout: true }]);
    expect(pixelAt(raster, 520, 320)[3]).toBe(0);
    expect(pixelAt(raster, 520, 320 - 99)[3]).toBe(0);
    expect(pixelAt(raster, 520, 320 - 102)[3]).toBe(255);
    expect(inkedArea([ground]) - inkedArea([ground, { ...bar, knockout: true }])).toBeCloseTo(
      inkedArea([bar]),
      1,
    );
  });

  longTest(
    'a hole in the ground is no gap at the bleed, and clear parts are said where the house takes none',
    () => {
      const docket = docketOf(mug, [ground, { ...hole, x: 0, y: 40 }], red);
      expect(findingOf(docket, 'bleed').verdict).toBe('ready');
      const sticker = blankById('sticker-75');
      expect(findingOf(docketOf(sticker, [ground], red), 'file-spec').shown.measured).not.toMatch(/Clear/);
      expect(findingOf(docketOf(sticker, [ground, { ...hole, x: 37 }], red), 'file-spec').message).toMatch(
        /parts of this file are clear/,
      );
    },
  );
});

describe('over one zone', () => {
  test('a fill goes out to the bleed where its zone ends with the trim, and stops where it does not', () => {
    const leaflet = blankById('leaflet');
    const sheet = leaflet.faces.find(({ zones }) => zones.length > 1)!;
    const [first] = sheet.zones;
    const raster = renderFace(sheet, [{ ...newFill('f', '#ff0000'), zoneId: first!.id }], shown(red), {
      pixels: { width: Math.round(sheet.width * 4), height: Math.round(sheet.height * 4) },
    });
    expect(pixelAt(raster, 0, 0)[3]).toBe(255);
    const edge =
      ((first!.x + first!.width / 2 + sheet.bleed) * raster.width) / (sheet.width + 2 * sheet.bleed);
    expect(pixelAt(raster, Math.floor(edge) - 2, 200)[3]).toBe(255);
    expect(pixelAt(raster, Math.ceil(edge) + 2, 200)[3]).toBe(0);
  });
});

test('stretched, the docket says so and one remedy makes it true', () => {
  const piece = pieceAt(111, 46, 63, 30);
  const finding = findingOf(docketOf(mug, [piece], red), 'stretch');
  expect(finding.verdict).toBe('fix');
  expect(finding.message).toBe('“test” is stretched 5.0 % across.');
  const mended = docketOf(mug, finding.remedies[0]!.pieces, red);
  expect(findingOf(mended, 'stretch').verdict).toBe('ready');
  expect(findingOf(docketOf(mug, [pieceAt(111, 46, 60, 30.5)], red), 'stretch').verdict).toBe('look');
});
