import { writeFileSync } from 'node:fs';
import { TextWriter, Uint8ArrayReader, ZipReader, type FileEntry } from '@zip.js/zip.js';
import { By, Key, until } from 'selenium-webdriver';
import type { List } from '@/core/rows/schema';
import type { Fit } from '@/core/fit/schema';
import type { Sheet } from '@/core/sheet/schema';
import { keepsOut } from '../../support/axe';
import { downloaded } from '../../support/bench';
import { BenchShop } from '../../support/bench-shop';
import { records } from '../../support/stored';

/** A list fills the slots of a fit: pasted, matched, mended where it stands, made, kept. */
const shop = new BenchShop();
beforeAll(async () => {
  await shop.open();
  await shop.openFit('tumbler-470');
  await shop.bench.keys('i');
  await shop.bench.words(['Name of them']);
});
afterAll(() => shop.close());

const KEEPERS = [
  'Ada',
  'Bosun Grey',
  'Cormac',
  'Dunstan',
  'Elspeth',
  'Finn',
  '',
  'Gudrun',
  'Hoshi 鯨',
  'Ines',
  'Wilhelmina-Josephine of the Outer Skerry Light',
  'Jorn',
];

const list = async () => (await records<List>(shop.browser, 'lists'))[0];
const says = (words: RegExp) => shop.bench.says('[aria-label="How the rows stand"]', words);
const cell = (row: number) => shop.bench.named(`keeper of row ${row}`, 'input');

test('a text becomes a slot with a name, and a list of rows begins there', async () => {
  await shop.bench.press('Slot…');
  await shop.bench.press('Make it a slot');
  const name = await shop.bench.named('Name of the slot', 'input');
  await name.sendKeys(Key.chord(Key.CONTROL, 'a'), 'keeper', Key.ENTER);
  await shop.browser.wait(async () => JSON.stringify(await shop.fit.read()).includes('"name":"keeper"'));
  await shop.bench.press('Rows…');
  await shop.bench.says('h1', /Rows of gull on Tumbler/);
  await shop.bench.says('main, body', /Paste a table here/);
  expect(await keepsOut(shop.browser)).toEqual([]);
});

test('rows that do not read as a table say why and lose nothing; pasted with a column of another name, they are matched', async () => {
  const field = await shop.bench.find('textarea');
  await field.sendKeys('keeper;year\n"Ada;1901');
  await shop.bench.press('Take these rows');
  await shop.bench.says('[role=alert]', /a quote is opened and never closed/);
  expect(await field.getAttribute('value')).toMatch(/Ada/);
  await field.sendKeys(
    Key.chord(Key.CONTROL, 'a'),
    `who;year\n${KEEPERS.map((one, i) => `${one};${one && 1900 + i}`).join('\n')}`,
  );
  await shop.bench.press('Take these rows');
  await shop.bench.says('[aria-label=List]', /No column fills “keeper”: choose one\./);
  await shop.bench.choose('keeper', 'who');
  await says(/12 rows/);
  await says(/2 cannot be made/);
  expect(await list()).toMatchObject({ columns: ['who', 'year'], matches: { keeper: 'who' } });
});

test('every row is measured; the empty one and the one with a letter that the font lacks are named by row', async () => {
  await shop.browser.wait(
    async () => !/not measured yet/.test(await (await shop.bench.find('[aria-label=Rows]')).getText()),
    60_000,
  );
  const rows = await shop.browser.findElements(By.css('[aria-label=Rows] [role=row]'));
  const texts = await Promise.all(rows.map((row) => row.getText()));
  expect(texts.find((text) => text.startsWith('7'))).toMatch(/who: It is empty\./);
  expect(texts.find((text) => text.startsWith('9'))).toMatch(/“鯨” \(U\+9BE8\)/);
  expect(texts.find((text) => text.startsWith('11'))).toMatch(/smaller, to fit its slot/);
  expect(await keepsOut(shop.browser)).toEqual([]);
});

test('a row is mended where it stands, and its undo and a reload keep what there is', async () => {
  await (await cell(9)).sendKeys(Key.chord(Key.CONTROL, 'a'), 'Hoshi', Key.ENTER);
  await says(/1 cannot be made/);
  await shop.bench.reload();
  await says(/1 cannot be made/);
  expect(await (await cell(9)).getAttribute('value')).toBe('Hoshi');
});

test('eleven prints are made and named by the pattern, with a table of what became of every row', async () => {
  const pattern = await shop.bench.named('Pattern of the files', 'input');
  await pattern.sendKeys(Key.chord(Key.CONTROL, 'a'), '{row}-{who}-{year}', Key.ENTER);
  const fix = await shop.browser.findElements(By.xpath('//label[contains(., "make what is Fix")]'));
  await fix[0]?.click();
  await shop.bench.press('Make 11 prints');
  await shop.bench.says('[data-sonner-toast]', /11 prints are made\. Left out: row 7\./);
  const { bytes } = await downloaded(shop.browser, shop.downloads, '.zip');
  const entries = (await new ZipReader(new Uint8ArrayReader(bytes)).getEntries()) as FileEntry[];
  const names = entries.map(({ filename }) => filename);
  expect(names.filter((name) => name.endsWith('.png'))).toHaveLength(11);
  expect(names).toContain('1-Ada-1900.png');
  expect(names.filter((name) => name.startsWith('7-'))).toEqual([]);
  const csv = entries.find(({ filename }) => filename === 'rows.csv')!;
  const text = await csv.getData(new TextWriter());
  expect(text).toMatch(/row,who,year,verdict,file/);
  expect(text).toMatch(/7,,,,,who: It is empty\./);
});

test('kept as versions they are fits of their own, in one act that is taken back as one', async () => {
  const before = (await records<Fit>(shop.browser, 'fits')).length;
  await shop.bench.press('Keep as versions');
  await shop.bench.press('on the range');
  await shop.bench.says('[data-sonner-toast]', /11 rows are versions on the range/);
  const fits = await records<Fit>(shop.browser, 'fits');
  expect(fits).toHaveLength(before + 11);
  const hoshi = fits.find(({ version }) => version?.name === '9-Hoshi-1908')!;
  expect(JSON.stringify(hoshi)).not.toContain('slot');
  expect(JSON.stringify(hoshi)).toContain('Hoshi');
  await shop.bench.undo('11 rows are versions');
  await shop.browser.wait(async () => (await records<Fit>(shop.browser, 'fits')).length === before);
});

test('they go onto a sheet, and into a pack, in the order of the rows', async () => {
  const here = await shop.browser.getCurrentUrl();
  await shop.bench.press('Keep as versions');
  await shop.bench.press('and lay them on a new sheet');
  await shop.browser.wait(until.urlContains('/sheets?sheet='), 30_000);
  const names = new Map(
    (await records<Fit>(shop.browser, 'fits')).map(({ id, version }) => [id, version?.name ?? '']),
  );
  const [sheet] = (await records<Sheet>(shop.browser, 'sheets')).filter(({ items }) => items.length === 11);
  const order = sheet!.items.map(({ fitId }) => Number.parseInt(names.get(fitId)!, 10));
  expect(order).toEqual([1, 2, 3, 4, 5, 6, 8, 9, 10, 11, 12]);
  await shop.browser.get(here);
  await shop.bench.says('body', /Make 11 prints/);
  await shop.bench.press('Keep as versions');
  await shop.bench.press('and put them in a pack');
  await shop.browser.wait(until.urlContains('/packs?fits=handed'), 30_000);
  await shop.bench.says('main', /9-Hoshi-1908/);
  await shop.browser.get(here);
});

test('a CSV from a file takes the place of the list, and an undo brings it back', async () => {
  const path = shop.file('names.csv');
  writeFileSync(path, Buffer.from('\ufeffkeeper\tyear\r\nSól\t1\r\nÅse\t2\r\n', 'utf16le'));
  await shop.bench.press('Take another table');
  await (await shop.browser.findElement(By.css('input[aria-label="Choose a list"]'))).sendKeys(path);
  await says(/2 rows/);
  expect((await list())!.rows).toEqual([
    ['Sól', '1'],
    ['Åse', '2'],
  ]);
  await shop.bench.undo('2 rows are taken');
  await says(/12 rows/);
});
