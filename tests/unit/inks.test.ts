import fc from 'fast-check';
import { fewColours } from '@/core/colour/few';
import { renditionFor } from '@/core/fit/rendition';
import { offeredFor } from '@/state/artwork/renditions';
import { applySteps } from '@/core/raster/steps/apply';
import type { Raster } from '@/core/raster/raster';
import { remedied } from '@/core/check/remedy';
import { makeDocket } from '@/core/check/docket';
import type { PlannedInk, PlatePlan } from '@/core/fit/plates';
import { PlatePlanSchema } from '@/core/fit/plates';
import type { Fit, Piece } from '@/core/fit/schema';
import { renderFace } from '@/core/render/face';
import { withAdded, leftOpen, merged, moved, swapped, withInk, withRegion } from '@/core/plates/edit';
import { enlarged } from '@/core/plates/enlarge';
import { ALL_AS_THEY_ARE, differenceOf, seenOn } from '@/core/plates/laid';
import { makePlates, type PlatesAsked } from '@/core/plates/make';
import { MARK_MARGIN, marksRound } from '@/core/plates/marks';
import { partPrint } from '@/core/plates/part';
import { askedBy, firstPlan, isBased, openOn, withCount, withScreens } from '@/core/plates/plan';
import { proposals } from '@/core/plates/propose';
import { inInks, isInInks, withoutInks } from '@/core/plates/wear-inks';
import * as v from 'valibot';
import { blankById, faceOf, factsOf, fitOf, pieceAt, sheetOf, shown } from '../support/fits';
import { CLEAR, paint, pixelAt, solid } from '../support/pictures';

const [RED, BLUE, SUN, NIGHT] = ['#be1e1e', '#1e3c8c', '#f0c828', '#1e2533'] as const;
const rgba = (hex: string) =>
  [1, 3, 5].map((i) => parseInt(hex.slice(i, i + 2), 16)).concat(255) as unknown as readonly [
    number,
    number,
    number,
    number,
  ];

const ink = (id: string, hex: string, more: Partial<PlannedInk> = {}): PlannedInk => ({
  ...{ id, name: id, hex, from: [hex], opacity: 1 },
  ...more,
});
const plan = (inks: PlannedInk[], more: Partial<PlatePlan> = {}): PlatePlan => ({
  ...{ inks, open: [], regions: [], base: 'auto', choke: 0.3, trap: 0.1, tones: 'flat', ppi: 300 },
  ...more,
});
const asked = (inks: PlannedInk[], more: Partial<PlatesAsked> = {}): PlatesAsked => ({
  ...{ ppi: 254, inks, open: [NIGHT], product: NIGHT, laying: 'cover', base: null, trap: 0, stroke: 0.2 },
  ...{ regions: [], tones: null },
  ...more,
});

/** Four bands of colours, 25 mm in all. */
const bands = paint(250, 100, (x) => rgba([RED, BLUE, SUN, '#ffffff'][Math.min(3, Math.floor(x / 62.5))]!));

describe('a plan', () => {
  test('is of as many inks as are asked for, from light to dark, and passes its schema', () => {
    const made = firstPlan(bands, 4, NIGHT)!;
    expect(made.inks.map(({ hex }) => hex)).toEqual(['#ffffff', SUN, RED, BLUE]);
    expect(new Set(made.inks.map(({ id }) => id)).size).toBe(4);
    expect(v.is(PlatePlanSchema, made)).toBe(true);
    expect(firstPlan(bands, 2, NIGHT)!.inks).toHaveLength(2);
  });

  test('leaves open what is as the product is, and white on a light one; nothing but that has no plan', () => {
    expect(firstPlan(bands, 8, RED)!.inks.map(({ hex }) => hex)).toEqual(['#ffffff', SUN, BLUE]);
    // Cream cloth is light: white ink would not be worth its screen.
    expect(openOn('#f4efe2')).toEqual(['#f4efe2', '#ffffff']);
    expect(firstPlan(bands, 8, '#f4efe2')!.inks.map(({ hex }) => hex)).toEqual([SUN, RED, BLUE]);
    expect(firstPlan(solid(40, 40, rgba(NIGHT)), 3, NIGHT)).toBeNull();
  });

  test('keeps what is locked while the number is tried', () => {
    const own = plan([ink('a', '#123456', { locked: true, name: 'House blue' }), ink('b', RED)]);
    for (const count of [1, 2, 3, 4]) {
      const tried = withCount(own, bands, count, NIGHT)!;
      expect(tried.inks.some(({ name, hex }) => name === 'House blue' && hex === '#123456')).toBe(true);
      expect(tried.inks.length).toBeLessThanOrEqual(count);
    }
  });

  test('of dots gives every ink a screen, and angles that no other has', () => {
    const inks = [RED, BLUE, SUN].map((hex, i) => ink(`i${i}`, hex));
    const screened = withScreens(plan(inks, { tones: 'halftone' }), [38, 55]);
    expect(screened.inks.map(({ screen }) => screen!.ruling)).toEqual([38, 38, 38]);
    expect(new Set(screened.inks.map(({ screen }) => screen!.angle)).size).toBe(3);
    expect(withScreens(plan(inks)).inks.every(({ screen }) => screen === undefined)).toBe(true);
  });

  test('has a base on dark products where the method has white ink, on light ones where it is always wanted', () => {
    const shirt = blankById('shirt');
    const mug = blankById('mug-325');
    const base = (kind: PlatePlan['base'], of = shirt, hex: string = NIGHT) =>
      isBased({ base: kind }, of, hex);
    expect([base('auto'), base('auto', shirt, '#ffffff'), base('always', shirt, '#ffffff')]).toEqual([
      true,
      false,
      true,
    ]);
    expect([base('none'), base('auto', mug), base('always', mug)]).toEqual([false, false, false]);
  });
});

describe('changes of a plan', () => {
  const own = plan([ink('a', RED), ink('b', BLUE), ink('c', SUN)], {
    regions: [
      { x: 1, y: 1, inkId: 'a' },
      { x: 2, y: 2, inkId: null },
    ],
  });
  const ids = ({ inks }: PlatePlan) => inks.map(({ id }) => id).join('');

  test('two merged are printed for the colours of both, and its parts go along', () => {
    const one = merged(own, 'a', 'c');
    expect(ids(one)).toBe('bc');
    expect(one.inks[1]!.from).toEqual([SUN, RED]);
    expect(one.regions.map(({ inkId }) => inkId)).toEqual(['c', null]);
    expect([merged(own, 'x', 'a'), merged(own, 'a', 'a')]).toEqual([own, own]);
  });

  test('two swapped are printed where the other was, and swapped again they are as before', () => {
    const turned = swapped(own, 'a', 'b');
    expect(turned.inks.map(({ hex, from }) => [hex, from[0]])).toEqual([
      [RED, BLUE],
      [BLUE, RED],
      [SUN, SUN],
    ]);
    expect(swapped(turned, 'a', 'b')).toEqual(own);
  });

  test('one left open costs nothing, and the last one stays; one added prints last and under a name of its own', () => {
    const less = leftOpen(own, 'a');
    expect([ids(less), less.open, less.regions.length]).toEqual(['bc', [RED], 1]);
    const alone = plan([ink('a', RED)]);
    expect(leftOpen(alone, 'a')).toBe(alone);
    const more = withAdded(withAdded(less, { name: 'x', hex: RED }), { name: 'x', hex: '#00ff00' });
    expect(more.inks.slice(2).map(({ name }) => name)).toEqual(['x', 'x 2']);
    expect(more.open).toEqual([]);
    expect(withInk(own, 'a', { name: 'b' }).inks.map(({ name }) => name)).toEqual(['b', 'b 2', 'c']);
  });

  test('an ink moves in the order of printing and no other changes its order', () => {
    fc.assert(
      fc.property(fc.constantFrom('a', 'b', 'c'), fc.integer({ min: 0, max: 2 }), (id, to) => {
        const after = moved(own, id, to);
        expect(after.inks[to]!.id).toBe(id);
        expect(ids(after).replace(id, '')).toBe('abc'.replace(id, ''));
      }),
    );
  });
});

describe('plates', () => {
  test('one red door becomes black and another red stays red', () => {
    const doors = paint(300, 100, (x, y) => {
      const inDoor = y > 40 && ((x > 40 && x < 80) || (x > 200 && x < 240));
      return inDoor ? rgba(RED) : rgba(SUN);
    });
    const inks = [ink('sun', SUN), ink('red', RED), ink('black', '#101010')];
    const areas = (regions: PlatesAsked['regions']) =>
      makePlates(doors, asked(inks, { regions })).map(({ name, area }) => [name, Math.round(area)]);
    const door = (39 * 59) / 100;
    expect(areas([])[1]).toEqual(['red', Math.round(2 * door)]);
    expect(areas([{ x: 60, y: 70, ink: 2 }]).slice(1)).toEqual([
      ['red', Math.round(door)],
      ['black', Math.round(door)],
    ]);
    // Outside of the picture nothing is taken, and none is left open.
    expect(areas([{ x: 900, y: 70, ink: 2 }])).toEqual(areas([]));
    expect(areas([{ x: 60, y: 70, ink: null }])[1]).toEqual(['red', Math.round(door)]);
  });

  test('trap goes by lightness, whatever the order of printing', () => {
    const two = paint(200, 100, (x) => rgba(x < 100 ? SUN : BLUE));
    for (const inks of [
      [ink('sun', SUN), ink('blue', BLUE)],
      [ink('blue', BLUE), ink('sun', SUN)],
    ]) {
      const plates = makePlates(two, asked(inks, { trap: 0.5 }));
      const areas = Object.fromEntries(plates.map(({ name, area }) => [name, Math.round(area)]));
      expect(areas).toEqual({ sun: 105, blue: 100 });
    }
  });

  test('an ink that lets half through is between its colour and the product’s', () => {
    const plates = makePlates(solid(40, 40, rgba('#ffffff')), asked([ink('w', '#ffffff', { opacity: 0.5 })]));
    const on = { product: '#000000', laying: 'cover', tones: null } as const;
    const { picture } = seenOn(plates, on, { width: 40, height: 40 }, ALL_AS_THEY_ARE);
    expect(pixelAt(picture, 20, 20)).toEqual([128, 128, 128, 255]);
  });

  test('slid apart they show gaps where they meet without a trap, and none with one that is wider', () => {
    const two = paint(200, 100, (x) => rgba(x < 100 ? SUN : BLUE));
    const gaps = (trap: number, slid: number) => {
      const own = asked([ink('sun', SUN), ink('blue', BLUE)], { trap });
      return seenOn(makePlates(two, own), own, two, { ...ALL_AS_THEY_ARE, slid, angle: 180 }).gaps;
    };
    expect(gaps(0, 0)).toBe(0);
    // 3 px each way along an edge of 100, but for its ends.
    expect(gaps(0, 3)).toBeGreaterThan(400);
    expect(gaps(1, 3)).toBe(0);
  });

  test('tones on a dark product have a base under their dots alone, and what has its colour is open', () => {
    const fade = paint(200, 100, (x) => (x < 40 ? rgba(NIGHT) : [240, 200, 40, Math.min(255, (x - 40) * 2)]));
    const inks = [ink('sun', SUN)];
    const own = asked(inks, { base: { choke: 0 }, tones: { screens: null }, stroke: 0 });
    const plates = makePlates(fade, own);
    expect(plates[0]!.base).toBe(true);
    for (const { plane } of plates) {
      expect(plane[50 * 200 + 20]).toBe(0);
      expect(Math.abs(plane[50 * 200 + 100]! - 120)).toBeLessThan(4);
    }
    expect(differenceOf(fade, plates, own).mean).toBeLessThan(1);
  });

  test('a window is enlarged to the plates’ density, and its pixels are where they were', () => {
    const print = paint(100, 50, (x) => (x < 50 ? rgba(RED) : CLEAR));
    // 100 mm wide, a pixel a mm; a window of 10 mm about the edge.
    const close = enlarged(print, 100, { x: 45, y: 20, across: 10 }, 254);
    expect([close.width, close.height]).toEqual([100, 100]);
    expect(pixelAt(close, 10, 50)).toEqual([...rgba(RED)]);
    expect(pixelAt(close, 90, 50)[3]).toBe(0);
    expect(Math.abs(pixelAt(close, 50, 50)[3]! - 128)).toBeLessThan(16);
    expect(pixelAt(close, 50, 50).slice(0, 3)).toEqual(rgba(RED).slice(0, 3));
  });

  test('proposals go from one ink as far as there are colours, and each loses less than the one before', () => {
    const made = proposals(bands, 254, { blank: sheetOf('shirt'), product: NIGHT, so: null });
    expect(made.map(({ plan: { inks } }) => inks.length)).toEqual([1, 2, 3, 4]);
    made.slice(1).forEach(({ mean }, i) => {
      expect(mean).toBeLessThan(made[i]!.mean);
    });
    expect(made.at(-1)!.mean).toBeLessThan(0.5);
    expect(made.map(({ screens }) => screens)).toEqual([2, 3, 4, 5]);
    expect(
      proposals(solid(30, 30, rgba(NIGHT)), 254, { blank: sheetOf('shirt'), product: NIGHT, so: null }),
    ).toEqual([]);
  });

  test('marks stand outside of the print, each plate with its own name and patch', () => {
    const { strokes, own, words } = marksRound({ width: 200, height: 100 }, ['white base', 'rust']);
    expect(strokes).toHaveLength(5);
    expect(own.map(({ words: { text } }) => text)).toEqual(['1 white base', '2 rust']);
    for (const { words: one, patch } of own) {
      expect(one.y).toBeLessThan(MARK_MARGIN);
      expect(Number(/^M[\d.]+ ([\d.]+)/.exec(patch)![1])).toBeGreaterThan(MARK_MARGIN + 100);
    }
    for (const { x } of words) expect(x).toBeLessThan(MARK_MARGIN);
  });
});

describe('steps of few inks', () => {
  const edged = paint(100, 40, (x) => (x < 50 ? [190, 30, 30, 255] : x === 50 ? [120, 45, 80, 128] : CLEAR));

  test('every pixel is wholly of an ink, or open', () => {
    const few = applySteps(bands, [
      {
        kind: 'inks',
        inks: [
          { hex: '#111111', from: [RED, BLUE] },
          { hex: SUN, from: [SUN] },
        ],
        open: ['#ffffff'],
        least: 0,
      },
    ]);
    expect(pixelAt(few, 10, 50)).toEqual([...rgba('#111111')]);
    expect(pixelAt(few, 100, 50)).toEqual([...rgba('#111111')]);
    expect(pixelAt(few, 240, 50)[3]).toBe(0);
    expect(new Set(few.data.filter((_, i) => i % 4 === 3))).toEqual(new Set([0, 255]));
  });

  test('one part is recoloured with the mixtures of its edge, and its like elsewhere stays', () => {
    const two = paint(100, 40, (x) =>
      x < 30 || x > 70 ? rgba(RED) : x === 30 ? [215, 140, 140, 255] : rgba('#ffffff'),
    );
    const made = applySteps(two, [{ kind: 'recolour', from: RED, to: '#000000', at: { x: 0.1, y: 0.5 } }]);
    expect(pixelAt(made, 5, 20)).toEqual([0, 0, 0, 255]);
    expect(pixelAt(made, 90, 20)).toEqual([...rgba(RED)]);
    expect(pixelAt(made, 30, 20)[0]).toBeLessThan(190);
    const none = applySteps(two, [{ kind: 'recolour', from: RED, to: '#000000', at: { x: 0.5, y: 0.5 } }]);
    expect(none.data).toEqual(two.data);
  });

  test('a line lies along the inside of every edge, as wide as it is asked for', () => {
    const made = applySteps(edged, [{ kind: 'line', colour: '#ffffff', width: 0.05 }]);
    const row = Array.from({ length: 100 }, (_, x) => pixelAt(made, x, 20));
    const white = row.filter(
      ([red, green, blue, alpha]) => alpha === 255 && red === 255 && green === 255 && blue === 255,
    );
    // On its left, where the picture ends, and on its right.
    expect(Math.abs(white.length - 10)).toBeLessThanOrEqual(1);
    expect(row[60]![3]).toBe(0);
  });

  test.each([0, 0.2, 0.5, 0.8, 1])(
    'grains worn by %d cover about that share, and nothing is half there',
    (strength) => {
      const whole = solid(300, 300);
      const made = applySteps(whole, [{ kind: 'wear', part: 'grain', strength, grain: 0.03 }]);
      let [worn, left] = [0, 0];
      for (let i = 3; i < made.data.length; i += 4) {
        if (made.data[i] === 0) worn++;
        else if (made.data[i] === 255) left++;
      }
      expect(worn + left).toBe(90_000);
      expect(Math.abs(worn / 90_000 - strength)).toBeLessThan(0.08);
      const again = applySteps(whole, [{ kind: 'wear', part: 'grain', strength, grain: 0.03 }]);
      expect(Buffer.compare(again.data, made.data)).toBe(0);
    },
  );

  test('dark parts, or light ones, are worn by their lightness', () => {
    const worn = (part: 'dark' | 'light', strength: number) => {
      const made = applySteps(bands, [{ kind: 'wear', part, strength, grain: 0.01 }]);
      return [30, 90, 150, 240].map((x) => pixelAt(made, x, 50)[3]);
    };
    expect(worn('dark', 0.35)).toEqual([255, 0, 255, 255]);
    expect(worn('light', 0.1)).toEqual([255, 255, 255, 0]);
  });
});

describe('a fit in its inks', () => {
  const blank = sheetOf('shirt', {}, { colours: [{ id: 'night', name: 'Night', hex: NIGHT }] });
  const on = (
    raster: Raster,
    plates: PlatePlan | undefined,
  ): { fit: Fit; docket: ReturnType<typeof makeDocket> } => {
    const fit = fitOf(blank, [pieceAt(20, 15, 30, 20)]);
    const with_ = { ...fit, faces: fit.faces.map((face) => ({ ...face, ...(plates && { plates }) })) };
    return {
      fit: with_,
      docket: makeDocket(blank, with_, { ...shown(raster, factsOf(raster)), press: null }),
    };
  };
  const of = (docket: ReturnType<typeof makeDocket>) => docket.findings.filter(({ rule }) => rule === 'inks');
  const art = paint(360, 240, (x) => rgba(x < 120 ? RED : x < 240 ? SUN : BLUE));
  const three = [ink('sun', SUN), ink('red', RED), ink('blue', BLUE)];

  test('is listed only where a face is printed in few inks, and Ready where they hold', () => {
    expect(of(on(art, undefined).docket)).toEqual([]);
    expect(of(on(art, plan(three)).docket)).toMatchObject([{ verdict: 'ready', measured: 4 }]);
  });

  test.each([
    ['no choke', plan(three, { choke: 0 }), 'choke'],
    ['no trap', plan(three, { trap: 0 }), 'trap'],
    ['greys where screens are', plan(three, { tones: 'grey' }), null],
    [
      'screens that beat',
      plan(
        three.map((one, i) => ({
          ...one,
          screen: { ruling: 20, angle: 22.5 + i * 5, dot: 'round' as const },
        })),
        { tones: 'halftone' },
      ),
      'turn-red',
    ],
  ])('%s: told, and what mends it does', (_name, made, mend) => {
    const { fit, docket } = on(art, made);
    const told = of(docket).filter(({ verdict }) => verdict !== 'ready');
    if (mend === null) {
      // This method counts no screens, and whoever does has to say so.
      expect(told).toEqual([]);
      return;
    }
    const remedy = told.flatMap(({ remedies }) => remedies).find(({ id }) => id === mend)!;
    const after = remedied(fit, fit.faces[0]!.faceId, remedy);
    const again = makeDocket(blank, after, { ...shown(art, factsOf(art)), press: null });
    const ids = of(again).flatMap(({ remedies }) => remedies.map(({ id }) => id));
    expect(ids).not.toContain(mend);
  });

  test('more screens than there are: the nearest are merged until they fit', () => {
    const few = { ...blank, limits: { ...blank.limits, inks: 3 } };
    const fit = { ...fitOf(few, [pieceAt(20, 15, 30, 20)]) };
    const with_ = { ...fit, faces: fit.faces.map((face) => ({ ...face, plates: plan(three) })) };
    const docket = makeDocket(few, with_, { ...shown(art, factsOf(art)), press: null });
    const [told] = of(docket).filter(({ verdict }) => verdict === 'fix');
    expect(told!.message).toMatch(/4 screens, the base among them, and the method has 3/);
    const after = remedied(with_, fit.faces[0]!.faceId, told!.remedies[0]!);
    expect(after.faces[0]!.plates!.inks).toHaveLength(2);
    const again = makeDocket(few, after, { ...shown(art, factsOf(art)), press: null });
    expect(of(again).filter(({ verdict }) => verdict === 'fix')).toEqual([]);
  });

  test('strokes of a plate that are too thin are told by the plate, those that hold are not', () => {
    // A pixel is 1/12 mm: a blue line of 0.25 mm, and one of 1 mm, on red.
    const lined = (pixels: number) => paint(360, 240, (x) => rgba(x >= 100 && x < 100 + pixels ? BLUE : RED));
    const thin = (pixels: number) =>
      on(lined(pixels), plan([ink('red', RED), ink('blue', BLUE)])).docket.findings.filter(
        ({ rule, message }) => rule === 'thin' && message.startsWith('The plate of'),
      );
    expect(thin(12)).toEqual([]);
    expect(thin(3)[0]!.message).toMatch(/^The plate of blue has strokes down to 0\.\d\d mm/);
  });

  test('its pieces take the inks by a step that is taken off again', () => {
    const piece = pieceAt(20, 15, 30, 20);
    const { pieces: worn } = inInks([piece], {
      plan: withRegion(plan(three), { x: 7, y: 15, inkId: 'blue' }),
      open: openOn(NIGHT),
      stroke: 0.5,
      bleed: 0,
    });
    expect(isInInks(worn)).toBe(true);
    const [{ finish = [] }] = worn as [typeof piece];
    const made = applySteps(art, finish);
    // The red third lies under the place, and is blue now.
    expect(pixelAt(made, 60, 120)).toEqual([...rgba(BLUE)]);
    expect(pixelAt(made, 180, 120)).toEqual([...rgba(SUN)]);
    expect(withoutInks(worn)).toEqual([{ ...piece, finish: [] }]);
    expect(isInInks([piece])).toBe(false);
  });

  test('in colours other than the artwork’s, its plates are the same before and after', () => {
    const recoloured = withInk(plan(three), 'red', { hex: '#101010' });
    const swappedRound = swapped(plan(three), 'red', 'blue');
    for (const own of [recoloured, swappedRound]) {
      const piece = { ...pieceAt(20, 15, 30, 20), finish: [] };
      const words: Piece = {
        ...{ id: 'block', name: 'block', kind: 'shape', role: 'motif', locked: false, visible: true },
        ...{ knockout: false, groupId: null, x: 20, y: 3, width: 10, height: 3, rotation: 0, flipped: false },
        ...{ shape: { kind: 'rectangle', corner: 0 }, fill: RED, stroke: null },
      } as unknown as Piece;
      const areas = (pieces: readonly Piece[], plates: PlatePlan) => {
        const face = faceOf(blank);
        const print = renderFace(face, withoutInks(pieces), shown(art), {
          pixels: { width: 480, height: 360 },
        });
        const made = partPrint(print, { plan: plates, blank, face, product: NIGHT, reduced: true })!;
        return made.plates.map(({ name, area }) => [name, Math.round(area)]);
      };
      const worn = inInks([piece, words], { plan: own, open: [NIGHT], stroke: 0.3, bleed: 0 });
      expect(areas([piece, words], own)).not.toEqual(areas([piece], own));
      expect(areas(worn.pieces, worn.plan)).toEqual(areas([piece, words], own));
    }
  });

  test('parted by a plan, a reduced copy and the print itself find the same', () => {
    const face = faceOf(blank);
    const at = (ppi: number, reduced: boolean) => {
      const size = [40, 30].map((mm) => Math.round((mm * ppi) / 25.4)) as [number, number];
      const print = paint(...size, (x, y) => {
        const [u, w] = [x / size[0], y / size[1]];
        return u < 0.1 || u > 0.9 || w < 0.1 || w > 0.9 ? CLEAR : rgba(u < 0.5 ? RED : SUN);
      });
      return partPrint(print, { plan: plan(three.slice(0, 2)), blank, face, product: NIGHT, reduced })!;
    };
    const [whole, small] = [at(300, false), at(150, true)];
    expect(small.findings.map(({ message }) => message)).toEqual(
      whole.findings.map(({ message }) => message),
    );
    whole.plates.forEach(({ area }, i) => {
      expect(Math.abs(small.plates[i]!.area / area - 1)).toBeLessThan(0.02);
    });
    expect(askedBy(plan(three), blank, NIGHT, { ppi: 300, toPixel: (x, y) => ({ x, y }) }).base).toEqual({
      choke: 0.3,
    });
  });
});

describe('renditions', () => {
  const palette = [
    { hex: RED, share: 0.4 },
    { hex: '#c02525', share: 0.1 },
    { hex: BLUE, share: 0.3 },
    { hex: SUN, share: 0.2 },
  ];

  test('a palette in fewer colours joins what is alike first, in the colour of the larger, and loses none', () => {
    expect(fewColours(palette, 3)).toEqual([
      { hex: RED, from: [RED, '#c02525'] },
      { hex: BLUE, from: [BLUE] },
      { hex: SUN, from: [SUN] },
    ]);
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 9 }), (count) => {
        const made = fewColours(palette, count);
        expect(made).toHaveLength(Math.min(4, Math.max(1, count)));
        expect(made.flatMap(({ from }) => from).sort()).toEqual(palette.map(({ hex }) => hex).sort());
      }),
    );
    expect(fewColours([], 3)).toEqual([]);
  });

  test('that one step makes are offered by what the artwork is: without a ground where it has one, in fewer inks than it has', () => {
    const facts = factsOf(solid(300, 200), { palette, background: { hex: SUN, share: 0.5 } as never });
    const names = (own: typeof facts, inks: number | null) =>
      offeredFor({ facts: own, steps: [] }, inks).map(({ name }) => name);
    expect(names(facts, 3)).toEqual([
      'without its ground',
      'in one ink',
      'in 2 inks',
      'in 3 inks',
      'with a line round it',
    ]);
    expect(names({ ...facts, background: null, palette: palette.slice(0, 1) }, 4)).toEqual([
      'with a line round it',
    ]);
    // A line of a millimetre at the artwork's own size: 300 px at 300 PPI are 25.4 mm.
    const line = offeredFor({ facts, steps: [] }, 3).at(-1)!.steps;
    expect(line[0]).toMatchObject({ kind: 'line', width: 1 / 25.4, colour: BLUE });
  });

  test('what has a shadow is offered without it, what has words outlined without them', () => {
    const facts = factsOf(solid(300, 200), { palette: palette.slice(0, 1) });
    const outlined = { kind: 'outline' as const, families: ['Archivo'], svg: '<svg/>' };
    const shadowed = { ...facts, alpha: { ...facts.alpha, softShare: 0.02 } };
    const all = offeredFor({ facts: shadowed, steps: [outlined, { kind: 'turn', quarters: 1 }] }, 3);
    expect(all.map(({ name }) => name)).toEqual([
      'without its lettering',
      'without its shadow',
      'with a line round it',
    ]);
    expect(all[0]!.steps).toEqual([{ kind: 'turn', quarters: 1 }]);
    expect(all[1]!.steps.at(-1)).toEqual({ kind: 'edge', to: 'none', cell: 0 });
  });

  test('a shadow is left out with all of its slope; a disc’s smooth edge and a hairline stay', () => {
    const shade = (x: number, y: number) => {
      const disc = Math.min(1, Math.max(0, 20.5 - Math.hypot(x - 40, y - 40)));
      const shadow = 0.5 * Math.min(1, Math.max(0, (30 - Math.hypot(x - 48, y - 48)) / 10));
      const hair = x === 90 ? 0.5 : 0;
      return Math.round(255 * Math.max(disc, shadow, hair));
    };
    const art = paint(100, 100, (x, y) => [30, 60, 140, shade(x, y)]);
    const made = applySteps(art, [{ kind: 'edge', to: 'none', cell: 0 }]);
    const alphaAt = (x: number, y: number) => made.data[(y * 100 + x) * 4 + 3];
    expect(alphaAt(40, 40)).toBe(255);
    expect(alphaAt(90, 10)).toBe(128);
    // The shadow's middle beside the disc, its slope, its faint rim.
    for (const [x, y] of [
      [60, 60],
      [70, 66],
      [76, 52],
      [48, 77],
    ] as const)
      expect(alphaAt(x, y)).toBe(0);
    // Where the disc meets nothing its edge is as it was.
    for (let x = 15; x < 25; x++) expect(alphaAt(x, 40)).toBe(shade(x, 40));
  });

  test('a blank gets the one it is said to get, a method its own, and what suits it where nothing is said', () => {
    const { method } = blankById('shirt');
    const family = ['full', 'few', 'line'].map((id) => ({ id, facts: factsOf(solid(4, 4)) }));
    const goes = { blanks: { shirt: 'line' }, methods: { [method.id]: 'few' } };
    expect(renditionFor(method, family, { goes, blankId: 'shirt' }).id).toBe('line');
    expect(renditionFor(method, family, { goes, blankId: 'tote' }).id).toBe('few');
    expect(renditionFor(method, family).id).toBe('full');
    // One that was taken out since.
    expect(renditionFor(method, family.slice(0, 1), { goes, blankId: 'shirt' }).id).toBe('full');
  });
});
