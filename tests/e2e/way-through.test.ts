import { execFileSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { PNG } from 'pngjs';
import { By, Key, type WebDriver } from 'selenium-webdriver';
import { openBrowser } from '../../scripts/lib/browser.mjs';
import { keepsOut } from '../support/axe';
import { downloaded, newFolder, Page, PATIENCE } from '../support/bench';
import { few } from '../support/long';
import { served } from '../support/served';

const folder = newFolder();
const downloads = newFolder();
const profile = newFolder();
const picture = join(folder, 'harbour-wall.png');

const app = { address: served().empty };
let browser: WebDriver;
let page: Page;

beforeAll(async () => {
  const png = new PNG({ width: 2712, height: 1151 });
  for (let at = 0; at < png.data.length; at += 4) png.data.set([(at >> 4) & 255, 90, 140, 255], at);
  writeFileSync(picture, PNG.sync.write(png, { colorType: 2 }));
  browser = await openBrowser({ profile, downloads });
  page = new Page(browser, app.address);
});
afterAll(async () => {
  await browser.quit();
  for (const one of [folder, downloads, profile])
    rmSync(one, { recursive: true, force: true, maxRetries: 5 });
});

/** The tests of one way through: each goes on where the one before it stopped. */
describe('from a picture to a checked print file', () => {
  test('an empty range says the first thing to do', async () => {
    await browser.get(app.address);
    await page.says('body', /Bring in the first artwork/);
  });

  test('a dropped picture becomes a design, kept byte for byte', async () => {
    await page.drop(picture);
    await page.says('[role=grid]', /harbour-wall/);
    const kept = await browser.executeAsyncScript<string>(`
      const done = arguments[arguments.length - 1];
      const open = indexedDB.open('up-fit');
      open.onsuccess = () => {
        const all = open.result.transaction('originals').objectStore('originals').getAll();
        all.onsuccess = async () => {
          const hash = await crypto.subtle.digest('SHA-256', await all.result[0].arrayBuffer());
          done([...new Uint8Array(hash)].map((byte) => byte.toString(16).padStart(2, '0')).join(''));
        };
      };`);
    expect(kept).toBe(createHash('sha256').update(readFileSync(picture)).digest('hex'));
  });

  test('one click fits it on the mug, covering; the cell opens the bench', async () => {
    await (await page.named('Fit harbour-wall on Mug 325 ml')).click();
    await (await page.named('harbour-wall on Mug 325 ml: Ready')).click();
    expect(await page.verdict('bleed', 'ready')).toContain('all covered');
    for (const part of ['Flat', 'Product', 'Docket']) {
      const { x, y, width, height } = await (await page.named(part)).getRect();
      expect(width).toBeGreaterThan(200);
      expect(x + width).toBeLessThanOrEqual(1281);
      expect(y + height).toBeLessThanOrEqual(801);
    }
  });

  test('the command line agrees with the bench on every finding', async () => {
    const args = [
      'dist/cli/main.mjs',
      'check',
      '--blank',
      'mug-325',
      '--artwork',
      picture,
      '--place',
      'cover',
      '--json',
    ];
    const { findings } = JSON.parse(execFileSync(process.execPath, args, { encoding: 'utf8' })) as {
      findings: { rule: string; verdict: string; shown: { measured: string } }[];
    };
    for (const { rule, verdict, shown } of findings)
      expect(await page.verdict(rule, verdict)).toContain(shown.measured);
  });

  test('moved off, the ground falls short: Fix, with millimetres and the side; the remedy mends it', async () => {
    await page.dimension('left', '3 mm');
    const line = await page.verdict('bleed', 'fix');
    expect(line).toMatch(/3\.\d mm short/);
    expect(line).toContain('left edge');
    await page.says('[data-callout]', /Ground ends 3\.\d mm short of the bleed, left edge/);
    await page.press('Move the ground');
    await page.verdict('bleed', 'ready');
  });

  test('one undo takes the remedy back, one redo brings it again', async () => {
    await page.press('Undo');
    await page.verdict('bleed', 'fix');
    await page.press('Redo');
    await page.verdict('bleed', 'ready');
  });

  test('a width typed as a fraction of an inch gives the placed PPI', async () => {
    await page.keys('f');
    await page.dimension('width', '3 1/8 in');
    const value = await page.find('[data-dimension=width]');
    expect(await value.getText()).toContain('79.4 mm');
    expect(await page.verdict('resolution', 'ready')).toContain(`${Math.floor(2712 / 3.125)} PPI`);
  });

  test('a length that makes no sense says which character, and changes nothing', async () => {
    await (await page.find('[data-dimension=width]')).click();
    const field = await page.find('input[aria-describedby]');
    await field.sendKeys(Key.chord(Key.CONTROL, 'a'), '12 § mm', Key.ENTER);
    await page.says('[role=status]', /“§” at character 4/);
    await field.sendKeys(Key.ESCAPE);
    expect(await (await page.find('[data-dimension=width]')).getText()).toContain('79.4 mm');
  });

  test('keys nudge and centre; the docket follows', async () => {
    await page.keys('c');
    await page.verdict('centre', 'ready');
    await page.keys(Key.ARROW_RIGHT, Key.ARROW_RIGHT);
    expect(await page.verdict('centre', 'look')).toContain('2.0 mm off');
    await page.press('Move 2.0 mm to centre');
    await page.verdict('centre', 'ready');
  });

  test('dragging moves it, and past the trim is a Fix with its remedy', async () => {
    const grip = await page.find('[data-piece]');
    await browser
      .actions()
      .move({ origin: grip })
      .press()
      .move({ origin: grip, x: 40, y: -130 })
      .move({ origin: grip, x: 44, y: -134 })
      .release()
      .perform();
    expect(await page.verdict('safe', 'fix')).toContain('top edge');
    await page.press('Move');
    await page.verdict('safe', 'ready');
  });

  test('a plain ground goes under it', async () => {
    await page.press('Add…');
    await page.press('a plain ground');
    await page.verdict('bleed', 'ready');
  });

  test('the print file: exact pixels, density, profile, and nothing but the pieces in it', async () => {
    await page.press('Make print file');
    const { name, bytes } = await downloaded(browser, downloads);
    expect(name).toBe('harbour-wall_mug-325-ml_wrap_222x92mm.png');
    const png = PNG.sync.read(bytes);
    expect([png.width, png.height]).toEqual([2671, 1134]);
    const density = bytes.indexOf('pHYs');
    expect([bytes.readUInt32BE(density + 4), bytes.readUInt32BE(density + 8), bytes[density + 12]]).toEqual([
      11811, 11811, 1,
    ]);
    expect(bytes.includes('iCCP')).toBe(true);
    for (let at = 0; at < png.data.length; at += 4) {
      const [red, green, blue, alpha] = png.data.subarray(at, at + 4);
      const isGround = red === 255 && green === 255 && blue === 255;
      // The picture's green and blue are one value each; on its edge they run into the white ground.
      const isPicture = green! >= 89 && blue! >= 139 && blue! - green! >= 0;
      if (alpha !== 255 || !(isGround || isPicture))
        throw new Error(`pixel ${at / 4} is ${red} ${green} ${blue} ${alpha}`);
    }
  });

  test('reloaded, all is as it was', async () => {
    await page.keys(Key.ESCAPE);
    const before = await page.verdict('centre', 'ready');
    const width = await browser.executeScript<string>(
      "return document.querySelector('[data-piece]').getAttribute('d')",
    );
    await page.reload();
    expect(await page.verdict('centre', 'ready')).toBe(before);
    await page.find('[data-piece]');
    await browser.wait(
      async () =>
        (await browser.executeScript("return document.querySelector('[data-piece]')?.getAttribute('d')")) ===
        width,
      PATIENCE,
    );
  });

  test('killed in the middle of editing, the last finished edit is there', async () => {
    await (await page.named('harbour-wall, motif')).click();
    await page.dimension('width', '61 mm');
    await page.says('[data-dimension=width]', /61\.0 mm/);
    const address = await browser.getCurrentUrl();
    const pid = await browserProcess(profile);
    process.kill(pid, 'SIGKILL');
    await browser.quit().catch(() => undefined);
    browser = await openBrowser({ profile, downloads });
    page = new Page(browser, app.address);
    await browser.get(address);
    await (await page.named('harbour-wall, motif')).click();
    await page.says('[data-dimension=width]', /61\.0 mm/);
  });
});

describe('what comes in wrong', () => {
  test('each bad file gets one sentence, and the good one beside it is taken', async () => {
    const whole = readFileSync(picture);
    const bad = {
      'empty.png': Buffer.alloc(0),
      'words.png': Buffer.from('only words'),
      'half.png': whole.subarray(0, whole.length / 2),
      'drawing.svg': Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"/>'),
    };
    const good = join(folder, 'dot.png');
    const dot = new PNG({ width: 90, height: 90 });
    dot.data.fill(255);
    writeFileSync(good, PNG.sync.write(dot));
    for (const [name, bytes] of Object.entries(bad)) writeFileSync(join(folder, name), bytes);
    await browser.get(`${app.address}/artwork`);
    await page.says('h1', /1 artwork/);
    await page.drop(...Object.keys(bad).map((name) => join(folder, name)), good);
    await page.says('h1', /2 artworks/);
    await page.says('[role=alert]', /“drawing.svg” has neither a size nor a viewBox/);
    // Two engines work side by side: which file is told of last is theirs to say.
    const told = await page.says('[role=alert]', /“half.png” is damaged or cut short/);
    expect(told).toContain('“empty.png” is empty');
    expect(told).toContain('“words.png” is not a picture');
    await page.says('body', /dot\.png/);
  });
});

describe('manners', () => {
  test('pages carry a strict policy, isolation, and scripts only by nonce', async () => {
    const { headers } = await fetch(app.address);
    const policy = headers.get('content-security-policy')!;
    expect(policy).toMatch(/script-src 'self' 'nonce-[\w+/=]+' 'strict-dynamic' 'wasm-unsafe-eval';/);
    expect(policy).toContain("object-src 'none'");
    expect(policy.split(';').find((part) => part.includes('script-src'))).not.toContain('unsafe-inline');
    expect(headers.get('cross-origin-opener-policy')).toBe('same-origin');
    expect(headers.get('cross-origin-embedder-policy')).toBe('require-corp');
    expect(await browser.executeScript('return crossOriginIsolated')).toBe(true);
  });

  const paths = [
    ...['/', '/artwork', '/blanks', '/blanks?blank=tumbler-470'],
    ...['/blanks/measure', '/blanks/template', '/blanks/spec'],
  ];
  test.each(few(paths, 2))('%s: nothing that keeps a person out (WCAG 2.2 AA)', async (path) => {
    await browser.get(app.address + path);
    await page.find('h1');
    expect(await keepsOut(browser)).toEqual([]);
  });

  test('the bench too; no call left the app’s own server', async () => {
    await browser.get(app.address);
    await (await page.named('harbour-wall on Mug 325 ml')).click();
    await page.verdict('file-spec', 'ready');
    expect(await keepsOut(browser)).toEqual([]);
    const addresses = await browser.executeScript<string[]>(
      "return performance.getEntriesByType('resource').map(({ name }) => name)",
    );
    expect(
      addresses.filter((address) => !address.startsWith(app.address) && !address.startsWith('blob:')),
    ).toEqual([]);
  });

  test('the sheet of keys opens on ? and closes', async () => {
    await page.keys('?');
    await page.says('[role=dialog]', /Fit inside the safe area/);
    await page.keys(Key.ESCAPE);
    await browser.wait(
      async () => (await browser.findElements(By.css('[role=dialog]'))).length === 0,
      PATIENCE,
    );
  });
});

/** The process id of the browser that was opened on a profile: the one whose parent is the driver. */
function browserProcess(ofProfile: string): number {
  const lines = execFileSync('ps', ['-eo', 'pid,args'], { encoding: 'utf8' }).split('\n');
  const line = lines.find((one) => one.includes(`--user-data-dir=${ofProfile}`) && !one.includes('--type='));
  if (!line) throw new Error('the browser is not running');
  return Number(line.trim().split(' ')[0]);
}
