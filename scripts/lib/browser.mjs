// Headless Chromium through ChromeDriver, as the interface tests, the screenshots and the benchmark use it.
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Builder, By } from 'selenium-webdriver';
import chrome from 'selenium-webdriver/chrome.js';

const FLAGS = [
  '--headless=new',
  '--no-sandbox',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--enable-unsafe-swiftshader',
];

/**
 * Opens a browser of exactly 1280 x 800 with its own profile, new or begun as a copy of `seed`, or with one that is given
 * and kept. `downloads` is where its files go.
 * @param {{ profile?: string, seed?: string, downloads?: string, width?: number, height?: number }} [settings]
 */
export async function openBrowser({ profile, seed, downloads, width = 1280, height = 800 } = {}) {
  const folder = profile ?? mkdtempSync(join(tmpdir(), 'up-fit-'));
  if (seed) cpSync(seed, folder, { recursive: true });
  const options = new chrome.Options();
  options.setChromeBinaryPath('/usr/bin/chromium');
  options.addArguments(...FLAGS, `--user-data-dir=${folder}`, `--window-size=${width},${height}`);
  if (downloads) options.setUserPreferences({ 'download.default_directory': downloads });
  const browser = await new Builder()
    .forBrowser('chrome')
    .setChromeOptions(options)
    .setChromeService(new chrome.ServiceBuilder('/usr/bin/chromedriver'))
    .build();
  await browser.manage().setTimeouts({ script: 120_000 });
  await browser.sendDevToolsCommand('Emulation.setDeviceMetricsOverride', {
    width,
    height,
    deviceScaleFactor: 1,
    mobile: false,
  });
  const quit = browser.quit.bind(browser);
  browser.quit = async () => {
    await quit();
    if (!profile) rmSync(folder, { recursive: true, force: true, maxRetries: 5 });
  };
  return browser;
}

/** ms that what is waited for may take, on a machine that may be busy. */
const PATIENCE = 600_000;

/** Does something with the first that is found, once it is enabled; it may be drawn anew as it is looked at. */
export async function actOn(browser, found, act) {
  await browser.wait(async () => {
    try {
      const [first] = await browser.findElements(found);
      if (!first || !(await first.isEnabled())) return false;
      await act(first);
      return true;
    } catch (fault) {
      if (fault.name === 'StaleElementReferenceError') return false;
      throw fault;
    }
  }, PATIENCE);
}

/** ms that the demo's dockets may take: all of them are measured, on a machine that may be busy. */
const DEMO_PATIENCE = 400_000;

/** Opens the range and waits until the demo shop is laid out and every fit has a verdict. */
export async function openDemo(browser, address) {
  await browser.get(address);
  await browser.wait(async () => {
    const heading = await browser.findElements(By.css('h1'));
    const [said] = await Promise.all(heading.map((one) => one.getText().catch(() => '')));
    if (!/^1?\d designs on/.test(said ?? '')) return false;
    // Only what is in sight is drawn: how many are still measured is said for all of them.
    const cells = await browser.findElements(By.css('[role=gridcell] button[aria-label*=" on "]'));
    return cells.length > 20 && (await browser.findElements(By.css('[data-measuring]'))).length === 0;
  }, DEMO_PATIENCE);
}
