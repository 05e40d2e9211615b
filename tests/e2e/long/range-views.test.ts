import { execFileSync } from 'node:child_process';
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { unzipSync } from 'fflate';
import { PNG } from 'pngjs';
import { By, Key } from 'selenium-webdriver';
import type { Fit } from '@/core/fit/schema';
import type { Sheet } from '@/core/sheet/schema';
import { keepsOut } from '../../support/axe';
import { downloaded } from '../../support/bench';
import { BenchShop } from '../../support/bench-shop';
import { RangePage } from '../../support/range-page';
import { records } from '../../support/stored';

/** What of the range is shown, and what is made of all that is chosen. */
const shop = new BenchShop();
const range = new RangePage(shop);
const { downloads } = shop;

beforeAll(async () => {
  await shop.open();
  await range.open();
  for (const blank of ['Tumbler 470 ml', 'Tote bag', 'Coaster']) {
    await shop.bench.addBlank(blank);
    await shop.bench.named(`${blank}: column`);
  }
  await (await shop.bench.named('Fit gull on Coaster', 'button')).click();
  await range.open();
});
afterAll(() => shop.close());

const columns = () =>
  shop.browser.executeScript<string[]>(
    `return [...document.querySelectorAll('[role=columnheader] [aria-label$=": column"]')]
       .map((head) => head.getAttribute('aria-label').replace(': column', ''));`,
  );

test('columns by kind and by house, only those of one method; a view is kept by name and stays over a reload', async () => {
  await (await shop.bench.named('View of the range')).click();
  await shop.bench.choose('Columns', 'kind');
  await range.become(async () => (await columns()).indexOf('Tumbler 470 ml') === 1, 'kinds are not together');
  await shop.bench.choose('by way of', 'sublimation');
  await range.become(async () => !(await columns()).includes('Shirt'), 'the shirt stays');
  expect(await keepsOut(shop.browser)).toEqual([]);
  await shop.bench.press('Keep this view by name');
  await (await shop.bench.find('form input')).sendKeys('pressed ones', Key.ENTER);
  await shop.bench.says('[aria-label="View of the range"]', /pressed ones/);
  await shop.bench.reload();
  await shop.bench.says('[aria-label="View of the range"]', /pressed ones/);
  expect(await columns()).not.toContain('Shirt');
  await (await shop.bench.named('View of the range')).click();
  await shop.bench.press('Show all');
  await range.become(async () => (await columns()).includes('Shirt'), 'the shirt does not come back');
  await shop.bench.press('pressed ones');
  await range.become(async () => !(await columns()).includes('Shirt'), 'the kept view is not shown');
  await (await shop.bench.named('Forget the view pressed ones')).click();
  await shop.bench.press('Show all');
  await shop.bench.keys(Key.ESCAPE);
});

test('rows under heads, and only what something stands against; where nothing is left, the way back', async () => {
  await (await shop.bench.named('View of the range')).click();
  await shop.bench.choose('Rows', 'standing');
  await shop.bench.says('[role=rowgroup]', /^with a Fix/);
  expect(await keepsOut(shop.browser)).toEqual([]);
  await shop.bench.choose('Against them', 'seam');
  await shop.bench.says('body', /No design is what this view asks for/);
  await shop.bench.keys(Key.ESCAPE);
  await shop.bench.press('Show all');
  await shop.bench.named('gull on Mug 325 ml:', 'button');
  await range.search('whelk');
  await shop.bench.says('body', /No design found by “whelk”/);
  await shop.bench.press('Show all');
  await shop.bench.named('gull on Mug 325 ml:', 'button');
});

test('side by side at one scale: a page as PDF and as PNG, read by other programs', async () => {
  await range.only('gull on Mug 325 ml', 'gull on Coaster');
  await range.handOver('Show them side by side');
  await shop.bench.says('h1', /gull on 2 products/);
  await shop.bench.named('Open gull on Coaster on the bench');
  expect(await keepsOut(shop.browser)).toEqual([]);
  await shop.bench.press('Save as PDF');
  const pdf = await downloaded(shop.browser, downloads, '.pdf');
  const path = join(downloads, pdf.name);
  expect(execFileSync('pdfinfo', [path], { encoding: 'utf8' })).toMatch(
    /Title:\s+gull on 2 products[^]*Pages:\s+1\n[^]*841\.89 x 595/,
  );
  await shop.bench.press('Save as PNG');
  const { bytes } = await downloaded(shop.browser, downloads, '.png');
  const { width, height } = PNG.sync.read(bytes);
  expect([width, height]).toEqual([2339, 1654]);
  for (const name of [pdf.name, 'gull-on-2-products.png']) rmSync(join(downloads, name));
  await shop.bench.press('Back to the range');
});

test.each([
  ['Save print files', 'print-files.zip', /\.(png|tif|pdf|jpg)$/],
  ['Save docket pages', 'dockets.zip', /-docket(-\d)?\.pdf$/],
  ['Save templates of their blanks', 'templates.zip', /template\.pdf$/],
])('%s of all that is chosen, in one zip with a list', async (line, ending, file) => {
  await range.only('gull on Mug 325 ml', 'gull on Coaster');
  await range.handOver(line);
  await shop.bench.press('Make them');
  await shop.bench.says('[role=dialog] [role=status]', /\d files? (is|are) made\.$/);
  await shop.bench.press('Save the zip');
  const { name, bytes } = await downloaded(shop.browser, downloads, ending);
  const files = Object.keys(unzipSync(new Uint8Array(bytes))).filter((one) => one !== 'list.json');
  // One of each, and of the mug’s cell both fits that are in it.
  expect(files.length).toBeGreaterThanOrEqual(2);
  for (const one of files) expect(one).toMatch(file);
  expect(new Set(files).size).toBe(files.length);
  rmSync(join(downloads, name));
  await shop.bench.press('Leave');
});

test('taken to a pack, to pictures, and on a new sheet: each with what was chosen and nothing else', async () => {
  await range.only('gull on Coaster');
  await range.handOver('Lay them on a new sheet');
  await shop.bench.says('body', /Sheet 1/);
  const fitOf = async () =>
    (await records<Fit>(shop.browser, 'fits')).find(({ blankId }) => blankId === 'coaster')!;
  const { id } = await fitOf();
  await range.become(async () => {
    const [sheet] = await records<Sheet>(shop.browser, 'sheets');
    return sheet?.items.length === 1 && sheet.items[0]!.fitId === id;
  }, 'the sheet has something else on it');
  await range.open();
  await range.handOver('Put them in a pack');
  await shop.bench.named('gull on Coaster', '[role=checkbox]');
  const ticked = await shop.browser.findElements(By.css('table [role=checkbox][aria-checked=true]'));
  expect(await Promise.all(ticked.map((one) => one.getAttribute('aria-label')))).toEqual(['gull on Coaster']);
  await range.open();
  await range.handOver('Make pictures of them');
  await shop.bench.says('body', /gull/);
  await range.open();
});

test('a size that is not offered: the nearest blanks with what changes, a fit on one with an undo, or one made so', async () => {
  await shop.bench.menu('gull on Coaster: what can be done', 'On another size');
  // The dialog is fetched as it is first asked for.
  await shop.bench.says('[role=dialog]', /size of the print/);
  const field = await shop.browser.switchTo().activeElement();
  await field.sendKeys('90 mm by 80 mm');
  await shop.bench.says('[role=dialog]', /width and a height/i);
  await field.sendKeys(Key.chord(Key.CONTROL, 'a'), '75 x 85 mm');
  const said = await shop.bench.says('[aria-label="Nearest sizes"]', /Hanging ornament/);
  expect(said).toMatch(
    /^Hanging ornament\n80\.0 × 88\.0 mm\n5\.0 mm wider, 3\.0 mm higher\n83 % of its size, \d+ PPI instead of \d+/,
  );
  expect(await keepsOut(shop.browser)).toEqual([]);
  const before = (await range.fits()).length;
  await shop.bench.press('Fit it there');
  await range.become(async () => (await range.fits()).length === before + 1, 'it is not fitted');
  await shop.bench.named('gull on Hanging ornament:', 'button');
  await shop.bench.undo('fitted on Hanging ornament');
  await range.become(async () => !(await columns()).includes('Hanging ornament'), 'the column stays');
  await shop.bench.menu('gull on Coaster: what can be done', 'On another size');
  await shop.bench.says('[role=dialog]', /size of the print/);
  await (await shop.browser.switchTo().activeElement()).sendKeys('75 x 85 mm');
  await shop.bench.press('Make one of just');
  await range.become(async () => {
    const inputs = await shop.browser.findElements(By.css('section[aria-label=Numbers] input'));
    const values = await Promise.all(inputs.map((one) => one.getAttribute('value')));
    return values.includes('75.0 mm') && values.includes('85.0 mm');
  }, 'the form does not begin with the size');
});
