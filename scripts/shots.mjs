// Makes the pictures in docs/screenshots from the demo data, at 1280 x 800: `npm run shots`.
import { mkdirSync, writeFileSync } from 'node:fs';
import { By, until } from 'selenium-webdriver';
import { startApp } from './lib/app.mjs';
import { openBrowser, openDemo } from './lib/browser.mjs';

const SHOTS = [
  ['range', '/'],
  ['blanks', '/blanks'],
  ['artwork', '/artwork'],
  ['bench-mug', '/bench/night-watch--mug-325'],
  ['bench-mug-bleed', '/bench/wave-repeat--mug-325'],
  ['bench-shirt', '/bench/keep-the-light--shirt'],
  ['bench-sticker', '/bench/compass-rose--sticker-75'],
];

mkdirSync('docs/screenshots', { recursive: true });
const app = await startApp({ demo: true });
const browser = await openBrowser();
try {
  await openDemo(browser, app.address);
  for (const [name, path] of SHOTS) {
    await browser.get(app.address + path);
    await browser.wait(until.elementLocated(By.css('h1')), 60_000);
    await browser.wait(() => browser.executeScript(settled), 60_000);
    writeFileSync(`docs/screenshots/${name}.png`, await browser.takeScreenshot(), 'base64');
    console.log(`docs/screenshots/${name}.png`);
  }
} finally {
  await browser.quit();
  await app.stop();
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
