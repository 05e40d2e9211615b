import { lightFormat } from 'date-fns';

/** Today where the seller is, as records and dockets write it: `2026-11-25`. */
export function today(): string {
  return lightFormat(new Date(), 'yyyy-MM-dd');
}
