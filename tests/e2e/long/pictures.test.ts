import { rmSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { unzipSync } from 'fflate';
import { PNG } from 'pngjs';
import { By, Key, type WebDriver } from 'selenium-webdriver';
import type { Fit } from '@/core/fit/schema';
import { openBrowser } from '../../../scripts/lib/browser.mjs';
import { keepsOut } from '../../support/axe';
import { downloaded, newFolder, Page, PATIENCE } from '../../support/bench';
import { putRecord, records } from '../../support/stored';
import { served } from '../../support/served';
import { longTest } from '../../support/long';

const downloads = newFolder();
const app = { address: served().demo };
let browser: WebDriver;
let page: Page;

beforeAll(async () => {
  browser = await openBrowser({ seed: served().profile, downloads });
  page = new Page(browser, app.address);
  await browser.get(app.address);
  await page.says('h1', /12 designs/);
});
afterAll(async () => {
  await browser.quit();
  rmSync(downloads, { recursive: true, force: true, maxRetries: 5 });
});

async function pictures(fitId: string): Promise<void> {
  await browser.get(`${app.address}/pictures?fit=${fitId}`);
  await page.find('[aria-label=Scenes] li img');
}

describe('scenes', () => {
  test('several pictures in several colours go into one zip, each at its own size and by its name', async () => {
    await pictures('lighthouse--shirt');
    await page.find('[aria-label=Scenes] button[aria-pressed=true]');
    await page.choose('Product colours', 'each of them');
    await page.choose('Size', 'Upright');
    await page.choose('File', 'WebP');
    await page.press('Make 6 pictures');
    await page.says('aside', /6 pictures saved in one zip/);
    const { bytes } = await downloaded(browser, downloads, '_pictures.zip');
    const names = Object.keys(unzipSync(bytes)).filter((name) => name !== 'list.json');
    expect(names).toHaveLength(6);
    expect(names.every((name) => /^lighthouse_shirt_plain-seen-from-above_[a-z-]+\.webp$/.test(name))).toBe(
      true,
    );
    for (const file of Object.entries(unzipSync(bytes)))
      if (file[0] !== 'list.json') expect(Buffer.from(file[1].subarray(8, 12)).toString()).toBe('WEBP');
  });

  test('stopped, what is finished is kept', async () => {
    for (const name of readdirSync(downloads)) rmSync(join(downloads, name));
    // A few scenes in every colour are pictures enough to be stopped among.
    const others = await browser.findElements(By.css('[aria-label=Scenes] button[aria-pressed=false]'));
    for (const scene of others.slice(0, 3)) await scene.click();
    await page.press('Make ');
    await page.says('aside [role=status]', /[1-9]\d* of \d\d/);
    await page.press('Stop');
    await page.says('aside', /Stopped: [1-9]\d* of \d+ saved/);
    expect((await downloaded(browser, downloads, '')).name).toMatch(/zip|webp/);
  });

  longTest(
    'the first picture warns where the headline does not read; shadow and backdrop are chosen',
    async () => {
      await pictures('lighthouse--mug-325');
      await page.says('[aria-label=Scenes] [role=alert]', /First picture: \d+ % of “lighthouse” reads/);
      await (await page.named('Plain, from the front', 'button')).click();
      await (await page.named('Both sides', 'button')).click();
      await browser.wait(
        async () => (await browser.findElements(By.css('[aria-label=Scenes] [role=alert]'))).length === 0,
        PATIENCE,
      );
      const shown = async () => (await page.find('img[alt^="Both sides"]')).getAttribute('src');
      const before = await shown();
      await (await page.find('[aria-label="Backdrop from the artwork"] [role=radio]:nth-child(2)')).click();
      await browser.wait(async () => (await shown()) !== before, PATIENCE);
      expect(await keepsOut(browser)).toEqual([]);
    },
  );
});

describe('a picture that turns', () => {
  const asked = async (...answers: [string, string][]) => {
    for (const [label, words] of answers) await page.choose(label, words);
  };

  test('is made of the fit that is chosen, played, and saved; how it was asked for is kept', async () => {
    await pictures('lighthouse--mug-325');
    await page.press('A picture that turns');
    await asked(
      ['Turns', 'to and fro'],
      ['Pictures in a turn', '12'],
      ['Picture size', '400'],
      ['One turn takes', '3'],
    );
    await page.press('Make it');
    await page.says('[role=dialog] [role=status]', /lighthouse_mug-325-ml_[\w-]+_turning\.gif, \d+ kB/);
    await page.find('[role=dialog] img[alt="Lighthouse on Mug 325 ml, turning"]');
    expect(await keepsOut(browser)).toEqual([]);
    await page.press('Save the file');
    const { bytes } = await downloaded(browser, downloads, '_turning.gif');
    expect(bytes.subarray(0, 6).toString('latin1')).toBe('GIF89a');
    // As wide and high as was asked, and for ever.
    expect([bytes.readUInt16LE(6), bytes.readUInt16LE(8)]).toEqual([400, 400]);
    expect(bytes.includes('NETSCAPE2.0')).toBe(true);
    await page.press('Leave');
    await page.press('A picture that turns');
    expect(await (await page.named('Pictures in a turn', 'button')).getText()).toBe('12');
    expect(await (await page.named('Turns', 'button')).getText()).toBe('to and fro');
    await page.press('Leave');
  });

  test('is stopped on the way; comes as a clip, which plays', async () => {
    await page.press('A picture that turns');
    await asked(['Pictures in a turn', '72'], ['Picture size', '800']);
    await page.press('Make it');
    await page.says('[role=dialog] [role=status]', /\d % of 72 pictures/);
    await page.press('Stop');
    await page.find('[role=dialog] button.action:not(:disabled)');
    expect(await page.says('[role=dialog]', /Make it/)).not.toMatch(/turning\./);
    await asked(
      ['Pictures in a turn', '12'],
      ['Picture size', '400'],
      ['One turn takes', '2'],
      ['Kind of file', 'clip'],
    );
    await page.press('Make it');
    await page.says('[role=dialog] [role=status]', /_turning\.(mp4|webm), \d/);
    const plays = `const [seen] = document.querySelectorAll('[role=dialog] video'); return seen && seen.videoWidth === 400 && seen.currentTime > 0.5;`;
    await browser.wait(() => browser.executeScript(plays), PATIENCE, 'the clip does not play');
    await page.press('Leave');
  });

  test('of what lies flat it is said that it has no back', async () => {
    await pictures('knot-badge--sticker-die-cut');
    await page.press('A picture that turns');
    await page.says('[role=dialog]', /lies flat or hangs, and has no back/);
    expect(await (await page.find('[role=dialog] button.action')).isEnabled()).toBe(false);
    await page.press('Leave');
  });
});

describe('sets that are kept', () => {
  const tick = async (fit: string) => {
    const search = await page.named('Fits to be pictured', 'input');
    await search.sendKeys(Key.chord(Key.CONTROL, 'a'), fit.split(' on ')[0]!);
    await page.click(
      By.xpath(`//nav[@aria-label="Fits"]//label[normalize-space()="${fit}"]`),
      `no fit is ${fit}`,
    );
    await search.sendKeys(Key.chord(Key.CONTROL, 'a'), Key.DELETE);
  };

  test('five pictures of each of three designs in seven actions; the last ticked first, a row each', async () => {
    for (const name of readdirSync(downloads)) rmSync(join(downloads, name));
    await pictures('lighthouse--mug-325');
    // Two more designs, four more scenes: besides the usual ones, of which one is for mugs.
    await tick('Knot badge on Mug 325 ml');
    await tick('Compass rose on Mug 325 ml');
    for (const scene of ['Plain, turned a little', 'On a wooden table', 'On a stone shelf', 'Both sides'])
      await (await page.named(scene, 'button')).click();
    await page.says('[aria-label="Fits in the chosen scenes"] h2', /^Compass rose on/);
    expect(await browser.findElements(By.css('[aria-label="Fits in the chosen scenes"] ul'))).toHaveLength(3);
    await page.choose('Size', 'Upright');
    await page.press('Keep this set by name');
    await page.find('aside form input').then((field) => field.sendKeys('For the counter', Key.ENTER));
    await page.says('[aria-label="Kept sets of pictures"]', /For the counter[^]*7 scenes, not made yet/);
    await page.press('Make 15 pictures');
    await page.says('aside', /15 pictures saved in one zip/);
    const { bytes } = await downloaded(browser, downloads, '_pictures.zip');
    expect(Object.keys(unzipSync(bytes)).filter((name) => name !== 'list.json')).toHaveLength(15);
    await page.says('[aria-label="Kept sets of pictures"]', /7 scenes, made of 3 fits/);
    expect(await keepsOut(browser)).toEqual([]);
  });

  test('a fit that has changed since is told, chosen and made again; the set is asked for by its name', async () => {
    const [fit] = (await records<Fit>(browser, 'fits')).filter(({ id }) => id === 'knot-badge--mug-325');
    const faces = fit!.faces.map((face) => ({
      ...face,
      pieces: face.pieces.map((piece) => ('x' in piece ? { ...piece, x: piece.x + 4 } : piece)),
    }));
    await putRecord(browser, 'fits', { ...fit, faces });
    await pictures('lighthouse--mug-325');
    await page.says('[aria-label="Kept sets of pictures"]', /1 changed since/);
    await page.press('1 changed since: choose it');
    await page.says('[aria-label=Fits]', /1 of \d+ chosen/);
    await page.press('Make 5 pictures');
    await page.says('aside', /5 pictures saved/);
    const list = () => page.says('[aria-label="Kept sets of pictures"]', /made of 3 fits/);
    await browser.wait(async () => !(await list()).includes('changed'), PATIENCE, 'it is still out of date');
    await (await page.named('Forget the set For the counter', 'button')).click();
    await page.says('aside', /Keep this set by name/);
    expect(await browser.findElements(By.css('[aria-label="Kept sets of pictures"]'))).toEqual([]);
  });

  test('a shirt is pictured on a tailor’s form, and gone round on one on the bench', async () => {
    await pictures('compass-rose--shirt');
    await page.find('img[alt^="On a tailor’s form, with"]');
    await page.find('img[alt^="On tailor’s forms, front and back"]');
    await page.find('img[alt^="Smallest and largest size, on forms"]');
    await browser.get(`${app.address}/bench/compass-rose--shirt`);
    await page.find('[aria-label=Product] canvas[data-product=drawn]');
    await (await page.named('on a tailor’s form', '[role=radio]')).click();
    const turn = await page.find('[aria-label="Turn the product"]');
    await turn.sendKeys(Key.ARROW_RIGHT);
    expect(await turn.getAttribute('aria-valuenow')).toBe('36');
    expect(await keepsOut(browser)).toEqual([]);
  });
});

describe('the product beside the flat', () => {
  const reads = () => page.says('[aria-label=Product]', /reads/);

  test('a headline 150 mm wide: the front says how much of it reads; brought down to what reads, the warning is gone', async () => {
    await browser.get(`${app.address}/bench/keep-the-light--mug-325`);
    await page.dimension('width', '150 mm');
    expect(await page.verdict('read-share', 'look')).toMatch(/[56]\d %/);
    await page.says('[aria-label=Product]', /[56]\d % of “keep-the-light” reads/);
    await page.press('Bring it down to');
    await page.verdict('read-share', 'ready');
    await page.says('[aria-label=Product]', /“keep-the-light” reads whole/);
    await page.press('Undo');
    await page.says('[aria-label=Product]', /[56]\d % of “keep-the-light” reads/);
  });

  test('what is under the pointer on the product is marked on the flat, and the other way round', async () => {
    await page.find('[aria-label=Product] canvas[data-product=drawn]');
    const product = await page.find('[aria-label=Product] .relative');
    const { x, y, width, height } = await product.getRect();
    // The middle of the second of four looks: the front.
    await browser
      .actions({ async: true })
      .move({ x: Math.round(x + width * 0.375), y: Math.round(y + height * 0.5) })
      .perform();
    await page.find('[aria-label=Flat] [aria-label="Pointed at on the product"]');
    const flat = await (await page.find('[aria-label=Flat]')).getRect();
    await browser
      .actions({ async: true })
      .move({ x: Math.round(flat.x + flat.width / 2), y: Math.round(flat.y + flat.height / 2) })
      .perform();
    await page.find('[aria-label=Product] [aria-label="Pointed at on the flat"]');
  });

  test('all its sides are laid out at once, and kept as a picture', async () => {
    for (const name of readdirSync(downloads)) rmSync(join(downloads, name));
    await page.press('all…');
    await page.says(
      '[role=dialog]',
      /from the front[\s\S]*from the left[\s\S]*from the handle[\s\S]*from above/,
    );
    await page.find('[role=dialog] canvas[data-product=drawn]');
    await page.find('[role=dialog] .verb:not([disabled])');
    await page.press('Save as a picture');
    const { name, bytes } = await downloaded(browser, downloads);
    expect(name).toBe('keep-the-light_mug-325-ml_all-sides.png');
    expect(PNG.sync.read(bytes).width).toBeGreaterThan(600);
    await page.press('Leave');
    await reads();
  });

  longTest(
    'a mug that hides its print while cold: it is not held to contrast then, and reads hot, said and seen',
    async () => {
      const [made] = (await records<Fit>(browser, 'fits')).filter(
        ({ id }) => id === 'keep-the-light--mug-325',
      );
      await putRecord(browser, 'fits', {
        ...made,
        id: 'reveal',
        blankId: 'mug-reveal',
        colourId: 'white',
        stateId: 'cold',
      });
      await browser.get(`${app.address}/bench/reveal`);
      expect(await page.verdict('contrast', 'ready')).toMatch(/hidden while cold, reads while hot/);
      await (await page.find('[aria-label="State of the product"] [aria-label=cold]')).click();
      const cold = await seen();
      await (await page.find('[aria-label="State of the product"] [aria-label=hot]')).click();
      const hot = await browser.wait(async () => {
        const now = await seen();
        return now.light > cold.light + 60 ? now : null;
      }, PATIENCE);
      expect(hot!.spread).toBeGreaterThan(2 * cold.spread);
      expect(await page.says('[aria-label="State of the product"]', /hot/)).not.toMatch(/Contrast/);
    },
  );
});

/** The front view's own middle on the screen: how light it is, and how far its levels are spread. */
async function seen(): Promise<{ light: number; spread: number }> {
  await page.find('[aria-label=Product] canvas[data-product=drawn]');
  const room = await page.find('[aria-label=Product] .relative');
  const { width, height, data } = PNG.sync.read(Buffer.from(await room.takeScreenshot(), 'base64'));
  const levels: number[] = [];
  for (let y = Math.floor(height * 0.35); y < height * 0.65; y++)
    for (let x = Math.floor(width * 0.34); x < width * 0.41; x++) levels.push(data[(y * width + x) * 4 + 2]!);
  const light = levels.reduce((sum, level) => sum + level, 0) / levels.length;
  const spread = Math.sqrt(levels.reduce((sum, level) => sum + (level - light) ** 2, 0) / levels.length);
  return { light, spread };
}
