import { By, Key } from 'selenium-webdriver';
import type { Fit, FitFace } from '@/core/fit/schema';
import { FIRST_SETTINGS, type Settings } from '@/store/schema';
import { drawMark } from '../../support/marks';
import { BenchShop } from '../../support/bench-shop';
import { blankById, pieceAt } from '../../support/fits';
import { RangePage } from '../../support/range-page';
import { putRecord, records } from '../../support/stored';

/** Each act on many, on fits that are Ready, a little thin, or too coarse once another artwork lies there. */
const shop = new BenchShop();
const range = new RangePage(shop);

const BLANKS = ['mug-325', 'mug-450', 'tumbler-470', 'tote', 'coaster', 'ornament'];
const FILES = { Lamp: [], coarse: [], thin: [[60, 7]], comb: combs() } as const;

function combs(): [number, number][] {
  return Array.from({ length: 10 }, (_, i) => [40 + i * 14, 7]);
}

/** A fit on the mug with one artwork so many mm wide, what is seen of it in the middle: that lies `down` shares lower. */
function onMug(id: string, designId: string, artworkId: string, mm: number, down: number): Fit {
  const face: FitFace = {
    faceId: 'wrap',
    pieces: [pieceAt(111.093, 46 - down * mm, mm, mm, { id: `${id}-piece`, artworkId })],
  };
  return { ...first, id, designId, blankId: 'mug-325', colourId: 'white', faces: [face] };
}
let first: Fit;
const design = (id: string, order: number) => ({ upfit: 'design/1', id, name: id, order, artworks: [] });

beforeAll(async () => {
  for (const [name, strokes] of Object.entries(FILES))
    drawMark(shop.file(`${name}.png`), name === 'coarse' ? 500 : name === 'Lamp' ? 1600 : 1200, strokes);
  await shop.open();
  await shop.browser.get(shop.address);
  await shop.bench.drop(...Object.keys(FILES).map((name) => shop.file(`${name}.png`)));
  await shop.browser.wait(async () => (await records(shop.browser, 'artworks')).length >= 5);
  [first] = (await range.fits()) as [Fit];
  const artworks = await records<{ id: string; facts: { name: string } }>(shop.browser, 'artworks');
  const idOf = (name: string) => artworks.find(({ facts }) => facts.name === `${name}.png`)!.id;
  for (let i = 1; i <= 9; i++) {
    await putRecord(shop.browser, 'designs', design(`nine ${i}`, 20 + i));
    await putRecord(
      shop.browser,
      'fits',
      onMug(`nine-${i}`, `nine ${i}`, idOf('Lamp'), i === 9 ? 60 : 20, 0.1),
    );
  }
  for (let i = 1; i <= 15; i++) {
    await putRecord(shop.browser, 'designs', design(`stroke ${i}`, 40 + i));
    await putRecord(
      shop.browser,
      'fits',
      onMug(
        `stroke-${i}`,
        `stroke ${i}`,
        idOf(i === 15 ? 'comb' : 'thin'),
        50,
        i === 15 ? -70 / 1200 : -0.05,
      ),
    );
  }
  const [settings] = await records<Settings>(shop.browser, 'settings');
  await shop.browser.executeAsyncScript(
    `const done = arguments[arguments.length - 1];
     const open = indexedDB.open('up-fit');
     open.onsuccess = () => {
       const change = open.result.transaction('settings', 'readwrite');
       change.objectStore('settings').put(arguments[0], 'settings');
       change.oncomplete = () => { open.result.close(); done(); };
     };`,
    { ...FIRST_SETTINGS, ...settings, columns: BLANKS },
  );
  await range.open();
});
afterAll(() => shop.close());

test('“Lamp” on six blanks, one ground on all six: six actions, and one undo takes each back', async () => {
  const before = JSON.stringify(await range.fits());
  await range.search('Lamp');
  range.actions = 0;
  await range.row('Lamp');
  await range.bar(/6 chosen\s+6 not fitted/);
  await range.act('Fit them');
  await range.see(/become/);
  await range.perform(6);
  const fitted = JSON.stringify(await range.fits());
  await range.act('Change the colour of their ground');
  await range.see(/6|stay|become/);
  await range.perform(6);
  expect(range.actions).toBeLessThanOrEqual(6);
  const grounds = (await range.fits()).flatMap(({ designId, faces }) =>
    JSON.stringify(faces).includes('#f4efe2') ? [designId] : [],
  );
  expect(grounds).toHaveLength(6);
  await range.takeBack('6 fits on another ground');
  await range.become(async () => JSON.stringify(await range.fits()) === fitted, 'the grounds stay');
  await range.takeBack('6 fits fitted');
  await range.become(async () => JSON.stringify(await range.fits()) === before, 'the fits stay');
});

test('a swap in nine: eight stay Ready and one becomes Look is said before it is done; undo gives nine back to the byte', async () => {
  await range.search('nine');
  await range.choose('all that are fitted');
  await range.bar(/9 chosen\s+9 Ready/);
  const before = JSON.stringify(await range.fits());
  await range.act('Swap an artwork');
  await shop.bench.choose('comes', 'coarse.png');
  expect(await range.see(/stay/)).toMatch(/8 stay Ready, 1 becomes Look\./);
  expect(JSON.stringify(await range.fits())).toBe(before);
  await range.perform(9);
  await range.bar(/8 Ready\s+1 Look/);
  await range.takeBack('9 fits with the other artwork');
  await range.become(async () => JSON.stringify(await range.fits()) === before, 'they are not as they were');
});

test('a file that is new comes in an artwork’s place, brought in from the act', async () => {
  drawMark(shop.file('brought.png'), 1600, [[60, 60]]);
  await range.act('Swap an artwork');
  const field = await shop.browser.findElement(By.css('input[type=file][aria-label="A file for “comes”"]'));
  await field.sendKeys(shop.file('brought.png'));
  await shop.bench.says('[role=combobox][aria-label="comes"], [role=dialog]', /brought\.png/);
  expect(await range.see(/stay|become/)).toMatch(/9/);
  await range.perform(9);
  const artworks = await records<{ id: string; facts: { name: string } }>(shop.browser, 'artworks');
  const brought = artworks.find(({ facts }) => facts.name === 'brought.png')!.id;
  await range.become(
    async () => (await range.fits()).filter((fit) => JSON.stringify(fit).includes(brought)).length === 9,
    'the new file is not on nine fits',
  );
  await range.takeBack('9 fits with the other artwork');
});

test('all with thin strokes: fourteen of fifteen are mended, and the one is told why not', async () => {
  await range.search('stroke');
  await range.choose('Thin strokes');
  await range.bar(/15 chosen/);
  await range.act('Mend one finding');
  await shop.bench.choose('what stands against them', 'thin');
  expect(await range.see(/left/)).toMatch(/14 become Ready, 1 is left as it is\./);
  await shop.bench.says(
    '[aria-label="What it does"]',
    /^stroke 15[^]*Left as it is. “test” has strokes down to 0\.29 mm/,
  );
  await range.perform(14);
  await range.bar(/14 Ready/);
  await range.takeBack('14 fits mended');
  await range.bar(/15 Look/);
});

test('a window loaded again in the middle of an act keeps what was chosen, says what was under way, and goes on', async () => {
  await range.search('nine');
  await range.choose('all that are fitted');
  await range.act('Another product colour');
  await shop.browser.navigate().refresh();
  await range.bar(/9 chosen[\s\S]*“Another product colour” was under way: see what is left of it/);
  await shop.bench.press('Go on');
  await shop.bench.find('[role=dialog]');
  await range.see(/9 are left as they are/);
  await shop.bench.press('Leave');
  await shop.bench.press('Choose none');
  expect(await shop.browser.findElements(By.css('[aria-label="Chosen on the range"]'))).toEqual([]);
});

test('an act is kept by name with what was answered, done to others, and forgotten; the last one is at hand', async () => {
  await range.search('nine');
  await range.only('nine 1 on Mug 325 ml');
  await range.act('Set their distance from an edge');
  await range.answer('by', '9 mm');
  await shop.bench.press('Keep it by name');
  await (await shop.bench.find('form input')).sendKeys('nine from the top', Key.ENTER);
  await shop.bench.says('[data-sonner-toast]', /nine from the top/);
  await shop.bench.press('Leave');
  await range.only('nine 2 on Mug 325 ml');
  await range.act('nine from the top');
  await range.see(/Ready|Look|Fix/);
  const before = await range.fits();
  await range.perform(1);
  const yOf = (fits: Fit[], id: string) => {
    const [piece] = fits.find((fit) => fit.id === id)!.faces[0]!.pieces;
    return piece && 'y' in piece ? piece.y : NaN;
  };
  const after = await range.fits();
  expect(yOf(after, 'nine-2')).not.toBe(yOf(before, 'nine-2'));
  expect(yOf(after, 'nine-1')).toBe(yOf(before, 'nine-1'));
  await range.only('nine 3 on Mug 325 ml');
  await range.act('The same as last time');
  await range.see(/Ready|Look|Fix/);
  await range.perform(1);
  expect(yOf(await range.fits(), 'nine-3')).toBeCloseTo(yOf(after, 'nine-2'), 6);
});

describe('each of the others, done and taken back', () => {
  /** Does an act to what is chosen, looks at what became of the fits, and takes it back. */
  async function done(
    [name, said]: readonly [act: string, said: string],
    answer: () => Promise<void>,
    holds: (fits: ReadonlyMap<string, Fit>) => boolean | Promise<boolean>,
    count = 1,
  ): Promise<void> {
    const before = JSON.stringify(await range.fits());
    await range.act(name);
    await answer();
    await range.see(/stay|become/);
    await range.perform(count);
    await range.become(
      async () => holds(new Map((await range.fits()).map((fit) => [fit.id, fit]))),
      `${name}: the fits are not so`,
    );
    await range.takeBack(`${count} ${count === 1 ? 'fit' : 'fits'} ${said}`);
    await range.become(async () => JSON.stringify(await range.fits()) === before, `${name}: not taken back`);
  }
  const nothing = () => Promise.resolve();
  const texts = (fit: Fit | undefined) =>
    (fit?.faces ?? []).flatMap(({ pieces }) =>
      pieces.flatMap((piece) => (piece.kind === 'text' ? [piece] : [])),
    );

  test('words, their font and their colour', async () => {
    await shop.openFit('pouch');
    await shop.bench.keys('i');
    await shop.bench.words(['Lamp salve']);
    await range.open();
    await shop.bench.addBlank('Coffee pouch');
    await range.search('gull');
    await range.only('gull on Coffee pouch 250 g');
    await done(
      ['Change their words', 'with the new words'],
      () => range.answer('they say', 'Lamp / salve'),
      (fits) =>
        texts(fits.get('pouch')).some(
          ({ lettering }) => lettering.lines.map(({ text }) => text).join() === 'Lamp,salve',
        ),
    );
    await done(
      ['Set their words in another font', 'in that font'],
      () => shop.bench.choose('font', 'lora'),
      (fits) =>
        texts(fits.get('pouch')).every(({ lettering, ink }) => lettering.faceId === 'lora' && ink.d !== ''),
    );
    await done(
      ['Change the colour of their words', 'with words in that colour'],
      () => range.colour('colour of the words', '#0b5563'),
      (fits) => texts(fits.get('pouch')).every(({ lettering }) => lettering.colour === '#0b5563'),
    );
  });

  test('role, version and distance', async () => {
    await range.search('nine');
    await range.only('nine 4 on Mug 325 ml', 'nine 5 on Mug 325 ml');
    const pieces = (fits: ReadonlyMap<string, Fit>) =>
      ['nine-4', 'nine-5'].flatMap((id) => fits.get(id)?.faces[0]?.pieces ?? []);
    await done(
      ['Make an artwork ground or motif', 'with the other role'],
      nothing,
      (fits) =>
        pieces(fits).every((piece) => piece.role === 'ground' && 'width' in piece && piece.width > 222),
      2,
    );
    await done(
      ['Name their version', 'called so'],
      () => range.answer('name of the version', 'dark letters'),
      (fits) =>
        fits.get('nine-4')?.version?.name === 'dark letters' &&
        fits.get('nine-5')?.version?.name === 'dark letters',
      2,
    );
    await done(
      ['Set their distance from an edge', 'at that distance'],
      async () => {
        await shop.bench.choose('motifs lie from the', 'trim left');
        await range.answer('by', '1 in');
      },
      // What is seen of the mark is a quarter of its 20 mm to either side of its middle.
      (fits) => pieces(fits).every((piece) => 'x' in piece && Math.abs(piece.x - 5 - 25.4) < 0.05),
      2,
    );
  });

  test('product colour, sizes, another house for its blank, and the arrangement of one for another mug', async () => {
    await range.search('Lamp');
    await range.only('Lamp on Tote bag', 'Lamp on Mug 325 ml', 'Lamp on Mug 450 ml');
    await range.act('Fit them');
    await range.see(/become/);
    await range.perform(3);
    const of = async (blankId: string) =>
      (await range.fits()).find((fit) => fit.blankId === blankId && fit.designId !== first.designId)!.id;
    const [tote, mug, tall] = [await of('tote'), await of('mug-325'), await of('mug-450')];
    await range.only('Lamp on Tote bag');
    const colour = blankById('tote').blank.colours[1]!;
    await done(
      ['Another product colour', 'in that colour'],
      () => shop.bench.choose('product colour', colour.name),
      (fits) => fits.get(tote)?.colourId === colour.id,
    );
    await done(
      ['Have another house print them', 'printed by that house'],
      () => shop.bench.choose('house; with them go', 'corrie-cloth'),
      async () => (await records<Settings>(shop.browser, 'settings'))[0]?.houses['tote'] !== undefined,
    );
    await range.only('Lamp on Mug 325 ml', 'Lamp on Mug 450 ml');
    const before = (await range.fits()).find(({ id }) => id === tall)!;
    await done(
      ['Arrange them like one of them', 'arranged like it'],
      () => shop.bench.choose('like', mug),
      (fits) => JSON.stringify(fits.get(tall)!.faces) !== JSON.stringify(before.faces),
    );
  });

  test('the newest version of a blank of one’s own', async () => {
    const mug = blankById('mug-325').blank;
    const own = { ...mug, id: 'own-mug', name: 'Own mug' };
    for (const version of [1, 2])
      await putRecord(shop.browser, 'blanks', { key: `own-mug@${version}`, blank: { ...own, version } });
    const fit = {
      ...onMug(
        'own',
        'nine 6',
        first.faces[0]!.pieces.flatMap((one) => ('artworkId' in one ? one.artworkId : []))[0]!,
        20,
        0,
      ),
      blankId: 'own-mug',
      blankVersion: 1,
    };
    await putRecord(shop.browser, 'fits', fit);
    await range.open();
    await shop.bench.addBlank('Own mug');
    await range.search('nine');
    await range.only('nine 6 on Own mug');
    await done(
      ['Move to the newest version', 'on the newest version'],
      nothing,
      (fits) => fits.get('own')?.blankVersion === 2,
    );
  });
});
