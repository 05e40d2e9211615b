import type { Readers } from '@/files/artwork';

/** What a command answers: one JSON document, the same in words, and the exit status. */
export interface Answer {
  json: unknown;
  text: string;
  status: 0 | 1 | 2;
}

/** Gives what files are read with, loaded when first asked for; a dead engine is replaced by asking anew. */
export type ReaderSupply = (renew?: boolean) => Promise<Readers>;
