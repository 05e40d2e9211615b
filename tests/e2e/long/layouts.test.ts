import { By, Key } from 'selenium-webdriver';
import type { Blank } from '@/core/blank/schema';
import type { ArtworkPiece, Fit } from '@/core/fit/schema';
import type { Layout, MotifPlace } from '@/core/layout/schema';
import { keepsOut } from '../../support/axe';
import { PATIENCE } from '../../support/bench';
import { BenchShop, close } from '../../support/bench-shop';
import { records } from '../../support/stored';

/** What is made on blanks before there is a design: starting layouts, and blanks of every kind by their numbers. */
const shop = new BenchShop();
beforeAll(() => shop.open());
afterAll(() => shop.close());

const layouts = () => records<Layout>(shop.browser, 'layouts');
const fits = () => records<Fit>(shop.browser, 'fits');
const become = (what: () => Promise<boolean>, otherwise: string) =>
  shop.browser.wait(what, PATIENCE, otherwise);
const place = async (name: string): Promise<MotifPlace> =>
  (await layouts())
    .flatMap(({ faces }) => faces.flatMap(({ places }) => places))
    .find((one): one is MotifPlace => one.role === 'motif' && one.name === name)!;

/** Takes a line of a menu that says in words what it is. */
async function take(menu: string, line: string): Promise<void> {
  await shop.bench.press(menu);
  await shop.bench.press(line);
}

/** Types a length over one that stands in a list of numbers. */
async function type(name: string, text: string): Promise<void> {
  await (await shop.bench.named(`${name} `, 'button')).click();
  const field = await shop.bench.find(`input[aria-label="${name}"]`);
  await field.sendKeys(Key.chord(Key.CONTROL, 'a'), text, Key.ENTER);
}

/** Drags something on a board by so many px. */
async function drag(name: string, x: number, y: number): Promise<void> {
  const grip = await shop.bench.find(`g[aria-label^="${name}"]`);
  await shop.browser
    .actions()
    .move({ origin: grip })
    .press()
    .move({ origin: grip, x, y })
    .release()
    .perform();
}

describe('a starting layout', () => {
  test('is made on a blank with no fit behind it: two empty places and the maker’s line', async () => {
    await shop.browser.get(`${shop.address}/blanks/layouts?blank=mug-325`);
    await shop.bench.says('body', /Fits on Mug 325 ml begin bare/);
    await shop.bench.press('New layout');
    await shop.bench.press('Make it');
    await shop.bench.says('[role=alert]', /Type a name/);
    await shop.bench.keys('Keepers', Key.ENTER);
    await shop.bench.says('[aria-label=Layouts]', /Keepers\s+nothing on it yet\s+fits begin with it/);
    for (const side of ['left side', 'right side']) {
      await take('Add an empty place', side);
      await shop.bench.find(`g[aria-label="Motif, ${side}, 60.0 mm wide"]`);
    }
    await shop.bench.press('Add words');
    await shop.bench.says('[aria-label=Layouts]', /1 piece kept, 2 empty places/);
    const words = await shop.bench.find('[aria-label="Chosen part"] textarea');
    await words.sendKeys(Key.chord(Key.CONTROL, 'a'), 'Made at Gullwick Light', Key.TAB);
    await shop.bench.says('[aria-label="Parts of the layout"]', /Made at Gullwick Light/);
    // What they said before is not drawn any more.
    const drawn = await shop.browser.findElements(
      By.css('[aria-label^="Keepers on"] g > path[fill="#20252b"]'),
    );
    expect(drawn).toHaveLength(1);
    expect(await keepsOut(shop.browser)).toEqual([]);
  });

  test('its places go by typed numbers, by the arrows and by the hand; none is larger than its face', async () => {
    await shop.bench.press('Motif, left side');
    await type('width', '300 mm');
    await shop.bench.says('[aria-label="Chosen part"]', /would be 300.0 mm wide, and the wrap is 222.2 mm/);
    await shop.bench.keys(Key.ESCAPE);
    await type('width', '50');
    await become(async () => (await place('Motif, left side')).width === 50, 'the width is not kept');
    const before = await place('Motif, left side');
    const grip = await shop.bench.find('g[aria-label^="Motif, left side"]');
    await grip.sendKeys(Key.ARROW_RIGHT);
    await become(
      async () => (await place('Motif, left side')).x === before.x + 1,
      'the arrow does not move it',
    );
    await drag('Motif, left side', 0, 40);
    await become(async () => (await place('Motif, left side')).y > before.y + 5, 'the hand does not move it');
    await type('middle from the top', '46 mm');
    await become(async () => (await place('Motif, left side')).y === 46, 'the height is not kept');
  });

  test('a design begun on the blank begins with it, or with a bare face where that is chosen', async () => {
    const begin = async (name: string, choose: () => Promise<void>) => {
      await shop.browser.get(`${shop.address}/blanks?blank=mug-325`);
      await shop.bench.press('Start a design on it');
      await (await shop.bench.find('[role=dialog] input')).sendKeys(name);
      await choose();
      await shop.bench.press('Start it');
      await shop.bench.ready();
      const id = (await shop.browser.getCurrentUrl()).split('/').at(-1);
      return (await fits()).find((fit) => fit.id === id)!.faces.flatMap(({ pieces }) => pieces);
    };
    const made = await begin('Keeper', () => Promise.resolve());
    expect(made.map(({ name }) => name)).toEqual(['Made at Gullwick Light']);
    expect(await begin('Bare', () => shop.bench.choose('What it begins with', 'a bare face'))).toEqual([]);
    await shop.bench.undo('“Bare” is begun');
    await shop.bench.says('[role=grid]', /Keeper/);
    await become(
      async () => !(await (await shop.bench.find('[role=grid]')).getText()).includes('Bare'),
      'the design begun by mistake stays',
    );
  });

  test('an artwork fitted there lies in both places, each as wide as its place', async () => {
    await shop.browser.get(shop.address);
    await shop.bench.drop(shop.shape);
    await (await shop.bench.named('Fit drop on Mug 325 ml', 'button')).click();
    await shop.bench.named('drop on Mug 325 ml:', 'button');
    const [drop] = (await records<{ id: string; name: string }>(shop.browser, 'designs')).filter(
      ({ name }) => name === 'drop',
    );
    const own = async () => (await fits()).filter(({ designId }) => designId === drop!.id);
    const widths = (await own())[0]!.faces[0]!.pieces.map((piece) => (piece as ArtworkPiece).width);
    // What is seen of it is all of it, but for the edge of its outermost pixels.
    expect(widths.map((width) => Math.round(width))).toEqual([expect.any(Number), 50, 60]);
    await shop.bench.menu('drop on Mug 325 ml: what can be done', 'Take it off');
    await shop.bench.menu('Fit drop on Mug 325 ml by', 'a bare face');
    await become(async () => (await own())[0]?.faces[0]?.pieces.length === 1, 'it does not begin bare');
  });

  test('a fit is kept as another one; which of them fits begin with is chosen; deleted, it comes back', async () => {
    await shop.openFit('mug-325');
    await take('Fit…', 'keep as a starting layout');
    await (
      await shop.bench.find('[role=dialog] input')
    ).sendKeys(Key.chord(Key.CONTROL, 'a'), 'As it lies', Key.ENTER);
    await shop.bench.says('[data-sonner-toast]', /“As it lies” is a starting layout of Mug 325 ml/);
    await shop.browser.get(`${shop.address}/blanks/layouts?blank=mug-325`);
    await shop.bench.press('As it lies');
    await (await shop.bench.find('[role=checkbox]')).click();
    await become(
      async () => (await layouts()).every(({ name, usual }) => usual === (name === 'As it lies')),
      'the other one stays the usual one',
    );
    await shop.bench.press('Take out');
    await become(async () => (await layouts()).length === 1, 'it is still there');
    await shop.bench.undo('“As it lies” is gone');
    await become(async () => (await layouts()).length === 2, 'it does not come back');
  });
});

describe('a blank of any kind by its numbers', () => {
  const blanks = async () =>
    (await records<{ blank: Blank }>(shop.browser, 'blanks')).map(({ blank }) => blank);
  const field = async (label: string, text: string) => {
    const label_ = By.xpath(`//label[normalize-space()="${label}"]`);
    const id = await (await shop.browser.findElement(label_)).getAttribute('for');
    await (await shop.bench.find(`[id="${id}"]`)).sendKeys(Key.chord(Key.CONTROL, 'a'), text, Key.TAB);
  };

  test('a tag with three sides and a hole that is dragged to its place', async () => {
    await shop.browser.get(`${shop.address}/blanks/make`);
    await shop.bench.says('h1', /A blank by its numbers/);
    await field('Name', 'Lamp tag');
    await field('front: width', '3 1/4 in');
    await field('front: height', '0');
    await shop.bench.says('[aria-label=Numbers] [role=alert]', /above zero/);
    await field('front: height', '50 mm');
    await take('Add to its sides', 'Lid');
    await take('Keep a place clear', 'Hanging hole 5 mm');
    await drag('Hanging hole 5 mm', -120, 0);
    await shop.bench.says('[aria-label="Hanging hole 5 mm"] dl', /from the left\s+[12]\d\.\d mm/);
    await type('middle from the top', '25 mm');
    expect(await keepsOut(shop.browser)).toEqual([]);
    await shop.bench.press('Keep blank');
    await shop.bench.says('[aria-label=Blank]', /Lamp tag/);
    const { body } = (await blanks()).find(({ name }) => name === 'Lamp tag')!;
    if (body.kind !== 'two-sided') throw new Error(body.kind);
    expect(body.sides.map(({ id }) => id)).toEqual(['front', 'back', 'lid']);
    expect(body.sides[0]!.sheet).toMatchObject({ width: close(82.55), height: 50 });
    expect(body.sides.map(({ keepOuts }) => keepOuts.length)).toEqual([1, 0, 0]);
    expect(body.sides[0]!.keepOuts[0]!.shape).toMatchObject({ y: close(25) });
  });

  test('a garment in sizes of its own, and a case whose camera is moved in its next version', async () => {
    await shop.browser.get(`${shop.address}/blanks/make`);
    await shop.bench.choose('Kind', 'garment');
    await field('Name', 'Deckhand top');
    await take('Add to its print areas', 'back');
    await shop.bench.press('Add a size');
    const name = await shop.bench.find('input[aria-label="Name of size Size 7"]');
    await name.sendKeys(Key.chord(Key.CONTROL, 'a'), 's');
    await shop.bench.says('[role=alert]', /Two sizes are called/);
    await (
      await shop.bench.find('input[aria-label^="Name of size s"]')
    ).sendKeys(Key.chord(Key.CONTROL, 'a'), '4XL');
    await shop.bench.press('Keep blank');
    await shop.bench.says('[aria-label=Blank]', /Deckhand top/);
    const top = (await blanks()).find((one) => one.name === 'Deckhand top')!;
    expect(top.sizes.map((size) => size.name)).toEqual(['S', 'M', 'L', 'XL', '2XL', '3XL', '4XL']);
    expect(top).toMatchObject({ methodId: 'direct-to-garment' });

    await shop.browser.get(`${shop.address}/blanks/make?from=case-pier-6`);
    await drag('Camera', 20, 30);
    await shop.bench.press('Keep a new version');
    await shop.bench.says('[aria-label=Blank]', /version 2/);
    const [moved] = (await blanks()).filter(({ id }) => id === 'case-pier-6');
    expect(moved!.version).toBe(2);
  });
});

test('the range under the keys of a table: one place has the focus, a letter begins a search', async () => {
  await shop.browser.get(shop.address);
  const first = await shop.bench.named('gull on Mug 325 ml:', 'button');
  await shop.browser.executeScript('arguments[0].focus({ focusVisible: true })', first);
  const focused = () =>
    shop.browser.executeScript<string>(
      'const { activeElement: at } = document; return at.getAttribute("aria-label") ?? at.textContent',
    );
  const at = (words: RegExp) =>
    become(async () => words.test(await focused()), `the focus does not come to ${String(words)}`);
  await shop.bench.keys(Key.ARROW_RIGHT);
  await at(/gull on Shirt/);
  await shop.bench.keys(Key.ARROW_DOWN);
  await at(/on Shirt/);
  await shop.bench.keys(Key.HOME);
  await at(/^Keeper$|^drop$/);
  await shop.bench.chord(Key.CONTROL, Key.HOME);
  await at(/^gull$/);
  await shop.bench.keys('k');
  await become(
    async () => (await shop.browser.findElements(By.css('[role=rowheader]'))).length === 1,
    'the letter is not searched for',
  );
  const stops = await shop.browser.findElements(By.css('[data-place][tabindex="0"]'));
  expect(stops).toHaveLength(1);
});
