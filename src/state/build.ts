import { create } from 'zustand';
import { keepWaiting } from './bench/save-queue';

/** `none`: nothing newer. `ready`: a newer Up Fit is kept here and waits. `elsewhere`: another window went over to it. */
export type NewBuild = 'none' | 'ready' | 'elsewhere';

export const useNewBuild = create<{ state: NewBuild }>(() => ({ state: 'none' }));

/** How often a window that stays open asks for a newer Up Fit, in ms. */
const LOOK_AGAIN = 30 * 60 * 1000;

/** ms that a page has to be given up by the older worker: one that it is still loading for does not go. */
const PATIENCE = 2_000;
/** Set in this window's own memory while it goes over, over a reload. */
const GOING_OVER = 'up-fit/going-over';

let kept: ServiceWorkerRegistration | undefined;
let goingOver = false;

/**
 * Keeps this build for when the server is gone (src/offline), and hears of newer ones. Nothing is taken over by itself: a
 * newer one waits until `takeNewBuild`, or until the last window is closed.
 */
export async function keepBuild(): Promise<void> {
  if (process.env.NODE_ENV !== 'production' || !('serviceWorker' in navigator)) return;
  const workers = navigator.serviceWorker;
  const hadOne = workers.controller !== null;
  workers.addEventListener('controllerchange', () => {
    if (goingOver) location.reload();
    else if (hadOne) useNewBuild.setState({ state: 'elsewhere' });
  });
  goingOver = sessionStorage.getItem(GOING_OVER) !== null;
  sessionStorage.removeItem(GOING_OVER);
  kept = await workers.register('/offline.js', { updateViaCache: 'none' });
  const registration = kept;
  const look = () => {
    // With no controller yet, what waits is this very build.
    if (registration.waiting && workers.controller) useNewBuild.setState({ state: 'ready' });
  };
  look();
  registration.addEventListener('updatefound', () => {
    registration.installing?.addEventListener('statechange', look);
  });
  const ask = () => void registration.update().catch(() => undefined);
  setInterval(ask, LOOK_AGAIN);
  addEventListener('online', ask);
}

/** Goes over to the newer Up Fit once every edit is on the disk. */
export async function takeNewBuild(): Promise<void> {
  await keepWaiting();
  goingOver = true;
  kept?.waiting?.postMessage({ type: 'SKIP_WAITING' });
  setTimeout(
    () => {
      sessionStorage.setItem(GOING_OVER, 'yes');
      location.reload();
    },
    kept?.waiting ? PATIENCE : 0,
  );
}
