import { create } from 'zustand';
import type { Answer, Desk, OrderLine } from '@/core/pack/order';
import { readPackZip } from '@/store/read';
import type { SentOrder, StoredPack } from '@/core/pack/record';
import { isStopped } from '@/workers/client';
import { DeskRefused, readDesks, sendPack } from '@/workers/desk-client';
import { sentence } from '../sentence';
import { commit } from '../shop/commit';

/** Packs under way: bytes sent, by the order's key. */
export const useSending = create<Record<string, { sent: number; stop: AbortController } | undefined>>(
  () => ({}),
);

/** The desks that take packs, those of the pack's own houses first. */
export async function desksFor({ manifest }: StoredPack): Promise<Desk[]> {
  const houses = new Set(manifest.fits.map(({ house }) => house));
  const desks = await readDesks();
  return [...desks].sort((a, b) => Number(houses.has(b.name)) - Number(houses.has(a.name)));
}

/** Sends a pack to a desk as one order. */
export function sendOrder(pack: StoredPack, desk: Desk, lines: OrderLine[], notes: string): Promise<void> {
  const order: SentOrder = {
    deskId: desk.id,
    desk: desk.name,
    order: {
      upfit: 'order/1',
      key: crypto.randomUUID(),
      lines,
      notes,
      bytes: pack.bytes,
      sha256: pack.sha256,
    },
    state: 'sending',
    sent: 0,
    at: new Date().toISOString(),
    trouble: null,
    answer: null,
  };
  return send(pack.id, desk, order);
}

/** Goes on with an order that broke off: it stays one order, and what arrived is not sent again. */
export async function resumeOrder(packId: string, order: SentOrder): Promise<void> {
  const desk = (await readDesks()).find(({ id }) => id === order.deskId);
  if (!desk) throw new Error(`${order.desk} has no desk here any more.`);
  await send(packId, desk, { ...order, state: 'sending', trouble: null });
}

async function send(packId: string, desk: Desk, sending: SentOrder): Promise<void> {
  const { key } = sending.order;
  const stop = new AbortController();
  useSending.setState({ [key]: { sent: sending.sent, stop } });
  // Kept before anything is sent, so that its key is known whatever happens.
  await keep(packId, sending);
  let sent = sending.sent;
  try {
    const answer = await sendPack(desk, sending.order, await readPackZip(packId), {
      signal: stop.signal,
      onSent: (bytes) => {
        sent = bytes;
        useSending.setState({ [key]: { sent, stop } });
      },
    });
    await keep(packId, { ...sending, sent: sending.order.bytes, answer, ...stateBy(answer, sending) });
  } catch (error) {
    const trouble = isStopped(error) ? 'Stopped: what arrived stays there.' : sentence(error);
    const state = error instanceof DeskRefused ? 'refused' : 'broken';
    await keep(packId, { ...sending, sent, state, trouble });
  } finally {
    useSending.setState({ [key]: undefined });
  }
}

/** Arrived only where the desk says so and holds the very bytes that were sent. */
function stateBy(answer: Answer, { order, desk }: SentOrder): Pick<SentOrder, 'state' | 'trouble'> {
  if (answer.number === null) return { state: 'refused', trouble: null };
  if (answer.sha256 !== order.sha256)
    return {
      state: 'refused',
      trouble: `What ${desk} holds is not what was sent: ask there before you order again.`,
    };
  return { state: 'arrived', trouble: null };
}

async function keep(packId: string, order: SentOrder): Promise<void> {
  await commit(['packs'], async (store) => {
    const pack = await store.get('packs', packId);
    if (!pack) return;
    const others = pack.orders.filter((one) => one.order.key !== order.order.key);
    store.put('packs', { ...pack, orders: [...others, order] });
  });
}
