import type { WebDriver } from 'selenium-webdriver';
import type { Facts } from '@/core/artwork/facts';
import { resolveAmong } from '@/core/blank/library';
import { BLANKS, SHIPPED } from '@/core/blank/library';
import type { PrintFace } from '@/core/blank/resolve';
import { factsFor, opaqueBox, type Box } from '@/core/fit/geometry';
import { isPlaced, type Fit, type Piece } from '@/core/fit/schema';

/** Reads every record of a table of the page's own store. */
export function records<T>(browser: WebDriver, table: string): Promise<T[]> {
  return browser.executeAsyncScript<T[]>(
    `const done = arguments[arguments.length - 1];
     const open = indexedDB.open('up-fit');
     open.onsuccess = () => {
       const all = open.result.transaction('${table}').objectStore('${table}').getAll();
       all.onsuccess = () => { open.result.close(); done(JSON.parse(JSON.stringify(all.result))); };
     };`,
  );
}

/** Puts a record into a table of the page's own store, as if it had been there. */
export function putRecord(browser: WebDriver, table: string, record: unknown): Promise<void> {
  return browser.executeAsyncScript(
    `const done = arguments[arguments.length - 1];
     const open = indexedDB.open('up-fit');
     open.onsuccess = () => {
       const change = open.result.transaction('${table}', 'readwrite');
       change.objectStore('${table}').put(arguments[0]);
       change.oncomplete = () => { open.result.close(); done(); };
     };`,
    record,
  );
}

/** The open fit as it is stored: what its pieces measure and where they lie, worked out anew from the record. */
export class StoredFit {
  constructor(
    private readonly browser: WebDriver,
    readonly id: string,
  ) {}

  async read(): Promise<Fit> {
    const fit = (await records<Fit>(this.browser, 'fits')).find(({ id }) => id === this.id);
    if (!fit) throw new Error(`no fit ${this.id} is stored`);
    return fit;
  }

  async pieces(faceId?: string): Promise<Piece[]> {
    const { faces } = await this.read();
    return (faceId ? faces.find((face) => face.faceId === faceId) : faces[0])?.pieces ?? [];
  }

  /** Boxes of the pieces that have a place, in their order. */
  async boxes(faceId?: string): Promise<Box[]> {
    const facts = new Map(
      (await records<{ id: string; facts: Facts }>(this.browser, 'artworks')).map((one) => [
        one.id,
        one.facts,
      ]),
    );
    return (await this.pieces(faceId)).filter(isPlaced).map((piece) =>
      opaqueBox(
        piece,
        factsFor(piece, (id) => facts.get(id)!),
      ),
    );
  }

  async face(faceId?: string): Promise<PrintFace> {
    const { blankId } = await this.read();
    const blank = BLANKS.find(({ id }) => id === blankId)!;
    const { faces } = resolveAmong(SHIPPED, blank, null);
    return faces.find(({ id }) => id === faceId) ?? faces[0]!;
  }
}
