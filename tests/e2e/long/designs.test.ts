import { strFromU8, unzipSync } from 'fflate';
import { By, Key } from 'selenium-webdriver';
import type { Design, Fit } from '@/core/fit/schema';
import type { Manifest } from '@/core/pack/manifest';
import { keepsOut } from '../../support/axe';
import { downloaded, PATIENCE } from '../../support/bench';
import { BenchShop } from '../../support/bench-shop';
import { records } from '../../support/stored';

const shop = new BenchShop();
beforeAll(() => shop.open());
afterAll(() => shop.close());

const designs = async () =>
  (await records<Design>(shop.browser, 'designs')).sort((a, b) => a.order - b.order);
const fits = () => records<Fit>(shop.browser, 'fits');
const become = (what: () => Promise<boolean>, otherwise: string) =>
  shop.browser.wait(what, PATIENCE, otherwise);
const home = () => shop.browser.get(shop.address);
const pieces = async (fitId: string) =>
  (await fits()).find(({ id }) => id === fitId)!.faces.flatMap((face) => face.pieces);

async function clean(): Promise<void> {
  expect(await keepsOut(shop.browser)).toEqual([]);
}

/** Types a name over that of the design whose dialog is open. */
async function rename(name: string): Promise<void> {
  const field = await shop.bench.named('Name of the design', 'input');
  await field.sendKeys(Key.chord(Key.CONTROL, 'a'), name, Key.ENTER);
}

describe('a design begun on a blank, with no file anywhere', () => {
  test('a label of one’s own, three lines typed, its docket, and a pack saved', async () => {
    await shop.measureFlat('Tin label', '150 mm', '24 mm');
    await shop.bench.press('Start a design on it');
    await shop.bench.press('Start it');
    await shop.bench.says('[role=dialog] [role=alert]', /Type a name/);
    await shop.bench.keys('Lamp salve', Key.ENTER);
    await shop.bench.says('h1', /Lamp salve\s+on\s+Tin label/);
    await shop.bench.ready();
    await shop.bench.keys('i');
    await shop.bench.words(['LAMP SALVE', 'FOR COLD HANDS', '30 ML']);
    await shop.bench.saved();
    await shop.bench.says('[aria-label=Docket] [role=status]', /exact/);
  });

  test('its pack holds print file, docket and manifest by its name', async () => {
    const [salve] = (await fits()).filter(({ blankId }) => blankId === 'tin-label');
    await shop.browser.get(`${shop.address}/packs?fit=${salve!.id}`);
    const reasons = await shop.bench.named('Lamp salve on Tin label', '[role=checkbox]');
    expect(await reasons.getAttribute('aria-checked')).toBe('true');
    for (const why of await shop.browser.findElements(By.css('input[aria-label^="Why Lamp salve"]')))
      await why.sendKeys('a proof');
    await shop.bench.press('Make the pack');
    await shop.bench.press('Save the zip');
    const { name, bytes } = await downloaded(shop.browser, shop.downloads, '.zip');
    expect(name).toBe('lamp-salve-on-tin-label.zip');
    const manifest = JSON.parse(strFromU8(unzipSync(bytes)['manifest.json']!)) as Manifest;
    expect(manifest.fits[0]).toMatchObject({ design: 'Lamp salve', blank: 'Tin label' });
    expect(manifest.fits[0]!.prints[0]!.path).toMatch(
      /lamp-salve-tin-label\/lamp-salve_tin-label_front_150x24mm/,
    );
  });

  test('renamed, range, bench and the next pack say so; one undo takes it back everywhere', async () => {
    await home();
    await shop.bench.menu('Lamp salve: what can be done', 'Name, artworks');
    await rename('Gullwick salve');
    await shop.bench.says('[role=grid]', /Gullwick salve/);
    await clean();
    await shop.bench.press('Leave');
    const [salve] = (await fits()).filter(({ blankId }) => blankId === 'tin-label');
    await shop.bench.open(salve!.id);
    await shop.bench.says('h1', /Gullwick salve\s+on\s+Tin label/);
    await shop.browser.get(`${shop.address}/packs?fit=${salve!.id}`);
    await shop.bench.named('Gullwick salve on Tin label', '[role=checkbox]');
    await home();
    await shop.bench.menu('Gullwick salve: what can be done', 'Name, artworks');
    await rename('Tin salve');
    await shop.bench.undo('It is “Tin salve” everywhere');
    await shop.bench.says('[role=grid]', /Gullwick salve/);
    await shop.bench.press('Leave');
  });
});

describe('a design that is there', () => {
  test('is given an idea: an occasion that has passed is refused, a near one is a Look', async () => {
    await shop.bench.menu('gull: what can be done', 'Name, artworks');
    const note = await shop.bench.find('textarea[name=note]');
    await note.sendKeys('for the counter', Key.TAB);
    const day = await shop.bench.find('[role=dialog] input[type=date]');
    const set = (value: string) =>
      shop.browser.executeScript(
        `Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(arguments[0], arguments[1]);
         arguments[0].dispatchEvent(new Event('input', { bubbles: true }));`,
        day,
        value,
      );
    await set('2020-01-31');
    await shop.bench.says('[role=dialog] [role=alert]', /2020-01-31 has passed: choose a day to come/);
    const soon = new Date(Date.now() + 5 * 86_400_000).toISOString().slice(0, 10);
    await set(soon);
    await become(async () => (await designs())[0]?.idea?.occasion.day === soon, 'the day is not kept');
    expect((await designs())[0]!.idea).toMatchObject({ note: 'for the counter' });
    await shop.bench.press('Leave');
    await shop.bench.says('[role=rowheader]', /[456] days to its day/);
  });

  test('is copied under itself, moved by its menu and by keys, and joined', async () => {
    await shop.bench.menu('gull: what can be done', 'Duplicate');
    await shop.bench.says('[role=grid]', /gull, copy/);
    const names = async () => (await designs()).map(({ name }) => name);
    expect(await names()).toEqual(['gull', 'gull, copy', 'Gullwick salve']);
    await shop.bench.menu('Gullwick salve: what can be done', 'Move up a row');
    await become(async () => (await names())[1] === 'Gullwick salve', 'the row is not moved');
    const grip = await shop.bench.named('Move Gullwick salve to another row', 'button');
    await shop.browser.executeScript('arguments[0].focus()', grip);
    await shop.bench.keys(Key.SPACE);
    await shop.bench.says('[role=status].sr-only', /Gullwick salve: row 2 of 3/);
    await shop.bench.keys(Key.ARROW_UP);
    await shop.bench.says('[role=status].sr-only', /Gullwick salve: row 1 of 3/);
    await shop.bench.keys(Key.SPACE);
    await become(async () => (await names())[0] === 'Gullwick salve', 'keys do not move the row');
    await shop.bench.menu('gull, copy: what can be done', 'Name, artworks');
    await shop.bench.menu('Join gull, copy to another design', 'gull');
    await become(async () => (await names()).length === 2, 'they are not joined');
    await shop.bench.named('gull on Mug 325 ml', 'button');
    await shop.bench.says('[role=grid]', /2 versions/);
    await shop.bench.undo('is part of “gull” now');
    await become(async () => (await names()).length === 3, 'they are not parted again');
    await shop.bench.menu('gull, copy: what can be done', 'Take off the range');
    await become(async () => (await names()).length === 2, 'it is not taken off');
  });

  test('has two versions on one blank, each for its own colours; files and pack say which', async () => {
    await shop.bench.menu('gull on Shirt: what can be done', 'Another version');
    await shop.bench.says('[role=dialog] h2', /gull on Shirt: 2 versions/);
    await clean();
    const name = await shop.bench.named('Name of the version version 2', 'input');
    await name.sendKeys(Key.chord(Key.CONTROL, 'a'), 'white letters', Key.ENTER);
    for (const colour of ['Rust', 'Kelp', 'Night'])
      await (await shop.bench.named(`white letters is for ${colour}`, '[role=checkbox]')).click();
    await shop.bench.says('[role=dialog]', /for 3 of 6 colours/);
    const white = async () => (await fits()).find(({ version }) => version?.name === 'white letters');
    await become(async () => (await white())?.version?.colours.length === 3, 'colours are not kept');
    expect(await white()).toMatchObject({ blankId: 'shirt', colourId: 'rust' });
    await shop.bench.press('Leave');
    await shop.bench.named('gull on Shirt', 'button');
    await shop.bench.says('[role=grid]', /2 versions/);
    await shop.bench.open((await white())!.id);
    await shop.bench.says('h1', /gull, white letters\s+on\s+Shirt/);
    await shop.bench.add(shop.motif, 'gull');
    await shop.bench.saved();
    await shop.bench.press('Make print file');
    const { name: file } = await downloaded(shop.browser, shop.downloads, '.png');
    expect(file).toMatch(/^gull-white-letters-rust-kelp-night_shirt/);
  });
});

describe('what is dropped or pasted', () => {
  const cell = (design: string, blank: string) => `[data-design="${design}"][data-blank="${blank}"]`;

  test('on an empty cell is fitted there; on one that carries something, laid on it; undo takes it off again', async () => {
    await home();
    await shop.bench.named('gull on Mug 325 ml');
    const salve = (await designs()).find(({ name }) => name === 'Gullwick salve')!;
    await shop.bench.dropOn(`${cell(salve.id, 'mug-325')} button`, shop.ground);
    await shop.bench.named('Gullwick salve on Mug 325 ml');
    const gull = (await designs()).find(({ name }) => name === 'gull')!;
    const mug = (await fits()).find((fit) => fit.designId === gull.id && fit.blankId === 'mug-325')!;
    const before = await pieces(mug.id);
    await shop.bench.dropOn(`${cell(gull.id, 'mug-325')} button`, shop.ground);
    await become(async () => (await pieces(mug.id)).length === before.length + 1, 'it is not laid on it');
    expect((await pieces(mug.id))[0]).toMatchObject({ name: 'sea', role: 'ground' });
    await shop.bench.undo('“sea.png” of “gull” on Mug 325 ml');
    await become(async () => (await pieces(mug.id)).length === before.length, 'it is not taken off');
  });

  test('on a row’s head joins that design, on a column’s becomes a new one there', async () => {
    const gull = (await designs()).find(({ name }) => name === 'gull')!;
    await shop.bench.dropOn(`[role=rowheader][data-design="${gull.id}"]`, shop.ground);
    await shop.bench.says('[data-sonner-toast]', /“sea\.png” joined “gull”/);
    await shop.bench.dropOn('[role=columnheader][data-blank="shirt"]', shop.ground);
    await shop.bench.named('sea on Shirt', 'button');
  });

  test('two artworks go over to another design: the fits of both are as they were, to the byte and to the pixel', async () => {
    const [gull, salve] = await Promise.all(
      ['gull', 'Gullwick salve'].map(async (name) => (await designs()).find((one) => one.name === name)!),
    );
    const drawn = async () => (await shop.bench.named('gull on Mug 325 ml', 'button')).takeScreenshot();
    const artworks = async (id: string) => (await designs()).find((one) => one.id === id)!.artworks.length;
    const [before, picture] = [JSON.stringify(await fits()), await drawn()];
    await shop.bench.menu('gull: what can be done', 'Name, artworks');
    for (const [i, file] of ['gull.png', 'sea.png'].entries()) {
      await shop.bench.menu(`${file}: what can be done`, 'Gullwick salve');
      await become(async () => (await artworks(gull!.id)) === 1 - i, `${file} does not go over`);
    }
    await shop.bench.press('Leave');
    expect([await artworks(salve!.id), JSON.stringify(await fits()), await drawn()]).toEqual([
      2,
      before,
      picture,
    ]);
    for (const file of ['sea.png', 'gull.png']) await shop.bench.undo(`“${file}” belongs to`);
    await become(async () => (await artworks(gull!.id)) === 2, 'they do not come back');
  });

  test('a picture pasted on a cell that has the focus is fitted there; on the bench, on the face', async () => {
    const sea = (await designs()).find(({ name }) => name === 'sea')!;
    await shop.bench.paste(`${cell(sea.id, 'mug-325')} button`, shop.motif);
    await shop.bench.named('sea on Mug 325 ml', 'button');
    const fit = (await fits()).find((one) => one.designId === sea.id && one.blankId === 'mug-325')!;
    expect((await pieces(fit.id)).map(({ name }) => name)).toContain('gull');
    const count = (await pieces(fit.id)).length;
    await shop.bench.open(fit.id);
    await shop.bench.paste('[data-piece]', shop.motif);
    await become(async () => (await pieces(fit.id)).length === count + 1, 'it is not on the face');
    await shop.bench.chosen(/gull/);
    await shop.bench.saved();
    expect(await pieces(fit.id)).toHaveLength(3);
  });

  test('the range is searched by name', async () => {
    await home();
    await (await shop.bench.named('Search designs by name')).sendKeys('SALVE');
    await become(
      async () => (await shop.browser.findElements(By.css('[role=rowheader]'))).length === 1,
      'others are shown',
    );
    await shop.bench.says('[role=grid]', /Gullwick salve/);
    await clean();
  });
});
