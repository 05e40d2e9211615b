/** Today as a source's date: `2026-11-25`. */
export function today(): string {
  return new Date().toISOString().slice(0, 10);
}
