import fc from 'fast-check';
import type { Finding } from '@/core/check/finding';
import { newFill } from '@/core/fit/place';
import type { Design, Fit, FitFace } from '@/core/fit/schema';
import { acceptLooks, against, colourGround, inColour, mend, swapOne, type Changed } from '@/core/many/acts';
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
