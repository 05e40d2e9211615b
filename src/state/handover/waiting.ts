import { useShop } from '../shop/shop';

/** How long until a desk that was away is asked again, in ms. */
const ASK_AGAIN = 10_000;

/**
 * From now on, orders that wait for their desk go by themselves once it answers, and those that a closed window left on
 * their way are gone on with. One window does it: the others find the order held.
 */
export function sendWaiting(): void {
  const ask = () => void sendWhatWaits().catch(() => undefined);
  ask();
  setInterval(ask, ASK_AGAIN);
  addEventListener('online', ask);
}

async function sendWhatWaits(): Promise<void> {
  const packs = [...useShop.getState().packs.values()];
  const waiting = packs.flatMap(({ id, orders }) =>
    orders.filter(({ state }) => state === 'waiting' || state === 'sending').map((order) => ({ id, order })),
  );
  if (waiting.length === 0) return;
  // Fetched where something waits: hardly a day has it.
  const { resumeOrders } = await import('./sending');
  await resumeOrders(waiting);
}
