// A range as large as a real shop's, made in the page from the demo: 500 designs on 40 blanks, 6,000 fits with their
// dockets. For the benchmark.
import { execFileSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { By, Key, until } from 'selenium-webdriver';
import { startApp } from './app.mjs';
import { openBrowser, openDemo } from './browser.mjs';

const root = fileURLToPath(new URL('../..', import.meta.url));

const GOES = 5;

/** What is timed on it: opening against opening the demo, and the longest task while it is searched and scrolled. */
export async function rangeRows() {
  const app = await startApp({ demo: true });
  const browser = await openBrowser();
  const median = (values) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)];
  const opened = async () => {
    const times = [];
    for (let i = 0; i < GOES; i++) {
      await browser.get(app.address);
      times.push(await browser.executeAsyncScript(whenShown));
    }
    return median(times);
  };
  const longest = async (go) => {
    const tasks = [];
    for (let i = 0; i < GOES; i++) tasks.push(await browser.executeAsyncScript(watch, go));
    return median(tasks);
  };
  try {
    await openDemo(browser, app.address);
    const demo = await opened();
    const demoHolds = await held(browser);
    await fillRange(browser);
    const full = await opened();
    const holds = await held(browser);
    const row = (name, limit, ratio) => ({ name, limit, ratio, ms: null, unit: 'ms' });
    return [
      { name: 'range of 6,000 fits: opening it / the demo', limit: 3, ratio: full / demo, ms: full },
      {
        name: 'range of 6,000 fits: memory of the page / of the demo',
        limit: 1.5,
        ratio: holds / demoHolds,
        ms: null,
      },
      row('range of 6,000 fits: longest task while searching', 50, await longest('search')),
      row('range of 6,000 fits: longest task, scrolled down', 50, await longest('down')),
      row('range of 6,000 fits: longest task, scrolled across', 50, await longest('across')),
      row('range of 6,000 fits: what a swap in hundreds does is told after', 2000, await swapSeen(browser)),
    ];
  } finally {
    await browser.quit();
    await app.stop();
  }
}

/** ms until what a swap does to hundreds of fits is told; their verdicts follow as they are measured. */
async function swapSeen(browser) {
  const press = async (xpath) => (await browser.wait(until.elementLocated(By.xpath(xpath)), 20_000)).click();
  await browser.findElement(By.css('input[type=search]')).sendKeys('storm');
  await press('//button[starts-with(., "Choose")]');
  await press('//*[@role="menuitem"][starts-with(., "all that are fitted")]');
  await press('//button[starts-with(., "Do to them")]');
  await press('//*[@role="menuitem"][starts-with(., "Swap an artwork")]');
  await press('//button[@role="combobox"][@aria-label="comes"]');
  await press('//*[@role="option"][not(@aria-selected="true")][2]');
  const ms = await browser.executeAsyncScript(whenToldOf);
  await browser.actions().sendKeys(Key.ESCAPE).perform();
  return ms;
}

/** In the page. */
function whenToldOf(done) {
  const start = performance.now();
  [...document.querySelectorAll('button')].find((one) => one.textContent === 'See what it does').click();
  const look = () => {
    if (document.querySelector('[aria-label="What it does"] li')) done(performance.now() - start);
    else requestAnimationFrame(look);
  };
  look();
}

/** Bytes that the page, its documents and its workers hold once what is no longer wanted is cleared away. */
async function held(browser) {
  const sizes = [];
  for (let i = 0; i < 3; i++) {
    await browser.sendDevToolsCommand('HeapProfiler.collectGarbage');
    sizes.push(await browser.executeAsyncScript(bytes));
  }
  return sizes[2];
}

/** In the page. */
function bytes(done) {
  performance.measureUserAgentSpecificMemory().then((all) => done(all.bytes), done);
}

/** In the page: ms from its beginning until a screen of cells is drawn. */
function whenShown(done) {
  const look = () => {
    if (document.querySelectorAll('[role=gridcell]').length > 20) done(performance.now());
    else requestAnimationFrame(look);
  };
  look();
}

/** In the page: the longest task in ms while something goes on for a second or two; 0 where none was long. */
function watch(what, done) {
  let longest = 0;
  const observer = new PerformanceObserver((list) => {
    for (const { duration } of list.getEntries()) longest = Math.max(longest, duration);
  });
  observer.observe({ type: 'longtask' });
  const grid = document.querySelector('[role=grid]');
  const field = document.querySelector('input[type=search]');
  const type = (text) => {
    Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(field, text);
    field.dispatchEvent(new Event('input', { bubbles: true }));
  };
  const words = ['s', 'st', 'sto', 'stor', 'storm', 'storm 2', ''];
  let frame = 0;
  const step = () => {
    if (what === 'search' && frame % 12 === 0 && frame / 12 < words.length) type(words[frame / 12]);
    if (what === 'down') grid.scrollBy(0, 120);
    if (what === 'across') grid.scrollBy(60, 0);
    if (++frame < 100) requestAnimationFrame(step);
    else {
      grid.scrollTo(0, 0);
      setTimeout(() => {
        observer.disconnect();
        done(longest);
      }, 500);
    }
  };
  requestAnimationFrame(step);
}

/** Fills the shop that is open in the browser; the demo is laid out and measured in it. */
export async function fillRange(browser) {
  const blanks = JSON.parse(
    execFileSync('npm', ['run', '-s', 'upfit', '--', 'blanks', '--json'], { cwd: root }),
  );
  const ids = blanks.map(({ id }) => id).slice(0, 40);
  const trouble = await browser.executeAsyncScript(fill, 500, 6000, ids);
  if (trouble) throw new Error(trouble);
}

/** In the page. */
function fill(designCount, fitCount, blankIds, done) {
  const asked = (request) =>
    new Promise((resolve, reject) => {
      request.onsuccess = () => resolve(request.result);
      request.onerror = () => reject(request.error);
    });
  void (async () => {
    const db = await asked(indexedDB.open('up-fit'));
    const store = db.transaction(['designs', 'fits', 'dockets', 'summaries', 'settings'], 'readwrite');
    const all = (table) => asked(store.objectStore(table).getAll());
    const [designs, fits, dockets, summaries, [settings]] = await Promise.all(
      ['designs', 'fits', 'dockets', 'summaries', 'settings'].map(all),
    );
    const [settingsKey] = await asked(store.objectStore('settings').getAllKeys());
    const docketOf = new Map(dockets.map((docket) => [docket.fitId, docket]));
    const summaryOf = new Map(summaries.map((summary) => [summary.fitId, summary]));
    const measured = fits.filter(({ id }) => docketOf.has(id));
    for (let i = designs.length; i < designCount; i++) {
      const like = designs[i % designs.length];
      store.objectStore('designs').put({ ...like, id: `design-${i}`, name: `${like.name} ${i}`, order: i });
    }
    // A dozen fits a design, on blanks that have been measured: a docket holds for what it was measured from alone.
    const own = designCount - designs.length;
    for (let i = 0; i < fitCount; i++) {
      const like = measured[((i % own) + 3 * Math.floor(i / own)) % measured.length];
      const id = `fit-${i}`;
      store.objectStore('fits').put({ ...like, id, designId: `design-${designs.length + (i % own)}` });
      // As measured here: none of them is measured again behind.
      const kept = { fitId: id, measuredAt: Date.now() };
      store.objectStore('dockets').put({ ...docketOf.get(like.id), ...kept });
      store.objectStore('summaries').put({ ...summaryOf.get(like.id), ...kept });
    }
    const columns = [...new Set([...settings.columns, ...blankIds])].slice(0, blankIds.length);
    store.objectStore('settings').put({ ...settings, columns }, settingsKey);
    store.commit?.();
    await new Promise((resolve, reject) => {
      store.oncomplete = resolve;
      store.onerror = () => reject(store.error);
    });
    db.close();
    done(null);
  })().catch((error) => done(String(error)));
}
