import { execFileSync } from 'node:child_process';
import { mkdirSync, readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { TextWriter, Uint8ArrayReader, Uint8ArrayWriter, ZipReader, type FileEntry } from '@zip.js/zip.js';
import { PNG } from 'pngjs';
import { By, Key } from 'selenium-webdriver';
import { planOf, type Fit } from '@/core/fit/schema';
import type { StoredPack } from '@/core/pack/record';
import { keepsOut } from '../../support/axe';
import { downloaded, newFolder, PATIENCE } from '../../support/bench';
import { BenchShop } from '../../support/bench-shop';
import { blankById } from '../../support/fits';
import { CLEAR, paint } from '../../support/pictures';
import { putRecord, records } from '../../support/stored';

/** A shirt in seven colours, printed with few screens: the inks are chosen, changed, and their plates made. */
const shop = new BenchShop();
const files = newFolder();
const COLOURS = ['#c0281e', '#1f4f9a', '#f2b705', '#2f7d3b', '#f4f1e8', '#7a3b8f', '#d9772b'] as const;

beforeAll(async () => {
  await shop.open();
  const [made] = await records<Fit>(shop.browser, 'fits');
  const blankId = 'shirt-screen';
  const night = blankById(blankId).blank.colours.find(({ name }) => name === 'Night')!.id;
  await putRecord(shop.browser, 'fits', { ...made, id: blankId, blankId, colourId: night, faces: [] });
  const levels = COLOURS.map((hex) => [1, 3, 5].map((i) => parseInt(hex.slice(i, i + 2), 16)));
  const { width, height, data } = paint(1400, 1000, (x, y) => {
    if (y < 40 || y > 960) return CLEAR;
    const [red, green, blue] = levels[Math.floor(x / 200)]!;
    return [red!, green!, blue!, 255];
  });
  const png = new PNG({ width, height });
  png.data = Buffer.from(data);
  writeFileSync(shop.file('seven.png'), PNG.sync.write(png));
});
afterAll(() => shop.close());

const plan = async () => {
  const fit = (await records<Fit>(shop.browser, 'fits')).find(({ id }) => id === 'shirt-screen')!;
  return planOf(fit, 'front');
};
const named = async () => (await plan())?.inks.map(({ hex }) => hex) ?? [];
const until = (held: () => Promise<boolean>, why: string) => shop.browser.wait(held, PATIENCE, why);
const strip = '[aria-label="Inks and press"]';

test('from a shirt with seven colours to plates in at most ten actions: five', async () => {
  const { bench, browser } = shop;
  await bench.open('shirt-screen');
  // One: the file is dropped.
  await bench.add(shop.file('seven.png'), 'seven');
  await bench.verdict('ink-count', 'fix');
  // Two: the way from what the docket finds. Three: how many inks.
  await bench.press('Part it into few inks');
  await bench.says('[aria-label="How many inks"]', /7 inks/);
  await bench.press('3 inks');
  await bench.says(strip, /4 screens of 4/);
  expect(await keepsOut(browser)).toEqual([]);
  // Four and five.
  await bench.press('Make the plates');
  await bench.press('Make them');
  const { bytes, name } = await downloaded(browser, shop.downloads, '.zip');
  expect(name).toMatch(/on-night-plates\.zip$/);
  const entries = (await new ZipReader(new Uint8ArrayReader(bytes)).getEntries()) as FileEntry[];
  const read = (path: string) => entries.find(({ filename }) => filename === path)!;
  const list = JSON.parse(await read('list.json').getData(new TextWriter())) as {
    pixels: { width: number; height: number };
    ppi: number;
    inks: { file: string; ink: string }[];
  };
  expect(list.inks).toHaveLength(4);
  expect(list.inks[0]!.ink).toBe('white base');
  mkdirSync(files, { recursive: true });
  for (const { file } of [...list.inks, { file: 'plates.pdf' }])
    writeFileSync(join(files, file), await read(file).getData(new Uint8ArrayWriter()));
  for (const { file } of list.inks) {
    const said = execFileSync('tiffinfo', [join(files, file)], {
      encoding: 'utf8',
      stdio: ['ignore', 'pipe', 'ignore'],
    });
    expect(said).toMatch(new RegExp(`Image Width: ${list.pixels.width} Image Length: ${list.pixels.height}`));
    expect(said).toMatch(/Resolution: 600, 600 pixels\/inch[^]*Bits\/Sample: 1/);
  }
  const pdf = join(files, 'plates.pdf');
  execFileSync('qpdf', ['--check', pdf]);
  // With room for the marks round what is printed.
  const boxes = execFileSync('pdfinfo', ['-box', pdf], { encoding: 'utf8' });
  const width = (box: string) => {
    const [left, , right] = new RegExp(`${box}:\\s+([\\d.]+)\\s+([\\d.]+)\\s+([\\d.]+)`)
      .exec(boxes)!
      .slice(1)
      .map(Number);
    return ((right! - left!) * 25.4) / 72;
  };
  expect(width('MediaBox') - width('BleedBox')).toBeCloseTo(28, 1);
  // Ghostscript finds a separation of each ink’s name in it.
  const parted = ['-sDEVICE=tiffsep', '-r20', `-sOutputFile=${join(files, 'sep.tif')}`, pdf];
  execFileSync('gs', ['-q', '-dNOPAUSE', '-dBATCH', ...parted]);
  for (const { ink } of list.inks) expect(readdirSync(files)).toContain(`sep(${ink}).tif`);
});

test('an ink is coloured, named, moved and merged; each is one undo', async () => {
  const { bench } = shop;
  const before = await named();
  await bench.menu(`${(await plan())!.inks[0]!.name}: what can be done`, 'print it later');
  await until(async () => (await named())[1] === before[0], 'it is not printed later');
  await bench.press('Undo');
  await until(async () => (await named())[0] === before[0], 'it is not where it was');
  const name = await bench.named('Name of ink 2', 'input');
  await name.sendKeys(Key.chord(Key.CONTROL, 'a'), 'House cream', Key.ENTER);
  await until(async () => (await plan())!.inks[0]!.name === 'House cream', 'it has no name of its own');
  const other = (await plan())!.inks[1]!.name;
  await bench.menu('House cream: what can be done', other);
  await bench.says(strip, /3 screens of 4/);
  expect((await plan())!.inks.find(({ name: own }) => own === other)!.from.length).toBeGreaterThan(1);
  await bench.press('Undo');
  await bench.says(strip, /4 screens of 4/);
});

test('a part takes another ink by keys, and gives it back', async () => {
  const { bench, browser } = shop;
  const last = (await plan())!.inks.at(-1)!;
  await bench.menu(`${last.name}: what can be done`, 'give it a part');
  const picture = await bench.named(`Plates: the part that is pointed at takes ${last.name}`, 'button');
  const area = async () => {
    const text = await (await bench.find(strip)).getText();
    return [...text.matchAll(/([\d.]+) cm²/g)].map(([, cm]) => Number(cm));
  };
  const before = await area();
  await picture.sendKeys(Key.ENTER);
  await until(async () => (await plan())!.regions.length === 1, 'no part was given');
  await until(async () => (await area()).join() !== before.join(), 'no plate has changed');
  await bench.press('Give back the part');
  await until(async () => (await area()).join() === before.join(), 'it was not given back');
  expect(await browser.findElements(By.css('[role=alert]'))).toEqual([]);
});

test('a base that is not choked and inks that are not trapped are told and mended; what does not go is refused in words', async () => {
  const { bench } = shop;
  const length = async (name: string, text: string) => {
    await (await bench.named(name, 'button')).click();
    await (await bench.named(name, 'input')).sendKeys(Key.chord(Key.CONTROL, 'a'), text, Key.ENTER);
  };
  await length('Base choked by', '-0.3 mm');
  await bench.says(strip, /From 0 to 5 mm/);
  await bench.keys(Key.ESCAPE);
  await length('Base choked by', '0 mm');
  await bench.says(strip, /The base ends where the inks do/);
  await bench.press('Choke the base by 0.3 mm');
  await until(async () => (await plan())!.choke === 0.3, 'it is not choked');
  await length('Light spread under dark by', '0 mm');
  await bench.press('Spread light inks 0.1 mm under dark ones');
  await until(async () => (await plan())!.trap === 0.1, 'there is no trap');
  await length('Slid apart by', '1 mm');
  await bench.says('main', /mm² of gaps show/);
});

test('on light cloth no base lies under the inks; the fit is seen in its inks on the bench, and keeps them over a reload', async () => {
  const { bench, browser } = shop;
  await bench.press('White');
  await bench.says(strip, /3 screens of 4/);
  expect(await (await bench.find(strip)).getText()).not.toMatch(/white base/);
  await bench.press('Show the fit in these inks');
  await bench.press('To the bench');
  await bench.ready();
  await bench.verdict('ink-count', 'ready');
  // Seven colours in three inks are far from what they were: a person says whether that will do.
  await bench.verdict('inks', 'look');
  await bench.reload();
  await bench.ready();
  const fit = (await records<Fit>(browser, 'fits')).find(({ id }) => id === 'shirt-screen')!;
  const [piece] = fit.faces.find(({ faceId }) => faceId === 'front')!.pieces;
  expect(piece).toMatchObject({ finish: [{ kind: 'inks' }] });
});

test('a pack of the fit holds its plates, an ink and a file each, and says what they are', async () => {
  const { bench, browser } = shop;
  await bench.press('Fit…');
  await bench.press('hand it over in a pack');
  await bench.says('main, body', /docket and palette, and its plates\./);
  await bench.press('Make the pack');
  await bench.find('[aria-label=Pack]');
  await bench.says('[aria-label=Pack]', /cm² of [^]*600 PPI[^]*3 separations, on White/);
  const [pack] = await records<StoredPack>(browser, 'packs');
  const [plates] = pack!.manifest.fits[0]!.plates!;
  expect(plates).toMatchObject({ faceId: 'front', colour: 'White', sizes: [], ppi: 600 });
  expect(plates!.inks).toHaveLength(3);
  const held = pack!.manifest.files.map(({ path }) => path);
  for (const path of [plates!.separations, ...plates!.inks.map((ink) => ink.path)])
    expect(held).toContain(path);
});

test('tones as dots have their screens, and those that beat are turned', async () => {
  const { bench, browser } = shop;
  await browser.get(`${shop.address}/inks?fit=shirt-screen`);
  await bench.says(strip, /3 screens/);
  await bench.press('Tones');
  await bench.choose('tones', 'as dots');
  await bench.says(strip, /angle/);
  const angles = async () => (await plan())!.inks.map(({ screen }) => screen?.angle);
  await until(async () => new Set(await angles()).size === 3, 'the screens have no angles of their own');
  const [first] = await angles();
  const { name } = (await plan())!.inks[1]!;
  const field = await bench.named(`Angle of ${name}`, 'input');
  await field.sendKeys(Key.chord(Key.CONTROL, 'a'), String(first! + 5), Key.ENTER);
  await bench.says(strip, /5° apart and will beat/);
  await bench.press(`Turn the screen of ${name}`);
  await until(
    async () => !(await (await bench.find(strip)).getText()).includes('will beat'),
    'they still beat',
  );
  expect(await keepsOut(browser)).toEqual([]);
});

test('a face with nothing on it says what to do first', async () => {
  const { bench, browser } = shop;
  await browser.get(`${shop.address}/inks?fit=shirt`);
  await bench.says('main', /Nothing lies on the front yet/);
  await browser.get(`${shop.address}/inks?fit=nobody`);
  await bench.says('main', /no longer here/);
});
