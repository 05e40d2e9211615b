// What packs and archives take of memory, for the benchmark: the whole browser at its most, less what it takes at rest.
import { mkdtempSync, readdirSync, readFileSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { By } from 'selenium-webdriver';
import { startApp } from './app.mjs';
import { actOn, openBrowser, openDemo } from './browser.mjs';

const FITS = 20;
const GIB = 1024 ** 3;
/** A GiB of artwork, as files of so many MiB. */
const PART = 64;
const WAIT = 600_000;

export async function handedRows() {
  const app = await startApp({ demo: true });
  const downloads = mkdtempSync(join(tmpdir(), 'up-fit-'));
  const browser = await openBrowser({ downloads });

  try {
    await openDemo(browser, app.address);
    const pack = await memory.during(() => makePack(browser, app.address));
    await browser.get(app.address);
    await browser.executeAsyncScript(fillShop, GIB, PART * 1024 * 1024);
    await browser.get(app.address);
    let file = '';
    const out = await memory.during(async () => {
      await press(browser, '//button[starts-with(@aria-label, "Shop ")]');
      await press(browser, '//button[.="Save an archive"]');
      await browser.wait(() => (file = finished(downloads)) !== '', WAIT);
    });
    const size = statSync(join(downloads, file)).size;
    const back = await memory.during(async () => {
      const input = await browser.findElement(By.css('input[aria-label="An archive to bring in"]'));
      await input.sendKeys(join(downloads, file));
      await press(browser, '//button[.="Bring it in"]');
      await browser.wait(async () => {
        const [dialog, fault] = await browser.executeScript(
          'const dialog = document.querySelector("[role=dialog]"); return [dialog !== null, dialog?.querySelector("[role=alert]")?.textContent]',
        );
        if (fault) throw new Error(fault);
        return !dialog;
      }, WAIT);
    });
    const mib = (name, limit, ratio) => ({ name, limit, ratio, ms: null, unit: 'MiB' });
    return [
      mib('peak memory, a pack of 20 fits', 1536, pack),
      mib(`peak memory, an archive of ${(size / GIB).toFixed(2)} GiB out`, 512, out),
      mib('peak memory, the same archive in', 512, back),
    ];
  } finally {
    await browser.quit();
    await app.stop();
    rmSync(downloads, { recursive: true, maxRetries: 5 });
  }
}

const press = (browser, path) => actOn(browser, By.xpath(path), (button) => button.click());

async function makePack(browser, address) {
  await browser.get(`${address}/packs`);
  await browser.wait(
    async () => (await browser.findElements(By.css('tbody [role=checkbox]'))).length >= FITS,
    WAIT,
  );
  const boxes = await browser.findElements(By.css('tbody [role=checkbox]'));
  for (const box of boxes.slice(0, FITS)) await box.click();
  for (const reason of await browser.findElements(By.css('input[placeholder="why it goes out as it is"]')))
    await reason.sendKeys('bench');
  await press(browser, '//button[.="Make the pack"]');
  await browser.wait(async () => (await browser.findElements(By.css('[aria-label=Pack]'))).length > 0, WAIT);
}

function finished(folder) {
  return readdirSync(folder).find((name) => name.endsWith('.zip')) ?? '';
}

/** In the page: puts so many bytes of artwork files into the shop, under one record of the demo each. */
function fillShop(bytes, part, done) {
  indexedDB.open('up-fit').onsuccess = async ({ target }) => {
    const db = target.result;
    const all = (table) =>
      new Promise((ready) => {
        db.transaction(table).objectStore(table).getAll().onsuccess = (event) => ready(event.target.result);
      });
    const [artwork] = await all('artworks');
    for (let i = 0; i * part < bytes; i++) {
      const noise = new Uint8Array(part);
      for (let at = 0; at < part; at += 65536) crypto.getRandomValues(noise.subarray(at, at + 65536));
      // Its own, as a file that comes in again is held to.
      const digest = new Uint8Array(await crypto.subtle.digest('SHA-256', noise));
      const sha256 = Array.from(digest, (byte) => byte.toString(16).padStart(2, '0')).join('');
      await new Promise((ready) => {
        const change = db.transaction(['artworks', 'originals'], 'readwrite');
        change.objectStore('originals').put(new Blob([noise]), sha256);
        change.objectStore('artworks').put({ ...artwork, id: sha256, facts: { ...artwork.facts, sha256 } });
        change.oncomplete = ready;
      });
    }
    db.close();
    done();
  };
}

const memory = {
  /** The most that this process and all it started take while work goes on, in MiB, over what they took before. */
  during: async (work) => {
    const rest = sumOf(process.pid);
    let most = rest;
    const watch = setInterval(() => {
      most = Math.max(most, sumOf(process.pid));
    }, 50);
    await work();
    clearInterval(watch);
    return most - rest;
  },
};

/** Private memory of a process and of all that it started; shared pages and files count for nothing. */
function sumOf(root) {
  const parents = new Map();
  for (const name of readdirSync('/proc')) {
    if (!/^\d+$/.test(name)) continue;
    try {
      parents.set(
        Number(name),
        Number(/PPid:\s+(\d+)/.exec(readFileSync(`/proc/${name}/status`, 'utf8'))[1]),
      );
    } catch {
      // It has just ended.
    }
  }
  const isOurs = (id) => id === root || (parents.has(id) && parents.get(id) > 1 && isOurs(parents.get(id)));
  let sum = 0;
  for (const id of parents.keys()) {
    if (!isOurs(id)) continue;
    try {
      sum += Number(/RssAnon:\s+(\d+)/.exec(readFileSync(`/proc/${id}/status`, 'utf8'))?.[1] ?? 0) / 1024;
    } catch {
      // It has just ended.
    }
  }
  return sum;
}
