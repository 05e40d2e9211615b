import type { Fit } from '@/core/fit/schema';
import { platedFaces } from '@/state/handover/pack-plates';
import type { SentOrder } from '@/core/pack/record';
import { format } from 'date-fns';

/** "26 Nov 2026, 14:05" of an ISO date and time, in the seller's own time. */
export function sayDay(iso: string): string {
  return format(new Date(iso), 'd MMM yyyy, HH:mm');
}

/** Where an order stands, in a few words. */
export function sayOrder(sent: SentOrder | undefined): string {
  if (!sent) return 'not sent';
  switch (sent.state) {
    case 'sending':
      return `on its way to ${sent.desk}`;
    case 'waiting':
      return `waits for ${sent.desk}`;
    case 'broken':
      return `broke off on its way to ${sent.desk}`;
    case 'arrived':
      return sent.to === undefined
        ? `arrived at ${sent.desk}: ${sent.answer?.number ?? ''}`
        : `accepted by ${sent.desk}${sent.answer?.number ? `: ${sent.answer.number}` : ''}`;
    case 'sent':
      return `sent to ${sent.to ?? sent.desk}, ${sent.desk}`;
    case 'refused':
      return `refused by ${sent.desk}`;
  }
}

/** What goes out of the fits that are chosen. */
export function goesOut(fits: readonly Fit[]): string {
  const plated = fits.filter((fit) => platedFaces(fit).length > 0).length;
  const plates =
    plated === 0 ? '' : plated === fits.length ? ', and its plates' : `, and the plates of ${plated} of them`;
  return `${fits.length} ${fits.length === 1 ? 'fit' : 'fits'}, each with its print files, docket and palette${plates}.`;
}
