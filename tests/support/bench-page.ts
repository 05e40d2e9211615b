import { By, Key } from 'selenium-webdriver';
import { Page, PATIENCE } from './bench';

/** What a test does on the bench, with the real pointer and the real keys. */
export class Bench extends Page {
  async open(fitId: string): Promise<void> {
    await this.browser.get(`${this.address}/bench/${fitId}`);
    await this.ready();
  }

  /** Waits until the fit is laid out. */
  async ready(): Promise<void> {
    await this.find('[aria-label=Flat] canvas');
    await this.find('[data-saving=saved], [aria-label=Flat]');
  }

  /** Waits until the last edit is on the disk. */
  async saved(): Promise<void> {
    // What a key has just set off is on the screen after a frame or two.
    await this.browser.executeAsyncScript(
      'const done = arguments[0]; requestAnimationFrame(() => requestAnimationFrame(() => done()));',
    );
    await this.find('[data-saving=saved]');
  }

  async chosen(words: RegExp): Promise<void> {
    await this.says('[role=toolbar][aria-label=Piece]', words);
  }

  /** Brings a file in and waits until its piece lies on the face, chosen; others may lie there under the same name. */
  async add(path: string, name: string): Promise<void> {
    const lying = async () => (await this.browser.findElements(By.css('[data-piece]'))).length;
    const before = await lying();
    await this.drop(path);
    await this.browser.wait(async () => (await lying()) > before, PATIENCE, `${name} is not on the face`);
    await this.chosen(new RegExp(name));
  }

  /** What is chosen fills the safe area, as is offered where it lands smaller. */
  async fillSafe(): Promise<void> {
    await this.keys('f');
    await this.press('Fill the safe area');
    await this.saved();
  }

  /** Chooses a piece of the face by its place in the order, the lowest first. */
  async pick(index: number): Promise<void> {
    await this.find('[data-piece]');
    const grips = await this.browser.findElements(By.css('[data-piece]'));
    const id = await grips[index]!.getAttribute('data-piece');
    await this.browser.executeScript(
      `const grip = document.querySelector('[data-piece="${id}"]');
       if (grip.getAttribute('aria-pressed') !== 'true') grip.focus({ focusVisible: true });`,
    );
    await this.find(`[data-piece="${id}"][aria-pressed=true]`);
  }

  chord(hold: string, key: string): Promise<void> {
    return this.browser.actions().keyDown(hold).sendKeys(key).keyUp(hold).perform();
  }

  keysUndo(): Promise<void> {
    return this.chord(Key.CONTROL, 'z');
  }

  /** Types over whatever field has the focus. */
  async type(text: string, end: string): Promise<void> {
    await this.browser.wait(
      () => this.browser.executeScript('return document.activeElement.tagName === "INPUT"'),
      PATIENCE,
      'no field is open',
    );
    const field = await this.browser.switchTo().activeElement();
    await field.sendKeys(Key.chord(Key.CONTROL, 'a'), text, end);
  }

  async angle(degrees: string): Promise<void> {
    await (await this.find('[data-dimension=angle]')).click();
    await this.named('Angle in degrees', 'input');
    await this.type(degrees, Key.ENTER);
    await this.find('[data-dimension=angle] button');
  }

  /** Types over a length in a strip, by its name. */
  async value(name: string, text: string): Promise<void> {
    await (await this.named(name, 'button')).click();
    await this.named(name, 'input');
    await this.type(text, Key.ENTER);
    await this.named(name, 'button');
  }

  /** Types into a labelled field of a sheet. */
  async field(label: string, text: string): Promise<void> {
    const at = By.xpath(`//label[normalize-space()="${label}"]/following-sibling::input`);
    const field = await this.browser.wait(async () => (await this.browser.findElements(at))[0], PATIENCE);
    await field!.sendKeys(Key.chord(Key.CONTROL, 'a'), text);
  }

  /** Types lines into the sheet of words, which is open, and sets them. */
  async words(lines: string[]): Promise<void> {
    for (const [index, line] of lines.entries()) {
      const field = await this.named(`Line ${index + 1}`, 'input');
      await this.browser.wait(
        () => this.browser.executeScript('return document.activeElement === arguments[0]', field),
        PATIENCE,
      );
      await field.sendKeys(
        Key.chord(Key.CONTROL, 'a'),
        line,
        ...(index < lines.length - 1 ? [Key.ENTER] : []),
      );
    }
    await (await this.browser.switchTo().activeElement()).sendKeys(Key.chord(Key.CONTROL, Key.ENTER));
    await this.browser.wait(
      async () => (await this.browser.findElements(By.css('[role=dialog]'))).length === 0,
      PATIENCE,
    );
    await this.saved();
    await this.chosen(new RegExp(lines[0]!));
  }

  /** Undoes everything; gives back how many steps that were. */
  async undoAll(): Promise<number> {
    let steps = 0;
    while (await this.enabled('Undo')) {
      await this.keysUndo();
      steps++;
    }
    return steps;
  }

  async redo(steps: number): Promise<void> {
    for (let i = 0; i < steps; i++)
      await this.browser.actions().keyDown(Key.CONTROL).sendKeys('y').keyUp(Key.CONTROL).perform();
  }

  private async enabled(words: string): Promise<boolean> {
    const button = await this.browser.findElement(By.xpath(`//button[normalize-space()="${words}"]`));
    return button.isEnabled();
  }

  /** Goes down the open menu by arrow key to a line, and takes it. */
  async menuLine(words: string): Promise<void> {
    const at = async () => (await this.find('[role=menuitem][data-highlighted]')).getText().catch(() => '');
    for (let before = await at(); before !== words; before = await at()) {
      await this.keys(Key.ARROW_DOWN);
      await this.browser.wait(async () => (await at()) !== before, PATIENCE, `${words} is not in the menu`);
    }
    await this.keys(Key.ENTER);
  }

  /** Presses Tab until something with this name or these words has the focus. */
  async tabTo(name: string): Promise<void> {
    for (let i = 0; i < 120; i++) {
      const at = await this.browser.executeScript<string>(
        'const at = document.activeElement; return at.getAttribute("aria-label") ?? at.textContent ?? ""',
      );
      if (at.startsWith(name)) return;
      await this.keys(Key.TAB);
    }
    throw new Error(`Tab does not reach ${name}`);
  }
}
