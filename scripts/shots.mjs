// Makes the pictures in docs/screenshots from the demo data, at 1280 x 800: `npm run shots`, or some of them by their
// names: `npm run shots -- range stickers`.
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { build } from 'esbuild';
import { By, Key, until } from 'selenium-webdriver';
import { startApp } from './lib/app.mjs';
import { openBrowser, openDemo } from './lib/browser.mjs';

const SHOTS = [
  ['range', '/'],
  ['range-act', '/', seeAct],
  ['range-beside', '/', layBeside],
  ['blanks', '/blanks?blank=tumbler-taper-480'],
  ['blanks-measure', '/blanks/measure', measureCup],
  ['earnings', '/earnings?fit=knot-badge--shirt'],
  ['artwork', '/artwork', chooseLighthouse],
  ['bench-mug', '/bench/night-watch--mug-325'],
  ['bench-shirt', '/bench/keep-the-light--shirt'],
  ['stickers', '/artwork', partSet],
  ['bench-cost', '/bench/knot-badge--shirt', seeCost],
  ['listing', '/listing?fit=keep-the-light--mug-325', draftListing],
  ['sheets', '/sheets', fillSheet],
  ['packs', '/packs', handOver],
  ['pictures', '/pictures?fit=compass-rose--shirt', pictured],
  ['photo', '/pictures?fit=keep-the-light--mug-325', markPhoto],
  ['inks', '/inks?fit=lighthouse--shirt', partIntoInks],
  ['rows', '/bench/knot-badge--mug-325', fillRows],
];

/** Ends of the print's edges on the photo of a bare mug, clockwise from the upper left. */
const MUG_EDGES = [
  [394, 222],
  [806, 222],
  [799, 664],
  [401, 664],
];

const wanted = process.argv.slice(2);
const all = wanted.length === 0;
mkdirSync('docs/screenshots', { recursive: true });
const app = await startApp({ demo: true });
const downloads = mkdtempSync(join(tmpdir(), 'up-fit-'));
const browser = await openBrowser({ downloads });
const products = await bundled();
try {
  await openDemo(browser, app.address);
  for (const [name, path, act] of SHOTS.filter(([name]) => all || wanted.includes(name))) {
    // What the picture before this one chose is not chosen here.
    await browser.executeScript('sessionStorage.clear()');
    await browser.get(app.address + path);
    await browser.wait(until.elementLocated(By.css('h1')), 60_000);
    await act?.();
    await browser.wait(() => browser.executeScript(settled), 60_000);
    writeFileSync(`docs/screenshots/${name}.png`, await browser.takeScreenshot(), 'base64');
    console.log(`docs/screenshots/${name}.png`);
  }
  if (all) {
    await drawProducts();
  }
} finally {
  await browser.quit();
  await app.stop();
  rmSync(downloads, { recursive: true, maxRetries: 5 });
}

/** What one ground under a block of fits would do to each of them, before it is done. */
async function seeAct() {
  const first = await browser.wait(until.elementLocated(By.css('[role=gridcell] [data-place]')), 60_000);
  await browser.executeScript('arguments[0].focus()', first);
  for (const key of [Key.ARROW_RIGHT, Key.ARROW_RIGHT, Key.ARROW_DOWN, Key.ARROW_DOWN])
    await browser.actions().keyDown(Key.SHIFT).sendKeys(key).keyUp(Key.SHIFT).perform();
  await press('Do to them');
  await press('Change the colour');
  await press('See what it does');
  await browser.wait(until.elementLocated(By.xpath('//button[starts-with(., "Do it to")]')), 120_000);
}

/** A name on a mug for each keeper of a list: one is missing, one has a letter that the font lacks, one is long. */
async function fillRows() {
  await setWords(['Ada Lund']);
  await press('Slot…');
  await press('Make it a slot');
  await (await browser.wait(until.elementLocated(By.css('a[href^="/rows"]')), 60_000)).click();
  const names = [
    'Ada Lund',
    'Bosun Grey',
    'Cormac Tide',
    'Elspeth Crane',
    '',
    'Hoshi 鯨',
    'Wilhelmina-Josephine of Skerry',
  ];
  const field = await browser.wait(until.elementLocated(By.css('textarea')), 60_000);
  await field.sendKeys(`name;year\n${names.map((name, i) => `${name};${1891 + 11 * i}`).join('\n')}`);
  await press('Take these rows');
  const rowsSaying = async (words) =>
    (await browser.findElements(By.xpath(`//*[@role="row"][contains(., "${words}")]`))).length;
  await browser.wait(
    async () => (await rowsSaying('It is empty')) > 0 && (await rowsSaying('not measured')) === 0,
    120_000,
  );
}

/** Three inks, their tones as dots, on navy cloth. */
async function partIntoInks() {
  await press('3 inks');
  await press('Tones');
  await choose('tones', 'halftone');
  await browser.wait(
    () =>
      browser.executeScript(
        "return document.querySelector('[aria-label=\"Inks and press\"]').innerText.includes('angle')",
      ),
    20_000,
  );
  await browser.wait(
    () =>
      browser.executeScript(
        'return document.querySelectorAll(\'[aria-label^="On every colour"] canvas\').length > 5',
      ),
    20_000,
  );
}

/** A text of so many lines in the middle of the face. */
async function setWords(lines) {
  await browser.wait(until.elementLocated(By.css('[aria-label=Flat] canvas')), 60_000);
  await browser.actions().sendKeys('i').perform();
  for (const [i, line] of lines.entries()) {
    const field = await browser.wait(until.elementLocated(By.css(`[aria-label="Line ${i + 1}"]`)), 60_000);
    await browser.wait(
      () => browser.executeScript('return document.activeElement === arguments[0]', field),
      60_000,
    );
    await field.sendKeys(Key.chord(Key.CONTROL, 'a'), line, ...(i < lines.length - 1 ? [Key.ENTER] : []));
  }
  await press('Set these words');
}

/** One design on all its products at one scale. */
async function layBeside() {
  const menu = await browser.wait(
    until.elementLocated(By.css('[aria-label="Knot badge: what can be done"]')),
    60_000,
  );
  await browser.actions().move({ origin: menu }).click().perform();
  await press('Choose its row');
  await press('Hand over');
  await press('Show them side by side');
  await browser.wait(until.elementLocated(By.css('[aria-label="Side by side"] svg')), 60_000);
}

async function choose(label, value) {
  const list = await browser.wait(
    until.elementLocated(By.css(`[role=combobox][aria-label="${label}"]`)),
    60_000,
  );
  await list.click();
  const line = await browser.wait(
    until.elementLocated(By.css(`[role=option][data-value="${value}"]`)),
    60_000,
  );
  await line.click();
  await browser.wait(until.stalenessOf(line), 60_000);
}

/** The lighthouse, in which hairline gaps were left. */
async function chooseLighthouse() {
  const row = By.xpath('//*[@role="option"][contains(., "lighthouse")]');
  const search = await browser.wait(until.elementLocated(By.css('[aria-label="Search artwork"]')), 60_000);
  await search.sendKeys('lighthouse');
  await (await browser.wait(until.elementLocated(row), 60_000)).click();
  await search.sendKeys(Key.chord(Key.CONTROL, 'a'), Key.BACK_SPACE);
}

/** The tide pool's six drawings in one file, parted into stickers. */
async function partSet() {
  const row = By.xpath('//*[@role="option"][contains(., "tide-pool-sheet")]');
  const search = await browser.wait(until.elementLocated(By.css('[aria-label="Search artwork"]')), 60_000);
  await search.sendKeys('tide-pool');
  await (await browser.wait(until.elementLocated(row), 60_000)).click();
  const cut = By.xpath('//a[.="Cut stickers from it"]');
  await (await browser.wait(until.elementLocated(cut), 60_000)).click();
  await named('//ol[@aria-label="Stickers of the set"][contains(., "cut")]');
}

/** Presses a button or a line of a menu by the words it starts with. */
async function press(words) {
  const said = By.xpath(`//*[self::button or @role="menuitem"][starts-with(normalize-space(), "${words}")]`);
  await (await browser.wait(until.elementLocated(said), 60_000)).click();
}

/** What one of forty shirts costs and earns, and what two inks less save apiece. */
async function seeCost() {
  await browser.wait(() => browser.executeScript(settled), 60_000);
  await (await named('//*[@aria-label="What it costs"]//button')).click();
  for (const [label, text] of [
    ['pieces ordered at once', '40'],
    ['inks', '5'],
    ['inks', '3'],
  ]) {
    const field = await named(`//input[@id=//label[.="${label}"]/@for]`);
    await field.sendKeys(Key.chord(Key.CONTROL, 'a'), text, Key.ENTER);
  }
  await named('//*[@role="status"][contains(., "apiece")]');
}

/** A listing drafted from the shop's words, with one tag more. */
async function draftListing() {
  await press('Draft it');
  const field = await named('//input[starts-with(@aria-label, "More tags")]');
  await field.sendKeys('harbour, keeper', Key.ENTER);
  await named('//*[contains(., "reads in the first picture")]');
}

/** Mugs and tumblers on oversize paper, packed. */
async function fillSheet() {
  await press('New sheet');
  for (const [print, copies] of [
    ['Night watch on Mug 325 ml', 5],
    ['Harbour panorama on Mug 325 ml', 4],
    ['Wave repeat on Tumbler 470 ml', 2],
  ]) {
    await press('Add a print');
    await (await named(`//*[@role="option"][starts-with(normalize-space(), "${print}")]`)).click();
    const field = await named(`//input[@aria-label="Copies of ${print}"]`);
    await field.sendKeys(Key.chord(Key.CONTROL, 'a'), String(copies), Key.ENTER);
  }
  await (await named('//button[@aria-label="size"]')).click();
  await (await named('//*[@role="option"][.="330 × 480"]')).click();
  const cost = await named('//input[@aria-label="Cost of a sheet"]');
  await cost.sendKeys('2.40', Key.ENTER);
  await named('//*[@aria-label="What the sheet says"][contains(., "a print")]');
}

/** A pack of three fits, sent to a house and taken. */
async function handOver() {
  for (const fit of ['Harbour panorama on Mug 325 ml', 'Lighthouse on Mug 325 ml', 'Knot badge on Shirt'])
    await (await named(`//*[@role="checkbox"][@aria-label="${fit}"]`)).click();
  await press('Make the pack');
  await press('Send to a house');
  const count = await named('//input[@aria-label="How many of Harbour panorama on Mug 325 ml"]');
  await count.sendKeys(Key.chord(Key.CONTROL, 'a'), '24');
  await press('Send the order');
  await named('//*[@data-order="arrived"]');
  await press('Save the zip');
}

async function named(path) {
  return browser.wait(until.elementLocated(By.xpath(path)), 60_000);
}

/** A cup that narrows, as a tape reads it. */
async function measureCup() {
  for (const [step, text] of [
    ['bottom', '7 7/8 in'],
    ['slant', '118 mm'],
    ['handle', '1 3/8 in'],
    ['lip', '12 mm'],
    ['foot', '9 mm'],
    ['top', '9 5/8 in + 4 mm'],
  ]) {
    await (await browser.wait(until.elementLocated(By.css(`#reading-${step}`)), 60_000)).sendKeys(text);
  }
}

/** All scenes of a fit, drawn. */
async function pictured() {
  const drawn = () => {
    const count = (css) => document.querySelectorAll(css).length;
    return (
      count('[aria-label=Scenes] li') > 0 &&
      count('[aria-label=Scenes] li') === count('[aria-label=Scenes] img')
    );
  };
  await browser.wait(() => browser.executeScript(drawn), 60_000);
}

/** A photo of a bare mug with the print round its wall marked. */
async function markPhoto() {
  const photo = join(downloads, 'mug on linen.png');
  writeFileSync(photo, products.barePhoto());
  const input = await browser.wait(
    until.elementLocated(By.css('input[aria-label="Photo of a blank"]')),
    60_000,
  );
  await input.sendKeys(photo);
  await press('Mark a print round a wall');
  const marks = await browser.wait(until.elementLocated(By.css('[aria-label="Marks on the photo"]')), 60_000);
  const { x, y, width } = await marks.getRect();
  const scale = width / 1200;
  for (const [px, py] of MUG_EDGES)
    await browser
      .actions({ async: true })
      .move({ x: Math.round(x + px * scale), y: Math.round(y + py * scale) })
      .click()
      .perform();
  const lower = await browser.wait(
    until.elementLocated(By.css('[aria-label="middle of the lower curve"]')),
    60_000,
  );
  await browser
    .actions({ async: true })
    .dragAndDrop(lower, { x: 0, y: Math.round(36 * scale) })
    .perform();
  await browser.wait(until.elementLocated(By.css('[data-photo=drawn]')), 60_000);
}

/** Every shipped product with something printed on it. */
async function drawProducts() {
  const sheet = products.contactSheet(readFileSync('public/demo/lighthouse.png'));
  writeFileSync('docs/screenshots/products.png', sheet);
  console.log('docs/screenshots/products.png');
}

/** The core's own drawing, bundled for Node. */
async function bundled() {
  const file = join(downloads, 'products.mjs');
  await build({
    entryPoints: ['scripts/lib/products.ts'],
    outfile: file,
    bundle: true,
    platform: 'node',
    format: 'esm',
    packages: 'external',
    tsconfig: 'tsconfig.json',
    logLevel: 'warning',
  });
  // Where its own libraries are found.
  const beside = join('node_modules', '.products.mjs');
  writeFileSync(beside, readFileSync(file));
  try {
    return await import(pathToFileURL(beside).href);
  } finally {
    rmSync(beside);
  }
}

/** In the page: pictures are decoded, numbers exact, and three seconds of frames have gone by for a product to be drawn. */
function settled() {
  const pictures = [...document.images].every((image) => image.complete);
  const docket = document.querySelector('[aria-label=Docket] [role=status]');
  const ready = pictures && document.fonts.status === 'loaded' && (!docket || docket.textContent === 'exact');
  if (!ready) return false;
  window.settledAt ??= performance.now();
  return performance.now() - window.settledAt > 3000;
}
