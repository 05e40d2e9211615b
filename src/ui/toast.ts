import { toast as show, type ExternalToast } from 'sonner';

/** ms that a message stays: a moment to notice it, and the time to read it slowly, a letter after another. */
const NOTICED = 3000;
const A_LETTER = 70;

/** Says something in the corner of the page, for as long as it takes to read. */
export function toast(words: string, options: ExternalToast = {}): void {
  const letters = words.length + (typeof options.description === 'string' ? options.description.length : 0);
  show(words, { duration: NOTICED + letters * A_LETTER, ...options });
}
