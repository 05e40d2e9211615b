import fc from 'fast-check';
import * as v from 'valibot';
import type { KeepOut } from '@/core/blank/face';
import { keepOutBox, movedKeepOut } from '@/core/blank/keep-out';
import { BodySchema, KIND_IDS, kindOf, KINDS, type Body } from '@/core/blank/kinds';
import { METHODS, resolveAmong, SHIPPED, SPECS } from '@/core/blank/library';
import { keepOutFrom, PARTS } from '@/core/blank/library/parts';
import { makeBlank } from '@/core/blank/make';
import { numbersOf } from '@/core/blank/numbers';
import { facesOf } from '@/core/blank/resolve';
import { sizesFault, USUAL_SIZES } from '@/core/blank/sizes';
import { bodyTroubles } from '@/core/blank/troubles';
import { runs } from '../support/long';

/** What can be done to a body in its form, as a person would, by one number: a pick, a count, a part added or taken off. */
function press(body: Body, number: number): Body {
  const { picks, counts, parts } = kindOf(body).form;
  const acts: ((so: Body) => Body)[] = [
    ...picks.flatMap((pick) =>
      pick.choices.map(
        ([value]) =>
          (so: Body) =>
            pick.set(so, value),
      ),
    ),
    ...counts(body).flatMap((count) => [1, 7, count.most].map((n) => (so: Body) => count.set(so, n))),
    ...(parts?.offered(body) ?? []).map((name) => (so: Body) => parts!.add(so, name)),
    ...(parts?.of(body) ?? []).map((_, i) => (so: Body) => parts!.remove(so, i) ?? so),
    ...(parts?.rename
      ? (parts.of(body) ?? []).map((_, i) => (so: Body) => parts.rename!(so, i, `Part ${i}`))
      : []),
  ];
  return acts.length === 0 ? body : acts[number % acts.length]!(body);
}

describe('a blank by its numbers', () => {
  test.each(KIND_IDS)('%s begins sound, printed by a method and a house there are', (kind) => {
    const { begin, methodId, what } = KINDS[kind].form;
    expect(begin.kind).toBe(kind);
    expect(v.is(BodySchema, begin)).toBe(true);
    expect(bodyTroubles(begin)).toEqual([]);
    expect(METHODS.some(({ id }) => id === methodId)).toBe(true);
    expect(SPECS.some(({ methods }) => methods.includes(methodId))).toBe(true);
    expect(what.length).toBeGreaterThan(10);
  });

  test.each(KIND_IDS)(
    '%s: whatever is pressed, it reads, has faces, and what was picked is what is picked',
    (kind) => {
      fc.assert(
        fc.property(fc.array(fc.nat(), { maxLength: 12 }), (presses) => {
          const body = presses.reduce(press, KINDS[kind].form.begin as Body);
          const { success } = v.safeParse(BodySchema, body);
          const told = makeBlank({
            id: 'own',
            name: 'Own',
            body,
            measured: { kind: 'assumed' },
            methodId: METHODS[0]!.id,
            specId: SPECS[0]!.id,
          });
          const faces = bodyTroubles(body).length === 0 ? resolveAmong(SHIPPED, told).faces : facesOf(body);
          const ids = faces.map(({ id }) => id);
          const kept = kindOf(body).form.picks.every((pick) =>
            pick.choices.every(([value]) => pick.get(pick.set(body, value)) === value),
          );
          expect([success, faces.length > 0, new Set(ids).size, numbersOf(body).length > 0, kept]).toEqual([
            true,
            true,
            ids.length,
            true,
            true,
          ]);
        }),
        runs(60),
      );
    },
  );

  test('the last side and the last print area cannot be taken off', () => {
    for (const kind of ['two-sided', 'garment'] as const) {
      const { form } = KINDS[kind];
      let body: Body | null = form.begin;
      const parts = kindOf(body).form.parts!;
      while (parts.of(body).length > 1) body = parts.remove(body, 0)!;
      expect(parts.remove(body, 0)).toBeNull();
    }
  });

  test('lengths of one part stand together', () => {
    expect(numbersOf(KINDS['two-sided'].form.begin).map(({ name }) => name)).toEqual([
      'front: width',
      'front: height',
      'front: corner radius',
      'back: width',
      'back: height',
      'back: corner radius',
    ]);
  });

  test('keep-outs of each face are that face’s alone', () => {
    for (const kind of KIND_IDS) {
      const { begin } = KINDS[kind].form;
      const { keepOuts, form } = kindOf<Body>(begin);
      if (!keepOuts) continue;
      const body = form.parts ? form.parts.add(begin, form.parts.offered(begin)[0]!) : begin;
      const [first, ...others] = facesOf(body);
      const hole = keepOutFrom('screw-hole', first!.width / 2, first!.height / 2);
      const after = keepOuts.set(body, first!.id, [hole]);
      expect(keepOuts.of(after, first!.id)).toEqual([hole]);
      expect(facesOf(after)[0]!.keepOuts).toEqual([hole]);
      for (const { id } of others) expect(keepOuts.of(after, id)).toEqual([]);
      expect(bodyTroubles(after)).toEqual([]);
    }
  });
});

describe('a keep-out that is moved', () => {
  const shapes: KeepOut[] = [
    ...PARTS.map(({ id }) => keepOutFrom(id, 30, 20)),
    {
      id: 'outline',
      name: 'Outline',
      effect: 'hole',
      shape: {
        kind: 'outline',
        points: [
          [0, 0],
          [10, 2],
          [4, 9],
        ],
      },
    },
  ];
  test.each(shapes.map((one) => [one.name, one] as const))(
    '%s: its middle goes there, its size stays',
    (_, one) => {
      fc.assert(
        fc.property(
          fc.double({ min: -200, max: 200, noNaN: true }),
          fc.double({ min: 0, max: 200, noNaN: true }),
          (x, y) => {
            const before = keepOutBox(one);
            const after = keepOutBox(movedKeepOut(one, { x, y }));
            expect([after.x, after.y, after.width, after.height]).toEqual(
              [x, y, before.width, before.height].map((n) => expect.closeTo(n, 9) as number),
            );
          },
        ),
        runs(30),
      );
    },
  );
});

describe('sizes', () => {
  test('as most are graded; two of a name, none, and a factor that is none are told', () => {
    expect(sizesFault(USUAL_SIZES)).toBeNull();
    expect(sizesFault([])).toBeNull();
    const one = { id: 'a', name: 'S', garment: 1, print: 1 };
    expect(sizesFault([one, { ...one, id: 'b', name: 's ' }])).toMatch(/Two sizes are called “s”/);
    expect(sizesFault([{ ...one, name: ' ' }])).toMatch(/has a name/);
    for (const [print, sound] of [
      [0.2, true],
      [0.19, false],
      [5, true],
      [5.01, false],
    ] as const)
      expect(sizesFault([{ ...one, print }]) === null).toBe(sound);
  });
});
