import type { ExternalToast, toast as Show } from 'sonner';

/** ms that a message stays: a moment to notice it, and the time to read it slowly, a letter after another. */
const NOTICED = 3000;
const A_LETTER = 70;

let show: typeof Show | undefined;
let count = 0;
/** What was said before there was a place for messages, by what it is known by. */
const waiting = new Map<string | number, (by: typeof Show) => void>();

/** Says something in the corner of the page, for as long as it takes to read; gives back what the message is known by. */
export function toast(words: string, options: ExternalToast = {}): string | number {
  const letters = words.length + (typeof options.description === 'string' ? options.description.length : 0);
  const id = options.id ?? `said ${++count}`;
  const say = (by: typeof Show) => by(words, { duration: NOTICED + letters * A_LETTER, ...options, id });
  if (show) say(show);
  else waiting.set(id, say);
  return id;
}

/** Takes what was said off the page. */
export function untoast(id: string | number): void {
  waiting.delete(id);
  show?.dismiss(id);
}

/** From now on messages are shown by this; what waits is, at once. */
export function showWith(by: typeof Show): void {
  show = by;
  for (const say of waiting.values()) say(by);
  waiting.clear();
}
