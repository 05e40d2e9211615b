import { mkdtempSync, readdirSync, readFileSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { By, Key, until, type WebDriver, type WebElement } from 'selenium-webdriver';

/** Long enough for a machine that is busy with something else; a state that comes sooner is not waited out. Less while a test is written. */
export const PATIENCE = Number(process.env['UPFIT_PATIENCE'] ?? 90_000);

/** What a test does on the page, in the words of the page: it waits for states and never for time. */
export class Page {
  constructor(
    readonly browser: WebDriver,
    readonly address: string,
  ) {}

  find(css: string): Promise<WebElement> {
    return this.browser.wait(until.elementLocated(By.css(css)), PATIENCE).catch(async (fault: Error) => {
      if (fault.name !== 'TimeoutError') throw fault;
      throw new Error(`${css} is not on the page, which says: ${await this.text()}`);
    });
  }

  /** The first words of the page, for a test that does not find what it looks for. */
  private async text(): Promise<string> {
    const words = await this.browser.executeScript<string>('return document.body.innerText');
    return words.replace(/\s+/g, ' ').slice(0, 600);
  }

  /** An element by its accessible name, or the start of it. */
  named(name: string, tag = '*'): Promise<WebElement> {
    return this.find(`${tag}[aria-label^="${name}"]`);
  }

  async press(words: string): Promise<void> {
    await this.click(
      By.xpath(
        `//*[self::button or self::a or @role="menuitem"][starts-with(normalize-space(), "${words}")]`,
      ),
      `no button says ${words}`,
    );
  }

  /** Takes a line of a list that is searched by typing. */
  async takeLine(words: string): Promise<void> {
    await this.click(
      By.xpath(`//*[@role="option"][starts-with(normalize-space(), "${words}")]`),
      `no line says ${words}`,
    );
  }

  /** Clicks what is there as soon as it can be: it may be drawn anew where something else of the page just changed. */
  async click(what: By, otherwise: string): Promise<void> {
    await this.browser.wait(
      async () => {
        const [found] = await this.browser.findElements(what);
        if (!found) return false;
        return found.click().then(
          () => true,
          (fault: Error) => {
            // A message may lie over it, and goes.
            if (!/^(StaleElementReference|ElementClickIntercepted)Error$/.test(fault.name)) throw fault;
            return false;
          },
        );
      },
      PATIENCE,
      otherwise,
    );
  }

  /** Presses Undo in the message that says something: an earlier one may still stand beside it. */
  async undo(words: string): Promise<void> {
    const button = By.xpath(`//*[@data-sonner-toast][contains(., "${words}")]//button[.="Undo"]`);
    await this.click(button, `nothing says ${words}`);
  }

  /** Opens the menu of a button by its name, which may show itself under the pointer alone, and takes a line of it. */
  async menu(label: string, words: string): Promise<void> {
    const button = await this.named(label, 'button');
    await this.browser.executeScript('arguments[0].scrollIntoView({ block: "center" })', button);
    await this.browser.actions().move({ origin: button }).click().perform();
    await this.click(
      By.xpath(`//*[@role="menuitem"][starts-with(normalize-space(), "${words}")]`),
      `${label} has no ${words}`,
    );
  }

  /** Puts a blank on the range that is no column yet. */
  async addBlank(name: string): Promise<void> {
    await this.press('Add a blank');
    await (await this.named('Search blanks by name', 'input')).sendKeys(name);
    await this.press(name);
    await this.keys(Key.ESCAPE);
    await this.gone('[aria-label="Blanks to add"]');
  }

  /** Opens the menu of the other button on what is there, or in its upper left corner, and takes a line where one is named. */
  async menuAt(what: By, line?: string | { beside: true }): Promise<void> {
    const on = await this.browser.wait(
      until.elementLocated(what),
      PATIENCE,
      `${String(what)} is not on the page`,
    );
    await this.browser.executeScript('arguments[0].scrollIntoView({ block: "nearest" })', on);
    if (typeof line === 'object') {
      const { x, y } = await on.getRect();
      await this.browser
        .actions()
        .move({ x: Math.round(x) + 40, y: Math.round(y) + 40 })
        .contextClick()
        .perform();
    } else await this.browser.actions().contextClick(on).perform();
    await this.find('[role=menu]');
    if (typeof line !== 'string') return;
    await this.click(
      By.xpath(`//*[@role="menuitem"][starts-with(normalize-space(), "${line}")]`),
      `the menu has no ${line}`,
    );
    await this.gone('[role=menu]');
  }

  async gone(css: string): Promise<void> {
    await this.browser.wait(
      async () => (await this.browser.findElements(By.css(css))).length === 0,
      PATIENCE,
      `${css} is still there`,
    );
  }

  /** Drops a file from outside on what is there, as a person does with the mouse, at a point of the page. */
  async dropOn(css: string, path: string, at: { x: number; y: number } = { x: 0, y: 0 }): Promise<void> {
    await this.transfer('drop', css, path, at);
  }

  /** Pastes a picture while something has the focus. */
  async paste(css: string, path: string): Promise<void> {
    await this.transfer('paste', css, path, { x: 0, y: 0 });
  }

  private async transfer(
    how: 'drop' | 'paste',
    css: string,
    path: string,
    at: { x: number; y: number },
  ): Promise<void> {
    await this.find(css);
    await this.browser.executeScript(
      `const [how, css, name, bytes, at] = arguments;
       const target = document.querySelector(css);
       const data = new DataTransfer();
       const raw = Uint8Array.from(atob(bytes), (c) => c.charCodeAt(0));
       data.items.add(new File([raw], name, { type: 'image/png' }));
       if (how === 'paste') {
         target.focus();
         target.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
       } else
         for (const type of ['dragenter', 'dragover', 'drop'])
           target.dispatchEvent(new DragEvent(type, { dataTransfer: data, bubbles: true, cancelable: true, clientX: at.x, clientY: at.y }));`,
      how,
      css,
      path.split('/').at(-1),
      readFileSync(path).toString('base64'),
      at,
    );
  }

  /** Chooses a line of a list by the list's name and the line's words, or the start of both; or by what it stands for. */
  async choose(label: string, words: string): Promise<void> {
    await (await this.named(label, 'button')).click();
    const line = By.xpath(
      `//*[@role="option"][@data-value="${words}" or starts-with(normalize-space(), "${words}")]`,
    );
    const found = await this.browser.wait(until.elementLocated(line), PATIENCE, `${label} has no ${words}`);
    await found.click();
    await this.browser.wait(until.stalenessOf(found), PATIENCE);
  }

  keys(...keys: string[]): Promise<void> {
    return this.browser
      .actions()
      .sendKeys(...keys)
      .perform();
  }

  /** Drops files on the page's drop target, through the input that stands for it. */
  async drop(...paths: string[]): Promise<void> {
    const input = await this.find('input[type=file]');
    // The driver adds to the files that were chosen before, where a person's choice takes their place.
    await this.browser.executeScript('arguments[0].value = ""', input);
    await input.sendKeys(paths.join('\n'));
  }

  /** Types over a dimension on the flat. */
  async dimension(id: string, text: string): Promise<void> {
    await this.click(By.css(`[data-dimension=${id}]`), `no dimension is called ${id}`);
    const field = await this.find('input[aria-describedby]');
    await field.sendKeys(Key.chord(Key.CONTROL, 'a'), text, Key.ENTER);
    await this.browser.wait(until.stalenessOf(field), PATIENCE);
  }

  /** Waits until the docket is exact and a rule has a verdict; gives back the line's text. */
  async verdict(rule: string, verdict: string): Promise<string> {
    let last = '';
    const waited = this.browser.wait(
      async () => {
        last = await this.browser.executeScript(
          `const docket = document.querySelector('[aria-label=Docket]');
           const line = docket && [...docket.querySelectorAll('[data-rule="${rule}"][data-verdict="${verdict}"]')][0];
           const exact = docket?.querySelector('[role=status]')?.textContent === 'exact';
           return exact && line ? line.textContent : '';`,
        );
        return last !== '';
      },
      PATIENCE,
      `${rule} did not become ${verdict}`,
    );
    await waited.catch(async (error: unknown) => {
      const said = await this.browser.executeScript<string>(
        `return document.querySelector('[aria-label=Docket]')?.innerText ?? 'there is no docket';`,
      );
      throw new Error(`${String(error)}: ${said}`, { cause: error });
    });
    return last;
  }

  async says(css: string, words: RegExp): Promise<string> {
    let last = '';
    const said = this.browser.wait(async () => {
      const found = await this.browser.findElements(By.css(css));
      const texts = await Promise.all(found.map((element) => element.getText().catch(() => '')));
      last = texts.join('\n');
      return words.test(last);
    }, PATIENCE);
    await said.catch((cause: unknown) => {
      throw new Error(`${css} does not say ${String(words)} but: ${last.slice(0, 600)}`, { cause });
    });
    return last;
  }

  /** Loads the page again, once what was changed is on the disk: a browser that is driven does not ask before it leaves. */
  async reload(): Promise<void> {
    const unsaved = By.css('[data-saving]:not([data-saving=saved])');
    await this.browser.wait(
      async () => (await this.browser.findElements(unsaved)).length === 0,
      PATIENCE,
      'what was changed is not saved',
    );
    await this.browser.navigate().refresh();
  }
}

export function newFolder(): string {
  return mkdtempSync(join(tmpdir(), 'up-fit-test-'));
}

/** Waits for a finished download and reads it. */
export async function downloaded(
  browser: WebDriver,
  folder: string,
  ending = '.png',
): Promise<{ name: string; bytes: Buffer }> {
  // Its name stands there empty until all of it has come down under another.
  const finished = () =>
    readdirSync(folder).find((name) => name.endsWith(ending) && statSync(join(folder, name)).size > 0);
  await browser.wait(() => finished() !== undefined, PATIENCE, 'no file came down');
  const name = finished()!;
  return { name, bytes: readFileSync(join(folder, name)) };
}
