import { By, Key, until, type WebElement } from 'selenium-webdriver';
import type { Fit } from '@/core/fit/schema';
import { PATIENCE } from './bench';
import type { BenchShop } from './bench-shop';
import { records } from './stored';

/** The range of a shop, as many of its fits are chosen and changed at once; it counts what a person does. */
export class RangePage {
  /** Presses and choices so far: a menu and its line are one. */
  actions = 0;

  constructor(readonly shop: Pick<BenchShop, 'browser' | 'bench' | 'address'>) {}

  private get bench() {
    return this.shop.bench;
  }

  /** The range with everything measured. */
  async open(): Promise<void> {
    await this.shop.browser.get(this.shop.address);
    await this.bench.find('[role=gridcell]');
    await this.become(
      async () => (await this.shop.browser.findElements(By.css('[data-measuring]'))).length === 0,
      'not everything is measured',
    );
  }

  become(what: () => Promise<boolean>, otherwise: string): Promise<boolean> {
    return this.shop.browser.wait(what, PATIENCE, otherwise);
  }

  fits(): Promise<Fit[]> {
    return records<Fit>(this.shop.browser, 'fits');
  }

  async search(words: string): Promise<void> {
    const field = await this.bench.find('input[type=search]');
    await field.sendKeys(Key.chord(Key.CONTROL, 'a'), words === '' ? Key.BACK_SPACE : words);
  }

  /** How many cells are chosen, among those that are drawn. */
  async chosen(): Promise<number> {
    return (await this.shop.browser.findElements(By.css('[role=gridcell][aria-selected=true]'))).length;
  }

  /** The colour that a cell's drawing has at a place, in shares of it; empty while it is not made. */
  colourAt(cell: string, x: number, y: number): Promise<string> {
    return this.shop.browser.executeAsyncScript(
      `const [name, x, y, done] = arguments;
       const button = [...document.querySelectorAll('[role=gridcell] button')].find((one) => one.getAttribute('aria-label')?.startsWith(name));
       const image = button?.querySelector('svg > image');
       if (!image) { done(''); return; }
       const picture = new Image();
       picture.onload = () => {
         const canvas = new OffscreenCanvas(picture.width, picture.height);
         const context = canvas.getContext('2d');
         context.drawImage(picture, 0, 0);
         const [r, g, b] = context.getImageData(x * picture.width, y * picture.height, 1, 1).data;
         done('#' + [r, g, b].map((part) => part.toString(16).padStart(2, '0')).join(''));
       };
       picture.onerror = () => done('');
       picture.src = image.getAttribute('href');`,
      cell,
      x,
      y,
    );
  }

  bar(words: RegExp): Promise<string> {
    return this.bench.says('[aria-label="Chosen on the range"]', words);
  }

  async choose(line: string): Promise<void> {
    this.actions++;
    await (await this.bench.named('Choose cells of the range')).click();
    await this.bench.press(line);
  }

  async row(design: string): Promise<void> {
    this.actions++;
    await this.bench.menu(`${design}: what can be done`, 'Choose its row');
  }

  /** Chooses cells alone, by what they are called. */
  async only(...cells: string[]): Promise<void> {
    await this.bench.find('[role=gridcell]');
    const none = await this.shop.browser.findElements(By.xpath('//button[.="Choose none"]'));
    await none[0]?.click();
    for (const [i, cell] of cells.entries()) {
      await this.tick(cell);
      // What is said of the first moves the grid down.
      await this.bar(new RegExp(`^${i + 1} chosen`));
    }
  }

  /** Ticks a cell, whose box is there once it is pointed at. */
  async tick(cell: string): Promise<void> {
    const cells = `button[aria-label^="${cell}:"], button[aria-label="Fit ${cell}"]`;
    const origin = await this.bench.find(cells);
    // In the middle, where no message lies over it.
    await this.shop.browser.executeScript('arguments[0].scrollIntoView({ block: "center" })', origin);
    await this.shop.browser.actions().move({ origin }).perform();
    await this.bench.click(By.css(`button[aria-label="Choose ${cell}"]`), `${cell} has no box to tick`);
  }

  /** Takes a line of what can be done, by the start of its name. */
  async ask(name: string): Promise<void> {
    this.actions++;
    await (await this.bench.named('What can be done to all that is chosen')).click();
    await this.bench.press(name);
  }

  /** Asks for an act, which says first what it would do. */
  async act(name: string): Promise<void> {
    await this.ask(name);
    await this.bench.find('[role=dialog]');
  }

  async handOver(name: string): Promise<void> {
    this.actions++;
    await (await this.bench.named('What is made of all that is chosen')).click();
    await this.bench.press(name);
  }

  /** Looks at what the act does; gives back the line that says it. */
  async see(words: RegExp): Promise<string> {
    const see = await this.shop.browser.findElements(By.xpath('//button[.="See what it does"]'));
    if (see[0]) {
      this.actions++;
      await see[0].click();
    }
    // Said while it is measured, too.
    const told = By.xpath('//button[starts-with(., "Do it to")]');
    await this.shop.browser.wait(until.elementLocated(told), PATIENCE);
    return this.bench.says('[role=dialog] [role=status]', words);
  }

  async perform(count: number): Promise<void> {
    this.actions++;
    await this.bench.press(`Do it to ${count}`);
    await this.become(
      async () => (await this.shop.browser.findElements(By.css('[role=dialog]'))).length === 0,
      'the act does not end',
    );
  }

  /** Takes back by key what was done last: a message's own Undo goes with the message. */
  async takeBack(words: string): Promise<void> {
    await this.shop.browser.actions().keyDown(Key.CONTROL).sendKeys('z').keyUp(Key.CONTROL).perform();
    await this.become(
      async () =>
        (
          await this.shop.browser.findElements(
            By.xpath(`//*[@data-sonner-toast][contains(., "Taken back: ${words}")]`),
          )
        ).length > 0,
      `${words} is not taken back`,
    );
  }

  /** Types into a field of the act by its label. */
  async answer(label: string, text: string): Promise<void> {
    const field = await this.labelled(label);
    await field.sendKeys(Key.chord(Key.CONTROL, 'a'), text);
  }

  /** Picks a colour, as the browser's own picker hands it over. */
  async colour(label: string, hex: string): Promise<void> {
    await this.shop.browser.executeScript(
      `const [field, hex] = arguments;
       Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(field, hex);
       field.dispatchEvent(new Event('input', { bubbles: true }));`,
      await this.labelled(label),
      hex,
    );
  }

  private labelled(label: string): Promise<WebElement> {
    const at = By.xpath(
      `//*[@role="dialog"]//label[starts-with(normalize-space(), "${label}")]/descendant-or-self::label/..//input`,
    );
    return this.shop.browser.wait(
      async () => (await this.shop.browser.findElements(at))[0]!,
      PATIENCE,
      `nothing asks for ${label}`,
    );
  }
}
