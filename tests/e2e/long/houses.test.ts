import { writeFileSync } from 'node:fs';
import { strFromU8, unzipSync } from 'fflate';
import { By, Key } from 'selenium-webdriver';
import type { Blank, HouseSpec } from '@/core/blank/schema';
import type { Fit } from '@/core/fit/schema';
import type { DocketPage } from '@/core/pack/docket-page';
import type { Manifest } from '@/core/pack/manifest';
import type { StoredPack } from '@/core/pack/record';
import { keepsOut } from '../../support/axe';
import { downloaded, PATIENCE } from '../../support/bench';
import { BenchShop } from '../../support/bench-shop';
import { records } from '../../support/stored';

const shop = new BenchShop();
beforeAll(() => shop.open());
afterAll(() => shop.close());

const houses = () => records<HouseSpec>(shop.browser, 'specs');
const packs = () => records<StoredPack>(shop.browser, 'packs');
const become = (what: () => Promise<boolean>, otherwise: string) =>
  shop.browser.wait(what, PATIENCE, otherwise);

async function clean(): Promise<void> {
  expect(await keepsOut(shop.browser)).toEqual([]);
}

/** Types over an entry of the house's form. */
async function entry(name: string, text: string): Promise<void> {
  const field = await shop.browser.wait(
    async () =>
      (await shop.browser.findElements(By.xpath(`//form//label[starts-with(., "${name}")]/..//input`)))[0],
    PATIENCE,
    `no entry ${name}`,
  );
  await field!.sendKeys(Key.chord(Key.CONTROL, 'a'), text);
}

const tick = (word: string) =>
  shop.bench.click(By.xpath(`//form//label[normalize-space()="${word}"]`), `nothing to tick says ${word}`);

const measured = () => shop.bench.says('[aria-label=Docket] [role=status]', /exact/);

const noteIt = () =>
  shop.bench.click(By.xpath('//*[@role="dialog"]//button[.="Note it"]'), 'nothing to note it by');

/** Packs what is ticked, whatever its docket says. */
async function packTicked(): Promise<void> {
  await shop.bench.find('[role=checkbox][aria-checked=true]');
  for (const why of await shop.browser.findElements(By.css('input[aria-label^="Why "]')))
    await why.sendKeys('a proof');
  await shop.bench.press('Make the pack');
}

/** Packs a fit whatever its docket says, and sends it. */
async function sendFit(fitId: string): Promise<void> {
  await shop.browser.get(`${shop.address}/packs?fit=${fitId}`);
  await packTicked();
  await shop.bench.press('Send to a house');
  await shop.bench.named('How many of');
  await shop.bench.press('Send the order');
}

describe('a house that is written', () => {
  test('from its name to all it asks; what cannot be is said at its entry and not kept', async () => {
    await shop.browser.get(`${shop.address}/blanks/houses`);
    await shop.bench.press('New house');
    await shop.bench.press('Make it');
    await shop.bench.says('[role=alert]', /Type a name/);
    await shop.bench.keys('Fogbell Print');
    await shop.bench.press('Make it');
    await shop.bench.find('form[aria-label="Fogbell Print"]');
    await tick('PNG');
    await shop.bench.says('form [role=alert]', /at least one kind of file/);
    await tick('TIFF');
    await tick('RGB');
    await tick('CMYK');
    await entry('largest file', '40 MB');
    await entry('rich black', '50/40/40/195');
    await shop.bench.says('form [role=alert]', /in percent/);
    await entry('rich black', '50/40/40/95');
    await shop.bench.choose('mirrored by', 'the printer’s driver');
    await entry('press, heat', '188 C');
    await entry('press, time', '70 s');
    await entry('order numbers', 'FP-####');
    await shop.bench.choose('desk', 'takes packs sent from here');
    await shop.bench.says('figure', /188 °C \(370 °F\) · 70 s/);
    await clean();
    await shop.bench.press('Save as version 2');
    await become(async () => (await houses()).some(({ version }) => version === 2), 'not kept');
    const [fogbell] = await houses();
    expect(fogbell).toMatchObject({
      files: { formats: { value: ['tiff'], source: { kind: 'house' } }, modes: { value: ['cmyk'] } },
      mirroring: 'driver',
      press: { celsius: 188, seconds: 70 },
    });
  });

  test('an answer typed in closes its question, with the day', async () => {
    await shop.bench.says('[aria-label="About this record"]', /To ask · \d+ questions/);
    const open = (await shop.browser.findElements(By.css('[aria-label^="Stated: "]'))).length;
    await (await shop.bench.named('Stated: bleed')).click();
    await become(
      async () => (await shop.browser.findElements(By.css('[aria-label^="Stated: "]'))).length === open - 1,
      'the question stays',
    );
    const [fogbell] = await houses();
    expect(fogbell!.bleed.source).toMatchObject({ kind: 'house', date: expect.stringMatching(/^\d{4}-/) });
  });

  test('the mug it prints becomes a CMYK TIFF, mirrored by the driver; its desk takes it under its own number', async () => {
    await shop.browser.get(`${shop.address}/blanks?blank=mug-325`);
    await shop.bench.choose('House that prints it', 'Fogbell Print');
    await shop.openFit('mug-325');
    await shop.bench.add(shop.motif, 'gull');
    await shop.bench.saved();
    await shop.bench.says('[data-taken]', /Ask Fogbell Print whether they print this/);
    await measured();
    await shop.bench.verdict('file-spec', 'look');
    await sendFit('mug-325');
    await shop.bench.says('[data-order=arrived]', /Arrived at Fogbell Print: FP-\d{4}/);
    const [pack] = await packs();
    const [fit] = pack!.manifest.fits;
    expect(fit).toMatchObject({ mirroring: 'driver', spec: { house: 'Fogbell Print' } });
    expect(fit!.prints).toMatchObject([{ format: 'tiff', mode: 'cmyk', mirrored: false }]);
    await shop.bench.press('Save the zip');
    const { bytes } = await downloaded(shop.browser, shop.downloads, '.zip');
    const files = unzipSync(bytes);
    const path = Object.keys(files).find((one) => one.endsWith('docket.json'))!;
    const docket = JSON.parse(strFromU8(files[path]!)) as DocketPage;
    expect(docket.press.slice(0, 2)).toEqual(['188 °C (370 °F)', '70 s']);
    expect(docket.mirroring).toBe('driver');
  });

  test('sent again only after asking, by that name', async () => {
    await shop.bench.press('Order it again');
    await shop.bench.says('[role=dialog]', /It arrived at Fogbell Print as FP-\d{4}.*a second order/s);
    await shop.bench.press('Leave');
    expect((await packs())[0]!.orders).toHaveLength(1);
  });

  test('goes out as JSON, and comes in from it; what is no house is told', async () => {
    await shop.browser.get(`${shop.address}/blanks/houses?house=fogbell-print`);
    await shop.bench.press('Save to a file');
    const { name, bytes } = await downloaded(shop.browser, shop.downloads, '.json');
    expect(name).toBe('fogbell-print.house.json');
    const file = shop.file('house.json');
    writeFileSync(file, bytes);
    const input = await shop.browser.findElement(By.css('[aria-label="House or method file"]'));
    await input.sendKeys(file);
    await become(async () => (await houses()).length === 2, 'not taken in');
    writeFileSync(file, '{"upfit":"spec/1"}');
    await input.sendKeys(file);
    await shop.bench.says('[data-sonner-toaster]', /no house and no method/);
    expect(await houses()).toHaveLength(2);
  });
});

describe('what a label must carry', () => {
  test('a list to begin with; a line that is taken off again is a Fix by its name', async () => {
    await shop.measureFlat('Tin label', '150 mm', '60 mm');
    await shop.bench.press('Must carry');
    await shop.bench.press('Add it to the list');
    await shop.bench.says('[aria-label="Blank"] [role=alert]', /Type what it must carry/);
    await shop.bench.press('Tin, jar or bottle');
    await become(
      async () =>
        (await records<{ blank: Blank }>(shop.browser, 'blanks')).some(
          ({ blank }) => blank.contents?.length === 6,
        ),
      'the list is not kept',
    );
    await shop.bench.press('Start a design on it');
    await shop.bench.keys('Lamp salve', Key.ENTER);
    await shop.bench.says('h1', /Lamp salve\s+on\s+Tin label/);
    await shop.bench.ready();
    await shop.bench.keys('i');
    await shop.bench.words([
      'Made by Gullwick Light · Net 40 g',
      'Ingredients: wax, oil · Use daily',
      'Address: 1 Lamp Road',
      'Tel. 01632 960 001',
    ]);
    await shop.bench.saved();
    await shop.bench.verdict('contents', 'ready');
    await shop.bench.keys('e');
    const phone = await shop.bench.named('Line 4', 'input');
    await phone.sendKeys(Key.chord(Key.CONTROL, 'a'), 'Keep it cool', Key.chord(Key.CONTROL, Key.ENTER));
    await shop.bench.saved();
    await shop.bench.verdict('contents', 'fix');
    await shop.bench.says('[aria-label=Docket]', /No phone/);
  });
});

describe('an order in colours and sizes', () => {
  test('twelve numbers typed on the bench: one pack, one order, twelve lines everywhere, files not doubled', async () => {
    await shop.openFit('shirt');
    await shop.bench.add(shop.motif, 'gull');
    await shop.bench.saved();
    await shop.bench.press('Order…');
    const fields = await shop.browser.findElements(By.css('[aria-label^="How many of"]'));
    const names = await Promise.all(fields.map((field) => field.getAttribute('aria-label')));
    const wanted = ['White', 'Oat', 'Fog', 'Rust'].flatMap((colour) =>
      ['S', 'M', 'L'].map((size) => `${colour}, ${size}`),
    );
    for (const [i, one] of wanted.entries())
      await fields[names.findIndex((name) => name!.endsWith(one))]!.sendKeys(String(i + 1));
    await shop.bench.keys(Key.ESCAPE);
    await shop.bench.saved();
    await measured();
    await become(
      async () =>
        (await records<Fit>(shop.browser, 'fits')).find(({ id }) => id === 'shirt')?.copies?.length === 12,
      'twelve lines are not kept',
    );
    await sendFit('shirt');
    await shop.bench.says('[data-order=arrived]', /Arrived at Dunmere Garment Print.*12 × Rust, L/s);
    const pack = (await packs()).find(({ manifest }) => manifest.fits[0]!.fitId === 'shirt')!;
    const [fit] = pack.manifest.fits;
    expect(fit!.lines).toHaveLength(12);
    expect(fit!.prints.map(({ sizes }) => sizes)).toEqual([['S'], ['M'], ['L']]);
    const [order] = pack.orders;
    expect(order!.order.lines).toHaveLength(12);
    expect(order!.answer!.lines).toHaveLength(12);
    expect(order!.order.lines.reduce((sum, { quantity }) => sum + quantity, 0)).toBe(78);
    await shop.bench.press('Save the zip');
    const { bytes } = await downloaded(shop.browser, shop.downloads, 'shirt.zip');
    const files = unzipSync(bytes);
    const docket = JSON.parse(
      strFromU8(files[Object.keys(files).find((one) => one.endsWith('docket.json'))!]!),
    ) as DocketPage;
    const manifest = JSON.parse(strFromU8(files['manifest.json']!)) as Manifest;
    expect([docket.ordered.length, manifest.fits[0]!.lines!.length]).toEqual([12, 12]);
    expect(Object.keys(files).filter((path) => path.endsWith('.png'))).toHaveLength(3);
  });
});

describe('a house without a desk', () => {
  test('is noted by hand: sent to whom and when, then refused in its words', async () => {
    await shop.browser.get(`${shop.address}/blanks?blank=mug-325`);
    await shop.bench.choose('House that prints it', 'Corrie Transfer Co.');
    await shop.openFit('mug-325');
    await measured();
    await shop.browser.get(`${shop.address}/packs?fit=mug-325`);
    await packTicked();
    await shop.bench.press('Note it as sent');
    await noteIt();
    await shop.bench.says('[role=dialog] [role=alert]', /to whom/);
    const whom = await shop.bench.find('[role=dialog] input:not([type=date])');
    await whom.sendKeys('Ms Ferro');
    await noteIt();
    await shop.bench.says('[data-order=sent]', /Sent to Ms Ferro, Corrie Transfer Co\./);
    await shop.bench.press('Refused…');
    await shop.bench.keys('The wrap is too long.', Key.ENTER);
    await shop.bench.says('[data-order=refused]', /Refused by Corrie Transfer Co\..*The wrap is too long\./s);
    await clean();
  });
});
