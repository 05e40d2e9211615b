import { readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { PDFDocument, rgb } from '@cantoo/pdf-lib';
import { By, Key, type WebDriver } from 'selenium-webdriver';
import { KINDS } from '@/core/blank/kinds';
import { openBrowser } from '../../../scripts/lib/browser.mjs';
import { downloaded, newFolder, Page, PATIENCE } from '../../support/bench';
import { writeFlag } from '../../support/flag';
import { served } from '../../support/served';

const folder = newFolder();
const downloads = newFolder();
const flag = join(folder, 'flag.png');
const template = join(folder, 'wall.pdf');
const PT = 72 / 25.4;

const app = { address: served().empty };
let browser: WebDriver;
let page: Page;

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
  writeFlag(flag);
  await writeTemplate();
  browser = await openBrowser({ downloads });
  page = new Page(browser, app.address);
  await browser.get(app.address);
  await page.drop(flag);
  await page.says('[role=grid]', /flag/);
});
afterAll(async () => {
  await browser.quit();
  for (const one of [folder, downloads]) rmSync(one, { recursive: true, force: true, maxRetries: 5 });
});

const strip = (words: RegExp) => page.says('[aria-label="Blank"]', words);

/** Chooses a blank in the middle of the library, where no message lies over it. */
async function choose(id: string): Promise<void> {
  const cell = await page.find(`[data-blank="${id}"]`);
  await browser.executeScript('arguments[0].scrollIntoView({ block: "center" })', cell);
  await cell.click();
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
    await page.choose('Kind', KINDS.case.name);
    await page.says('h1', /^4 of/);
    await page.choose('Kind', 'Any kind');
  });

  test('chosen ones are compared side by side', async () => {
    for (const name of ['Mug 325 ml', 'Mug 450 ml']) {
      const box = await page.named(`Compare ${name}`);
      await browser.executeScript('arguments[0].click()', box);
    }
    await page.says('[aria-label="Side by side"]', /diameter\s+79\.0 mm\s+86\.0 mm/);
    await page.press('Leave');
  });

  test('a changed number is a new version, which undo takes back', async () => {
    await choose('mug-325');
    await (await page.named('diameter 79.0 mm')).click();
    const field = await page.find('input[aria-label="diameter"]');
    await field.sendKeys(Key.chord(Key.CONTROL, 'a'), '0 mm');
    await page.says('[aria-label=Blank] [role=status]', /above zero/);
    await field.sendKeys(Key.chord(Key.CONTROL, 'a'), '80 mm', Key.ENTER);
    await strip(/version 2/);
    await page.undo('Version ');
    await strip(/version 1/);
  });

  test('another house has other numbers, and what is assumed is a question to send', async () => {
    await choose('tumbler-470');
    await strip(/To ask Harl Kiln Works\s+How much bleed/);
    await page.choose('House', 'Corrie Transfer Co., coated');
    await strip(/To ask Corrie Transfer Co\.\s+How far inside/);
    await page.choose('House', 'Harl Kiln Works, tumblers');
    await strip(/To ask Harl Kiln Works/);
  });

  test('the printed template tried on corrects the blank, and says by how much', async () => {
    await choose('mug-450');
    await page.press('Try the printed template on');
    for (const at of ['top', 'bottom']) {
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
    await page.choose('Part', 'A hole by its diameter');
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
    await page.press('Save to a file');
    const { name, bytes } = await downloaded(browser, downloads, '.json');
    expect(JSON.parse(bytes.toString())).toMatchObject({ upfit: 'blank/1', spec: { upfit: 'spec/1' } });
    await page.press('Take out');
    await page.undo('is out of the library');
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
