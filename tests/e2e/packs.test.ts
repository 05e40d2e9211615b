import { execFileSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { writeFileSync } from 'node:fs';
import { strFromU8, unzipSync } from 'fflate';
import * as v from 'valibot';
import { DocketPageSchema } from '@/core/pack/docket-page';
import { ManifestSchema, type Manifest } from '@/core/pack/manifest';
import type { StoredPack } from '@/core/pack/record';
import type { StoredDocket } from '@/store/schema';
import { keepsOut } from '../support/axe';
import { downloaded } from '../support/bench';
import { BenchShop } from '../support/bench-shop';
import { longTest } from '../support/long';
import { records } from '../support/stored';

const shop = new BenchShop();
beforeAll(() => shop.open());
afterAll(() => shop.close());

const hash = (bytes: Uint8Array) => createHash('sha256').update(bytes).digest('hex');
const HARL = '/api/desk/harl-kiln-works';
let files: Record<string, Uint8Array>;
let manifest: Manifest;

async function mood(name: string, times: number | null = null): Promise<void> {
  const body = JSON.stringify({ mood: name, times });
  const headers = { 'Content-Type': 'application/json' };
  expect((await fetch(`${shop.address}/api/desk/mood`, { method: 'POST', headers, body })).status).toBe(200);
}

async function held(): Promise<{ number: string; sha256: string }[]> {
  const all = (await (await fetch(`${shop.address}${HARL}/orders`)).json()) as {
    number: string;
    sha256: string;
  }[];
  // Other suites order at the same desk.
  const own = new Set((await packs()).map(({ sha256 }) => sha256));
  return all.filter(({ sha256 }) => own.has(sha256));
}

const tick = (words: string) => shop.bench.named(words, '[role=checkbox]').then((box) => box.click());
const packs = () => records<StoredPack>(shop.browser, 'packs');

describe('a pack', () => {
  test('is begun from the bench; with a Fix in it, only with a reason', async () => {
    await shop.openFit('mug-325');
    await shop.bench.add(shop.motif, 'gull');
    await shop.bench.fillSafe();
    await shop.bench.verdict('resolution', 'fix');
    await shop.bench.press('Fit…');
    await shop.bench.press('hand it over in a pack');
    await shop.bench.says('main, body', /Say why the one with something to fix/);
    const make = await shop.bench.named('Why gull on Mug 325 ml', 'input');
    await make.sendKeys('a proof for the counter');
    await shop.bench.press('Make the pack');
    await shop.bench.find('[aria-label=Pack]');
    const [pack] = await packs();
    expect(pack!.manifest.fits).toMatchObject([{ verdict: 'fix', reason: 'a proof for the counter' }]);
  });

  test('holds print file, docket and palette, each with the checksum its list gives', async () => {
    await shop.bench.press('Save the zip');
    const { name, bytes } = await downloaded(shop.browser, shop.downloads, '.zip');
    expect(name).toBe('gull-on-mug-325-ml.zip');
    files = unzipSync(bytes);
    manifest = v.parse(ManifestSchema, JSON.parse(strFromU8(files['manifest.json']!)));
    expect(Object.keys(files).sort()).toEqual(
      [...manifest.files.map(({ path }) => path), 'manifest.json'].sort(),
    );
    for (const { path, bytes: size, sha256 } of manifest.files) {
      expect(files[path]).toHaveLength(size);
      expect(hash(files[path]!)).toBe(sha256);
    }
    expect(manifest.files.map(({ path }) => path.split('/').at(-1))).toEqual([
      'gull_mug-325-ml_wrap_222x92mm.png',
      'docket.pdf',
      'picture.jpg',
      'docket.json',
      'palette.gpl',
      'palette.csv',
    ]);
  });

  test('its docket says what the bench says, as data and as a page of outlines', async () => {
    const [folder] = manifest.fits[0]!.prints[0]!.path.split('/');
    const sheet = v.parse(DocketPageSchema, JSON.parse(strFromU8(files[`${folder}/docket.json`]!)));
    const docket = (await records<StoredDocket>(shop.browser, 'dockets')).find(
      ({ fitId }) => fitId === 'mug-325',
    )!;
    expect(
      sheet.lines.map(({ rule, verdict, measured, required }) => [rule, verdict, measured, required]),
    ).toEqual(
      docket.findings.map(({ rule, verdict, shown }) => [rule, verdict, shown.measured, shown.required]),
    );
    expect(sheet.reason).toBe('a proof for the counter');
    const path = shop.file('docket.pdf');
    writeFileSync(path, files[`${folder}/docket.pdf`]!);
    execFileSync('qpdf', ['--check', path]);
    expect(execFileSync('pdfinfo', [path], { encoding: 'utf8' })).toMatch(/Pages:\s+1\n/);
    expect(execFileSync('pdffonts', [path], { encoding: 'utf8' }).trim().split('\n')).toHaveLength(2);
  });
});

describe('an order', () => {
  test('from the range to a confirmed number, the connection dropped twice on the way: one order, the same bytes', async () => {
    await shop.browser.get(shop.address);
    await shop.bench.press('Packs');
    await shop.bench.press('Send to a house');
    const count = await shop.bench.named('How many of gull on Mug 325 ml', 'input');
    await count.clear();
    await count.sendKeys('24');
    await mood('drops', 2);
    await shop.bench.press('Send the order');
    await shop.bench.says('[data-order=arrived]', /Arrived at Harl Kiln Works: HK-\d{6}/);
    const [pack] = await packs();
    const orders = await held();
    expect(orders).toHaveLength(1);
    expect(orders[0]!.sha256).toBe(pack!.sha256);
    expect(pack!.orders).toMatchObject([
      { state: 'arrived', order: { lines: [{ quantity: 24 }] }, answer: { number: orders[0]!.number } },
    ]);
  });

  longTest('whose desk is away waits, over a reload too, goes by itself and stays one', async () => {
    await mood('fails');
    await shop.bench.press('Order it again');
    await shop.bench.named('How many of gull');
    await shop.bench.press('Send a second order');
    await shop.bench.says('[data-order=waiting]', /waits for Harl Kiln Works.*goes by itself/is);
    await shop.browser.navigate().refresh();
    await shop.bench.find('[data-order=waiting]');
    await shop.bench.press('Do not wait');
    await shop.bench.says('[data-order=broken]', /what arrived stays there/is);
    await shop.bench.press('Go on');
    await shop.bench.find('[data-order=waiting]');
    await mood('well');
    await shop.browser.executeScript('dispatchEvent(new Event("online"))');
    await shop.browser.wait(
      async () => (await packs())[0]!.orders.every(({ state }) => state === 'arrived'),
      60_000,
    );
    expect(await held()).toHaveLength(2);
  });

  test('that is refused says so in the desk’s words', async () => {
    const before = await held();
    await mood('refuses');
    await shop.bench.press('Order it again');
    await shop.bench.named('How many of gull');
    await shop.bench.press('Send a second order');
    await shop.bench.says('[data-order=refused]', /takes no orders today/);
    await mood('well');
    expect(await held()).toHaveLength(before.length);
  });

  test('nothing in the place keeps a person out (WCAG 2.2 AA)', async () => {
    expect(await keepsOut(shop.browser)).toEqual([]);
    await shop.bench.press('New pack');
    await tick('gull on Mug 325 ml');
    expect(await keepsOut(shop.browser)).toEqual([]);
  });

  test('what can go in is searched, put in order, and listed by what is ticked', async () => {
    const list = 'table[aria-rowcount]';
    await shop.bench.press('ticked');
    await shop.bench.says(list, /gull/);
    await tick('gull on Mug 325 ml');
    await shop.bench.says('main', /Nothing is ticked yet/);
    await shop.bench.press('List all');
    await shop.bench.says(list, /gull/);
    await (await shop.bench.named('Fits of the pack', 'input')).sendKeys('no such thing');
    await shop.bench.says('main', /Nothing here is so/);
    await shop.bench.press('List all');
    await shop.bench.press('design');
    expect(await (await shop.bench.find(`${list} th[aria-sort]`)).getAttribute('aria-sort')).toBe(
      'ascending',
    );
  });

  test('a pack that is taken out comes back by undo', async () => {
    await shop.bench.press('Leave');
    await shop.bench.press('Take out');
    await shop.browser.wait(async () => (await packs()).length === 0, 60_000);
    await shop.bench.undo('is taken out');
    await shop.browser.wait(async () => (await packs()).length === 1, 60_000);
  });
});
