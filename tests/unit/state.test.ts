import * as v from 'valibot';
import { UpFitError } from '@/core/errors';
import { LIMITS, requireMakeablePixels } from '@/core/artwork/limits';
import { BLANKS, SPECS } from '@/core/blank/library';
import { resolveBlank } from '@/core/blank/resolve';
import { newFill } from '@/core/fit/place';
import { FitSchema, type Fit, type Piece } from '@/core/fit/schema';
import { DEMO_COLUMNS, DEMO_FILES, demoDesigns, demoFits, type DemoKey } from '@/demo/shop';
import { withFace } from '@/state/bench/open-fit';
import { currentSummary, docketKey } from '@/state/bench/dockets';
import { isOpen } from '@/state/artwork/imports';
import { sentence } from '@/state/sentence';
import { artworkIdsOf } from '@/core/fit/schema';
import { contextOf, show, useShop } from '@/state/shop/shop';
import { FIRST_SETTINGS } from '@/store/schema';
import { blankById, factsOf, fitOf, pieceAt } from '../support/fits';
import { solid } from '../support/pictures';

const mug = blankById('mug-325');
const fit = fitOf(mug, [pieceAt(60, 40, 30, 30)]);

describe('what a docket was measured from', () => {
  const key = (change: Partial<Fit> = {}, blank = mug) =>
    docketKey({ ...fit, ...change }, blank, useShop.getState());

  test('is the same for the same fit, in whatever order its record keeps its fields', () => {
    const turned = JSON.parse(JSON.stringify(fit)) as Fit;
    const [face] = turned.faces;
    const piece = Object.fromEntries(Object.entries(face!.pieces[0]!).reverse()) as Piece;
    expect(key({ faces: [{ pieces: [piece], faceId: face!.faceId }] })).toBe(key());
  });

  test('changes with the pieces, the colour, the size, the version and the unit', () => {
    const keys = [
      key(),
      key({ faces: [{ faceId: 'wrap', pieces: [pieceAt(60, 41, 30, 30)] }] }),
      key({ colourId: 'pearl' }),
      key({ sizeId: 's' }),
      key({}, { ...mug, blank: { ...mug.blank, version: 2 } }),
      docketKey(fit, mug, {
        ...useShop.getState(),
        settings: { ...FIRST_SETTINGS, unit: { unit: 'in', inches: 'decimal' } },
      }),
    ];
    expect(new Set(keys).size).toBe(keys.length);
  });

  test('changes with the house and with a newer spec of the same house, not with a name', () => {
    const other = SPECS.find(({ id }) => id === 'corrie-sublimation')!;
    const moved = resolveBlank(mug.blank, mug.method, other);
    const newer = resolveBlank(mug.blank, mug.method, { ...mug.spec, version: 2 });
    expect(new Set([key(), key({}, moved), key({}, newer)]).size).toBe(3);
    expect(key({}, { ...mug, blank: { ...mug.blank, name: 'Another name' } })).toBe(key());
  });
});

describe('the shop as the screens share it', () => {
  const design = { upfit: 'design/1' as const, id: 'design', name: 'A design', order: 0, artworks: [] };
  const bare = { ...fit, faces: [{ faceId: 'wrap', pieces: [newFill('fill', '#123456')] }] };

  test('holds every shipped blank before it is opened', () => {
    expect([...useShop.getState().blanks.keys()].sort()).toEqual(BLANKS.map(({ id }) => id).sort());
    expect(useShop.getState().phase).toBe('opening');
  });

  test('gives a fit its blank, design and artworks, or nothing where one is gone', () => {
    const shop = useShop.getState();
    expect(contextOf(bare, shop)).toBeNull();
    const open = { ...shop, designs: new Map([[design.id, design]]) };
    expect(contextOf(bare, open)).toMatchObject({ design, artworks: [] });
    expect(contextOf(bare, open)!.blank.blank.id).toBe('mug-325');
    expect(contextOf(fit, open)).toBeNull();
    expect(contextOf({ ...bare, blankVersion: 9 }, open)).toBeNull();
    expect(contextOf({ ...bare, blankId: 'no-such' }, open)).toBeNull();
  });

  test('a docket holds only as long as its key does', () => {
    const shop = useShop.getState();
    const stored = {
      fitId: fit.id,
      measuredAt: 0,
      verdict: 'ready' as const,
      findings: [],
      looks: [],
      sizes: [],
    };
    const blank = shop.blanks.get('mug-325')!;
    const held = { ...stored, key: docketKey(fit, blank, shop) };
    expect(currentSummary(fit, { ...shop, summaries: new Map([[fit.id, held]]) })).toBe(held);
    expect(
      currentSummary(fit, { ...shop, summaries: new Map([[fit.id, { ...held, key: 'old' }]]) }),
    ).toBeUndefined();
    expect(
      currentSummary({ ...fit, blankVersion: 9 }, { ...shop, summaries: new Map([[fit.id, held]]) }),
    ).toBeUndefined();
  });

  test('artworks of a fit are named once; maps are copied and never changed', () => {
    const twice = [
      pieceAt(0, 0, 1, 1, { id: 'a' }),
      pieceAt(1, 1, 1, 1, { id: 'b' }),
      newFill('c', '#ffffff'),
    ];
    expect(artworkIdsOf({ ...fit, faces: [{ faceId: 'wrap', pieces: twice }] })).toEqual(['test']);
    const before = useShop.getState().fits;
    show([{ table: 'fits', key: fit.id, after: fit }]);
    expect([before.has(fit.id), useShop.getState().fits.get(fit.id)]).toEqual([false, fit]);
    show([{ table: 'fits', key: fit.id }]);
    expect(useShop.getState().fits.has(fit.id)).toBe(false);
  });

  test('pieces are set on the face they belong to; a face that carried nothing is added', () => {
    const set = (faceId: string, pieces: Piece[]) => withFace(fit, faceId, () => ({ pieces })).faces;
    const pieces = [newFill('fill', '#abcdef')];
    expect(set('wrap', pieces)).toEqual([{ faceId: 'wrap', pieces }]);
    const added = set('back', pieces);
    expect(added.map(({ faceId }) => faceId)).toEqual(['wrap', 'back']);
    expect(added[0]).toBe(fit.faces[0]);
    expect(set('wrap', [])[0]!.pieces).toEqual([]);
  });
});

describe('what went wrong, in one sentence', () => {
  test('our own words as they are, a full disk in ours, anything else as it says', () => {
    expect(sentence(new UpFitError('unreadable', 'It is torn.'))).toBe('It is torn.');
    expect(sentence(new DOMException('quota', 'QuotaExceededError'))).toMatch(/no room left/);
    expect(sentence(new Error('It broke.'))).toBe('It broke.');
    expect(sentence('?')).toMatch(/try again/);
  });

  test('a file is open while it waits or is measured', () => {
    expect((['waiting', 'measuring', 'done', 'known', 'failed', 'stopped'] as const).filter(isOpen)).toEqual([
      'waiting',
      'measuring',
    ]);
  });

  test('a picture too large to be made is refused before any memory is taken', () => {
    expect(() => {
      requireMakeablePixels({ width: LIMITS.side, height: LIMITS.side });
    }).not.toThrow();
    expect(() => {
      requireMakeablePixels({ width: LIMITS.side + 1, height: 10 });
    }).toThrow(/16,385 × 10 pixels[\s\S]*fewer PPI/);
  });
});

describe('the demo on its blanks', () => {
  const picture = solid(300, 200);
  const facts = (key: DemoKey) => factsOf(picture, { name: `${key}.${DEMO_FILES[key]}`, sha256: key });

  test('every fit is on a column of the shop, in a colour that blank has, for a design that is there', () => {
    const designs = new Set(demoDesigns(facts).map(({ id }) => id));
    for (const made of demoFits(facts)) {
      expect(v.safeParse(FitSchema, made).success).toBe(true);
      expect(DEMO_COLUMNS).toContain(made.blankId);
      expect(designs).toContain(made.designId);
      const { colours } = blankById(made.blankId).blank;
      expect(colours.map(({ id }) => id)).toContain(made.colourId);
    }
  });

  test('every column has a fit, a tapered one among them', () => {
    const used = new Set(demoFits(facts).map(({ blankId }) => blankId));
    expect([...used].sort()).toEqual([...DEMO_COLUMNS].sort());
    expect(DEMO_COLUMNS.some((id) => blankById(id).blank.body.kind === 'taper')).toBe(true);
  });
});
