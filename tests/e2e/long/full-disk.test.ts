import { randomBytes } from 'node:crypto';
import { writeFileSync } from 'node:fs';
import { By, Key } from 'selenium-webdriver';
import type { ChromiumWebDriver } from 'selenium-webdriver/chromium';
import { PNG } from 'pngjs';
import { PATIENCE } from '../../support/bench';
import { BenchShop, close } from '../../support/bench-shop';
import { records } from '../../support/stored';

/** The browser's own room for the shop at an end, as a full disk leaves it: no call is replaced. */
const shop = new BenchShop();
beforeAll(() => shop.open());
afterAll(() => shop.close());

/** Leaves so many bytes more than are used now. What the browser once found free it goes on giving for a while. */
const room = async (bytes: number) => {
  const usage = await shop.browser.executeAsyncScript<number>(
    'const done = arguments[arguments.length - 1]; void navigator.storage.estimate().then(({ usage }) => done(usage));',
  );
  await (shop.browser as ChromiumWebDriver).sendDevToolsCommand('Storage.overrideQuotaForOrigin', {
    origin: new URL(shop.address).origin,
    quotaSize: Math.max(1, usage + bytes),
  });
};

/** A picture that nothing packs smaller: so many pixels by a thousand. */
function grain(name: string, width: number): string {
  const png = new PNG({ width, height: 1000 });
  png.data.set(randomBytes(png.data.length));
  writeFileSync(shop.file(name), PNG.sync.write(png));
  return shop.file(name);
}

const keysOf = (table: string) =>
  shop.browser.executeAsyncScript<string[]>(
    `const done = arguments[arguments.length - 1];
     const open = indexedDB.open('up-fit');
     open.onsuccess = () => {
       const all = open.result.transaction('${table}').objectStore('${table}').getAllKeys();
       all.onsuccess = () => { open.result.close(); done(all.result); };
     };`,
  );

const names = async () =>
  (await records<{ facts: { name: string } }>(shop.browser, 'artworks'))
    .map(({ facts }) => facts.name)
    .sort();

test('an edit that finds no room is told, stays on the screen, and is saved once there is room again', async () => {
  await shop.openFit('mug-325');
  await shop.bench.add(shop.motif, 'gull');
  await shop.bench.saved();
  await shop.bench.pick(0);
  let kept = await shop.fit.read();
  await room(-1e9);
  await shop.browser.wait(
    async () => {
      kept = await shop.fit.read();
      await shop.bench.keys(Key.ARROW_RIGHT);
      return (await shop.browser.findElements(By.css('[role=alert]'))).length > 0;
    },
    PATIENCE,
    'no edit was refused',
  );
  await shop.bench.dimension('width', '33 mm');
  await shop.bench.says('[role=alert]', /storage is full.*Take out artwork/);
  expect(await shop.fit.read()).toEqual(kept);
  await shop.bench.says('[data-dimension=width]', /33\.0 mm/);
  await room(2e6);
  await shop.bench.press('Try again');
  await shop.bench.saved();
  expect((await shop.fit.boxes())[0]!.width).toEqual(close(33));
});

test('files that find no room are told, those before them stay, and they come in once there is room again', async () => {
  await shop.browser.get(`${shop.address}/artwork`);
  await shop.bench.says('main', /gull/);
  const paths = [grain('first.png', 100), grain('second.png', 2_000), grain('third.png', 1_500)];
  await shop.bench.drop(...paths);
  await shop.bench.says('[role=alert]', /storage is full.*2 changes wait/);
  expect(await names()).toEqual(['first.png', 'gull.png']);
  // For both, and little more.
  await room(18e6);
  await shop.bench.press('Try again');
  await shop.bench.says('body', /4 artworks/);
  expect(await names()).toEqual(['first.png', 'gull.png', 'second.png', 'third.png']);
  const originals = await keysOf('originals');
  expect(originals).toHaveLength(4);
});

test('what finds no room is left undone at a word, and nothing of it stays', async () => {
  await shop.bench.drop(grain('fourth.png', 2_500));
  await shop.bench.says('[role=alert]', /storage is full/);
  await shop.bench.press('Leave it undone');
  await shop.bench.says('body', /0 files taken in, 1 stopped/);
  expect(await names()).not.toContain('fourth.png');
  expect(await keysOf('originals')).toHaveLength(4);
  await room(30e6);
  await shop.bench.press('Take in the rest');
  await shop.bench.says('body', /5 artworks/);
  expect(await names()).toContain('fourth.png');
});
