import type { WebDriver } from 'selenium-webdriver';
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
