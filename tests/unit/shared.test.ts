import fc from 'fast-check';
import { nearer } from '@/places/range/grid/useSpans';
import { sharer } from '@/store/shared';

/** Whatever a record may hold: also fields of any name, and numbers that look alike. */
const part = fc.letrec<{ any: unknown }>((tie) => ({
  any: fc.oneof(
    { maxDepth: 4 },
    fc.constantFrom(0, -0, 1, '1', '#1', 'null', null, true, 'true', undefined, '', '-0'),
    fc.double(),
    fc.string({ unit: 'grapheme' }),
    fc.array(tie('any'), { maxLength: 4 }),
    fc.dictionary(fc.constantFrom('a', 'b', 'a:1,b', '{', 'a:#0,', '__proto__', 'x'), tie('any'), {
      maxKeys: 4,
    }),
  ),
})).any;

test('what is shared says what it said', () => {
  fc.assert(
    fc.property(fc.array(part, { maxLength: 12 }), (records) => {
      const share = sharer();
      expect(structuredClone(records).map((record) => share(record))).toEqual(structuredClone(records));
    }),
  );
});

test('what says the same is the same, and what differs stays apart', () => {
  const share = sharer();
  const of = (x: number, name: string) => share({ at: { x, y: 2 }, looks: [], name, notes: ['a', { b: 1 }] });
  const [one, like, other] = [of(1, 'Beam'), of(1, 'Beam'), of(3, 'Beam')];
  expect(like).toBe(one);
  expect(other).not.toBe(one);
  expect(other.notes).toBe(one.notes);
  expect(other.at).not.toBe(one.at);
  expect(share([0])).not.toBe(share([-0]));
  expect(share(['1'])).not.toBe(share([1]));
  expect(share({ 'a:1,b': 2 })).not.toEqual(share({ a: 1, b: 2 }));
});

test('files and dates are nobody’s but their own', () => {
  const share = sharer();
  const [file, other] = [new Blob(['a']), new Blob(['a'])];
  expect(share({ file }).file).toBe(file);
  expect(share({ file: other }).file).toBe(other);
});

test('rows come into sight one at a time, and go so', () => {
  const all = fc.nat(60).chain((from) => fc.nat(20).map((long) => ({ from, to: from + long })));
  fc.assert(
    fc.property(all, all, (before, after) => {
      let shown = nearer([], before);
      let steps = 0;
      for (let next = nearer(shown, after); next !== shown; next = nearer(shown, after)) {
        const came = next.filter((row) => !shown.includes(row));
        const gone = shown.filter((row) => !next.includes(row));
        expect(came.length + gone.length).toBeGreaterThan(0);
        expect(Math.max(came.length, gone.length)).toBe(1);
        expect(next).toEqual([...next].sort((a, b) => a - b));
        shown = next;
        steps++;
      }
      expect(shown[0]).toBe(after.from);
      expect(shown).toHaveLength(after.to - after.from + 1);
      expect(steps).toBeLessThanOrEqual(21);
    }),
  );
  expect(nearer([3, 4], { from: 0, to: -1 })).toEqual([4]);
  expect(nearer([], { from: 0, to: -1 })).toEqual([]);
});
