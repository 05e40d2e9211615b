import type { WebDriver } from 'selenium-webdriver';

/**
 * What is wrong with the boxes of the controls in sight: one outside the page or cut off where nothing scrolls, two that
 * overlap, one under 24 px, a page wider than its window. What lies on a drawing is part of it, and a link within a
 * sentence is as tall as its line (WCAG 2.2, 2.5.8).
 */
export function boxTroubles(browser: WebDriver): Promise<string[]> {
  return browser.executeScript<string[]>(`
    const CONTROLS = 'button, a[href], input:not([type=hidden]), select, textarea, [role=button], [role=slider], [role=checkbox], [role=radio], [role=tab], [role=menuitem]';
    const troubles = [];
    const wide = document.documentElement.scrollWidth - innerWidth;
    if (wide > 0) troubles.push('the page is ' + wide + ' px wider than its window');
    for (const strip of document.querySelectorAll('aside'))
      if (strip.scrollWidth > strip.clientWidth + 1) troubles.push('“' + (strip.getAttribute('aria-label') ?? 'a strip') + '” scrolls sideways');
    const nameOf = (one) => (one.getAttribute('aria-label') || one.textContent.trim() || one.getAttribute('placeholder') || one.outerHTML).slice(0, 50);
    const boxOf = ({ left, top, right, bottom }) => ({ left, top, right, bottom });
    /** What of a box is seen through everything that clips it, and whether it is cut off for good on a side. */
    function seen(control) {
      const whole = boxOf(control.getBoundingClientRect());
      const box = { ...whole };
      let cut = '';
      for (let at = control.parentElement; at; at = at.parentElement) {
        const style = getComputedStyle(at);
        if (style.position === 'fixed') break;
        const room = at === document.documentElement ? { left: 0, top: 0, right: innerWidth, bottom: innerHeight } : at.getBoundingClientRect();
        for (const [axis, from, to] of [['X', 'left', 'right'], ['Y', 'top', 'bottom']]) {
          const flow = style['overflow' + axis];
          if (flow === 'visible' && at !== document.documentElement) continue;
          const lost = Math.max(room[from] - box[from], box[to] - room[to]);
          if (lost > 1.5 && !/auto|scroll/.test(flow)) cut = Math.round(lost) + ' px of it are cut off';
          box[from] = Math.max(box[from], room[from]);
          box[to] = Math.min(box[to], room[to]);
        }
      }
      return { whole, box, cut };
    }
    const controls = [...document.querySelectorAll(CONTROLS)].filter((one) =>
      one.checkVisibility({ visibilityProperty: true, opacityProperty: true, contentVisibilityAuto: true }) &&
      !one.closest('[data-sonner-toaster], [data-flat], [data-drawing], .sr-only, [aria-hidden=true]') &&
      getComputedStyle(one).pointerEvents !== 'none');
    const placed = [];
    for (const control of controls) {
      const { whole, box, cut } = seen(control);
      const [width, height] = [whole.right - whole.left, whole.bottom - whole.top];
      if (width <= 1 || height <= 1) continue;
      const isSeen = box.right - box.left > 1 && box.bottom - box.top > 1;
      if (cut && (isSeen || whole.left >= innerWidth || whole.right <= 0)) troubles.push('“' + nameOf(control) + '”: ' + cut);
      if (!isSeen) continue;
      placed.push({ control, box });
    }
    for (const [i, a] of placed.entries())
      for (const b of placed.slice(i + 1)) {
        if (a.control.contains(b.control) || b.control.contains(a.control)) continue;
        const across = Math.min(a.box.right, b.box.right) - Math.max(a.box.left, b.box.left);
        const down = Math.min(a.box.bottom, b.box.bottom) - Math.max(a.box.top, b.box.top);
        if (across <= 1 || down <= 1) continue;
        // A head that stays covers what scrolls under it.
        const sticky = (one) => { for (let at = one; at; at = at.parentElement) if (getComputedStyle(at).position === 'sticky') return true; return false; };
        if (sticky(a.control) !== sticky(b.control)) continue;
        // Of a stepper's or a slider's own parts one lies on another.
        if (a.control.closest('[data-one-control]') && a.control.closest('[data-one-control]') === b.control.closest('[data-one-control]')) continue;
        troubles.push('“' + nameOf(a.control) + '” and “' + nameOf(b.control) + '” overlap by ' + Math.round(across) + ' x ' + Math.round(down) + ' px');
      }
    return [...new Set(troubles)].slice(0, 40);
  `);
}

/** Makes the window so large that the page has this size. */
export async function pageOf(browser: WebDriver, width: number, height = 800): Promise<void> {
  await (
    browser as WebDriver & { sendDevToolsCommand(name: string, given: object): Promise<void> }
  ).sendDevToolsCommand('Emulation.setDeviceMetricsOverride', {
    width,
    height,
    deviceScaleFactor: 1,
    mobile: false,
  });
}
