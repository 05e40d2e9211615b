import { PDFArray, PDFDict, PDFName, PDFRef, type PDFDocument } from '@cantoo/pdf-lib';
import { UpFitError } from '@/core/errors';

/** Pages that are looked at, of a file that is one design. */
const MOST_PAGES = 2_000;
/** How deep a page tree goes: a balanced one of millions of pages is shallower. */
const MOST_DEPTH = 64;

/**
 * Counts a document's pages without walking them: a tree of two kilobytes whose branches are used twice at every level
 * has more pages than can be walked. Throws where they are too many, or the tree leads round in a circle.
 */
export function requirePages(document: PDFDocument, name: string): void {
  const known = new Map<string, number>();
  const count = (ref: unknown, depth: number): number => {
    if (depth > MOST_DEPTH) throw new Error('the page tree leads round in a circle');
    const key = ref instanceof PDFRef ? ref.toString() : null;
    const before = key === null ? undefined : known.get(key);
    if (before !== undefined) return before;
    const node = ref instanceof PDFRef ? document.context.lookup(ref) : ref;
    const kids = node instanceof PDFDict ? node.lookup(PDFName.of('Kids')) : undefined;
    const pages =
      kids instanceof PDFArray
        ? kids.asArray().reduce((sum, kid) => Math.min(MOST_PAGES + 1, sum + count(kid, depth + 1)), 0)
        : 1;
    if (key !== null) known.set(key, pages);
    return pages;
  };
  if (count(document.catalog.get(PDFName.of('Pages')), 0) > MOST_PAGES)
    throw new UpFitError(
      'too-large',
      `“${name}” has more than ${MOST_PAGES.toLocaleString('en')} pages: save the one that is to be printed by itself.`,
    );
}
