import type { RangeSpot } from '@/state/shop/dropped';
import { useShop } from '@/state/shop/shop';
import type { DropSpot } from '@/ui/DropTarget';

/** How a cell or a head says in the page what it stands for. */
export function spotMark({ designId, blankId }: RangeSpot): Record<string, string | undefined> {
  return { 'data-design': designId, 'data-blank': blankId };
}

const MARKED = '[data-design], [data-blank]';

/** What part of the range an element lies in. */
export function spotOf(element: Element | null): RangeSpot {
  const marked = element?.closest<HTMLElement>(MARKED);
  const { design, blank } = marked?.dataset ?? {};
  return {
    ...(design !== undefined && { designId: design }),
    ...(blank !== undefined && { blankId: blank }),
  };
}

/** The same; null outside of all of them. */
export function spotAt(element: Element): RangeSpot | null {
  return element.closest(MARKED) ? spotOf(element) : null;
}

/** The same as a place to drop files, in words. */
export function dropSpotOf(under: Element): DropSpot | null {
  const element = under.closest(MARKED);
  if (!element) return null;
  const { designs, blanks } = useShop.getState();
  const { designId = '', blankId = '' } = spotOf(element);
  const design = designs.get(designId)?.name;
  const blank = blanks.get(blankId)?.blank.name;
  const label =
    design && blank
      ? `Goes on ${blank}`
      : design
        ? `Joins “${design}”`
        : `Each becomes a design on ${blank ?? 'it'}`;
  return { element, label };
}
