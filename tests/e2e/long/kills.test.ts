import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Key, type WebDriver } from 'selenium-webdriver';
import { PNG } from 'pngjs';
import { writeFileSync } from 'node:fs';
import type { Fit } from '@/core/fit/schema';
import { openBrowser } from '../../../scripts/lib/browser.mjs';
import { Bench } from '../../support/bench-page';
import { seeded } from '../../support/damaged';
import { records } from '../../support/stored';
import { served } from '../../support/served';

/** How often the browser is killed in the middle of something. */
const KILLS = 100;
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

/** Ends the browser as a crash does: nothing of it hears that it ends. */
async function kill(): Promise<void> {
  const pid = (await browser.getCapabilities()).get('goog:processID') as number;
  process.kill(pid, 'SIGKILL');
  await browser.quit().catch(() => undefined);
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
  for (let round = 0; round < KILLS; round++) {
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
    await browser.executeAsyncScript(`setTimeout(arguments[1], arguments[0])`, random() * 300);
    await kill();
    await start();
    await browser.get(`${served().empty}/icon.svg`);
    const now = await fitNow();
    const steps = await records<{ fitId: string; number: number; fit: Fit }>(browser, 'steps');
    const [head] = await records<{ at: number }>(browser, 'heads');
    expect(steps.map(({ fit }) => JSON.stringify(fit))).toContain(JSON.stringify(last));
    expect(steps.find(({ number }) => number === head!.at)?.fit).toEqual(now);
    last = now;
  }
  await browser.quit();
}, 3_600_000);
