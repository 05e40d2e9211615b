import 'fake-indexeddb/auto';
import fc from 'fast-check';
import { dayTrouble, nearness, NO_IDEA } from '@/core/fit/idea';
import type { Fit } from '@/core/fit/schema';
import { byVersion, coloursFor, fileTitle, fitTitle, namedColours } from '@/core/fit/version';
import { makeDocket } from '@/core/check/docket';
import { newFill } from '@/core/fit/place';
import { keepFile } from '@/state/artwork/artworks';
import {
  addVersion,
  changeDesign,
  duplicateDesign,
  joinDesigns,
  moveArtworks,
  moveDesign,
  noteIdea,
  renameDesign,
  setArtworkRole,
  setVersion,
  takeOffDesign,
  versionsOf,
} from '@/state/shop/designs';
import { startDesign } from '@/state/shop/fitting';
import { keep } from '@/state/shop/records';
import { openShop, useShop } from '@/state/shop/shop';
import { database } from '@/store/database';
import { blankById, faceOf, fitOf, pieceAt, shown } from '../support/fits';
import { solid } from '../support/pictures';
import { designNamed, dump, emptyStore, fitNamed, measured } from '../support/shop-store';

const shop = () => useShop.getState();
const design = (id: string) => shop().designs.get(id)!;
const rows = () => [...shop().designs.values()].sort((a, b) => a.order - b.order).map(({ id }) => id);

beforeEach(async () => {
  await emptyStore();
  await openShop();
  for (const id of ['lamp', 'gull', 'rope']) await keepFile(measured(id), new Blob([id]));
  await keep('designs', designNamed('light', ['lamp', 'gull'], 0));
  await keep('designs', designNamed('harbour', ['rope'], 1));
  await keep('designs', designNamed('tide', [], 2));
  await keep('fits', fitNamed('light-mug', { designId: 'light', artworkIds: ['lamp'] }));
  await keep('fits', fitNamed('harbour-mug', { designId: 'harbour', artworkIds: ['rope'] }));
});
afterAll(async () => {
  (await database()).close();
});

describe('a design', () => {
  test('begun on a blank has nothing on it, its column is on the range, and one undo takes both back', async () => {
    const before = await dump();
    const { result, undo } = await startDesign('  Lamp salve ', 'label-jar');
    expect(design(result.designId)).toMatchObject({ name: 'Lamp salve', order: 3, artworks: [] });
    expect(result.faces.flatMap(({ pieces }) => pieces)).toEqual([]);
    expect(shop().settings.columns).toContain('label-jar');
    await undo();
    expect({ ...(await dump()), settings: [] }).toEqual({ ...before, settings: [] });
    expect(shop().settings.columns).not.toContain('label-jar');
  });

  test.each([
    ['', /Type a name/],
    ['   ', /Type a name/],
    ['x'.repeat(121), /120 letters at most/],
  ])('named %j is refused in words, and nothing is kept', async (name, words) => {
    const before = await dump();
    await expect(startDesign(name, 'mug-325')).rejects.toThrow(words);
    await expect(renameDesign('light', name)).rejects.toThrow(words);
    expect(await dump()).toEqual(before);
  });

  test('renamed, keeps all else, and its old name comes back', async () => {
    const { undo } = await renameDesign('light', 'Gullwick salve');
    expect(design('light')).toEqual({ ...designNamed('light', ['lamp', 'gull'], 0), name: 'Gullwick salve' });
    await undo();
    expect(design('light').name).toBe('light');
  });

  test('gives artworks to another: the fits of both stay as they are', async () => {
    const fits = (await dump())['fits'];
    const { undo } = await moveArtworks(['lamp', 'gull'], 'light', 'harbour');
    expect(design('light').artworks).toEqual([]);
    expect(design('harbour').artworks.map(({ artworkId }) => artworkId)).toEqual(['rope', 'lamp', 'gull']);
    expect((await dump())['fits']).toEqual(fits);
    await undo();
    expect(design('light').artworks).toHaveLength(2);
    await expect(moveArtworks(['rope'], 'harbour', 'harbour')).rejects.toThrow(/in this design already/);
  });

  test('has artworks in roles, that are taken off', async () => {
    await setArtworkRole('light', 'gull', 'ground');
    expect(design('light').artworks[1]).toEqual({ artworkId: 'gull', role: 'ground' });
    await takeOffDesign('light', ['lamp']);
    expect(design('light').artworks.map(({ artworkId }) => artworkId)).toEqual(['gull']);
    expect(shop().fits.get('light-mug')!.faces[0]!.pieces).toHaveLength(2);
  });

  test('copied is right under the first, with fits of its own', async () => {
    const { result, undo } = await duplicateDesign('light');
    expect(result.name).toBe('light, copy');
    expect(rows()).toEqual(['light', result.id, 'harbour', 'tide']);
    const [copy] = versionsOf(shop().fits.values(), result.id, 'mug-325');
    expect(copy!.faces).toEqual(shop().fits.get('light-mug')!.faces);
    await undo();
    expect(rows()).toEqual(['light', 'harbour', 'tide']);
    await duplicateDesign('light');
    expect((await duplicateDesign('light')).result.name).toBe('light, copy 2');
  });

  test('joined to another gives it its artworks and fits; two on one blank are two versions', async () => {
    const before = await dump();
    const { undo } = await joinDesigns('light', 'harbour');
    expect(rows()).toEqual(['harbour', 'tide']);
    expect(design('harbour').artworks).toHaveLength(3);
    const [first, second] = versionsOf(shop().fits.values(), 'harbour', 'mug-325');
    expect([first!.id, first!.version]).toEqual(['harbour-mug', undefined]);
    expect([second!.id, second!.version]).toEqual(['light-mug', { name: 'light', colours: [] }]);
    await undo();
    expect(await dump()).toEqual(before);
    await expect(joinDesigns('tide', 'tide')).rejects.toThrow(/joined with itself/);
    await expect(joinDesigns('gone', 'tide')).rejects.toThrow(/no longer here/);
  });

  test('moved to any row, the others keep their order, and undo puts it back', async () => {
    await keep('designs', designNamed('knot', [], 3));
    await fc.assert(
      fc.asyncProperty(fc.nat(3), fc.nat(3), async (from, to) => {
        const before = rows();
        const { undo } = await moveDesign(before[from]!, before[to]!);
        const others = before.filter((_, i) => i !== from);
        expect(rows()).toEqual([...others.slice(0, to), before[from], ...others.slice(to)]);
        await undo();
        expect(rows()).toEqual(before);
      }),
      { numRuns: 20 },
    );
  });

  test('changed in another window meanwhile, only what was asked for is changed', async () => {
    await changeDesign('light', () => ({ order: 9 }));
    await noteIdea('light', { note: 'for the counter' });
    await noteIdea('light', { buyers: 'visitors' });
    expect(design('light')).toMatchObject({
      order: 9,
      idea: { ...NO_IDEA, note: 'for the counter', buyers: 'visitors' },
    });
  });
});

describe('a version', () => {
  test('is a copy beside the first, named anew each time', async () => {
    const { result } = await addVersion('light-mug');
    expect(result).toEqual({
      ...shop().fits.get('light-mug')!,
      id: result.id,
      version: { name: 'version 2', colours: [] },
    });
    expect((await addVersion(result.id)).result.version!.name).toBe('version 3');
    const all = versionsOf(shop().fits.values(), 'light', 'mug-325');
    expect(all.map(({ version }) => version?.name)).toEqual([undefined, 'version 2', 'version 3']);
  });

  test('for some colours is shown on one of them', async () => {
    await keep('fits', { ...fitNamed('shirt', { designId: 'light' }), blankId: 'shirt', colourId: 'white' });
    await setVersion('shirt', { name: 'white letters', colours: ['night', 'kelp'] });
    expect(shop().fits.get('shirt')).toMatchObject({
      colourId: 'night',
      version: { name: 'white letters', colours: ['night', 'kelp'] },
    });
    await expect(setVersion('shirt', { name: ' ' })).rejects.toThrow(/Type a name/);
  });

  const blank = blankById('shirt');
  const letters = (hex: readonly [number, number, number], colours: readonly string[]): Fit => ({
    ...fitOf(blank, [pieceAt(150, 100, 80, 40, { id: hex.join() })]),
    colourId: colours[0]!,
    version: { name: 'letters', colours: [...colours] },
  });
  const contrastOf = (fit: Fit, rgb: readonly [number, number, number]) => {
    const docket = makeDocket(blank, fit, { ...shown(solid(40, 20, [...rgb, 255])), coarse: 400 });
    return {
      verdict: docket.findings.find(({ rule }) => rule === 'contrast')?.verdict,
      looks: docket.looks.map(({ name }) => name),
    };
  };

  test('is checked on its own colours, all of them, and on no other', () => {
    const dark = [30, 36, 50] as const;
    const light = [250, 250, 248] as const;
    const pale = ['white', 'oat', 'fog'];
    expect(contrastOf(letters(dark, pale), dark)).toEqual({
      verdict: 'ready',
      looks: ['White', 'Oat', 'Fog'],
    });
    expect(contrastOf(letters(light, ['rust', 'kelp', 'night']), light).verdict).toBe('ready');
    // One colour among them that it melts into is enough, whichever it is shown on.
    expect(contrastOf(letters(light, ['rust', 'white']), light).verdict).toBe('fix');
    expect(contrastOf(letters(dark, ['white', 'night']), dark).verdict).toBe('fix');
  });

  test('is said in titles and files; colours that are gone from the blank count for none', () => {
    const [{ blank: shirt }, lamp] = [blank, { name: 'Lamp' }] as const;
    const some = letters([0, 0, 0], ['white', 'oat']);
    expect(fitTitle(lamp, some)).toBe('Lamp, letters');
    expect(fileTitle(lamp, some, shirt)).toBe('Lamp, letters White Oat');
    expect(fileTitle(lamp, letters([0, 0, 0], ['white', 'oat', 'fog', 'rust', 'kelp']), shirt)).toBe(
      'Lamp, letters 5 colours',
    );
    expect(fileTitle(lamp, fitOf(blank, []), shirt)).toBe('Lamp');
    const gone = letters([0, 0, 0], ['plum']);
    expect(namedColours(shirt, gone)).toBeNull();
    expect(coloursFor(shirt, gone)).toEqual(shirt.colours);
    expect([{ version: { name: 'b', colours: [] } }, {}].sort(byVersion)[0]).toEqual({});
    expect(faceOf(blank).id).toBe(fitOf(blank, [newFill('f', '#000000')]).faces[0]!.faceId);
  });
});

describe('an occasion', () => {
  const on = (day: string, name = 'Harbour day') => ({ ...NO_IDEA, occasion: { name, day } });

  test.each([
    ['2026-12-20', 22, 'ready', '22 days to Harbour day'],
    ['2026-12-19', 21, 'ready', '21 days to Harbour day'],
    ['2026-12-18', 20, 'look', '20 days to Harbour day'],
    ['2026-11-29', 1, 'look', '1 day to Harbour day'],
    ['2026-11-28', 0, 'look', 'today is Harbour day'],
    ['2026-11-26', -2, 'look', 'Harbour day was 2 days ago'],
    ['2027-03-29', 121, 'ready', '121 days to Harbour day'],
  ])('on %s is %i days away: %s', (day, days, verdict, words) => {
    expect(nearness(on(day), '2026-11-28', 3)).toEqual({ days, verdict, words });
  });

  test('that has none is not near, one without a name is its day, and one that has passed is refused', () => {
    expect(nearness(NO_IDEA, '2026-11-28', 3)).toBeNull();
    expect(nearness(on('2026-11-30', ' '), '2026-11-28', 0)?.words).toBe('2 days to its day');
    expect(dayTrouble('2026-11-27', '2026-11-28')).toMatch(/2026-11-27 has passed/);
    expect(dayTrouble('2026-11-28', '2026-11-28')).toBeNull();
    expect(dayTrouble('28.11.2026', '2026-11-28')).toMatch(/year, month and day/);
  });
});
