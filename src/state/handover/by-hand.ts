import { UpFitError } from '@/core/errors';
import type { OrderLine } from '@/core/pack/order';
import type { SentOrder, StoredPack } from '@/core/pack/record';
import { today } from '../today';
import { keepOrder, orderOf } from './sending';

/** Deliveries to houses without a desk: what was sent is noted by hand, and so is what they said. */
const BY_HAND = 'by-hand';

/** Notes that a pack was sent to a house, to whom and on which day. Throws a sentence where that cannot be. */
export async function noteSent(
  pack: StoredPack,
  house: string,
  { to, day, lines, notes }: { to: string; day: string; lines: OrderLine[]; notes: string },
): Promise<void> {
  if (to.trim() === '')
    throw new UpFitError('bad-argument', 'Say to whom it was sent: a name or an address.');
  if (day > today())
    throw new UpFitError('bad-argument', `${day} is still to come: note it once it is sent.`);
  if (lines.length === 0) throw new UpFitError('bad-argument', 'Type how many are ordered.');
  await keepOrder(pack.id, {
    deskId: BY_HAND,
    desk: house,
    to: to.trim(),
    order: orderOf(pack, lines, notes),
    state: 'sent',
    sent: pack.bytes,
    at: new Date(`${day}T12:00:00`).toISOString(),
    trouble: null,
    answer: null,
  });
}

/** Notes that a house took an order, under its number where it gave one, which is as its numbers look (# for a digit). */
export async function noteAccepted(
  packId: string,
  sent: SentOrder,
  number: string,
  pattern: string | undefined,
): Promise<void> {
  const trouble = numberTrouble(number, pattern);
  if (trouble !== null) throw new UpFitError('bad-argument', trouble);
  await keepOrder(packId, {
    ...sent,
    state: 'arrived',
    answer: { ...NOTHING_SAID, sha256: sent.order.sha256, number: number.trim() },
  });
}

/** Notes that a house refused an order, and why. */
export async function noteRefused(packId: string, sent: SentOrder, reason: string): Promise<void> {
  if (reason.trim() === '')
    throw new UpFitError('bad-argument', 'Say why it was refused, in the house’s words.');
  await keepOrder(packId, {
    ...sent,
    state: 'refused',
    answer: { ...NOTHING_SAID, sha256: sent.order.sha256, number: null, reasons: [reason.trim()] },
  });
}

const NOTHING_SAID = { reasons: [], findings: [], lines: [] };

/** Why a number is none of a house's, by its pattern (# for a digit); null where it may be. */
export function numberTrouble(number: string, pattern: string | undefined): string | null {
  if (pattern === undefined || number.trim() === '') return null;
  const parts = pattern.split('#').map((part) => part.replace(/[.*+?^${}()|[\]\\]/g, '\\$&'));
  return new RegExp(`^${parts.join('\\d')}$`, 'i').test(number.trim())
    ? null
    : `Its order numbers look like ${pattern}.`;
}
