import { toast } from 'sonner';

/** Says what was done, with a way to take it back; why that cannot be done any more is told where all errors are. */
export function tellDone(sentence: string, undo: () => Promise<void>): void {
  toast(sentence, { duration: 10_000, action: { label: 'Undo', onClick: () => void undo() } });
}
