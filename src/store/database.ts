import { openDB, type DBSchema, type IDBPDatabase, type IDBPTransaction, type StoreNames } from 'idb';
import * as v from 'valibot';
import type { HouseSpec } from '@/core/blank/schema';
import { DesignSchema, FitSchema, type Design, type Fit } from '@/core/fit/schema';
import { StoredPackSchema, type StoredPack } from '@/core/pack/record';
import { SheetSchema, type Sheet } from '@/core/sheet/schema';
import {
  StoredBlankSchema,
  StoredSpecSchema,
  UnderlaySchema,
  type StoredBlank,
  type Underlay,
} from './blanks';
import {
  LayoutSchema,
  StoredFontSchema,
  StoredPhotoSchema,
  type Head,
  type Layout,
  StoredProfileSchema,
  type StoredFont,
  type StoredPhoto,
  type StoredProfile,
  type StoredStep,
} from './kept';
import {
  ArtworkSchema,
  FIRST_SETTINGS,
  SettingsSchema,
  StoredDocketSchema,
  SwatchSetSchema,
  type Artwork,
  type Settings,
  type StoredDocket,
  type SwatchSet,
} from './schema';

interface UpFitDatabase extends DBSchema {
  artworks: { key: string; value: Artwork };
  /** Files as they came in, byte for byte, by SHA-256. */
  originals: { key: string; value: Blob };
  designs: { key: string; value: Design };
  fits: { key: string; value: Fit };
  dockets: { key: string; value: StoredDocket };
  settings: { key: string; value: Settings };
  /** Versions of the seller's own blanks, by `id@version`. */
  blanks: { key: string; value: StoredBlank };
  specs: { key: string; value: HouseSpec };
  underlays: { key: string; value: Underlay };
  swatches: { key: string; value: SwatchSet };
  /** Faces of type that the seller brought. */
  faces: { key: string; value: StoredFont };
  /** Printing profiles that the seller brought. */
  profiles: { key: string; value: StoredProfile };
  sheets: { key: string; value: Sheet };
  packs: { key: string; value: StoredPack };
  /** Zips of packs, by the pack's id. */
  packZips: { key: string; value: Blob };
  /** What a new fit on a blank begins with. */
  layouts: { key: string; value: Layout };
  /** Photos of blanks with their print surfaces marked. */
  photos: { key: string; value: StoredPhoto };
  /** A fit after each of its edits, by fit and number. */
  steps: { key: [string, number]; value: StoredStep };
  /** Which of its steps a fit is at. */
  heads: { key: string; value: Head };
}

export type Table =
  | 'artworks'
  | 'designs'
  | 'fits'
  | 'dockets'
  | 'blanks'
  | 'specs'
  | 'underlays'
  | 'swatches'
  | 'faces'
  | 'layouts'
  | 'profiles'
  | 'packs'
  | 'photos'
  | 'sheets';

export const SETTINGS_KEY = 'settings';
/** Raised with a new step in `upgrade`, which carries stored records over and never drops one. */
const VERSION = 7;

let opened: Promise<IDBPDatabase<UpFitDatabase>> | undefined;

export function database(): Promise<IDBPDatabase<UpFitDatabase>> {
  opened ??= openDB<UpFitDatabase>('up-fit', VERSION, {
    upgrade(db, before) {
      if (before < 1) {
        db.createObjectStore('artworks', { keyPath: 'id' });
        db.createObjectStore('originals');
        db.createObjectStore('designs', { keyPath: 'id' });
        db.createObjectStore('fits', { keyPath: 'id' });
        db.createObjectStore('dockets', { keyPath: 'fitId' });
        db.createObjectStore('settings');
      }
      if (before < 2) {
        db.createObjectStore('blanks', { keyPath: 'key' });
        db.createObjectStore('specs', { keyPath: 'id' });
        db.createObjectStore('underlays', { keyPath: 'key' });
      }
      if (before < 3) db.createObjectStore('swatches', { keyPath: 'id' });
      if (before < 4) {
        db.createObjectStore('faces', { keyPath: 'id' });
        db.createObjectStore('layouts', { keyPath: 'blankId' });
        db.createObjectStore('steps', { keyPath: ['fitId', 'number'] });
        db.createObjectStore('heads', { keyPath: 'fitId' });
      }
      if (before < 5) db.createObjectStore('profiles', { keyPath: 'id' });
      if (before < 6) {
        db.createObjectStore('packs', { keyPath: 'id' });
        db.createObjectStore('packZips');
        db.createObjectStore('sheets', { keyPath: 'id' });
      }
      if (before < 7) db.createObjectStore('photos', { keyPath: 'id' });
    },
  });
  return opened;
}

/** All that the shop holds. Records that no longer read as their schema says stay stored and are named in `unread`. */
export interface Stored {
  artworks: Artwork[];
  designs: Design[];
  fits: Fit[];
  dockets: StoredDocket[];
  blanks: StoredBlank[];
  specs: HouseSpec[];
  underlays: Underlay[];
  swatches: SwatchSet[];
  faces: StoredFont[];
  layouts: Layout[];
  photos: StoredPhoto[];
  profiles: StoredProfile[];
  packs: StoredPack[];
  sheets: Sheet[];
  settings: Settings;
  unread: string[];
}

export async function readAll(): Promise<Stored> {
  const db = await database();
  const unread: string[] = [];
  const read = <S extends v.GenericSchema>(kind: string, schema: S, records: unknown[]): v.InferOutput<S>[] =>
    records.flatMap((record) => {
      const result = v.safeParse(schema, record);
      if (result.success) return [result.output];
      unread.push(kind);
      return [];
    });
  const settings = v.safeParse(SettingsSchema, await db.get('settings', SETTINGS_KEY));
  return {
    artworks: read('artwork', ArtworkSchema, await db.getAll('artworks')),
    designs: read('design', DesignSchema, await db.getAll('designs')),
    fits: read('fit', FitSchema, await db.getAll('fits')),
    // A docket is measured again where it does not read: it is no loss.
    dockets: read('docket', StoredDocketSchema, await db.getAll('dockets')),
    blanks: read('blank', StoredBlankSchema, await db.getAll('blanks')),
    specs: read('spec', StoredSpecSchema, await db.getAll('specs')),
    underlays: read('template', UnderlaySchema, await db.getAll('underlays')),
    swatches: read('swatch set', SwatchSetSchema, await db.getAll('swatches')),
    faces: read('font', StoredFontSchema, await db.getAll('faces')),
    profiles: read('printing profile', StoredProfileSchema, await db.getAll('profiles')),
    sheets: read('sheet', SheetSchema, await db.getAll('sheets')),
    packs: read('pack', StoredPackSchema, await db.getAll('packs')),
    layouts: read('starting layout', LayoutSchema, await db.getAll('layouts')),
    photos: read('photo', StoredPhotoSchema, await db.getAll('photos')),
    settings: settings.success ? settings.output : FIRST_SETTINGS,
    unread: unread.filter((kind) => kind !== 'docket'),
  };
}

/** A fit as it is kept now, whoever wrote it last; undefined where it is gone or no longer reads as one. */
export async function readFit(fitId: string): Promise<Fit | undefined> {
  const fit = v.safeParse(FitSchema, await (await database()).get('fits', fitId));
  return fit.success ? fit.output : undefined;
}

type Stores = ArrayLike<StoreNames<UpFitDatabase>> & Iterable<StoreNames<UpFitDatabase>>;
type Change<S extends Stores> = IDBPTransaction<UpFitDatabase, S, 'readwrite'>;

/**
 * Makes several writes together; where one is refused, even before it is tried, none of them stays. An answer once the
 * system has it: a crash of the page or the browser loses nothing, and it comes at once.
 */
export async function together<const S extends Stores>(
  stores: S,
  write: (change: Change<S>, also: (request: Promise<unknown>) => void) => void,
): Promise<void> {
  const change = (await database()).transaction(stores, 'readwrite', { durability: 'strict' });
  // Each is refused with the whole; what is told is what refused the whole.
  const requests: Promise<unknown>[] = [];
  const also = (request: Promise<unknown>) => {
    request.catch(() => undefined);
    requests.push(request);
  };
  also(change.done);
  try {
    write(change, also);
    await Promise.all(requests);
  } catch (error) {
    // Refused because it has ended already where the disk itself refused.
    if (change.error === null) change.abort();
    throw error;
  }
}

/** Keeps an artwork's record and its file together, or neither. */
export function putArtwork(artwork: Artwork, original: Blob): Promise<void> {
  return together(['artworks', 'originals'], (change, also) => {
    also(change.objectStore('originals').put(original, artwork.facts.sha256));
    also(change.objectStore('artworks').put(artwork));
  });
}

/** Keeps a pack's record and its zip together, or neither. */
export function putPack(pack: StoredPack, zip: Blob): Promise<void> {
  return together(['packs', 'packZips'], (change, also) => {
    also(change.objectStore('packZips').put(zip, pack.id));
    also(change.objectStore('packs').put(pack));
  });
}

export async function readPackZip(packId: string): Promise<Blob> {
  const zip = await (await database()).get('packZips', packId);
  if (!zip) throw new Error('The pack’s zip is no longer in this browser: make the pack again.');
  return zip;
}

export function removePack(packId: string): Promise<void> {
  return together(['packs', 'packZips'], (change, also) => {
    also(change.objectStore('packZips').delete(packId));
    also(change.objectStore('packs').delete(packId));
  });
}

/** The file as it came in, by its hash; throws where it is gone. */
export async function readOriginal(sha256: string): Promise<Blob> {
  const blob = await (await database()).get('originals', sha256);
  if (!blob) throw new Error('The artwork’s file is no longer in this browser: bring it in again.');
  return blob;
}

/** Takes a file out once no artwork is made from it any more. */
export async function removeOriginal(sha256: string): Promise<void> {
  await (await database()).delete('originals', sha256);
}

/** Writes through to the disk before it answers: an edit is kept once it is made. */
export function put<T extends Table>(table: T, record: UpFitDatabase[T]['value']): Promise<void> {
  return together([table], (change, also) => {
    also(change.objectStore(table).put(record));
  });
}

export async function remove(table: Table, key: string): Promise<void> {
  await (await database()).delete(table, key);
}

export async function putSettings(settings: Settings): Promise<void> {
  await (await database()).put('settings', settings, SETTINGS_KEY);
}
