import { cpSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Key, type WebDriver } from 'selenium-webdriver';
import { PNG } from 'pngjs';
import type { Fit } from '@/core/fit/schema';
import type { StoredPack } from '@/core/pack/record';
import { openBrowser } from '../../../scripts/lib/browser.mjs';
import { Bench } from '../../support/bench-page';
import { seeded } from '../../support/damaged';
import { RangePage } from '../../support/range-page';
import { putRecord, records } from '../../support/stored';
import { served } from '../../support/served';

/** How often the browser is killed in the middle of edits, and of each other thing. */
const [EDITS, OTHERS] = [40, 20];
const random = seeded(20261127);
const folder = mkdtempSync(join(tmpdir(), 'up-fit-kills-'));
const profile = join(folder, 'profile');
const picture = join(folder, 'gull.png');
afterAll(() => {
  rmSync(folder, { recursive: true, force: true, maxRetries: 5 });
});

let browser: WebDriver;
let bench: Bench;

async function start(): Promise<void> {
  browser = await openBrowser({ profile });
  bench = new Bench(browser, served().empty);
}

/** Ends the browser as a crash does, within so many ms: nothing of it hears that it ends. */
async function kill(within = 0): Promise<void> {
  await browser.executeAsyncScript(`setTimeout(arguments[1], arguments[0])`, random() * within);
  const pid = (await browser.getCapabilities()).get('goog:processID') as number;
  process.kill(pid, 'SIGKILL');
  await browser.quit().catch(() => undefined);
}

/** The store alone, as the crash left it: no page of the application has put anything right. */
async function startBeside(): Promise<void> {
  await start();
  await browser.get(`${served().empty}/icon.svg`);
}

const fitNow = async (): Promise<Fit> => (await records<Fit>(browser, 'fits'))[0]!;

test('killed at random moments of edits: the last one that was saved is there, and none is there by half', async () => {
  const png = new PNG({ width: 300, height: 150 });
  png.data.fill(200);
  writeFileSync(picture, PNG.sync.write(png));
  await start();
  await browser.get(served().empty);
  await bench.says('body', /Bring in the first artwork/);
  await bench.drop(picture);
  await (await bench.named('Fit gull on Mug 325 ml')).click();
  await bench.named('gull on Mug 325 ml: ');
  let last = await fitNow();
  for (let round = 0; round < EDITS; round++) {
    await bench.open(last.id);
    await bench.pick(0);
    const edits = Math.floor(random() * 4);
    for (let i = 0; i < edits; i++) {
      await bench.keys(Key.ARROW_RIGHT);
      await bench.saved();
    }
    last = await fitNow();
    // What is under way when it ends may be there or not, whole either way.
    await browser.executeScript(
      `setInterval(() => document.activeElement.dispatchEvent(
         new KeyboardEvent('keydown', { key: 'ArrowDown', bubbles: true })), 7);`,
    );
    await kill(300);
    await startBeside();
    const now = await fitNow();
    const steps = await records<{ fitId: string; number: number; fit: Fit }>(browser, 'steps');
    const [head] = await records<{ at: number }>(browser, 'heads');
    expect(steps.map(({ fit }) => JSON.stringify(fit))).toContain(JSON.stringify(last));
    expect(steps.find(({ number }) => number === head!.at)?.fit).toEqual(now);
    last = now;
  }
  await browser.quit();
}, 3_600_000);

/** ms that something takes that is not ended in the middle: others of its kind are, within half as long again. */
async function lasting(act: () => Promise<unknown>): Promise<number> {
  const began = performance.now();
  await act();
  return (performance.now() - began) * 1.6;
}

/** A profile with a shop in it, instead of the one that was used before. */
async function beginShop(): Promise<void> {
  rmSync(profile, { recursive: true, force: true, maxRetries: 5 });
  cpSync(served().bench, profile, { recursive: true });
  await start();
  await browser.get(served().empty);
  await bench.named('gull on Mug 325 ml: Fix');
}

interface Held {
  key: string;
  bytes: number;
  sha256: string;
}

/** Every file of a table, as many bytes and of which digest. */
const filesIn = (table: string): Promise<Held[]> =>
  browser.executeAsyncScript<Held[]>(
    `const done = arguments[arguments.length - 1];
     const open = indexedDB.open('up-fit');
     open.onsuccess = () => {
       const store = open.result.transaction('${table}').objectStore('${table}');
       const [keys, values] = [store.getAllKeys(), store.getAll()];
       values.onsuccess = async () => {
         const all = await Promise.all(values.result.map(async (file, i) => {
           const bytes = await new Blob([file]).arrayBuffer();
           const digest = new Uint8Array(await crypto.subtle.digest('SHA-256', bytes));
           const sha256 = [...digest].map((byte) => byte.toString(16).padStart(2, '0')).join('');
           return { key: String(keys.result[i]), bytes: bytes.byteLength, sha256 };
         }));
         open.result.close();
         done(all);
       };
     };`,
  );

test('killed while files come in: each is there with its file, byte for byte, or not at all', async () => {
  await beginShop();
  let known: string[] = [];
  let within = 0;
  for (let round = 0; round < OTHERS; round++) {
    const paths = Array.from({ length: 6 }, (_, i) => {
      const png = new PNG({ width: 60 + Math.floor(random() * 900), height: 400 });
      for (let at = 0; at < png.data.length; at++) png.data[at] = random() * 256;
      const path = join(folder, `storm-${round}-${i}.png`);
      writeFileSync(path, PNG.sync.write(png));
      return path;
    });
    await bench.drop(...paths);
    const all = () => browser.wait(async () => (await records(browser, 'artworks')).length === 7);
    if (round === 0) within = await lasting(all);
    await kill(round === 0 ? 0 : within);
    await startBeside();
    const artworks = await records<{ id: string; facts: { sha256: string; bytes: number } }>(
      browser,
      'artworks',
    );
    const originals = await filesIn('originals');
    for (const { key, sha256 } of originals) expect(sha256).toBe(key);
    for (const { facts } of artworks)
      expect(originals).toContainEqual({ key: facts.sha256, bytes: facts.bytes, sha256: facts.sha256 });
    const ids = artworks.map(({ id }) => id);
    // What was there before stays, and no design shows what is not there.
    expect(ids).toEqual(expect.arrayContaining(known));
    for (const design of await records<{ artworks: { artworkId: string }[] }>(browser, 'designs'))
      for (const { artworkId } of design.artworks) expect(ids).toContain(artworkId);
    known = ids;
    await browser.get(served().empty);
    await bench.named('gull on Mug 325 ml: Fix');
  }
  // Else nothing was ended in the middle.
  expect(known.length).toBeGreaterThan(7);
  expect(known.length).toBeLessThan(1 + 6 * OTHERS);
  await browser.quit();
}, 3_600_000);

test('killed in acts on many: all of them are changed, or none', async () => {
  await beginShop();
  const made = await fitNow();
  for (let i = 1; i <= 12; i++) {
    await putRecord(browser, 'designs', {
      upfit: 'design/1',
      id: `d${i}`,
      name: `Lamp ${i}`,
      order: i,
      artworks: [],
    });
    await putRecord(browser, 'fits', { ...made, id: `f${i}`, designId: `d${i}` });
  }
  let colours = new Set<string>();
  let [done, within] = [0, 0];
  for (let round = 0; round < OTHERS; round++) {
    const range = new RangePage({ browser, bench, address: served().empty });
    await range.open();
    await range.search('Lamp');
    await range.choose('all that are fitted');
    await range.bar(/^12 chosen/);
    await range.act('Change the colour of their ground');
    const colour = `#${Math.floor(random() * 0xffffff)
      .toString(16)
      .padStart(6, '0')}`;
    await range.colour('colour', colour);
    await range.see(/stay|become/);
    if (round === 0) within = await lasting(() => range.perform(12));
    else await bench.press('Do it to 12');
    await kill(round === 0 ? 0 : within);
    await startBeside();
    const fits = (await records<Fit>(browser, 'fits')).filter(({ id }) => /^f\d+$/.test(id));
    expect(fits).toHaveLength(12);
    const now = new Set(fits.map(({ faces }) => /#[0-9a-f]{6}/.exec(JSON.stringify(faces))?.[0] ?? ''));
    expect(now.size).toBe(1);
    if (now.has(colour)) done++;
    else expect(now).toEqual(colours);
    colours = now;
  }
  expect(done).toBeGreaterThan(0);
  await browser.quit();
}, 3_600_000);

test('killed while packs are made: each is there with its whole zip, or not at all', async () => {
  await beginShop();
  let [known, within] = [0, 0];
  for (let round = 0; round < OTHERS; round++) {
    const { id } = await fitNow();
    await bench.open(id);
    await bench.press('Fit…');
    await bench.press('hand it over in a pack');
    await (await bench.named('Why gull on Mug 325 ml', 'input')).sendKeys('a proof');
    await bench.press('Make the pack');
    if (round === 0) within = await lasting(() => bench.find('[aria-label=Pack]'));
    await kill(round === 0 ? 0 : within);
    await startBeside();
    const packs = await records<StoredPack>(browser, 'packs');
    const zips = await filesIn('packZips');
    for (const { id: key, bytes, sha256 } of packs) expect(zips).toContainEqual({ key, bytes, sha256 });
    expect(packs.length).toBeGreaterThanOrEqual(known);
    known = packs.length;
  }
  expect(known).toBeGreaterThan(1);
  expect(known).toBeLessThan(OTHERS);
  await browser.quit();
}, 3_600_000);
