import fc from 'fast-check';
import type { Facts } from '@/core/artwork/facts';
import { shippedBlanks } from '@/core/blank/library';
import type { ResolvedBlank } from '@/core/blank/resolve';
import { signedDistance } from '@/core/blank/shape';
import { keepOutBox } from '@/core/blank/keep-out';
import { makeDocket, type Docket } from '@/core/check/docket';
import { isOpen } from '@/core/check/finding';
import { wayOn } from '@/core/check/registry';
import type { Press } from '@/core/colour/press';
import { addedPieces, beginColour, beginPieces } from '@/core/fit/begin';
import { placedPpi } from '@/core/fit/density';
import { corners, extentOf, opaqueBox, overlap } from '@/core/fit/geometry';
import { roleOf } from '@/core/fit/place';
import type { ArtworkPiece } from '@/core/fit/schema';
import { nearestZone } from '@/core/fit/zones';
import { loadNodeEngine } from '@/imaging/node';
import { paint } from '../support/pictures';
import { blankById, faceOf, factsOf, fitOf, shown } from '../support/fits';
import { BARE, circle, Drawing, rectangle, type Point, type Rgba } from './draw';
import { longTest } from '../support/long';

/** Where a click lands an artwork: one ordinary logo on every shipped blank, and any size of it anywhere. */
const NAVY: Rgba = [24, 48, 90, 255];
const RUST: Rgba = [196, 88, 40, 255];

/** A ring with two sails in it and three bars beside it, 1800 by 1200 px with a clear margin. */
const logo = new Drawing(180, 120, 10, BARE)
  .lay([circle(55, 60, 45), [...circle(55, 60, 37)].reverse()], NAVY)
  .lay(
    [
      [
        [50, 30],
        [50, 82],
        [26, 82],
      ] satisfies Point[],
      [
        [58, 38],
        [58, 82],
        [80, 82],
      ] satisfies Point[],
    ],
    RUST,
  )
  .lay([rectangle(140, 40, 58, 14), rectangle(134, 60, 46, 12), rectangle(137, 82, 52, 14)], NAVY)
  .raster();
const PALETTE = [
  { hex: '#18305a', share: 0.8 },
  { hex: '#c45828', share: 0.2 },
];
const logoFacts = factsOf(logo, { inks: 2, palette: PALETTE, detail: { scale: 0.95, sure: true } });

let press: Press;
beforeAll(async () => {
  const engine = await loadNodeEngine();
  press = engine.bakePress(null, 'relative');
  engine.close();
});

let count = 0;
const newId = () => `piece ${++count}`;
const motif = (facts: Facts) => ({ artworkId: 'test', role: 'motif' as const, facts });

function clicked(blank: ResolvedBlank): Docket {
  const face = faceOf(blank);
  const chosen = [motif(logoFacts)];
  const fit = {
    ...fitOf(blank, beginPieces(blank, face, chosen, newId)),
    colourId: beginColour(blank, chosen),
  };
  return makeDocket(blank, fit, { ...shown(logo, logoFacts), press, coarse: 600 });
}

longTest(
  'one logo of 1800 x 1200 px, a click on each shipped blank: at most three are a Fix, and none by the logo’s place',
  () => {
    const rows = shippedBlanks().map((blank) => ({ id: blank.blank.id, docket: clicked(blank) }));
    const of = (verdict: string) => rows.filter(({ docket }) => docket.verdict === verdict);
    const told = rows.flatMap(({ id, docket }) =>
      docket.findings
        .filter(({ verdict }) => verdict !== 'ready')
        .map(({ rule, verdict, shown, remedies }) => ({ id, rule, verdict, shown, remedies })),
    );
    console.log(
      `One logo on ${rows.length} blanks, a click each: ${of('ready').length} Ready, ${of('look').length} Look, ${of('fix').length} Fix\n` +
        told
          .map(({ id, rule, verdict, shown }) => `  ${id}: ${rule} ${verdict}, ${shown.measured}`)
          .join('\n'),
    );
    expect(of('fix').length).toBeLessThanOrEqual(3);
    // What the law wants on a pouch is not on a logo.
    expect(told.filter(({ verdict }) => verdict === 'fix').map(({ rule }) => rule)).toEqual(['contents']);
    for (const { rule } of told)
      expect(['contents', 'file-spec', 'resolution', 'true-detail']).toContain(rule);
    expect(of('ready').length).toBeGreaterThan(rows.length * 0.7);
  },
);

test.each(['case-pier-6', 'mug-325'])(
  'a photograph of 1.5 megapixels on %s: every Fix and Look has a way on',
  (id) => {
    const blank = blankById(id);
    const raster = paint(1500, 1000, (x, y) => [60 + ((x * 7 + y * 3) % 120), 90 + (y % 90), 140, 255]);
    const facts = factsOf(raster, { inks: null, detail: { scale: 0.7, sure: true } });
    const pieces = beginPieces(
      blank,
      faceOf(blank),
      [{ artworkId: 'test', role: roleOf(facts), facts }],
      newId,
    );
    const { findings } = makeDocket(blank, fitOf(blank, pieces), { ...shown(raster, facts), press });
    const open = findings.filter(isOpen);
    console.log(
      `A photograph on ${id}: ${open.map(({ rule, verdict }) => `${rule} ${verdict}`).join(', ') || 'Ready'}`,
    );
    expect(pieces.map(({ role }) => role)).toEqual(['ground']);
    for (const { rule, remedies } of open) expect(remedies.length > 0 || wayOn(rule) !== '').toBe(true);
    expect(open.map(({ rule }) => rule)).not.toContain('bleed');
  },
);

/** Any motif: from a stamp to a poster, of any proportion, with its opaque part anywhere in it, sharp or not. */
const anyMotif = fc
  .record({
    width: fc.integer({ min: 40, max: 6000 }),
    height: fc.integer({ min: 40, max: 6000 }),
    inset: fc.tuple(fc.nat(30), fc.nat(30), fc.nat(30), fc.nat(30)),
    detail: fc.option(fc.double({ min: 0.25, max: 1, noNaN: true })),
    drawing: fc.boolean(),
  })
  .map(({ width, height, inset: [left, top, right, bottom], detail, drawing }): Facts => {
    const opaqueBounds = {
      x: Math.floor((width * left) / 100),
      y: Math.floor((height * top) / 100),
      width: Math.ceil((width * (100 - left - right)) / 100),
      height: Math.ceil((height * (100 - top - bottom)) / 100),
    };
    return {
      ...logoFacts,
      pixels: drawing ? null : { width, height },
      grid: drawing ? { width, height } : null,
      alpha: { ...logoFacts.alpha, opaqueBounds },
      detail: detail === null ? null : { scale: detail, sure: true },
    };
  });
const anyBlank = fc.constantFrom(...shippedBlanks());

test('any motif on any blank lies inside the safe area, off what is kept clear, centred or not aimed at it, and as sharp as it can be', () => {
  fc.assert(
    fc.property(anyBlank, anyMotif, (blank, facts) => {
      const face = faceOf(blank);
      const pieces = beginPieces(blank, face, [motif(facts)], newId).filter(({ role }) => role === 'motif');
      expect(pieces).toHaveLength(Math.max(1, face.cuts.length));
      for (const piece of pieces as ArtworkPiece[]) {
        const box = opaqueBox(piece, facts);
        expect(box.width / box.height).toBeCloseTo(
          facts.alpha.opaqueBounds.width / facts.alpha.opaqueBounds.height,
          3,
        );
        for (const { x, y } of corners(box))
          expect(signedDistance(face, -face.safe, x, y)).toBeLessThanOrEqual(1e-6);
        for (const keepOut of face.keepOuts)
          expect(overlap(box, { ...keepOutBox(keepOut), rotation: 0 })).toBe(false);
        const off = nearestZone(face.zones, box);
        for (const mm of off ? [off.across, off.down] : [])
          expect(Math.abs(mm) < 0.2 || Math.abs(mm) > 2.9 || face.keepOuts.length > 0).toBe(true);
        if (!facts.pixels) continue;
        const sharp = placedPpi(facts.pixels, piece, face).least;
        const { left, right } = extentOf(box);
        const isWhole = right - left > (face.width - 2 * face.safe) / 3 - 1;
        expect(sharp >= face.floor - 1e-6 || isWhole || face.bend !== null).toBe(true);
      }
    }),
    { numRuns: 400 },
  );
});

test('at the largest size that is honest: larger would be under the target, out of the safe area, or out of sight', () => {
  const shirt = blankById('shirt');
  const wide = (facts: Facts, blank: ResolvedBlank) => {
    const [piece] = beginPieces(blank, faceOf(blank), [motif(facts)], newId).slice(-1) as [ArtworkPiece];
    return opaqueBox(piece, facts);
  };
  const pixels = (width: number, height: number, detail = 1): Facts => ({
    ...logoFacts,
    pixels: { width, height },
    alpha: { ...logoFacts.alpha, opaqueBounds: { x: 0, y: 0, width, height } },
    detail: { scale: detail, sure: true },
  });
  // 1800 px at 300 PPI are 152.4 mm; of a soft one three quarters of the target carry detail.
  expect(wide(pixels(1800, 1200), shirt)).toMatchObject({ x: 152.5, y: 203 });
  expect(wide(pixels(1800, 1200), shirt).width).toBeCloseTo(152.4, 4);
  expect(wide(pixels(1800, 1200, 0.6), shirt).width).toBeCloseTo((152.4 * 0.6) / 0.75, 4);
  // The safe area, 295 mm wide, is a third filled at a lower density, and never under the floor.
  expect(wide(pixels(900, 600), shirt).width).toBeCloseTo(295 / 3, 3);
  expect(wide(pixels(300, 200), shirt).width).toBeCloseTo(50.8, 4);
  expect(wide(pixels(6000, 4000), shirt).width).toBeCloseTo(295, 3);
  // A mug of 79 mm reads 82.729 mm wide from its front.
  expect(wide(pixels(6000, 3000), blankById('mug-325')).width).toBeCloseTo(82.729, 2);
});

test('several motifs lie side by side, and one more goes beside them', () => {
  fc.assert(
    fc.property(anyBlank, fc.array(anyMotif, { minLength: 2, maxLength: 5 }), (blank, all) => {
      const face = faceOf(blank);
      const chosen = all.map((facts, i) => ({ ...motif(facts), artworkId: String(i) }));
      const factsFrom = (id: string) => all[Number(id)]!;
      const pieces = beginPieces(blank, face, chosen, newId).filter((one) => one.kind === 'artwork');
      const boxes = pieces.map((one) => opaqueBox(one, factsFrom(one.artworkId)));
      for (const [i, box] of boxes.entries())
        for (const other of boxes.slice(i + 1)) expect(overlap(box, other)).toBe(false);
    }),
    { numRuns: 200 },
  );
  const mug = blankById('mug-325');
  const face = faceOf(mug);
  const [first] = beginPieces(mug, face, [motif(logoFacts)], newId) as [ArtworkPiece];
  const there = { pieces: [first], factsOf: () => logoFacts };
  const [second] = addedPieces(mug, face, there, [motif(logoFacts)], newId);
  expect(overlap(opaqueBox(first, logoFacts), opaqueBox(second!, logoFacts))).toBe(false);
  const [pointed] = addedPieces(mug, face, { ...there, at: { x: 50, y: 40 } }, [motif(logoFacts)], newId);
  expect(opaqueBox(pointed!, logoFacts)).toMatchObject({ x: 50, y: 40 });
});

test('it begins on a product colour that it shows on', () => {
  const shirt = blankById('shirt');
  const on = (hex: string) => {
    const palette = [{ hex, share: 1 }];
    return shirt.blank.colours.find(
      ({ id }) => id === beginColour(shirt, [motif({ ...logoFacts, palette })]),
    )!;
  };
  const [first] = shirt.blank.colours;
  expect(on('#b0402c').id).toBe(first!.id);
  expect(on(first!.hex).id).not.toBe(first!.id);
});

test('a drawing on white paper is a motif, a picture or a coloured ground is none', () => {
  const opaque = { ...logoFacts, alpha: { ...logoFacts.alpha, present: false } };
  expect(roleOf({ ...opaque, background: { hex: '#ffffff' } })).toBe('motif');
  expect(roleOf({ ...opaque, background: { hex: '#224466' } })).toBe('ground');
  expect(roleOf({ ...opaque, background: { hex: '#ffffff' }, inks: null })).toBe('ground');
  expect(roleOf({ ...opaque, background: null })).toBe('ground');
});
