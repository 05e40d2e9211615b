import { Key, type WebDriver } from 'selenium-webdriver';
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

test('a block is chosen by keyboard from one corner to the other, and every fit of it is counted', async () => {
  const cell = await page.find('[role=gridcell] button');
  await browser.executeScript('arguments[0].focus({ focusVisible: true })', cell);
  await browser.actions().keyDown(Key.CONTROL).sendKeys(Key.HOME).keyUp(Key.CONTROL).perform();
  await page.keys(Key.ARROW_RIGHT);
  await browser
    .actions()
    .keyDown(Key.SHIFT)
    .sendKeys(...Array<string>(30).fill(Key.ARROW_DOWN), ...Array<string>(10).fill(Key.ARROW_RIGHT))
    .keyUp(Key.SHIFT)
    .perform();
  await page.says('[aria-label="Chosen on the range"]', /341 chosen/);
  await page.keys(Key.ESCAPE);
  await browser.actions().keyDown(Key.CONTROL).sendKeys('a').keyUp(Key.CONTROL).perform();
  await page.says('[aria-label="Chosen on the range"]', /20000 chosen|20,000 chosen/);
  expect(await keepsOut(browser)).toEqual([]);
});
