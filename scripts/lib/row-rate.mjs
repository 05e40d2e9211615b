// Two hundred rows of a mug with two slots, for the benchmark: the list on screen, and their prints against as many alone.
import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { By, Key, until } from 'selenium-webdriver';
import { startApp } from './app.mjs';
import { actOn, openBrowser, openDemo } from './browser.mjs';

const ROWS = 200;
/** Prints made alone, one after another; the median stands for each. */
const ALONE = 7;
const WAIT = 600_000;

export async function rowRows() {
  const app = await startApp({ demo: true });
  const downloads = mkdtempSync(join(tmpdir(), 'up-fit-'));
  const browser = await openBrowser({ downloads });
  try {
    await openDemo(browser, app.address);
    await browser.get(`${app.address}/bench/knot-badge--mug-325`);
    for (const slot of ['name', 'year']) await addSlot(browser, slot);
    await actOn(browser, By.css('a[href^="/rows"]'), (link) => link.click());
    const field = await browser.wait(until.elementLocated(By.css('textarea')), WAIT);
    await browser.executeScript(fillIn, field, ROWS);
    await press(browser, 'Take these rows');
    const address = await browser.getCurrentUrl();
    const shown = [];
    for (let i = 0; i < 5; i++) {
      await browser.get(address);
      shown.push(await browser.executeAsyncScript(firstScreen));
    }
    await browser.wait(
      async () => (await browser.findElements(By.css('[aria-label="Measuring the rows"]'))).length === 0,
      WAIT,
    );
    const before = await browser.executeAsyncScript(heldAtRest);
    await browser.executeAsyncScript(scrollThrough);
    const after = await browser.executeAsyncScript(heldAtRest);
    const alone = [];
    for (let i = 0; i < ALONE; i++) {
      const files = readdirSync(downloads).length;
      const from = Date.now();
      await press(browser, 'Row 1: what can be done');
      await press(browser, 'Make its print alone');
      await browser.wait(() => finished(downloads).length > files, WAIT);
      alone.push(Date.now() - from);
    }
    const files = readdirSync(downloads).length;
    const from = Date.now();
    await press(browser, `Make ${ROWS} prints`);
    await browser.wait(() => finished(downloads).length > files, WAIT);
    const all = Date.now() - from;
    const median = (values) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)];
    return [
      {
        name: `rows: ${ROWS} prints / as many alone, one after another`,
        limit: 1.2,
        ratio: all / (ROWS * median(alone)),
        ms: all,
      },
      {
        name: `rows: first screen of ${ROWS}, after the page`,
        limit: 1000,
        ratio: median(shown),
        ms: null,
        unit: 'ms',
      },
      {
        name: `rows: page memory after all ${ROWS} were seen / before`,
        limit: 1.2,
        ratio: after / before,
        ms: null,
      },
    ];
  } finally {
    await browser.quit();
    await app.stop();
    rmSync(downloads, { recursive: true, maxRetries: 5 });
  }
}

/** A text that is a slot of a name. */
async function addSlot(browser, name) {
  await browser.wait(until.elementLocated(By.css('[aria-label=Flat] canvas')), WAIT);
  // What is open of the slot before this one is left first.
  await browser.actions().sendKeys(Key.ESCAPE, Key.ESCAPE, 'i').perform();
  await typeIn(browser, 'Line 1', name);
  await press(browser, 'Set these words');
  await press(browser, 'Slot…');
  await press(browser, 'Make it a slot');
  await typeIn(browser, 'Name of the slot', name, Key.ENTER);
}

async function typeIn(browser, label, ...keys) {
  await actOn(browser, By.css(`input[aria-label^="${label}"], textarea[aria-label^="${label}"]`), (field) =>
    field.sendKeys(Key.chord(Key.CONTROL, 'a'), ...keys),
  );
}

async function press(browser, words) {
  const path = By.xpath(
    `//*[self::button or @role="menuitem"][starts-with(normalize-space(.), "${words}") or starts-with(@aria-label, "${words}")]`,
  );
  await actOn(browser, path, (found) => found.click());
}

const finished = (folder) => readdirSync(folder).filter((name) => !name.endsWith('.crdownload'));

/** In the page: a list of so many rows, as if it were pasted. */
function fillIn(field, count) {
  const rows = Array.from({ length: count }, (_, i) => `Keeper ${i + 1};${1700 + i}`);
  const set = Object.getOwnPropertyDescriptor(HTMLTextAreaElement.prototype, 'value').set;
  set.call(field, `name;year\n${rows.join('\n')}`);
  field.dispatchEvent(new Event('input', { bubbles: true }));
}

/** In the page: ms from its heading to a screen of rows, each with its drawing. */
function firstScreen(done) {
  const heading = () => document.querySelector('h1')?.textContent?.startsWith('Rows of');
  let from = null;
  const look = () => {
    if (from === null && heading()) from = performance.now();
    const rows = [...document.querySelectorAll('[aria-label=Rows] [role=row]')];
    const drawn = rows.filter((row) => row.querySelector('svg, canvas, img'));
    if (from !== null && drawn.length >= 5) done(performance.now() - from);
    else requestAnimationFrame(look);
  };
  look();
}

/** In the page: bytes that it holds itself once it has cleared up; its workers’ engines come and go by what is measured. */
function heldAtRest(done) {
  const isOwn = ({ attribution }) => attribution.some(({ scope }) => scope === 'Window');
  performance.measureUserAgentSpecificMemory().then(({ breakdown }) => {
    done(breakdown.filter(isOwn).reduce((sum, { bytes }) => sum + bytes, 0));
  });
}

/** In the page: the list from its top to its end and back, a screen a frame. */
function scrollThrough(done) {
  const row = document.querySelector('[aria-label=Rows] [role=row]');
  let box = row.parentElement;
  while (!(box.scrollHeight > box.clientHeight + 50 && /auto|scroll/.test(getComputedStyle(box).overflowY)))
    box = box.parentElement;
  let way = 1;
  const step = () => {
    box.scrollTop += way * box.clientHeight;
    if (way === 1 && box.scrollTop + box.clientHeight >= box.scrollHeight - 2) way = -1;
    else if (way === -1 && box.scrollTop <= 0) return done();
    requestAnimationFrame(step);
  };
  step();
}
