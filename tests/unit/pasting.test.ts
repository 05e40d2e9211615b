import fc from 'fast-check';
import { copiedFrom, pastedOn, readCopied, type Copied } from '@/core/fit/copied';
import { extentOf, opaqueBox } from '@/core/fit/geometry';
import { newFill } from '@/core/fit/place';
import { isMotifKind, type ArtworkPiece, type Piece } from '@/core/fit/schema';
import { blankById, factsOf, pieceAt } from '../support/fits';
import { solid } from '../support/pictures';

const facts = factsOf(solid(200, 100));
const mug = blankById('mug-325').faces[0]!;
const shirt = blankById('shirt').faces[0]!;
const sticker = blankById('coaster').faces[0]!;

let next = 0;
const into = { factsOf: () => facts, has: () => true, newId: () => `new-${++next}` };
const held = (pieces: Piece[], from = mug): Copied =>
  copiedFrom(
    { pieces },
    pieces.map(({ id }) => id),
    from,
  )!;
const boxes = (pieces: readonly Piece[]) =>
  pieces.filter(isMotifKind).map((piece) => opaqueBox(piece, facts));

describe('what is copied', () => {
  test('goes through the clipboard as text and comes back the same', () => {
    const pieces = [pieceAt(40, 40, 30, 15, { id: 'a', groupId: 'g' }), newFill('f', '#123456')];
    const groups = [
      { id: 'g', name: 'Group 1', rotation: 0 },
      { id: 'gone', name: 'Group 2', rotation: 0 },
    ];
    const copied = copiedFrom({ pieces, groups }, ['a'], mug)!;
    expect(copied.pieces).toEqual([pieces[0]]);
    expect(copied.groups).toEqual([groups[0]]);
    expect(readCopied(JSON.stringify(copied))).toEqual(copied);
  });

  test('is nothing where nothing is chosen', () => {
    expect(copiedFrom({ pieces: [newFill('f', '#123456')] }, [], mug)).toBeNull();
  });

  test.each([
    'some words',
    '{"upfit":"pieces/1"}',
    '{"upfit":"pieces/1","face":{"width":-1,"height":2},"pieces":[],"groups":[]}',
    '{"upfit":"pieces/2","pieces/1":1}',
    `{"upfit":"pieces/1","face":{"width":1e9,"height":2},"pieces":[${JSON.stringify(newFill('f', '#123456'))}],"groups":[]}`,
    '{"upfit":"pieces/1"',
  ])('is not %s', (text) => {
    expect(readCopied(text)).toBeNull();
  });
});

describe('what is pasted', () => {
  test('on the same face goes a little aside of what lies there, once more each time', () => {
    const one = pieceAt(40, 40, 30, 15, { id: 'a' });
    const first = pastedOn(held([one]), mug, [one], into);
    expect(boxes(first.pieces)).toEqual([expect.objectContaining({ x: 45, y: 45, width: 30 })]);
    const second = pastedOn(held([one]), mug, [one, ...first.pieces], into);
    expect(boxes(second.pieces)[0]).toMatchObject({ x: 50, y: 50 });
    expect(new Set([one, ...first.pieces, ...second.pieces].map(({ id }) => id)).size).toBe(3);
  });

  test('on a bare face of that size stays where it was', () => {
    const one = pieceAt(40, 40, 30, 15, { id: 'a' });
    const pasted = pastedOn(held([one]), mug, [], into);
    expect(pasted).toMatchObject({ scale: 1, leftOut: 0 });
    expect(boxes(pasted.pieces)[0]).toMatchObject({ x: 40, y: 40, width: 30, height: 15 });
  });

  test('keeps groups together under a name of their own', () => {
    const pieces = [
      pieceAt(40, 40, 30, 15, { id: 'a', groupId: 'g' }),
      pieceAt(80, 40, 30, 15, { id: 'b', groupId: 'g' }),
    ];
    const groups = [{ id: 'g', name: 'Group 1', rotation: 0 }];
    const pasted = pastedOn(copiedFrom({ pieces, groups }, ['a', 'b'], mug)!, shirt, [], into);
    expect(pasted.groups).toHaveLength(1);
    expect(pasted.groups![0]!.id).not.toBe('g');
    for (const { groupId } of pasted.pieces) expect(groupId).toBe(pasted.groups![0]!.id);
  });

  test('leaves out what shows an artwork that is not in this shop, and says how many', () => {
    const pieces = [
      pieceAt(40, 40, 30, 15, { id: 'a', artworkId: 'here' }),
      pieceAt(80, 40, 30, 15, { id: 'b', artworkId: 'gone' }),
    ];
    const pasted = pastedOn(held(pieces), mug, [], { ...into, has: (id) => id === 'here' });
    expect(pasted.leftOut).toBe(1);
    expect((pasted.pieces as ArtworkPiece[]).map(({ artworkId }) => artworkId)).toEqual(['here']);
  });

  test('a ground covers the bleed of the face it comes to', () => {
    const ground = pieceAt(mug.width / 2, mug.height / 2, 300, 150, { id: 'g', role: 'ground' });
    const reach = extentOf(boxes(pastedOn(held([ground]), shirt, [], into).pieces)[0]!);
    expect(reach.left).toBeLessThanOrEqual(-shirt.bleed + 1e-9);
    expect(reach.bottom).toBeGreaterThanOrEqual(shirt.height + shirt.bleed - 1e-9);
  });

  test('motifs come inside any face, as one, never larger', () => {
    const share = fc.double({ min: 0.05, max: 0.95, noNaN: true });
    const side = fc.double({ min: 2, max: 300, noNaN: true });
    const angle = fc.double({ min: -3, max: 3, noNaN: true });
    const motif = fc.tuple(share, share, side, angle);
    fc.assert(
      fc.property(
        fc.array(motif, { minLength: 1, maxLength: 4 }),
        fc.constantFrom(mug, sticker),
        (motifs, to) => {
          const pieces = motifs.map(([x, y, width, rotation], i) =>
            pieceAt(x * shirt.width, y * shirt.height, width, width / 2, { id: String(i), rotation }),
          );
          const { pieces: pasted, scale } = pastedOn(held(pieces, shirt), to, [], into);
          const [before, after] = [boxes(pieces), boxes(pasted)];
          expect(scale).toBeLessThanOrEqual(1);
          for (const [i, box] of after.entries()) {
            const { left, top, right, bottom } = extentOf(box);
            expect(Math.min(left, top)).toBeGreaterThanOrEqual(to.safe - 1e-6);
            expect(right).toBeLessThanOrEqual(to.width - to.safe + 1e-6);
            expect(bottom).toBeLessThanOrEqual(to.height - to.safe + 1e-6);
            expect(box.width).toBeCloseTo(before[i]!.width * scale, 6);
            expect(box.rotation).toBeCloseTo(before[i]!.rotation, 9);
          }
          // As one: the distances between them scale as they do.
          const apart = (all: typeof after) =>
            Math.hypot(all[0]!.x - all.at(-1)!.x, all[0]!.y - all.at(-1)!.y);
          expect(apart(after)).toBeCloseTo(apart(before) * scale, 6);
        },
      ),
    );
  });
});
