import { Key, type Actions, type WebDriver } from 'selenium-webdriver';
import { openBrowser, openDemo } from '../../../scripts/lib/browser.mjs';
import { fillRange } from '../../../scripts/lib/full-range.mjs';
import { keepsOut } from '../../support/axe';
import { Page } from '../../support/bench';
import { boxTroubles } from '../../support/boxes';
import { served } from '../../support/served';

/** A range as large as a real shop's: 500 designs on 40 blanks, 6,000 fits. */
let browser: WebDriver;
let page: Page;

beforeAll(async () => {
  browser = await openBrowser({ seed: served().profile });
  page = new Page(browser, served().demo);
  await openDemo(browser, served().demo);
  await fillRange(browser);
  await browser.get(served().demo);
  await page.says('h1', /500 designs on 40 blanks/);
});
afterAll(() => browser.quit());

test('keeps nobody out, and nothing of it overlaps', async () => {
  await page.find('[role=gridcell]');
  expect(await keepsOut(browser)).toEqual([]);
  expect(await boxTroubles(browser)).toEqual([]);
});

test('a block is chosen by keys as fast as they are pressed: none is lost', async () => {
  await page.find('[role=gridcell] [data-place]');
  await browser.executeScript(`document.querySelector('[role=gridcell] [data-place]').focus()`);
  const press = (key: string, times: number) =>
    Array.from({ length: times }).reduce<Actions>((all) => all.sendKeys(key), browser.actions());
  const both = async (key: string, times: number) => {
    await browser.actions().keyDown(Key.SHIFT).perform();
    await press(key, times).perform();
    await browser.actions().keyUp(Key.SHIFT).perform();
  };
  await both(Key.ARROW_DOWN, 14);
  await both(Key.ARROW_RIGHT, 9);
  await page.says('[aria-label="Chosen on the range"]', /^150 chosen/);
});
