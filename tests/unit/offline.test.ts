import { asKept, isOfAnother, keptPage, pageRoutes } from '@/offline/pages';

const ENTRIES = {
  '/_not-found/page': '/_not-found',
  '/api/desk/route': '/api/desk',
  '/bench/[fitId]/page': '/bench/[fitId]',
  '/blanks/houses/page': '/blanks/houses',
  '/blanks/page': '/blanks',
  '/icon.svg/route': '/icon.svg',
  '/page': '/',
};

test('every page of a build is kept for when the server is gone, and nothing else', () => {
  const routes = pageRoutes(ENTRIES);
  expect(routes).toEqual(['/bench/[fitId]', '/blanks/houses', '/blanks', '/']);
  for (const route of routes)
    expect(keptPage(routes, route.replace('[fitId]', '4eb3c71f'))).toBe(asKept(route));
  expect(new Set(routes.map(asKept)).size).toBe(routes.length);
  for (const other of [
    '/api/desk',
    '/bench',
    '/bench/a/b',
    '/blanks/',
    '/icon.svg',
    '/_not-found',
    '/offline.js',
  ])
    expect(keptPage(routes, other)).toBeNull();
});

test('an answer of another build is told from this one’s, and from what is no Up Fit', () => {
  const said = (build: string) => isOfAnother(new Headers({ 'X-Up-Fit-Build': build }), 'one');
  expect([said('one'), said('two'), said('')]).toEqual([false, true, true]);
  expect(isOfAnother(new Headers(), 'one')).toBe(false);
});
