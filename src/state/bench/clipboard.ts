/**
 * The system's clipboard as text, so that what is copied goes to other windows too. What was copied last here is kept
 * besides: a browser may not let a page read the clipboard.
 */
let held: string | null = null;

/** Copies a text from outside of a copy event. */
export function copyText(text: string): void {
  held = text;
  void navigator.clipboard.writeText(text).catch(() => {
    // It is held here, and can be pasted in this window.
  });
}

/** Copies a text where the browser itself asks what is to be copied. */
export function answerCopy(event: ClipboardEvent, text: string): void {
  held = text;
  event.clipboardData?.setData('text/plain', text);
  event.preventDefault();
}

/** What was copied last: out of the clipboard where it may be read, else out of this window. */
export async function copiedText(): Promise<string | null> {
  try {
    return await navigator.clipboard.readText();
  } catch {
    return held;
  }
}
