// Makes the pictures in docs/screenshots from the demo data, at 1280 x 800: `npm run shots`.
import { mkdirSync, writeFileSync } from 'node:fs';
import { By, Key, until } from 'selenium-webdriver';
import { startApp } from './lib/app.mjs';
import { openBrowser, openDemo } from './lib/browser.mjs';

const SHOTS = [
  ['range', '/'],
  ['blanks', '/blanks?blank=tumbler-taper-480'],
  ['blanks-measure', '/blanks/measure', measureCup],
  ['blanks-spec', '/blanks/spec', typeSpec],
  ['artwork', '/artwork', chooseLighthouse],
  ['bench-mug', '/bench/night-watch--mug-325'],
  ['bench-taper', '/bench/night-watch--tumbler-taper-480'],
  ['bench-mug-bleed', '/bench/wave-repeat--mug-325'],
  ['bench-shirt', '/bench/keep-the-light--shirt'],
  ['bench-sticker', '/bench/compass-rose--sticker-75'],
];

mkdirSync('docs/screenshots', { recursive: true });
const app = await startApp({ demo: true });
const browser = await openBrowser();
try {
  await openDemo(browser, app.address);
  for (const [name, path, act] of SHOTS) {
    await browser.get(app.address + path);
    await browser.wait(until.elementLocated(By.css('h1')), 60_000);
    await act?.();
    await browser.wait(() => browser.executeScript(settled), 60_000);
    writeFileSync(`docs/screenshots/${name}.png`, await browser.takeScreenshot(), 'base64');
    console.log(`docs/screenshots/${name}.png`);
  }
} finally {
  await browser.quit();
  await app.stop();
}

/** The lighthouse, in which hairline gaps were left. */
async function chooseLighthouse() {
  const row = By.xpath('//*[@role="option"][contains(., "lighthouse")]');
  const search = await browser.wait(until.elementLocated(By.css('[aria-label="Search artwork"]')), 60_000);
  await search.sendKeys('lighthouse');
  await (await browser.wait(until.elementLocated(row), 60_000)).click();
  await search.sendKeys(Key.chord(Key.CONTROL, 'a'), Key.BACK_SPACE);
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

/** A spec whose pixels and lengths do not agree. */
async function typeSpec() {
  for (const [label, text] of [
    ['Name of the blank', 'Flyer'],
    ['Size in lengths', '148 x 210 mm'],
    ['Size in pixels', '874 x 1240'],
    ['Bleed on each side', '3 mm'],
  ]) {
    const field = By.xpath(`//label[normalize-space()="${label}"]/following-sibling::input`);
    await (await browser.wait(until.elementLocated(field), 60_000)).sendKeys(text);
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
