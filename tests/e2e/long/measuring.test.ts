import { execFileSync } from 'node:child_process';
import { rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { PNG } from 'pngjs';
import { By, Key, type WebDriver, type WebElement } from 'selenium-webdriver';
import { openBrowser } from '../../../scripts/lib/browser.mjs';
import { downloaded, newFolder, Page, PATIENCE } from '../../support/bench';
import { writeFlag } from '../../support/flag';
import { served } from '../../support/served';

const folder = newFolder();
const downloads = newFolder();
const flag = join(folder, 'flag.png');
const PT = 72 / 25.4;

const app = { address: served().empty };
let browser: WebDriver;
let page: Page;

beforeAll(async () => {
  writeFlag(flag);
  browser = await openBrowser({ downloads });
  page = new Page(browser, app.address);
});
afterAll(async () => {
  await browser.quit();
  for (const one of [folder, downloads]) rmSync(one, { recursive: true, force: true, maxRetries: 5 });
});

const reading = (step: string): Promise<WebElement> => page.find(`#reading-${step}`);
async function type(step: string, text: string): Promise<void> {
  const field = await reading(step);
  await field.sendKeys(Key.chord(Key.CONTROL, 'a'), text);
}
const trouble = (step: string, words: RegExp) => page.says(`#trouble-${step}`, words);
const strip = (words: RegExp) => page.says('[aria-label="Blank"]', words);

test('a shop kept by an earlier version opens whole', async () => {
  await browser.get(`${app.address}/icon.svg`);
  await browser.executeAsyncScript(`
    const done = arguments[arguments.length - 1];
    const open = indexedDB.open('up-fit', 1);
    open.onupgradeneeded = () => {
      const db = open.result;
      for (const [name, keyPath] of [['artworks', 'id'], ['originals', null], ['designs', 'id'], ['fits', 'id'], ['dockets', 'fitId'], ['settings', null]])
        db.createObjectStore(name, keyPath ? { keyPath } : {});
    };
    open.onsuccess = () => {
      const change = open.result.transaction(['designs', 'settings'], 'readwrite');
      change.objectStore('designs').put({ upfit: 'design/1', id: 'old', name: 'Kept from before', order: 0, artworks: [] });
      change.objectStore('settings').put({ upfit: 'settings/1', shopName: 'Old shop', unit: { unit: 'mm', inches: 'sixteenths' }, theme: 'light', columns: ['mug-325'], demoLoaded: false }, 'settings');
      change.oncomplete = () => { open.result.close(); done(); };
    };`);
  await browser.get(app.address);
  await page.says('[role=grid]', /Kept from before/);
  await page.says('header', /Old shop/);
});

describe('a new user with a tape', () => {
  test('is asked one measurement at a time, and told beside the field what is wrong', async () => {
    await browser.get(`${app.address}/blanks`);
    await page.says('h1', /4\d blanks/);
    await page.press('Measure a new one');
    await page.says('[aria-label="Flat so far"]', /after 3 more measurements/);
    await type('top', 'nine');
    await trouble('top', /“n” at character 1 is not part of a length/);
    await type('top', '0 mm');
    await trouble('top', /cannot be nothing/);
    await type('top', '-8 in');
    await trouble('top', /above zero/);
    await type('top', '9 5/8 in + 4 mm');
    await page.says('[role=status]', /together come to 248\.5 mm/);
  });

  test('five numbers draw the arc, whatever their units', async () => {
    await (await reading('top')).sendKeys(Key.ENTER);
    const active = await browser.switchTo().activeElement();
    expect(await active.getAttribute('id')).toBe('reading-bottom');
    await type('bottom', '7 7/8 in');
    await type('slant', '118 mm');
    await type('handle', '30 in');
    await trouble('handle', /wider than the way round/);
    await type('handle', '1 3/8 in');
    await type('lip', '12 mm');
    await page.find('[aria-label="Flat so far"] svg[role=img]');
    await page.says(
      '[aria-label="Flat so far"] dl',
      /outer radius\s*605\.\d mm[\s\S]*stretch at the edges\s*\+10\.8 %/,
    );
  });

  test('top and bottom swapped are noticed and swapped back; a reload loses nothing', async () => {
    await type('top', '7 7/8 in');
    await type('bottom', '9 5/8 in + 4 mm');
    await page.press('Swap top and bottom');
    await page.says('[aria-label="Flat so far"] dl', /605\.\d mm/);
    await page.reload();
    await page.says('[aria-label="Flat so far"] dl', /605\.\d mm/);
    expect(await (await reading('bottom')).getAttribute('value')).toBe('7 7/8 in');
  });

  test('the template prints at its true size', async () => {
    await page.press('Template as PDF');
    const { name, bytes } = await downloaded(browser, downloads, '.pdf');
    expect(name).toMatch(/template\.pdf$/);
    const file = join(folder, 'arc.pdf');
    writeFileSync(file, bytes);
    const boxes = execFileSync('pdfinfo', ['-box', file], { encoding: 'utf8' });
    const [x0, , x1] = /TrimBox:\s+([\d.]+)\s+([\d.]+)\s+([\d.]+)/.exec(boxes)!.slice(1).map(Number);
    await page.says(
      '[aria-label="Flat so far"] svg',
      new RegExp(`${((x1! - x0!) / PT).toFixed(1)} mm across`),
    );
  });

  test('it is kept as a blank of one’s own, with where its numbers come from', async () => {
    const name = await page.named('Name of the blank');
    await name.sendKeys('Kiln cup');
    await page.press('Keep blank');
    await strip(/Kiln cup[\s\S]*Measured · tape/);
    await page.press('Put on the range');
    await page.says('[data-sonner-toast]', /column of the range/);
  });

  test('artwork on it stands upright and unstretched at mid height on the product', async () => {
    await browser.get(app.address);
    await page.drop(flag);
    await (await page.named('Fit flag on Kiln cup')).click();
    await (await page.named('flag on Kiln cup')).click();
    await page.dimension('width', '30 mm');
    await page.find('[aria-label=Product] canvas');
    await page.verdict('resolution', 'ready');
    // Seen from a little above, on a wall that leans: a few percent, no more.
    let seen = { width: 0, height: 1, upright: false };
    await browser.wait(
      async () => {
        seen = await frontView();
        return seen.width > 12 && Math.abs(seen.width / seen.height - 1) < 0.09;
      },
      PATIENCE,
      'from the front the flag did not become as wide as high',
    );
    expect(seen.upright).toBe(true);
  });

  test('who prints it is known before the pack; its house takes it by its measurements', async () => {
    await page.says('[data-taken]', /Harl Kiln Works prints this as you measured it/);
    const fitId = new URL(await browser.getCurrentUrl()).pathname.split('/').at(-1)!;
    await browser.get(`${app.address}/packs?fit=${fitId}`);
    await page.named('flag on Kiln cup', '[role=checkbox]');
    for (const why of await browser.findElements(By.css('input[aria-label^="Why flag"]')))
      await why.sendKeys('a proof');
    await page.press('Make the pack');
    await page.press('Send to a house');
    await page.named('How many of flag on Kiln cup', 'input');
    await page.press('Send the order');
    await page.says('[data-order=arrived]', /Arrived at Harl Kiln Works: HK-\d{6}/);
  });

  test('a house that prints its own blanks only is said on the bench, in the docket and in the pack’s list', async () => {
    await browser.get(`${app.address}/blanks?blank=kiln-cup`);
    await page.choose('House that prints it', 'Corrie Transfer Co.');
    await browser.get(app.address);
    await (await page.named('flag on Kiln cup')).click();
    await page.says('[data-taken=false]', /Corrie Transfer Co\. prints its own blanks only/);
    await page.verdict('file-spec', 'look');
    const fitId = new URL(await browser.getCurrentUrl()).pathname.split('/').at(-1)!;
    await browser.get(`${app.address}/packs?fit=${fitId}`);
    await page.says('table', /Corrie Transfer Co\. prints its own blanks only/);
    for (const why of await browser.findElements(By.css('input[aria-label^="Why flag"]')))
      await why.sendKeys('a proof');
    await page.press('Make the pack');
    await page.says('[role=note]', /Corrie Transfer Co\. has no desk here: save the zip/);
    expect(await browser.findElements(By.xpath('//button[starts-with(., "Send to a house")]'))).toEqual([]);
    await browser.get(`${app.address}/blanks?blank=kiln-cup`);
    await page.choose('House that prints it', 'Harl Kiln Works');
  });
});

/** The flag in the view from the front, along its own middle: its size in pixels, and whether red is above blue. */
async function frontView(): Promise<{ width: number; height: number; upright: boolean }> {
  const room = await page.find('[aria-label=Product] .relative');
  const { width, height, data } = PNG.sync.read(Buffer.from(await room.takeScreenshot(), 'base64'));
  const quarter = Math.floor(width / 4);
  const colourAt = (x: number, y: number): 'red' | 'blue' | null => {
    const [r, g, b] = data.subarray((y * width + x) * 4);
    if (r! > 90 && g! < r! / 3 && b! < r! / 3) return 'red';
    return b! > 90 && r! < b! / 3 && g! < b! / 3 ? 'blue' : null;
  };
  const within: number[] = [];
  for (let y = 0; y < height; y++) {
    for (let x = quarter; x < 2 * quarter; x++) if (colourAt(x, y)) within.push(x);
  }
  if (within.length === 0) return { width: 0, height: 0, upright: false };
  const [left, right] = [Math.min(...new Set(within)), Math.max(...new Set(within))];
  const middle = Math.round((left + right) / 2);
  const column = Array.from({ length: height }, (_, y) => colourAt(middle, y));
  const rows = column.flatMap((colour, y) => (colour ? [y] : []));
  return {
    width: right - left + 1,
    height: rows.at(-1)! - rows[0]! + 1,
    upright: column.lastIndexOf('red') < column.indexOf('blue'),
  };
}

describe('a fit on a blank that changes', () => {
  test('keeps its version, is told of the newer one, and moves when asked', async () => {
    await browser.get(`${app.address}/blanks`);
    await (await page.named('Search blanks')).sendKeys('kiln cup');
    await (await page.find('[data-blank="kiln-cup"]')).click();
    await (await page.named('along the wall 118.0 mm')).click();
    const field = await page.find('input[aria-label="along the wall"]');
    await field.sendKeys(Key.chord(Key.CONTROL, 'a'), '121 mm', Key.ENTER);
    await strip(/version 2/);
    await browser.get(app.address);
    await (await page.named('flag on Kiln cup')).click();
    await page.says('body', /Made on version 1; version 2 is newer: along the wall \+3\.0 mm/);
    await page.press('Move to version 2');
    await browser.wait(
      async () => !(await browser.findElement(By.css('body')).getText()).includes('Made on version'),
      PATIENCE,
    );
    await page.press('Undo');
    await page.says('body', /Made on version 1/);
  });
});
