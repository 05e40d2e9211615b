import { By, Key } from 'selenium-webdriver';
import type { Design } from '@/core/fit/schema';
import { PATIENCE } from '../support/bench';
import { BenchShop } from '../support/bench-shop';
import { entryOf, FILES, TABLE_NAMES } from '@/store/tables';
import { putRecord, records } from '../support/stored';
import { longDescribe, longTest } from '../support/long';

const shop = new BenchShop();
beforeAll(() => shop.open());
afterAll(() => shop.close());

const places = ['', 'blanks', 'artwork', 'sheets', 'packs', 'pictures'];

/** Opens another window of the shop; gives back both handles, the new one is in front. */
async function second(path = ''): Promise<[first: string, other: string]> {
  const first = await shop.browser.getWindowHandle();
  await shop.browser.switchTo().newWindow('tab');
  await shop.browser.get(`${shop.address}/${path}`);
  return [first, await shop.browser.getWindowHandle()];
}

async function leaveSecond(first: string): Promise<void> {
  await shop.browser.close();
  await shop.browser.switchTo().window(first);
}

/** Runs a script in the page that answers later. */
const later = (script: string, ...given: unknown[]) =>
  shop.browser.executeAsyncScript<string>(
    `const done = arguments[arguments.length - 1]; ${script}`,
    ...given,
  );

describe('two windows of one shop', () => {
  test('show what the other changed at once, and neither writes over it', async () => {
    await shop.browser.get(shop.address);
    const [first, other] = await second();
    await shop.bench.named('Lengths in millimetres', 'button');
    await shop.bench.menu('Lengths in millimetres', 'inches, in fractions');
    await shop.browser.switchTo().window(first);
    await shop.bench.named('Lengths in inches', 'button');
    // Another setting, changed here: the one that was changed there stays.
    await (await shop.bench.named('Light frame', 'button')).click();
    await shop.browser.switchTo().window(other);
    await shop.bench.named('Dark frame', 'button');
    await shop.bench.menu('Lengths in inches', 'millimetres');
    await (await shop.bench.named('Dark frame', 'button')).click();
    await shop.browser.switchTo().window(first);
    await shop.bench.named('Lengths in millimetres', 'button');
    await shop.bench.named('Light frame', 'button');
    await shop.browser.switchTo().window(other);
    await leaveSecond(first);
  });

  longTest('a design taken off in one is off in the other, and comes back in both', async () => {
    const [design] = await records<Design>(shop.browser, 'designs');
    await putRecord(shop.browser, 'designs', { ...design, id: 'spare', name: 'Spare' });
    await shop.browser.get(shop.address);
    await shop.bench.says('[role=grid]', /Spare/);
    const [first, other] = await second();
    await shop.bench.says('[role=grid]', /Spare/);
    await shop.bench.menu('Spare: what can be done', 'Take off the range');
    await shop.bench.says('[data-sonner-toast]', /Spare.*off the range/);
    await shop.browser.switchTo().window(first);
    const said = async () => (await shop.bench.find('[role=grid]')).getText();
    await shop.browser.wait(async () => !(await said()).includes('Spare'), PATIENCE);
    await shop.browser.switchTo().window(other);
    await shop.bench.undo('Spare');
    await shop.bench.says('[role=grid]', /Spare/);
    await shop.browser.switchTo().window(first);
    await shop.bench.says('[role=grid]', /Spare/);
    await shop.browser.switchTo().window(other);
    await leaveSecond(first);
  });

  longTest(
    'an artwork renamed in one while its fit is worked on in the other: both are kept, and the edit can be undone',
    async () => {
      await shop.openFit('mug-325');
      await shop.bench.add(shop.motif, 'gull');
      await shop.bench.saved();
      const before = await shop.fit.boxes();
      const [first, other] = await second('artwork');
      await (
        await shop.bench.find('input[aria-label="Name"]')
      ).sendKeys(Key.chord(Key.CONTROL, 'a'), 'herring gull.png', Key.ENTER);
      await shop.browser.switchTo().window(first);
      await shop.bench.dimension('width', '44 mm');
      await shop.bench.saved();
      expect((await shop.fit.boxes()).at(-1)!.width).toBeCloseTo(44, 1);
      await shop.bench.keysUndo();
      await shop.bench.saved();
      expect(await shop.fit.boxes()).toEqual(before);
      const artworks = await records<{ facts: { name: string } }>(shop.browser, 'artworks');
      expect(artworks.map(({ facts }) => facts.name)).toContain('herring gull.png');
      await shop.browser.switchTo().window(other);
      await leaveSecond(first);
    },
  );
});

describe('another Up Fit', () => {
  test('a newer one in another window: this one says that all is saved, and lets it in', async () => {
    await shop.browser.get(shop.address);
    await shop.bench.says('[role=grid]', /gull/);
    const [first] = await second('icon.svg');
    const opened = await later(
      `const open = indexedDB.open('up-fit', 99);
       open.onblocked = () => done('blocked');
       open.onsuccess = () => { open.result.close(); done('open'); };`,
    );
    expect(opened).toBe('open');
    await leaveSecond(first);
    await shop.bench.says('[role=status]', /newer Up Fit.*All is saved: reload this window/);
    await shop.browser.get(shop.address);
    await shop.bench.says('[role=alert]', /opened by a newer Up Fit/);
  });

  test('an older one that holds the shop: this one says so, and goes on once that window is closed', async () => {
    await later(`indexedDB.deleteDatabase('up-fit').onsuccess = () => done();`);
    const [first, other] = await second('icon.svg');
    await later(
      `const open = indexedDB.open('up-fit', 7);
       open.onupgradeneeded = () => {
         for (const [name, keyPath] of arguments[0]) open.result.createObjectStore(name, { keyPath });
       };
       open.onsuccess = () => { window.kept = open.result; done(); };`,
      [
        // What an Up Fit of that version had, and no more.
        ...TABLE_NAMES.filter((name) => entryOf(name).since <= 7).map((name) => [name, entryOf(name).key]),
        ...Object.keys(FILES).map((name) => [name, null]),
      ],
    );
    await shop.browser.switchTo().window(first);
    await shop.browser.get(shop.address);
    await shop.bench.says('[role=status]', /older Up Fit: close that window/);
    await shop.browser.switchTo().window(other);
    await leaveSecond(first);
    await shop.bench.says('body', /Bring in the first artwork/);
  });
});

longDescribe('records that do not read', () => {
  test('are set aside and named, every place opens, and they can be looked at, and taken out and back', async () => {
    await later(`indexedDB.deleteDatabase('up-fit').onsuccess = () => done();`);
    await shop.browser.get(shop.address);
    await shop.bench.says('body', /Bring in the first artwork/);
    const odd: [string, object][] = [
      ['fits', { id: 'odd', upfit: 'fit/9', name: 'Of tomorrow' }],
      ['sheets', { id: 'wide', upfit: 'sheet/1', name: 'Wide', paper: { name: 'x', width: 1e9, height: 4 } }],
      ['photos', { id: 'bare', scene: { upfit: 'photo/1', id: 'bare', name: 'Bare' } }],
      ['packs', { id: 'torn', upfit: 'stored-pack/1' }],
      ['blanks', { key: 'lost@1', blank: { upfit: 'blank/1', id: 'lost' } }],
      ['designs', { id: 'none' }],
    ];
    for (const [table, record] of odd) await putRecord(shop.browser, table, record);
    for (const place of places) {
      await shop.browser.get(`${shop.address}/${place}`);
      await shop.browser.wait(
        async () => (await shop.browser.findElements(By.css('h1'))).length > 0,
        PATIENCE,
        `${place} does not open`,
      );
      expect(await (await shop.bench.find('body')).getText()).not.toMatch(
        /cannot be shown|Application error/,
      );
    }
    await (await shop.bench.named('Shop ', 'button')).click();
    await shop.bench.says('[role=dialog]', /fit “Of tomorrow”.*newer Up Fit.*sheet “Wide”.*does not read/s);
    await (await shop.bench.named('Look at sheet “Wide”', 'button')).click();
    await shop.bench.says('[role=dialog] pre', /1000000000/);
    await (await shop.bench.named('Take out sheet “Wide”', 'button')).click();
    await shop.bench.says('[data-sonner-toast]', /sheet “Wide” is taken out/);
    expect(await records(shop.browser, 'sheets')).toEqual([]);
    await shop.bench.undo('is taken out');
    await shop.bench.named('Look at sheet “Wide”', 'button');
    expect(await records(shop.browser, 'sheets')).toHaveLength(1);
  });
});
