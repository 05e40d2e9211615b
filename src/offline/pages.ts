/** The page that stands for every fit: it reads from its address which one it is. */
const ANY_FIT = '/bench/any';

const PAGES: readonly string[] = [
  '/',
  '/beside',
  '/blanks',
  '/blanks/houses',
  '/blanks/layouts',
  '/blanks/make',
  '/blanks/measure',
  '/blanks/prices',
  '/blanks/spec',
  '/blanks/template',
  '/earnings',
  '/inks',
  '/listing',
  '/artwork',
  '/artwork/stickers',
  '/rows',
  '/sheets',
  '/packs',
  '/pictures',
  '/pictures/photo',
  ANY_FIT,
];

/** Every page that is kept for when the server is gone, under an address that is asked for by nobody else. */
export const KEPT_PAGES: readonly string[] = PAGES.map(asKept);

/** The kept page that stands for an address; null for one that is none of ours. */
export function keptPage(pathname: string): string | null {
  if (/^\/bench\/[^/]+$/.test(pathname)) return asKept(ANY_FIT);
  return PAGES.includes(pathname) ? asKept(pathname) : null;
}

function asKept(page: string): string {
  return `${page}?kept`;
}

/** The header in which the server says which build it serves. */
const BUILD_HEADER = 'x-up-fit-build';

/** Whether an answer is another build's. One that names none is no Up Fit's: something else is served here now. */
export function isOfAnother(headers: Headers, build: string): boolean {
  const said = headers.get(BUILD_HEADER);
  return said !== null && said !== build;
}
