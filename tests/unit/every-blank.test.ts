import fc from 'fast-check';
import { shippedBlanks } from '@/core/blank/library';
import {
  artSize,
  printPixels,
  resolveBlank,
  trimSize,
  type PrintFace,
  type ResolvedBlank,
} from '@/core/blank/resolve';
import { signedDistance } from '@/core/blank/shape';
import { makeDocket, type Docket } from '@/core/check/docket';
import { coverBleed, fitInside, newFill, newPiece } from '@/core/fit/place';
import { bringInside, extendToBleed } from '@/core/fit/remedies';
import { corners, opaqueBox } from '@/core/fit/geometry';
import type { Piece } from '@/core/fit/schema';
import { lineAt } from '@/core/raster/lines';
import { renderFace } from '@/core/render/face';
import { drawTemplate } from '@/core/template/drawing';
import { templateGeometry } from '@/core/template/geometry';
import { blankById, faceOf, factsOf, findingOf, fitOf, pieceAt, shown } from '../support/fits';
import { paint, solid } from '../support/pictures';
import { runs } from '../support/long';

/** Every face of every shipped blank, under its own name. */
const FACES = shippedBlanks().flatMap((blank) =>
  blank.faces.map((face) => [`${blank.blank.id}, ${face.id}`, blank, face] as const),
);
const picture = solid(120, 80);
const facts = factsOf(picture);

/** A coarse docket of pieces on one face: the same rules on a small grid. */
function docketOn(blank: ResolvedBlank, face: PrintFace, pieces: Piece[]): Docket {
  const fit = { ...fitOf(blank, []), faces: [{ faceId: face.id, pieces }] };
  return makeDocket(blank, fit, { facts: () => facts, pixels: () => picture, coarse: 160 });
}

describe('on every face of every blank', () => {
  test.each(FACES)('%s: a motif fitted inside lies inside its safe area', (_, blank, face) => {
    const motif = newPiece('motif', 'test', facts, 'motif', face);
    for (const { x, y } of corners(opaqueBox(motif, facts))) {
      expect(signedDistance(face, -face.safe, x, y)).toBeLessThan(1e-6);
    }
    const docket = docketOn(blank, face, [motif]);
    expect(findingOf(docket, 'safe').verdict).toBe('ready');
    expect(docket.findings.every(({ faceId }) => faceId === face.id)).toBe(true);
  });

  test.each(FACES)(
    '%s: a ground that covers reaches the bleed, one that is too small is told',
    (_, blank, face) => {
      const ground = coverBleed(pieceAt(0, 0, 30, 20, { role: 'ground' }), facts, face);
      expect(findingOf(docketOn(blank, face, [ground]), 'bleed').verdict).toBe('ready');
      const half = { ...ground, width: ground.width / 2, height: ground.height / 2 };
      expect(findingOf(docketOn(blank, face, [half]), 'bleed').verdict).toBe('fix');
      const mended = extendToBleed(half, facts, face)!;
      expect(findingOf(docketOn(blank, face, [mended.piece]), 'bleed').verdict).toBe('ready');
    },
  );

  test.each(FACES)('%s: a plain ground needs no mending, and fills its print', (_, blank, face) => {
    const fill = newFill('fill', '#123456');
    expect(findingOf(docketOn(blank, face, [fill]), 'bleed')).toMatchObject({
      verdict: 'ready',
      measured: 0,
    });
    const pixels = printPixels(face, blank.spec, 12);
    const raster = renderFace(face, [fill], shown(picture), { pixels });
    const middle = ((pixels.height >> 1) * pixels.width + (pixels.width >> 1)) * 4;
    expect([...raster.data.subarray(middle, middle + 4)]).toEqual([0x12, 0x34, 0x56, 255]);
  });

  test.each(FACES)('%s: a motif that hangs out is brought inside', (_, blank, face) => {
    const hanging = pieceAt(0, 0, face.width * 0.4, face.height * 0.3);
    expect(findingOf(docketOn(blank, face, [hanging]), 'safe').verdict).not.toBe('ready');
    const { piece } = bringInside(hanging, facts, face);
    expect(findingOf(docketOn(blank, face, [piece]), 'safe').verdict).toBe('ready');
  });

  test.each(FACES)('%s: its template lies on its page, every line within the bleed', (_, blank, face) => {
    const { page, bleed, trim, layers } = drawTemplate(face, { title: 't', size: 's', paper: 'mm' });
    const size = trimSize(face);
    expect([trim.width, trim.height]).toEqual([size.width, size.height]);
    expect(page.x).toBeLessThan(bleed.x);
    expect(page.y).toBeLessThan(bleed.y);
    expect(page.x + page.width).toBeGreaterThan(bleed.x + bleed.width);
    expect(page.y + page.height).toBeGreaterThan(bleed.y + bleed.height);
    for (const { id, marks } of layers) {
      for (const { d } of marks) {
        expect(d).not.toMatch(/NaN|Infinity/);
        if (id !== 'ruler') expect(d).toMatch(/^M/);
      }
    }
    for (const value of Object.values(templateGeometry(blank.blank.body, face))) expect(value).toBeDefined();
  });

  test.each(FACES)('%s: what is printed is never less than what art is laid on', (_, blank, face) => {
    const art = artSize(face);
    expect(art.width).toBeCloseTo(face.width + 2 * face.bleed, 9);
    const pixels = printPixels(face, blank.spec);
    const least = face.bend ? art.height : Math.min(art.width, art.height);
    expect(Math.min(pixels.width, pixels.height)).toBeGreaterThanOrEqual(
      Math.floor((least / 25.4) * face.target),
    );
  });
});

describe('edges of other shapes', () => {
  test('a ring of ground on an ornament: the gap is measured to its own outline', () => {
    const blank = blankById('ornament');
    const face = faceOf(blank);
    const ground = coverBleed(pieceAt(0, 0, 30, 20, { role: 'ground' }), facts, face);
    const low = { ...ground, y: ground.y + (ground.height - face.height) / 2 + face.bleed + 9 };
    const finding = findingOf(docketOn(blank, face, [low]), 'bleed');
    expect(finding).toMatchObject({ verdict: 'fix', side: 'top' });
    expect(Number(finding.measured)).toBeGreaterThan(5);
  });

  test('a corner of a motif that is inside a rectangle may be outside a circle', () => {
    const circle = blankById('sticker-75');
    const face = faceOf(circle);
    const motif = pieceAt(37.5, 37.5, 66, 66);
    expect(findingOf(docketOn(circle, face, [motif]), 'safe').verdict).toBe('fix');
    const square = { ...face, cornerRadius: 0 };
    expect(findingOf(docketOn({ ...circle, faces: [square] }, square, [motif]), 'safe').verdict).toBe(
      'ready',
    );
  });

  test('a gallery print’s ground must go on round the edge: at the trim it is its depth and the bleed short', () => {
    const blank = blankById('gallery-40x30');
    const face = faceOf(blank);
    const front = pieceAt(200, 150, 400, 300, { role: 'ground' });
    const finding = findingOf(docketOn(blank, face, [front]), 'bleed');
    expect(finding.verdict).toBe('fix');
    expect(Math.abs(Number(finding.measured) - 43)).toBeLessThan(4);
  });

  test('each face of a blank is measured by itself, and the worst speaks for the fit', () => {
    const blank = blankById('pouch');
    const [front, back] = blank.faces;
    const good = newPiece('good', 'test', facts, 'motif', front!);
    const bad = pieceAt(0, 0, 60, 40, { id: 'bad' });
    const fit = {
      ...fitOf(blank, []),
      faces: [
        { faceId: front!.id, pieces: [good] },
        { faceId: back!.id, pieces: [bad] },
      ],
    };
    const docket = makeDocket(blank, fit, { facts: () => facts, pixels: () => picture, coarse: 160 });
    expect(docket.verdict).toBe('fix');
    const safe = docket.findings.filter(({ rule }) => rule === 'safe');
    expect(safe.map(({ faceId, verdict }) => [faceId, verdict])).toEqual([
      ['front', 'ready'],
      ['back', 'fix'],
    ]);
  });

  test('the same art on a smaller size hangs out where on its own it is inside', () => {
    const { blank, method, spec } = blankById('shirt');
    const large = faceOf(blankById('shirt'));
    const motif = fitInside(pieceAt(0, 0, 30, 20), facts, large);
    expect(findingOf(docketOn(blankById('shirt'), large, [motif]), 'safe').verdict).toBe('ready');
    const small = resolveBlank(blank, method, spec, 's');
    const moved = { ...motif, x: faceOf(small).width / 2 };
    expect(findingOf(docketOn(small, faceOf(small), [moved]), 'safe').verdict).toBe('fix');
  });
});

describe('a line picked off a template, wherever it lies', () => {
  test('upright and level ones are found within a third of a pixel', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 20, max: 100 }),
        fc.integer({ min: 1, max: 5 }),
        fc.boolean(),
        fc.integer({ min: -4, max: 4 }),
        (at, thick, upright, off) => {
          const sheet = paint(130, 130, (x, y) => {
            const place = upright ? x : y;
            return place >= at && place < at + thick ? [20, 90, 200, 255] : [255, 255, 255, 255];
          });
          const near = at + thick / 2 + off;
          const line = lineAt(sheet, upright ? near : 65, upright ? 65 : near);
          expect(line?.direction).toBe(upright ? 'upright' : 'level');
          expect(Math.abs(line!.at - (at + thick / 2))).toBeLessThan(1 / 3);
        },
      ),
      runs(30),
    );
  });
});
