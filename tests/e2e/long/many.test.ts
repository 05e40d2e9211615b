import { Key } from 'selenium-webdriver';
import { keepsOut } from '../../support/axe';
import { BenchShop } from '../../support/bench-shop';
import { RangePage } from '../../support/range-page';
import { records } from '../../support/stored';

/** One act on many cells of the range, by keys and by the hand. */
const shop = new BenchShop();
beforeAll(async () => {
  await shop.open();
  await shop.browser.get(shop.address);
  await shop.bench.named('gull on Mug 325 ml:', 'button');
});
afterAll(() => shop.close());

const range = new RangePage(shop);
const fits = () => range.fits();
const become = (what: () => Promise<boolean>, otherwise: string) => range.become(what, otherwise);
const chosen = () => range.chosen();
const says = (words: RegExp) => range.bar(words);
const act = (name: string) => range.ask(name);
const seen = (words: RegExp) => range.see(words);
const grounds = async () =>
  (await fits()).flatMap(({ faces }) =>
    faces.flatMap(({ pieces }) => pieces.flatMap((piece) => (piece.kind === 'fill' ? [piece.colour] : []))),
  );

test('columns are added, a block is chosen by keys, and its empty cells are fitted in one act', async () => {
  for (const blank of ['Tote bag', 'Coaster', 'Cushion 450']) {
    await shop.bench.addBlank(blank);
    await shop.bench.named(`Fit gull on ${blank}`, 'button');
  }
  const first = await shop.bench.named('Fit gull on Tote bag', 'button');
  await shop.browser.executeScript('arguments[0].focus({ focusVisible: true })', first);
  await shop.bench.chord(Key.SHIFT, Key.ARROW_RIGHT);
  await shop.bench.chord(Key.SHIFT, Key.ARROW_RIGHT);
  await become(async () => (await chosen()) === 3, 'the block is not chosen');
  await says(/3 chosen\s+3 not fitted/);
  expect(await keepsOut(shop.browser)).toEqual([]);
  // Tab comes to the cell that has the focus, what is at hand in it, its column's head, and what adds a blank.
  const stops = `return [...document.querySelectorAll('[role=grid] button')].filter((one) => one.tabIndex >= 0).length`;
  expect(await shop.browser.executeScript(stops)).toBeLessThanOrEqual(5);
  await act('Fit them');
  await seen(/become/);
  expect(await shop.bench.says('[aria-label="What it does"]', /Coaster/)).toMatch(/not fitted/);
  expect(await keepsOut(shop.browser)).toEqual([]);
  const before = (await fits()).length;
  await shop.bench.press('Do it to 3');
  await become(async () => (await fits()).length === before + 3, 'they are not fitted');
  await says(/3 chosen(?![\s\S]*not fitted)/);
});

test('one ground for all of them: seen before it is done, and one undo takes it back to the byte', async () => {
  const before = JSON.stringify(await fits());
  await act('Change the colour');
  await seen(/3|stay|become/);
  await shop.bench.press('Do it to 3');
  await become(async () => (await grounds()).length === 3, 'the ground is not laid');
  expect(new Set(await grounds())).toEqual(new Set(['#f4efe2']));
  await shop.bench.undo('3 fits on another ground');
  await become(async () => JSON.stringify(await fits()) === before, 'it is not as it was');
});

test('a cell’s drawing is made by a worker, kept over a reload, and made again where the fit changes', async () => {
  interface Drawing {
    fitId: string;
    key: string;
  }
  const drawings = () => records<Drawing>(shop.browser, 'drawings');
  const shows = async (colour: string) => {
    const at = () => range.colourAt('gull on Coaster', 0.015, 0.5);
    // Lossy: a step either way.
    await become(async () => near(await at(), colour), `${await at()} and not ${colour}`);
  };
  const coaster = (await fits()).find(({ blankId }) => blankId === 'coaster')!;
  const kept = async () => (await drawings()).find(({ fitId }) => fitId === coaster.id);
  await shows('#f7f6f2');
  await become(async () => (await kept()) !== undefined, 'the drawing is not kept');
  const before = await kept();
  await range.open();
  await shows('#f7f6f2');
  expect(await kept()).toEqual(before);
  await range.only('gull on Coaster');
  await act('Change the colour');
  await range.colour('colour', '#0b5563');
  await seen(/stay|become/);
  await shop.bench.press('Do it to 1');
  await shows('#0b5563');
  await become(async () => (await kept())!.key !== before!.key, 'the new drawing is not kept');
  await shop.bench.undo('1 fit on another ground');
  await shows('#f7f6f2');
});

/** Whether two colours are a few steps apart at most. */
function near(a: string, b: string): boolean {
  const parts = (hex: string) => [1, 3, 5].map((at) => parseInt(hex.slice(at, at + 2), 16));
  const other = parts(b);
  return a !== '' && parts(a).every((part, i) => Math.abs(part - other[i]!) <= 4);
}

test('what is chosen by what stands against it; a reason accepts every Look; left, nothing is changed', async () => {
  await (await shop.bench.named('Choose cells of the range')).click();
  await shop.bench.press('all that are fitted');
  await become(async () => (await chosen()) >= 4, 'what is fitted is not chosen');
  const before = JSON.stringify(await fits());
  await act('Swap an artwork');
  await seen(/left as (it is|they are)/);
  await shop.bench.says('[aria-label="What it does"]', /It is the same artwork/);
  await shop.bench.press('Leave');
  expect(JSON.stringify(await fits())).toBe(before);
  await act('Take them off');
  await become(async () => !(await fits()).some(({ blankId }) => blankId === 'coaster'), 'they stay');
  await shop.bench.undo('are off');
  await become(async () => JSON.stringify(await fits()) === before, 'they do not come back');
});

test('by the hand: a tick, a row, a block with Shift; Escape chooses none', async () => {
  await shop.bench.press('Choose none');
  await become(async () => (await chosen()) === 0, 'something stays chosen');
  await range.tick('gull on Tote bag');
  await become(async () => (await chosen()) === 1, 'the tick does not choose');
  const last = await shop.bench.named('gull on Cushion 450:', 'button');
  await shop.browser.actions().keyDown(Key.SHIFT).click(last).keyUp(Key.SHIFT).perform();
  await become(async () => (await chosen()) === 3, 'Shift does not choose the block');
  await shop.browser.executeScript('arguments[0].focus()', last);
  await shop.bench.keys(Key.ESCAPE);
  await become(async () => (await chosen()) === 0, 'Escape chooses something');
  await shop.bench.menu('gull: what can be done', 'Choose its row');
  await become(async () => (await chosen()) >= 5, 'the row is not chosen');
});
