import { execFileSync } from 'node:child_process';
import { readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { PDFDocument, rgb } from '@cantoo/pdf-lib';
import { PNG } from 'pngjs';
import { By, Key, type WebDriver, type WebElement } from 'selenium-webdriver';
import { startApp } from '../../scripts/lib/app.mjs';
import { openBrowser } from '../../scripts/lib/browser.mjs';
import { downloaded, newFolder, Page, PATIENCE } from '../support/bench';

const folder = newFolder();
const downloads = newFolder();
const flag = join(folder, 'flag.png');
const template = join(folder, 'wall.pdf');
const PT = 72 / 25.4;

let app: Awaited<ReturnType<typeof startApp>>;
let browser: WebDriver;
let page: Page;

/** A flag, its upper half red and its lower blue: shows which way up it is, and what its sides measure. */
function writeFlag(): void {
  const png = new PNG({ width: 1200, height: 1200 });
  for (let y = 0; y < 1200; y++) {
    for (let x = 0; x < 1200; x++)
      png.data.set(y < 600 ? [255, 0, 0, 255] : [0, 0, 255, 255], (y * 1200 + x) * 4);
  }
  // One clear corner pixel makes it a motif.
  png.data[3] = 0;
  writeFileSync(flag, PNG.sync.write(png));
}

/** A banner whose page is its trim with 10 mm of bleed, a line along the trim and one 50 mm inside it. */
async function writeTemplate(): Promise<void> {
  const pdf = await PDFDocument.create();
  const sheet = pdf.addPage([2420 * PT, 1520 * PT]);
  sheet.setTrimBox(10 * PT, 10 * PT, 2400 * PT, 1500 * PT);
  sheet.drawRectangle({
    x: 60 * PT,
    y: 60 * PT,
    width: 2300 * PT,
    height: 1400 * PT,
    borderColor: rgb(0, 0.6, 0.8),
    borderWidth: 10,
  });
  writeFileSync(template, await pdf.save());
}

beforeAll(async () => {
  writeFlag();
  await writeTemplate();
  app = await startApp({ demo: false });
  browser = await openBrowser({ downloads });
  page = new Page(browser, app.address);
});
afterAll(async () => {
  await browser.quit();
  await app.stop();
  for (const one of [folder, downloads]) rmSync(one, { recursive: true, force: true, maxRetries: 5 });
});

const reading = (step: string): Promise<WebElement> => page.find(`#reading-${step}`);
async function type(step: string, text: string): Promise<void> {
  const field = await reading(step);
  await field.sendKeys(Key.chord(Key.CONTROL, 'a'), text);
}
const trouble = (step: string, words: RegExp) => page.says(`#trouble-${step}`, words);
const strip = (words: RegExp) => page.says('[aria-label="Blank"]', words);
/** Chooses a blank in the middle of the library, where no message lies over it. */
async function choose(id: string): Promise<void> {
  const cell = await page.find(`[data-blank="${id}"]`);
  await browser.executeScript('arguments[0].scrollIntoView({ block: "center" })', cell);
  await cell.click();
}

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
  await page.says('tbody', /Kept from before/);
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
    await browser.navigate().refresh();
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

describe('the library', () => {
  beforeAll(async () => {
    await browser.get(`${app.address}/blanks`);
  });

  test('is searched by words, kind, method and the room a size needs', async () => {
    const search = await page.named('Search blanks');
    await search.sendKeys('folded tarn card');
    await page.says('h1', /^1 of 4\d blanks/);
    await search.sendKeys(Key.chord(Key.CONTROL, 'a'), Key.BACK_SPACE);
    const room = await page.named('Room for a size');
    await room.sendKeys('600 x 400 mm');
    await page.says('[data-library]', /^Flat\s+Banner/);
    await room.sendKeys(Key.chord(Key.CONTROL, 'a'), '60 by 40');
    await page.says('[role=search] [role=alert]', /x between them/);
    await room.sendKeys(Key.chord(Key.CONTROL, 'a'), Key.BACK_SPACE);
    await (await page.find('select[aria-label=Kind] option[value=case]')).click();
    await page.says('h1', /^4 of/);
    await (await page.find('select[aria-label=Kind] option[value=""]')).click();
  });

  test('chosen ones are compared side by side', async () => {
    for (const name of ['Mug 325 ml', 'Mug 450 ml']) {
      const box = await page.named(`Compare ${name}`);
      await browser.executeScript('arguments[0].click()', box);
    }
    await page.says('[aria-label="Side by side"]', /diameter\s+79\.0 mm\s+86\.0 mm/);
    await page.press('Close');
  });

  test('a changed number is a new version, which undo takes back', async () => {
    await choose('mug-325');
    await (await page.named('diameter: 79.0 mm')).click();
    const field = await page.find('input[aria-label="diameter"]');
    await field.sendKeys(Key.chord(Key.CONTROL, 'a'), '0 mm');
    await page.says('[aria-label=Blank] [role=status]', /above zero/);
    await field.sendKeys(Key.chord(Key.CONTROL, 'a'), '80 mm', Key.ENTER);
    await strip(/version 2/);
    await page.press('Undo');
    await strip(/version 1/);
  });

  test('another house has other numbers, and what is assumed is a question to send', async () => {
    await choose('tumbler-470');
    await strip(/To ask Harl Kiln Works\s+How much bleed/);
    await (await page.find('select[aria-label^="House"] option[value=corrie-sublimation]')).click();
    await strip(/To ask Corrie Transfer Co\.\s+How far inside/);
    await (await page.find('select[aria-label^="House"] option[value=harl-kiln-tumbler]')).click();
    await strip(/To ask Harl Kiln Works/);
  });

  test('the printed template tried on corrects the blank, and says by how much', async () => {
    await choose('mug-450');
    await page.press('Try the printed template on');
    for (const at of ['top', 'foot']) {
      await (await page.named(`Gap between the ends, at the ${at}`)).sendKeys('30.2 mm');
    }
    await strip(/diameter: \+0\.7 mm/);
    await page.press('Correct the blank');
    await strip(/version 2/);
  });

  test('a face is split, a keep-out added by diameter, a name changed', async () => {
    await choose('coaster');
    await page.press('Panels');
    await (await page.named('Panels', 'input')).sendKeys('3');
    await page.press('Split front');
    await strip(/Panels: 3/);
    await page.press('Keep-outs');
    await (await page.find('select[aria-label=Part] option[value=own]')).click();
    for (const [label, text] of [
      ['diameter', '6 mm'],
      ['from the left', '200 mm'],
      ['from the top', '48 mm'],
    ]) {
      await (await page.named(`Keep-out, ${label!}`)).sendKeys(text!);
    }
    await strip(/lies off the face/);
    await (await page.named('Keep-out, from the left')).sendKeys(Key.chord(Key.CONTROL, 'a'), '48 mm');
    await page.press('Keep this place clear');
    await strip(/Keep-outs: 1\s+Hole 6\.0 mm/);
  });

  test('duplicated, exported, taken in again, deleted and brought back', async () => {
    await choose('leaflet');
    await page.press('Duplicate');
    await strip(/Folded leaflet, copy/);
    await page.press('Export');
    const { name, bytes } = await downloaded(browser, downloads, '.json');
    expect(JSON.parse(bytes.toString())).toMatchObject({ upfit: 'blank/1', spec: { upfit: 'spec/1' } });
    await page.press('Delete');
    await page.press('Undo');
    await page.says('[data-library]', /Folded leaflet, copy/);
    await (await page.find('input[aria-label="Blank file"]')).sendKeys(join(downloads, name));
    await strip(/Folded leaflet, copy/);
    const broken = join(folder, 'broken.json');
    writeFileSync(
      broken,
      readFileSync(join(downloads, name), 'utf8').replace('"width": 100', '"width": -100'),
    );
    await (await page.find('input[aria-label="Blank file"]')).sendKeys(broken);
    await page.says('[data-sonner-toast]', /is no blank: body\.width does not read\. Nothing was taken in/);
  });
});

describe('a fit on a blank that changes', () => {
  test('keeps its version, is told of the newer one, and moves when asked', async () => {
    await browser.get(`${app.address}/blanks`);
    await (await page.named('Search blanks')).sendKeys('kiln cup');
    await (await page.find('[data-blank="kiln-cup"]')).click();
    await (await page.named('along the wall: 118.0 mm')).click();
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

describe('a template that a house gives', () => {
  test('comes in at its trim, not at its page', async () => {
    await browser.get(`${app.address}/blanks/template`);
    await page.drop(template);
    await page.says('[data-template-size]', /2400\.0 × 1500\.0 mm/);
    await page.says(
      '[aria-label=Template]',
      /The page is 2420\.0 × 1520\.0 mm, which is larger than the trim/,
    );
    const stated = await browser.findElement(
      By.xpath('//label[.="The house states"]/following-sibling::input'),
    );
    await stated.sendKeys('2400 x 1480 mm');
    await page.says('[aria-label=Template]', /20\.0 mm apart/);
    await stated.sendKeys(Key.chord(Key.CONTROL, 'a'), '2400 x 1500 mm');
    await page.says('[aria-label=Template]', /the same as the file/);
  });

  test('its lines are picked by clicking them', async () => {
    await page.press('Safe area');
    const sheet = await page.find('svg[aria-label^="Lines of the template"]');
    const { width, height } = await sheet.getRect();
    const across = (60 / 2420) * width - width / 2;
    const down = (60 / 1520) * height - height / 2;
    for (const [x, y] of [
      [across, 0],
      [-across, 0],
      [0, down],
      [0, -down],
    ]) {
      await browser
        .actions()
        .move({ origin: sheet, x: Math.round(x!), y: Math.round(y!) })
        .click()
        .perform();
    }
    await page.says('[aria-label=Template]', /safe (49|50)\.\d mm/);
  });

  test('it becomes a blank; the template lies under the flat, as strong as chosen', async () => {
    await page.press('Keep blank');
    await strip(/wall[\s\S]*2400\.0 × 1500\.0 mm[\s\S]*Measured · template/);
    await page.press('Put on the range');
    await browser.get(app.address);
    await (await page.named('Fit flag on wall')).click();
    await (await page.named('flag on wall')).click();
    const under = await page.find('[data-underlay]');
    expect(await under.getCssValue('opacity')).toBe('0.4');
    const strength = await page.named('How strongly the template shows');
    await strength.sendKeys(Key.HOME);
    await browser.wait(async () => (await under.getCssValue('opacity')) === '0', PATIENCE);
  });

  test('what is no template is told, and what is there stays', async () => {
    await browser.get(`${app.address}/blanks/template`);
    const words = join(folder, 'words.pdf');
    writeFileSync(words, '%PDF-1.7 nothing more');
    await page.drop(words);
    await page.says('[data-sonner-toast]', /cannot be read/);
    await page.says('body', /Drop the template the house gives you/);
  });
});

describe('a spec as a house writes it', () => {
  const field = (label: string) =>
    browser.findElement(By.xpath(`//label[.="${label}"]/following-sibling::input`));

  test('is read every way it can be, and kept with what is only assumed', async () => {
    await browser.get(`${app.address}/blanks/spec`);
    await page.says('h1', /spec/);
    await field('Name of the blank').sendKeys('Flyer');
    await field('Size in lengths').sendKeys('148 x 210 mm');
    await page.says(
      '[aria-label="How it can be read"]',
      /2 ways[\s\S]*148\.0 × 210\.0 mm[\s\S]*142\.0 × 204\.0 mm/,
    );
    await field('Size in pixels').sendKeys('874 x 1240');
    await page.says('[aria-label="How it can be read"]', /At 150 PPI they would agree/);
    await field('PPI').sendKeys(Key.chord(Key.CONTROL, 'a'), '150');
    await page.says('[aria-label="How it can be read"]', /2 ways/);
    await field('Size in pixels').sendKeys(Key.chord(Key.CONTROL, 'a'), 'wide');
    await page.says('[role=alert]', /whole pixels/);
    await field('Size in pixels').sendKeys(Key.chord(Key.CONTROL, 'a'), Key.BACK_SPACE);
    await page.press('Keep blank');
    await strip(/Flyer[\s\S]*Measured · assumed[\s\S]*What is the exact print area/);
  });
});
