import { readdirSync } from 'node:fs';
import { isOfAnother, KEPT_PAGES, keptPage } from '@/offline/pages';

/** Every address that has a page, as the folders of the routes say. */
function routes(folder = 'src/app', at = ''): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    if (entry.isDirectory() && entry.name !== 'api')
      return routes(`${folder}/${entry.name}`, `${at}/${entry.name}`);
    return entry.name === 'page.tsx' ? [at === '' ? '/' : at] : [];
  });
}

test('every page there is is kept for when the server is gone, and nothing else', () => {
  const pages = routes().map((route) => keptPage(route.replace('[fitId]', '4eb3c71f')));
  expect(pages).not.toContain(null);
  expect([...pages].sort()).toEqual([...KEPT_PAGES].sort());
  for (const other of ['/api/desk', '/bench', '/bench/a/b', '/packs/', '/_next/static/a.js', '/offline.js'])
    expect(keptPage(other)).toBeNull();
});

test('an answer of another build is told from this one’s, and from what is no Up Fit', () => {
  const said = (build: string) => isOfAnother(new Headers({ 'X-Up-Fit-Build': build }), 'one');
  expect([said('one'), said('two'), said('')]).toEqual([false, true, true]);
  expect(isOfAnother(new Headers(), 'one')).toBe(false);
});
