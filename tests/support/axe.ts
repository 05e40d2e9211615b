import AxeBuilder from '@axe-core/webdriverjs';
import type { WebDriver } from 'selenium-webdriver';

/** What keeps a person out of the page as it is (WCAG 2.2 AA): each rule with the first place that breaks it. */
export async function keepsOut(browser: WebDriver): Promise<(string | undefined)[][]> {
  const { violations } = await new AxeBuilder(browser)
    // Several messages lie on one another until the pointer is on them.
    .exclude('[data-sonner-toaster]')
    .withTags(['wcag2a', 'wcag2aa', 'wcag22aa'])
    .analyze();
  return violations.map(({ id, nodes }) => [id, nodes[0]?.html]);
}
