import { By, Key } from 'selenium-webdriver';
import { BenchShop, close } from '../../support/bench-shop';
import type { Design, Fit } from '@/core/fit/schema';
import { PATIENCE } from '../../support/bench';
import { blankById } from '../../support/fits';
import { records } from '../../support/stored';

const shop = new BenchShop();
beforeAll(() => shop.open());
afterAll(() => shop.close());

const piece = By.css('[data-piece]');
const lying = async (count: number) => {
  await shop.browser.wait(
    async () => (await shop.browser.findElements(piece)).length === count,
    PATIENCE,
    `there are not ${count} pieces`,
  );
  await shop.bench.saved();
};

describe('pieces by the clipboard', () => {
  beforeAll(async () => {
    await shop.openFit('mug-325');
    await shop.bench.add(shop.motif, 'gull');
    await shop.bench.saved();
  });

  test('are copied, pasted a little aside, laid once more, and cut; one undo takes each back', async () => {
    const [first] = await shop.fit.boxes();
    await shop.bench.chord(Key.CONTROL, 'c');
    await shop.bench.chord(Key.CONTROL, 'v');
    await lying(2);
    const [, pasted] = await shop.fit.boxes();
    expect(pasted).toMatchObject({
      x: close(first!.x + 5),
      y: close(first!.y + 5),
      width: close(first!.width),
    });
    await shop.bench.chord(Key.CONTROL, 'd');
    await lying(3);
    await shop.bench.chord(Key.CONTROL, 'x');
    await lying(2);
    await shop.bench.keysUndo();
    await lying(3);
    await shop.bench.keysUndo();
    await shop.bench.keysUndo();
    await lying(1);
  });

  test('go to the fit of another product, inside its safe area', async () => {
    await shop.bench.pick(0);
    await shop.bench.dimension('width', '90 mm');
    await shop.bench.saved();
    await shop.bench.chord(Key.CONTROL, 'c');
    await shop.openFit('pouch');
    await shop.bench.chord(Key.CONTROL, 'v');
    await lying(1);
    const [box] = await shop.fit.boxes();
    const { safe, width } = blankById('pouch').faces[0]!;
    expect(box!.width).toBeLessThanOrEqual(90.01);
    expect(box!.x - box!.width / 2).toBeGreaterThanOrEqual(safe - 0.01);
    expect(box!.x + box!.width / 2).toBeLessThanOrEqual(width - safe + 0.01);
    await shop.bench.keysUndo();
    await lying(0);
  });

  test('words on the clipboard that are no pieces lay nothing, and the menu says so', async () => {
    await shop.browser.executeScript(
      'return navigator.clipboard.writeText("Keep the light").catch(() => {})',
    );
    await shop.openFit('shirt');
    await shop.bench.chord(Key.CONTROL, 'v');
    await lying(0);
  });
});

describe('the other button', () => {
  test('on a piece chooses it and offers what can be done with it', async () => {
    await shop.openFit('mug-325');
    await shop.bench.keys(Key.ESCAPE);
    await shop.bench.menuAt(piece, 'Lock, or let go');
    await shop.bench.saved();
    expect((await shop.fit.pieces())[0]!.locked).toBe(true);
    await shop.bench.menuAt(piece, 'Lock, or let go');
    await shop.bench.saved();
    await shop.bench.menuAt(piece, 'Once more');
    await lying(2);
    await shop.bench.keysUndo();
    await lying(1);
  });

  test('on the bare flat offers the view, and leaves fields to the browser', async () => {
    await shop.bench.menuAt(By.css('[data-flat]'), { beside: true });
    await shop.bench.says('[role=menu]', /Add words[^]*true size/);
    await shop.bench.keys(Key.ESCAPE);
    await shop.bench.gone('[role=menu]');
  });

  test('by the menu key, on the piece that has the focus; Escape gives the focus back', async () => {
    await shop.bench.pick(0);
    await shop.browser.executeScript(
      `const box = document.activeElement.getBoundingClientRect();
       document.activeElement.dispatchEvent(new MouseEvent('contextmenu', { bubbles: true, cancelable: true, clientX: box.x, clientY: box.y }));`,
    );
    await shop.bench.find('[role=menu]');
    await shop.bench.keys(Key.ESCAPE);
    await shop.bench.gone('[role=menu]');
    expect(await shop.browser.executeScript('return document.activeElement.dataset.piece')).toBeTruthy();
  });

  test('on the range: a cell, a row and a column', async () => {
    await shop.browser.get(shop.address);
    const { bench } = shop;
    await bench.named('gull on Mug 325 ml');
    await bench.menuAt(By.css('[role=rowheader]'), 'Duplicate with its fits');
    await bench.says('h1', /2 designs/);
    await bench.undo('is under it');
    await bench.says('h1', /1 design on/);
    const shirt = By.css('[role=gridcell][data-blank=shirt]');
    await bench.menuAt(shirt, 'Take it off this blank');
    await bench.named('Fit gull on Shirt');
    await bench.menuAt(shirt, 'Fit it');
    await bench.named('gull on Shirt');
    await bench.menuAt(By.css('[role=columnheader][data-blank]'), 'Choose this column');
    await bench.says('[aria-label="Chosen on the range"]', /1 chosen/);
    await bench.keys(Key.ESCAPE);
    const [design] = await records<Design>(shop.browser, 'designs');
    expect((await records<Fit>(shop.browser, 'fits')).every(({ designId }) => designId === design!.id)).toBe(
      true,
    );
  });

  test('on an artwork of the list', async () => {
    await shop.browser.get(`${shop.address}/artwork`);
    await shop.bench.menuAt(By.css('[role=option]'), 'Take it out');
    await shop.bench.undo('is taken out');
    await shop.bench.find('[role=option]');
  });
});
