import { execFileSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { unzipSync } from 'fflate';
import { PNG } from 'pngjs';
import { By, until } from 'selenium-webdriver';
import type { StoredPack } from '@/core/pack/record';
import type { Cut } from '@/core/fit/cut';
import { shapeOf } from '@/core/cut/face';
import type { Fit } from '@/core/fit/schema';
import { keepsOut } from '../../support/axe';
import { downloaded, PATIENCE } from '../../support/bench';
import { BenchShop } from '../../support/bench-shop';
import { records, StoredFit } from '../../support/stored';
import { longTest } from '../../support/long';

const shop = new BenchShop();
/** Three discs on white, 240, 120 and 60 px across, at 300 PPI. */
const discs = shop.file('buoys.png');

beforeAll(async () => {
  await shop.open();
  const picture = new PNG({ width: 900, height: 500 });
  const lying = [
    [200, 250, 120],
    [520, 250, 60],
    [760, 250, 30],
  ] as const;
  for (let y = 0; y < 500; y++)
    for (let x = 0; x < 900; x++) {
      const on = lying.some(([cx, cy, r]) => Math.hypot(x + 0.5 - cx, y + 0.5 - cy) < r);
      picture.data.set(on ? [178, 58, 42, 255] : [255, 255, 255, 255], (y * 900 + x) * 4);
    }
  writeFileSync(discs, PNG.sync.write(picture, { colorType: 2 }));
});
afterAll(() => shop.close());

/** Chooses the picture in the list of artworks. */
async function choose(): Promise<void> {
  const row = By.xpath('//*[@role="option"][contains(., "buoys")]');
  await (await shop.browser.wait(until.elementLocated(row), PATIENCE, 'buoys did not come in')).click();
  await shop.bench.says('[aria-label=Facts]', /900 × 500/);
}

const set = (words: RegExp) => shop.bench.says('[aria-label="The set"]', words);
/** mm across of the first stickers, as cut. */
const widths = ({ faces }: Fit) =>
  faces.map(({ cut }) => {
    const xs = shapeOf(cut!.d)
      .outers.flat()
      .map(([x]) => x);
    return Math.max(...xs) - Math.min(...xs);
  });
const made = async () =>
  (await records<Fit>(shop.browser, 'fits')).find(({ blankId }) => blankId === 'sticker-die-cut')!;

test('from a dropped picture on white to die-cut files that were read back, in eight actions', async () => {
  await shop.browser.get(`${shop.address}/artwork`);
  await shop.bench.find('input[type=file]');
  let actions = 0;
  const act = async (go: () => Promise<unknown>) => {
    actions++;
    await go();
  };
  await act(() => shop.bench.drop(discs));
  await act(choose);
  await act(() => shop.bench.press('Cut stickers from it'));
  await set(/flat background: clear that first/);
  await act(() => shop.bench.press('Clear it'));
  await set(/3 shapes, 3 stickers[\s\S]*cut \d/);
  expect(await keepsOut(shop.browser)).toEqual([]);
  await act(() => shop.bench.press('Put 3 on the bench'));
  await shop.bench.ready();
  await act(() => shop.bench.press('other formats…'));
  await act(async () =>
    (await shop.bench.find('[role=dialog]'))
      .findElement(By.xpath('.//label[contains(., "every face")]'))
      .click(),
  );
  await act(() => shop.bench.press('Make 3 files'));
  await shop.bench.says('body', /3 print files, in one zip, read back as planned/);
  expect(actions).toBeLessThanOrEqual(8);

  const { bytes } = await downloaded(shop.browser, shop.downloads, '.zip');
  const files = Object.entries(unzipSync(bytes)).filter(([name]) => name.endsWith('.png'));
  expect(files).toHaveLength(3);
  const fit = await made();
  // The discs in proportion, each with its border of 3 mm all round.
  const artwork = widths(fit).map((width) => width - 6);
  expect(artwork[0]! / artwork[1]!).toBeCloseTo(2, 1);
  expect(artwork[0]! / artwork[2]!).toBeCloseTo(4, 0);
  files.forEach(([, file], i) => {
    const png = PNG.sync.read(Buffer.from(file));
    expect(png.width).toBe(Math.round(((widths(fit)[i]! + 4) / 25.4) * 300));
    expect(png.data[3]).toBe(0);
    const middle = ((png.height >> 1) * png.width + (png.width >> 1)) * 4;
    expect([...png.data.subarray(middle, middle + 4)]).toEqual([178, 58, 42, 255]);
  });
});

describe('on the bench', () => {
  let fit: StoredFit;
  const cutOf = async (): Promise<Cut> => (await fit.read()).faces[0]!.cut!;

  test('the line follows its settings and the artwork, and one undo takes both back', async () => {
    fit = new StoredFit(shop.browser, (await made()).id);
    const before = await cutOf();
    await shop.bench.value('Border', '1 mm');
    await shop.bench.saved();
    const after = await cutOf();
    expect(after.border).toBe(1);
    expect(widths(await fit.read())[0]).toBeCloseTo(widths({ faces: [{ cut: before }] } as Fit)[0]! - 4, 1);
    await shop.bench.pick(1);
    await shop.bench.dimension('height', '30 mm');
    await shop.bench.saved();
    expect(widths(await fit.read())[0]).toBeCloseTo(32, 1);
    await shop.bench.keysUndo();
    await shop.bench.saved();
    expect((await cutOf()).d).toBe(after.d);
    await shop.bench.keysUndo();
    await shop.bench.saved();
    expect(await cutOf()).toEqual(before);
    await shop.bench.redo(1);
    await shop.bench.saved();
    expect(await cutOf()).toEqual(after);
  });

  test('too narrow a border is found, its remedy widens it, and the check is run again', async () => {
    expect(await shop.bench.verdict('safe', 'look')).toMatch(/past the safe edge/);
    await shop.bench.press('Widen the border to');
    await shop.bench.verdict('safe', 'ready');
    expect(await shop.bench.verdict('cut-line', 'ready')).toMatch(/long/);
    expect((await cutOf()).border).toBeGreaterThanOrEqual(2);
    await shop.bench.keysUndo();
    await shop.bench.verdict('safe', 'look');
    await shop.bench.keysUndo();
    await shop.bench.verdict('safe', 'ready');
  });

  longTest('cut to a circle, with its colours run out, and back', async () => {
    await shop.bench.press('Cut to the artwork');
    await shop.bench.press('a rounded rectangle');
    await shop.bench.saved();
    expect((await cutOf()).shape).toBe('rounded');
    await shop.bench.press('white border');
    await shop.bench.press('edge colours run out');
    await shop.bench.saved();
    expect(await cutOf()).toMatchObject({ edge: 'spread', border: 0 });
    await shop.bench.verdict('bleed', 'ready');
    await shop.bench.keysUndo();
    await shop.bench.keysUndo();
    await shop.bench.saved();
    expect(await cutOf()).toMatchObject({ edge: 'white', shape: 'contour' });
  });

  test('the line alone comes as a drawing', async () => {
    await shop.bench.press('Line alone…');
    await shop.bench.press('SVG, this sticker');
    const { bytes } = await downloaded(shop.browser, shop.downloads, '.svg');
    expect(bytes.toString()).toContain('class="cut-line"');
  });

  longTest('the set is seen strewn on a surface, and read by a screen reader', async () => {
    await shop.bench.press('strewn');
    await shop.bench.press('kraft');
    await shop.bench.find('svg[role=img][aria-label$="on kraft"]');
    expect(await keepsOut(shop.browser)).toEqual([]);
  });
});

longTest(
  'one size typed sizes all, each to its own is said, shapes are joined, left out and taken back',
  async () => {
    await shop.browser.get(`${shop.address}/artwork`);
    await choose();
    await shop.bench.press('Cut stickers from it');
    await set(/3 stickers[\s\S]*cut \d/);
    await shop.bench.value('Width of sticker 1', '60 mm');
    await shop.bench.named('Width of sticker 2 30.0 mm');
    await shop.bench.named('Width of sticker 3 15.0 mm');
    await (
      await shop.bench.find('[aria-label="The set"]')
    )
      .findElement(By.xpath('.//label[contains(., "One scale")]'))
      .click();
    await shop.bench.value('Width of sticker 3', '20 mm');
    await shop.bench.named('Width of sticker 1 60.0 mm');
    await set(/1\.33 times apart/);
    await shop.bench.press('Undo');
    await shop.bench.named('Width of sticker 3 15.0 mm');
    await (await shop.bench.named('Choose sticker 3')).click();
    await shop.bench.press('Leave out');
    await set(/2 stickers/);
    await shop.bench.press('Take 1 back');
    await set(/3 stickers/);
    await shop.bench.press('40.0 mm');
    await shop.bench.named('Width of sticker 1 34.0 mm');
  },
);

test('a sheet of the set is packed by outline, with its cut lines', async () => {
  await shop.browser.get(`${shop.address}/sheets`);
  await shop.bench.press('New sheet');
  for (const n of [1, 2, 3]) {
    await shop.bench.press('Add a print…');
    await shop.bench.takeLine(`buoys on Sticker to shape, die cut, buoys ${n}`);
    await shop.browser.wait(
      async () => (await shop.browser.findElements(By.css('[data-print]'))).length === n,
      PATIENCE,
    );
  }
  expect(await shop.browser.findElements(By.css('[data-cut=cut]'))).toHaveLength(3);
  await shop.bench.press('Make the PDF');
  const { bytes } = await downloaded(shop.browser, shop.downloads, '.pdf');
  const path = shop.file('sheet.pdf');
  writeFileSync(path, bytes);
  // Another program's listing, in which a space of a name is written #20.
  const listed = execFileSync('qpdf', ['--qdf', '--object-streams=disable', path, '-'], { maxBuffer: 1e9 });
  expect(listed.toString('latin1')).toMatch(/\/Separation\s+\/Cut#20line/);
});

test('packed and sent, the house takes it', async () => {
  const { id } = await made();
  await shop.browser.get(`${shop.address}/packs?fit=${id}`);
  await (await shop.bench.named('Why buoys on Sticker to shape', 'input')).sendKeys('a proof');
  await shop.bench.press('Make the pack');
  await shop.bench.find('[aria-label=Pack]');
  const [pack] = await records<StoredPack>(shop.browser, 'packs');
  expect(pack!.manifest.files.map(({ path }) => path.split('/').at(-1))).toEqual(
    expect.arrayContaining(['cut-lines.pdf', 'buoys-1_cut-line.svg']),
  );
  await shop.bench.press('Send to a house');
  await shop.bench.named('How many of buoys');
  await shop.bench.press('Send the order');
  await shop.bench.says('[data-order=arrived]', /Arrived at Skerry Labels/);
});
