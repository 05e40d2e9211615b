import { createHash } from 'node:crypto';
import { readFileSync, writeFileSync } from 'node:fs';
import { strFromU8, strToU8, unzipSync, zipSync, type Zippable } from 'fflate';
import { By } from 'selenium-webdriver';
import type { Design, Fit } from '@/core/fit/schema';
import { downloaded } from '../../support/bench';
import { BenchShop } from '../../support/bench-shop';
import { putRecord, records } from '../../support/stored';

const shop = new BenchShop();
beforeAll(() => shop.open());
afterAll(() => shop.close());

const TABLES = ['artworks', 'designs', 'fits', 'blanks', 'specs', 'faces', 'layouts'];
let archive: Buffer;
let path: string;

/** Everything that an archive holds, as it is stored, files by size. */
async function stored(): Promise<Record<string, unknown[]>> {
  const all = await Promise.all(
    TABLES.map(async (table) => [table, await records(shop.browser, table)] as const),
  );
  return Object.fromEntries(all);
}

async function openSheet(): Promise<void> {
  await (await shop.bench.named('Shop ', 'button')).click();
  await shop.bench.find('[role=dialog]');
}

async function offer(file: string): Promise<void> {
  const input = await shop.bench.find('input[aria-label="An archive to bring in"]');
  await shop.browser.executeScript('arguments[0].value = ""', input);
  await input.sendKeys(file);
}

/** A copy of the archive with something done to its files. */
function forged(
  name: string,
  change: (files: Zippable, index: { files: { path: string }[] }) => void,
): string {
  const files: Zippable = { ...unzipSync(archive) };
  const index = JSON.parse(strFromU8(files['upfit.json'] as Uint8Array)) as { files: { path: string }[] };
  change(files, index);
  const to = shop.file(name);
  writeFileSync(to, zipSync(files));
  return to;
}

describe('an archive', () => {
  test('holds every artwork byte for byte under its checksum, and the shop as data', async () => {
    await shop.openFit('mug-325');
    await shop.bench.add(shop.motif, 'gull');
    await shop.bench.add(shop.ground, 'sea');
    await shop.bench.saved();
    await openSheet();
    await shop.bench.press('Save an archive');
    const { name, bytes } = await downloaded(shop.browser, shop.downloads, '.zip');
    expect(name).toBe('my-shop-up-fit.zip');
    archive = bytes;
    path = shop.file('mine.zip');
    writeFileSync(path, bytes);
    const files = unzipSync(bytes);
    const index = JSON.parse(strFromU8(files['upfit.json']!)) as Record<string, unknown[]>;
    expect(index['upfit']).toBe('archive/1');
    for (const source of [shop.motif, shop.ground]) {
      const original = readFileSync(source);
      const sha256 = createHash('sha256').update(original).digest('hex');
      expect(Buffer.from(files[`artwork/${sha256}.png`]!).equals(original)).toBe(true);
    }
    expect(index['fits']).toEqual(await records(shop.browser, 'fits'));
  });

  test('brought in where all of it is, changes nothing; it says so before', async () => {
    const before = await stored();
    await offer(path);
    await shop.bench.says('[role=dialog]', /is whole.*All of it is here already/s);
    await shop.bench.press('Bring it in');
    await shop.bench.says('[data-sonner-toast]', /is brought in/);
    expect(await stored()).toEqual(before);
  });

  test('brings back what was changed and what is gone, and leaves the rest', async () => {
    const before = await stored();
    const [design] = before['designs'] as Design[];
    const fit = (before['fits'] as Fit[]).find(({ id }) => id === 'mug-325')!;
    await putRecord(shop.browser, 'fits', { ...fit, faces: [] });
    await putRecord(shop.browser, 'designs', { ...design, id: 'other', name: 'Another' });
    await shop.browser.executeAsyncScript(
      `const done = arguments[arguments.length - 1];
       indexedDB.open('up-fit').onsuccess = ({ target }) => {
         const change = target.result.transaction(['fits'], 'readwrite');
         change.objectStore('fits').delete('shirt');
         change.oncomplete = () => { target.result.close(); done(); };
       };`,
    );
    await shop.browser.get(shop.address);
    await openSheet();
    await offer(path);
    await shop.bench.says('[role=dialog]', /fits\s+1\s+1\s+\d/);
    await shop.bench.press('Bring it in');
    await shop.bench.says('[data-sonner-toast]', /is brought in/);
    const after = await stored();
    expect(after['fits']).toEqual(before['fits']);
    expect((after['designs'] as Design[]).map(({ id }) => id)).toContain('other');
    expect(after['artworks']).toEqual(before['artworks']);
    await openSheet();
    await offer(path);
    const merged = await stored();
    await shop.bench.press('Replace the whole shop with it…');
    await shop.bench.says('[role=dialog]', /takes out 2 artworks, \d+ designs, \d+ fits/);
    expect(await stored()).toEqual(merged);
    await shop.bench.press('Replace it');
    await shop.bench.says('[data-sonner-toast]', /The shop is what/);
    expect(await stored()).toEqual(before);
    await shop.bench.undo('The shop is what');
    await shop.browser.wait(
      async () => (await stored())['designs']!.length === merged['designs']!.length,
      10_000,
    );
    expect(await stored()).toEqual(merged);
    await openSheet();
    await offer(path);
    await shop.bench.press('Replace the whole shop with it…');
    await shop.bench.press('Replace it');
    await shop.browser.wait(
      async () => (await stored())['designs']!.length === before['designs']!.length,
      10_000,
    );
    expect(await stored()).toEqual(before);
  });

  test('in a new browser’s shop it gives the same shop', async () => {
    const before = await stored();
    await shop.browser.get(shop.address);
    await openSheet();
    await shop.browser.executeAsyncScript(
      `const done = arguments[arguments.length - 1];
       indexedDB.open('up-fit').onsuccess = ({ target }) => {
         const names = [...target.result.objectStoreNames];
         const change = target.result.transaction(names, 'readwrite');
         for (const name of names) change.objectStore(name).clear();
         change.oncomplete = () => { target.result.close(); done(); };
       };`,
    );
    await offer(path);
    await shop.bench.press('Bring it in');
    await shop.bench.says('[data-sonner-toast]', /is brought in/);
    expect(await stored()).toEqual(before);
    await shop.browser.get(`${shop.address}/bench/mug-325`);
    await shop.bench.ready();
    expect(await shop.browser.findElements(By.css('[data-piece]'))).toHaveLength(2);
  });
});

describe('an archive is refused in words, and nothing is changed, where', () => {
  let before: Record<string, unknown[]>;
  beforeAll(async () => {
    before = await stored();
    await openSheet();
  });
  const isArtwork = (path: string) => path.startsWith('artwork/');

  test.each<[what: string, file: () => string, said: RegExp]>([
    [
      'a file of it is another',
      () =>
        forged('changed.zip', (files) => {
          const one = Object.keys(files).find(isArtwork)!;
          files[one] = strToU8('other bytes');
        }),
      /damaged at artwork\//,
    ],
    [
      'a file is missing',
      () =>
        forged('missing.zip', (files) => {
          Reflect.deleteProperty(files, Object.keys(files).find(isArtwork)!);
        }),
      /lacks artwork\//,
    ],
    [
      'its list leaves a file out',
      () =>
        forged('unlisted.zip', (files, index) => {
          index.files = index.files.filter((one) => !isArtwork(one.path));
          files['upfit.json'] = strToU8(JSON.stringify(index));
        }),
      /lacks the file of/,
    ],
    [
      'a record is none',
      () =>
        forged('record.zip', (files, index) => {
          files['upfit.json'] = strToU8(JSON.stringify({ ...index, fits: [{ id: 'x' }] }));
        }),
      /In this fit, .* does not read/,
    ],
    [
      'a path climbs out',
      () =>
        forged('climbing.zip', (files) => {
          files['../up.txt'] = strToU8('x');
        }),
      /leads out of its folder/,
    ],
    [
      'it comes from a later version',
      () =>
        forged('later.zip', (files, index) => {
          files['upfit.json'] = strToU8(JSON.stringify({ ...index, upfit: 'archive/2' }));
        }),
      /no archive of this version/,
    ],
    ['it is no zip', () => shop.motif, /no zip, or cut short/],
  ])('%s', async (_, file, said) => {
    await offer(file());
    await shop.bench.says('[role=dialog] [role=alert]', said);
    expect(await stored()).toEqual(before);
  });
});

test('one design alone takes its fits and artworks, and no more', async () => {
  await shop.browser.get(shop.address);
  await openSheet();
  await shop.bench.choose('What goes into the archive', 'only');
  await shop.bench.press('Save an archive');
  const { bytes } = await downloaded(shop.browser, shop.downloads, 'gull-up-fit.zip');
  const index = JSON.parse(strFromU8(unzipSync(bytes)['upfit.json']!)) as Record<string, unknown[]>;
  expect(index['designs']).toHaveLength(1);
  expect(index['settings']).toBeNull();
  expect(index['fits']!.length).toBeGreaterThan(0);
});
