/** Routes of pages, as the build lists them: `/blanks`, or `/bench/[fitId]` for every address of its kind. */
export type Routes = readonly string[];

const NAMED = /\[\w+\]/g;

/** The routes that have a page, of what the build's list says of each of its entries. */
export function pageRoutes(entries: Readonly<Record<string, string>>): string[] {
  // Its own pages, for what is not found or went wrong, begin with a line.
  return Object.entries(entries).flatMap(([entry, route]) =>
    entry.endsWith('/page') && !route.startsWith('/_') ? [route] : [],
  );
}

/** Where a route's page is kept for when the server is gone: under an address that is asked for by nobody else. */
export function asKept(route: string): string {
  return `${route.replace(NAMED, 'any')}?kept`;
}

/** The kept page that stands for an address; null for one that is none of ours. */
export function keptPage(routes: Routes, pathname: string): string | null {
  const route = routes.find((one) => new RegExp(`^${one.replace(NAMED, '[^/]+')}$`).test(pathname));
  return route === undefined ? null : asKept(route);
}

/** The header in which the server says which build it serves. */
const BUILD_HEADER = 'x-up-fit-build';

/** Whether an answer is another build's. One that names none is no Up Fit's: something else is served here now. */
export function isOfAnother(headers: Headers, build: string): boolean {
  const said = headers.get(BUILD_HEADER);
  return said !== null && said !== build;
}
