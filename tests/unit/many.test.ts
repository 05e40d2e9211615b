import fc from 'fast-check';
import type { Finding } from '@/core/check/finding';
import { newFill } from '@/core/fit/place';
import { extentOf, opaqueBox } from '@/core/fit/geometry';
import type { ArtworkPiece, Design, Fit, FitFace, TextPiece } from '@/core/fit/schema';
import { firstLettering, newText } from '@/core/fit/text';
import { arrangedLike } from '@/core/many/arrangement';
import { inRole, swapOne } from '@/core/many/artwork';
import type { Changed } from '@/core/many/changed';
import { acceptLooks, against, mend } from '@/core/many/findings';
import { colourGround } from '@/core/many/ground';
import { atDistance } from '@/core/many/place';
import { inColour, soldIn, versionNamed } from '@/core/many/product';
import { linesFrom, textsOf, withPieces, wordsOf } from '@/core/many/words';
import { allPlaces, blockOf, keyOfPlace, placeOfKey, toggled } from '@/core/many/choice';
import { targetsIn } from '@/state/many/preview';
import { useShop } from '@/state/shop/shop';
import { blankById, factsOf, fitOf, pieceAt } from '../support/fits';
import { solid } from '../support/pictures';
import { runs } from '../support/long';

const mug = blankById('mug-325');
const motif = pieceAt(111, 46, 60, 30, { id: 'motif', artworkId: 'gull' });
const sea = pieceAt(111, 46, 240, 120, { id: 'sea', role: 'ground', artworkId: 'sea' });
const on = (...pieces: FitFace['pieces']): Fit => fitOf(mug, pieces);
const finding = (more: Partial<Finding>): Finding => ({
  rule: 'thin',
  verdict: 'fix',
  faceId: 'wrap',
  measured: 0.2,
  required: 0.5,
  unit: 'mm',
  shown: { measured: '0.2 mm', required: '0.5 mm' },
  gauge: null,
  word: 'Thin 0.2 mm',
  message: 'A stroke is 0.2 mm thin.',
  remedies: [],
  ...more,
});
const fitIn = (changed: Changed): Fit => {
  if ('why' in changed) throw new Error(changed.why);
  return changed.fit;
};
const why = (changed: Changed) => ('why' in changed ? changed.why : null);

describe('a choice of cells', () => {
  const lines = { designs: ['a', 'b', 'c', 'd'], blanks: ['mug', 'shirt', 'tote'] };
  const place = fc.record({
    designId: fc.constantFrom(...lines.designs),
    blankId: fc.constantFrom(...lines.blanks),
  });

  test('a block is every cell between two corners, whichever was first, and both are among it', () => {
    fc.assert(
      fc.property(place, place, (from, to) => {
        const block = blockOf(from, to, lines);
        const span = (all: readonly string[], x: string, y: string) =>
          Math.abs(all.indexOf(x) - all.indexOf(y)) + 1;
        expect([
          block.length,
          new Set(block).size,
          block.includes(keyOfPlace(from)) && block.includes(keyOfPlace(to)),
          [...blockOf(to, from, lines)].sort(),
        ]).toEqual([
          span(lines.designs, from.designId, to.designId) * span(lines.blanks, from.blankId, to.blankId),
          block.length,
          true,
          [...block].sort(),
        ]);
      }),
      runs(60),
    );
  });

  test('a corner that is not shown makes no block; a place is its key and back', () => {
    expect(blockOf({ designId: 'gone', blankId: 'mug' }, { designId: 'a', blankId: 'mug' }, lines)).toEqual(
      [],
    );
    expect(allPlaces(lines)).toHaveLength(12);
    for (const key of allPlaces(lines)) expect(keyOfPlace(placeOfKey(key))).toBe(key);
  });

  test('many pressed twice are left out again; where some are chosen, all are', () => {
    const some = toggled(new Set(['a/mug']), ['a/mug', 'b/mug']);
    expect([...some].sort()).toEqual(['a/mug', 'b/mug']);
    expect([...toggled(some, ['a/mug', 'b/mug'])]).toEqual([]);
    expect([...toggled(some, [])].sort()).toEqual(['a/mug', 'b/mug']);
  });
});

describe('one act on many fits', () => {
  test('a remedy is taken on each face that has one, the first of each; without any, the finding says why', () => {
    const remedy = (id: string, pieces: FitFace['pieces']) => ({ id, label: id, pieces });
    const fit = on(motif);
    const thicker = { ...motif, width: 90 };
    const findings = [
      finding({ remedies: [remedy('thicken', [thicker]), remedy('other', [])] }),
      finding({ remedies: [remedy('second', [])] }),
    ];
    expect(fitIn(mend(fit, findings, 'thin')).faces[0]!.pieces).toEqual([thicker]);
    expect(why(mend(fit, [finding({})], 'thin'))).toBe('A stroke is 0.2 mm thin.');
    expect(why(mend(fit, findings, 'bleed'))).toMatch(/Nothing stands against it by bleed/);
    const accepted = [
      finding({
        verdict: 'look',
        accepted: { reason: 'so', date: '2026-11-28' },
        remedies: findings[0]!.remedies,
      }),
    ];
    expect(against(accepted, 'thin')).toEqual([]);
    expect(why(mend(fit, accepted, 'thin'))).toMatch(/Nothing stands/);
  });

  test('Looks are accepted for one reason, a Fix never', () => {
    const told = { reason: 'the house agreed', date: '2026-11-28' };
    const fit = fitIn(
      acceptLooks(on(motif), [finding({ verdict: 'look' }), finding({ verdict: 'fix' })], 'thin', told),
    );
    expect(fit.accepted).toEqual([expect.objectContaining({ rule: 'thin', ...told })]);
    expect(why(acceptLooks(on(motif), [finding({})], 'thin', told))).toMatch(/No Look stands against it/);
  });

  test('a ground takes the colour; where there is none it comes under everything; a picture would cover it', () => {
    const colours = (changed: Changed) =>
      fitIn(changed).faces[0]!.pieces.map((piece) => (piece.kind === 'fill' ? piece.colour : piece.id));
    const act = (fit: Fit) => colourGround(fit, '#f4efe2', () => 'new');
    expect(colours(act(on(motif)))).toEqual(['#f4efe2', 'motif']);
    expect(colours(act(on(newFill('fill', '#ffffff'), motif)))).toEqual(['#f4efe2', 'motif']);
    expect(colours(act(on({ ...newFill('panel', '#112233'), zoneId: 'left' }, motif)))).toEqual([
      '#f4efe2',
      '#112233',
      'motif',
    ]);
    expect(why(act(on(sea, motif)))).toMatch(/ground is a picture/);
    expect(why(act(on()))).toMatch(/Nothing lies on it/);
    expect(colours(act(on({ ...sea, visible: false }, motif)))[0]).toBe('#f4efe2');
  });

  test('an artwork is swapped where it is shown, and keeps its place', () => {
    const facts = factsOf(solid(200, 100));
    const swapped = fitIn(swapOne(on(sea, motif), 'gull', 'whelk', () => facts)).faces[0]!.pieces;
    expect(swapped.map((piece) => 'artworkId' in piece && piece.artworkId)).toEqual(['sea', 'whelk']);
    expect(swapped[1]).toMatchObject({ x: motif.x, y: motif.y });
    expect(why(swapOne(on(sea), 'gull', 'whelk', () => facts))).toMatch(/does not show/);
  });

  test('a product colour by its name: one it has, and that its version is for', () => {
    const shirt = blankById('shirt');
    const fit = fitOf(shirt, [motif]);
    const night = shirt.blank.colours.find(({ name }) => name === 'Night')!.id;
    expect(fitIn(inColour(fit, shirt, 'Night')).colourId).toBe(night);
    expect(why(inColour(fit, shirt, 'Plaid'))).toMatch(/does not come in Plaid/);
    expect(why(inColour({ ...fit, colourId: night }, shirt, 'Night'))).toMatch(/already/);
    expect(why(inColour({ ...fit, version: { name: 'dark', colours: ['white'] } }, shirt, 'Night'))).toMatch(
      /not for Night/,
    );
  });
});

describe('pieces of many fits', () => {
  const facts = factsOf(solid(200, 100));
  const face = mug.faces[0]!;
  const words = (text: string, change: Partial<TextPiece> = {}): TextPiece => ({
    ...newText('text', { ...firstLettering('lora', '#112233', 8), lines: [{ text, gap: null }] }, INK, {
      x: 111,
      y: 20,
    }),
    ...change,
  });
  const INK = { width: 60, height: 12, d: 'M0 0H60V12Z', outlineD: null, plateD: null, lines: [] };

  test('a motif made a ground covers the bleed, a ground made a motif comes inside the safe area', () => {
    const ground = fitIn(inRole(on(motif), mug, { artworkId: 'gull', role: 'ground' }, () => facts));
    const [laid] = ground.faces[0]!.pieces as [ArtworkPiece];
    expect([
      laid.role,
      laid.width >= face.width + 2 * face.bleed,
      laid.height >= face.height + 2 * face.bleed,
    ]).toEqual(['ground', true, true]);
    const back = fitIn(inRole(ground, mug, { artworkId: 'gull', role: 'motif' }, () => facts));
    expect((back.faces[0]!.pieces[0] as ArtworkPiece).height).toBeLessThanOrEqual(
      face.height - 2 * face.safe + 1e-9,
    );
    expect(why(inRole(on(motif), mug, { artworkId: 'gull', role: 'motif' }, () => facts))).toMatch(
      /motif there already/,
    );
    expect(why(inRole(on(sea), mug, { artworkId: 'gull', role: 'ground' }, () => facts))).toMatch(
      /does not show/,
    );
  });

  test('all motifs of a face, as one, lie so far from a side: measured to what is seen, grounds and locked ones stay', () => {
    const side = fc.constantFrom('left', 'right', 'top', 'bottom' as const);
    const spot = fc.record({
      x: fc.double({ min: 20, max: 200, noNaN: true }),
      y: fc.double({ min: 10, max: 80, noNaN: true }),
      rotation: fc.double({ min: -3, max: 3, noNaN: true }),
    });
    fc.assert(
      fc.property(
        side,
        fc.constantFrom('safe', 'trim' as const),
        fc.double({ min: -5, max: 30, noNaN: true }),
        fc.array(spot, { minLength: 1, maxLength: 4 }),
        (edge, from, mm, spots) => {
          const motifs = spots.map((at, i) => ({ ...motif, ...at, id: `m${i}` }));
          const locked = { ...motif, id: 'locked', locked: true };
          const changed = atDistance(on(sea, locked, ...motifs), mug, { side: edge, from, mm }, () => facts);
          if ('why' in changed) return changed.why === 'They lie there already.';
          const pieces = changed.fit.faces[0]!.pieces as ArtworkPiece[];
          const boxes = pieces.slice(2).map((piece) => extentOf(opaqueBox(piece, facts)));
          const inset = mm + (from === 'safe' ? face.safe : 0);
          const far = {
            left: Math.min(...boxes.map(({ left }) => left)),
            top: Math.min(...boxes.map(({ top }) => top)),
            right: face.width - Math.max(...boxes.map(({ right }) => right)),
            bottom: face.height - Math.max(...boxes.map(({ bottom }) => bottom)),
          }[edge];
          expect(far).toBeCloseTo(inset, 6);
          expect(pieces.slice(0, 2)).toEqual([sea, locked]);
          return true;
        },
      ),
      runs(80),
    );
    const to = { side: 'top', from: 'safe', mm: 4 } as const;
    expect(why(atDistance(on(sea), mug, to, () => facts))).toMatch(/no motif/);
    expect(why(atDistance(fitIn(atDistance(on(motif), mug, to, () => facts)), mug, to, () => facts))).toMatch(
      /already/,
    );
  });

  test('an arrangement goes to another mug, scaled to it: own artworks by their role, own words in the places of words', () => {
    const tall = blankById('mug-450');
    const like = { fit: { ...on(sea, motif, words('Lamp')), id: 'like', designId: 'other' }, blank: mug };
    const own = {
      ...fitOf(tall, [pieceAt(10, 10, 5, 5, { artworkId: 'whelk' }), words('Gull', { x: 1, y: 1 })]),
      id: 'own',
    };
    let n = 0;
    const asked = { factsOf: () => facts, newId: () => `new-${n++}` };
    const [ground, shown, said] = fitIn(
      arrangedLike({ fit: own, blank: tall }, like, { artworks: [] }, asked),
    ).faces[0]!.pieces;
    const to = tall.faces[0]!;
    const scale = Math.min(to.width / face.width, to.height / face.height);
    expect(ground).toMatchObject({ artworkId: 'sea', role: 'ground' });
    expect(shown).toMatchObject({ artworkId: 'whelk', role: 'motif' });
    const box = opaqueBox(shown as ArtworkPiece, facts);
    expect(box.width).toBeCloseTo(motif.width * scale, 6);
    expect(box.x - to.width / 2).toBeCloseTo((motif.x - face.width / 2) * scale, 6);
    expect(said).toMatchObject({ kind: 'text', lettering: { lines: [{ text: 'Gull' }] } });
    expect((said as TextPiece).y).toBeCloseTo(to.height / 2 + (20 - face.height / 2) * scale, 6);
    const bare = fitIn(
      arrangedLike({ fit: { ...own, faces: [] }, blank: tall }, like, { artworks: [] }, asked),
    );
    expect(bare.faces[0]!.pieces.some(({ kind }) => kind === 'text')).toBe(false);
    const shirt = blankById('shirt');
    expect(
      why(arrangedLike({ fit: { ...own, blankId: 'shirt' }, blank: shirt }, like, { artworks: [] }, asked)),
    ).toMatch(/another kind of blank/);
    expect(why(arrangedLike(like, like, { artworks: [] }, asked))).toMatch(/whose arrangement/);
  });

  test('words are written in one line and taken apart again, a slash within a word stays', () => {
    const said = words('LIGHT');
    const lettering = { ...said.lettering, lines: linesFrom('KEEP / THE 1/2 LIGHT /  ', said.lettering) };
    expect(lettering.lines.map(({ text }) => text)).toEqual(['KEEP', 'THE 1/2 LIGHT']);
    expect(wordsOf({ lettering })).toBe('KEEP / THE 1/2 LIGHT');
    const fit = withPieces(on(motif, said), new Map([['text', { ...said, lettering }]]));
    expect(textsOf(fit).map(wordsOf)).toEqual(['KEEP / THE 1/2 LIGHT']);
    expect(fit.faces[0]!.pieces[0]).toBe(motif);
  });
});

test('sizes by their names: all of them are none named; what a blank has not is told', () => {
  const shirt = blankById('shirt');
  const fit = fitOf(shirt, [motif]);
  const names = shirt.blank.sizes.map(({ name }) => name);
  const some = fitIn(soldIn(fit, shirt, [names[0]!, 'gigantic']));
  expect(some.soldIn).toEqual([shirt.blank.sizes[0]!.id]);
  expect(fitIn(soldIn(some, shirt, names)).soldIn).toEqual([]);
  expect(why(soldIn(some, shirt, [names[0]!]))).toMatch(/already/);
  expect(why(soldIn(fit, shirt, ['gigantic']))).toMatch(/none of these sizes/);
  expect(why(soldIn(on(motif), mug, names))).toMatch(/one size/);
});

test('a version is named once on its blank, and keeps its colours', () => {
  const fit = { ...on(motif), id: 'a', version: { name: 'first', colours: ['white'] } };
  const other = { ...fit, id: 'b', version: { name: 'Dark', colours: [] } };
  expect(fitIn(versionNamed(fit, ' light ', [fit, other])).version).toEqual({
    name: 'light',
    colours: ['white'],
  });
  expect(why(versionNamed(fit, 'dark', [fit, other]))).toMatch(/Another version/);
  expect(why(versionNamed(fit, 'first', [fit]))).toMatch(/already/);
});

test('what is chosen is its fits, each version by itself, and the cells that have none; what is gone is none', () => {
  const fit = (id: string, designId: string, version?: string): Fit => ({
    ...on(motif),
    id,
    designId,
    ...(version !== undefined && { version: { name: version, colours: [] } }),
  });
  const design = (id: string): Design => ({ upfit: 'design/1', id, name: id, order: 0, artworks: [] });
  useShop.setState({
    designs: new Map(['a', 'b'].map((id) => [id, design(id)])),
    fits: new Map([fit('2', 'a', 'white'), fit('1', 'a', 'dark'), fit('3', 'b')].map((one) => [one.id, one])),
  });
  const keys = new Set(['a/mug-325', 'b/shirt', 'gone/mug-325', 'a/gone']);
  expect(targetsIn(keys).map(({ design: { id }, blankId, fit }) => [id, blankId, fit?.id ?? null])).toEqual([
    ['a', 'mug-325', '1'],
    ['a', 'mug-325', '2'],
    ['b', 'shirt', null],
  ]);
});
