import { rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { TextWriter, Uint8ArrayReader, ZipReader, type FileEntry } from '@zip.js/zip.js';
import { By, Key, type WebDriver } from 'selenium-webdriver';
import type { Listing } from '@/core/listing/schema';
import type { PriceList } from '@/core/price/list';
import { openBrowser, openDemo } from '../../../scripts/lib/browser.mjs';
import { keepsOut } from '../../support/axe';
import { downloaded, newFolder, Page, PATIENCE } from '../../support/bench';
import { served } from '../../support/served';
import { records } from '../../support/stored';

/** What a fit costs and earns, and how it is listed: from prices that a house gave to a pack for the place it is sold at. */
const folder = newFolder();
const downloads = newFolder();
let browser: WebDriver;
let page: Page;

beforeAll(async () => {
  browser = await openBrowser({ seed: served().profile, downloads });
  page = new Page(browser, served().demo);
  await openDemo(browser, served().demo);
});
afterAll(async () => {
  await browser.quit();
  for (const one of [folder, downloads]) rmSync(one, { recursive: true, maxRetries: 5 });
});

const go = (path: string) => browser.get(served().demo + path);
const costs = () => page.find('[aria-label="What it costs"]');
async function type(name: string, text: string): Promise<void> {
  const field = await page.find(`input[id="${await idOf(name)}"]`);
  await field.sendKeys(Key.chord(Key.CONTROL, 'a'), text, Key.ENTER);
}
const canSave = async () =>
  (await browser.findElement(By.xpath('//button[starts-with(., "Save the listing")]'))).isEnabled();
/** A field by the label before it. */
async function idOf(name: string): Promise<string> {
  const label = await browser.wait(
    async () => (await browser.findElements(By.xpath(`//label[starts-with(., "${name}")]`)))[0],
    PATIENCE,
    `no field is called ${name}`,
  );
  return (await label!.getAttribute('for')) ?? '';
}

test('from a Ready fit to a saved listing pack in at most ten actions: five', async () => {
  await go('/bench/knot-badge--mug-325');
  await page.says('[aria-label="What it costs"]', /costs\s+7\.35 EUR\s+earns\s+5\.79 \(39\.9 %\)/);
  await (await (await costs()).findElement(By.css('button'))).click();
  await page.press('Listing');
  await page.says('h1', /Listing of Knot badge on Mug 325 ml/);
  expect(await canSave()).toBe(false);
  await page.press('Draft it');
  await page.says('main', /\d+ of 80/);
  await page.press('Save the listing');
  const { bytes } = await downloaded(browser, downloads, '.zip');
  const entries = (await new ZipReader(new Uint8ArrayReader(bytes)).getEntries()) as FileEntry[];
  const names = entries.map(({ filename }) => filename);
  expect(names).toEqual(expect.arrayContaining(['texts.txt', 'variants.csv', 'listing.json']));
  expect(names.filter((name) => /^pictures\/\d\d-.*\.jpg$/.test(name)).length).toBeGreaterThan(3);
  const read = (name: string) => entries.find(({ filename }) => filename === name)!.getData(new TextWriter());
  const listing = JSON.parse(await read('listing.json')) as {
    description: string;
    pictures: { alt: string }[];
  };
  // The blank's own size, in both units.
  expect(listing.description).toMatch(/222 × 92 mm \(8\.7 × 3\.6 in\)/);
  expect(listing.pictures.every(({ alt }) => /Knot badge on Mug 325 ml/.test(alt))).toBe(true);
  expect(await read('variants.csv')).toMatch(
    /sku,title,colour,size,price,currency,cost,stock\r?\nKNOT-BADGE-/,
  );
  expect(await keepsOut(browser)).toEqual([]);
});

test('a tag of 19 is refused as it is typed, a doubled one is named, and a size that is not the fit’s', async () => {
  const field = await page.named('More tags', 'input');
  await field.sendKeys('a gift of nineteen!');
  await page.says('main', /“a gift of nineteen!” is 19 long, and a tag may be 18/);
  await field.sendKeys(Key.chord(Key.CONTROL, 'a'), 'Gift');
  await page.says('main', /“Gift” stands there already/);
  await field.sendKeys(Key.chord(Key.CONTROL, 'a'), 'harbour, lamp', Key.ENTER);
  await browser.wait(async () =>
    (await records<Listing>(browser, 'listings')).some(({ tags }) => tags.includes('lamp')),
  );
  const words = await page.find('textarea[aria-label=Description]');
  await words.sendKeys(Key.chord(Key.CONTROL, Key.END), ' It is 300 x 90 mm.', Key.TAB);
  await page.says('main', /“300 x 90 mm” is said, and the print is 222 × 92 mm/);
  expect(await canSave()).toBe(false);
});

test('another number of inks is said apiece as it is changed; what is not known is unknown', async () => {
  await go('/bench/keep-the-light--shirt');
  await costs();
  await (await (await costs()).findElement(By.css('button'))).click();
  await type('pieces ordered at once', '40');
  await type('inks', '5');
  await type('inks', '3');
  await page.says('[role=dialog]', /5 inks to 3:\s*0\.90 EUR\s*less apiece over 40/);
  await type('pieces ordered at once', '1');
  expect(await keepsOut(browser)).toEqual([]);
  await go('/bench/knot-badge--tumbler-taper-480');
  await page.says('[aria-label="What it costs"]', /costs\s+unknown\s+earns unknown/);
});

test('a table of prices with commas is told by row and field; its columns are matched, and the rest is taken', async () => {
  await go('/blanks/prices');
  expect(await keepsOut(browser)).toEqual([]);
  const path = join(folder, 'fogbell.csv');
  writeFileSync(
    path,
    'Item;Printer;From;Each;Parcel\nshirt;Fogbell Print;1;8.10;2.80\nshirt;Fogbell Print;20;6,90;2.80\nshirt;Fogbell Print;50;9.90;2.80\nmug-325;Fogbell Print;1;-3;2.00\n',
  );
  await (await page.find('input[aria-label="A table of prices"]')).sendKeys(path);
  await page.choose('Column of blank', 'Item');
  await page.choose('Column of house', 'Printer');
  await page.choose('Column of price of one', 'Each');
  await page.choose('Column of postage', 'Parcel');
  await page.says('[role=dialog]', /Row 3, price: “6,90” has a comma: write 6\.90/);
  await page.says('[role=dialog]', /Row 5, price: “-3” is below zero/);
  await page.says('[role=dialog]', /Row 4, price: 9\.90 from 50 is more than 8\.10 from 1/);
  await page.press('Take the 2 rows that read');
  await browser.wait(async () => (await records<PriceList>(browser, 'prices')).length === 2);
  await page.says('main', /fogbell/);
  const cell = await page.named('price of one of line 1', 'input');
  await cell.sendKeys(Key.chord(Key.CONTROL, 'a'), '7,10', Key.ENTER);
  await page.says('[role=alert]', /“7,10” has a comma: write 7\.10/);
  expect(await cell.getAttribute('value')).toBe('7,10');
  await cell.sendKeys(Key.chord(Key.CONTROL, 'a'), '7.10', Key.ENTER);
  await browser.wait(async () =>
    (await records<PriceList>(browser, 'prices')).some(({ lines }) => lines[0]?.price === '7.10'),
  );
});

test('places to sell are changed where they stand, and charts follow; each has its numbers and is saved', async () => {
  await go('/blanks/prices?outlet=quay-market');
  await type('fee, in percent', 'eight');
  await page.says('main', /Write a number with a point/);
  await type('fee, in percent', '20');
  await browser.wait(async () => (await records(browser, 'outlets')).length === 1);
  await go('/earnings?fit=knot-badge--mug-325');
  await page.says('main', /Margin by what is asked/);
  await page.says('main', /no loss from 9\.44 EUR; 27\.9 % at 14\.50/);
  await browser.wait(async () => (await browser.findElements(By.css('svg.recharts-surface'))).length >= 4);
  await page.press('Its numbers');
  await page.says('table', /asked, EUR/);
  await (await page.named('Save Margin by what is asked', 'button')).click();
  await page.press('as a drawing, SVG');
  const { bytes } = await downloaded(browser, downloads, '.svg');
  expect(bytes.toString()).toMatch(/^<svg/);
  expect(bytes.toString()).not.toMatch(/var\(/);
  await (await page.named('Save Margin by what is asked', 'button')).click();
  await page.press('as a picture, PNG');
  expect((await downloaded(browser, downloads, '.png')).bytes.subarray(1, 4).toString()).toBe('PNG');
  expect(await keepsOut(browser)).toEqual([]);
});
