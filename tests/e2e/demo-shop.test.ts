import { readFileSync } from 'node:fs';
import { PNG } from 'pngjs';
import { By, Key, until, type WebDriver, type WebElement } from 'selenium-webdriver';
import type { ChromiumWebDriver } from 'selenium-webdriver/chromium';
import { VERDICTS, type RuleId, type Verdict } from '@/core/check/finding';
import type { MeasuredDemo } from '@/demo/measured';
import type { StoredDocket } from '@/store/schema';
import { openBrowser, openDemo } from '../../scripts/lib/browser.mjs';
import { Page, PATIENCE } from '../support/bench';
import { served } from '../support/served';
import { few, longTest } from '../support/long';
import { putRecord, records } from '../support/stored';

const app = { address: served().demo };
let browser: WebDriver;
let page: Page;

beforeAll(async () => {
  browser = await openBrowser({ seed: served().profile });
  page = new Page(browser, app.address);
  await openDemo(browser, app.address);
});
afterAll(async () => {
  await browser.quit();
});

const count = async (css: string) => (await browser.findElements(By.css(css))).length;
const becomes = (css: string, number: number) =>
  browser.wait(async () => (await count(css)) === number, PATIENCE, `${css} did not become ${number}`);
/** How many designs there are to be scrolled through: only those in sight are drawn. */
const showsDesigns = (rows: number) =>
  browser.wait(
    async () => {
      const grid = await browser.findElements(By.css('[role=grid]'));
      return (await grid[0]?.getAttribute('aria-rowcount')) === String(rows + 1);
    },
    PATIENCE,
    `the range did not come to ${rows} designs`,
  );
/** A docket to nine digits, the places of each finding in one order: between two machines a tie goes by the last digits. */
const inPlace = (docket: StoredDocket) =>
  withPlaces(JSON.parse(JSON.stringify(docket, nineDigits)) as StoredDocket);
const nineDigits = (_: string, value: unknown) =>
  typeof value === 'number' ? Number(value.toPrecision(9)) : value;
const withPlaces = (docket: StoredDocket) => ({
  ...docket,
  findings: docket.findings.map(({ places, ...finding }) => ({
    ...finding,
    places: [...(places ?? [])].sort((a, b) => a.left - b.left || a.top - b.top),
  })),
});
/** Has only the designs of a name shown; all of them where it is empty. */
async function only(design: string): Promise<void> {
  const search = await page.find('input[type=search]');
  await search.sendKeys(Key.chord(Key.CONTROL, 'a'), Key.BACK_SPACE, design);
}
/** A cell, brought into sight by the name of its design. */
async function cell(design: string, says: string): Promise<WebElement> {
  await only(design);
  return page.named(`${design} on ${says}`, 'button');
}

describe('the range of the demo shop', () => {
  test('shows every design on every blank, with the worst verdict of each and a word for it', async () => {
    await page.says('h1', /12 designs on 6 blanks/);
    await cell('Wave repeat', 'Mug 325 ml: Fix, Bleed −4.1 mm');
    await cell('Compass rose', 'Mug 325 ml: Look, 2.0 mm off');
    await cell('Storm', 'Tumbler 470 ml: Fix, Seam dE');
    await cell('Knot badge', 'Shirt: Ready');
  });

  longTest('what it came with, measured when it was made, is what this browser measures', async () => {
    const shipped = JSON.parse(readFileSync('public/demo/measured.json', 'utf8')) as MeasuredDemo;
    const before = await records<StoredDocket>(browser, 'dockets');
    expect(before).toHaveLength(shipped.dockets.length);
    // Some of them no longer hold, as after an edit.
    const some = new Set(few(shipped.dockets, 8).map(({ fitId }) => fitId));
    for (const table of ['dockets', 'summaries'])
      for (const one of await records<{ fitId: string }>(browser, table))
        if (some.has(one.fitId)) await putRecord(browser, table, { ...one, key: 'another', measuredAt: 1 });
    await browser.get(app.address);
    const measured = async () =>
      (await records<StoredDocket>(browser, 'dockets')).filter(
        ({ fitId, measuredAt }) => some.has(fitId) && measuredAt > 1,
      );
    await browser.wait(
      async () => (await measured()).length === some.size,
      2 * PATIENCE,
      'what does not hold is not measured again',
    );
    const here = new Map((await measured()).map((one) => [one.fitId, one]));
    for (const docket of shipped.dockets.filter(({ fitId }) => some.has(fitId)))
      expect(inPlace({ ...here.get(docket.fitId)!, measuredAt: 0 })).toEqual(inPlace(docket));
  });

  test('between them its fits show every verdict of every rule that has them', async () => {
    const seen = new Map<RuleId, Set<Verdict>>();
    for (const { findings } of await records<StoredDocket>(browser, 'dockets'))
      for (const { rule, verdict } of findings) seen.set(rule, (seen.get(rule) ?? new Set()).add(verdict));
    const verdicts = (rule: RuleId) => [...(seen.get(rule) ?? [])].sort();
    for (const rule of ['resolution', 'bleed', 'safe', 'colour-mode', 'file-spec'] as const)
      expect([rule, ...verdicts(rule)]).toEqual([rule, ...[...VERDICTS].sort()]);
    // A motif off its centre is for a person to decide; it is never a Fix.
    expect(verdicts('centre')).toEqual(['look', 'ready']);
  });

  test('reloaded, nothing is measured again', async () => {
    await browser.get(app.address);
    await cell('Wave repeat', 'Mug 325 ml: Fix');
    expect(await browser.findElements(By.css('button[aria-label$="measuring"]'))).toEqual([]);
  });

  test('a repeat is drawn without a gap: the product shows through nowhere', async () => {
    const repeat = await cell('Wave repeat', 'Tumbler 470 ml');
    const { data } = PNG.sync.read(Buffer.from(await repeat.takeScreenshot(true), 'base64'));
    let bare = 0;
    for (let at = 0; at < data.length; at += 4)
      if (data[at] === 0xf7 && data[at + 1] === 0xf6 && data[at + 2] === 0xf2) bare++;
    expect(bare / (data.length / 4)).toBeLessThan(0.02);
  });

  test('shows only what needs work, or only what is ready', async () => {
    await only('');
    await page.press('ready');
    await showsDesigns(0);
    await page.press('needs work');
    await cell('Storm', 'Mug 325 ml');
    await only('');
    await page.press('all');
    await showsDesigns(12);
  });

  test('a design taken off comes back with undo, its fits with it', async () => {
    await only('Storm');
    await page.menu('Storm: what can be done', 'Take off the range');
    await showsDesigns(0);
    await page.says('h1', /11 designs/);
    await page.undo('is off the range');
    await showsDesigns(1);
    await cell('Storm', 'Tumbler 470 ml: Fix');
  });

  test('a column taken off keeps its fits for when it is back', async () => {
    await (await page.named('Sticker 75, die cut: column')).click();
    await page.press('Take this column off');
    await page.says('h1', /on 5 blanks/);
    await page.addBlank('Sticker 75, die cut');
    await page.says('h1', /on 6 blanks/);
    await cell('Compass rose', 'Sticker 75, die cut: Fix, Clear parts');
  });

  longTest('another house chosen for a blank: every fit on it is checked again by its numbers', async () => {
    const house = async (name: string) => {
      await browser.get(`${app.address}/blanks?blank=tumbler-470`);
      await page.choose('House', name);
      await page.says('[aria-label=Blank]', name.startsWith('Corrie') ? /To ask Corrie/ : /To ask Harl/);
      await browser.get(app.address);
    };
    await house('Corrie Transfer Co., coated');
    await cell('Storm', 'Tumbler 470 ml: Fix, Bleed −1.0 mm');
    await house('Harl Kiln Works, tumblers');
    await cell('Storm', 'Tumbler 470 ml: Fix, Seam dE');
  });

  test('lengths turn to inches everywhere, and back', async () => {
    await page.menu('Lengths in millimetres', 'inches, in fractions');
    await page.says('[role=grid]', /8 3\/4/);
    await page.menu('Lengths in inches, in fractions', 'inches, in decimals');
    await page.says('[role=grid]', /8\.747/);
    await page.menu('Lengths in inches, in decimals', 'millimetres');
    await page.says('[role=grid]', /222\.2 × 92\.0 mm/);
  });
});

describe('the bench, piece by piece', () => {
  const open = async (fit: string) => {
    await browser.get(`${app.address}/bench/${fit}`);
    await page.find('[data-piece]');
  };
  const selected = () => page.find('[data-piece][aria-pressed=true]');

  test('Tab walks the pieces, the strip says which', async () => {
    await open('night-watch--mug-325');
    await page.says('[role=toolbar]', /3 of 3/);
    await (await page.named('Piece before')).click();
    await page.says('[role=toolbar]', /2 of 3/);
    const grips = await browser.findElements(By.css('[data-piece]'));
    await browser.executeScript('arguments[0].focus({ focusVisible: true })', grips[0]);
    await page.says('[role=toolbar]', /1 of 3/);
    await page.keys(Key.TAB);
    await page.says('[role=toolbar]', /2 of 3/);
  });

  test('pointing at a line of the docket marks the place on the flat', async () => {
    await open('wave-repeat--mug-325');
    await page.verdict('bleed', 'fix');
    const line = await page.find('[data-rule=resolution]');
    const marks = () =>
      browser.executeScript<number>(
        "return document.querySelectorAll('[aria-label=Flat] svg rect[stroke-dasharray]').length",
      );
    expect(await marks()).toBe(0);
    await browser.actions().move({ origin: line }).perform();
    await browser.wait(async () => (await marks()) === 1, PATIENCE);
  });

  test('the remedy moves the ground over the bleed, and the neighbour is one step away', async () => {
    await page.press('Move the ground 4.1 mm');
    await page.verdict('bleed', 'ready');
    await (await page.named('Fit after')).click();
    await page.says('h1', /Wave repeat\s+on\s+Tumbler 470 ml/);
  });

  test('covering says what is cut away on each side', async () => {
    await open('harbour-panorama--tumbler-470');
    await page.says('[role=toolbar]', /cut away right 17\.\d %, left 17\.\d %|cut away .*17\.\d %.*17\.\d %/);
  });

  longTest('roles change what is asked of a piece', async () => {
    await open('knot-badge--shirt');
    await page.verdict('safe', 'ready');
    await page.keys('r');
    await page.verdict('bleed', 'fix');
    expect(await count('[data-rule=safe]')).toBe(0);
    await browser.actions().keyDown(Key.CONTROL).sendKeys('z').keyUp(Key.CONTROL).perform();
    await page.verdict('safe', 'ready');
  });

  test('a corner scales in proportion, the awl’s hole turns, the angle can be typed', async () => {
    const size = async () => {
      const { width, height } = await (await selected()).getRect();
      return { width, ratio: width / height };
    };
    const before = await size();
    const corner = await page.find('[data-grip=foot-right]');
    await browser
      .actions()
      .move({ origin: corner })
      .press()
      .move({ origin: corner, x: 20, y: 20 })
      .move({ origin: corner, x: 24, y: 24 })
      .release()
      .perform();
    await browser.wait(async () => (await size()).width > before.width + 10, PATIENCE);
    expect((await size()).ratio).toBeCloseTo(before.ratio, 1);
    const hole = await page.find('[data-grip=turn]');
    await browser
      .actions()
      .move({ origin: hole })
      .press()
      .move({ origin: hole, x: 6, y: -30 })
      .move({ origin: hole, x: 8, y: -34 })
      .release()
      .perform();
    await page.says('[data-dimension=angle]', /[1-9]\d\.\d°/);
    await (await page.find('[data-dimension=angle]')).click();
    await page.keys('0', Key.ENTER);
    await page.says('[data-dimension=angle]', /^0\.0°$/);
  });

  test('the shirt changes colour and keeps it', async () => {
    await open('knot-badge--shirt');
    const kelp = await page.named('Kelp', 'button');
    await kelp.click();
    await page.says('[aria-label=Product]', /Kelp/);
    await page.reload();
    await page.says('[aria-label=Product]', /Kelp/);
    expect(await (await page.named('Kelp', 'button')).getAttribute('aria-checked')).toBe('true');
  });

  test('a piece is taken off by key and comes back by undo', async () => {
    await open('lighthouse--mug-325');
    await becomes('[data-piece]', 2);
    await page.keys(Key.DELETE);
    await becomes('[data-piece]', 1);
    await page.press('Undo');
    await becomes('[data-piece]', 2);
  });

  test('the legend opens on its key', async () => {
    await page.keys('l');
    await page.says('[aria-label=Flat] dl', /cut line/);
    await page.keys('l');
    await becomes('[aria-label=Flat] dl', 0);
  });

  test('the mug turns under the arrow keys; its canvas is drawn', async () => {
    const turn = await page.named('Turn the product');
    expect(await turn.getAttribute('aria-valuenow')).toBe('34');
    await browser.executeScript('arguments[0].focus()', turn);
    await page.keys(Key.ARROW_RIGHT, Key.ARROW_RIGHT);
    await browser.wait(async () => (await turn.getAttribute('aria-valuenow')) === '49', PATIENCE);
    await page.find('[aria-label=Product] canvas');
  });

  test('a picture that is here already is known again, and still goes on the face', async () => {
    await page.press('Add…');
    await page.press('kelp.png');
    await becomes('[data-piece]', 3);
    await page.says('[role=toolbar]', /kelp/);
  });

  test('a fit that is gone says so and shows the way back', async () => {
    await browser.get(`${app.address}/bench/nowhere`);
    await page.says('body', /This fit is no longer here/);
    await page.press('Back to the range');
    await page.says('h1', /12 designs/);
  });
});

test('without shared memory the app says what is wrong, in one sentence, and shows what it has', async () => {
  await (browser as ChromiumWebDriver).sendAndGetDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', {
    source:
      'Object.defineProperty(self, "crossOriginIsolated", { value: false }); delete self.SharedArrayBuffer;',
  });
  await browser.get(app.address);
  await page.says('[role=alert]', /does not let the page share memory/);
  await browser.wait(until.elementLocated(By.css('[role=rowheader]')), PATIENCE);
});
