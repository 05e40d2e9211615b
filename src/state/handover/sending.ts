import { create } from 'zustand';
import type { Answer, Desk, Order, OrderLine } from '@/core/pack/order';
import { readPackZip } from '@/store/read';
import type { SentOrder, StoredPack } from '@/core/pack/record';
import { isStopped } from '@/workers/client';
import { DeskAway, DeskRefused, isDeskBack, readDesks, sendPack } from '@/workers/desk-client';
import { sentence } from '../sentence';
import { commit } from '../shop/commit';

/** Packs under way: bytes sent, by the order's key. */
export const useSending = create<Record<string, { sent: number; stop: AbortController } | undefined>>(
  () => ({}),
);

/** The desk that stands in for houses that the seller wrote down. */
const WRITTEN = 'written';

/** The desks that take packs, those of the pack's own houses first. */
export async function desksFor({ manifest }: StoredPack): Promise<Desk[]> {
  const houses = new Set(manifest.fits.map(({ house }) => house));
  const desks = await readDesks();
  const written = desks.find(({ id }) => id === WRITTEN);
  const specs = manifest.fits.flatMap(({ spec }) => (spec?.desk ? [spec] : []));
  const own = [...new Map(specs.map((spec) => [spec.house, spec])).values()].flatMap(({ house, files }) =>
    written ? [{ ...written, name: house, takes: files.formats.value.join(', ').toUpperCase() }] : [],
  );
  const known = desks.filter(({ id }) => id !== WRITTEN);
  return [...own, ...known].sort((a, b) => Number(houses.has(b.name)) - Number(houses.has(a.name)));
}

/** A pack as one order, under a key of its own. */
export function orderOf({ bytes, sha256 }: StoredPack, lines: OrderLine[], notes: string): Order {
  return { upfit: 'order/1', key: crypto.randomUUID(), lines, notes, bytes, sha256 };
}

/** Sends a pack to a desk as one order. */
export function sendOrder(pack: StoredPack, desk: Desk, lines: OrderLine[], notes: string): Promise<void> {
  const order: SentOrder = {
    deskId: desk.id,
    desk: desk.name,
    order: orderOf(pack, lines, notes),
    state: 'sending',
    sent: 0,
    at: new Date().toISOString(),
    trouble: null,
    answer: null,
  };
  return send(pack.id, desk, order);
}

/** Goes on with an order that broke off or waits: it stays one order, and what arrived is not sent again. */
export async function resumeOrder(packId: string, order: SentOrder): Promise<void> {
  const desk = (await readDesks()).find(({ id }) => id === order.deskId);
  if (!desk) throw new Error(`${order.desk} has no desk here any more.`);
  await send(packId, desk, { ...order, state: 'sending', trouble: null });
}

/** Leaves an order that waits for its desk; it can be gone on with. */
export async function leaveWaiting(packId: string, order: SentOrder): Promise<void> {
  await keepOrder(packId, { ...order, state: 'broken', trouble: LEFT });
}

const LEFT = 'Stopped: what arrived stays there.';

/** Goes on with orders that wait, once their desk answers. */
export async function resumeOrders(waiting: readonly { id: string; order: SentOrder }[]): Promise<void> {
  if (!(await isDeskBack())) return;
  for (const { id, order } of waiting) await resumeOrder(id, order);
}

async function send(packId: string, desk: Desk, sending: SentOrder): Promise<void> {
  await navigator.locks.request(`up-fit/order/${sending.order.key}`, { ifAvailable: true }, async (lock) => {
    if (lock) await sendHeld(packId, desk, sending);
  });
}

async function sendHeld(packId: string, desk: Desk, sending: SentOrder): Promise<void> {
  const { key } = sending.order;
  const stop = new AbortController();
  useSending.setState({ [key]: { sent: sending.sent, stop } });
  let sent = sending.sent;
  try {
    // Kept before anything is sent, so that its key is known whatever happens.
    if (!(await keepOrder(packId, sending))) return;
    const answer = await sendPack(desk, sending.order, await readPackZip(packId), {
      signal: stop.signal,
      onSent: (bytes) => {
        sent = bytes;
        useSending.setState({ [key]: { sent, stop } });
      },
    });
    await keepOrder(packId, { ...sending, sent: sending.order.bytes, answer, ...stateBy(answer, sending) });
  } catch (error) {
    await keepOrder(packId, { ...sending, sent, ...brokenBy(error) });
  } finally {
    useSending.setState({ [key]: undefined });
  }
}

function brokenBy(error: unknown): Pick<SentOrder, 'state' | 'trouble'> {
  if (isStopped(error)) return { state: 'broken', trouble: LEFT };
  const state = error instanceof DeskAway ? 'waiting' : error instanceof DeskRefused ? 'refused' : 'broken';
  return { state, trouble: sentence(error) };
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

/** Keeps where an order stands; says no where it is done with already, or its pack is gone. */
export async function keepOrder(packId: string, order: SentOrder): Promise<boolean> {
  const { result } = await commit(['packs'], async (store) => {
    const pack = await store.get('packs', packId);
    const stored = pack?.orders.find((one) => one.order.key === order.order.key);
    if (!pack || (stored && isDone(stored))) return false;
    const others = pack.orders.filter((one) => one.order.key !== order.order.key);
    store.put('packs', { ...pack, orders: [...others, order] });
    return true;
  });
  return result;
}

function isDone({ state }: SentOrder): boolean {
  return state === 'arrived' || state === 'refused';
}
