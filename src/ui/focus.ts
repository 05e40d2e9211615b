/**
 * Gives the focus back to what had it. What is gone by then leaves it to the page's main part, so that keys go on from there
 * and not from the top of the document.
 */
export function focusAgain(from: Element | null): void {
  if (from instanceof HTMLElement || from instanceof SVGElement) {
    if (from.isConnected && from !== document.body) {
      from.focus({ preventScroll: true });
      if (document.activeElement === from) return;
    }
  }
  document.querySelector<HTMLElement>('main')?.focus({ preventScroll: true });
}

/** What opened the menu that an element is in, which is gone once one of its lines is chosen; else the element. */
export function openerOf(element: Element | null): Element | null {
  const named = element?.closest('[role=menu]')?.getAttribute('aria-labelledby');
  return (named && document.getElementById(named)) || element;
}
