import { Key, type WebDriver } from 'selenium-webdriver';
import type { Fit } from '@/core/fit/schema';
import { openBrowser, openDemo } from '../../../scripts/lib/browser.mjs';
import { keepsOut } from '../../support/axe';
import { Bench } from '../../support/bench-page';
import { boxTroubles, pageOf } from '../../support/boxes';
import { served } from '../../support/served';
import { records } from '../../support/stored';

/** Every place of the demo shop at every width: nothing covered, cut off or overlapping, and nobody kept out. */
const address = served().demo;
let browser: WebDriver;
let page: Bench;
let fits: Fit[];
let sheet: string;

beforeAll(async () => {
  browser = await openBrowser({ seed: served().profile });
  page = new Bench(browser, address);
  await openDemo(browser, address);
  fits = await records<Fit>(browser, 'fits');
  const artworks = await records<{ id: string; facts: { name: string } }>(browser, 'artworks');
  sheet = artworks.find(({ facts }) => facts.name.startsWith('tide-pool-sheet'))!.id;
});
afterAll(() => browser.quit());

const on = (blankId: string) => fits.find((fit) => fit.blankId === blankId)!.id;

/** A place by its address, and what it shows when it is there. */
const PLACES: readonly (readonly [place: string, path: () => string, shows: string])[] = [
  ['the range', () => '/', '[role=gridcell]'],
  ['artwork', () => '/artwork', 'h1'],
  ['stickers, of nothing yet', () => '/artwork/stickers', 'main *'],
  ['stickers from a sheet', () => `/artwork/stickers?of=${sheet}`, '[aria-label="The set"]'],
  ['blanks', () => '/blanks', '[data-library]'],
  ['a blank', () => '/blanks?blank=tumbler-470', '[aria-label=Blank]'],
  ['houses', () => '/blanks/houses', 'h1'],
  ['prices', () => '/blanks/prices', '[role=table]'],
  ['what it earns', () => `/earnings?fit=${on('mug-325')}`, 'svg.recharts-surface'],
  ['inks', () => `/inks?fit=${on('shirt')}`, '[aria-label="How many inks"] li'],
  ['a listing', () => `/listing?fit=${on('mug-325')}`, 'textarea'],
  ['layouts', () => '/blanks/layouts', 'h1'],
  ['a blank by its numbers', () => '/blanks/make', 'h1'],
  ['measuring', () => '/blanks/measure', 'h1'],
  ['a spec', () => '/blanks/spec', 'h1'],
  ['a template', () => '/blanks/template', 'h1'],
  ['pictures', () => '/pictures', 'h1'],
  ['a photo', () => '/pictures/photo', 'main *'],
  ['sheets', () => '/sheets', 'h1'],
  ['packs', () => '/packs', 'h1'],
  ['a mug on the bench', () => `/bench/${on('mug-325')}`, '[data-piece]'],
  ['a shirt on the bench', () => `/bench/${on('shirt')}`, '[data-piece]'],
  ['a sticker on the bench', () => `/bench/${on('sticker-die-cut')}`, '[data-piece]'],
  ['rows', () => `/rows?fit=${on('mug-325')}`, 'h1'],
  ['fits side by side', () => `/beside?fit=${on('mug-325')}&fit=${on('shirt')}`, 'h1'],
];
/** px of the page; 853 x 700 is also a window of twice that at 200 %. */
const SIZES = [
  [853, 700],
  [1024, 800],
  [1280, 700],
  [1920, 1080],
  [2560, 1440],
] as const;

/** What is drawn anew for a width is on its way for a moment: what is wrong stays wrong. */
async function troublesThatStay(): Promise<string[]> {
  let troubles: string[] = [];
  await browser
    .wait(async () => (troubles = await boxTroubles(browser)).length === 0, 4000)
    .catch(() => undefined);
  return troubles;
}

test.each(PLACES)(
  '%s: nothing overlaps or is cut off at any width, nothing keeps a person out',
  async (_, path, shows) => {
    await pageOf(browser, ...SIZES[0]);
    await browser.get(address + path());
    await page.find(shows);
    const troubles: [size: string, told: string[]][] = [];
    for (const [width, height] of SIZES) {
      await pageOf(browser, width, height);
      const told = await troublesThatStay();
      if (told.length > 0) troubles.push([`${width} x ${height}`, told]);
    }
    expect(troubles).toEqual([]);
    await pageOf(browser, 1280);
    expect(await keepsOut(browser)).toEqual([]);
    const seen = await browser.executeScript(
      "return [document.querySelectorAll('main').length, / · Up Fit$/.test(document.title)]",
    );
    expect(seen).toEqual([1, true]);
  },
);

test('the first Tab leads past the tape to the work', async () => {
  await browser.get(address);
  await page.find('[role=gridcell]');
  await page.keys(Key.TAB);
  expect(await browser.switchTo().activeElement().getText()).toBe('Skip to the work');
  await page.keys(Key.ENTER);
  expect(await browser.switchTo().activeElement().getTagName()).toBe('main');
  await page.keys(Key.TAB);
  const inMain = await browser.executeScript<boolean>(
    "return document.querySelector('main').contains(document.activeElement)",
  );
  expect(inMain).toBe(true);
});

test('a file dropped where nothing takes it does not take the app’s place, and is told where it belongs', async () => {
  await browser.get(`${address}/packs`);
  await page.find('h1');
  const kept = await browser.executeScript<boolean[]>(`
    const data = new DataTransfer();
    data.items.add(new File(['x'], 'gull.png', { type: 'image/png' }));
    const drop = (target) => !target.dispatchEvent(
      new DragEvent('drop', { dataTransfer: data, bubbles: true, cancelable: true }));
    const words = new DragEvent('drop', { dataTransfer: new DataTransfer(), bubbles: true, cancelable: true });
    return [drop(document.querySelector('h1')), drop(document.querySelector('header')), document.body.dispatchEvent(words)];
  `);
  expect(kept).toEqual([true, true, true]);
  await page.says('[data-sonner-toast]', /Nothing takes files here. Drop artwork on Artwork, on the range/);
});

test('a fit’s tab says what it shows', async () => {
  await browser.get(`${address}/bench/${on('mug-325')}`);
  await page.find('[data-piece]');
  await browser.wait(async () => / on Mug 325 ml · Up Fit$/.test(await browser.getTitle()), 20_000);
});
