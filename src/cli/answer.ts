/** What a command answers: one JSON document, the same in words, and the exit status. */
export interface Answer {
  json: unknown;
  text: string;
  status: 0 | 1 | 2;
}
