import { givenColours } from '@/core/fit/colours';
import type { ResolvedBlank } from '@/core/blank/resolve';
import type { Docket } from '@/core/check/docket';
import { swatchesOf, type Swatch } from '@/core/colour/swatches';
import type { Design, Fit } from '@/core/fit/schema';
import { fitTitle } from '@/core/fit/version';
import { docketPage, type DocketPage } from '@/core/pack/docket-page';
import type { Artwork } from '@/store/schema';
import { inksOf } from '../artwork/palette';
import { useShop } from '../shop/shop';
import { today } from '../today';

/** A docket as it goes out with a fit's files, or by itself. */
export function docketSheet(
  fit: Fit,
  { blank, design }: { blank: ResolvedBlank; design: Design },
  docket: Docket,
  swatches: readonly Swatch[],
  more: Pick<Parameters<typeof docketPage>[0], 'files' | 'ordered' | 'reason' | 'notes'>,
): DocketPage {
  const { settings, artworks } = useShop.getState();
  return docketPage({
    shop: settings.shopName,
    design: fitTitle(design, fit),
    blank,
    fit,
    docket,
    facts: (id) => artworks.get(id)!.facts,
    swatches,
    date: today(),
    ...more,
  });
}

/** The colours of a fit's artworks, each once, with the inks they take. */
export async function swatchesIn(fit: Fit, artworks: readonly Artwork[]): Promise<Swatch[]> {
  const fills = fit.faces.flatMap(({ pieces }) => pieces.flatMap(givenColours));
  const palette = [
    ...artworks.flatMap(({ facts }) => facts.palette),
    ...fills.map((hex) => ({ hex, share: 0 })),
  ];
  const once = palette.filter(({ hex }, i) => palette.findIndex((other) => other.hex === hex) === i);
  return swatchesOf(once, await inksOf(once.map(({ hex }) => hex)));
}
