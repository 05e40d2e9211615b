import { create } from 'zustand';
import { BLANKS, isResolvable, SPECS } from '@/core/blank/library';
import type { ResolvedBlank } from '@/core/blank/resolve';
import type { Blank, HouseSpec } from '@/core/blank/schema';
import { artworkIdOf, type Design, type Fit } from '@/core/fit/schema';
import { blankOf, library } from './library';
import { put, putSettings, readAll, remove } from '@/store/database';
import { versionKey, type Underlay } from '@/store/blanks';
import { removeHistory } from '@/store/history';
import type { StoredPack } from '@/core/pack/record';
import type { Sheet } from '@/core/sheet/schema';
import type { Layout, StoredPhoto, StoredFont, StoredProfile } from '@/store/kept';
import {
  FIRST_SETTINGS,
  type Artwork,
  type Settings,
  type StoredDocket,
  type SwatchSet,
} from '@/store/schema';

/** Everything the seller has, as the screens share it. Every change is written through to the store. */
export interface Shop {
  /** `opening` until the store has been read. */
  phase: 'opening' | 'open' | 'closed';
  /** Why the shop could not be opened, in one sentence. */
  trouble: string | null;
  /** The library: the newest version of each blank, in the house chosen for it. */
  blanks: ReadonlyMap<string, ResolvedBlank>;
  /** Every version of every blank, by `id@version`. */
  versions: ReadonlyMap<string, Blank>;
  specs: ReadonlyMap<string, HouseSpec>;
  /** Templates that lie under faces, by `blank/face`. */
  underlays: ReadonlyMap<string, Underlay>;
  artworks: ReadonlyMap<string, Artwork>;
  designs: ReadonlyMap<string, Design>;
  fits: ReadonlyMap<string, Fit>;
  dockets: ReadonlyMap<string, StoredDocket>;
  swatches: ReadonlyMap<string, SwatchSet>;
  settings: Settings;
  /** Faces of type that the seller brought. */
  faces: ReadonlyMap<string, StoredFont>;
  /** Printing profiles that the seller brought. */
  profiles: ReadonlyMap<string, StoredProfile>;
  packs: ReadonlyMap<string, StoredPack>;
  sheets: ReadonlyMap<string, Sheet>;
  /** What new fits begin with, by blank. */
  layouts: ReadonlyMap<string, Layout>;
  /** Photos of blanks with their print surfaces marked. */
  photos: ReadonlyMap<string, StoredPhoto>;
  /** The fit on the bench, which is measured there. */
  onBench: string | null;
}

function shippedVersions(): Map<string, Blank> {
  return new Map(BLANKS.map((blank) => [versionKey(blank), blank]));
}

function shippedSpecs(): Map<string, HouseSpec> {
  return new Map(SPECS.map((spec) => [spec.id, spec]));
}

export const useShop = create<Shop>(() => ({
  phase: 'opening',
  trouble: null,
  ...library(shippedVersions(), shippedSpecs(), FIRST_SETTINGS),
  underlays: new Map(),
  artworks: new Map(),
  designs: new Map(),
  fits: new Map(),
  dockets: new Map(),
  swatches: new Map(),
  settings: FIRST_SETTINGS,
  faces: new Map(),
  profiles: new Map(),
  layouts: new Map(),
  photos: new Map(),
  packs: new Map(),
  sheets: new Map(),
  onBench: null,
}));

const byId = <T extends { id: string }>(records: T[]) =>
  new Map(records.map((record) => [record.id, record]));

/** Reads the store; tells how many records could not be read (they stay stored). */
export async function openShop(): Promise<number> {
  const stored = await readAll();
  const { artworks, designs, fits, dockets, blanks, specs, underlays, settings, unread } = stored;
  const houses = shippedSpecs();
  for (const spec of specs) houses.set(spec.id, spec);
  const versions = shippedVersions();
  // One that names what is not here is set aside: it stays stored, and the shop opens without it.
  const whole = blanks.filter(({ blank }) => isResolvable(houses.values(), blank));
  for (const { key, blank } of whole) versions.set(key, blank);
  useShop.setState({
    phase: 'open',
    artworks: byId(artworks),
    designs: byId(designs),
    fits: byId(fits),
    dockets: new Map(dockets.map((docket) => [docket.fitId, docket])),
    swatches: byId(stored.swatches),
    faces: byId(stored.faces),
    profiles: byId(stored.profiles),
    packs: byId(stored.packs),
    sheets: byId(stored.sheets),
    photos: byId(stored.photos),
    layouts: new Map(stored.layouts.map((layout) => [layout.blankId, layout])),
    ...library(versions, houses, settings),
    underlays: new Map(underlays.map((underlay) => [underlay.key, underlay])),
    settings,
  });
  return unread.length + blanks.length - whole.length;
}

export function withRecord<T>(map: ReadonlyMap<string, T>, key: string, record: T): Map<string, T> {
  return new Map(map).set(key, record);
}

export function without<T>(map: ReadonlyMap<string, T>, key: string): Map<string, T> {
  const next = new Map(map);
  next.delete(key);
  return next;
}

export async function saveDesign(design: Design): Promise<void> {
  useShop.setState(({ designs }) => ({ designs: withRecord(designs, design.id, design) }));
  await put('designs', design);
}

/** Shows a fit everywhere as it is now; who calls this keeps it too. */
export function showFit(fit: Fit): void {
  useShop.setState(({ fits }) => ({ fits: withRecord(fits, fit.id, fit) }));
}

export async function saveFit(fit: Fit): Promise<void> {
  showFit(fit);
  await put('fits', fit);
}

export async function removeFit(fitId: string): Promise<void> {
  useShop.setState(({ fits, dockets }) => ({ fits: without(fits, fitId), dockets: without(dockets, fitId) }));
  await Promise.all([remove('fits', fitId), remove('dockets', fitId), removeHistory(fitId)]);
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

export async function changeSettings(change: Partial<Settings>): Promise<void> {
  const { versions, specs, settings: before } = useShop.getState();
  const settings = { ...before, ...change };
  const regroups = change.removedBlanks !== undefined || change.houses !== undefined;
  useShop.setState({ settings, ...(regroups && library(versions, specs, settings)) });
  await putSettings(settings);
}

/** The blank, design and artworks that a fit refers to; `null` where one is gone. */
export function contextOf(
  fit: Fit,
  shop: Shop,
): { blank: ResolvedBlank; design: Design; artworks: Artwork[] } | null {
  const { designs, artworks } = shop;
  const blank = blankOf(fit, shop);
  const design = designs.get(fit.designId);
  if (!blank || !design) return null;
  const shown = artworkIdsOf(fit).map((id) => artworks.get(id));
  return shown.every((artwork) => artwork !== undefined) ? { blank, design, artworks: shown } : null;
}

/** Ids of the artworks that a fit shows, each once. */
export function artworkIdsOf(fit: Pick<Fit, 'faces'>): string[] {
  const pieces = fit.faces.flatMap((face) => face.pieces);
  return [...new Set(pieces.map(artworkIdOf))].filter((id) => id !== null);
}
