import fc from 'fast-check';
import { firstLettering, newText, placedLettering, withInk } from '@/core/fit/text';
import { boundsOf, flattenPath } from '@/core/geometry/path';
import { parsePath } from '@/core/geometry/parse-path';
import { SHIPPED_FONTS } from '@/core/type/fonts';
import { arcHolds, layText, scaledLettering, redrawn } from '@/core/type/layout';
import type { Ink, Lettering } from '@/core/type/schema';
import { fontFacts, openFont } from '@/files/font';
import { face, fontBytes } from '../support/font';
import { runs } from '../support/long';

const narrow = face();

function lettering(words: string[], change: Partial<Lettering> = {}): Lettering {
  return {
    ...firstLettering('archivo-narrow', '#102030', 10),
    lines: words.map((text) => ({ text, gap: null })),
    ...change,
  };
}

function lay(words: string[], change: Partial<Lettering> = {}): Ink {
  return layText(lettering(words, change), narrow)!;
}

/** The boxes of a text's outlines, contour by contour. */
function contours(ink: Ink): { left: number; right: number; top: number; bottom: number }[] {
  return flattenPath(parsePath(ink.d)!, 0.005).map((points) => boundsOf([points])!);
}

describe('sizes', () => {
  test('a flat capital is as high as the cap height says', () => {
    const ink = lay(['H'], { cap: 12.7 });
    expect(ink.height).toBeCloseTo(12.7, 3);
  });

  test.each(SHIPPED_FONTS.map(({ id }) => id))('%s comes with Up Fit, allows it, and sets a line', (id) => {
    const ink = layText(lettering(['Keep the light, 1874'], { faceId: id }), face(id))!;
    expect(ink.lines[0]!.cap).toBeCloseTo(10, 6);
    expect(ink.width).toBeGreaterThan(ink.height);
    const facts = fontFacts(id, openFont(id, fontBytes(id)));
    expect(facts.embedding).not.toBe('restricted');
    expect(facts.licence).toMatch(/OFL|open ?font ?license/i);
  });

  test('lines of equal width have the same ink width, whatever is in them, letter spacing counted', () => {
    const words = ['GULLWICK', 'light', 'kept by volunteers', 'Est. 1874'];
    for (const spacing of [0, 0.4, -0.1]) {
      for (const align of ['left', 'centre', 'right'] as const) {
        const widths = words.map((_, index) => {
          const alone = lay([words[index]!], { equalWidth: 70, spacing, align });
          return alone.width;
        });
        for (const width of widths) expect(width).toBeCloseTo(70, 3);
        const ink = lay(words, { equalWidth: 70, spacing, align });
        expect(ink.width).toBeCloseTo(70, 3);
        for (const line of ink.lines) expect(line.width).toBeCloseTo(70, 6);
      }
    }
  });

  test('space between lines is from foot to caps, and a line may have its own', () => {
    const ink = lay(['H', 'H', 'H'], { gap: 4 });
    const boxes = contours(ink);
    expect(boxes[1]!.top - boxes[0]!.bottom).toBeCloseTo(4, 3);
    const own = layText(
      {
        ...lettering(['H', 'H', 'H'], { gap: 4 }),
        lines: [
          { text: 'H', gap: 9 },
          { text: 'H', gap: null },
          { text: 'H', gap: null },
        ],
      },
      narrow,
    )!;
    const apart = contours(own);
    expect(apart[1]!.top - apart[0]!.bottom).toBeCloseTo(9, 3);
    expect(apart[2]!.top - apart[1]!.bottom).toBeCloseTo(4, 3);
  });

  test('letter spacing adds so much between letters, and nothing at the ends', () => {
    const [plain, spaced] = [lay(['HHH']), lay(['HHH'], { spacing: 2 })];
    expect(spaced.width - plain.width).toBeCloseTo(4, 6);
  });

  test('an outline stands out by its width on every side', () => {
    const [plain, ringed] = [lay(['H']), lay(['H'], { outline: { width: 1.5, colour: '#ffffff' } })];
    expect(ringed.width - plain.width).toBeCloseTo(3, 2);
    expect(ringed.height - plain.height).toBeCloseTo(3, 2);
    expect(ringed.outlineD).not.toBeNull();
  });

  test('blank words have no ink', () => {
    expect(layText(lettering(['  ', '']), narrow)).toBeNull();
    expect(lay(['', 'a']).lines).toHaveLength(2);
  });
});

describe('bends', () => {
  const words = ['GULLWICK LIGHT', 'kept by volunteers', 'since the storm', 'of 1874'];

  test('four lines keep their equal widths along the arc', () => {
    const straight = lay(words, { equalWidth: 80, cap: 8 });
    const sweep = Math.PI / 2;
    const bent = lay(words, { equalWidth: 80, cap: 8, bend: { kind: 'arc', sweep } });
    for (const { width } of bent.lines) expect(width).toBeCloseTo(80, 6);
    expect(bent.lines).toEqual(straight.lines);
    expect(bent.height).toBeGreaterThan(straight.height);
  });

  test('on an arc the ends of a line lie where the circle has them', () => {
    // Bars stand upright on the baseline: the foot of each lies on the circle, turned with it.
    const sweep = Math.PI / 3;
    const straight = lay(['I I I I I']);
    const ink = lay(['I I I I I'], { bend: { kind: 'arc', sweep } });
    const radius = straight.width / sweep;
    const bars = flattenPath(parsePath(ink.d)!, 0.005);
    const tops = bars.map((points) => boundsOf([points])!);
    const middle = (tops[0]!.left + tops.at(-1)!.right) / 2;
    const centreY = tops[2]!.bottom + radius;
    for (const points of bars) {
      const feet = Array.from({ length: points.length / 2 }, (_, i) =>
        Math.hypot(points[2 * i]! - middle, points[2 * i + 1]! - centreY),
      );
      // A bar is a rectangle of 10 mm: its foot touches the circle, its top stands 10 mm outside.
      expect(Math.min(...feet)).toBeCloseTo(radius, 1);
      expect(Math.max(...feet)).toBeCloseTo(radius + 10, 1);
    }
  });

  test('below zero it hangs: the same, upside down', () => {
    const up = lay(['III'], { bend: { kind: 'arc', sweep: 1 } });
    const down = lay(['III'], { bend: { kind: 'arc', sweep: -1 } });
    const lean = (ink: Ink) => contours(ink)[0]!.top - contours(ink)[1]!.top;
    expect(lean(up)).toBeGreaterThan(0);
    expect(lean(down)).toBeLessThan(0);
  });

  test('a wave rises and falls by its height', () => {
    const flat = lay(['IIIIIIIIIIIIIIII']);
    const wave = lay(['IIIIIIIIIIIIIIII'], { bend: { kind: 'wave', height: 12, length: flat.width } });
    expect(wave.height).toBeGreaterThan(flat.height + 9);
    expect(wave.height).toBeLessThan(flat.height + 13);
    const feet = contours(wave).map(({ bottom }) => bottom);
    // Crest in the middle, troughs at the ends.
    expect(feet[8]!).toBeLessThan(feet[0]! - 8);
  });

  test('an arc too strong for its lower lines is refused', () => {
    const tight = lettering(words, { equalWidth: 40, bend: { kind: 'arc', sweep: 4 } });
    expect(arcHolds(tight, layText(tight, narrow)!)).toBe(false);
    const loose = lettering(words, { equalWidth: 80, bend: { kind: 'arc', sweep: 1 } });
    expect(arcHolds(loose, layText(loose, narrow)!)).toBe(true);
  });
});

describe('as a piece', () => {
  test('a plate reaches its margin past the letters and their outline on every side, and scales with them', () => {
    const outline = { width: 1, colour: '#ffffff' };
    const [ringed, plated] = [
      lay(['H'], { outline }),
      lay(['H'], { outline, plate: { margin: 3, colour: '#102030' } }),
    ];
    expect(plated.width - ringed.width).toBeCloseTo(6, 6);
    expect(plated.height - ringed.height).toBeCloseTo(6, 6);
    expect(plated.plateD).toBe(`M0 0H${plated.width}V${plated.height}H0Z`);
    expect(ringed.plateD).toBeNull();
    const again = redrawn(ringed, 2, {
      outline: { width: 2, colour: '#ffffff' },
      plate: { margin: 6, colour: '#102030' },
    });
    expect([again.width, again.height]).toEqual([
      expect.closeTo(plated.width * 2, 1) as number,
      expect.closeTo(plated.height * 2, 1) as number,
    ]);
  });

  test('scaled on the bench, all its lengths scale, its outline too', () => {
    const asked = lettering(['Gullwick'], { outline: { width: 1, colour: '#ffffff' }, spacing: 0.5 });
    const piece = newText('t', asked, layText(asked, narrow)!, { x: 50, y: 20 });
    const larger = { ...piece, width: piece.width * 2, height: piece.height * 2 };
    const placed = placedLettering(larger);
    expect(placed).toMatchObject({ cap: 20, spacing: 1, outline: { width: 2 } });
    const anew = withInk(larger, placed, layText(placed, narrow)!);
    expect(anew.width).toBeCloseTo(larger.width, 2);
    expect(anew.height).toBeCloseTo(larger.height, 2);
    expect(anew).toMatchObject({ x: 50, y: 20, name: 'Gullwick' });
  });

  test('scaling there and back is nothing', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 10, noNaN: true }), (factor) => {
        const asked = lettering(['a', 'b'], {
          equalWidth: 40,
          bend: { kind: 'wave', height: 3, length: 20 },
        });
        const back = scaledLettering(scaledLettering(asked, factor), 1 / factor);
        expect(back.cap).toBeCloseTo(asked.cap, 9);
        expect(back.equalWidth).toBeCloseTo(40, 9);
        expect(back.bend).toMatchObject({ kind: 'wave' });
      }),
    );
  });
});

describe('faces that are brought', () => {
  const file = (text: string) => new TextEncoder().encode(text).buffer;

  test.each([
    ['wOF2....', 'unsupported', /WOFF2/],
    ['ttcf....', 'unsupported', /collection/],
    ['hello', 'unreadable', /not a font/],
    ['wOFFcut short', 'unreadable', /damaged/],
    ['', 'unreadable', /not a font/],
  ])('%s: %s', (start, code, message) => {
    expect(() => openFont('x.ttf', file(start) as ArrayBuffer)).toThrow(expect.objectContaining({ code }));
    expect(() => openFont('x.ttf', file(start) as ArrayBuffer)).toThrow(message);
  });

  test('one that is cut off anywhere is refused in a sentence, or is a face', () => {
    const whole = fontBytes('bungee');
    fc.assert(
      fc.property(fc.integer({ min: 4, max: whole.byteLength - 1 }), (length) => {
        try {
          openFont('x.woff', whole.slice(0, length));
        } catch (error) {
          expect((error as Error).message).toMatch(/damaged or cut short/);
        }
      }),
      runs(20),
    );
  });
});
