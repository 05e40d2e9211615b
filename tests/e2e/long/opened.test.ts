import { By, Key, type WebDriver, type WebElement } from 'selenium-webdriver';
import type { Fit } from '@/core/fit/schema';
import { openBrowser, openDemo } from '../../../scripts/lib/browser.mjs';
import { keepsOut } from '../../support/axe';
import { PATIENCE } from '../../support/bench';
import { Bench } from '../../support/bench-page';
import { served } from '../../support/served';
import { records } from '../../support/stored';

/** Everything that opens over a place: nobody is kept out of it, the focus goes in, Escape puts it away and the focus is somewhere. */
const address = served().demo;
let browser: WebDriver;
let page: Bench;
let fits: Fit[];

beforeAll(async () => {
  browser = await openBrowser({ seed: served().profile });
  page = new Bench(browser, address);
  await openDemo(browser, address);
  fits = await records<Fit>(browser, 'fits');
});
afterAll(() => browser.quit());

const on = (blankId: string) => fits.find((fit) => fit.blankId === blankId)!.id;

/** A place by its address, what it shows when it is there, and how many things are known to open over it at least. */
const PLACES: readonly (readonly [place: string, path: () => string, shows: string, least: number])[] = [
  ['the range', () => '/', '[role=gridcell]', 11],
  ['artwork', () => '/artwork', '[role=option]', 2],
  ['blanks', () => '/blanks', '[data-library]', 3],
  ['a blank', () => '/blanks?blank=tumbler-470', '[aria-label=Blank]', 3],
  ['houses', () => '/blanks/houses', 'h1', 3],
  ['prices', () => '/blanks/prices', '[role=table]', 2],
  ['what it earns', () => `/earnings?fit=${on('mug-325')}`, 'svg.recharts-surface', 4],
  ['a listing', () => `/listing?fit=${on('mug-325')}`, 'textarea', 2],
  ['layouts', () => '/blanks/layouts', 'h1', 1],
  ['pictures', () => '/pictures', 'h1', 3],
  ['sheets', () => '/sheets', 'h1', 1],
  ['packs', () => '/packs', 'h1', 2],
  ['a mug on the bench', () => `/bench/${on('mug-325')}`, '[data-piece]', 15],
  ['a sticker on the bench', () => `/bench/${on('sticker-die-cut')}`, '[data-piece]', 12],
];

/** What opens over a place; the hints that show themselves are none of it. */
const OPEN = '[role=dialog], [role=alertdialog], [role=menu], [role=listbox][data-state=open]';

/** The names of what opens something: of the many that a grid or a list repeats, the first. */
const openers = () =>
  browser.executeScript<string[]>(`
    const repeated = new Set();
    return [...document.querySelectorAll('button')].filter((one) => {
      if (one.disabled || !one.checkVisibility({ visibilityProperty: true })) return false;
      if (one.closest('[role=menu], [role=dialog], [data-sonner-toaster]')) return false;
      if (one.hasAttribute('aria-pressed')) return false;
      if (!one.matches('[aria-haspopup], [role=combobox]') && !one.textContent.trim().endsWith('…')) return false;
      const row = one.closest('[role=gridcell], [role=rowheader], [role=columnheader], [role=option], [data-rule], tr, li');
      if (!row) return true;
      const kind = (row.getAttribute('role') ?? row.tagName) + one.textContent.trim().slice(0, 4);
      if (repeated.has(kind)) return false;
      repeated.add(kind);
      return true;
    }).map((one, i) => (one.dataset.opener = String(i)));
  `);

/** Lines of the open menu that open something themselves. */
const linesThatOpen = () =>
  browser.executeScript<string[]>(`
    return [...document.querySelectorAll('[role=menuitem]')]
      .filter((one) => !one.hasAttribute('data-disabled') && one.firstChild?.textContent.trim().endsWith('…'))
      .map((one) => one.firstChild.textContent.trim());
  `);

const opener = (i: string) => browser.findElement(By.css(`[data-opener="${i}"]`));
const isOpen = async () => (await browser.findElements(By.css(OPEN))).length > 0;

/** Whether it is answered in a field of its own, in its place. */
const isTyping = () =>
  browser.executeScript<boolean>('return /^(INPUT|TEXTAREA)$/.test(document.activeElement.tagName)');

/** Opens by keyboard, as the pointer may not come to what shows itself under it alone. */
async function open(button: WebElement): Promise<boolean> {
  await browser.executeScript('arguments[0].focus(); arguments[0].click();', button);
  if (await comes(700)) return true;
  // It may be drawn anew as it opens, or have led elsewhere.
  await button.sendKeys(Key.ENTER).catch(() => undefined);
  return comes(3000);
}

/** Whether something is open before so many ms have gone by. */
function comes(ms: number): Promise<boolean> {
  return browser.wait(isOpen, ms).then(
    () => true,
    () => false,
  );
}

/** What is wrong with what is open, and with how it is put away. */
async function troublesOf(name: string): Promise<string[]> {
  const troubles: string[] = [];
  const within = () =>
    browser.executeScript<boolean>(
      `return [...document.querySelectorAll('${OPEN}')].some((one) => one.contains(document.activeElement))`,
    );
  await browser.wait(within, 3000).catch(() => troubles.push(`${name}: the focus does not go in`));
  if (!(await isOpen())) return [`${name}: goes away by itself`];
  for (const [rule, html] of await keepsOut(browser, OPEN)) troubles.push(`${name}: ${rule} ${html}`);
  for (let tries = 0; tries < 3 && (await isOpen()); tries++) {
    await page.keys(Key.ESCAPE);
    await browser.wait(async () => !(await isOpen()), 2000).catch(() => undefined);
  }
  if (await isOpen()) troubles.push(`${name}: Escape does not put it away`);
  const lost = () => browser.executeScript<boolean>('return document.activeElement === document.body');
  await browser
    .wait(async () => !(await lost()), 3000)
    .catch(() => troubles.push(`${name}: the focus is lost after it`));
  return troubles;
}

test.each(PLACES)(
  '%s: everything that opens over it',
  async (_, path, shows, least) => {
    const troubles: string[] = [];
    let opened = 0;
    const go = async () => {
      await browser.get(address + path());
      await page.find(shows);
      return openers();
    };
    const seen = async (name: string) => {
      opened++;
      troubles.push(...(await troublesOf(name)));
      if ((await browser.getCurrentUrl()) !== address + path() || (await isOpen())) await go();
    };
    const all = await go();
    for (const i of all) {
      await openers();
      const [button] = await browser.findElements(By.css(`[data-opener="${i}"]`));
      if (!button) continue;
      const name = (await button.getAttribute('aria-label')) ?? (await button.getText());
      if (!(await open(button))) {
        if ((await browser.getCurrentUrl()) !== address + path() || (await isTyping())) await go();
        else troubles.push(`${name}: does not open`);
        continue;
      }
      // From the last: one that adds a version takes others of the menu away.
      const lines = (await linesThatOpen()).reverse();
      await seen(name);
      for (const line of lines) {
        await openers();
        if (!(await open(await opener(i)))) continue;
        await page.click(
          By.xpath(`//*[@role="menuitem"][starts-with(normalize-space(), "${line}")]`),
          `${name} has no ${line}`,
        );
        await page.gone('[role=menu]');
        if (await comes(2000)) await seen(`${name}, ${line}`);
        else await go();
      }
    }
    expect(troubles).toEqual([]);
    expect(opened).toBeGreaterThanOrEqual(least);
  },
  PATIENCE * 6,
);
