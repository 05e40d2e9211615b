import type { Fit } from '@/core/fit/schema';
import { nextVersionName } from '@/core/fit/version';
import type { Offer } from '@/core/many/offers';
import { FIRST_SETTINGS } from '@/store/schema';
import { commit, type Kept } from './commit';

/** A fit anew on another blank, as it was laid out there, with that blank's column on the range: one act. */
export function fitOnOffer(fit: Fit, { blank: { blank }, faces }: Offer): Promise<Kept<void>> {
  return commit(['fits', 'settings'], async (store) => {
    const { designId } = fit;
    const there = (await store.all('fits')).filter(
      (one) => one.designId === designId && one.blankId === blank.id,
    );
    store.put('fits', {
      upfit: 'fit/1',
      id: crypto.randomUUID(),
      designId,
      blankId: blank.id,
      blankVersion: blank.version,
      colourId: blank.colours.find(({ id }) => id === fit.colourId)?.id ?? blank.colours[0]!.id,
      stateId: null,
      sizeId: null,
      // Beside one that is there already it is another version.
      ...(there.length > 0 && { version: { name: nextVersionName(there), colours: [] } }),
      faces,
    });
    const settings = (await store.get('settings', 'settings')) ?? FIRST_SETTINGS;
    const columns = [...new Set([...settings.columns, blank.id])];
    if (columns.length > settings.columns.length) store.put('settings', { ...settings, columns });
  });
}
