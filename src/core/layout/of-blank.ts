import type { Layout } from './schema';

/** The layouts that are kept, by their ids. */
interface KeptLayouts {
  layouts: ReadonlyMap<string, Layout>;
}

/** The starting layouts of a blank: the one that fits begin with first, then by name. */
export function layoutsOf(blankId: string, { layouts }: KeptLayouts): Layout[] {
  return [...layouts.values()]
    .filter((layout) => layout.blankId === blankId)
    .sort((a, b) => Number(b.usual) - Number(a.usual) || a.name.localeCompare(b.name));
}

/** The layout that a fit begins with where nobody chooses. */
export function usualLayout(blankId: string, kept: KeptLayouts): Layout | null {
  return layoutsOf(blankId, kept).find(({ usual }) => usual) ?? null;
}
