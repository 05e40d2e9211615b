import { toast as show, type ExternalToast } from 'sonner';

/** ms that a message stays: a moment to notice it, and the time to read it slowly, a letter after another. */
const NOTICED = 3000;
const A_LETTER = 70;

/** Says something in the corner of the page, for as long as it takes to read; gives back what the message is known by. */
export function toast(words: string, options: ExternalToast = {}): string | number {
  const letters = words.length + (typeof options.description === 'string' ? options.description.length : 0);
  return show(words, { duration: NOTICED + letters * A_LETTER, ...options });
}
