import { readFileSync } from 'node:fs';
import { Key } from 'selenium-webdriver';
import { PNG } from 'pngjs';
import type { StoredPack } from '@/core/pack/record';
import { startApp } from '../../../scripts/lib/app.mjs';
import { downloaded, PATIENCE } from '../../support/bench';
import { BenchShop } from '../../support/bench-shop';
import { Front } from '../../support/front';
import { records } from '../../support/stored';

// One way through, with a server that comes and goes.
let app: Awaited<ReturnType<typeof startApp>>;
let front: Front;
let shop: BenchShop;
beforeAll(async () => {
  app = await startApp({ demo: false });
  front = new Front(app.port);
  await front.come();
  shop = new BenchShop(front.address);
  await shop.open();
});
afterAll(async () => {
  await shop.close();
  await front.go();
  await app.stop();
});

const packs = () => records<StoredPack>(shop.browser, 'packs');
const orders = async () =>
  (await (await fetch(`${app.address}/api/desk/harl-kiln-works/orders`)).json()) as { sha256: string }[];

test('the application can be installed: it has a name and a mark, and a page that is kept', async () => {
  const said = await fetch(`${front.address}/manifest.webmanifest`);
  const manifest = (await said.json()) as { name: string; start_url: string; icons: { src: string }[] };
  expect(manifest).toMatchObject({ name: 'Up Fit', start_url: '/' });
  expect((await fetch(`${front.address}${manifest.icons[0]!.src}`)).headers.get('content-type')).toMatch(
    /svg/,
  );
  await shop.bench.find('link[rel=manifest]');
  await shop.browser.executeAsyncScript(
    'const done = arguments[0]; void navigator.serviceWorker.ready.then(() => done());',
  );
});

test('the server stopped: reloaded, a fit is opened, edited, checked, and its file is made', async () => {
  await front.go();
  await shop.browser.get(shop.address);
  await shop.bench.named('gull on Mug 325 ml: Fix');
  await shop.openFit('mug-325');
  await shop.bench.add(shop.motif, 'gull');
  await shop.bench.fillSafe();
  await shop.bench.keys(Key.ARROW_RIGHT);
  await shop.bench.saved();
  await shop.browser.navigate().refresh();
  await shop.bench.ready();
  await shop.bench.verdict('resolution', 'fix');
  await shop.bench.press('Make print file');
  const { bytes } = await downloaded(shop.browser, shop.downloads, '.png');
  expect(PNG.sync.read(bytes).width).toBeGreaterThan(2000);
});

test('a pack waits for its desk, goes by itself when it is back, and is one order', async () => {
  await shop.browser.get(`${shop.address}/packs?fit=mug-325`);
  await (await shop.bench.named('Why gull on Mug 325 ml', 'input')).sendKeys('a proof');
  await shop.bench.press('Make the pack');
  await shop.bench.press('Send to a house');
  await shop.bench.named('How many of gull on Mug 325 ml', 'input');
  await shop.bench.press('Send the order');
  await shop.bench.says('[data-order=waiting]', /waits for Harl Kiln Works.*goes by itself/is);
  await front.come();
  await shop.browser.executeScript('dispatchEvent(new Event("online"))');
  await shop.bench.says('[data-order=arrived]', /Arrived at Harl Kiln Works: HK-\d{6}/);
  const [pack] = await packs();
  expect((await orders()).map(({ sha256 }) => sha256)).toEqual([pack!.sha256]);
});

test('a newer build is offered, and an open fit stays on the older one until it is asked for', async () => {
  await shop.openFit('mug-325');
  const build = readFileSync('.next/BUILD_ID', 'utf8').trim();
  front.pass(build, `${build}-2`);
  await shop.browser.executeScript('window.stillHere = true; dispatchEvent(new Event("online"))');
  await shop.bench.says('[role=status]', /A newer Up Fit is here/);
  await shop.bench.pick(0);
  await shop.bench.keys(Key.ARROW_LEFT);
  await shop.bench.saved();
  expect(await shop.browser.executeScript('return window.stillHere')).toBe(true);
  await shop.bench.press('Change to it');
  const isNew = `const done = arguments[0];
    navigator.serviceWorker.getRegistration().then((one) =>
      done(window.stillHere !== true && one.waiting === null && one.installing === null))`;
  await shop.browser.wait(
    () => shop.browser.executeAsyncScript<boolean>(isNew).catch(() => false),
    PATIENCE,
    'the newer one is not taken',
  );
  await shop.bench.ready();
  await shop.bench.saved();
});
