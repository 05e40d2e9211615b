import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startApp } from '../../scripts/lib/app.mjs';
import { openBrowser, openDemo } from '../../scripts/lib/browser.mjs';
import { SERVED, type Served } from './served';

/**
 * Once for all suites of the interface: the built application with nothing in it and with the demo shop, and a profile
 * in which that shop is loaded and measured, which suites begin with a copy of.
 */
export default async function serve(): Promise<void> {
  const [empty, demo] = await Promise.all([startApp({ demo: false }), startApp({ demo: true })]);
  const profile = mkdtempSync(join(tmpdir(), 'up-fit-seed-'));
  const browser = await openBrowser({ profile });
  try {
    await openDemo(browser, demo.address);
  } finally {
    await browser.quit();
  }
  const served: Served = { empty: empty.address, demo: demo.address, profile };
  process.env[SERVED] = JSON.stringify(served);
  (globalThis as { stopServing?: () => Promise<unknown> }).stopServing = () =>
    Promise.all([empty.stop(), demo.stop()]);
}
