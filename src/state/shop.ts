import { create } from 'zustand';
import type { ResolvedBlank } from '@/core/blank/resolve';
import { shippedBlanks } from '@/core/blank/library';
import type { Design, Fit } from '@/core/fit/schema';
import { put, putSettings, readAll, remove } from '@/store/database';
import { FIRST_SETTINGS, type Artwork, type Settings, type StoredDocket } from '@/store/schema';

/** Everything the seller has, as the screens share it. Every change is written through to the store. */
export interface Shop {
  /** `opening` until the store has been read. */
  phase: 'opening' | 'open' | 'closed';
  /** Why the shop could not be opened, in one sentence. */
  trouble: string | null;
  blanks: ReadonlyMap<string, ResolvedBlank>;
  artworks: ReadonlyMap<string, Artwork>;
  designs: ReadonlyMap<string, Design>;
  fits: ReadonlyMap<string, Fit>;
  dockets: ReadonlyMap<string, StoredDocket>;
  settings: Settings;
}

export const useShop = create<Shop>(() => ({
  phase: 'opening',
  trouble: null,
  blanks: new Map(shippedBlanks().map((one) => [one.blank.id, one])),
  artworks: new Map(),
  designs: new Map(),
  fits: new Map(),
  dockets: new Map(),
  settings: FIRST_SETTINGS,
}));

const byId = <T extends { id: string }>(records: T[]) =>
  new Map(records.map((record) => [record.id, record]));

/** Reads the store; tells how many records could not be read (they stay stored). */
export async function openShop(): Promise<number> {
  const { artworks, designs, fits, dockets, settings, unread } = await readAll();
  useShop.setState({
    phase: 'open',
    artworks: byId(artworks),
    designs: byId(designs),
    fits: byId(fits),
    dockets: new Map(dockets.map((docket) => [docket.fitId, docket])),
    settings,
  });
  return unread.length;
}

function withRecord<T>(map: ReadonlyMap<string, T>, key: string, record: T): Map<string, T> {
  return new Map(map).set(key, record);
}

function without<T>(map: ReadonlyMap<string, T>, key: string): Map<string, T> {
  const next = new Map(map);
  next.delete(key);
  return next;
}

export async function saveDesign(design: Design): Promise<void> {
  useShop.setState(({ designs }) => ({ designs: withRecord(designs, design.id, design) }));
  await put('designs', design);
}

export async function saveFit(fit: Fit): Promise<void> {
  useShop.setState(({ fits }) => ({ fits: withRecord(fits, fit.id, fit) }));
  await put('fits', fit);
}

export async function removeFit(fitId: string): Promise<void> {
  useShop.setState(({ fits, dockets }) => ({ fits: without(fits, fitId), dockets: without(dockets, fitId) }));
  await Promise.all([remove('fits', fitId), remove('dockets', fitId)]);
}

/** Takes a design off the range with its fits; gives back what undoes it. */
export async function removeDesign(designId: string): Promise<() => Promise<void>> {
  const { designs, fits } = useShop.getState();
  const design = designs.get(designId);
  const own = [...fits.values()].filter((fit) => fit.designId === designId);
  useShop.setState({ designs: without(designs, designId) });
  await remove('designs', designId);
  for (const fit of own) await removeFit(fit.id);
  return async () => {
    if (design) await saveDesign(design);
    for (const fit of own) await saveFit(fit);
  };
}

export async function saveDocket(docket: StoredDocket): Promise<void> {
  useShop.setState(({ dockets }) => ({ dockets: withRecord(dockets, docket.fitId, docket) }));
  await put('dockets', docket);
}

export function addArtwork(artwork: Artwork): void {
  useShop.setState(({ artworks }) => ({ artworks: withRecord(artworks, artwork.id, artwork) }));
}

export async function changeSettings(change: Partial<Settings>): Promise<void> {
  const settings = { ...useShop.getState().settings, ...change };
  useShop.setState({ settings });
  await putSettings(settings);
}

/** The blank, design and artworks that a fit refers to; `null` where one is gone. */
export function contextOf(
  fit: Fit,
  { blanks, designs, artworks }: Shop,
): { blank: ResolvedBlank; design: Design; artworks: Artwork[] } | null {
  const blank = blanks.get(fit.blankId);
  const design = designs.get(fit.designId);
  if (!blank || !design) return null;
  const shown = artworkIdsOf(fit).map((id) => artworks.get(id));
  return shown.every((artwork) => artwork !== undefined) ? { blank, design, artworks: shown } : null;
}

/** Ids of the artworks that a fit shows, each once. */
export function artworkIdsOf(fit: Fit): string[] {
  const pieces = fit.faces.flatMap((face) => face.pieces);
  return [...new Set(pieces.flatMap((piece) => (piece.kind === 'artwork' ? [piece.artworkId] : [])))];
}
