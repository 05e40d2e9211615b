import { createElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { shippedBlanks } from '@/core/blank/library';
import type { PrintFace, ResolvedBlank } from '@/core/blank/resolve';
import { newFill } from '@/core/fit/place';
import { ArcLines } from '@/ui/flat/ArcLines';
import { BlankDrawing, drawingSize } from '@/ui/flat/BlankDrawing';
import { FaceLines } from '@/ui/flat/FaceLines';
import { FitDrawing } from '@/ui/flat/FitDrawing';
import { GarmentShape } from '@/ui/flat/GarmentShape';
import { garmentTop, placeOf } from '@/core/blank/drawn';
import { drawnOf } from '@/core/product/drawn';
import { blankById, faceOf, fitOf, pieceAt } from '../support/fits';

const all = shippedBlanks().map((resolved) => [resolved.blank.id, resolved] as const);
const count = (markup: string, pattern: RegExp) => [...markup.matchAll(pattern)].length;
const lines = (resolved: ResolvedBlank, small = false) =>
  renderToStaticMarkup(createElement(FaceLines, { face: faceOf(resolved), px: 0.5, small }));

describe('a blank drawn to scale', () => {
  test.each(all)('%s has the size of its numbers and no number that is none', (_, resolved) => {
    const markup = renderToStaticMarkup(createElement(BlankDrawing, { resolved, perMm: 0.5 }));
    expect(markup).not.toMatch(/NaN|Infinity|undefined/);
    const { width, height } = drawingSize(resolved);
    expect(Number(/ width="([\d.]+)"/.exec(markup)![1])).toBeCloseTo(width * 0.5 + 4, 6);
    expect(Number(/ height="([\d.]+)"/.exec(markup)![1])).toBeCloseTo(height * 0.5 + 4, 6);
  });

  test('twice the scale is twice the size: all drawings share one', () => {
    const width = (perMm: number) => {
      const resolved = blankById('mug-450');
      const markup = renderToStaticMarkup(createElement(BlankDrawing, { resolved, perMm }));
      return Number(/ width="([\d.]+)"/.exec(markup)![1]) - 4;
    };
    expect(width(1)).toBeCloseTo(2 * width(0.5), 6);
  });

  test('a taper is drawn as its arc, a graded garment with the print of every size', () => {
    const draw = (id: string) =>
      renderToStaticMarkup(createElement(BlankDrawing, { resolved: blankById(id), perMm: 0.5 }));
    expect(draw('mug-cone')).toMatch(/d="M[^"]*A/);
    expect(count(draw('shirt'), /<rect/g)).toBe(blankById('shirt').blank.sizes.length - 1);
    expect(count(draw('tote'), /<rect/g)).toBe(0);
  });
});

describe('a face’s lines', () => {
  test.each(all)('%s: trim, bleed and centres, at any scale', (_, resolved) => {
    for (const small of [true, false]) {
      const markup = lines(resolved, small);
      expect(markup).not.toMatch(/NaN|Infinity/);
      expect(markup).toContain('<path');
    }
  });

  test('hatching stands only where there is bleed past the edge', () => {
    expect(lines(blankById('mug-325'))).toContain('fill-rule="evenodd"');
    expect(lines(blankById('shirt'))).not.toContain('fill-rule="evenodd"');
    expect(lines(blankById('mug-325'), true)).not.toContain('fill-rule="evenodd"');
  });

  test('folds are chain lines, a seam is a row of stitches, keep-outs are cross-hatched', () => {
    const chain = /stroke-dasharray="4\.5 1\.25 0\.75 1\.25"/g;
    expect(count(lines(blankById('leaflet')), chain)).toBe(2);
    expect(count(lines(blankById('gallery-40x30')), chain)).toBe(1);
    expect(count(lines(blankById('label-jar')), /stroke-dasharray="2 1\.5"/g)).toBe(1);
    const plate = lines(blankById('knob-plate'));
    const covers = faceOf(blankById('knob-plate')).keepOuts.filter(({ effect }) => effect === 'cover').length;
    expect(count(plate, /fill="url\(#/g)).toBe(faceOf(blankById('knob-plate')).keepOuts.length + 1);
    expect(count(plate, /stroke-dasharray="2 1"/g)).toBe(covers);
  });

  test('a rectangle’s safe area has corner angles, another shape’s runs all the way round', () => {
    expect(lines(blankById('poster-a2'))).not.toMatch(/stroke-dasharray="5 3\.5"/);
    for (const id of ['coaster', 'ornament', 'sticker-75']) {
      expect(lines(blankById(id))).toMatch(/stroke-dasharray="5 3\.5"/);
    }
  });

  test('a sheet shows a cut line for each sticker, a pair of ticks at each centre once for each column', () => {
    const markup = lines(blankById('sticker-sheet-a6'));
    expect(count(markup, /a21 21/g)).toBeGreaterThanOrEqual(6);
    const ticks = /data-centres="true" d="([^"]+)"/.exec(markup)![1]!;
    expect(count(ticks, /M/g)).toBe(8);
  });

  test('an arc carries the name of every zone, turned with it', () => {
    const face = faceOf(blankById('tumbler-taper-480'));
    const markup = renderToStaticMarkup(createElement(ArcLines, { face, px: 0.5 }));
    for (const name of ['left side', 'front', 'right side']) expect(markup).toContain(`>${name}</text>`);
    const turns = [...markup.matchAll(/rotate\((-?[\d.e-]+)\)/g)].map(([, turn]) => Number(turn));
    expect(turns[0]!).toBeLessThan(0);
    expect(turns[1]!).toBeCloseTo(0, 0);
    expect(turns[2]!).toBeCloseTo(-turns[0]!, 0);
    expect(markup).not.toMatch(/NaN/);
  });
});

describe('a fit drawn small', () => {
  const draw = (id: string, sizeId: string | null = null, picture?: string | null) => {
    const blank = blankById(id);
    const pieces = [
      newFill('ground', '#336699'),
      pieceAt(20, 20, 30, 30, { id: 'shown' }),
      pieceAt(20, 20, 30, 30, { id: 'hidden', visible: false }),
      pieceAt(20, 20, 30, 30, { id: 'gone', artworkId: 'gone' }),
    ];
    const fit = { ...fitOf(blank, pieces), sizeId };
    return renderToStaticMarkup(
      createElement(FitDrawing, {
        drawn: drawnOf(blank, fit),
        fit,
        colour: '#abcdef',
        factsOf: () => undefined,
        pictureOf: (artworkId: string) => (artworkId === 'test' ? 'blob:test' : undefined),
        picture,
        width: 150,
        height: 100,
      }),
    );
  };

  test('a picture takes the place of the pieces, as large as what it shows; on its way nothing does', () => {
    const made = draw('mug-325', null, 'blob:made');
    expect(made).toContain('href="blob:made"');
    expect(count(made, /<image/g)).toBe(1);
    const { width, height, edge } = faceOf(blankById('mug-325'));
    expect(made).toContain(`width="${width + 2 * edge}" height="${height + 2 * edge}"`);
    expect(made).not.toContain('#336699');
    expect(draw('mug-325', null, null)).not.toMatch(/<image|#336699/);
  });

  test('a set is drawn whole, each sticker by its own line and none over another', () => {
    const cut = { d: 'M0 0Z', backing: 0, spread: false } as NonNullable<PrintFace['cut']>;
    const plain = faceOf(blankById('coaster'));
    const faces = [80, 50, 60, 40].map((width, i) => ({
      ...plain,
      id: `s${i}`,
      width,
      height: 45 + 5 * i,
      cut,
    }));
    const blank = { ...blankById('sticker-die-cut'), faces };
    const set = drawnOf(blank, fitOf(blank, []));
    expect(set.faces).toHaveLength(4);
    for (const one of set.faces) {
      expect(one.x).toBeGreaterThanOrEqual(set.left);
      expect(one.x + one.face.width).toBeLessThanOrEqual(set.left + set.width + 1e-9);
      expect(one.y + one.face.height).toBeLessThanOrEqual(set.height + 1e-9);
      for (const other of set.faces)
        if (other !== one)
          expect(
            one.x + one.face.width <= other.x ||
              other.x + other.face.width <= one.x ||
              one.y + one.face.height <= other.y ||
              other.y + other.face.height <= one.y,
          ).toBe(true);
    }
  });

  test.each(all)('%s: its colour, what is visible, and nothing that is not there', (id) => {
    const markup = draw(id);
    expect(markup).toContain('#abcdef');
    expect(markup).toContain('#336699');
    expect(count(markup, /<image/g)).toBe(1);
    expect(markup).not.toMatch(/NaN|undefined/);
  });

  test('on a garment the print area is dashed, and a smaller size makes it smaller on a smaller shirt', () => {
    const { blank } = blankById('shirt');
    const resolved = blankById('shirt');
    expect(draw('shirt')).toMatch(/stroke-dasharray/);
    const large = placeOf(resolved, faceOf(resolved), null);
    const small = placeOf(resolved, faceOf(resolved), 's');
    expect(small.width / large.width).toBeCloseTo(blank.sizes[0]!.garment, 9);
    expect(draw('shirt', 's')).not.toBe(draw('shirt'));
  });

  test('a hood stands above the collar, and the drawing makes room for it', () => {
    const resolved = blankById('hooded-top');
    const { garment, origin } = placeOf(resolved, faceOf(resolved), null);
    expect(garmentTop(garment!)).toBeGreaterThan(0);
    expect(origin.y).toBeGreaterThan(garmentTop(garment!));
    const markup = renderToStaticMarkup(
      createElement(GarmentShape, { garment: garment!, colour: '#111111', px: 1 }),
    );
    expect(markup).toContain(`translate(0 ${garmentTop(garment!)})`);
  });

  test('a wrapped edge is drawn round the face', () => {
    const resolved = blankById('case-pier-6');
    const place = placeOf(resolved, faceOf(resolved), null);
    expect(place).toMatchObject({ garment: null, width: 81, height: 163, origin: { x: -34.5, y: 6 } });
  });
});
