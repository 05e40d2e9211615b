import { join } from 'node:path';
import type { WebDriver } from 'selenium-webdriver';
import { startApp } from '../../scripts/lib/app.mjs';
import { openBrowser, openDemo } from '../../scripts/lib/browser.mjs';
import { newFolder, Page } from './bench';
import { drawGull, makeFirstFit } from './first-fit';
import { SERVED, type Served } from './served';

/** Makes a profile in which something was done. */
async function seed(act: (browser: WebDriver) => Promise<unknown>): Promise<string> {
  const profile = newFolder();
  const browser = await openBrowser({ profile });
  try {
    await act(browser);
  } finally {
    await browser.quit();
  }
  return profile;
}

async function beginBench(browser: WebDriver, address: string): Promise<void> {
  const picture = join(newFolder(), 'gull.png');
  drawGull(picture);
  await makeFirstFit(new Page(browser, address), picture);
}

/**
 * Once for all suites of the interface: the built application with nothing in it and with the demo shop, and
 * profiles in which that shop is loaded, and in which a bench's shop is, which suites begin with a copy of.
 */
export default async function serve(): Promise<void> {
  const [empty, demo] = await Promise.all([startApp({ demo: false }), startApp({ demo: true })]);
  const [bench, profile] = await Promise.all([
    seed((browser) => beginBench(browser, empty.address)),
    seed((browser) => openDemo(browser, demo.address)),
  ]);
  const served: Served = { empty: empty.address, demo: demo.address, profile, bench };
  process.env[SERVED] = JSON.stringify(served);
  (globalThis as { stopServing?: () => Promise<unknown> }).stopServing = () =>
    Promise.all([empty.stop(), demo.stop()]);
}
