import { execFileSync } from 'node:child_process';
import { By, Key } from 'selenium-webdriver';
import { join } from 'node:path';
import type { StoredPack } from '@/core/pack/record';
import type { Sheet } from '@/core/sheet/schema';
import { keepsOut } from '../support/axe';
import { downloaded, PATIENCE } from '../support/bench';
import { BenchShop } from '../support/bench-shop';
import { records } from '../support/stored';
import { longTest } from '../support/long';

const shop = new BenchShop();
beforeAll(() => shop.open());
afterAll(() => shop.close());

const stored = async () => (await records<Sheet>(shop.browser, 'sheets'))[0]!;
const says = (words: RegExp) => shop.bench.says('[aria-label="What the sheet says"]', words);

describe('a sheet', () => {
  test('of twelve mugs: packed at once, mirrored since it is a transfer, and says how well it is used', async () => {
    await shop.openFit('mug-325');
    await shop.bench.add(shop.motif, 'gull');
    await shop.bench.saved();
    await shop.browser.get(`${shop.address}/sheets`);
    await shop.bench.press('New sheet');
    await shop.bench.press('Add a print…');
    await shop.bench.takeLine('gull on Mug 325 ml');
    await says(/1 sheet/);
    const copies = await shop.bench.named('Copies of gull on Mug 325 ml', 'input');
    await copies.sendKeys(Key.chord(Key.CONTROL, 'a'), '12', Key.ENTER);
    await says(/3 sheets/);
    await shop.bench.choose('size', '330 × 480');
    await says(/2 sheets.*82\.\d % of it used.*would not go on once more/s);
    expect(await stored()).toMatchObject({ mirrored: true, items: [{ copies: 12 }], placed: null });
    expect(await shop.browser.findElements(By.css('[data-print]'))).toHaveLength(12);
  });

  test('what it costs, in all and a print', async () => {
    const cost = await shop.bench.named('Cost of a sheet', 'input');
    await cost.sendKeys('1,80', Key.ENTER);
    await says(/3\.60 in all, 0\.30 a print/);
  });

  test('its PDF has a page for each, and the press card', async () => {
    await shop.bench.press('Make the PDF');
    const { name } = await downloaded(shop.browser, shop.downloads, '.pdf');
    expect(name).toBe('sheet-1_mirrored.pdf');
    const path = join(shop.downloads, name);
    execFileSync('qpdf', ['--check', path]);
    const info = execFileSync('pdfinfo', ['-l', '3', path], { encoding: 'utf8' });
    expect(info).toMatch(/Pages:\s+3\n/);
    expect(info).toMatch(/Page\s+1 size:\s+935\.43\d* x 1360\.63\d*/);
  });

  test('placed by hand by typed numbers and by arrow keys; what then lies wrong is said; packed again it is right', async () => {
    await shop.bench.press('Place them by hand');
    const first = await shop.bench.find('[data-print="0"]');
    await first.click();
    await shop.bench.value('From the left', '4 mm');
    await says(/goes past the margin/);
    await (await shop.bench.find('[data-print="0"]')).sendKeys(Key.ARROW_RIGHT);
    await shop.browser.wait(async () => (await stored()).placed?.[0]?.x === 5, PATIENCE);
    await shop.bench.press('Pack them again');
    await shop.browser.wait(async () => (await stored()).placed === null, PATIENCE);
    await says(/82\.\d % of it used/);
  });

  longTest(
    'not mirrored, it is packed and sent, and the desk sends it back with the reason; mirrored, it is taken',
    async () => {
      const tick = await shop.bench.find('section[aria-label=Sheet]');
      const mirrored = async () =>
        (await tick.findElement(By.xpath('.//label[contains(., "mirrored as a whole")]'))).click();
      await mirrored();
      const order = async () => {
        await shop.browser.get(`${shop.address}/packs?fit=mug-325`);
        await (await shop.bench.named('The sheet Sheet 1', '[role=checkbox]')).click();
        await shop.bench.press('Make the pack');
        await shop.bench.press('Send to a house');
        await shop.bench.named('How many of gull');
        await shop.bench.press('Send the order');
      };
      await order();
      await shop.bench.says(
        '[data-order=refused]',
        /transfer sheet is not mirrored: pressed on, it would read backwards/,
      );
      await shop.browser.get(`${shop.address}/sheets`);
      const again = await shop.bench.find('section[aria-label=Sheet]');
      await (await again.findElement(By.xpath('.//label[contains(., "mirrored as a whole")]'))).click();
      await shop.browser.wait(async () => (await stored()).mirrored, PATIENCE);
      await order();
      await shop.bench.says('[data-order=arrived]', /HK-\d{6}/);
      const packs = await records<StoredPack>(shop.browser, 'packs');
      expect(packs.flatMap(({ orders }) => orders.map(({ state }) => state)).sort()).toEqual([
        'arrived',
        'refused',
      ]);
    },
  );

  test('nothing in the place keeps a person out (WCAG 2.2 AA); taken out, it comes back by undo', async () => {
    await shop.browser.get(`${shop.address}/sheets`);
    await says(/2 sheets/);
    expect(await keepsOut(shop.browser)).toEqual([]);
    await shop.bench.press('Take out');
    await shop.bench.says('body', /Print several together/);
    await shop.bench.undo('is taken out');
    await says(/2 sheets/);
  });
});
