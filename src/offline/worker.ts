/// <reference lib="webworker" />
import { NetworkFirst, Serwist, type PrecacheEntry } from 'serwist';
import { isOfAnother, keptPage, type Routes } from './pages';

declare const self: ServiceWorkerGlobalScope & {
  /** Every file the build serves, with what tells its versions apart; put in when this is bundled. */
  BUILT_FILES: PrecacheEntry[];
  ROUTES: Routes;
  BUILD: string;
};

/** Seconds until a server that does not answer counts as gone. */
const PATIENCE = 4;

/**
 * Keeps what one build is made of, so that the application starts, checks and makes files with its server gone. It takes
 * over no open page: a newer one waits until the seller asks for it or the last window is closed.
 */
const kept = new Serwist({
  precacheEntries: self.BUILT_FILES,
  precacheOptions: {
    cleanupOutdatedCaches: true,
    cleanURLs: false,
    // What differs by its query is another thing: a page's data is asked for so.
    ignoreURLParametersMatching: [],
    concurrency: 4,
    plugins: [{ handlerWillRespond: ({ request, response }) => underItsAddress(request, response) }],
  },
  skipWaiting: false,
  disableDevLogs: true,
});

const desks = new NetworkFirst({ cacheName: 'up-fit-desks', networkTimeoutSeconds: PATIENCE });
kept.registerCapture(({ url, sameOrigin }) => sameOrigin && url.pathname === '/api/desk', desks);
self.addEventListener('install', (event) => {
  const request = new Request('/api/desk');
  event.waitUntil(desks.handle({ event, request }).catch(() => undefined));
});

kept.registerCapture(
  ({ request, url, sameOrigin }) =>
    sameOrigin && request.mode === 'navigate' && keptPage(self.ROUTES, url.pathname) !== null,
  async ({ request, url }) => {
    const served = fetch(request);
    const page = await kept.matchPrecache(keptPage(self.ROUTES, url.pathname) ?? '');
    if (!page) return served;
    const given = await Promise.race([served.catch(() => null), afterPatience()]);
    // A page of another build would ask for files that this one does not have.
    return given?.ok && !isOfAnother(given.headers, self.BUILD) ? given : page;
  },
);
kept.addEventListeners();

/**
 * A worker takes its address from the answer, and finds what it is to load behind the `#` of it; a kept answer has lost
 * that, and one made here has the address that was asked for. It is read whole first: one that is passed on while it is
 * read may never end, and holds up the next build.
 */
async function underItsAddress({ destination }: Request, response: Response): Promise<Response> {
  return destination === 'worker' ? new Response(await response.blob(), response) : response;
}

function afterPatience(): Promise<null> {
  return new Promise((answer) => {
    setTimeout(() => {
      answer(null);
    }, PATIENCE * 1000);
  });
}
