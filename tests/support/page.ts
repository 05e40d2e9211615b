/** What jsdom leaves out of a page that the controls ask for. */
export function asPage(): void {
  const { prototype } = Element;
  prototype.scrollIntoView ??= () => undefined;
  prototype.hasPointerCapture ??= () => false;
  prototype.setPointerCapture ??= () => undefined;
  prototype.releasePointerCapture ??= () => undefined;
  globalThis.ResizeObserver ??= class {
    observe = () => undefined;
    unobserve = () => undefined;
    disconnect = () => undefined;
  };
}
