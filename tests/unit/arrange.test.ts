import fc from 'fast-check';
import { alignShifts, EDGES, gapBetween, otherSide, shiftForGap, spreadShifts } from '@/core/fit/arrange';
import { carryFace } from '@/core/fit/copy-face';
import { extentOf, opaqueBox } from '@/core/fit/geometry';
import { movePiece } from '@/core/fit/move';
import { newFill } from '@/core/fit/place';
import type { Piece } from '@/core/fit/schema';
import {
  groupChosen,
  mirrorChosen,
  moveChosen,
  selectionOf,
  ungroupChosen,
  withGroup,
  type FacePieces,
} from '@/core/fit/selection';
import { artworksOf, swapArtworks, swapsByRole } from '@/core/fit/swap';
import { blankById, faceOf, factsOf, pieceAt } from '../support/fits';
import { solid } from '../support/pictures';

const facts = factsOf(solid(200, 100));
const known = () => facts;
const length = fc.double({ min: -200, max: 200, noNaN: true });
const extent = fc
  .tuple(
    length,
    length,
    fc.double({ min: 1, max: 80, noNaN: true }),
    fc.double({ min: 1, max: 80, noNaN: true }),
  )
  .map(([left, top, width, height]) => ({ left, top, right: left + width, bottom: top + height }));

describe('aligning and spreading', () => {
  test('afterwards the edges agree, within what they took up together', () => {
    fc.assert(
      fc.property(
        fc.array(extent, { minLength: 2, maxLength: 6 }),
        fc.constantFrom(...EDGES),
        (extents, edge) => {
          const moved = alignShifts(extents, edge).map(({ dx, dy }, i) => ({
            left: extents[i]!.left + dx,
            right: extents[i]!.right + dx,
            top: extents[i]!.top + dy,
            bottom: extents[i]!.bottom + dy,
          }));
          const at = moved.map(({ left, right, top, bottom }) =>
            edge === 'left'
              ? left
              : edge === 'right'
                ? right
                : edge === 'centre'
                  ? (left + right) / 2
                  : edge === 'top'
                    ? top
                    : edge === 'foot'
                      ? bottom
                      : (top + bottom) / 2,
          );
          for (const value of at) expect(value).toBeCloseTo(at[0]!, 9);
        },
      ),
    );
  });

  test('spread round a wrap, the last is as far from the first as any from the next', () => {
    fc.assert(
      fc.property(fc.array(length, { minLength: 2, maxLength: 9 }), (middles) => {
        const around = 211.18;
        const spread = middles
          .map((x, i) => x + spreadShifts(middles, around, 105)[i]!)
          .sort((a, b) => a - b);
        for (let i = 1; i < spread.length; i++)
          expect(spread[i]! - spread[i - 1]!).toBeCloseTo(around / middles.length, 9);
        expect(spread[0]! + around - spread.at(-1)!).toBeCloseTo(around / middles.length, 9);
        expect((spread[0]! + spread.at(-1)!) / 2).toBeCloseTo(105, 9);
      }),
    );
  });

  test('a gap typed is the gap there is, the second moved on its own side', () => {
    fc.assert(
      fc.property(extent, extent, fc.double({ min: 0.001, max: 60, noNaN: true }), (a, b, gap) => {
        const { x, y } = shiftForGap(a, b, { across: gap });
        expect(y).toBe(0);
        const moved = { ...b, left: b.left + x, right: b.right + x };
        expect(gapBetween(a, moved).across).toBeCloseTo(gap, 6);
      }),
    );
    const [a, b] = [
      { left: 0, right: 10, top: 0, bottom: 10 },
      { left: 14, right: 20, top: 30, bottom: 40 },
    ];
    expect(gapBetween(a, b)).toEqual({ across: 4, down: 20 });
    expect(shiftForGap(a, b, { across: 7.5 })).toEqual({ x: 3.5, y: 0 });
    expect(shiftForGap(b, a, { across: 7.5 })).toEqual({ x: -3.5, y: 0 });
  });
});

describe('the other side', () => {
  test('left is across from right; the front has none', () => {
    const face = faceOf(blankById('mug-325'));
    const [left, front, right] = face.zones;
    expect(otherSide(face, left!)).toMatchObject({ from: { id: 'left' }, to: { id: 'right', x: right!.x } });
    expect(otherSide(face, { x: right!.x + 3, y: 20 })).toMatchObject({
      from: { id: 'right' },
      to: { id: 'left' },
    });
    expect(otherSide(face, front!)).toBeNull();
  });
});

describe('several as one', () => {
  const a = pieceAt(30, 20, 20, 10, { id: 'a' });
  const b = pieceAt(70, 40, 40, 20, { id: 'b', rotation: Math.PI / 2 });
  const c = newFill('c', '#ffffff');
  const face: FacePieces = { pieces: [c, a, b] };
  const boxOf = (so: FacePieces, id: string) =>
    opaqueBox(so.pieces.find((one) => one.id === id) as typeof a, facts);

  test('their box is upright round all of them, fills left out', () => {
    const selection = selectionOf(face, ['c', 'a', 'b'], known)!;
    expect(selection.pieces.map(({ id }) => id)).toEqual(['a', 'b']);
    expect(selection.extent).toEqual({
      left: 20,
      top: 15,
      right: expect.closeTo(80, 9),
      bottom: expect.closeTo(60, 9),
    });
    expect(selectionOf(face, ['c'], known)).toBeNull();
  });

  test('scaled, every size and distance scales by the same', () => {
    const scaled = moveChosen(face, ['a', 'b'], { scale: 1.5 }, known);
    const [before, after] = [selectionOf(face, ['a', 'b'], known)!, selectionOf(scaled, ['a', 'b'], known)!];
    expect(after.box.width / before.box.width).toBeCloseTo(1.5, 9);
    expect(after.box.x).toBeCloseTo(before.box.x, 9);
    expect(boxOf(scaled, 'a').width).toBeCloseTo(30, 9);
    const apart = (so: FacePieces) =>
      Math.hypot(boxOf(so, 'a').x - boxOf(so, 'b').x, boxOf(so, 'a').y - boxOf(so, 'b').y);
    expect(apart(scaled) / apart(face)).toBeCloseTo(1.5, 9);
  });

  test('a group keeps its own axes: turned, it measures along them as before, and overall more', () => {
    const grouped = groupChosen(face, ['a', 'b'], { id: 'g', name: 'Pair', rotation: 0 });
    expect(withGroup(grouped, 'a')).toEqual(['a', 'b']);
    const turned = moveChosen(grouped, ['a', 'b'], { turn: 0.6 }, known);
    const [before, after] = [
      selectionOf(grouped, ['a', 'b'], known)!,
      selectionOf(turned, ['a', 'b'], known)!,
    ];
    expect(after.group?.rotation).toBeCloseTo(0.6, 9);
    expect(after.box.width).toBeCloseTo(before.box.width, 9);
    expect(after.box.height).toBeCloseTo(before.box.height, 9);
    expect(after.extent.bottom - after.extent.top).toBeGreaterThan(before.box.height + 1);
    const back = moveChosen(turned, ['a', 'b'], { turn: -0.6 }, known);
    expect(boxOf(back, 'b').x).toBeCloseTo(boxOf(face, 'b').x, 9);
    expect(ungroupChosen(turned, ['a', 'b']).groups).toEqual([]);
  });

  test('turned over twice it is as it was', () => {
    fc.assert(
      fc.property(fc.double({ min: -3, max: 3, noNaN: true }), (turn) => {
        const askew = moveChosen(face, ['a', 'b'], { turn }, known);
        const twice = mirrorChosen(mirrorChosen(askew, ['a', 'b'], known), ['a', 'b'], known);
        for (const id of ['a', 'b']) {
          expect(boxOf(twice, id).x).toBeCloseTo(boxOf(askew, id).x, 6);
          expect(boxOf(twice, id).rotation).toBeCloseTo(boxOf(askew, id).rotation, 9);
        }
      }),
    );
  });

  test('what is locked stays', () => {
    const held: FacePieces = { pieces: [{ ...a, locked: true }, b] };
    const moved = moveChosen(held, ['a', 'b'], { dx: 5 }, known);
    expect(boxOf(moved, 'a').x).toBe(30);
    expect(boxOf(moved, 'b').x).toBeCloseTo(75, 9);
    expect(selectionOf(held, ['a'], known)!.locked).toBe(true);
  });
});

describe('from one face, or one design, to another', () => {
  const pouch = blankById('pouch');
  const [front, back] = pouch.faces;
  let next = 0;
  const newId = () => `new-${++next}`;

  test('a face’s pieces go to another scaled to it, grounds cover its bleed', () => {
    const small = { ...back!, id: 'small', width: front!.width / 2, height: front!.height / 2 };
    const ground = pieceAt(front!.width / 2, front!.height / 2, 400, 200, { id: 'g', role: 'ground' });
    const motif = pieceAt(front!.width / 2 + 20, front!.height / 2 - 8, 40, 20, { id: 'm', groupId: 'pair' });
    const face = {
      faceId: front!.id,
      pieces: [ground, motif],
      groups: [{ id: 'pair', name: 'Pair', rotation: 0 }],
    };
    const carried = carryFace(face, front!, small, known, newId);
    const [over, moved] = carried.pieces as (typeof motif)[];
    expect(moved).toMatchObject({ width: 20, height: 10 });
    expect(moved!.x - small.width / 2).toBeCloseTo(10, 9);
    expect(moved!.y - small.height / 2).toBeCloseTo(-4, 9);
    expect(moved!.groupId).toBe(carried.groups![0]!.id);
    expect(moved!.id).not.toBe('m');
    const reach = extentOf(opaqueBox(over!, facts));
    expect(reach.left).toBeLessThanOrEqual(-small.bleed + 1e-9);
    expect(reach.bottom).toBeGreaterThanOrEqual(small.height + small.bleed - 1e-9);
  });

  test('other artwork takes the places by role, and nothing is stretched', () => {
    const tall = factsOf(solid(100, 200), { sha256: 'tall', name: 'tall.png' });
    const wide = factsOf(solid(300, 100), { sha256: 'wide', name: 'wide.png' });
    const of = (id: string) => (id === 'tall' ? tall : id === 'wide' ? wide : facts);
    const pieces: Piece[] = [
      pieceAt(50, 50, 120, 60, { id: 'g', role: 'ground', artworkId: 'test' }),
      pieceAt(30, 40, 20, 10, { id: 'm', artworkId: 'other' }),
      newFill('f', '#ffffff'),
    ];
    expect(artworksOf(pieces)).toEqual([
      { artworkId: 'test', role: 'ground' },
      { artworkId: 'other', role: 'motif' },
    ]);
    const swaps = swapsByRole(artworksOf(pieces), [
      { artworkId: 'tall', role: 'motif' },
      { artworkId: 'wide', role: 'ground' },
    ]);
    const [face] = swapArtworks([{ faceId: 'wrap', pieces }], swaps, of);
    const [ground, motif, fill] = face!.pieces as [
      (typeof pieces)[0] & { width: number; height: number; x: number; y: number },
      (typeof pieces)[0] & { width: number; height: number; x: number; y: number },
      Piece,
    ];
    expect(ground).toMatchObject({ artworkId: 'wide', name: 'wide', x: 50, y: 50 });
    expect([ground.width, ground.height]).toEqual([expect.closeTo(180, 9), expect.closeTo(60, 9)]);
    expect(motif).toMatchObject({ artworkId: 'tall', x: 30, y: 40 });
    expect([motif.width, motif.height]).toEqual([expect.closeTo(5, 9), expect.closeTo(10, 9)]);
    expect(fill).toBe(pieces[2]);
  });

  test('a role that the other design has nothing for keeps what it has; fewer come round again', () => {
    const from = [
      { artworkId: 'a', role: 'motif' as const },
      { artworkId: 'b', role: 'motif' as const },
      { artworkId: 'g', role: 'ground' as const },
    ];
    const swaps = swapsByRole(from, [{ artworkId: 'new', role: 'motif' }]);
    expect([...swaps]).toEqual([
      ['a', 'new'],
      ['b', 'new'],
    ]);
  });
});

test('moving there and back is nothing, about any point', () => {
  const piece = pieceAt(30, 20, 20, 10, { rotation: 0.4 });
  fc.assert(
    fc.property(
      length,
      length,
      fc.double({ min: 0.2, max: 5, noNaN: true }),
      fc.double({ min: -3, max: 3, noNaN: true }),
      (x, y, scale, turn) => {
        const about = { x, y };
        const there = movePiece(piece, facts, { about, scale, turn });
        const back = movePiece(there, facts, { about, scale: 1 / scale, turn: -turn });
        expect(back.x).toBeCloseTo(piece.x, 6);
        expect(back.y).toBeCloseTo(piece.y, 6);
        expect(back.width).toBeCloseTo(piece.width, 6);
      },
    ),
  );
});
