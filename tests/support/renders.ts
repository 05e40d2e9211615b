import type { WebDriver } from 'selenium-webdriver';
import type { ChromiumWebDriver } from 'selenium-webdriver/chromium';

/** How many components were rendered within animation frames, which follow the hand, in each part of the page and in all. */
export interface Renders {
  frames: number;
  all: number;
  of: Record<string, number>;
}

/**
 * Counts what React renders on the pages opened from now on, in the built application: React tells of each commit to a
 * hook of this name, and a fiber that was rendered for it carries a flag (React's `PerformedWork`).
 */
export async function watchRenders(browser: WebDriver, parts: readonly string[]): Promise<void> {
  await (browser as ChromiumWebDriver).sendDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', {
    source: `(${inPage.toString()})(${JSON.stringify(parts)})`,
  });
}

export async function countRenders(browser: WebDriver, during: () => Promise<void>): Promise<Renders> {
  const zero = { frames: 0, all: 0, of: {} };
  await browser.executeScript('window.renders = arguments[0]', zero);
  await during();
  return browser.executeScript<Renders>(
    'const counted = window.renders; window.renders = null; return counted;',
  );
}

interface Fiber {
  tag: number;
  flags: number;
  child: Fiber | null;
  sibling: Fiber | null;
  alternate: Fiber | null;
  memoizedProps: { 'aria-label'?: string } | null;
}

/** Runs in the page, before React: must not name anything outside of itself. */
function inPage(parts: readonly string[]): void {
  const [FUNCTION, HOST, MEMO, SIMPLE_MEMO, FORWARD, PERFORMED] = [0, 5, 14, 15, 11, 1];
  const page = window as unknown as { renders: Renders | null; __REACT_DEVTOOLS_GLOBAL_HOOK__: object };
  const nameOf = ({ tag, memoizedProps }: Fiber) => {
    const label = tag === HOST ? memoizedProps?.['aria-label'] : undefined;
    return label !== undefined && parts.includes(label) ? label : undefined;
  };
  /** A component stands in the part it is rendered into, or is the whole of. */
  const within = (fiber: Fiber, part: string | undefined): string | undefined => {
    if (part !== undefined) return part;
    let first: Fiber | null = fiber;
    while (first && first.tag !== HOST) first = first.child;
    return first ? nameOf(first) : undefined;
  };
  const walk = (fiber: Fiber, counted: Renders, above: string | undefined) => {
    const part = nameOf(fiber) ?? above;
    if ([FUNCTION, MEMO, SIMPLE_MEMO, FORWARD].includes(fiber.tag) && (fiber.flags & PERFORMED) !== 0) {
      counted.all++;
      const name = within(fiber, part) ?? 'elsewhere';
      counted.of[name] = (counted.of[name] ?? 0) + 1;
    }
    // The same child as before: nothing beneath was touched.
    if (fiber.alternate && fiber.alternate.child === fiber.child) return;
    for (let child = fiber.child; child; child = child.sibling) walk(child, counted, part);
  };
  let inFrame = false;
  const ask = window.requestAnimationFrame.bind(window);
  window.requestAnimationFrame = (then) =>
    ask((now) => {
      inFrame = true;
      try {
        then(now);
      } finally {
        inFrame = false;
      }
    });
  page.__REACT_DEVTOOLS_GLOBAL_HOOK__ = {
    supportsFiber: true,
    inject: () => 1,
    onCommitFiberUnmount: () => undefined,
    onPostCommitFiberRoot: () => undefined,
    onCommitFiberRoot: (_: number, root: { current: Fiber }) => {
      if (!page.renders || !inFrame) return;
      page.renders.frames++;
      walk(root.current, page.renders, undefined);
    },
  };
}
