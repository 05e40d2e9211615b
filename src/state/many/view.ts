import * as v from 'valibot';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import type { Design } from '@/core/fit/schema';
import { ViewSchema, WHOLE, type SeenDesign, type SeenFit, type View } from '@/core/many/view';
import { currentSummary } from '../bench/dockets';
import { blankOf } from '../shop/library';
import { changeSettings } from '../shop/records';
import { contextOf, type Shop } from '../shop/shop';
import { withNamed, without } from './named';
import { inThisWindow } from './window';

/** What of the range is shown in this window. */
export const useView = create<View>()(
  persist(() => WHOLE, {
    name: 'up-fit view',
    storage: inThisWindow(),
    merge: (kept, now) => {
      const read = v.safeParse(ViewSchema, kept);
      return read.success ? read.output : now;
    },
  }),
);

/** Changes what is shown. */
export function look(change: Partial<View>): void {
  useView.setState(change);
}

/** Keeps a view under a name; gives back what undoes it. Rejects with a sentence where it has no name. */
export function keepView(name: string, view: View): Promise<() => Promise<void>> {
  return changeSettings(({ views }) => ({ views: withNamed(views, { name, ...view }) }));
}

/** Takes a kept view out; gives back what undoes that. */
export function forgetView(name: string): Promise<() => Promise<void>> {
  return changeSettings(({ views }) => ({ views: without(views, name) }));
}

/** Every design in the shop's order with its fits on some blanks, as a view asks for them. */
export function seenDesigns(shop: Shop, blankIds: ReadonlySet<string>): SeenDesign[] {
  const fits = new Map<string, SeenFit[]>();
  for (const fit of shop.fits.values()) {
    // One whose version of the blank is lost stands against its design all the same.
    const blank = blankIds.has(fit.blankId)
      ? (blankOf(fit, shop) ?? shop.blanks.get(fit.blankId))
      : undefined;
    if (!blank) continue;
    const summary = currentSummary(fit, shop);
    const seen = { fit, blank, verdict: contextOf(fit, shop) ? summary?.verdict : 'fix', summary } as const;
    const own = fits.get(fit.designId);
    if (own) own.push(seen);
    else fits.set(fit.designId, [seen]);
  }
  return [...shop.designs.values()]
    .sort(byOrder)
    .map((design) => ({ design, fits: fits.get(design.id) ?? NONE }));
}

const NONE: readonly SeenFit[] = [];
const byOrder = (a: Design, b: Design) => a.order - b.order;
