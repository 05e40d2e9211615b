import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { By, Key, type WebDriver } from 'selenium-webdriver';
import { openBrowser } from '../../../scripts/lib/browser.mjs';
import { newFolder, Page, PATIENCE } from '../../support/bench';
import { writeFlag } from '../../support/flag';
import { served } from '../../support/served';
import { longTest } from '../../support/long';

/** What each kind of blank asks of the bench that a mug does not: faces, sizes, states, colours of one's own. */
const folder = newFolder();
const flag = join(folder, 'flag.png');

const app = { address: served().empty };
let browser: WebDriver;
let page: Page;

beforeAll(async () => {
  writeFlag(flag);
  browser = await openBrowser();
  page = new Page(browser, app.address);
  await browser.get(app.address);
  await page.drop(flag);
  await page.says('[role=grid]', /flag/);
});
afterAll(async () => {
  await browser.quit();
  rmSync(folder, { recursive: true, force: true, maxRetries: 5 });
});

/** Puts a blank on the range, fits the flag on it and opens the bench. */
async function bench(blankId: string, name: string): Promise<void> {
  await browser.get(`${app.address}/blanks?blank=${blankId}`);
  await page.says('[aria-label=Blank]', new RegExp(name));
  const strip = await page.find('[aria-label=Blank]');
  if (!(await strip.getText()).includes('\non the range')) {
    await page.press('Put on the range');
    await page.says('[data-sonner-toast]', /column of the range/);
  }
  await browser.get(app.address);
  await (await page.named(`Fit flag on ${name}`)).click();
  await (await page.named(`flag on ${name}`)).click();
  await page.find('[aria-label=Docket]');
}
const pressed = (css: string) =>
  browser.wait(
    async () => (await (await page.find(css)).getAttribute('aria-checked')) === 'true',
    PATIENCE,
    `${css} did not become pressed`,
  );

describe('a folded leaflet', () => {
  test('has an outside and an inside; the one that carries nothing says so', async () => {
    await bench('leaflet', 'Folded leaflet');
    await page.says('[aria-label=Face]', /Outside\s*Inside \(bare\)/);
    await page.says('[aria-label=Flat]', /flap[\s\S]*back[\s\S]*cover/);
    await page.press('Inside');
    await page.says('[aria-label=Flat]', /inside left[\s\S]*inside middle[\s\S]*inside right/);
    await page.says('[aria-label=Piece]', /Drop artwork here to begin/);
  });

  test('what is dropped on a face lies on that face', async () => {
    await page.drop(flag);
    await page.says('[aria-label=Face]', /Outside\s*Inside$/);
    await page.says('[aria-label=Piece]', /flag/);
    await page.reload();
    await page.says('[aria-label=Face]', /Outside\s*Inside$/);
  });
});

describe('a graded shirt', () => {
  const width = () => page.says('h1 + span', /front \d/);

  test('another size has another print area; undo goes back', async () => {
    await bench('shirt', 'Shirt');
    expect(await width()).toMatch(/305\.0 × 406\.0 mm/);
    await pressed('[aria-label="Size L"]');
    await (await page.named('Size S')).click();
    await pressed('[aria-label="Size S"]');
    expect(await width()).toMatch(/274\.5 × 365\.4 mm/);
    await page.press('Undo');
    await pressed('[aria-label="Size L"]');
    expect(await width()).toMatch(/305\.0 × 406\.0 mm/);
  });

  test('the print areas of all sizes are drawn on the flat', async () => {
    const names = await browser.executeScript<string[]>(
      'return [...document.querySelectorAll("[aria-label=Flat] svg text")].map((text) => text.textContent)',
    );
    expect(names).toEqual(expect.arrayContaining(['S', 'M', 'XL', '2XL', '3XL']));
    expect(names).not.toContain('L');
  });
});

describe('a reveal mug', () => {
  test('is shown cold and hot', async () => {
    await bench('mug-reveal', 'Reveal mug 325 ml');
    await pressed('[aria-label="State of the product"] [aria-label=cold]');
    await (await page.find('[aria-label="State of the product"] [aria-label=hot]')).click();
    await pressed('[aria-label="State of the product"] [aria-label=hot]');
    await page.reload();
    await pressed('[aria-label="State of the product"] [aria-label=hot]');
  });
});

describe('a case and its keep-outs', () => {
  test('its sides are named; the legend says what cross-hatching means', async () => {
    await bench('case-pier-6', 'Case for Wherran 4');
    await page.find('[aria-label=Product] canvas[data-product=drawn]');
    await page.says('[aria-label="Side of the product"]', /back[\s\S]*right[\s\S]*left[\s\S]*top/);
    await page.keys('l');
    await page.says('[aria-label=Flat] dl', /keep-out[\s\S]*a hole, or a part that will cover the print/);
    await page.says('[aria-label=Flat] dl', /fold/);
  });
});

describe('a blank of one’s own colours and limits', () => {
  longTest('a colour added is offered on the bench after the fit has moved to that version', async () => {
    await bench('coaster', 'Coaster');
    expect(await browser.findElements(By.css('[aria-label="Product colour"]'))).toHaveLength(0);
    await browser.get(`${app.address}/blanks?blank=coaster`);
    await page.press('Colours: 1');
    await (await page.named('Name of the new colour')).sendKeys('Slate');
    await page.press('Add');
    await page.says('[aria-label=Blank]', /Colours: 2[\s\S]*Slate/);
    await browser.get(app.address);
    await (await page.named('flag on Coaster')).click();
    await page.press('Move to version 2');
    await (await page.find('[aria-label="Product colour"] [aria-label=Slate]')).click();
    await pressed('[aria-label="Product colour"] [aria-label=Slate]');
  });

  test('a limit typed for this blank stands over its method’s', async () => {
    await browser.get(`${app.address}/blanks?blank=coaster`);
    await (await page.named('thinnest stroke 0.3 mm')).click();
    const field = await page.find('input[aria-label="thinnest stroke"]');
    await field.sendKeys(Key.chord(Key.CONTROL, 'a'), '0.8 mm', Key.ENTER);
    await page.named('thinnest stroke, here 0.8 mm');
  });
});
