import fc from 'fast-check';
import { makeDocket } from '@/core/check/docket';
import { corners } from '@/core/fit/geometry';
import { signedDistance } from '@/core/blank/shape';
import type { ArtworkPiece } from '@/core/fit/schema';
import type { Finding, RuleId } from '@/core/check/finding';
import { blankById, faceOf, factsOf, fitOf, findingOf, pieceAt } from '../support/fits';
import { solid } from '../support/pictures';
import { runs } from '../support/long';

/** Opaque pictures have edges that are known exactly: what is measured from pixels must agree to a pixel. */
const mug = blankById('mug-325');
const face = faceOf(mug);
const picture = solid(64, 32);
const facts = factsOf(picture);
const GRID = 700;
const PIXEL = (face.width + 2 * face.bleed) / GRID;

function measured(piece: ArtworkPiece, rule: RuleId, coarse = GRID): Finding {
  const docket = makeDocket(mug, fitOf(mug, [piece]), {
    facts: () => facts,
    pixels: () => picture,
    coarse,
  });
  return findingOf(docket, rule);
}

const offset = fc.double({ min: -9, max: 9, noNaN: true });
const edge = {
  left: -face.bleed,
  top: -face.bleed,
  right: face.width + face.bleed,
  bottom: face.height + face.bleed,
};

test('the deepest gap of a ground is how far its nearest edge is from the bleed edge', () => {
  fc.assert(
    fc.property(offset, offset, offset, offset, (left, top, right, bottom) => {
      const box = {
        left: edge.left + left,
        top: edge.top + top,
        right: edge.right - right,
        bottom: edge.bottom - bottom,
      };
      const piece = pieceAt(
        (box.left + box.right) / 2,
        (box.top + box.bottom) / 2,
        box.right - box.left,
        box.bottom - box.top,
        { role: 'ground' },
      );
      const gap = Math.max(0, left, top, right, bottom);
      const finding = measured(piece, 'bleed');
      expect(Math.abs(Number(finding.measured) - gap)).toBeLessThanOrEqual(PIXEL * 1.01);
      if (gap > 2 * PIXEL) {
        const sides = { left, top, right, bottom };
        expect(sides[finding.side!]).toBeGreaterThan(gap - 2 * PIXEL);
      }
    }),
    runs(60),
  );
});

test('the share of the ring that is covered is what the geometry says', () => {
  for (const gap of [0.5, 1, 1.5]) {
    const width = face.width + 2 * face.bleed - 2 * gap;
    const height = face.height + 2 * face.bleed - 2 * gap;
    const ring = (face.width + 4) * (face.height + 4) - face.width * face.height;
    const covered = width * height - face.width * face.height;
    const finding = measured(
      pieceAt(face.width / 2, face.height / 2, width, height, { role: 'ground' }),
      'bleed',
      2671,
    );
    const share = Number(/([\d.]+) % covered/.exec(finding.shown.required)![1]) / 100;
    expect(Math.abs(share - covered / ring)).toBeLessThan(0.05);
  }
});

test('how far a motif is past the safe edge is how far its furthest corner lies outside, on its side', () => {
  fc.assert(
    fc.property(
      fc.double({ min: -20, max: face.width + 20, noNaN: true }),
      fc.double({ min: -20, max: face.height + 20, noNaN: true }),
      fc.double({ min: 12, max: 90, noNaN: true }),
      fc.double({ min: -3, max: 3, noNaN: true }),
      (x, y, width, rotation) => {
        const piece = pieceAt(x, y, width, width / 2, { rotation });
        const past = Math.max(...corners(piece).map((at) => signedDistance(face, -face.safe, at.x, at.y)));
        const finding = measured(piece, 'safe');
        if (past <= 0) {
          expect(finding).toMatchObject({ verdict: 'ready', measured: 0 });
          return;
        }
        // A corner is a point: the pixels that it covers by more than 3 % may end two pixels before it.
        expect(Number(finding.measured)).toBeLessThanOrEqual(past + 1.5 * PIXEL);
        expect(Number(finding.measured)).toBeGreaterThanOrEqual(past - 4 * PIXEL);
      },
    ),
    runs(60),
  );
});

test('within the trim is Look, past it Fix, whichever side', () => {
  const at = {
    left: [25, 46],
    right: [face.width - 25, 46],
    top: [110, 15],
    bottom: [110, face.height - 15],
  } as const;
  const outward = { left: [-1, 0], right: [1, 0], top: [0, -1], bottom: [0, 1] } as const;
  for (const side of ['left', 'right', 'top', 'bottom'] as const) {
    const [x, y] = at[side];
    const [dx, dy] = outward[side];
    const [width, height] = side === 'left' || side === 'right' ? [50, 25] : [60, 30];
    const placed = (past: number) => measured(pieceAt(x + dx * past, y + dy * past, width!, height!), 'safe');
    expect(placed(-5).verdict).toBe('ready');
    expect(placed(-1.5)).toMatchObject({ verdict: 'look', side });
    expect(placed(3)).toMatchObject({ verdict: 'fix', side });
  }
});

test('its place on the flat spans from the overhang to the safe edge', () => {
  const finding = measured(pieceAt(20, 46, 50, 25), 'safe');
  expect(finding.place!.left).toBeCloseTo(-5, 0);
  expect(finding.place!.right).toBeCloseTo(face.safe, 0);
  expect(finding.place!.top).toBeCloseTo(46 - 12.5, 0);
  expect(finding.place!.bottom).toBeCloseTo(46 + 12.5, 0);
});
