import AxeBuilder from '@axe-core/webdriverjs';
import type { WebDriver } from 'selenium-webdriver';

/**
 * What keeps a person out of the page as it is, or of a part of it (WCAG 2.2 AA): each rule with the first place that breaks
 * it. What moves or fades in as it is looked at is looked at once more.
 */
export async function keepsOut(browser: WebDriver, part?: string): Promise<(string | undefined)[][]> {
  const found = await violations(browser, part);
  // What is open goes away as the second look opens a window of its own.
  return found.length === 0 || part !== undefined ? found : violations(browser);
}

async function violations(browser: WebDriver, part?: string): Promise<(string | undefined)[][]> {
  const builder = new AxeBuilder(browser)
    // In one call: the other way gives each of its many calls a second, which a busy machine does not always have.
    .setLegacyMode()
    // Several messages lie on one another until the pointer is on them.
    .exclude('[data-sonner-toaster]')
    .withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa']);
  const { violations: found } = await (part === undefined ? builder : builder.include(part)).analyze();
  return found.map(({ id, nodes }) => [id, nodes[0]?.html]);
}
