import { writeFileSync } from 'node:fs';
import { PNG } from 'pngjs';
import type { Page } from './bench';

/** A picture with 500 x 250 opaque pixels in the middle of a clear 600 x 300. */
export function drawGull(path: string): void {
  const gull = new PNG({ width: 600, height: 300 });
  for (let y = 25; y < 275; y++)
    for (let x = 50; x < 550; x++) gull.data.set([x % 256, 60, 90, 255], (y * 600 + x) * 4);
  writeFileSync(path, PNG.sync.write(gull));
}

/**
 * What a shop with nothing in it begins with: a picture brought in, and fitted on a mug. It lands at its largest honest
 * size; for its Fix it then fills the safe area, as is offered.
 */
export async function makeFirstFit(page: Page, picture: string): Promise<void> {
  await page.browser.get(page.address);
  await page.says('body', /Bring in the first artwork/);
  await page.drop(picture);
  await (await page.named('Fit gull on Mug 325 ml')).click();
  await (await page.named('gull on Mug 325 ml')).click();
  await page.says('[data-saving]', /Saved/);
  await page.keys('f');
  await page.press('Fill the safe area');
  await page.verdict('resolution', 'fix');
  await page.says('[data-saving]', /Saved/);
  await page.browser.get(page.address);
  await page.named('gull on Mug 325 ml: Fix');
}
