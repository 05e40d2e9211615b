import { readdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { PNG } from 'pngjs';
import { By, Key, type WebDriver } from 'selenium-webdriver';
import type { StoredPack } from '@/core/pack/record';
import { openBrowser } from '../../../scripts/lib/browser.mjs';
import { downloaded, newFolder, PATIENCE } from '../../support/bench';
import { Bench } from '../../support/bench-page';
import { served } from '../../support/served';
import { records } from '../../support/stored';

/**
 * What a new user does from an empty shop to what is handed over, action by action: a click, a file dropped, a field
 * filled. How many there are is what these tests hold down.
 */
const address = served().empty;
const folder = newFolder();
const downloads = newFolder();
const logo = join(folder, 'anchor.png');
const many = join(folder, 'buoys.png');
let browser: WebDriver;
let page: Bench;
let actions = 0;

beforeAll(() => {
  writeFileSync(logo, PNG.sync.write(drawn(2400, 1800, [[1200, 900, 760]])));
  const discs = [0, 1, 2, 3, 4, 5].map((i): Disc => [
    440 + (i % 3) * 860,
    440 + Math.floor(i / 3) * 860,
    380,
  ]);
  writeFileSync(many, PNG.sync.write(drawn(2600, 1740, discs)));
});
afterAll(() => {
  for (const one of [folder, downloads]) rmSync(one, { recursive: true, force: true, maxRetries: 5 });
});
beforeEach(async () => {
  actions = 0;
  browser = await openBrowser({ downloads });
  page = new Bench(browser, address);
  await browser.get(address);
  await page.says('body', /1\. What will it be printed on/);
});
afterEach(() => browser.quit());

type Disc = readonly [x: number, y: number, radius: number];

/** Discs of one colour with an anchor's ring cut out of them, on nothing. */
function drawn(width: number, height: number, discs: readonly Disc[]): PNG {
  const picture = new PNG({ width, height });
  for (const [cx, cy, radius] of discs)
    for (let y = Math.floor(cy - radius); y <= cy + radius; y++)
      for (let x = Math.floor(cx - radius); x <= cx + radius; x++) {
        const from = Math.hypot(x - cx, y - cy);
        const ring = Math.hypot(x - cx, y - cy + radius * 0.4) < radius * 0.2;
        if (from <= radius && !ring) picture.data.set([24, 84, 96, 255], (y * width + x) * 4);
      }
  return picture;
}

async function act(what: () => Promise<unknown>): Promise<void> {
  actions++;
  await what();
}
const press = (words: string) => act(() => page.press(words));
const fill = (css: string, text: string) =>
  act(async () => {
    const field = await page.find(css);
    await field.sendKeys(Key.chord(Key.CONTROL, 'a'), text);
  });
const click = (name: string) =>
  act(() => page.click(By.css(`[aria-label^="${name}"]`), `nothing is called ${name}`));
const packs = () => records<StoredPack>(browser, 'packs');
/** Until what is made of a fit may be made: every number is exact, and nothing stands in the way. */
const measured = () => page.says('[aria-label=Docket] [role=status]', /exact/);

/** A fit's cell, opened once it is measured. */
const opened = async (name: string) => {
  await click(`Fit ${name}`);
  await page.find(`[aria-label^="${name}: "]:not([aria-label*="measuring"])`);
  await click(name);
  await page.ready();
};

/** From the bench to a pack that a house has taken an order of. */
async function handedOver(): Promise<void> {
  await measured();
  await press('Pack…');
  await page.find('[role=checkbox][aria-checked=true]');
  await press('Make the pack');
  await page.find('[aria-label=Pack]');
  await press('Send to a house');
  await press('Send the order');
  await page.says('[data-order=arrived]', /Arrived at/);
  await browser.wait(async () => (await packs())[0]?.orders[0]?.answer !== null, PATIENCE);
}

test('a cup measured with a tape, to an order that its house has taken: at most 25', async () => {
  await press('measured with a tape');
  await fill('#reading-top', '280 mm');
  await fill('#reading-bottom', '240 mm');
  await fill('#reading-slant', '104 mm');
  await fill('#reading-handle', '30 mm');
  await fill('[aria-label="Name of the blank"]', 'Kiln cup');
  await press('Keep blank');
  await page.says('[aria-label=Blank]', /Kiln cup/);
  await press('Put it on the range');
  await page.says('body', /Bring in the first artwork/);
  await act(() => page.drop(logo));
  await opened('anchor on Kiln cup');
  await handedOver();
  expect(actions).toBeLessThanOrEqual(25);
});

test('words on both sides of a mug, to an order: at most 12', async () => {
  await press('Start a design on');
  await press('Mug 325 ml');
  await page.find('[role=dialog]');
  await fill('[role=dialog] input', 'Keep the light');
  await press('Start it');
  await page.ready();
  await act(() => page.keys('i'));
  await act(() => page.words(['Keep the light']));
  await press('Other side too');
  await page.saved();
  await handedOver();
  expect(actions).toBeLessThanOrEqual(12);
});

test('a shirt, to its print file: at most 12', async () => {
  await act(() => page.drop(logo));
  await opened('anchor on Shirt');
  await measured();
  await press('Make print file');
  await downloaded(browser, downloads);
  expect(actions).toBeLessThanOrEqual(12);
});

test('a phone case, to its print file: at most 12', async () => {
  await act(() => page.click(By.xpath('//label[contains(., "Wherran 4")]'), 'no case is offered'));
  await act(() => page.drop(logo));
  const found = await page.find('[aria-label^="Fit anchor on"][aria-label*="Wherran 4"]');
  await opened((await found.getAttribute('aria-label'))!.replace(/^Fit /, ''));
  await measured();
  await press('Make print file');
  expect(actions).toBeLessThanOrEqual(12);
});

test('six stickers of one picture, to a pack: at most 12', async () => {
  await press('Artwork');
  await page.says('body', /Drop files or a folder here/);
  await act(() => page.drop(many));
  await press('Cut stickers from it');
  await page.says('[aria-label="The set"]', /6 stickers[\s\S]*cut \d/);
  await press('Put 6 on the bench');
  await page.ready();
  await measured();
  await press('Pack…');
  await press('Make the pack');
  await page.find('[aria-label=Pack]');
  expect((await packs())[0]!.manifest.fits).toHaveLength(1);
  expect(actions).toBeLessThanOrEqual(12);
});

test('a design’s name of 120 letters in another script is the name of the file that comes down', async () => {
  const name = '灯台の港'.repeat(30);
  for (const one of readdirSync(downloads)) rmSync(join(downloads, one));
  await page.press('Start a design on');
  await page.press('Mug 325 ml');
  await (await page.find('[role=dialog] input')).sendKeys(name);
  await page.press('Start it');
  await page.ready();
  await page.keys('i');
  await page.words(['Keep the light']);
  await measured();
  await page.press('Make print file');
  const got = await downloaded(browser, downloads);
  // The whole of it fits a disk of any system, and is cut between letters.
  expect(Buffer.byteLength(got.name)).toBeLessThanOrEqual(130);
  expect(got.name).toMatch(/^(灯台の港){6,}(灯|灯台|灯台の)?_mug-325-ml/);
});
