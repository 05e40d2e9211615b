import { rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { PNG } from 'pngjs';
import type { WebDriver } from 'selenium-webdriver';
import type { Fit } from '@/core/fit/schema';
import { openBrowser } from '../../scripts/lib/browser.mjs';
import { newFolder } from './bench';
import { Bench } from './bench-page';
import { drawGull, makeFirstFit } from './first-fit';
import { blankById } from './fits';
import { putRecord, records, StoredFit } from './stored';
import { served } from './served';

/** A shop with one design and bare fits on several blanks, each named after its blank; and files to be brought in. */
export class BenchShop {
  private readonly folder = newFolder();
  readonly downloads = newFolder();
  readonly motif = this.file('gull.png');
  /** Opaque, its two ends of different colours. */
  readonly ground = this.file('sea.png');
  readonly shape = this.file('drop.svg');
  browser!: WebDriver;
  bench!: Bench;
  fit!: StoredFit;

  /** At the server of all suites, or at one of its own. */
  constructor(private readonly own?: string) {}

  get address(): string {
    return this.own ?? served().empty;
  }

  file(name: string): string {
    return join(this.folder, name);
  }

  async open(): Promise<void> {
    this.drawFiles();
    // As a profile holds it that was made for all suites; made here where the server is its own.
    const seed = this.own === undefined ? served().bench : undefined;
    this.browser = await openBrowser({ downloads: this.downloads, ...(seed && { seed }) });
    this.bench = new Bench(this.browser, this.address);
    if (seed) await this.browser.get(this.address);
    else await makeFirstFit(this.bench, this.motif);
    await this.bench.named('gull on Mug 325 ml: Fix');
    const [made] = await records<Fit>(this.browser, 'fits');
    for (const id of ['mug-325', 'tumbler-470', 'pouch', 'shirt', 'tumbler-taper-480']) {
      const colourId = blankById(id).blank.colours[0]!.id;
      await putRecord(this.browser, 'fits', { ...made, id, blankId: id, colourId, faces: [] });
    }
  }

  async openFit(id: string): Promise<void> {
    await this.bench.open(id);
    this.fit = new StoredFit(this.browser, id);
  }

  /** A flat blank of one's own, typed as the tape reads it; the library shows it. */
  async measureFlat(name: string, width: string, height: string): Promise<void> {
    await this.browser.get(`${this.address}/blanks/measure`);
    await this.bench.press('Flat thing');
    await (await this.bench.find('#reading-width')).sendKeys(width);
    await (await this.bench.find('#reading-height')).sendKeys(height);
    await (await this.bench.named('Name of the blank')).sendKeys(name);
    await this.bench.press('Keep blank');
    await this.bench.says('[aria-label="Blank"]', new RegExp(name));
  }

  async close(): Promise<void> {
    await this.browser.quit();
    for (const one of [this.folder, this.downloads])
      rmSync(one, { recursive: true, force: true, maxRetries: 5 });
  }

  private drawFiles(): void {
    drawGull(this.motif);
    const sea = new PNG({ width: 400, height: 300 });
    for (let at = 0; at < sea.data.length; at += 4) sea.data.set([((at / 4) % 400) >> 1, 120, 160, 255], at);
    writeFileSync(this.ground, PNG.sync.write(sea, { colorType: 2 }));
    const path = '<path d="M0 0H10L5 10Z"/>';
    writeFileSync(this.shape, `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10">${path}</svg>`);
  }
}

/** Within a hundredth of a mm, as it was typed. */
export const close = (value: number) => expect.closeTo(value, 2) as number;
export const inches = (value: number) => close(value * 25.4);
