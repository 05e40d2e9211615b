/** True while keys go into a field, so that they are no shortcuts. */
export function isTyping(event: Event): boolean {
  const target = event.target as HTMLElement | null;
  return target !== null && (/^(INPUT|TEXTAREA)$/.test(target.tagName) || target.isContentEditable);
}
