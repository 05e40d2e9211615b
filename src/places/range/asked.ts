/** What is open over the range. */
export type Asked =
  | { kind: 'design'; designId: string }
  | { kind: 'versions'; designId: string; blankId: string }
  | { kind: 'start'; blankId: string }
  | { kind: 'size'; fitId: string }
  | null;
