import { PATIENCE } from '../support/bench';
import { BenchShop, close } from '../support/bench-shop';
import { putRecord } from '../support/stored';

const shop = new BenchShop();
beforeAll(() => shop.open());
afterAll(() => shop.close());

describe('saving', () => {
  test('what is refused is said with what to do, stays on the screen, and is kept on the next try', async () => {
    await shop.openFit('mug-325');
    for (const zone of ['1', '3']) {
      await shop.bench.add(shop.motif, 'gull');
      await shop.bench.keys(zone);
      await shop.bench.saved();
    }
    await shop.bench.pick(0);
    await shop.browser.executeScript(`
      window.realPut = IDBObjectStore.prototype.put;
      IDBObjectStore.prototype.put = () => { throw new DOMException('full', 'QuotaExceededError'); };`);
    const kept = await shop.fit.read();
    await shop.bench.dimension('width', '33 mm');
    await shop.bench.says('[role=alert]', /storage is full.*Take out artwork/);
    expect(await shop.fit.read()).toEqual(kept);
    await shop.bench.says('[data-dimension=width]', /33\.0 mm/);
    await shop.browser.executeScript('IDBObjectStore.prototype.put = window.realPut;');
    await shop.bench.press('Try again');
    await shop.bench.saved();
    expect((await shop.fit.boxes())[0]!.width).toEqual(close(33));
  });

  test('that room runs out is said before anything is refused', async () => {
    await shop.browser.executeScript(
      'navigator.storage.estimate = () => Promise.resolve({ usage: 9.5e9, quota: 9.6e9 })',
    );
    await shop.bench.add(shop.shape, 'drop');
    await shop.bench.says('[role=alert]', /This browser has 100 MB left for Up Fit\. Take out artwork/);
    await shop.bench.saved();
    await shop.bench.keysUndo();
    await shop.bench.saved();
    await shop.bench.pick(0);
  });

  test('in two tabs one writes and the other follows; taken over, no edit is lost', async () => {
    const first = await shop.browser.getWindowHandle();
    await shop.browser.switchTo().newWindow('tab');
    const second = await shop.browser.getWindowHandle();
    await shop.openFit('mug-325');
    await shop.bench.says('[role=status]', /Another tab works on this fit/);
    await shop.browser.switchTo().window(first);
    const lowest = await (await shop.bench.find('[data-piece]')).getAttribute('d');
    await shop.bench.dimension('width', '41 mm');
    await shop.bench.saved();
    expect((await shop.fit.boxes())[0]!.width).toEqual(close(41));
    await shop.browser.switchTo().window(second);
    await shop.browser.wait(
      async () => (await (await shop.bench.find('[data-piece]')).getAttribute('d')) !== lowest,
      PATIENCE,
    );
    await shop.bench.says('body', /Take it over/);
    await shop.bench.press('Take it over');
    await shop.bench.saved();
    await shop.bench.dimension('height', '17 mm');
    await shop.bench.saved();
    expect((await shop.fit.boxes()).at(-1)!.height).toEqual(close(17));
    await shop.browser.switchTo().window(first);
    await shop.bench.says('[role=status]', /Another tab works on this fit/);
    await shop.browser.switchTo().window(second);
    await shop.bench.keysUndo();
    await shop.bench.saved();
    expect((await shop.fit.boxes())[0]!.width).toEqual(close(41));
    await shop.browser.close();
    await shop.browser.switchTo().window(first);
    await shop.bench.saved();
    expect((await shop.fit.boxes())[0]!.width).toEqual(close(41));
  });

  test('what was changed elsewhere since is one step, to be undone and redone', async () => {
    const before = await shop.fit.read();
    const renamed = before.faces.map((face) => ({
      ...face,
      pieces: face.pieces.map((piece) => ({ ...piece, name: 'renamed' })),
    }));
    await shop.browser.get(shop.address);
    await putRecord(shop.browser, 'fits', { ...before, faces: renamed });
    await shop.openFit('mug-325');
    await shop.bench.named('renamed, motif');
    await shop.bench.keysUndo();
    await shop.bench.saved();
    expect((await shop.fit.read()).faces).toEqual(before.faces);
    await shop.bench.redo(1);
    await shop.bench.saved();
    expect((await shop.fit.read()).faces).toEqual(renamed);
  });
});
