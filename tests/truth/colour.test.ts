import type { Press } from '@/core/colour/press';
import { firstLettering, newText } from '@/core/fit/text';
import { layText } from '@/core/type/layout';
import type { Piece } from '@/core/fit/schema';
import type { Raster } from '@/core/raster/raster';
import { loadNodeEngine } from '@/imaging/node';
import { pieceAt, sheetOf } from '../support/fits';
import { face as font } from '../support/font';
import { paint } from '../support/pictures';
import { laidOut } from './bench';
import { BLACK, circle, Drawing, rectangle, WHITE, type Rgba } from './draw';
import { photographOf } from './photographs';
import { TruthTable } from './table';

const table = new TruthTable();
let press: Press;
beforeAll(async () => {
  const engine = await loadNodeEngine();
  press = engine.bakePress(null, 'relative');
  engine.close();
});
afterAll(() => {
  table.print();
});

const PER_MM = 300 / 25.4;
const colour = (id: string, hex: string) => ({ id, name: id, hex });
const GREY: Rgba = [120, 150, 170, 255];

test('black: areas want the recipe, strokes and lettering of any length do not', () => {
  const paper = sheetOf('sticker-75', {}, { colours: [colour('white', '#ffffff')] });
  const take = (name: string, drawing: Drawing, verdict: 'ready' | 'look', area?: number) => {
    table.take({
      rule: 'black',
      name,
      laid: laidOut(paper, drawing.raster(), PER_MM, { options: { press } }),
      verdict,
      ...(area !== undefined && { measures: [area, area * 0.03] as const }),
    });
  };
  const field = () => new Drawing(30, 20, PER_MM, GREY);
  for (const side of [4, 6, 9])
    take(
      `square of ${side}`,
      field().lay([rectangle(15, 10, side, side)], BLACK),
      side * side > 25 ? 'look' : 'ready',
      side * side > 25 ? side * side : 0,
    );
  for (const degrees of [0, 30, 45, 80])
    for (const wide of [0.4, 0.7])
      take(
        `eight strokes of ${wide} at ${degrees}°`,
        field().lay(
          Array.from({ length: 8 }, (_, i) => {
            const turn = (degrees * Math.PI) / 180;
            const off = (i - 3.5) * 2;
            return rectangle(15 - off * Math.sin(turn), 10 + off * Math.cos(turn), 14, wide, degrees);
          }),
          BLACK,
        ),
        'ready',
      );
  take(
    'ten dots of 4 mm2',
    field().lay(
      Array.from({ length: 10 }, (_, i) => rectangle(3 + (i % 5) * 5, 5 + Math.floor(i / 5) * 8, 2, 2)),
      BLACK,
    ),
    'ready',
  );
});

test('the product’s own colour: flat print of it is found where it can be left bare, highlights are none', () => {
  const cream = colour('cream', '#efe6d2');
  const onCream: Rgba = [0xef, 0xe6, 0xd2, 255];
  const shirt = sheetOf('shirt', {}, { colours: [cream] });
  const label = sheetOf('label-jar', {}, { colours: [cream] });
  const square = new Drawing(20, 14, PER_MM, [20, 34, 74, 255])
    .lay([rectangle(10, 7, 5, 4)], onCream)
    .raster();
  table.take({
    rule: 'same-as-product',
    name: 'cream square on a cream shirt',
    laid: laidOut(shirt, square, PER_MM),
    verdict: 'fix',
    measures: [20, 1],
  });
  table.take({
    rule: 'same-as-product',
    name: 'cream alone on a label in process inks',
    laid: laidOut(label, new Drawing(20, 14, PER_MM, onCream).raster(), PER_MM),
    verdict: 'ready',
  });
  const white = sheetOf('shirt', {}, { colours: [colour('white', '#fdfdfc')] });
  for (const seed of [1, 2, 3])
    table.take({
      rule: 'same-as-product',
      name: `highlights of photograph ${seed}`,
      laid: laidOut(white, photographOf(seed, 300, 200, { highlights: true }), PER_MM),
      verdict: 'ready',
    });
});

test('a state that hides the print: what is hidden is well, what shows is told, what reads warm is held to it', () => {
  const states = [{ ...colour('cold', '#1b1c1f'), hides: true }, colour('hot', '#f7f6f2')];
  const mug = sheetOf('mug-325', {}, { states });
  const dot = (ink: Rgba) => new Drawing(20, 14, PER_MM).lay([circle(10, 7, 5)], ink).raster();
  const take = (name: string, raster: Raster, verdict: 'ready' | 'look' | 'fix', blank = mug) => {
    table.take({ rule: 'contrast', name, laid: laidOut(blank, raster, PER_MM), verdict });
  };
  take('dark on a mug that is black while cold', dot([20, 34, 74, 255]), 'ready');
  take('white while hot', dot(WHITE), 'fix');
  const red = sheetOf('mug-325', {}, { states: [{ ...colour('cold', '#c04030'), hides: true }, states[1]!] });
  take('black shows on a red coating', dot(BLACK), 'look', red);
  const noHiding = sheetOf('mug-325', {}, { states: [colour('cold', '#1b1c1f'), states[1]!] });
  take('dark where nothing is to be hidden', dot([20, 34, 74, 255]), 'fix', noHiding);
});

test('placed PPI: a file in the print’s own whole pixels meets the target, half a pixel more does not', () => {
  const plain = (width: number, height: number) => paint(width, height, () => [90, 60, 40, 255]);
  for (const mm of [
    [38.1, 27.9],
    [25.43, 20.02],
    [33.333, 18.7],
  ] as const)
    for (const target of [150, 300])
      for (const less of [0, 1, 2]) {
        const blank = sheetOf('mug-325', { target, floor: target / 2 });
        const [width, height] = mm.map((side) => Math.round((side / 25.4) * target) - less);
        const piece: Piece = pieceAt(20, 15, mm[0], mm[1]);
        table.take({
          rule: 'resolution',
          name: `${mm.join(' x ')} mm at ${target}, ${less} px less`,
          laid: laidOut(blank, plain(width!, height!), 1, { pieces: [piece] }),
          verdict: less === 0 ? 'ready' : 'look',
        });
      }
});

test('lettering’s colour on inks that only darken is the colour that results', () => {
  const glaze = (hex: string) => sheetOf('mug-325', {}, { colours: [colour('glaze', hex)] });
  const shirt = sheetOf('shirt', {}, { colours: [colour('navy', '#14224a')] });
  const lettered = (ink: string) => {
    const lettering = { ...firstLettering('archivo-narrow', ink, 5), lines: [{ text: 'HEH', gap: null }] };
    return newText('text', lettering, layText(lettering, font())!, { x: 20, y: 15 });
  };
  const bare = paint(4, 4, () => [0, 0, 0, 0]);
  for (const [name, blank, ink, verdict] of [
    ['white on a navy glaze: no ink is white', glaze('#14224a'), '#ffffff', 'fix'],
    ['white on a navy shirt', shirt, '#ffffff', 'ready'],
    ['black on a white glaze', glaze('#f7f6f2'), '#000000', 'ready'],
    ['yellow on a red glaze comes out red', glaze('#b02a20'), '#ffe060', 'fix'],
    ['black on a yellow glaze', glaze('#f0d040'), '#101010', 'ready'],
  ] as const)
    table.take({
      rule: 'text',
      name,
      laid: laidOut(blank, bare, 1, { pieces: [lettered(ink)] }),
      verdict,
    });
  expect(table.wrong()).toEqual([]);
});
